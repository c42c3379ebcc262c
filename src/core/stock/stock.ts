/** The stock stage: what the steps of the piece take of every lot, against what is in the cupboard. Masses in grams. */
import { stapleNeeded } from '@/core/coat/staple-needed';
import { areaOf, ref } from '@/core/ref';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { WELL } from '@/core/coat/cover/cover';
import type { Margin } from '@/core/coat/cover/margins';
import { findWools } from '@/core/wool/find';
import { byLot, massOf, type WoolMass } from '@/core/materials';
import { unsureOf, type DoubtName } from '@/core/method/doubt';
import { spanOfSum, type Span } from '@/core/method/span';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import type { Layer } from '@/core/piece/shade';
import { swapWool } from '@/core/shade/shade-edits';
import {
  NO_WORK,
  type Context,
  type Finding,
  type Material,
  type Operation,
  type Remedy,
  type Stage,
  type WoolUse,
} from '@/core/stage';
import { grams, joined, mgCm, mgCm2, say, share, type Text } from '@/core/text';
import { inDoubt, mostUnsure } from './how-sure';

export const lotCost = method({
  id: 'lot-cost',
  title: 'Cost of the wool',
  formula: 'cost = M × price / 100 g',
  inputs: {
    mass: letter('M', 'wool needed', 'mass'),
    price: letter('price', 'price of 100 g', 'price'),
  },
  result: letter('cost', 'cost', 'money'),
  source: 'Wool is priced by 100 g.',
  basis: 'common practice',
  of: ({ mass, price }) => (mass * price) / 100,
});

interface LotNeed {
  readonly lotId: string;
  readonly name: string;
  readonly colour: string;
  readonly needG: number;
  /** What it may come to. */
  readonly span: Span;
  /** Of it what was weighed and has left the cupboard, and what is still to come out of it. */
  readonly usedG: number;
  readonly toGoG: number;
  readonly haveG: number;
  readonly shortG: number;
  readonly cost: Figure | null;
  /** What it is for, most first. */
  readonly uses: readonly { readonly for: WoolUse; readonly massG: number }[];
  /** Areas whose coat draws on it. */
  readonly areaIds: readonly string[];
}

export interface StockPlan {
  readonly lots: readonly LotNeed[];
  /** All wool, chosen or not, and what it may come to. */
  readonly needG: number;
  readonly span: Span;
  /** Of it wool that is not chosen yet, or no longer in the cupboard. */
  readonly unchosen: readonly { readonly for: WoolUse; readonly massG: number }[];
  /** Sum over the lots with a price. */
  readonly cost: number;
}

const COAT: ReadonlySet<WoolUse> = new Set(['coat', 'band', 'anchor']);
/** What another lot can be put in place of as one change. */
const SWAPPED: ReadonlySet<WoolUse> = new Set([...COAT, 'core', 'collar', 'layer of colour']);

/** What a use of wool is called where several are named. */
export const USE_WORDS: Readonly<Record<WoolUse, string>> = {
  coat: 'the coat',
  band: 'bands in the coat',
  anchor: 'anchors',
  core: 'the core',
  collar: 'collars of the joints',
  'flat part': 'flat parts',
  lining: 'linings',
  'layer of colour': 'layers of colour',
  face: 'the face',
  'small thing': 'small things',
};

