/**
 * How a maker gets an amount of wool that the scales do not show: in pinches, once ten of them have been weighed, or by weighing the
 * least the scales show and dividing it. g, mg
 */
import type { Hand } from '@/core/piece/hand';
import { grams, say, type Text } from '@/core/text';

/** Divided further than this by eye, parts are alike no more. Ours. */
const MOST_PARTS = 12;
/** Less than this of a pinch is not taken between the fingers. Ours. */
const LEAST_PINCH = 0.4;

const PART = [
  'a half',
  'a third',
  'a quarter',
  'a fifth',
  'a sixth',
  'a seventh',
  'an eighth',
  'a ninth',
  'a tenth',
  'an eleventh',
  'a twelfth',
];

/** Nearest of the halves of a number, said. */
function halves(x: number): string {
  const n = Math.max(1, Math.round(2 * x));
  if (n === 1) return 'half a pinch';
  const whole = Math.floor(n / 2);
  return `${whole}${n % 2 === 1 ? '½' : ''} ${n > 2 ? 'pinches' : 'pinch'} of yours`;
}

/** The eye divides no better than this: the share said is within an eighth of what was meant. Ours. */
const NEAR = Math.log(1.125);

/** Two thirds, three quarters: the share of the least batch with the fewest parts that comes near enough. */
function shareOf(massG: number, stepG: number): { of: number; take: number } {
  const x = massG / stepG;
  let best = { of: 1, take: 1, off: Infinity };
  for (let of = 1; of <= MOST_PARTS && best.off > NEAR; of++) {
    const take = Math.max(1, Math.min(of, Math.round(x * of)));
    const off = Math.abs(Math.log(take / of / x));
    if (off < best.off) best = { of, take, off };
  }
  return best;
}

/** In words how so little is measured; null where the scales show it. @param massG more than nothing */
export function howToWeigh(massG: number, hand: Pick<Hand, 'scalesStepG' | 'pinchMg'>): Text | null {
  const { scalesStepG: step, pinchMg } = hand;
  if (!(massG > 0) || massG >= step * 0.995) return null;
  const mg = massG * 1000;
  if (pinchMg !== null && mg >= LEAST_PINCH * pinchMg) return say`${halves(mg / pinchMg)}`;
  if (massG < step / MOST_PARTS) return say`a few fibres: less than ${PART[MOST_PARTS - 2]!} of ${grams(step)}`;
  const { of, take } = shareOf(massG, step);
  if (of === 1) return say`weigh ${grams(step)}`;
  return take === 1 ? say`${PART[of - 2]!} of ${grams(step)}` : say`${take} of ${of} equal parts of ${grams(step)}`;
}
