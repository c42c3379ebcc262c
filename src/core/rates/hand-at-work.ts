/**
 * The hand as it really works: the maker's rates with what the log of this piece and of all others has taught. Worked out anew from what was
 * written down for every plan, so an entry put right or taken back is unlearned at once.
 */
import type { DonePiece } from '@/core/piece/done';
import { alike } from '@/core/alike';
import { defaultHand, type Hand } from '@/core/piece/hand';
import { usuallyReady } from './ready';
import type { Piece } from '@/core/piece/schema';
import { KINDS_OF_WORK, type Pace, type Work } from '@/core/time/elements';
import { factorOf, learn, OF_MEASURES, typical, type Done, type Learnt } from '@/core/time/learning';
import { mainKind, minutesByKind } from '@/core/time/work-time';
import { everythingDone } from './records';

/** What was learned of one thing: so many times what was asked, from so many entries on so many pieces. */
export interface LearntRate {
  readonly times: number;
  readonly entries: number;
  readonly pieces: number;
}

/** What was learned of a way of laying. */
interface LearntLaying {
  readonly wool: LearntRate | null;
  readonly spacing: LearntRate | null;
  readonly loft: LearntRate | null;
  /** Of flat felt: its width, over what the first value leaves of it. */
  readonly shrink: LearntRate | null;
}

export interface HandAtWork extends Hand, Pick<Pace, 'slower'> {
  /** Of time: how many entries on how many pieces it rests on, by kind of work; null while too little was timed. */
  readonly learnt: Learnt | null;
  readonly laying: Readonly<Record<string, LearntLaying>>;
  /** Getting ready and clearing away, from so many sittings; null while too few say, or the maker has put in a figure. */
  readonly readyFrom: { readonly minutes: number; readonly sittings: number } | null;
  readonly learntFrom: { readonly entries: number; readonly pieces: number };
}

/** Where the maker's own minutes make up more than this of an entry it says nothing of the rest. Ours. */
const MOST_OWN = 0.7;
/** What is left for the rest, at least, as a share of what was asked for it. */
const LEAST_REST = 0.2;

/** An entry goes by the kind that makes up most of it. */
function timeOf(hand: Pick<Hand, 'times'>, work: Work, actual: number, piece: number): Done[] {
  const parts = minutesByKind({ times: hand.times }, work);
  const { own, kinds } = parts;
  const kind = mainKind(parts);
  const asked = kinds.reduce((s, k) => s + k.minutes, 0);
  if (kind === null || own > MOST_OWN * (own + asked)) return [];
  return [{ kind, planned: asked, actual: Math.max(actual - own, LEAST_REST * asked), piece }];
}

/** Pieces in the order they were last worked on: 0 the one in hand, -1 the one before. */
function inTurn(
  all: readonly DonePiece[],
  pieceId: string,
): { readonly piece: number; readonly done: DonePiece['done'] }[] {
  const others = all.filter((p) => p.pieceId !== pieceId).sort((a, b) => (a.at < b.at ? -1 : a.at > b.at ? 1 : 0));
  const here = all.filter((p) => p.pieceId === pieceId);
  return [
    ...others.map((p, i) => ({ piece: i - others.length, done: p.done })),
    ...here.map((p) => ({ piece: 0, done: p.done })),
  ];
}

/** A hand before any piece is on the desk. */
export const NO_PIECE: Pick<Piece, 'id' | 'name' | 'log'> = { id: 'none', name: '', log: [] };

/** The rates alone, as they are without what was learned of time and laying. */
export function untaught(hand: Hand & Partial<HandAtWork>): Hand {
  const { slower: _s, learnt: _l, laying: _y, learntFrom: _f, readyFrom: _r, ...rates } = hand;
  return rates;
}

function rateOf(l: Learnt | null, entries: readonly Done[], kind: string): LearntRate | null {
  const mine = entries.filter((e) => e.kind === kind);
  if (!l || mine.length === 0) return null;
  return { times: factorOf(l, kind), entries: mine.length, pieces: new Set(mine.map((e) => e.piece)).size };
}

