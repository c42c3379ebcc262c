/** A new piece from a body plan and a finished size, with a first coat that already covers well from the wool at hand. */
import { feathers } from '@/core/coat/techniques/feathers/feathers';
import { foldOver } from '@/core/coat/techniques/fold-over/fold-over';
import { shortCoat } from '@/core/coat/short-coat';
import { smooth } from '@/core/coat/techniques/smooth/smooth';
import type { FirstShares } from '@/core/coat/way';
import type { FirstWools } from '@/core/first-wools';
import { beginFlat } from '@/core/form/begin-flat';
import { isLeaf } from '@/core/form/leaf';
import { bodyPlan } from '@/core/form/plans/plans';
import type { Coat } from '@/core/piece/coat';
import { plainShade, type SmallPart } from '@/core/piece/shade';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { plainWork } from '@/core/piece/work';
import { PIECE_KIND, PIECE_SCHEMA, type Part, type Piece, type Selector } from '@/core/piece/schema';
import { findWools } from './wool/find';

interface NewPiece {
  readonly id: string;
  readonly name: string;
  /** Body plan it begins from. */
  readonly plan: string;
  readonly finishedLengthMm: number;
  readonly lifeLengthMm: number;
  readonly seed: number;
  /** What it begins with; without, the first combed top for the coat and nothing else. */
  readonly wools?: FirstWools;
}

/** What is usual for the areas of the body plans, by their own names: short on head and legs. Ours. */
const USUAL: Readonly<Record<string, FirstShares>> = {
  legs: { length: 0.045, spacing: 0.016, lift: 20 },
  head: { length: 0.035, spacing: 0.013, lift: 15 },
  cheek: { length: 0.045, spacing: 0.014, lift: 25 },
  brow: { length: 0.028, spacing: 0.011, lift: 15 },
  tail: { length: 0.085, spacing: 0.032, lift: 30 },
};

/** A first coat that already covers; none when the cupboard holds no wool. @param usual for its place, where that is known */
export function firstCoat(
  usual: FirstShares | undefined,
  finishedLengthMm: number,
  cupboard: Cupboard,
  hand: Hand,
  wool?: Lot,
): Coat {
  const lot = wool ?? cupboard.lots.find((l) => l.form === 'combed top' && l.haveG > 0) ?? cupboard.lots[0];
  if (!lot) return { method: 'none' };
  return foldOver.begin({ ...(usual ? { usual } : {}), lot, cupboard, hand, finishedLengthMm, now: null });
}

/** Whether places lie on a beak. */
const beaked = (parts: readonly Part[], where: readonly Selector[]): boolean =>
  parts.some((p) => p.role === 'beak' && where.some((w) => w.parts.includes(p.id)));

/** What has no fur, felted smooth: a beak in the wool of the nose, the rest in that of the core. */
function firstFelt(beak: boolean, cupboard: Cupboard, hand: Hand, n: NewPiece): Coat {
  const suits = (form: Lot['form']) => smooth.suits[form].suits;
  // A ground takes much: of what serves, what there is most of.
  const most = findWools(cupboard.lots, { suits }).sort((a, b) => b.haveG - a.haveG);
  const lot = (beak ? n.wools?.nose : n.wools?.core) ?? most[0];
  if (!lot) return { method: 'none' };
  const spec = smooth.begin({ lot, cupboard, hand, finishedLengthMm: n.finishedLengthMm, now: null });
  return { ...spec, surface: beak ? 'horn' : 'felt' };
}

/** Felted feathers: in the wool of the coat where that felts flat, else in the one at hand that does best. */
function firstFeathers(cupboard: Cupboard, hand: Hand, n: NewPiece): Coat {
  const suits = (form: Lot['form']) => feathers.suits[form].suits;
  const own = n.wools?.coat && suits(n.wools.coat.form) !== 'badly' ? n.wools.coat : null;
  const lot = own ?? findWools(cupboard.lots, { suits })[0];
  if (!lot) return { method: 'none' };
  return feathers.begin({ lot, cupboard, hand, finishedLengthMm: n.finishedLengthMm, now: null });
}

/** The nose in its wool, on the part that carries it; a beak is an area of its own. */
function nose(parts: readonly Part[], lot: Lot): SmallPart[] {
  const of = (role: Part['role']) => parts.find((p) => p.role === role);
  const on = of('muzzle') ?? of('head');
  if (!on || of('beak')) return [];
  return [
    {
      id: 'nose',
      name: 'Nose',
      kind: 'nose',
      on: on.id,
      recipe: [{ lotId: lot.id, parts: 1 }],
      even: 1,
    },
  ];
}

/** @throws when there is no such body plan */
export function newPiece(n: NewPiece, cupboard: Cupboard, hand: Hand): Piece {
  const plan = structuredClone(bodyPlan(n.plan));
  return {
    kind: PIECE_KIND,
    schema: PIECE_SCHEMA,
    id: n.id,
    name: n.name,
    note: '',
    seed: n.seed,
    form: {
      plan: plan.id,
      finishedLengthMm: n.finishedLengthMm,
      lifeLengthMm: n.lifeLengthMm,
      measuredBy: plan.measuredBy,
      parts: plan.parts,
      pose: plan.pose,
      scan: null,
    },
    core: {
      school: 'under-built',
      allowanceMm: 1,
      lotId: n.wools?.core.id ?? null,
      soft: plan.flatFelt.map((part) => ({ part, firmness: 'flat felt' as const })),
      under: plan.wrapped.map((part) => ({ part, way: 'wrapped wire' as const })),
      weight: null,
    },
    frame: {
      kind: plan.parts.some((p) => p.shape === 'board') ? 'none' : 'one wire',
      head: true,
      tail: plan.tailWire,
      wireId: null,
      turnedMm: 10,
      wasteShare: 0.05,
    },
    references: [],
    flatParts: plan.parts
      .filter((p) => plan.flatFelt.includes(p.id) && (p.role === 'ear' || isLeaf(p)))
      .map((p) =>
        beginFlat({
          id: p.id,
          name: p.name,
          // Of leaves that are no ears a pair are wings, a single one is a tail.
          kind: p.role === 'ear' ? 'ear' : p.mirrored ? 'wing' : 'tail feather',
          paired: p.mirrored,
          lotId: n.wools?.coat.id ?? null,
          seat: p.on,
        }),
      ),
    combs: [],
    areas: plan.areas.map((a) => ({
      ...a,
      awayFrom: null,
      evenness: 0,
      branching: false,
      seam: 'none' as const,
      shade: plainShade(),
      coat: plan.short.includes(a.id)
        ? (shortCoat(n.wools?.coat ?? null, n.finishedLengthMm, cupboard, hand) ?? { method: 'none' as const })
        : plan.feathered.includes(a.id)
          ? firstFeathers(cupboard, hand, n)
          : plan.smooth.includes(a.id)
            ? firstFelt(beaked(plan.parts, a.where), cupboard, hand, n)
            : firstCoat(USUAL[a.id], n.finishedLengthMm, cupboard, hand, n.wools?.coat),
    })),
    markings: [],
    things: [],
    smallParts: n.wools ? nose(plan.parts, n.wools.nose) : [],
    face: null,
    // On a flat picture a mistake is covered; on a figure it can be pulled off (common practice).
    correction: plan.parts.some((p) => p.shape === 'board') ? 'cover' : 'take off',
    work: plainWork(),
    known: [],
    log: [],
  };
}
