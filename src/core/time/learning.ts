/**
 * What the log teaches of a hand: how much longer than planned this maker takes for everything, for each kind of work, and how that
 * changes from piece to piece. An estimate with partial pooling: kinds of work are drawn towards the hand as a whole, the hand towards what
 * was planned, so that one odd day decides nothing; entries far off are set aside and counted as what goes wrong now and then.
 * Times in minutes; everything else is logarithms of what was done over what was planned. Ours; measured with simulated makers in the tests.
 */
import { spanAbout, type Span } from '@/core/method/span';

/** Something done: of what kind, by which plan, in the how-manieth piece before the coming one. */
export interface Done {
  readonly kind: string;
  readonly planned: number;
  readonly actual: number;
  /** -1 for the last piece, -2 for the one before; 0 for the one in hand. */
  readonly piece: number;
}

/** What is believed before anything is logged: deviations of logarithms, and how often something goes wrong. Ours. */
export interface Before {
  /** Fewer entries than these say nothing of a hand yet: among them one odd one may decide. */
  readonly least: number;
  readonly hand: number;
  readonly kind: number;
  /** Pieces' worth of kinds that are imagined. */
  readonly kinds: number;
  readonly entry: number;
  readonly entries: number;
  /** Quicker by so much with every piece, and how sure that is; 0 where nothing gets quicker. */
  readonly quicker: number;
  readonly drift: number;
  readonly odd: number;
  readonly oddOf: number;
  /** An odd entry takes so many times as long; as many as are imagined. */
  readonly oddTakes: number;
  readonly oddSeen: number;
}

/** Of the time of rows and steps: many entries, each unsure. */
export const OF_TIME: Before = {
  least: 20,
  hand: 0.6,
  kind: 0.25,
  kinds: 4,
  entry: 0.35,
  entries: 20,
  quicker: -0.03,
  drift: 0.05,
  odd: 0.03,
  oddOf: 50,
  oddTakes: 5,
  oddSeen: 3,
};

/** Of what is weighed or measured with a rule: few entries, each fairly sure, and none of them counted as what goes wrong. */
export const OF_MEASURES: Before = {
  least: 3,
  hand: 0.3,
  kind: 0.15,
  kinds: 4,
  entry: 0.12,
  entries: 8,
  quicker: 0,
  drift: 0,
  odd: 0,
  oddOf: 50,
  oddTakes: 1,
  oddSeen: 3,
};

/** Up to so many deviations an entry counts in full, from so many on not at all: between, less and less, so that none decides by a hair. */
const FULL = 2;
const ASIDE = 3;
/** Slower than so many it is something that went wrong. */
const ODD = 3;
/** An odd entry counts as no longer than e to this. */
const LONGEST = 2.5;
const ROUNDS = 8;
/** The middle of absolute deviations over the deviation of a normal distribution. */
const MAD = 1.4826;

interface OfKind {
  /** This kind of work over the hand as a whole, how sure that is (variance), and entries it rests on. */
  readonly over: number;
  readonly variance: number;
  readonly entries: number;
}

export interface Learnt {
  readonly hand: number;
  readonly kinds: Readonly<Record<string, OfKind>>;
  /** From one entry to the next. */
  readonly entry: number;
  /** From piece to piece. */
  readonly drift: number;
  /** From kind to kind. */
  readonly kind: number;
  readonly entries: number;
  readonly pieces: number;
  /** What an entry takes on average over what it takes as a rule, and the mean of its square: odd ones count. */
  readonly mean: number;
  readonly square: number;
  /** How sure the hand as a whole is in the coming piece, variance. */
  readonly variance: number;
}

function middle(list: readonly number[]): number {
  // Numbers in a row of their own sort much faster than in a list.
  const sorted = Float64Array.from(list).sort();
  const h = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[h]! : (sorted[h - 1]! + sorted[h]!) / 2;
}
const sum = <T>(list: readonly T[], of: (x: T) => number): number => list.reduce((s, x) => s + of(x), 0);

/**
 * @param done entries with what was planned and what it took, both more than 0
 * @returns null while too little was done
 */
