/**
 * Trimming in steps: a bulk cut that leaves a margin, then steps that each take at most a quarter of what is left to
 * take, teasing and looking between, for it cannot be put back (common practice: long ends first, then little by little).
 * Lengths mm, masses g.
 */
interface TrimStep {
  readonly kind: 'bulk cut' | 'step' | 'last pass';
  /** Length of the free end after this step. */
  readonly leavesMm: number;
  readonly takesMm: number;
  readonly wasteG: number;
  /** Offcuts long enough to go into a core. */
  readonly keep: boolean;
}

export interface TrimPlan {
  /** Free length as laid, and as it is to be. */
  readonly laidMm: number;
  readonly finishedMm: number;
  readonly steps: readonly TrimStep[];
  readonly wasteG: number;
  /** Of it worth keeping. */
  readonly keepG: number;
  /** Left above the finished length after the bulk cut: what a mistake may take before it shows. */
  readonly marginMm: number;
}

/** Offcuts longer than this can go into a core. Ours. */
export const KEEP_MM = 8;
/** What is left to take below this is taken in one pass. Ours. */
const LAST_MM = 2.5;

export const bulkMargin = (finishedMm: number): number => Math.max(5, 0.3 * finishedMm);

/**
 * @param laidMm free length as laid
 * @param finishedMm free length wanted, mean over the area
 * @param mgPerMm mass of one mm of length over all free ends, mg
 * @returns null where there is nothing to take
 */
export function trimPlan(laidMm: number, finishedMm: number, mgPerMm: number): TrimPlan | null {
  if (laidMm - finishedMm < 0.05) return null;
  const steps: TrimStep[] = [];
  let at = laidMm;
  const cut = (kind: TrimStep['kind'], to: number) => {
    const takes = at - to;
    steps.push({ kind, leavesMm: to, takesMm: takes, wasteG: (takes * mgPerMm) / 1000, keep: takes > KEEP_MM });
    at = to;
  };
  const margin = bulkMargin(finishedMm);
  if (at - finishedMm > margin + 0.5) cut('bulk cut', finishedMm + margin);
  const marginMm = at - finishedMm;
  while (at - finishedMm > LAST_MM) cut('step', at - (at - finishedMm) / 4);
  cut('last pass', finishedMm);
  return {
    laidMm,
    finishedMm,
    steps,
    wasteG: steps.reduce((s, x) => s + x.wasteG, 0),
    keepG: steps.reduce((s, x) => s + (x.keep ? x.wasteG : 0), 0),
    marginMm,
  };
}
