/** An area under several ways of laying side by side: wool, cost, time, cover, waste, loft. */
import type { FormWork } from '@/core/form/form';
import type { Memo } from '@/core/memo';
import type { Figure } from '@/core/method/define';
import type { Laid } from '@/core/piece/coat';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import type { Piece } from '@/core/piece/schema';
import { layArea } from './lay-area';
import type { ShapedAreas } from './coat-plan';
import type { Pile } from '@/core/coat/picture/pile';
import type { Suit } from './way';
import { wayOf, WAYS } from './ways';
import { findWools } from '@/core/wool/find';

export interface Compared {
  readonly coat: Laid;
  readonly title: string;
  readonly lotName: string;
  readonly mass: Figure;
  /** Of all wool it draws on; null where a price is missing. */
  readonly cost: number | null;
  readonly minutes: Figure;
  readonly cover: Figure;
  readonly slant: Figure;
  readonly waste: Figure;
  readonly loft: Figure;
  readonly areal: Figure;
  readonly suit: Suit;
  readonly stops: number;
  readonly cautions: number;
  readonly pile: Pile;
  readonly spacingMm: number;
}

/**
 * The wool in use where it serves, else the one in the cupboard that does and is nearest to it in colour.
 * @param grams how much of it is wanted
 */
export function lotFor(method: Laid['method'], now: Lot, cupboard: Cupboard, grams: number): Lot {
  const suits = (form: Lot['form']) => wayOf(method).suits[form].suits;
  if (suits(now.form) !== 'badly') return now;
  return findWools(cupboard.lots, { near: now.colour, suits, grams })[0] ?? now;
}

/** Lift where the way in use has none of its own, degrees. Ours. */
const USUAL_LIFT = 20;

/** A first spec of a way for an area that has a coat already: as long, as lifted, from the same wool where it serves. */
export function coatBy(
  method: Laid['method'],
  piece: Piece,
  index: number,
  cupboard: Cupboard,
  hand: Hand,
): Laid | null {
  const area = piece.areas[index]!;
  const now = area.coat;
  if (now.method === method) return now;
  const held = now.method === 'none' ? undefined : cupboard.lots.find((l) => l.id === now.lotId);
  const lot = held ?? cupboard.lots.find((l) => l.haveG > 0) ?? cupboard.lots[0];
  if (!lot) return null;
  return wayOf(method).begin({
    lot: lotFor(method, lot, cupboard, 0),
    cupboard,
    hand,
    finishedLengthMm: piece.form.finishedLengthMm,
    now:
      'lengthMm' in now
        ? {
            lengthMm: now.lengthMm,
            liftDeg: 'liftDeg' in now ? now.liftDeg : USUAL_LIFT,
            arealMgCm2: 'layMgCm' in now ? (now.layMgCm / now.spacingMm) * 10 : 10,
          }
        : null,
  });
}

export function compareWays(
  piece: Piece,
  index: number,
  methods: readonly Laid['method'][],
  cupboard: Cupboard,
  hand: HandAtWork,
  shaped: Pick<ShapedAreas, 'shapes' | 'overhangs'>,
  form: FormWork,
  memo: Memo,
): Compared[] {
  return WAYS.filter((w) => methods.includes(w.method)).flatMap((way): Compared[] => {
    const coat = coatBy(way.method, piece, index, cupboard, hand);
    const laid = coat && layArea(piece, index, coat, cupboard, hand, shaped, form.body, memo);
    if (!coat || !laid) return [];
    const { lay, context } = laid;
    let cost: number | null = 0;
    for (const d of lay.draws) {
      const price = cupboard.lots.find((l) => l.id === d.lotId)?.pricePer100g ?? null;
      cost = cost === null || price === null ? null : cost + (d.massG * price) / 100;
    }
    const { mass, minutes, cover, slant, waste, loft, areal } = lay.figures;
    return [
      {
        coat,
        title: way.title,
        lotName: context.lot.name,
        mass,
        cost,
        minutes,
        cover,
        slant,
        waste,
        loft,
        areal,
        suit: way.suits[context.lot.form],
        stops: lay.findings.filter((f) => f.severity === 'stop').length,
        cautions: lay.findings.filter((f) => f.severity === 'caution').length,
        pile: lay.pile,
        spacingMm: lay.rows.meanSpacingMm,
      },
    ];
  });
}
