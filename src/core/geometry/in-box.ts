/** What of a line runs inside a box. */
import type { Vec3 } from './vec';

/** Both ends of each axis; an axis without an end is left open. */
export type Box3 = readonly (readonly [least: number, most: number])[];

/**
 * Stretches of a line of straight pieces that lie in a box, cut where it goes in and out (Liang and Barsky 1984: a piece is kept
 * between the largest share at which it has entered every pair of planes and the least at which it leaves one). A stretch that goes
 * on over a corner of the line stays one.
 * @param path corners of the line, mm
 */
export function stretchesIn(path: readonly Vec3[], box: Box3): Vec3[][] {
  const out: Vec3[][] = [];
  let run: Vec3[] = [];
  const end = () => {
    if (run.length > 1) out.push(run);
    run = [];
  };
  path.slice(1).forEach((b, i) => {
    const a = path[i]!;
    let from = 0;
    let to = 1;
    box.forEach(([least, most], k) => {
      const d = b[k]! - a[k]!;
      if (d === 0) {
        if (a[k]! < least || a[k]! > most) to = -1;
        return;
      }
      const [s, t] = [(least - a[k]!) / d, (most - a[k]!) / d];
      from = Math.max(from, Math.min(s, t));
      to = Math.min(to, Math.max(s, t));
    });
    const at = (t: number) => [0, 1, 2].map((k) => a[k]! + t * (b[k]! - a[k]!)) as unknown as Vec3;
    if (from >= to) return end();
    if (from > 0) end();
    if (run.length === 0) run.push(at(from));
    run.push(at(to));
    if (to < 1) end();
  });
  end();
  return out;
}
