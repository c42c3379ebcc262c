/**
 * From the drawn and posed parts (thousandths of the finished length) to solids in millimetres. The scale is chosen so
 * that the animal as drawn, before it is bent into a pose, measures exactly its finished length from its foremost to
 * its hindmost point; a pose or a board never changes the scale.
 */
import { makeField, type Field, type FieldPart } from '@/core/geometry/field';
import { ovalCone, ROUND, sectionAt, type Section } from '@/core/geometry/oval-cone';
import { groundFront, type Mound } from '@/core/geometry/ground';
import { box, roundCone, type Ellipsoid, type Solid } from '@/core/geometry/shapes';
import { add, dot, flatten, norm, scale as times, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Part, Piece, Toes } from '@/core/piece/schema';
import { isLeaf, standingLeaf, type StandingLeaf } from './leaf';
import { meshOfScan } from './scan';
import { nodesOf, outOf, poseIsSymmetric, posed, topOf, turned, type Posed, type PosedPart } from './pose';

/** One straight stretch of a part's axis, for measuring along and around it. mm. */
export interface Stretch {
  readonly a: Vec3;
  readonly b: Vec3;
  /** Radius at both ends, mm. */
  readonly ra: number;
  readonly rb: number;
  /** What its section is like at both ends, in shares of those radii. */
  readonly sa: Section;
  readonly sb: Section;
  /** Length of the axis before this stretch, mm. */
  readonly before: number;
  readonly length: number;
  /** Towards the top and the left (outward) of the part, carried along by the pose; unit. */
  readonly top: Vec3;
  readonly out: Vec3;
}

export interface BodyPart {
  readonly part: Part;
  readonly left: readonly Stretch[];
  /** The other one of a pair; null on the midline. */
  readonly right: readonly Stretch[] | null;
  readonly lengthMm: number;
  /** Where it is a leaf: as it stands on each side. */
  readonly leaf?: { readonly left: StandingLeaf; readonly right: StandingLeaf | null };
}

export interface Body {
  readonly field: Field;
  readonly parts: readonly BodyPart[];
  /** Millimetres per drawn unit. */
  readonly scale: number;
  readonly lengthMm: number;
  /** Longest way across the animal as drawn, mm: what the fineness of its skin goes by. */
  readonly largestMm: number;
  /** Places of an own base, mm, stride 3; null for a drawn animal. */
  readonly surface: Float64Array | null;
  /** A relief stands out of a board and is cut off behind it. */
  readonly board: boolean;
}

/** What of a board is raised and sunk, mm. */
const moundsOf = ({ at, mounds = [] }: Extract<Part, { shape: 'board' }>, k: number): Mound[] =>
  mounds.map((m) => ({
    y: (at[1] + m.up) * k,
    z: (at[2] + m.forward) * k,
    halfHigh: m.halfHeight * k,
    halfLong: m.halfLength * k,
    raise: m.raise * k,
    soft: m.soft,
  }));

function solidsOf(part: Part, p: PosedPart, side: 'left' | 'right', k: number): Solid[] {
  const point = (v: Vec3) => times(v, k) as [number, number, number];
  if (part.shape === 'board') {
    return [
      box(
        point([-part.thickness / 2, part.at[1], part.at[2]]),
        [(part.thickness * k) / 2, part.halfHeight * k, part.halfLength * k],
        Math.min(part.thickness, part.halfHeight, part.halfLength) * 0.3 * k,
        groundFront(-part.thickness * k, part.thickness * k, moundsOf(part, k)),
      ),
    ];
  }
  if (isLeaf(part)) return [standingLeaf(part, p, side, k).solid];
  if (part.shape === 'pad') {
    const frame = frameOf(part, p, side, 0);
    const a = p.nodes[0]!;
    const b = p.nodes[1]!;
    const pad: Ellipsoid = {
      kind: 'ellipsoid',
      centre: point(times(add(a.at, b.at), 0.5)),
      axes: [...frame.out, ...frame.top, ...unit(sub(b.at, a.at))],
      semi: [part.halfWidth * k, part.halfHeight * k, (norm(sub(b.at, a.at)) / 2) * k],
    };
    return [pad];
  }
  const toes = part.shape === 'limb' ? part.toes : undefined;
  const foot = part.root === 'start' ? p.nodes.length - 2 : 0;
  return p.nodes.slice(1).flatMap((n, i) => {
    if (toes && i === foot)
      return toesOf(part, p, side, k, toes).map((t) => roundCone([...t.from], [...t.to], t.ra, t.rb));
    const m = p.nodes[i]!;
    return m.section === ROUND && n.section === ROUND
      ? roundCone(point(m.at), point(n.at), m.radius * k, n.radius * k)
      : ovalCone(
          point(m.at),
          point(n.at),
          [m.radius * k, n.radius * k],
          [m.section, n.section],
          frameOf(part, p, side, i),
        );
  });
}

