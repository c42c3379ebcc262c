/**
 * Fibres of a coat for a still: every row has as many as the plan lays there, or fewer and as much wider, so that together they hide what the
 * plan says. Each grows from its root along the skin, in locks that draw together, and is pushed out where it would run into the skin.
 * Lengths mm.
 */
import { seeded } from '@/core/random';
import type { Pile } from '@/core/coat/picture/pile';
import { barb, VANE_TURN, vaneHeight } from '@/core/coat/picture/vane';
import type { Root } from '@/core/coat/picture/roots';
import { cellAt, heightIn, type SkinField } from './skin-field';

/** Line pieces in a fibre. */
export const SEGMENTS = 6;
const POINTS = 3 * (SEGMENTS + 1);

export interface Fibres {
  readonly count: number;
  /** Points of every fibre from the root to the tip, stride 3 * (SEGMENTS + 1). */
  readonly points: Float32Array;
  /** How wide it is drawn, and what its colour is multiplied by. */
  readonly width: Float32Array;
  readonly tone: Float32Array;
  /** Its colours in the palette. */
  readonly colour: Uint32Array;
  /** How much of its width counts in the shade. */
  readonly casts: Float32Array;
  /** Felt, which hardly shades itself, and is exposed for itself. */
  readonly felt: Uint8Array;
}

/** Colours fibres may have: light of the root and of the tip, and the share of the length that is tip; stride 7. */
export class Palette {
  readonly entries: number[] = [];
  private readonly known = new Map<string, number>();
  add(root: readonly number[], tip: readonly number[] | null, tipShare: number): number {
    const e = [...root, ...(tip ?? root), tip ? tipShare : 0];
    const key = e.join(' ');
    const there = this.known.get(key);
    if (there !== undefined) return there;
    const at = this.entries.length / 7;
    this.entries.push(...e);
    this.known.set(key, at);
    return at;
  }
}

/** Fibres as they are made, with room for so many. */
export class FibreBed implements Fibres {
  count = 0;
  readonly points: Float32Array;
  readonly width: Float32Array;
  readonly tone: Float32Array;
  readonly colour: Uint32Array;
  readonly casts: Float32Array;
  readonly felt: Uint8Array;
  constructor(most: number) {
    this.points = new Float32Array(POINTS * most);
    this.width = new Float32Array(most);
    this.tone = new Float32Array(most);
    this.colour = new Uint32Array(most);
    this.casts = new Float32Array(most);
    this.felt = new Uint8Array(most);
  }
  /** Room for one more. @param casts how much of its width counts in the shade */
  next(widthMm: number, tone: number, colour: number, casts = 1): number {
    // Beyond its room the last one is made again.
    const me = Math.min(this.count, this.width.length - 1);
    this.count = me + 1;
    this.width[me] = widthMm;
    this.tone[me] = tone;
    this.colour[me] = colour;
    this.casts[me] = casts;
    this.felt[me] = 0;
    return me;
  }
}

/** Locks of fur are so wide along the row where the pile has no tufts of its own. Ours. */
const LOCK = 1.1;
/** How far fibres of a lock are drawn to its middle at the tip, and what a lock has in common: turn and lift (rad), length and tone (shares). Ours. */
const DRAWN = 0.55;
const OF_LOCK = { turn: 0.22, lift: 0.08, length: 0.1, tone: 0.12 } as const;
const OF_FIBRE = { lift: 0.25, tone: 0.15 } as const;
/** Some fibres stray, so many times as far. */
const STRAY = 0.02;
const STRAYS = 3;
/** Of the lift so much is gone at the tip. */
const SAGS = 0.85;
/** With every step it turns so far to where it is led. */
const LED = 0.45;
/** Higher over the skin than this share of its length it falls, by so much a step. */
const HIGH = 0.42;
const FALLS = 0.25;
/** Fibres lie on each other: never nearer to the skin than this, and so much more. */
const OFF_SKIN = 0.12;
const OFF_MORE = 0.25;

/** A number 0..1 that two whole numbers always give. */
function drawn(a: number, b: number): number {
  let h = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(b + 0x7f4a7c15, 0xc2b2ae35);
  h ^= h >>> 15;
  h = Math.imul(h, 0x2c1b3c6d);
  h ^= h >>> 12;
  h = Math.imul(h, 0x297a2d39);
  return ((h ^ (h >>> 15)) >>> 0) / 2 ** 32;
}
const evenly = (x: number): number => 2 * x - 1;

