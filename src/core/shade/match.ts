/**
 * The recipes from a stock of wool that come nearest to a wanted colour: every blend of up to three lots in so many parts,
 * exactly, and of four by climbing from the best of three. A lot more must gain more than `LOT_COSTS`. Whole families of
 * blends are passed over when bounds on their light show that none of them can come near: blending is monotone in every
 * band of the spectrum, so the light of all blends between some corners lies between the least and the most of the corners.
 */
import { difference } from '@/core/colour/difference';
import { labOfXyz, WHITE, type Triple } from '@/core/colour/lab';
import { BANDS, XYZ_WEIGHTS } from '@/core/colour/observer';
import { FRIELE_S, friele, frieleBack, stearns, type BlendHow } from './blend';

/** Bounds pay only where the best so far is nearer than this, and for rows of blends at least so long. */
const PASS_OVER = 8;
const LONG = 7;

/** What one more lot in the blend must gain, CIEDE2000. */
export const LOT_COSTS = 0.5;

export interface StockWool {
  readonly id: string;
  /** `BANDS` reflectances. */
  readonly curve: Float64Array;
  /** Grams free for this. */
  readonly freeG: number;
}

export interface MatchAsk {
  readonly target: Triple;
  /** Parts a blend is counted in. */
  readonly parts: number;
  readonly how: BlendHow;
  /** Wool wanted in all; lots that have too little for their part drop out. Null for any. */
  readonly needG: number | null;
  /** How many of the best to give. */
  readonly best: number;
}

export interface Found {
  /** Index into the stock, and parts. */
  readonly lots: readonly number[];
  readonly parts: readonly number[];
  readonly lab: Triple;
  readonly difference: number;
  /** Difference and what its lots cost: what recipes are ordered by. */
  readonly score: number;
}

/** A stock made ready for searching: made once for as long as the stock and the way of blending stay. */
export class BlendTable {
  readonly count: number;
  /** The averaged function of every lot, and its reflectance, `BANDS` each. */
  readonly f: Float64Array;
  readonly r: Float64Array;
  readonly how: BlendHow;

  constructor(stock: readonly Pick<StockWool, 'curve'>[], how: BlendHow) {
    this.count = stock.length;
    this.how = how;
    this.f = new Float64Array(stock.length * BANDS);
    this.r = new Float64Array(stock.length * BANDS);
    stock.forEach((s, i) => {
      for (let k = 0; k < BANDS; k++) {
        const r = Math.max(1e-4, s.curve[k]!);
        this.r[i * BANDS + k] = r;
        this.f[i * BANDS + k] = how.model === 'friele' ? friele(r, FRIELE_S) : stearns(r, how.m);
      }
    });
  }

  /** L*, a*, b* of a blend by parts. */
  lab(lots: readonly number[], parts: readonly number[]): Triple {
    const n = lots.length;
    let whole = 0;
    for (let i = 0; i < n; i++) whole += parts[i]!;
    const { f, r: R } = this;
    const { even, model, m } = this.how;
    const plain = model === 'stearns-noechel';
    const top = 0.01 * (1 - m);
    const i = lots[0]! * BANDS;
    const a = parts[0]! / whole;
    // Lots that are not there count for nothing.
    const j = n > 1 ? lots[1]! * BANDS : i;
    const b = n > 1 ? parts[1]! / whole : 0;
    const k = n > 2 ? lots[2]! * BANDS : i;
    const c = n > 2 ? parts[2]! / whole : 0;
    const l = n > 3 ? lots[3]! * BANDS : i;
    const d = n > 3 ? parts[3]! / whole : 0;
    let x = 0;
    let y = 0;
    let z = 0;
    for (let e = 0; e < BANDS; e++) {
      const s = a * f[i + e]! + b * f[j + e]! + c * f[k + e]! + d * f[l + e]!;
      let r = plain ? (1 - top * s) / (1 + m * s) : frieleBack(s, FRIELE_S);
      if (even < 1) r = even * r + (1 - even) * (a * R[i + e]! + b * R[j + e]! + c * R[k + e]! + d * R[l + e]!);
      x += WX[e]! * r;
      y += WY[e]! * r;
      z += WZ[e]! * r;
    }
    return labOfXyz([x, y, z]);
  }
}

