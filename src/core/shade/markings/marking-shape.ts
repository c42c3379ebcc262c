/**
 * A marking on the skin: how deep every vertex lies inside it (mm, positive inside), how long it is over the skin and
 * straight, and the line it follows. Stripes follow a line over the skin with a width that tapers; spots and masks are
 * ovals measured over the skin; bars and socks are bands of a part; the rest is painted.
 */
import { areaDepth } from '@/core/form/areas';
import type { FormWork } from '@/core/form/form';
import { mirrorPlace, pointOf } from '@/core/form/places';
import { overSkin } from '@/core/geometry/over-skin';
import { nearestVertex } from '@/core/geometry/mesh';
import type { Vec3 } from '@/core/geometry/vec';
import type { Place } from '@/core/piece/schema';
import type { MarkingShape, PieceMarking } from '@/core/piece/shade';
import { toLine } from '@/core/shade/layers/fields';

export interface MarkingOnSkin {
  /** Signed depth of every vertex of the skin. */
  readonly depth: Float64Array;
  /** Middle line of a stripe on its own side, mm; empty for other shapes. */
  readonly line: readonly Vec3[];
  /** Length along the skin and straight from end to end; null where there is no line. */
  readonly overSkinMm: number | null;
  readonly chordMm: number | null;
}

const BETWEEN = 8;
const SAME_WAY = 0.1;

const gap = (a: Vec3, b: Vec3): number => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);

/** Points of the skin through some places, close together. */
function skinLine(form: Pick<FormWork, 'body' | 'skin'>, places: readonly Place[]): Vec3[] {
  const out: Vec3[] = [];
  for (let i = 0; i + 1 < places.length; i++) {
    const [a, b] = [places[i]!, places[i + 1]!];
    const ends = [pointOf(form.body, a), pointOf(form.body, b)] as const;
    if (!ends[0] || !ends[1]) continue;
    for (let k = 0; k <= BETWEEN; k++) {
      if (k === 0 && out.length > 0) continue;
      const t = k / BETWEEN;
      const mix = (x: number, y: number) => x + t * (y - x);
      const same = a.part === b.part && a.side === b.side;
      const q = same
        ? pointOf(form.body, { ...a, along: mix(a.along, b.along), up: mix(a.up, b.up), out: mix(a.out, b.out) })
        : vertexAt(
            form.skin.positions,
            nearestVertex(
              form.skin.positions,
              [0, 1, 2].map((j) => mix(ends[0]![j]!, ends[1]![j]!)) as unknown as Vec3,
            ),
          );
      if (q) out.push(q);
    }
  }
  return out;
}

const vertexAt = (list: Float64Array, v: number): Vec3 => [list[3 * v]!, list[3 * v + 1]!, list[3 * v + 2]!];

const lengthOf = (line: readonly Vec3[]): number => line.reduce((s, p, i) => s + (i > 0 ? gap(line[i - 1]!, p) : 0), 0);

/** A line cut off so many mm before its end. */
function shortened(line: readonly Vec3[], byMm: number): Vec3[] {
  let left = lengthOf(line) - byMm;
  if (left <= 0) return line.slice(0, 1);
  const out: Vec3[] = [line[0]!];
  for (let i = 1; i < line.length; i++) {
    const [a, b] = [line[i - 1]!, line[i]!];
    const l = gap(a, b);
    if (l >= left) {
      const t = l > 0 ? left / l : 0;
      out.push([a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])]);
      return out;
    }
    out.push(b);
    left -= l;
  }
  return out;
}