/** How one fibre grows. */
interface Shoot {
  readonly length: number;
  /** Sideways of the lie, and over the skin, rad. */
  readonly turn: number;
  readonly rise: number;
  /** It keeps its lift to the tip. */
  readonly stands: boolean;
  /** How far it is from the middle of its lock, and where its waves begin. */
  readonly aside: number;
  readonly begun: number;
  readonly crimpMm: number;
  readonly crimpDepthMm: number;
  /** It lies at least so far off the skin. */
  readonly off: number;
}

/** What fibres of one pile have in common, and each of its own. */
function shoots(pile: Pile, seed: number, rnd: () => number) {
  const lock = pile.tuft ? pile.tuft.pitchMm : LOCK;
  const lift = (pile.liftDeg * Math.PI) / 180;
  const wave = pile.crimpMm > 0 && pile.crimpDepthMm > 0.05;
  return (r: Root, lengthMm: number): Shoot & { readonly tone: number } => {
    const which = pile.scattered
      ? Math.floor(r.x / LOCK) * 131 + Math.floor(r.z / LOCK) * 17 + Math.floor(r.y / LOCK)
      : Math.floor(r.run / lock);
    const of = r.row * 8191 + seed;
    const stray = rnd() < STRAY ? STRAYS : 1;
    let turn = (rnd() + rnd() + rnd() - 1.5) * 2 * pile.scatter * stray + OF_LOCK.turn * evenly(drawn(which, of));
    let length = lengthMm * (0.9 + 0.2 * rnd()) * (1 + OF_LOCK.length * evenly(drawn(which, of + 1)));
    const rise = lift * (1 + OF_FIBRE.lift * evenly(rnd()) * stray) + OF_LOCK.lift * evenly(drawn(which, of + 2));
    if (pile.splayed) turn = 2 * Math.PI * rnd();
    if (pile.sides) {
      const left = rnd() < 0.5;
      turn += (left ? 1 : -1) * (Math.PI / 2 - 0.5);
      length *= left ? pile.sides.left : pile.sides.right;
    }
    if (pile.along) {
      const x = r.along * (pile.along.length - 1);
      const i = Math.min(pile.along.length - 2, Math.floor(x));
      length *= pile.along[i]! + (x - i) * (pile.along[i + 1]! - pile.along[i]!);
    }
    return {
      length,
      turn,
      rise,
      stands: pile.splayed,
      aside: pile.scattered ? 0 : r.run - (which + 0.5) * lock,
      begun: wave ? 2 * Math.PI * (0.15 * rnd() + drawn(which, of + 4)) : 0,
      crimpMm: pile.crimpMm,
      crimpDepthMm: wave ? pile.crimpDepthMm : 0,
      off: OFF_SKIN + OFF_MORE * rnd(),
      tone: (1 + OF_FIBRE.tone * evenly(rnd())) * (1 + OF_LOCK.tone * evenly(drawn(which, of + 3))),
    };
  };
}