const [WX, WY, WZ] = XYZ_WEIGHTS as [Float64Array, Float64Array, Float64Array];
const U_WEIGHTS = XYZ_WEIGHTS[0]!.map((w, k) => w / WHITE[0] - XYZ_WEIGHTS[1]![k]!);
const V_WEIGHTS = XYZ_WEIGHTS[1]!.map((w, k) => w - XYZ_WEIGHTS[2]![k]! / WHITE[2]);

/** What the light of a blend must be for its colour to lie within a difference of the target: Y, X - Y and Y - Z over white. */
interface Window {
  readonly y: readonly [number, number];
  readonly u: readonly [number, number] | null;
  readonly v: readonly [number, number] | null;
}

const cube = (t: number): number => t * t * t;

/**
 * CIEDE2000 is at least |dL| / 1.75, and at least the distance in a, b over 2.73 (1 + 0.045 C): the rotation term takes
 * away at most sin 60° of it, and a' is never shorter than a.
 */
export function windowOf(target: Triple, within: number): Window {
  const [l, a, b] = target;
  const dl = 1.75 * within;
  const fy = (x: number) => (x + 16) / 116;
  const [lo, hi] = [fy(Math.max(-10, l - dl)), fy(l + dl)];
  const light = (f: number) => (f > 6 / 29 ? cube(f) : ((116 * f - 16) * 27) / 24389);
  const y = [light(lo), light(hi)] as const;
  const c = Math.hypot(1.5 * a, b);
  const room = 1 - 0.0615 * within;
  if (room <= 0.2) return { y, u: null, v: null };
  const r = (2.73 * within * (1 + 0.045 * c)) / room;
  const corners = (d: readonly [number, number], value: (f: number, d: number) => number) => {
    const all = [lo, hi].flatMap((f) => d.map((x) => value(f, x)));
    return [Math.min(...all), Math.max(...all)] as const;
  };
  // The cube holds above L* 8 only; below it, lightness alone decides.
  const da = [(a - r) / 500, (a + r) / 500] as const;
  const db = [(b - r) / 200, (b + r) / 200] as const;
  const edge = 6 / 29 + 1e-6;
  const u = lo + Math.min(0, da[0]) > edge ? corners(da, (f, d) => cube(f + d) - cube(f)) : null;
  const v = lo - Math.max(0, db[1]) > edge ? corners(db, (f, d) => cube(f) - cube(f - d)) : null;
  return { y, u, v };
}

interface Kept {
  readonly list: Found[];
  readonly most: number;
}

const betterThan = (p: Found, q: Found): number => {
  if (p.score !== q.score) return p.score - q.score;
  if (p.lots.length !== q.lots.length) return p.lots.length - q.lots.length;
  for (let i = 0; i < p.lots.length; i++) {
    if (p.lots[i] !== q.lots[i]) return p.lots[i]! - q.lots[i]!;
    if (p.parts[i] !== q.parts[i]) return p.parts[i]! - q.parts[i]!;
  }
  return 0;
};

function keep(k: Kept, f: Found): void {
  if (k.list.length === k.most && betterThan(f, k.list[k.most - 1]!) >= 0) return;
  if (k.list.some((x) => betterThan(x, f) === 0)) return;
  k.list.push(f);
  k.list.sort(betterThan);
  if (k.list.length > k.most) k.list.pop();
}

/** Difference a blend of so many lots has to beat. */
const toBeat = (k: Kept, lots: number): number =>
  k.list.length < k.most ? Infinity : k.list[k.most - 1]!.score - LOT_COSTS * (lots - 1) + 1e-9;

function judge(table: BlendTable, ask: MatchAsk, lots: readonly number[], parts: readonly number[]): Found {
  const lab = table.lab(lots, parts);
  const d = difference(ask.target, lab);
  return { lots, parts, lab, difference: d, score: d + LOT_COSTS * (lots.length - 1) };
}

/** Whether a stock has enough of every lot for its part. */
const enough = (
  stock: readonly StockWool[],
  ask: MatchAsk,
  lots: readonly number[],
  parts: readonly number[],
): boolean =>
  ask.needG === null || lots.every((l, i) => stock[l]!.freeG >= (ask.needG! * parts[i]!) / ask.parts - 1e-9);

/** Most parts a lot has enough for. */
const mostParts = (stock: readonly StockWool[], ask: MatchAsk): number[] =>
  stock.map((s) =>
    ask.needG === null || ask.needG <= 0 ? ask.parts : Math.floor((s.freeG * ask.parts) / ask.needG + 1e-9),
  );

