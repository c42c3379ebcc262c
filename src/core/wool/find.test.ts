/** The one search for a wool, in the demo cupboard. What a maker would take is common practice. */
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { change, plain, plan } from '../../../demo/plain-marten';
import { coatBy, lotFor } from '@/core/coat/compare-ways';
import { WAYS } from '@/core/coat/ways';
import { defaultHand } from '@/core/piece/hand';
import { rimFor } from '@/core/shade/judging/judge';
import { matchFor } from '@/core/shade/matching/ask';
import { findWools, serves } from './find';

const lot = (id: string) => cupboard.lots.find((l) => l.id === id)!;

describe('a wool that serves', () => {
  it('is of a form that does, long enough, fine enough, and there is enough of it', () => {
    const cream = lot('cream-top');
    expect(serves(cream, { stapleMm: cream.stapleMm })).toBe(true);
    expect(serves(cream, { stapleMm: cream.stapleMm + 1 })).toBe(false);
    expect(serves(cream, { grams: cream.haveG + 0.1 })).toBe(false);
    expect(serves(cream, { finenessUm: { most: cream.finenessUm - 0.1 } })).toBe(false);
    expect(serves(cream, { suits: (f) => (f === 'combed top' ? 'badly' : 'well') })).toBe(false);
    expect(serves(cream, { except: ['cream-top'] })).toBe(false);
    expect(serves({ ...cream, haveG: 0 }, {})).toBe(false);
  });
  it('is the nearest in colour, by hue and not by lightness alone', () => {
    const found = findWools(cupboard.lots, { near: lot('cream-top').colour, except: ['cream-top'] }).map((l) => l.id);
    expect(found[0]).toBe('suri-locks');
    // As light as stone grey, but blue.
    expect(found.indexOf('turquoise-top')).toBeGreaterThan(found.indexOf('fawn-top'));
  });
});

describe('wools proposed', () => {
  it('for another way of laying are of the colour of the area', () => {
    for (const way of WAYS) {
      const taken = lotFor(way.method, lot('cream-top'), cupboard, 0);
      expect(['turquoise-top', 'kingfisher-blue-top', 'blue-batt'], way.method).not.toContain(taken.id);
    }
  });
  it('for a rim are quiet ones that stand apart from both: no bright blue between rust and cream', () => {
    const rim = rimFor(lot('rust-top').colour, lot('cream-top').colour, cupboard)!;
    expect(['kingfisher-blue-top', 'turquoise-top', 'blue-batt']).not.toContain(rim.lotId);
  });
  it('for a veil are thin and never the core’s', () => {
    const steps = matchFor(
      { target: '#b9a98f', parts: 8, areaId: 'flanks' },
      cupboard,
      defaultHand,
      plain,
      plan(plain),
    );
    let at = steps.next();
    while (!at.done) at = steps.next();
    expect(at.value.veils.length).toBeGreaterThan(0);
    for (const v of at.value.veils) for (const r of v.recipe) expect(r.lotId).not.toBe('core-batt');
  });
});

describe('another way of laying', () => {
  const at = pineMarten.areas.findIndex((a) => a.id === 'flanks');
  it('keeps the length that was set', () => {
    for (const lengthMm of [9, 27, 60]) {
      const piece = change(pineMarten, (d) => {
        const { coat } = d.areas[at]!;
        if ('lengthMm' in coat) coat.lengthMm = lengthMm;
      });
      for (const method of ['standing', 'locks', 'bows'] as const) {
        const coat = coatBy(method, piece, at, cupboard, defaultHand)!;
        expect('lengthMm' in coat ? coat.lengthMm : null, method).toBe(lengthMm);
      }
    }
  });
});
