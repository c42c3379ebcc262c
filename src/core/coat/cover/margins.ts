/**
 * The other way round, for every way of laying: how far the rows may be moved apart, how little wool, how short a fur
 * still covers well. What lies between these and the spec is the maker's margin. Lengths mm, masses in the unit of the
 * field they belong to.
 */
import type { QuantityKind } from '@/core/text';
import { WELL } from './cover';
import { edgeOf } from './enough';
import { withMeasure, type Spec, type Way } from '@/core/coat/way';

export interface Margin {
  readonly key: string;
  readonly what: string;
  readonly kind: QuantityKind;
  /** The limit that still covers; null where none does. */
  readonly limit: number | null;
  readonly now: number;
  /** Whether the limit is the most or the least the value may be. */
  readonly bound: 'at most' | 'at least';
  readonly weight: boolean;
}

export function marginsOf(way: Way, s: Spec): Margin[] {
  return way.margins.map((r): Margin => {
    const ok = (value: number) => {
      const spec = withMeasure(way, s.spec, r.key, value);
      return (way.rootsHidden?.(spec) ?? true) && way.look({ ...s, spec }).cover.value >= WELL;
    };
    return {
      key: r.key,
      weight: r.weight === true,
      what: r.what,
      kind: r.kind,
      limit: edgeOf(r.least, r.most, r.step, ok, r.want),
      now: (s.spec as unknown as Record<string, number>)[r.key]!,
      bound: r.want === 'largest' ? 'at most' : 'at least',
    };
  });
}
