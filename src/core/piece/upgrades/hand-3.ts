/** From version 2 to 3: how the maker felts a top coat and sets locks, bows and wisps. The maker's other habits stay. */
import { defaultHand } from '../hand';

export const toHand3 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  wrapDensityMgCm3: defaultHand.wrapDensityMgCm3,
  feltedDensityMgCm3: defaultHand.feltedDensityMgCm3,
  surfaceStabsPerCm2: defaultHand.surfaceStabsPerCm2,
  minutesPerLock: 0.4,
  minutesPerBow: 0.25,
  minutesPerPiece: 0.2,
  trimMinutesPerCm2: 0.05,
});
