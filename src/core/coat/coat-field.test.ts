import { describe, expect, it } from 'vitest';
import { cupboard } from '../../../demo/load';
import { WAYS } from '@/core/coat/ways';
import { coatSchema } from '@/core/piece/coat';
import { defaultHand as hand } from '@/core/piece/hand';
import { boundsOf } from './coat-field';

describe('the measures of every way of laying', () => {
  it.each(WAYS.map((w) => [w.title, w] as const))(
    '%s: each is a number of its spec, slides within its range',
    (_n, way) => {
      const lot = cupboard.lots.find((l) => way.suits[l.form].suits === 'well')!;
      const coat = way.begin({ lot, cupboard, hand, finishedLengthMm: 180, now: null });
      const { fields } = way;
      expect(fields.length).toBeGreaterThan(1);
      expect(new Set(fields.map((f) => f.label)).size).toBe(fields.length);
      for (const f of fields) {
        expect(typeof (coat as unknown as Record<string, unknown>)[f.key], f.key).toBe('number');
        const { min, max } = boundsOf(way.method, f.key);
        expect(max, f.key).toBeGreaterThan(min);
        expect(max, f.key).toBeLessThan(1e6);
        expect(f.slide.min, f.key).toBeGreaterThanOrEqual(min);
        expect(f.slide.max, f.key).toBeLessThanOrEqual(max);
        // What lies outside the range is refused, with the range in words.
        const bad = coatSchema.safeParse({ ...coat, [f.key]: max + 1 });
        expect(bad.success, f.key).toBe(false);
        expect(bad.error!.issues[0]!.message).toMatch(/must be between/);
      }
      // Every number of the spec that a maker decides has its measure.
      const shown = new Set(fields.map((f) => f.key));
      const hidden = Object.entries(coat)
        .filter(([k, v]) => typeof v === 'number' && !shown.has(k))
        .map(([k]) => k);
      expect(hidden).toEqual([]);
    },
  );

  it('knows the range of a measure that may be left out', () => {
    expect(boundsOf('fold-over', 'topLengthMm')).toEqual({ min: 3, max: 200 });
  });
});
