/** How much felt shrinks in this maker's hands, learned from flat parts measured across before and after. Shares of the width. */

/** What flat felt shrinks by before anything is measured. Ours. */
export const USUAL_SHRINK = 0.15;
/** What is learned of flat parts is kept under this. */
export const FLAT_FELT = 'flat-felt';

interface Rate {
  readonly times: number;
  readonly entries: number;
  readonly pieces: number;
}

/** Width that is left of so much pattern, by the first value: what was measured is judged beside it. */
export const usuallyLeft = (patternMm: number): number => patternMm * (1 - USUAL_SHRINK);

/** The share this maker's felt shrinks by; null while too little was measured. */
export function shrinks(hand: { readonly laying: Readonly<Record<string, { readonly shrink: Rate | null }>> }): {
  readonly share: number;
  readonly entries: number;
  readonly pieces: number;
} | null {
  const rate = hand.laying[FLAT_FELT]?.shrink;
  if (!rate) return null;
  const share = Math.min(0.6, Math.max(0, 1 - usuallyLeft(1) * rate.times));
  return { share: Math.round(share * 100) / 100, entries: rate.entries, pieces: rate.pieces };
}
