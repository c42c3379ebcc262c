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
import { seenFrom, type Pile } from '@/core/coat/picture/pile';
import { barb, vaneHeight } from '@/core/coat/picture/vane';
import { alongRows, GOLDEN, overArea, type Root } from '@/core/coat/picture/roots';

export interface Strands {
  /** Line pieces: two points of stride 3 each. */
  readonly points: Float32Array<ArrayBuffer>;
  /** Linear light of each point, stride 3, 0..1: the lot's colour, darker at the root, lit a little from above. */
  readonly colours: Float32Array<ArrayBuffer>;
  readonly count: number;
  /** Line pieces in each strand. */
  readonly segments: number;
}

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
    const each = (root: Root, share: number) => {
      const length = lengthAt(share);
      // A layer colours the coat where it is laid: there lies what is seen of a strand, not its root.
      const on = seenFrom(fur.pile, length);
      const { x, y, z, l } = root;
      write(root, fur.pile, length, pick ? pick(x, y, z, [on * l[0], on * l[1], on * l[2]]) : null);
    };
    if (fur.pile.scattered) overArea(area, n, rnd, (root) => each(root, 0));
    else alongRows(area, n, rnd, each);
  });
  const used = made * segments * 6;
  return made === count
    ? { points, colours, count, segments }
    : { points: points.slice(0, used), colours: colours.slice(0, used), count: made, segments };
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
  if (pile.vane) {
    putBarb(r, pile.vane, rise, base, shade, points, colours, at, segments, rnd);
    return;
  }
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

/** One barb of a feather, straight over the skin it is set on. */
function putBarb(
  r: Root,
  vane: NonNullable<Pile['vane']>,
  rise: number,
  base: ArrayLike<number>,
  shade: number,
  points: Float32Array,
  colours: Float32Array,
  at: number,
  segments: number,
  rnd: () => number,
): void {
  const { n, l } = r;
  const s = [n[1] * l[2] - n[2] * l[1], n[2] * l[0] - n[0] * l[2], n[0] * l[1] - n[1] * l[0]] as const;
  const b = barb(vane, rnd);
  const from = [r.x, r.y, r.z] as const;
  const tone = b.shaft ? 0.6 * shade : shade;
  for (let k = 0; k < segments; k++)
    for (let e = 0; e < 2; e++) {
      const q = (k + e) / segments;
      const [u, v] = [b.u0 + q * (b.u1 - b.u0), b.v0 + q * (b.v1 - b.v0)];
      const h = vaneHeight(vane, rise, u, v);
      for (let j = 0; j < 3; j++) {
        points[at + 6 * k + 3 * e + j] = from[j]! + u * s[j]! + v * l[j]! + h * n[j]!;
        colours[at + 6 * k + 3 * e + j] = Math.min(1, base[j]! * tone);
      }
    }
}