/** Grows one fibre along the skin into `p` from `at` on. */
function growInto(p: Float32Array, at: number, field: SkinField, r: Root, s: Shoot): void {
  const w = field.ways;
  const [cos, sin] = [Math.cos(s.turn), Math.sin(s.turn)];
  let [nx, ny, nz] = [r.n[0], r.n[1], r.n[2]];
  let [lx, ly, lz] = [r.l[0], r.l[1], r.l[2]];
  let [x, y, z] = [r.x + 0.05 * nx, r.y + 0.05 * ny, r.z + 0.05 * nz];
  let [vx, vy, vz] = [0, 0, 0];
  const seg = s.length / SEGMENTS;
  const turns = s.crimpDepthMm > 0 ? (2 * Math.PI * s.length) / s.crimpMm : 0;
  let fell = 0;
  p[at] = x;
  p[at + 1] = y;
  p[at + 2] = z;
  for (let k = 0; k < SEGMENTS; k++) {
    const t = k / SEGMENTS;
    const c = cellAt(field, x, y, z);
    if (c >= 0) {
      nx = w[6 * c]!;
      ny = w[6 * c + 1]!;
      nz = w[6 * c + 2]!; // prettier-ignore
      lx = w[6 * c + 3]!;
      ly = w[6 * c + 4]!;
      lz = w[6 * c + 5]!; // prettier-ignore
      if (heightIn(field, c, x, y, z) > HIGH * s.length) fell += FALLS;
    }
    // Sideways of the lie.
    const sx = ny * lz - nz * ly, sy = nz * lx - nx * lz, sz = nx * ly - ny * lx; // prettier-ignore
    const up = (s.stands ? s.rise : s.rise * (1 - SAGS * t)) - fell;
    const [cu, su] = [Math.cos(up), Math.sin(up)];
    const led = k === 0 ? 1 : LED;
    vx += led * (cu * (cos * lx + sin * sx) + su * nx - vx);
    vy += led * (cu * (cos * ly + sin * sy) + su * ny - vy);
    vz += led * (cu * (cos * lz + sin * sz) + su * nz - vz);
    const size = Math.hypot(vx, vy, vz) || 1;
    vx /= size;
    vy /= size;
    vz /= size; // prettier-ignore
    // Towards the middle of its lock, and to and fro with its crimp.
    const t1 = (k + 1) / SEGMENTS;
    let sway = -DRAWN * s.aside * (t1 * t1 - t * t);
    if (turns > 0) sway += (s.crimpDepthMm / 2) * (Math.sin(s.begun + turns * t1) - Math.sin(s.begun + turns * t));
    x += seg * vx + sway * sx;
    y += seg * vy + sway * sy;
    z += seg * vz + sway * sz;
    const d = cellAt(field, x, y, z);
    const short = d < 0 ? 0 : s.off * Math.min(1, 2 * t1) - heightIn(field, d, x, y, z);
    if (short > 0) {
      x += short * w[6 * d]!;
      y += short * w[6 * d + 1]!;
      z += short * w[6 * d + 2]!;
    }
    p[at + 3 * k + 3] = x;
    p[at + 3 * k + 4] = y;
    p[at + 3 * k + 5] = z;
  }
}

/** Grows fibres of one pile on a bed. */
export function grower(bed: FibreBed, field: SkinField, pile: Pile, seed: number) {
  const shoot = shoots(pile, seed, seeded(seed));
  return (r: Root, lengthMm: number, widthMm: number, colour: number, casts = 1): void => {
    const s = shoot(r, lengthMm);
    const me = bed.next(widthMm, s.tone, colour, casts);
    growInto(bed.points, POINTS * me, field, r, s);
  };
}

/** What fibres of one feather have in common: turn (rad), length, lift and tone (shares); and how dark its shaft is. Ours. */
const OF_VANE = { turn: VANE_TURN, length: 0.05, lift: 0.3, tone: 0.1 } as const;
const OF_BARB = 0.07;
const SHAFT_TONE = 0.62;
/** Where skin turns further away than this from where a feather is set, it stands free. */
const FREE = 0.72;

/**
 * Grows felted feathers on a bed, barb by barb: they lie over the skin as they are set and stand out stiff beyond an edge of it.
 */
export function featherer(bed: FibreBed, field: SkinField, pile: Pile, seed: number) {
  const vane = pile.vane!;
  const lift = (pile.liftDeg * Math.PI) / 180;
  const rnd = seeded(seed);
  const w = field.ways;
  const pitch = pile.tuft?.pitchMm ?? vane.widthMm;
  return (r: Root, widthMm: number, colour: number, casts = 1): void => {
    // Set by the middle of its tuft: neighbours begin half a pitch off.
    const which = Math.round((2 * r.run) / pitch);
    const of = r.row * 8191 + seed;
    const b = barb(vane, rnd);
    const a = OF_VANE.turn * evenly(drawn(which, of));
    const long = 1 + OF_VANE.length * evenly(drawn(which, of + 1));
    const up = lift * (1 + OF_VANE.lift * evenly(drawn(which, of + 2)));
    const tone =
      (1 + OF_VANE.tone * evenly(drawn(which, of + 3))) * (b.shaft ? SHAFT_TONE : 1 + OF_BARB * evenly(rnd()));
    const me = bed.next(b.shaft ? Math.max(widthMm, 0.12) : widthMm, tone, colour, casts);
    bed.felt[me] = 1;
    const { n, l } = r;
    const s = [n[1] * l[2] - n[2] * l[1], n[2] * l[0] - n[0] * l[2], n[0] * l[1] - n[1] * l[0]] as const;
    const p = bed.points;
    const off = 0.04 * rnd() + (b.shaft ? 0.12 : 0);
    for (let k = 0; k <= SEGMENTS; k++) {
      const q = k / SEGMENTS;
      const u = b.u0 + q * (b.u1 - b.u0);
      const v = long * (b.v0 + q * (b.v1 - b.v0));
      const [uu, vv] = [u * Math.cos(a) + v * Math.sin(a), v * Math.cos(a) - u * Math.sin(a)];
      const h = off + vaneHeight(vane, up, u, v);
      let x = r.x + vv * l[0] + uu * s[0] + h * n[0];
      let y = r.y + vv * l[1] + uu * s[1] + h * n[1];
      let z = r.z + vv * l[2] + uu * s[2] + h * n[2];
      const c = cellAt(field, x, y, z);
      if (c >= 0) {
        const [nx, ny, nz] = [w[6 * c]!, w[6 * c + 1]!, w[6 * c + 2]!];
        if (nx * n[0] + ny * n[1] + nz * n[2] > FREE) {
          const short = h - heightIn(field, c, x, y, z);
          x += short * nx;
          y += short * ny;
          z += short * nz;
        }
      }
      const at = POINTS * me + 3 * k;
      p[at] = x;
      p[at + 1] = y;
      p[at + 2] = z;
    }
  };
}

