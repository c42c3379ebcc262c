/** From version 12 to 13: sittings say what wool and rows of the whole piece came to, measures of a row where it lies; of older entries that is not known. */
type Doc = Record<string, unknown>;

export const toPiece13 = (old: Doc): Doc => ({
  ...old,
  log: (old.log as Doc[]).map((e) =>
    e.kind === 'sitting' ? { ...e, woolG: null, rows: null } : e.kind === 'measured' ? { ...e, up: null } : e,
  ),
});
