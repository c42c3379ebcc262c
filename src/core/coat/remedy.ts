/** Findings of an area with their remedies: one change of its spec, and what that does to wool, time and cover. */
import { ref } from '@/core/ref';
import type { CoatCode } from '@/core/finding-codes';
import type { Laid } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
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
  // Another wool only where the remedy names one: a blend goes by none of its own.
  const lot = set.lotId === undefined ? c.lot : (c.cupboard.lots.find((l) => l.id === set.lotId) ?? c.lot);
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

/** A remedy that lays another wool in place of one of those the area is laid from. */
export function woolRemedy(c: LayContext, label: Text, of: Lot, other: Lot): Remedy {
  if (c.parts.length < 2) return remedyOf(c, label, { lotId: other.id });
  return { label, effect: say`in the blend in place of ${of.name}; its colour changes`, changes: c.instead(of, other) };
}

/** A remedy that changes the area itself: its seam, its spacing, where its fur points. */
export const areaRemedy = (c: LayContext, label: Text, effect: Text, key: string, value: unknown): Remedy => ({
  label,
  effect,
  changes: [{ path: ['areas', c.areaIndex, key], value }],
});

export const findingOf = (
  c: LayContext,
  what: CoatCode,
  severity: Finding['severity'],
  says: Text,
  why: Text,
  remedies: readonly Remedy[] = [],
): Finding => ({
  id: `coat-${what}-${c.area.id}`,
  code: `coat-${what}`,
  stage: 'coat',
  severity,
  about: ref('area', c.area.id),
  says,
  why,
  remedies,
});
