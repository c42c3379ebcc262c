/** From version 11 to 12: wool weighed says for which step; of older entries that is not known. */
type Doc = Record<string, unknown>;

export const toPiece12 = (old: Doc): Doc => ({
  ...old,
  log: (old.log as Doc[]).map((e) => (e.kind === 'wool' ? { ...e, operation: null } : e)),
});
