/** One area laid by a way of laying, from its wool or its blend, with what is known of the wool and of the areas below it. */
import type { Memo } from '@/core/memo';
import type { Laid } from '@/core/piece/coat';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { HandAtWork } from '@/core/rates/hand-at-work';
import type { Area, Piece } from '@/core/piece/schema';
import type { PieceChange } from '@/core/stage';
import { say } from '@/core/text';
import { laidWool, type LaidWool } from '@/core/wool/laid-wool';
import { swapIn } from '@/core/wool/recipe';
import { longerOf, lyingOf, stoppedBy } from './rows/lying';
import { blendOf } from './blend-of';
import { splitOver } from './blended';
import type { ShapedAreas } from './coat-plan';
import { asLearnt, knowing, knownOf, learntTogether, taughtOf } from './learnt';
import type { Lay, LayContext } from './way';
import { wayOf } from './ways';

/** An area laid as a coat says; null where its wool is not in the cupboard. */
export function layArea(
  piece: Piece,
  index: number,
  coat: Laid,
  cupboard: Cupboard,
  hand: HandAtWork,
  shaped: Pick<ShapedAreas, 'shapes' | 'overhangs'>,
  body: LayContext['body'],
  memo: Memo,
): { lay: Lay; context: LayContext; wool: LaidWool; swatches: number } | null {
  const area = piece.areas[index]!;
  const shape = shaped.shapes[index];
  const own = cupboard.lots.find((l) => l.id === coat.lotId);
  if (!shape || !own) return null;
  const wool = laidWool(own, blendOf(area), cupboard, hand);
  const { lot } = wool;
  const learnt = learntTogether(cupboard, wool, hand);
  const taught = taughtOf(hand, coat.method, knownOf(learnt, hand));
  const context: LayContext = {
    area,
    areaIndex: index,
    lying: lyingOf(piece.log, area.id),
    longer: longerOf(piece.log, area.id),
    stopsAt: stoppedBy(piece.log, area.id)?.up ?? null,
    spec: coat,
    lot,
    cupboard,
    hand: learnt.hand,
    habit: learnt.habit * taught.wool,
    rise: learnt.rise * taught.loft,
    known: taught.known,
    withLot: (l) => asLearnt(cupboard, l, hand, taught),
    parts: wool.parts,
    instead: insteadIn(area, index),
    wayOf,
    shape,
    body,
    under: shaped.overhangs
      .filter((o) => o.over === index && piece.areas[o.under]!.coat.method !== 'none')
      .map((o) => ({
        areaId: piece.areas[o.under]!.id,
        why: say`The fur of ${area.name} hangs over ${piece.areas[o.under]!.name}.`,
        strength: o.strengthMm,
      })),
    keep: (slot, from, make) => memo.keep(`${slot}:${area.id}`, from, make),
  };
  const lay = splitOver(wayOf(coat.method).lay(context), wool, context);
  return { lay: knowing(lay, taught.known), context, wool, swatches: learnt.swatches };
}

/** Putting another wool in place of one the area is laid from: in its blend where it has one. */
const insteadIn =
  (area: Area, index: number) =>
  (of: Lot, other: Lot): PieceChange[] => {
    const at = area.shade.layers.findIndex((l) => l.kind === 'coat');
    const blend = blendOf(area);
    return blend && blend.recipe.length > 1
      ? [{ path: ['areas', index, 'shade', 'layers', at, 'blend'], value: swapIn(blend.recipe, of.id, other.id) }]
      : [{ path: ['areas', index, 'coat', 'lotId'], value: other.id }];
  };
