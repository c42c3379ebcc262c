/** A new piece from a body plan and a finished size, with a first coat that already covers well from the wool at hand. */
import { coversWell, LEAST_OVERLAP } from '@/core/coat/cover';
import { thinnestLay } from '@/core/coat/enough';
import { furLayOf } from '@/core/coat/fold-over';
import { longestLength } from '@/core/coat/fold-over-findings';
import { bodyPlan } from '@/core/form/plans/plans';
import type { Cupboard, Lot } from './cupboard';
import type { Hand } from './hand';
import { PIECE_KIND, PIECE_SCHEMA, type Coat, type FoldOver, type Piece } from './schema';

export interface NewPiece {
  readonly id: string;
  readonly name: string;
  /** Body plan it begins from. */
  readonly plan: string;
  readonly finishedLengthMm: number;
  readonly lifeLengthMm: number;
  readonly seed: number;
}

/** First values of an area as shares of the finished length; short on head and legs. Ours. */
const FIRST: Readonly<Record<string, { length: number; spacing: number; lift: number }>> = {
  legs: { length: 0.045, spacing: 0.016, lift: 20 },
  head: { length: 0.035, spacing: 0.013, lift: 15 },
  cheek: { length: 0.045, spacing: 0.014, lift: 25 },
  brow: { length: 0.028, spacing: 0.011, lift: 15 },
  tail: { length: 0.085, spacing: 0.032, lift: 30 },
};
const USUAL = { length: 0.075, spacing: 0.019, lift: 20 };

const half = (x: number, lo: number, hi: number) => Math.min(hi, Math.max(lo, Math.round(2 * x) / 2));

/** A fold-over coat for a new area, thick enough to cover; none when the cupboard holds no wool. */
export function firstCoat(areaId: string, lengthMm: number, lots: readonly Lot[], hand: Hand): Coat {
  const lot = lots.find((l) => l.form === 'combed top' && l.haveG > 0) ?? lots[0];
  if (!lot) return { method: 'none' };
  const f = FIRST[areaId] ?? USUAL;
  const pinch = half(lengthMm * 0.04, 2, 20);
  const length = Math.min(
    half(f.length * lengthMm, 3, 200),
    Math.max(3, Math.floor(2 * longestLength(lot.stapleMm, hand)) / 2),
  );
  // Never so far apart that a root is under fewer than two rows, however short the staple keeps the fur.
  const widest = Math.floor(length * Math.cos((f.lift * Math.PI) / 180)) / LEAST_OVERLAP;
  const spec: FoldOver = {
    method: 'fold-over',
    lotId: lot.id,
    lengthMm: length,
    spacingMm: Math.min(half(f.spacing * lengthMm, 1, 60), widest),
    liftDeg: f.lift,
    layMgCm: 5,
    pinchWidthMm: pinch,
    pinchPitchMm: pinch,
  };
  const lay = furLayOf(spec, lot, hand);
  const least = coversWell(lay) ? null : thinnestLay(lay);
  return { ...spec, layMgCm: least ?? spec.layMgCm };
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
      lotId: null,
      soft: plan.flatFelt.map((part) => ({ part, firmness: 'flat felt' as const })),
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
    areas: plan.areas.map((a) => ({
      ...a,
      coat: plan.bare.includes(a.id)
        ? { method: 'none' as const }
        : firstCoat(a.id, n.finishedLengthMm, cupboard.lots, hand),
    })),
    log: [],
  };
}
