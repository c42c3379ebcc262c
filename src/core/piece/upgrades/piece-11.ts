/**
 * From version 10 to 11: entries of the log say whose hand it was and what was planned that day. Of older entries that is not known; their wool was never taken out of the cupboard. Rows below the mean of the hem were all
 * kept as lying at it: these go by their numbers.
 */
type Doc = Record<string, unknown>;

const NEW: Readonly<Record<string, Doc>> = {
  row: { timed: true, planned: null, work: null },
  step: { timed: false, planned: null, work: null },
  broken: { place: null },
  wool: { askedG: null, way: null, takenG: null },
};

export const toPiece11 = (old: Doc): Doc => ({
  ...old,
  work: { ...(old.work as Doc), tonight: null },
  log: (old.log as Doc[]).map((e) => ({
    ...e,
    ...(e.up === 0 ? { up: null } : {}),
    by: 'hand',
    was: [],
    ...NEW[e.kind as string],
  })),
});
