/** From version 5 to 6: how the piece is worked. What rows were laid by before was not written down. */
import { plainWork } from '../work';

export const toPiece6 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  work: plainWork(),
  log: ((old.log ?? []) as Record<string, unknown>[]).map((e) => (e.kind === 'row' ? { ...e, made: {} } : e)),
});
