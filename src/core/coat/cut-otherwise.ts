/** Wool cut to another length than planned: how long the fur gets that way. Lengths mm. */
import type { Figure } from '@/core/method/define';
import type { Hand } from '@/core/piece/hand';
import { overOf } from './techniques/fold-over/fold-over-lay';

const STEPS = 60;
/** Rounded as the maker would type it. */
const TO = 0.5;

/**
 * The finished length whose cut is so long, by the formula the cut was worked out with; what is left on for trimming goes by the length as it always does.
 * @param cut the planned cut, with its own inputs
 * @param by the formula it was worked out with
 * @returns null where the cut does not go by the length
 */
export function lengthFor(
  cut: Figure,
  by: { readonly of: (inputs: never) => number },
  hand: Hand,
  actualMm: number,
): number | null {
  const of = by.of as (inputs: Readonly<Record<string, number>>) => number;
  const { inputs } = cut;
  const { length, over } = inputs;
  if (length === undefined || length <= 0) return null;
  const at = (mm: number) => of({ ...inputs, length: mm, ...(over === undefined ? {} : { over: overOf(mm, hand) }) });
  let [low, high] = [0, 4 * length * Math.max(1, actualMm / cut.value)];
  if (!(at(high) > at(low)) || actualMm <= at(low)) return null;
  for (let i = 0; i < STEPS; i++) {
    const mid = (low + high) / 2;
    if (at(mid) < actualMm) low = mid;
    else high = mid;
  }
  return Math.max(TO, Math.round(low / TO) * TO);
}
