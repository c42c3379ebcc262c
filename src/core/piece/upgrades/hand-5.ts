/** From version 4 to 5: time at the bench by day of the week, and what has to set or dry. */
import { defaultHand } from '../hand';

export const toHand5 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  benchMinutes: defaultHand.benchMinutes,
  readyMinutes: defaultHand.readyMinutes,
  glueMinutes: defaultHand.glueMinutes,
  dryMinutes: defaultHand.dryMinutes,
});
