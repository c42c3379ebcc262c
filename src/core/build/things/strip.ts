/** Patterns of what goes round: a straight strip, or a bent one for what is wider at one edge. Lengths mm, outlines stride 2. */

/** Corners of an arc are drawn so close. */
const STEP_MM = 1;
/** Edges that differ by less than this share of their width make a straight strip: felt gives that much. Ours. */
const STRAIGHT = 0.002;

/** A strip, its lower edge along the bottom, its middle at nought. */
export const straightStrip = (long: number, wide: number): Float64Array =>
  Float64Array.from([-long / 2, 0, long / 2, 0, long / 2, wide, -long / 2, wide]);

export const disc = (across: number): Float64Array => {
  const n = Math.max(24, Math.ceil((Math.PI * across) / STEP_MM));
  return Float64Array.from({ length: 2 * n }, (_, i) => {
    const a = (2 * Math.PI * (i >> 1)) / n;
    return (across / 2) * (i % 2 === 0 ? Math.cos(a) : 1 + Math.sin(a));
  });
};

/**
 * The wall of a frustum laid flat: part of a ring whose two arcs are as long as the edges and as far apart as the wall is wide (closed form).
 * Both edges are longer by the overlap.
 */
export function bentStrip(lower: number, upper: number, wide: number, overlap = 0): Float64Array {
  const [a, b] = [lower + overlap, upper + overlap];
  if (Math.abs(a - b) < STRAIGHT * wide) return straightStrip((a + b) / 2, wide);
  const turn = Math.abs(a - b) / wide;
  const [near, far] = [Math.min(a, b) / turn, Math.max(a, b) / turn];
  const n = Math.max(8, Math.ceil(Math.max(a, b) / STEP_MM));
  // The longer edge lies outward: below where it is the lower one.
  const down = a > b;
  const at = (r: number, i: number): [number, number] => {
    const q = turn * (i / n - 0.5);
    const y = r * Math.cos(q);
    return [r * Math.sin(q), down ? far - y : y - near];
  };
  const arc = (r: number) => Array.from({ length: n + 1 }, (_, i) => at(r, i));
  const [low, high] = down ? [arc(far), arc(near)] : [arc(near), arc(far)];
  const points = [...low, ...high.reverse()];
  // Seen so that the outline runs on: from left to right below, back above; its lowest place at nought.
  const floor = Math.min(...points.map((p) => p[1]));
  return Float64Array.from(points.flatMap(([x, y]) => [x, y - floor]));
}