/** @param operations all steps of the piece: what they take out of the cupboard is what is needed */
export function planStock(
  { piece, cupboard, hand }: Pick<Context, 'piece' | 'cupboard' | 'hand'>,
  { coat, operations }: { readonly coat: CoatPlan; readonly operations: readonly Operation[] },
): Stage<StockPlan> {
  const findings: Finding[] = [];
  const lots: LotNeed[] = [];
  const taken = operations.flatMap((o) =>
    o.materials.flatMap((m) => (m.from === 'cupboard' && m.massG > 0 ? [{ ...m, area: areaOf(o) }] : [])),
  );
  const known = new Set(cupboard.lots.map((l) => l.id));
  for (const lot of cupboard.lots) {
    const here = taken.filter((m) => m.lotId === lot.id);
    if (here.length === 0) continue;
    const weighed = piece.log.flatMap((e) => (e.kind === 'wool' && e.lotId === lot.id ? [e] : []));
    // What was weighed takes the place of what was asked for it.
    const over = weighed.reduce((s, e) => s + (e.askedG === null ? 0 : e.grams - e.askedG * taught(hand, e.way)), 0);
    const usedG = weighed.reduce((s, e) => s + (e.takenG === null ? 0 : e.grams), 0);
    const needG = Math.max(usedG, massOf(here) + over);
    const toGoG = needG - usedG;
    const doubts = inDoubt(here, cupboard, hand);
    const toGo = timesSpan(spanOfSum(doubts), toGoG / massOf(here));
    const shortG = Math.max(0, toGoG - lot.haveG);
    const uses = usesOf(here);
    const areaIds = [...new Set(here.flatMap((m) => (COAT.has(m.for) && m.area !== null ? [m.area] : [])))];
    lots.push({
      lotId: lot.id,
      name: lot.name,
      colour: lot.colour,
      needG,
      span: { low: usedG + toGo.low, likely: usedG + toGo.likely, high: usedG + toGo.high },
      usedG,
      toGoG,
      haveG: lot.haveG,
      shortG,
      cost: lot.pricePer100g === null ? null : figure(lotCost, { mass: needG, price: lot.pricePer100g }),
      uses,
      areaIds,
    });
    if (shortG > 1e-9) {
      const swappable = massOf(here.filter((m) => SWAPPED.has(m.for)));
      findings.push({
        id: `stock-short-${lot.id}`,
        code: 'stock-short',
        stage: 'stock',
        severity: 'stop',
        about: ref('lot', lot.id),
        says: say`Not enough ${lot.name}: ${grams(toGoG)} ${usedG > 0 ? 'still ' : ''}needed, ${grams(lot.haveG)} in the cupboard.`,
        why: say`Drawn on by ${joined([
          ...uses.flatMap((u) => (COAT.has(u.for) ? [] : [say`${USE_WORDS[u.for]}`])),
          ...areaIds.map((id) => say`${piece.areas.find((a) => a.id === id)?.name ?? id}`),
        ])}; ${grams(shortG)} are missing. It may take between ${grams(toGo.low)} and ${grams(toGo.high)}: with ${grams(toGo.high - lot.haveG)} more you are on the safe side.`,
        remedies: [
          ...thinner(lot, coat, shortG),
          ...(swappable > 0 ? otherLot(piece, cupboard, lot, coat, taken, swappable) : []),
          bought(lot, shortG),
        ],
      });
    } else if (toGo.high > lot.haveG) findings.push(mayRunShort(lot, toGo, mostUnsure(doubts)!));
  }
  const unchosen = usesOf(taken.filter((m) => m.lotId === null || !known.has(m.lotId)));
  const planned = massOf(taken);
  const needG = lots.reduce((s, l) => s + l.needG, 0) + unchosen.reduce((s, u) => s + u.massG, 0);
  return {
    result: {
      lots,
      needG,
      span: timesSpan(spanOfSum(inDoubt(taken, cupboard, hand)), planned > 0 ? needG / planned : 1),
      unchosen,
      cost: lots.reduce((s, l) => s + (l.cost?.value ?? 0), 0),
    },
    findings,
    ...NO_WORK,
  };
}

const timesSpan = (s: Span, by: number): Span => ({ low: s.low * by, likely: s.likely * by, high: s.high * by });

/** How much of what is asked for really goes, as the log has taught. */
const taught = (hand: HandAtWork, way: string | null): number =>
  way === null ? 1 : (hand.laying[way]?.wool?.times ?? 1);

/** Enough as planned, and yet it may not be. */
const mayRunShort = (lot: Lot, { likely, low, high }: Span, unsure: DoubtName): Finding => ({
  id: `stock-close-${lot.id}`,
  code: 'stock-close',
  stage: 'stock',
  severity: 'note',
  about: ref('lot', lot.id),
  says: say`${lot.name} may run short: ${grams(likely)} needed of ${grams(lot.haveG)}, but it may be between ${grams(low)} and ${grams(high)}.`,
  why: say`${unsureOf(unsure)} With ${grams(high - lot.haveG)} more you are on the safe side.`,
  remedies: [bought(lot, high - lot.haveG)],
});