/** What is weighed of a core is learned by how firm it is. */
export const wayOfCore = (firmness: keyof Hand['coreDensityMgCm3']): string => `core-${firmness.replaceAll(' ', '-')}`;

const FIRMNESSES = Object.keys(defaultHand.coreDensityMgCm3) as (keyof Hand['coreDensityMgCm3'])[];

/** Cores whose density the maker has put in: it stays, and nothing is learned of it. */
const ownCores = (hand: Hand): Set<string> =>
  new Set(FIRMNESSES.filter((k) => !alike(hand.coreDensityMgCm3[k], defaultHand.coreDensityMgCm3[k])).map(wayOfCore));

/** How dense cores are felted, as weighing them has taught. */
function feltedAs(
  own: Hand['coreDensityMgCm3'],
  laying: Readonly<Record<string, LearntLaying>>,
): Hand['coreDensityMgCm3'] {
  const of = (k: keyof Hand['coreDensityMgCm3']) => {
    const d = own[k];
    const usual = d.usual * (laying[wayOfCore(k)]?.wool?.times ?? 1);
    return { least: Math.min(d.least, usual), usual, most: Math.max(d.most, usual) };
  };
  return Object.fromEntries(FIRMNESSES.map((k) => [k, of(k)])) as Hand['coreDensityMgCm3'];
}

export function handAtWork(hand: Hand, piece: Pick<Piece, 'id' | 'name' | 'log'>): HandAtWork {
  const all = inTurn(everythingDone(hand, piece), piece.id);
  const timed = all.flatMap((p) =>
    p.done.flatMap((d) => (d.of === 'time' && d.work ? timeOf(hand, d.work, d.actual, p.piece) : [])),
  );
  const learnt = learn(timed);
  const measured = (of: 'wool' | 'spacing' | 'loft' | 'shrink') =>
    all.flatMap((p) =>
      p.done.flatMap((d): Done[] =>
        d.of === of && d.way !== null && d.asked > 0 && d.actual > 0
          ? [{ kind: d.way, planned: d.asked, actual: d.actual, piece: p.piece }]
          : [],
      ),
    );
  const [wool, spacing, loft, shrink] = [measured('wool'), measured('spacing'), measured('loft'), measured('shrink')];
  const [ofWool, ofSpacing, ofLoft, ofShrink] = [wool, spacing, loft, shrink].map((x) => learn(x, OF_MEASURES));
  const ways = [...new Set([...wool, ...spacing, ...loft, ...shrink].map((d) => d.kind))].sort();
  const rates = (w: string) => ({
    wool: rateOf(ofWool!, wool, w),
    spacing: rateOf(ofSpacing!, spacing, w),
    loft: rateOf(ofLoft!, loft, w),
    shrink: rateOf(ofShrink!, shrink, w),
  });
  const own = ownCores(hand);
  const laying = Object.fromEntries(ways.filter((w) => !own.has(w)).map((w) => [w, rates(w)]));
  const ready = all.flatMap((p) => p.done.flatMap((d) => (d.of === 'ready' ? [d.actual] : [])));
  const usually = hand.readyMinutes === defaultHand.readyMinutes ? usuallyReady(ready) : null;
  return {
    ...hand,
    ...(usually === null ? {} : { readyMinutes: usually }),
    readyFrom: usually === null ? null : { minutes: usually, sittings: ready.length },
    coreDensityMgCm3: feltedAs(hand.coreDensityMgCm3, laying),
    // Kept with the hand, and said by what was learned from it.
    done: [],
    learnt,
    ...(learnt
      ? {
          slower: Object.fromEntries(
            [...KINDS_OF_WORK, 'all' as const].map((k) => [k, typical(learnt, k)]),
          ) as Pace['slower'],
        }
      : {}),
    laying,
    learntFrom: { entries: timed.length, pieces: new Set(timed.map((d) => d.piece)).size },
  };
}