/** Felt: fibres so long and fine, in so many layers, any way along the surface; a few stand off, and most lie in it and shade nothing. Ours. */
export const FELT = { lengthMm: 2.4, finenessUm: 26, layers: 5, off: 0.05, casts: 0.2, tone: 0.08 } as const;

/**
 * Grows felt on a bed at places of a surface. Along: along the lie and not any way, for ears and what is brushed. A layer of wool felted
 * flat counts in the shade like any fur, it is not part of what lies below it.
 * @param field what it lies round; null for a surface that says its way out at each place
 */
export function felter(bed: FibreBed, field: SkinField | null, seed: number) {
  const rnd = seeded(seed);
  const p = bed.points;
  return (
    r: Pick<Root, 'x' | 'y' | 'z' | 'n' | 'l'>,
    widthMm: number,
    colour: number,
    along: boolean,
    lengthMm: number = FELT.lengthMm,
    casts: number = FELT.casts,
  ): void => {
    const me = bed.next(widthMm, 1 + FELT.tone * evenly(rnd()), colour, casts);
    bed.felt[me] = 1;
    const turn = along ? 0.5 * (rnd() + rnd() - 1) : 2 * Math.PI * rnd();
    const bend = 0.8 * (rnd() - 0.5);
    const stands = rnd() < FELT.off;
    const up = stands ? 0.3 + 0.5 * rnd() : 0.05 + 0.1 * rnd();
    const off = 0.02 + 0.3 * rnd() * rnd();
    const seg = (lengthMm * (0.7 + 0.6 * rnd())) / SEGMENTS;
    let [x, y, z] = [r.x + off * r.n[0], r.y + off * r.n[1], r.z + off * r.n[2]];
    let [nx, ny, nz] = [r.n[0], r.n[1], r.n[2]];
    let [lx, ly, lz] = [r.l[0], r.l[1], r.l[2]];
    let at = POINTS * me;
    p[at] = x;
    p[at + 1] = y;
    p[at + 2] = z;
    for (let k = 0; k < SEGMENTS; k++) {
      const c = field ? cellAt(field, x, y, z) : -1;
      if (field && c >= 0) {
        const w = field.ways;
        nx = w[6 * c]!;
        ny = w[6 * c + 1]!;
        nz = w[6 * c + 2]!; // prettier-ignore
        lx = w[6 * c + 3]!;
        ly = w[6 * c + 4]!;
        lz = w[6 * c + 5]!; // prettier-ignore
      }
      const sx = ny * lz - nz * ly, sy = nz * lx - nx * lz, sz = nx * ly - ny * lx; // prettier-ignore
      const a = turn + bend * (k / SEGMENTS);
      const [ca, sa] = [Math.cos(a) * Math.cos(up), Math.sin(a) * Math.cos(up)];
      x += seg * (ca * lx + sa * sx + Math.sin(up) * nx);
      y += seg * (ca * ly + sa * sy + Math.sin(up) * ny);
      z += seg * (ca * lz + sa * sz + Math.sin(up) * nz);
      if (field && c >= 0 && !stands) {
        const h = heightIn(field, c, x, y, z);
        const to = Math.min(off, Math.max(h, 0.02));
        x += (to - h) * nx;
        y += (to - h) * ny;
        z += (to - h) * nz;
      }
      at += 3;
      p[at] = x;
      p[at + 1] = y;
      p[at + 2] = z;
    }
  };
}