/** What is short stands on the shopping list; when it has come it is entered here. In tenths, so that what is entered suffices. */
function bought(lot: Lot, shortG: number): Remedy {
  const moreG = Math.ceil(10 * shortG - 1e-6) / 10;
  return {
    label: say`I have bought ${grams(moreG)} more`,
    effect: say`the cupboard then holds ${grams(lot.haveG + moreG)}; until then it is on the shopping list`,
    changes: [],
    enters: [{ lotId: lot.id, moreG }],
  };
}

function usesOf(list: readonly Material[]): LotNeed['uses'] {
  const sum = new Map<WoolUse, number>();
  for (const m of list) sum.set(m.for, (sum.get(m.for) ?? 0) + m.massG);
  return [...sum].map(([use, massG]) => ({ for: use, massG })).sort((a, b) => b.massG - a.massG);
}

const swapped = (layers: readonly Layer[], from: string, to: string, path: (string | number)[]) => {
  const value = swapWool(layers, from, to);
  return JSON.stringify(value) === JSON.stringify(layers) ? [] : [{ path, value }];
};

/** Lay every area of this lot no thicker than it must be to cover well, when that saves enough. */
function thinner(lot: Lot, coat: CoatPlan, shortG: number): Remedy[] {
  let saved = 0;
  const lays = coat.areas.flatMap((a, i) => {
    const drawn = a.fur?.draws.filter((d) => d.lotId === lot.id && d.for === 'coat') ?? [];
    const margin = a.fur?.margins.find((m) => m.weight);
    if (drawn.length === 0 || !margin || margin.limit === null || margin.limit >= margin.now) return [];
    saved += massOf(drawn) * (1 - margin.limit / margin.now);
    return [{ path: ['areas', i, 'coat', margin.key], value: margin.limit, says: only(margin) }];
  });
  if (saved < shortG) return [];
  return [
    {
      label: lays.length === 1 ? lays[0]!.says : say`Lay each area as thin as still covers`,
      effect: say`saves ${grams(saved)}, base still hidden ${share(WELL)} or more`,
      changes: lays.map(({ path, value }) => ({ path, value })),
    },
  ];
}

/** As little wool as still covers, in words. */
const only = ({ kind, limit }: Margin): Text =>
  kind === 'linear'
    ? say`Lay only ${mgCm(limit!)} of row`
    : kind === 'areal'
      ? say`Lay only ${mgCm2(limit!)}`
      : say`Make each only ${limit!} mg`;

/** The nearest lot in colour that has enough for all of it and is long enough. */
function otherLot(
  piece: Piece,
  cupboard: Cupboard,
  lot: Lot,
  coat: CoatPlan,
  taken: readonly WoolMass[],
  needG: number,
): Remedy[] {
  const used = new Map(byLot(taken).map((m) => [m.lotId, m.massG]));
  const longest = Math.max(
    0,
    ...coat.areas.filter((a) => a.fur?.draws.some((d) => d.lotId === lot.id && d.for === 'coat')).map(stapleNeeded),
  );
  const free = (l: Lot) => l.haveG - (used.get(l.id) ?? 0);
  const [other] = findWools(
    cupboard.lots,
    {
      near: lot.colour,
      suits: (form) => (form === lot.form ? 'well' : 'badly'),
      stapleMm: longest,
      grams: needG * 1.2,
      except: [lot.id],
    },
    free,
  );
  if (!other) return [];
  const changes = [
    ...(piece.core.lotId === lot.id ? [{ path: ['core', 'lotId'], value: other.id }] : []),
    ...piece.areas.flatMap((a, i) => [
      ...(a.coat.method !== 'none' && a.coat.lotId === lot.id
        ? [{ path: ['areas', i, 'coat', 'lotId'], value: other.id }]
        : []),
      ...swapped(a.shade.layers, lot.id, other.id, ['areas', i, 'shade', 'layers']),
    ]),
    ...piece.markings.flatMap((m, i) => swapped(m.layers, lot.id, other.id, ['markings', i, 'layers'])),
  ];
  // Wool of the face and of flat parts is chosen there.
  if (changes.length === 0) return [];
  return [
    {
      label: say`Use ${other.name} instead`,
      effect: say`${grams(free(other))} of it are free; the colour changes`,
      changes,
    },
  ];
}
