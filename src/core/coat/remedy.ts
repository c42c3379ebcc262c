/** Findings of an area with their remedies: one change of its spec, and what that does to wool, time and cover. */
import type { Laid } from '@/core/piece/coat';
import type { Finding, PieceChange, Remedy } from '@/core/stage';
import { grams, minutes, say, share, type Quantity, type Text } from '@/core/text';
import type { LayContext, Spec } from './way';

/** A change in words: what is more, what is less, and nothing where a maker could not tell the difference. */
export function change(x: number, least: number, of: (v: number) => Quantity, same: string): Text {
  if (Math.abs(x) < least) return [same];
  return x < 0 ? say`−${of(-x)}` : say`+${of(x)}`;
}

/** A remedy that changes the spec of this area, with its effect on wool, time and cover. */
export function remedyOf<C extends Laid>(c: LayContext<C>, label: Text, set: Partial<C>): Remedy {
  const spec = { ...c.spec, ...set } as C;
  const lot = c.cupboard.lots.find((l) => l.id === spec.lotId) ?? c.lot;
  const own: Spec = { spec: c.spec, lot: c.lot, hand: c.hand, habit: c.habit, rise: c.rise };
  const next: Spec = lot === c.lot ? { ...own, spec } : { spec, ...c.withLot(lot) };
  const way = c.wayOf(spec.method);
  const [was, is] = [way.look(own), way.look(next)];
  const cm2 = c.shape.patch.areaMm2 / 100;
  return {
    label,
    effect: say`${change(((is.takesMgCm2 - was.takesMgCm2) * cm2) / 1000, 0.05, grams, 'about the same wool')}, ${change((is.minutesCm2 - was.minutesCm2) * cm2, 1, minutes, 'no more time')}, base hidden ${share(is.cover.value)}`,
    changes: Object.entries(set).map(([key, value]): PieceChange => ({
      path: ['areas', c.areaIndex, 'coat', key],
      value,
    })),
  };
}

/** A remedy that changes the area itself: its seam, its spacing, where its fur points. */
export const areaRemedy = (c: LayContext, label: Text, effect: Text, key: string, value: unknown): Remedy => ({
  label,
  effect,
  changes: [{ path: ['areas', c.areaIndex, key], value }],
});

export const findingOf = (
  c: LayContext,
  id: string,
  severity: Finding['severity'],
  says: Text,
  why: Text,
  remedies: readonly Remedy[] = [],
): Finding => ({ id: `coat-${id}-${c.area.id}`, stage: 'coat', severity, about: c.area.id, says, why, remedies });
