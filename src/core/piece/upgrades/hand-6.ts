/**
 * From version 5 to 6: times are kept by the elements of the work, low, likely and high. A rate the maker had changed moves the
 * elements it stood for by as much; one left as it was leaves them at their first values.
 */
import { ELEMENTS, type ElementName, type Minutes } from '@/core/time/elements';

/** Rates of before, what they were to begin with, and the elements that took their place. */
const WAS: readonly (readonly [string, number, readonly ElementName[]])[] = [
  ['minutesPerPinch', 0.1, ['pinch', 'fold']],
  ['minutesPerLock', 0.4, ['lock']],
  ['minutesPerBow', 0.25, ['bow']],
  ['minutesPerPiece', 0.2, ['piece']],
  ['trimMinutesPerCm2', 0.05, ['trimCm2']],
  ['minutesPerWisp', 0.15, ['wisp']],
];
const STABS: readonly ElementName[] = ['coreStabs', 'surfaceStabs', 'rowCm'];

const scaled = (e: ElementName, by: number): Minutes => {
  const k = Math.min(10, Math.max(0.1, by));
  const { low, likely, high } = ELEMENTS[e];
  return { low: low * k, likely: likely * k, high: high * k };
};

export function toHand6(old: Record<string, unknown>): Record<string, unknown> {
  const { stabsPerMinute, ...rest } = old;
  const times: Partial<Record<ElementName, Minutes>> = {};
  for (const [key, was, elements] of WAS) {
    const mine = rest[key];
    delete rest[key];
    if (typeof mine === 'number' && mine !== was) for (const e of elements) times[e] = scaled(e, mine / was);
  }
  if (typeof stabsPerMinute === 'number' && stabsPerMinute !== 150)
    for (const e of STABS) times[e] = scaled(e, 150 / stabsPerMinute);
  return { ...rest, times };
}