/** Every blend of one to three lots looked at: slow, and the measure of the search below. */
export function matchExhaustive(stock: readonly StockWool[], table: BlendTable, ask: MatchAsk): Found[] {
  const kept: Kept = { list: [], most: ask.best };
  const n = stock.length;
  const P = ask.parts;
  const put = (lots: number[], parts: number[]) => {
    if (enough(stock, ask, lots, parts)) keep(kept, judge(table, ask, lots, parts));
  };
  for (let i = 0; i < n; i++) {
    put([i], [P]);
    for (let j = i + 1; j < n; j++) {
      for (let a = 1; a < P; a++) put([i, j], [a, P - a]);
      for (let k = j + 1; k < n; k++)
        for (let a = 1; a < P - 1; a++) for (let b = 1; b < P - a; b++) put([i, j, k], [a, b, P - a - b]);
    }
  }
  return kept.list;
}

/**
 * Whether a blend of some lots between some corners may lie in a window: bounds of its light, band by band.
 * @param corners parts of each lot, corner after corner, stride `lots.length`
 */
function mayReach(
  table: BlendTable,
  lots: readonly number[],
  corners: readonly number[],
  P: number,
  w: Window,
): boolean {
  const { f, r: R } = table;
  const { even, model, m } = table.how;
  const plain = model === 'stearns-noechel';
  const top = 0.01 * (1 - m);
  const n = lots.length;
  let yl = 0;
  let yh = 0;
  let ul = 0;
  let uh = 0;
  let vl = 0;
  let vh = 0;
  for (let k = 0; k < BANDS; k++) {
    let lo = Infinity;
    let hi = -Infinity;
    let ll = Infinity;
    let lh = -Infinity;
    for (let c = 0; c < corners.length; c += n) {
      let s = 0;
      let light = 0;
      for (let i = 0; i < n; i++) {
        const at = lots[i]! * BANDS + k;
        s += corners[c + i]! * f[at]!;
        light += corners[c + i]! * R[at]!;
      }
      if (s < lo) lo = s;
      if (s > hi) hi = s;
      if (light < ll) ll = light;
      if (light > lh) lh = light;
    }
    // Stearns and Noechel's function falls as R grows, Friele's grows.
    const p = (plain ? hi : lo) / P;
    const q = (plain ? lo : hi) / P;
    let least = plain ? (1 - top * p) / (1 + m * p) : frieleBack(p, FRIELE_S);
    let most = plain ? (1 - top * q) / (1 + m * q) : frieleBack(q, FRIELE_S);
    if (even < 1) {
      least = even * least + ((1 - even) * ll) / P;
      most = even * most + ((1 - even) * lh) / P;
    }
    yl += WY[k]! * least;
    yh += WY[k]! * most;
    const u = U_WEIGHTS[k]!;
    ul += u * (u > 0 ? least : most);
    uh += u * (u > 0 ? most : least);
    const v = V_WEIGHTS[k]!;
    vl += v * (v > 0 ? least : most);
    vh += v * (v > 0 ? most : least);
  }
  const e = 1e-9;
  if (yh < w.y[0] - e || yl > w.y[1] + e) return false;
  if (w.u && (uh < w.u[0] - e || ul > w.u[1] + e)) return false;
  return !(w.v && (vh < w.v[0] - e || vl > w.v[1] + e));
}

/**
 * The best recipes, found step by step: the best of one and two lots first, then of three, then of four. The answer for up
 * to three lots is that of looking at every one of them.
 */
