/**
 * Strands of fur for the picture: along every row at even distances with a golden-ratio shift, so that neighbouring rows
 * do not line up, or all over the area where wool is laid as a layer. Each leans along the lie at its lift, sags a little
 * towards its tip, waves with the crimp of its wool, with a seeded scatter. The same piece always gives the same strands.
 * They are dealt out like cards: any first part of them is an even sample of the whole, so fewer can be drawn while the
 * animal turns.
 */
import { seeded } from '@/core/random';
import { linearOf } from '@/core/colour/rgb';
import type { Piece } from '@/core/piece/schema';
import type { ShadePlan } from '@/core/shade/shade-plan';
import { colourAt, type Picked } from './strand-colour';
import type { AreaPlan, CoatPlan } from '@/core/coat/coat-plan';
import type { Pile } from '@/core/coat/picture/pile';

export interface Strands {
  /** Line pieces: two points of stride 3 each. */
  readonly points: Float32Array<ArrayBuffer>;
  /** Linear light of each point, stride 3, 0..1: the lot's colour, darker at the root, lit a little from above. */
  readonly colours: Float32Array<ArrayBuffer>;
  readonly count: number;
  /** Line pieces in each strand. */
  readonly segments: number;
}

const GOLDEN = 0.6180339887498949;
/** Line pieces in a straight strand and in a wavy one. */
const STRAIGHT = 3;
const WAVY = 8;

/** Free length above the finished one after so many steps of the trim plan; null steps: trimmed. */
export function leftOver(area: AreaPlan, step: number | null): number {
  const trim = area.fur?.trim;
  if (!trim || step === null) return 0;
  return step <= 0
    ? trim.laidMm - trim.finishedMm
    : (trim.steps[step - 1]?.leavesMm ?? trim.finishedMm) - trim.finishedMm;
}

/** A number that shares no factor with n, near the golden section of it: steps by it visit every place once. */
function dealingStep(n: number): number {
  const gcd = (a: number, b: number): number => (b === 0 ? a : gcd(b, a % b));
  let s = Math.max(1, Math.round(n * GOLDEN));
  while (gcd(s, n) !== 1) s++;
  return s;
}

/**
 * @param most about how many strands to make over the whole animal; shared out by area
 * @param trimStep steps of the trim plan already taken; null for the finished coat
 * @param shade what every place is seen as; without it every strand has the colour of its wool
 */
export function strands(
  piece: Pick<Piece, 'seed'>,
  coat: CoatPlan,
  most: number,
  trimStep: number | null = null,
  shade: Pick<ShadePlan, 'areas'> | null = null,
): Strands {
  const furred = coat.areas.filter((a) => a.fur && a.surface && a.fur.rows.rows.length > 0);
  const whole = furred.reduce((s, a) => s + a.areaMm2, 0) || 1;
  const segments = furred.some((a) => a.fur!.pile.crimpDepthMm > 0.2) ? WAVY : STRAIGHT;
  const shares = furred.map((a) => Math.max(1, Math.round((most * a.areaMm2) / whole)));
  const count = shares.reduce((s, n) => s + n, 0);
  const points = new Float32Array(count * segments * 6);
  const colours = new Float32Array(count * segments * 6);
  const rnd = seeded(piece.seed);
  const deal = dealingStep(Math.max(1, count));
  let made = 0;
  let slot = 0;
  const write = (s: Root, p: Pile, length: number, picked: Picked | null) => {
    put(s, p, length, picked, points, colours, slot * segments * 6, segments, rnd);
    made++;
    slot = (slot + deal) % count;
  };
  furred.forEach((area, i) => {
    const fur = area.fur!;
    const over = leftOver(area, trimStep);
    const n = shares[i]!;
    const lengthAt = (share: number) => fur.pile.hemMm + (fur.pile.topMm - fur.pile.hemMm) * share + over;
    const field = shade?.areas.find((a) => a.id === area.id)?.field ?? null;
    const pick = field ? colourAt(field, area.surface!, rnd) : null;
    const each = (root: Root, share: number) =>
      write(root, fur.pile, lengthAt(share), pick ? pick(root.x, root.y, root.z) : null);
    if (fur.pile.scattered) overArea(area, n, rnd, (root) => each(root, 0));
    else alongRows(area, n, rnd, each);
  });
  const used = made * segments * 6;
  return made === count
    ? { points, colours, count, segments }
    : { points: points.slice(0, used), colours: colours.slice(0, used), count: made, segments };
}

interface Root {
  x: number;
  y: number;
  z: number;
  readonly n: [number, number, number];
  readonly l: [number, number, number];
  /** Place along its stretch of row, mm, and as a share of it. */
  run: number;
  along: number;
  row: number;
}

const root: Root = { x: 0, y: 0, z: 0, n: [0, 0, 0], l: [0, 0, 0], run: 0, along: 0, row: 0 };