export function markingOnSkin(form: FormWork, m: Pick<PieceMarking, 'shape' | 'mirrored' | 'broken'>): MarkingOnSkin {
  const { skin, body } = form;
  const n = skin.positions.length / 3;
  const shape: MarkingShape = m.shape;
  const mirrored = m.mirrored && !body.board;
  if ('through' in shape) {
    const depth = new Float64Array(n).fill(-1e6);
    const sides = mirrored ? [shape.through, shape.through.map(mirrorPlace)] : [shape.through];
    let own: readonly Vec3[] = [];
    for (const places of sides) {
      const line = shortened(skinLine(form, places), shape.stopMm);
      if (line.length === 0) continue;
      if (own.length === 0) own = line;
      const normals = line.map((p) => vertexAt(skin.normals, nearestVertex(skin.positions, p)));
      const whole = lengthOf(line) || 1;
      for (let v = 0; v < n; v++) {
        const p = vertexAt(skin.positions, v);
        const near = toLine(p, line);
        const wide = Math.max(shape.startMm, shape.endMm);
        if (near.mm > wide + 12) continue;
        // Skin that looks the other way is the far side of a thin part.
        const at = normals[Math.min(normals.length - 1, Math.round((near.along / whole) * (normals.length - 1)))]!;
        const facing =
          at[0] * skin.normals[3 * v]! + at[1] * skin.normals[3 * v + 1]! + at[2] * skin.normals[3 * v + 2]!;
        if (facing < SAME_WAY) continue;
        const width = shape.startMm + (shape.endMm - shape.startMm) * (near.along / whole);
        let d = width / 2 - near.mm;
        if (m.broken) {
          const cycle = m.broken.dashMm + m.broken.gapMm;
          const s = near.along % cycle;
          d = Math.min(
            d,
            s < m.broken.dashMm ? Math.min(s, m.broken.dashMm - s) : -Math.min(s - m.broken.dashMm, cycle - s),
          );
        }
        depth[v] = Math.max(depth[v]!, d);
      }
    }
    return {
      depth,
      line: own,
      overSkinMm: own.length > 1 ? lengthOf(own) : null,
      chordMm: own.length > 1 ? gap(own[0]!, own[own.length - 1]!) : null,
    };
  }
  if ('at' in shape) {
    const depth = new Float64Array(n).fill(-1e6);
    const a = shape.alongMm / 2;
    const b = shape.acrossMm / 2;
    for (const place of mirrored ? [shape.at, mirrorPlace(shape.at)] : [shape.at]) {
      const centre = pointOf(body, place);
      if (!centre) continue;
      const d = overSkin(skin, [centre], 4);
      const near = nearestVertex(skin.positions, centre);
      const lie = vertexAt(form.lie, near);
      const nrm = vertexAt(skin.normals, near);
      const across: Vec3 = [
        nrm[1] * lie[2] - nrm[2] * lie[1],
        nrm[2] * lie[0] - nrm[0] * lie[2],
        nrm[0] * lie[1] - nrm[1] * lie[0],
      ];
      for (let v = 0; v < n; v++) {
        if (!(d[v]! < Math.max(a, b) + 12)) continue;
        const w = [0, 1, 2].map((k) => skin.positions[3 * v + k]! - centre[k]!);
        const u = w[0]! * lie[0] + w[1]! * lie[1] + w[2]! * lie[2];
        const s = w[0]! * across[0] + w[1]! * across[1] + w[2]! * across[2];
        const flat = Math.hypot(u, s) || 1;
        // As far over the skin as it is, in the direction it lies in.
        const out = d[v]! * Math.hypot(u / flat / a, s / flat / b);
        depth[v] = Math.max(depth[v]!, (1 - out) * Math.min(a, b));
      }
    }
    return { depth, line: [], overSkinMm: null, chordMm: null };
  }
  const where =
    'where' in shape ? (shape.kind === 'bars' ? barsOf(shape.where, shape.count, shape.share) : [shape.where]) : [];
  const strokes = 'strokes' in shape ? shape.strokes.map((s) => ({ ...s, mirrored: s.mirrored && mirrored })) : [];
  return {
    depth: areaDepth(body, skin, form.distance, { where: sided(where, mirrored), strokes }),
    line: [],
    overSkinMm: null,
    chordMm: null,
  };
}

/** A band is on both sides unless it is for one only. */
const sided = (where: readonly { parts: string[]; side?: 'left' | 'right' | undefined }[], mirrored: boolean) =>
  where.map((w) => {
    if (!mirrored) return { ...w, side: w.side ?? ('left' as const) };
    const { side: _, ...both } = w;
    return both;
  }) as Parameters<typeof areaDepth>[3]['where'];

function barsOf(
  where: { parts: string[]; along?: { from: number; to: number } | undefined },
  count: number,
  share: number,
) {
  const { from, to } = where.along ?? { from: 0, to: 1 };
  const pitch = (to - from) / count;
  return Array.from({ length: count }, (_, i) => {
    const middle = from + (i + 0.5) * pitch;
    return {
      ...where,
      along: { from: Math.max(0, middle - (share * pitch) / 2), to: Math.min(1, middle + (share * pitch) / 2) },
    };
  });
}