/** Toes begin this share of their length before the ball of the foot, which they grow out of. Ours. */
const TOE_FROM = 0.15;
/** A toe is so much thicker where it begins than at its tip. Ours. */
const TOE_THICKER = 1.15;

/** One toe: from where to where, how thick it is at both ends, and which way is up for it; mm. */
interface Toe {
  readonly from: Vec3;
  readonly to: Vec3;
  readonly ra: number;
  readonly rb: number;
  readonly top: Vec3;
}

/** The last stretch as toes: from the ball of the foot fanned out square to its top, the outer ones as long as the middle one. */
function toesOf(part: Part, p: PosedPart, side: 'left' | 'right', k: number, { count, spreadDeg }: Toes): Toe[] {
  const i = part.root === 'start' ? p.nodes.length - 2 : 0;
  const [ball, tip] = part.root === 'start' ? [p.nodes[i]!, p.nodes[i + 1]!] : [p.nodes[1]!, p.nodes[0]!];
  const { out, top } = frameOf(part, p, side, i);
  const way = sub(tip.at, ball.at);
  const long = norm(way);
  const ahead = unit(way);
  return Array.from({ length: count }, (_, t) => {
    const a = (spreadDeg * (t / (count - 1) - 0.5) * Math.PI) / 180;
    const to = add(times(ahead, Math.cos(a)), times(out, Math.sin(a)));
    return {
      from: times(add(ball.at, times(to, TOE_FROM * long)), k),
      to: times(add(ball.at, times(to, long)), k),
      ra: tip.radius * TOE_THICKER * k,
      rb: tip.radius * k,
      top,
    };
  });
}

/** The toes a part ends in, on both sides of a pair; its last stretch as one where it is not spread. */
export function toesOfPart(form: Drawn, partId: string): Toe[] {
  const k = makeBody(form).scale;
  const { part, left, right } = posed(form.parts, form.pose).find((x) => x.part.id === partId) ?? {};
  if (!part || !left || part.shape !== 'limb') return [];
  const on = (p: PosedPart, side: 'left' | 'right'): Toe[] => {
    if (part.toes) return toesOf(part, p, side, k, part.toes);
    const i = part.root === 'start' ? p.nodes.length - 2 : 0;
    const [a, b] = part.root === 'start' ? [p.nodes[i]!, p.nodes[i + 1]!] : [p.nodes[1]!, p.nodes[0]!];
    const { top } = frameOf(part, p, side, i);
    return [{ from: times(a.at, k), to: times(b.at, k), ra: a.radius * k, rb: b.radius * k, top }];
  };
  return [...on(left, 'left'), ...(right ? on(right, 'right') : [])];
}

/** Top and outward direction of a stretch: as drawn, mirrored on the right, turned by the pose. */
function frameOf(part: Part, p: PosedPart, side: 'left' | 'right', i: number): { top: Vec3; out: Vec3 } {
  const nodes = nodesOf(part);
  const axis = unit(sub(nodes[i + 1]!.at, nodes[i]!.at));
  const drawnTop = topOf(axis);
  const drawnOut = outOf(axis, drawnTop);
  const seen = (v: Vec3): Vec3 => (side === 'right' ? [-v[0], v[1], v[2]] : v);
  return { top: turned(p.stretches[i]!, seen(drawnTop)), out: turned(p.stretches[i]!, seen(drawnOut)) };
}

/** The axis of a part. The ends of a limb are its outermost points, so 0 and 1 are where the part really ends. */
function stretchesOf(part: Part, p: PosedPart, side: 'left' | 'right', k: number): Stretch[] {
  const nodes = p.nodes.map((n) => ({ ...n }));
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
    const s = {
      a,
      b,
      ra: nodes[i]!.radius * k,
      rb: n.radius * k,
      sa: nodes[i]!.section,
      sb: n.section,
      before,
      length,
      ...frameOf(part, p, side, i),
    };
    before += length;
    return s;
  });
}

