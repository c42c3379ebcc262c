/**
 * Taking a cast out of a photograph by a grey card in it: what the card should be is known, what it came out as is seen.
 * The light is adapted to D65 by the Bradford transform (Lam 1985, as in CIE 160) and scaled so that the card is as light as
 * it is. Linear light throughout.
 */
import { WHITE, type Triple } from './lab';
import { fromXyz, toXyz } from './rgb';

const BRADFORD: readonly Triple[] = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
];
const BACK: readonly Triple[] = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
];

const times = (m: readonly Triple[], v: Triple): Triple =>
  m.map((r) => r[0] * v[0] + r[1] * v[1] + r[2] * v[2]) as unknown as Triple;

/**
 * @param card the card as the photograph has it, linear light
 * @param truth luminance of the card in life, 0..1
 * @returns what takes the cast out of any colour of the photograph
 */
export function neutraliser(card: Triple, truth: number): (linear: Triple) => Triple {
  const xyz = toXyz(card);
  if (xyz[1] < 1e-6) return (c) => c;
  const seen = times(BRADFORD, [xyz[0] / xyz[1], 1, xyz[2] / xyz[1]]);
  const goal = times(BRADFORD, WHITE);
  const gain = truth / xyz[1];
  const k = goal.map((g, i) => g / Math.max(1e-6, seen[i]!)) as unknown as Triple;
  return (c) => {
    const cone = times(BRADFORD, toXyz(c));
    const out = times(BACK, [cone[0] * k[0], cone[1] * k[1], cone[2] * k[2]]);
    return fromXyz([out[0] * gain, out[1] * gain, out[2] * gain]);
  };
}
