/** From version 3 to 4: which school of blending the maker goes by, and how long a veil or a pass takes. */
import { defaultHand } from '../hand';

export const toHand4 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  blendModel: defaultHand.blendModel,
  minutesPerWisp: 0.15,
});