/**
 * Stretches of one part run into each other so far, in drawn units. Where a limb says its sections they are kept: a ring added at
 * every place would be wider than was said. Toes are left apart. Ours.
 */
function innerBlend(part: Part): number {
  if (part.shape !== 'limb') return 12;
  if (part.toes) return 0.5 * (part.root === 'start' ? part.nodes[part.nodes.length - 1]! : part.nodes[0]!).radius;
  return part.nodes.some((n) => n.section) ? 3 : 12;
}

function fieldOf(standing: readonly Posed[], k: number, symmetric: boolean): Field {
  const board = standing.find((s) => s.part.shape === 'board')?.part;
  return makeField(
    standing.map(({ part, left, right }): FieldPart => ({
      solids: solidsOf(part, left, 'left', k),
      twin: right && !symmetric ? solidsOf(part, right, 'right', k) : null,
      innerBlend: Math.min(part.blend, innerBlend(part)) * k,
      blend: part.blend * k,
      mirrored: part.mirrored && symmetric,
    })),
    board?.shape === 'board' ? -board.thickness * k : null,
  );
}

/** Extents of the drawn animal without pose and board, in drawn units: [least, most] of x, y, z. */
export function drawnExtents(parts: readonly Part[]): { min: Vec3; max: Vec3 } {
  const animal = parts.filter((p) => p.shape !== 'board');
  const f = fieldOf(posed(animal.length > 0 ? animal : parts, []), 1, true);
  return { min: f.min, max: f.max };
}

/** Length of the drawn animal from its foremost to its hindmost point, in drawn units. */
export function drawnLength(parts: readonly Part[]): number {
  const { min, max } = drawnExtents(parts);
  return max[2] - min[2];
}

/** A board is large and flat: a relief may be drawn this much coarser. Ours. */
const BOARD_COARSER = 1.3;

/** What of a form its shape comes from. */
export type Drawn = Pick<Piece['form'], 'parts' | 'pose' | 'finishedLengthMm'> & {
  readonly scan?: Piece['form']['scan'];
};

export function makeBody(form: Drawn): Body {
  const { min, max } = drawnExtents(form.parts);
  const scale = form.finishedLengthMm / (max[2] - min[2]);
  const standing = posed(form.parts, form.pose);
  const symmetric = poseIsSymmetric(form.parts, form.pose);
  const board = form.parts.some((p) => p.shape === 'board');
  return {
    field: fieldOf(standing, scale, symmetric),
    parts: standing.map(({ part, left, right }) => {
      const stretches = stretchesOf(part, left, 'left', scale);
      return {
        part,
        left: stretches,
        right: right && stretchesOf(part, right, 'right', scale),
        lengthMm: stretches.reduce((s, x) => s + x.length, 0),
        ...(isLeaf(part) && {
          leaf: {
            left: standingLeaf(part, left, 'left', scale),
            right: right && standingLeaf(part, right, 'right', scale),
          },
        }),
      };
    }),
    scale,
    lengthMm: form.finishedLengthMm,
    surface: form.scan ? meshOfScan(form.scan).positions.map((x) => x * scale) : null,
    largestMm:
      scale *
      Math.max(
        ...max.map((m, k) => m - min[k]!),
        ...form.parts.map((p) => (p.shape === 'board' ? BOARD_COARSER * 2 * p.halfLength : 0)),
      ),
    board,
  };
}

/** Half width, height over the middle and depth under it a share `t` along a stretch, mm. */
export function semiOf(s: Stretch, t: number): Section {
  const r = s.ra + t * (s.rb - s.ra);
  if (s.sa === ROUND && s.sb === ROUND) return { wide: r, over: r, under: r };
  const e = sectionAt(s.sa, s.sb, t);
  return { wide: e.wide * r, over: e.over * r, under: e.under * r };
}

/** Radius of the circle that has as much area as the section a share `t` along a stretch, mm. */
export function meanOf(s: Stretch, t: number): number {
  // To the last bit the radius of the end where it is round.
  if (s.sa === ROUND && s.sb === ROUND) return t === 1 ? s.rb : s.ra + t * (s.rb - s.ra);
  const { wide, over, under } = semiOf(s, t);
  return Math.sqrt((wide * (over + under)) / 2);
}

