/**
 * The distance field of a body: parts, each of one or more solids, joined by smooth minima. The value is negative
 * inside and never changes faster than distance, so a block further from the surface than its own radius holds none.
 */
import { leafBounds } from './leaf';
import { ovalConeBounds } from './oval-cone';
import { noNearerThan, smoothMin, solidDistance, type Solid } from './shapes';

export interface FieldPart {
  readonly solids: readonly Solid[];
  /** The other one of a pair, where the two do not mirror each other. */
  readonly twin?: readonly Solid[] | null;
  /** Blend width between this part's own solids, mm. */
  readonly innerBlend: number;
  /** Blend width to what came before it, mm. */
  readonly blend: number;
  /** True: the part and its mirror image across x = 0 count as one item. */
  readonly mirrored: boolean;
}

export interface Field {
  readonly parts: readonly FieldPart[];
  readonly min: readonly [number, number, number];
  readonly max: readonly [number, number, number];
  /** True when the body is the same on both sides of x = 0. */
  readonly symmetric: boolean;
  readonly widestBlend: number;
  /** Everything with x below this is cut away (the back of a relief); null cuts nothing. */
  readonly cutX: number | null;
}

function solidBounds(s: Solid): { min: number[]; max: number[] } {
  if (s.kind === 'cone') {
    return {
      min: [Math.min(s.ax - s.ra, s.bx - s.rb), Math.min(s.ay - s.ra, s.by - s.rb), Math.min(s.az - s.ra, s.bz - s.rb)],
      max: [Math.max(s.ax + s.ra, s.bx + s.rb), Math.max(s.ay + s.ra, s.by + s.rb), Math.max(s.az + s.ra, s.bz + s.rb)],
    };
  }
  if (s.kind === 'oval') return ovalConeBounds(s);
  if (s.kind === 'leaf') return leafBounds(s);
  if (s.kind === 'box') {
    const raised = (s.front?.mounds ?? []).reduce((h, m) => h + Math.max(0, m.raise), 0);
    return {
      min: s.centre.map((c, k) => c - s.half[k]!),
      max: s.centre.map((c, k) => c + s.half[k]! + (k === 0 ? raised : 0)),
    };
  }
  const half = [0, 1, 2].map((k) => {
    let sum = 0;
    for (let i = 0; i < 3; i++) sum += (s.semi[i]! * s.axes[3 * i + k]!) ** 2;
    return Math.sqrt(sum);
  });
  return { min: s.centre.map((c, k) => c - half[k]!), max: s.centre.map((c, k) => c + half[k]!) };
}

export function makeField(parts: readonly FieldPart[], cutX: number | null = null): Field {
  const min: [number, number, number] = [Infinity, Infinity, Infinity];
  const max: [number, number, number] = [-Infinity, -Infinity, -Infinity];
  let widestBlend = 0;
  let symmetric = cutX === null;
  for (const p of parts) {
    widestBlend = Math.max(widestBlend, p.blend, p.innerBlend);
    for (const s of p.twin ? [...p.solids, ...p.twin] : p.solids) {
      const b = solidBounds(s);
      for (let k = 0; k < 3; k++) {
        min[k] = Math.min(min[k]!, b.min[k]!);
        max[k] = Math.max(max[k]!, b.max[k]!);
      }
      if (p.mirrored) {
        min[0] = Math.min(min[0], -b.max[0]!);
        max[0] = Math.max(max[0], -b.min[0]!);
      } else {
        const onMidline =
          s.kind === 'cone'
            ? s.ax === 0 && s.bx === 0
            : s.kind === 'oval'
              ? s.a[0] === 0 && s.b[0] === 0 && s.out[1] === 0 && s.out[2] === 0
              : s.kind === 'leaf'
                ? false
                : s.kind === 'box'
                  ? s.centre[0] === 0
                  : s.centre[0] === 0 && [0, 3, 6].every((i) => Math.abs(Math.abs(s.axes[i]!) - 0.5) > 0.4999);
        symmetric &&= onMidline;
      }
    }
  }
  if (cutX !== null) min[0] = Math.max(min[0], cutX);
  return { parts, min, max, symmetric, widestBlend, cutX };
}

/**
 * Distance to the solids of one part joined, looked for no further than `enough`. What lies so far off that blending cannot bring it
 * into what is said is left out: a smooth minimum of two that differ by its width or more is the nearer of them, to the last bit.
 */
function joined(solids: readonly Solid[], k: number, x: number, y: number, z: number, enough: number): number {
  // Every solid that is blended in may lower what comes before it by a quarter of the width, and reaches one width further.
  const most = enough + 1.25 * k * solids.length;
  let d = Infinity;
  for (let i = 0; i < solids.length; i++) {
    const s = solids[i]!;
    const least = noNearerThan(s, x, y, z);
    if (least >= d + k || least >= most) continue;
    d = smoothMin(d, solidDistance(s, x, y, z), k);
  }
  return d;
}

/**
 * Distance to one part (with its mirror image where it has one), mm.
 * @param enough what is as far off as this, or further, may be said to lie anywhere beyond it
 */
export function partDistance(p: FieldPart, x: number, y: number, z: number, enough = Infinity): number {
  const k = p.innerBlend;
  const d = joined(p.solids, k, x, y, z, enough + 1.25 * k);
  if (!p.twin && !p.mirrored) return d;
  const reach = Math.min(d + k, enough + 2.5 * k);
  return smoothMin(d, p.twin ? joined(p.twin, k, x, y, z, reach) : joined(p.solids, k, -x, y, z, reach), k);
}

/** The field over the parts named by `which` (indices in order). */
export function fieldValue(f: Field, which: readonly number[], x: number, y: number, z: number): number {
  let d = Infinity;
  for (let i = 0; i < which.length; i++) {
    const p = f.parts[which[i]!]!;
    d = smoothMin(d, partDistance(p, x, y, z, d + p.blend), p.blend);
  }
  if (f.cutX !== null) d = Math.max(d, f.cutX - x);
  return d;
}

/**
 * Parts that can matter within `radius` of a point. Distances change no faster than position, and a blend reaches no
 * further than its own width, so a part further off than that cannot change the field there.
 */
export function partsNear(f: Field, x: number, y: number, z: number, radius: number): number[] {
  const d = f.parts.map((p) => partDistance(p, x, y, z));
  const least = Math.min(...d) + 2 * radius + 2 * f.widestBlend;
  const near: number[] = [];
  d.forEach((v, i) => v <= least && near.push(i));
  return near;
}