export function* matchSteps(
  stock: readonly StockWool[],
  table: BlendTable,
  ask: MatchAsk,
  four = true,
): Generator<readonly Found[], readonly Found[]> {
  const kept: Kept = { list: [], most: ask.best };
  const P = ask.parts;
  const most = mostParts(stock, ask);
  const usable = stock.map((_, i) => i).filter((i) => most[i]! >= 1);
  let window = windowOf(ask.target, 1e6);
  let windowFor = Infinity;
  const windowAt = (within: number): Window | null => {
    if (within <= 0) return null;
    if (within < windowFor - 1e-6) {
      window = windowOf(ask.target, within);
      windowFor = within;
    }
    return window;
  };
  const nearest = new Float64Array(stock.length).fill(Infinity);
  const put = (lots: number[], parts: number[]) => {
    for (let i = 0; i < lots.length; i++) if (parts[i]! > most[lots[i]!]!) return;
    const f = judge(table, ask, lots, parts);
    if (lots.length < 3) for (const l of lots) nearest[l] = Math.min(nearest[l]!, f.difference);
    keep(kept, f);
  };
  const parts = [0, 0, 0];
  const three = (lots: number[], a: number, b: number, c: number) => {
    if (a > most[lots[0]!]! || b > most[lots[1]!]! || c > most[lots[2]!]!) return;
    parts[0] = a;
    parts[1] = b;
    parts[2] = c;
    const lab = table.lab(lots, parts);
    const within = toBeat(kept, 3);
    // Lightness alone already sets it too far off.
    if (Math.abs(lab[0] - ask.target[0]) > 1.75 * within) return;
    const d = difference(ask.target, lab);
    if (d <= within) keep(kept, { lots, parts: [a, b, c], lab, difference: d, score: d + 2 * LOT_COSTS });
  };
  for (const i of usable) put([i], [P]);
  yield [...kept.list];
  for (let x = 0; x < usable.length; x++) {
    for (let y = x + 1; y < usable.length; y++) {
      const lots = [usable[x]!, usable[y]!];
      const w = windowAt(toBeat(kept, 2));
      if (!w || !mayReach(table, lots, [P, 0, 0, P], P, w)) continue;
      for (let a = 1; a < P; a++) put([...lots], [a, P - a]);
    }
  }
  yield [...kept.list];
  // From here on a blend has three lots to pay for: the window is set anew.
  windowFor = Infinity;
  // Lots that come near in twos first: a good answer early passes over more of the rest.
  const order = [...usable].sort((i, j) => nearest[i]! - nearest[j]! || i - j);
  for (let x = 0; x < order.length; x++) {
    for (let y = x + 1; y < order.length; y++) {
      for (let z = y + 1; z < order.length; z++) {
        const within = toBeat(kept, 3);
        const w = windowAt(within);
        if (!w) break;
        const lots = [order[x]!, order[y]!, order[z]!].sort((i, j) => i - j);
        const near = within < PASS_OVER;
        if (near && !mayReach(table, lots, [P - 2, 1, 1, 1, P - 2, 1, 1, 1, P - 2], P, w)) continue;
        for (let a = 1; a < P - 1; a++) {
          const end = P - a - 1;
          if (near && end >= LONG && !mayReach(table, lots, [a, 1, end, a, end, 1], P, w)) continue;
          for (let b = 1; b <= end; b++) three(lots, a, b, P - a - b);
        }
      }
    }
    if (x % 4 === 3) yield [...kept.list];
  }
  yield [...kept.list];
  if (!four) return kept.list;
  for (const start of kept.list.filter((f) => f.lots.length === 3).slice(0, 6)) {
    for (const add of usable) {
      if (start.lots.includes(add)) continue;
      let now: Found | null = null;
      let next: Found | null = fourth(start, add, table, ask);
      while (next && (now === null || next.difference < now.difference - 1e-12)) {
        now = next;
        next = null;
        for (let i = 0; i < 4; i++) {
          for (let j = 0; j < 4; j++) {
            if (i === j || now.parts[i]! < 2) continue;
            const parts = now.parts.map((p, k) => p + (k === j ? 1 : k === i ? -1 : 0));
            const f = judge(table, ask, now.lots, parts);
            if (f.difference < (next ?? now).difference) next = f;
          }
        }
      }
      if (now && now.lots.every((l, i) => now.parts[i]! <= most[l]!)) keep(kept, now);
    }
  }
  return kept.list;
}

function fourth(start: Found, add: number, table: BlendTable, ask: MatchAsk): Found | null {
  const largest = start.parts.indexOf(Math.max(...start.parts));
  if (start.parts[largest]! < 2) return null;
  const order = [...start.lots, add].map((lot, i) => ({
    lot,
    parts: i === 3 ? 1 : start.parts[i]! - (i === largest ? 1 : 0),
  }));
  order.sort((p, q) => p.lot - q.lot);
  return judge(
    table,
    ask,
    order.map((o) => o.lot),
    order.map((o) => o.parts),
  );
}

/** All steps at once. */
export function matchBest(
  stock: readonly StockWool[],
  table: BlendTable,
  ask: MatchAsk,
  four = true,
): readonly Found[] {
  const steps = matchSteps(stock, table, ask, four);
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
  }
}
