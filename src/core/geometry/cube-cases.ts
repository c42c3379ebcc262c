/**
 * Which crossed edges of a cube belong to the same sheet of surface, for all 256 sign patterns. Made by walking the
 * faces; a face with two inside corners on a diagonal is always split so that the inside corners stay apart, which both
 * cubes at that face decide alike. (Dual marching cubes, Nielson 2004; from memory.)
 *
 * Corner number = x + 2 y + 4 z. Edge number = 4 axis + (lower other coordinate) + 2 (higher other coordinate).
 */
import { UnionFind } from '@/core/union-find';

export const EDGE_CORNERS: readonly (readonly [number, number])[] = [0, 1, 2].flatMap((axis) =>
  [0, 1, 2, 3].map((rest): [number, number] => {
    const [u, v] = [0, 1, 2].filter((k) => k !== axis) as [number, number];
    const start = ((rest & 1) << u) | ((rest >> 1) << v);
    return [start, start | (1 << axis)];
  }),
);

const FACES: readonly (readonly number[])[] = [0, 1, 2].flatMap((axis) =>
  [0, 1].map((side) => {
    const [u, v] = [0, 1, 2].filter((k) => k !== axis) as [number, number];
    return [0, 1, 2, 3].map((q) => (side << axis) | ((q & 1) << u) | ((q >> 1) << v));
  }),
);

/** For each pattern (bit c set: corner c inside): `sheet[pattern * 12 + edge]` is the sheet number, or -1. */
export const SHEET = new Int8Array(256 * 12).fill(-1);
export const SHEET_COUNT = new Uint8Array(256);

for (let pattern = 0; pattern < 256; pattern++) {
  const inside = (c: number) => ((pattern >> c) & 1) === 1;
  const crossed = EDGE_CORNERS.map(([a, b]) => inside(a) !== inside(b));
  const groups = new UnionFind(EDGE_CORNERS.length);
  for (const face of FACES) {
    const onFace = EDGE_CORNERS.flatMap(([a, b], e) => (crossed[e] && face.includes(a) && face.includes(b) ? [e] : []));
    if (onFace.length === 2) groups.join(onFace[0]!, onFace[1]!);
    if (onFace.length === 4) {
      for (const c of face.filter(inside)) {
        const [e, f] = onFace.filter((x) => EDGE_CORNERS[x]!.includes(c));
        groups.join(e!, f!);
      }
    }
  }
  const numbers = new Map<number, number>();
  crossed.forEach((yes, e) => {
    if (!yes) return;
    const r = groups.head(e);
    if (!numbers.has(r)) numbers.set(r, numbers.size);
    SHEET[pattern * 12 + e] = numbers.get(r)!;
  });
  SHEET_COUNT[pattern] = numbers.size;
}
