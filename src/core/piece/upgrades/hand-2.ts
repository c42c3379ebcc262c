/** From version 1 to 2: how dense and how fast the maker felts a core. The maker's other habits stay. */
import { defaultHand } from '../hand';

export const toHand2 = (old: Record<string, unknown>): Record<string, unknown> => ({
  ...old,
  coreDensityMgCm3: defaultHand.coreDensityMgCm3,
  looseDensityMgCm3: defaultHand.looseDensityMgCm3,
  coreStabsPerCm3: defaultHand.coreStabsPerCm3,
});
