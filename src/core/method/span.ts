/**
 * How sure a figure is: its doubts are put through the formula by its slopes (Guide to the expression of uncertainty in measurement,
 * JCGM 100:2008, 5.1.2) and said as a span.
 */
import type { Figure, Method } from './define';
import { deviation, together, type DoubtName, type Known } from './doubt';

/** Nine times in ten more than the low, nine in ten less than the high; as often more as less than the likely. */
export interface Span {
  readonly low: number;
  readonly likely: number;
  readonly high: number;
}

/** 10 and 90 % of a bell curve. */
export const DECILE = 1.2816;

/** A span of something that is never below nothing. */
export const spanAbout = (likely: number, sd: number): Span => ({
  low: likely * Math.exp(-DECILE * sd),
  likely,
  high: likely * Math.exp(DECILE * sd),
});

/** A doubt in a figure, and what share of what is not known comes from it. */
interface InFigure {
  readonly name: DoubtName;
  readonly share: number;
  readonly measured: number;
}

/** Shares go by the layers that hide as much; everything else by its logarithm. */
const scaleOf = (kind: Method['result']['kind']) =>
  kind === 'share'
    ? { to: (x: number) => Math.log(-Math.log1p(-x)), back: (y: number) => -Math.expm1(-Math.exp(y)) }
    : { to: Math.log, back: Math.exp };

/** Doubts a formula and its letters carry, each once. */
export const doubtsIn = (m: Method): DoubtName[] => [
  ...new Set([...Object.values(m.inputs), m].flatMap((l) => (l.doubt ? [l.doubt] : []))),
];

/** What a figure may come to, and what makes it unsure, most first; null where nothing in it is in doubt. */
export function spanOfFigure(
  m: Method,
  figure: Figure,
  hand: Known = {},
): (Span & { readonly doubts: readonly InFigure[] }) | null {
  const known = together(hand, figure.known ?? {});
  const { to, back } = scaleOf(m.result.kind);
  const likely = figure.value;
  const at = to(likely);
  if (!Number.isFinite(at)) return null;
  // One doubt moves all letters it is in at once.
  const variances = doubtsIn(m).map((name) => {
    const sd = deviation(name, known);
    const moved = (by: number) =>
      to(
        m.of(
          Object.fromEntries(
            Object.entries(figure.inputs).map(([k, v]) => [k, m.inputs[k]?.doubt === name ? v * Math.exp(by) : v]),
          ),
        ),
      );
    const [less, more] = [moved(-sd), moved(sd)];
    // Where one end leaves what can be said, the other tells the slope.
    const slope =
      Number.isFinite(less) && Number.isFinite(more)
        ? (more - less) / 2
        : Number.isFinite(less)
          ? at - less
          : more - at;
    const whole = (Number.isFinite(slope) ? slope : 0) + (m.doubt === name ? sd : 0);
    return { name, variance: whole ** 2, measured: known[name] ?? 0 };
  });
  const all = variances.reduce((s, x) => s + x.variance, 0);
  if (all < 1e-12) return null;
  const sd = Math.sqrt(all);
  return {
    low: back(at - DECILE * sd),
    likely,
    high: back(at + DECILE * sd),
    doubts: variances
      .filter((x) => x.variance > 0.01 * all)
      .sort((a, b) => b.variance - a.variance)
      .map(({ name, variance, measured }) => ({ name, share: variance / all, measured })),
  };
}

/** Something that weighs so much, and the doubts in it: each moves all of it alike. */
export interface InDoubt {
  readonly amount: number;
  readonly doubts: readonly { readonly name: DoubtName; readonly about: string; readonly known: Known }[];
}

/**
 * Span of a sum. The same doubt about the same thing moves all that carries it together; different ones go their own ways.
 * Logarithms are added (Fenton 1960, from memory).
 */
export function spanOfSum(list: readonly InDoubt[]): Span {
  const likely = list.reduce((s, x) => s + x.amount, 0);
  if (likely <= 0) return { low: 0, likely: 0, high: 0 };
  const moves = new Map<string, number>();
  for (const x of list)
    for (const d of x.doubts) {
      const key = `${d.name} ${d.about}`;
      moves.set(key, (moves.get(key) ?? 0) + x.amount * deviation(d.name, d.known));
    }
  const variance = [...moves.values()].reduce((s, v) => s + v ** 2, 0);
  return spanAbout(likely, Math.sqrt(Math.log1p(variance / likely ** 2)));
}
