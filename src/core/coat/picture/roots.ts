/**
 * Roots of fur for every picture: along the rows at even distances with a golden-ratio shift, so that neighbouring rows do not line up, in
 * their tufts where the pile has them, or all over the surface where wool is laid as a layer. Lengths mm.
 */
import type { AreaPlan } from '@/core/coat/coat-plan';
import { triangleArea } from '@/core/geometry/mesh';
import type { RowPiece } from '@/core/coat/rows/rows';

export const GOLDEN = 0.6180339887498949;

export interface Root {
  x: number;
  y: number;
  z: number;
  readonly n: [number, number, number];
  readonly l: [number, number, number];
  /** Place along its stretch of row, mm, and as a share of it. */
  run: number;
  along: number;
  row: number;
  /** The stretch of row it stands on and the point of it that is near, or null and a vertex of the surface that is near. */
  piece: RowPiece | null;
  near: number;
}

const root: Root = { x: 0, y: 0, z: 0, n: [0, 0, 0], l: [0, 0, 0], run: 0, along: 0, row: 0, piece: null, near: 0 };

/** Roots at even distances along all rows, in their tufts where the pile has them: exactly `n`. */
export function alongRows(area: AreaPlan, n: number, rnd: () => number, each: (r: Root, share: number) => void): void {
  const fur = area.fur!;
  const { tuft } = fur.pile;
  const step = fur.rows.totalMm / n;
  let phase = 0;
  let made = 0;
  let debt = 0;
  for (const row of fur.rows.rows) {
    for (const p of row.pieces) {
      // What a stretch is too short for goes to the next, so that the number comes out.
      const want = p.lengthMm / step + debt;
      const here = Math.min(n - made, Math.round(want));
      debt = want - here;
      if (here <= 0) continue;
      phase = (phase + GOLDEN) % 1;
      let i = 3;
      let before = 0;
      let d = gap(p.points, i);
      const shift = tuft?.staggered && row.number % 2 === 0 ? tuft.pitchMm / 2 : 0;
      let last = -1;
      for (let k = 0; k < here; k++) {
        let at = ((k + phase) / here) * p.lengthMm;
        if (tuft) {
          // Drawn together to the middle of its tuft, as wide as the tuft is.
          const which = Math.floor((at + shift) / tuft.pitchMm);
          at = (which + 0.5 + (rnd() - 0.5) * Math.min(1, tuft.widthMm / tuft.pitchMm)) * tuft.pitchMm - shift;
          at = Math.min(p.lengthMm, Math.max(0, at));
        }
        // Along its points, which are as long as the shape has them.
        const along = at / (p.times ?? 1);
        if (along < last) {
          i = 3;
          before = 0;
          d = gap(p.points, i);
        }
        last = along;
        while (before + d < along && i + 3 < p.points.length) {
          before += d;
          i += 3;
          d = gap(p.points, i);
        }
        const t = d > 0 ? Math.min(1, (along - before) / d) : 0;
        fill(p.points, p.normal, p.lie, i - 3, i, t);
        root.run = at;
        root.along = p.lengthMm > 0 ? at / p.lengthMm : 0;
        root.row = row.number;
        root.piece = p;
        root.near = (t < 0.5 ? i - 3 : i) / 3;
        const jog = (rnd() - 0.5) * (fur.pile.vane ? 0 : tuft || fur.pile.sides ? 0.15 : 0.5) * fur.rows.meanSpacingMm;
        root.x += jog * root.l[0];
        root.y += jog * root.l[1];
        root.z += jog * root.l[2];
        each(root, row.share);
        made++;
      }
    }
  }
}

const gap = (p: Float64Array, i: number): number =>
  Math.hypot(p[i]! - p[i - 3]!, p[i + 1]! - p[i - 2]!, p[i + 2]! - p[i - 1]!);

function fill(at: Float64Array, normal: Float64Array, lie: Float64Array, a: number, b: number, t: number): void {
  root.x = at[a]! + t * (at[b]! - at[a]!);
  root.y = at[a + 1]! + t * (at[b + 1]! - at[a + 1]!);
  root.z = at[a + 2]! + t * (at[b + 2]! - at[a + 2]!);
  for (let k = 0; k < 3; k++) {
    root.n[k] = normal[a + k]! + t * (normal[b + k]! - normal[a + k]!);
    root.l[k] = lie[a + k]! + t * (lie[b + k]! - lie[a + k]!);
  }
}

/** Roots anywhere on the surface, each triangle by its share: exactly `n`. */
export function overArea(area: AreaPlan, n: number, rnd: () => number, each: (r: Root) => void): void {
  const { positions: p, normals, lie, triangles: T } = area.surface!;
  let whole = 0;
  for (let t = 0; t < T.length; t += 3) whole += triangleArea(p, T, t);
  const step = whole / n;
  let owed = rnd() * step;
  let made = 0;
  for (let t = 0; t < T.length && made < n; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    owed += triangleArea(p, T, t);
    for (; owed >= step && made < n; owed -= step) {
      let [x, y] = [rnd(), rnd()];
      if (x + y > 1) [x, y] = [1 - x, 1 - y];
      const mix = (f: Float64Array, k: number) => f[a + k]! * (1 - x - y) + f[b + k]! * x + f[c + k]! * y;
      root.x = mix(p, 0);
      root.y = mix(p, 1);
      root.z = mix(p, 2);
      for (let k = 0; k < 3; k++) {
        root.n[k] = mix(normals, k);
        root.l[k] = mix(lie, k);
      }
      root.run = root.along = root.row = 0;
      root.piece = null;
      root.near = a / 3;
      each(root);
      made++;
    }
  }
}
