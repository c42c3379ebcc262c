/** A new piece from a body plan and a finished size, with a first coat that already covers well from the wool at hand. */
import { foldOver } from '@/core/coat/techniques/fold-over/fold-over';
import type { FirstShares } from '@/core/coat/way';
import type { FirstWools } from '@/core/first-wools';
import { bodyPlan } from '@/core/form/plans/plans';
import type { Coat } from '@/core/piece/coat';
import { plainShade, type SmallPart } from '@/core/piece/shade';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import { plainWork } from '@/core/piece/work';
import { PIECE_KIND, PIECE_SCHEMA, type Part, type Piece } from '@/core/piece/schema';

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

/** The nose in its wool, on the part that carries it; none on a board. */
function nose(parts: readonly Part[], lot: Lot): SmallPart[] {
  const of = (role: Part['role']) => parts.find((p) => p.role === role);
  const beak = of('beak');
  const on = beak ?? of('muzzle') ?? of('head');
  if (!on) return [];
  return [
    {
      id: 'nose',
      name: beak ? 'Beak' : 'Nose',
      kind: beak ? 'beak' : 'nose',
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
      under: [],
      weight: null,
    },
    frame: {
      kind: plan.parts.some((p) => p.shape === 'board') ? 'none' : 'one wire',
      head: true,
      tail: true,
      wireId: null,
      turnedMm: 10,
      wasteShare: 0.05,
    },
    references: [],
    flatParts: [],
    combs: [],
    areas: plan.areas.map((a) => ({
      ...a,
      awayFrom: null,
      evenness: 0,
      branching: false,
      seam: 'none' as const,
      shade: plainShade(),
      coat: plan.bare.includes(a.id)
        ? { method: 'none' as const }
        : firstCoat(USUAL[a.id], n.finishedLengthMm, cupboard, hand, n.wools?.coat),
    })),
    markings: [],
    smallParts: n.wools ? nose(plan.parts, n.wools.nose) : [],
    face: null,
    // On a flat picture a mistake is covered; on a figure it can be pulled off (common practice).
    correction: plan.parts.some((p) => p.shape === 'board') ? 'cover' : 'take off',
    work: plainWork(),
    known: [],
    log: [],
  };
}
