/** The animal turned so that a row is seen; left as it is where it can be seen already. */
import type { Row } from '@/core/coat/rows/rows';
import type { View } from '@/desk/view';
import { eye } from '@/ui/pictures/camera';

type Turn = Pick<View, 'yaw' | 'pitch'>;

/** Seen well where it faces the eye by this much at least, as a cosine. */
const SEEN = 0.35;
/** A row that runs all round faces nowhere: one whose sides cancel out to less than this. */
const ROUND = 0.3;

/** Which way the first stretch of a row faces; null where it runs round. */
function facing(row: Pick<Row, 'pieces'>): [number, number, number] | null {
  const n = row.pieces[0]?.normal;
  if (!n || n.length === 0) return null;
  const mean = [0, 1, 2].map((k) => {
    let s = 0;
    for (let i = k; i < n.length; i += 3) s += n[i]!;
    return (3 * s) / n.length;
  }) as [number, number, number];
  const size = Math.hypot(...mean);
  return size < ROUND ? null : (mean.map((x) => x / size) as [number, number, number]);
}

/** @returns how to turn the animal, or null where it need not be turned */
export function turned(row: Pick<Row, 'pieces'>, view: Turn): Turn | null {
  const to = facing(row);
  if (!to) return null;
  const { from } = eye(view);
  if (from[0] * to[0] + from[1] * to[1] + from[2] * to[2] >= SEEN) return null;
  const deg = (x: number) => (x * 180) / Math.PI;
  return { yaw: deg(Math.atan2(to[0], to[2])), pitch: Math.max(-60, Math.min(60, deg(Math.asin(to[1])))) };
}