/** Roots at even distances along all rows, in their tufts where the pile has them: exactly `n`. */
function alongRows(area: AreaPlan, n: number, rnd: () => number, each: (r: Root, share: number) => void): void {
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
        if (at < last) {
          i = 3;
          before = 0;
          d = gap(p.points, i);
        }
        last = at;
        while (before + d < at && i + 3 < p.points.length) {
          before += d;
          i += 3;
          d = gap(p.points, i);
        }
        const t = d > 0 ? Math.min(1, (at - before) / d) : 0;
        fill(p.points, p.normal, p.lie, i - 3, i, t);
        root.run = at;
        root.along = p.lengthMm > 0 ? at / p.lengthMm : 0;
        root.row = row.number;
        const jog = (rnd() - 0.5) * (tuft || fur.pile.sides ? 0.15 : 0.5) * fur.rows.meanSpacingMm;
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
function overArea(area: AreaPlan, n: number, rnd: () => number, each: (r: Root) => void): void {
  const { positions: p, normals, lie, triangles: T } = area.surface!;
  const step = area.areaMm2 / n;
  let owed = rnd() * step;
  let made = 0;
  for (let t = 0; t < T.length && made < n; t += 3) {
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    const u = [0, 1, 2].map((k) => p[b + k]! - p[a + k]!);
    const w = [0, 1, 2].map((k) => p[c + k]! - p[a + k]!);
    owed += Math.hypot(u[1]! * w[2]! - u[2]! * w[1]!, u[2]! * w[0]! - u[0]! * w[2]!, u[0]! * w[1]! - u[1]! * w[0]!) / 2;
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
      each(root);
      made++;
    }
  }
}

/** Strands of a strip hang this much along the lie, beside falling to the side. */
const TRAIL = 0.5;

function put(
  r: Root,
  pile: Pile,
  lengthMm: number,
  picked: Picked | null,
  points: Float32Array,
  colours: Float32Array,
  at: number,
  segments: number,
  rnd: () => number,
): void {
  const { n, l } = r;
  // Sideways of the lie.
  const s = [n[1] * l[2] - n[2] * l[1], n[2] * l[0] - n[0] * l[2], n[0] * l[1] - n[1] * l[0]] as const;
  let turn = (rnd() + rnd() - 1) * 1.7 * pile.scatter;
  let length = lengthMm * (0.85 + 0.2 * rnd());
  if (pile.splayed) turn = 2 * Math.PI * rnd();
  if (pile.sides) {
    const left = rnd() < 0.5;
    turn += (left ? 1 : -1) * (Math.PI / 2 - TRAIL);
    length *= left ? pile.sides.left : pile.sides.right;
  }
  if (pile.along) {
    const x = r.along * (pile.along.length - 1);
    const i = Math.min(pile.along.length - 2, Math.floor(x));
    length *= pile.along[i]! + (x - i) * (pile.along[i + 1]! - pile.along[i]!);
  }
  const rise = (pile.liftDeg * Math.PI) / 180 + (rnd() - 0.5) * 0.2;
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  const shade = (0.7 + 0.6 * rnd()) * (0.85 + 0.35 * n[1]);
  let base = picked ? picked.root : linearOf(pile.colour);
  const m = pile.marking;
  if (m && m.rows.includes(r.row)) {
    const offset = length * Math.cos(rise) * cos;
    const aside =
      m.pitchMm === null ? 0 : ((r.run + m.pitchMm / 2) % m.pitchMm) - m.pitchMm / 2 + length * Math.cos(rise) * sin;
    if (Math.hypot(m.pitchMm === null ? offset : offset, aside) < m.halfWidthMm) base = linearOf(m.colour);
  }
  const tipShare = picked?.tip ? picked.tipShare : pile.tipShare;
  const tip = picked ? (picked.tip ?? base) : pile.tipColour ? linearOf(pile.tipColour) : base;
  const wave = pile.crimpMm > 0 && pile.crimpDepthMm > 0 ? (2 * Math.PI * length) / pile.crimpMm : 0;
  const begun = 2 * Math.PI * rnd();
  let [x, y, z] = [r.x, r.y, r.z];
  for (let k = 0; k < segments; k++) {
    // Standing pile keeps its lift; hanging fur sags towards its tip.
    const up = pile.splayed ? rise : rise * (1 - (0.9 * k) / segments);
    const c = (Math.cos(up) * length) / segments;
    const u = (Math.sin(up) * length) / segments;
    const swing = wave
      ? pile.crimpDepthMm *
        (Math.sin(begun + (wave * (k + 1)) / segments) - Math.sin(begun + (wave * k) / segments)) *
        0.5
      : 0;
    const o = at + 6 * k;
    points[o] = x;
    points[o + 1] = y;
    points[o + 2] = z;
    x += c * (l[0] * cos + s[0] * sin) + u * n[0] + swing * (s[0] * cos - l[0] * sin);
    y += c * (l[1] * cos + s[1] * sin) + u * n[1] + swing * (s[1] * cos - l[1] * sin);
    z += c * (l[2] * cos + s[2] * sin) + u * n[2] + swing * (s[2] * cos - l[2] * sin);
    points[o + 3] = x;
    points[o + 4] = y;
    points[o + 5] = z;
    for (let e = 0; e < 2; e++) {
      const share = (k + e) / segments;
      const strength = shade * (0.4 + 0.75 * share);
      const colour = share > 1 - tipShare ? tip : base;
      for (let j = 0; j < 3; j++) colours[o + 3 * e + j] = Math.min(1, colour[j]! * strength);
    }
  }
}