export function learn(done: readonly Done[], before: Before = OF_TIME): Learnt | null {
  const n = done.length;
  if (n < before.least) return null;
  const { drift } = before;
  const entries = done.map((d) => ({ kind: d.kind, t: d.piece, x: Math.log(d.actual / d.planned), w: 1 }));
  const byKind = new Map<string, (typeof entries)[number][]>();
  for (const e of entries) {
    const mine = byKind.get(e.kind);
    if (mine) mine.push(e);
    else byKind.set(e.kind, [e]);
  }
  const names = [...byKind.keys()];
  const pieces = new Set(entries.map((e) => e.t)).size;
  let hand = middle(entries.map((e) => e.x));
  let by: number = before.quicker;
  let tau: number = before.kind;
  let s: number = before.entry;
  const kinds: Record<string, OfKind> = Object.fromEntries(
    names.map((k) => [k, { over: 0, variance: tau ** 2, entries: 0 }]),
  );
  const over = (k: string) => kinds[k]!.over;
  const off = (e: (typeof entries)[number]) => e.x - hand - over(e.kind) - by * e.t;
  let weight = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const spread = MAD * middle(entries.map((e) => Math.abs(off(e))));
    s = Math.sqrt((before.entries * before.entry ** 2 + n * spread ** 2) / (before.entries + n));
    for (const e of entries) e.w = Math.max(0, Math.min(1, (ASIDE - Math.abs(off(e)) / s) / (ASIDE - FULL)));
    weight = sum(entries, (e) => e.w);
    for (const k of names) {
      const mine = byKind.get(k)!;
      const variance = 1 / (sum(mine, (e) => e.w) / s ** 2 + 1 / tau ** 2);
      kinds[k] = {
        over: (variance * sum(mine, (e) => e.w * (e.x - hand - by * e.t))) / s ** 2,
        variance,
        entries: mine.length,
      };
    }
    hand = sum(entries, (e) => e.w * (e.x - over(e.kind) - by * e.t)) / (weight + s ** 2 / before.hand ** 2);
    if (pieces > 1 && drift > 0) {
      const sure = s ** 2 / drift ** 2;
      by =
        (before.quicker * sure + sum(entries, (e) => e.w * e.t * (e.x - hand - over(e.kind)))) /
        (sure + sum(entries, (e) => e.w * e.t ** 2));
    }
    tau = Math.sqrt(
      (before.kinds * before.kind ** 2 + sum(Object.values(kinds), (k) => k.over ** 2 + k.variance)) /
        (before.kinds + names.length),
    );
  }
  const odd = entries.filter((e) => off(e) > ODD * s);
  const often = (before.odd * before.oddOf + odd.length) / (before.oddOf + n);
  const takes =
    (sum(odd, (e) => Math.exp(Math.min(off(e), LONGEST))) + before.oddTakes * before.oddSeen) /
    (odd.length + before.oddSeen);
  return {
    hand,
    kinds,
    entry: s,
    drift: by,
    kind: tau,
    entries: n,
    pieces,
    mean: (1 - often) * Math.exp(s ** 2 / 2) + often * takes,
    square: (1 - often) * Math.exp(2 * s ** 2) + often * takes ** 2 * Math.exp(s ** 2 / 2),
    variance:
      pieces > 1 ? (4 * s ** 2) / Math.max(1, weight) + drift ** 2 / 2 : s ** 2 / Math.max(1, weight) + drift ** 2,
  };
}

/** What a kind of work takes over what is planned for it, as a rule. */
export const factorOf = (l: Learnt, kind: string): number => Math.exp(l.hand + (l.kinds[kind]?.over ?? 0));

/** What a kind of work takes on average over what is planned for it, with what goes wrong now and then. */
export const typical = (l: Learnt, kind: string): number =>
  l.mean * factorOf(l, kind) * Math.exp((l.kinds[kind]?.variance ?? l.kind ** 2) / 2);

/** What the maker has timed alone is known as well as this, as the deviation of a logarithm. Ours. */
const OWN = 0.15;

/**
 * What the coming work will take: its middle, and the span it lies in four times out of five. Minutes.
 * @param own minutes of what goes by the maker's own measures
 */
export function forecast(
  l: Learnt,
  planned: readonly { readonly kind: string; readonly minutes: number }[],
  own = 0,
): Span {
  const byKind = new Map<string, number>();
  let squares = 0;
  for (const { kind, minutes } of planned) {
    const m = minutes * factorOf(l, kind);
    squares += m ** 2;
    byKind.set(kind, (byKind.get(kind) ?? 0) + m);
  }
  const all = sum([...byKind.values()], (m) => m);
  if (all + own === 0) return { low: 0, likely: 0, high: 0 };
  const variance = (k: string) => l.kinds[k]?.variance ?? l.kind ** 2;
  const total = own + l.mean * sum([...byKind], ([k, m]) => m * Math.exp(variance(k) / 2));
  const spread =
    (l.square - l.mean ** 2) * squares +
    sum([...byKind], ([k, m]) => (l.mean * m) ** 2 * variance(k)) +
    (l.mean * all) ** 2 * l.variance +
    (own * OWN) ** 2;
  const of = Math.log1p(spread / total ** 2);
  return spanAbout(total * Math.exp(-of / 2), Math.sqrt(of));
}
