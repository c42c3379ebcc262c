/**
 * From the drawn parts (thousandths of the finished length) to solids in millimetres. The scale is chosen so that the
 * animal measures exactly its finished length from its foremost to its hindmost point.
 */
import { makeField, type Field, type FieldPart } from '@/core/geometry/field';
import { roundCone, type Ellipsoid, type Solid } from '@/core/geometry/shapes';
import { add, cross, norm, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Part, Piece } from '@/core/piece/schema';

/** One straight stretch of a part's axis, for measuring along and around it. mm. */
export interface Stretch {
  readonly a: Vec3;
  readonly b: Vec3;
  /** Radius at both ends, mm. */
  readonly ra: number;
  readonly rb: number;
  /** Length of the axis before this stretch, mm. */
  readonly before: number;
  readonly length: number;
}

export interface BodyPart {
  readonly part: Part;
  readonly stretches: readonly Stretch[];
  readonly lengthMm: number;
}

export interface Body {
  readonly field: Field;
  readonly parts: readonly BodyPart[];
  /** Millimetres per drawn unit. */
  readonly scale: number;
  readonly lengthMm: number;
}

/** Up for a pad or limb that runs level; forward for one that stands upright. */
export function topOf(axis: Vec3): Vec3 {
  const ref: Vec3 = Math.abs(axis[1]) > 0.9 ? [0, 0, 1] : [0, 1, 0];
  return unit(sub(ref, times(axis, ref[0] * axis[0] + ref[1] * axis[1] + ref[2] * axis[2])));
}

function padSolid(part: Extract<Part, { shape: 'pad' }>, k: number): Ellipsoid {
  const axis = unit(sub(part.end, part.start));
  const top = topOf(axis);
  const side = cross(top, axis);
  return {
    kind: 'ellipsoid',
    centre: times(add(part.start, part.end), k / 2) as [number, number, number],
    axes: [...side, ...top, ...axis],
    semi: [part.halfWidth * k, part.halfHeight * k, (norm(sub(part.end, part.start)) / 2) * k],
  };
}

function solidsOf(part: Part, k: number): Solid[] {
  if (part.shape === 'pad') return [padSolid(part, k)];
  return part.nodes.slice(1).map((node, i) => {
    const from = part.nodes[i]!;
    return roundCone(
      times(from.at, k) as [number, number, number],
      times(node.at, k) as [number, number, number],
      from.radius * k,
      node.radius * k,
    );
  });
}

/** The axis of a part. The ends of a limb are its outermost points, so 0 and 1 are where the part really ends. */
function stretchesOf(part: Part, k: number): Stretch[] {
  const nodes =
    part.shape === 'limb'
      ? part.nodes.map((n) => ({ at: n.at as Vec3, radius: n.radius }))
      : [
          { at: part.start as Vec3, radius: (part.halfWidth + part.halfHeight) / 2 },
          { at: part.end as Vec3, radius: (part.halfWidth + part.halfHeight) / 2 },
        ];
  if (part.shape === 'limb') {
    const first = nodes[0]!;
    const last = nodes[nodes.length - 1]!;
    const out0 = unit(sub(first.at, nodes[1]!.at));
    const out1 = unit(sub(last.at, nodes[nodes.length - 2]!.at));
    nodes[0] = { ...first, at: add(first.at, times(out0, first.radius)) };
    nodes[nodes.length - 1] = { ...last, at: add(last.at, times(out1, last.radius)) };
  }
  let before = 0;
  return nodes.slice(1).map((n, i) => {
    const a = times(nodes[i]!.at, k);
    const b = times(n.at, k);
    const length = norm(sub(b, a));
    const s = { a, b, ra: nodes[i]!.radius * k, rb: n.radius * k, before, length };
    before += length;
    return s;
  });
}

function fieldOf(parts: readonly Part[], k: number): Field {
  return makeField(
    parts.map((p): FieldPart => ({
      solids: solidsOf(p, k),
      innerBlend: Math.min(p.blend, 12) * k,
      blend: p.blend * k,
      mirrored: p.mirrored,
    })),
  );
}

export function makeBody(form: Piece['form']): Body {
  const drawn = fieldOf(form.parts, 1);
  const scale = form.finishedLengthMm / (drawn.max[2] - drawn.min[2]);
  return {
    field: fieldOf(form.parts, scale),
    parts: form.parts.map((part) => {
      const stretches = stretchesOf(part, scale);
      return { part, stretches, lengthMm: stretches.reduce((s, x) => s + x.length, 0) };
    }),
    scale,
    lengthMm: form.finishedLengthMm,
  };
}

export interface PartPlace {
  /** Share of the way along the part, 0..1. */
  readonly along: number;
  /** Degrees round its axis from its top, 0..180. */
  readonly aroundDeg: number;
  /** Distance from the axis, mm. */
  readonly radiusMm: number;
  /** Unit direction of the axis there, first end to last. */
  readonly axis: Vec3;
}

/** Where a point of the skin lies on a part. A mirrored part is looked up on the animal's left. */
export function placeOnPart(p: BodyPart, x: number, y: number, z: number): PartPlace {
  const q: Vec3 = [p.part.mirrored ? Math.abs(x) : x, y, z];
  let best: { s: Stretch; t: number; d: number } | null = null;
  for (const s of p.stretches) {
    const ab = sub(s.b, s.a);
    const t = Math.max(
      0,
      Math.min(
        1,
        ((q[0] - s.a[0]) * ab[0] + (q[1] - s.a[1]) * ab[1] + (q[2] - s.a[2]) * ab[2]) / (s.length * s.length),
      ),
    );
    const d = norm(sub(q, add(s.a, times(ab, t)))) - (s.ra + t * (s.rb - s.ra));
    if (!best || d < best.d) best = { s, t, d };
  }
  const { s, t } = best!;
  const axis = unit(sub(s.b, s.a));
  const top = topOf(axis);
  const out = sub(q, add(s.a, times(sub(s.b, s.a), t)));
  const flat = sub(out, times(axis, out[0] * axis[0] + out[1] * axis[1] + out[2] * axis[2]));
  const r = norm(flat);
  const c = r > 0 ? (flat[0] * top[0] + flat[1] * top[1] + flat[2] * top[2]) / r : 1;
  return {
    along: (s.before + t * s.length) / p.lengthMm,
    aroundDeg: (Math.acos(Math.max(-1, Math.min(1, c))) * 180) / Math.PI,
    radiusMm: r,
    axis: p.part.mirrored && x < 0 ? [-axis[0], axis[1], axis[2]] : axis,
  };
}