/** Where a part begins on what it sits on, or ends: the place, and how thick it is there all round, mm. */
export function endOf(b: BodyPart, which: 'root' | 'free'): { readonly at: Vec3; readonly radius: number } {
  const first = b.left[0]!;
  const last = b.left[b.left.length - 1]!;
  return (b.part.root === 'start') === (which === 'root')
    ? { at: first.a, radius: meanOf(first, 0) }
    : { at: last.b, radius: meanOf(last, 1) };
}

/** How far the skin of a stretch is from its axis that way, mm; `up` and `out` of any length. */
function radiusTowards(s: Stretch, t: number, up: number, out: number): number {
  if (s.sa === ROUND && s.sb === ROUND) return s.ra + t * (s.rb - s.ra);
  const e = semiOf(s, t);
  const far = Math.hypot(up, out);
  return far > 0
    ? far / Math.hypot(up / (up >= 0 ? e.over : e.under), out / e.wide)
    : Math.min(e.wide, e.over, e.under);
}

interface PartPlace {
  /** Share of the way along the part, 0..1. */
  readonly along: number;
  /** Degrees round its axis from its top, 0..180. */
  readonly aroundDeg: number;
  /** Distance from the axis, mm. */
  readonly radiusMm: number;
  /** Unit direction of the axis there, first end to last. */
  readonly axis: Vec3;
  /** Positive on the animal's left of a midline part, on the outer side of a paired one; mm. */
  readonly outMm: number;
  readonly upMm: number;
  /** Which one of a pair it is; the left for a part on the midline. */
  readonly side: 'left' | 'right';
  /** Half width and height of the part there towards the place, mm. */
  readonly partWideMm: number;
  readonly partHighMm: number;
}

/** Where a point of the skin lies on a part, on whichever one of a pair is nearer. */
export function placeOnPart(p: BodyPart, x: number, y: number, z: number): PartPlace {
  let s: Stretch | null = null;
  let t = 0;
  let least = Infinity;
  let side: 'left' | 'right' = 'left';
  // Asked for at every vertex: without small arrays.
  for (const which of SIDES) {
    for (const o of p[which] ?? []) {
      const { a, b } = o;
      const abx = b[0] - a[0], aby = b[1] - a[1], abz = b[2] - a[2]; // prettier-ignore
      const along = (x - a[0]) * abx + (y - a[1]) * aby + (z - a[2]) * abz;
      const here = Math.max(0, Math.min(1, along / (o.length * o.length)));
      const ox = x - (a[0] + abx * here), oy = y - (a[1] + aby * here), oz = z - (a[2] + abz * here); // prettier-ignore
      const up = ox * o.top[0] + oy * o.top[1] + oz * o.top[2];
      const out = ox * o.out[0] + oy * o.out[1] + oz * o.out[2];
      const d = Math.sqrt(ox * ox + oy * oy + oz * oz) - radiusTowards(o, here, up, out);
      if (!s || d < least) {
        s = o;
        t = here;
        least = d;
        side = which;
      }
    }
  }
  return placeOnStretch(p, s!, t, side, [x, y, z]);
}

const SIDES = ['left', 'right'] as const;

function placeOnStretch(p: BodyPart, s: Stretch, t: number, side: 'left' | 'right', q: Vec3): PartPlace {
  const axis = unit(sub(s.b, s.a));
  const flat = flatten(sub(q, add(s.a, times(sub(s.b, s.a), t))), axis);
  const r = norm(flat);
  const up = dot(flat, s.top);
  const semi = semiOf(s, t);
  return {
    along: (s.before + t * s.length) / p.lengthMm,
    aroundDeg: (Math.acos(Math.max(-1, Math.min(1, r > 0 ? up / r : 1))) * 180) / Math.PI,
    radiusMm: r,
    axis,
    outMm: dot(flat, s.out),
    upMm: up,
    side,
    partWideMm: semi.wide,
    partHighMm: up >= 0 ? semi.over : semi.under,
  };
}

/** A point on the axis of a stretch chain at a share of its length, with its frame. */
export function onAxis(part: BodyPart, stretches: readonly Stretch[], along: number) {
  const from = along * part.lengthMm;
  const s = stretches.find((x) => from <= x.before + x.length) ?? stretches[stretches.length - 1]!;
  const t = Math.max(0, Math.min(1, (from - s.before) / s.length));
  return {
    at: add(s.a, times(sub(s.b, s.a), t)),
    axis: unit(sub(s.b, s.a)),
    top: s.top,
    out: s.out,
    /** Half width, height and depth there, mm. */
    semi: semiOf(s, t),
  };
}
