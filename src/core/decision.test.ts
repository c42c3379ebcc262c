/** Marks of decisions: a change of one is seen at the steps it is behind, and at no other. */
import type { Draft } from 'immer';
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../demo/load';
import { change, plan } from '../../demo/plain-marten';
import type { Piece } from '@/core/piece/schema';
import { changedSince, madeBy, markOf } from './decision';

const { steps } = plan(pineMarten).work;

/** Steps that see a change, and what they see. */
function seen(recipe: (d: Draft<Piece>) => void): Record<string, string[]> {
  const next = change(pineMarten, recipe);
  return Object.fromEntries(
    steps.flatMap(({ operation: o }) => {
      const what = changedSince(next, o, madeBy(pineMarten, o));
      return what.length > 0 ? [[o.id, what]] : [];
    }),
  );
}

describe('a change is seen where it matters', () => {
  it('nothing changed, nothing seen; a new name is no change', () => {
    expect(seen(() => undefined)).toEqual({});
    expect(seen((d) => void (d.areas[0]!.name = 'Sides'))).toEqual({});
    expect(seen((d) => void (d.note = 'x'))).toEqual({});
    expect(
      seen((d) => {
        for (const p of [...d.form.parts, ...d.flatParts, ...d.markings, ...d.face!.whiskers]) p.name = `my ${p.name}`;
      }),
    ).toEqual({});
  });
  it('another wool of an area: its cutting and laying, not its trimming', () => {
    const s = seen((d) => {
      const c = d.areas.find((a) => a.id === 'belly')!.coat;
      if (c.method !== 'none') c.lotId = 'fawn-top';
    });
    const was = pineMarten.areas.find((a) => a.id === 'belly')!.coat;
    if (was.method !== 'none' && was.lotId === 'fawn-top') return;
    expect(s).toEqual({ 'cut-belly': ['the wool'], 'lay-belly': ['the wool'] });
  });
  it('longer fur: cut, laid and trimmed otherwise', () => {
    const s = seen((d) => {
      const c = d.areas.find((a) => a.id === 'belly')!.coat;
      if ('lengthMm' in c) c.lengthMm += 3;
    });
    expect(s).toEqual({
      'cut-belly': ['the length of the fur'],
      'lay-belly': ['the way it is laid'],
      'trim-belly': ['the length of the fur'],
    });
  });
  it('larger or smaller: everything that was measured, from the wire on, but not the nose', () => {
    const s = seen((d) => void (d.form.finishedLengthMm += 5));
    expect(s.wire).toContain('the size of the animal');
    expect(s['core-trunk']).toContain('the size of the animal');
    expect(s['lay-flanks']).toContain('the size of the animal');
    expect(s['face-nose']).toBeUndefined();
  });
  it('a thicker leg: the wire and that leg, no other part', () => {
    const s = seen((d) => {
      const p = d.form.parts.find((x) => x.id === 'hindleg')!;
      if (p.shape === 'limb') p.nodes[0]!.radius += 2;
    });
    expect(Object.keys(s).sort()).toEqual(['core-hindleg', 'wire']);
  });
  it('another lid: the lids, not the eyes; another eye: the eyes and not their place', () => {
    expect(Object.keys(seen((d) => void (d.face!.eyes.lids.upper = 0.05)))).toEqual(['face-lids']);
    const eye = seen((d) => void (d.face!.eyes.sizeMm += 1));
    expect(Object.keys(eye).sort()).toEqual(['face-eyes-make', 'face-eyes-seat', 'face-eyes-set']);
    for (const what of Object.values(eye)) expect(what).toEqual(['the eyes']);
  });
  it('the place of either eye: seated, set and lidded otherwise, not made otherwise', () => {
    for (const move of [
      (d: Draft<Piece>) => void (d.face!.eyes.at.up += 0.05),
      (d: Draft<Piece>) => void (d.face!.eyes.other = { ...d.face!.eyes.at, side: 'right' }),
    ]) {
      const s = seen(move);
      expect(Object.keys(s).sort()).toEqual(['face-eyes-seat', 'face-eyes-set', 'face-lids']);
      for (const what of Object.values(s)) expect(what).toEqual(['the place of the eyes']);
    }
  });
  it('another blend of the coat: what is blended, no bag and no border', () => {
    const s = seen((d) => {
      const coat = d.areas.find((a) => a.id === 'flanks')!.shade.layers.find((l) => l.kind === 'coat')!;
      if (coat.kind === 'coat') coat.even = 0.9;
    });
    expect(s).toEqual({ 'blend-flanks': ['the blend'] });
  });
  it('a layer of colour: that layer only', () => {
    const at = pineMarten.areas.findIndex((a) => a.shade.layers.some((l) => l.kind === 'veil'));
    const area = pineMarten.areas[at]!;
    const k = area.shade.layers.findIndex((l) => l.kind === 'veil');
    const s = seen((d) => {
      const l = d.areas[at]!.shade.layers[k]!;
      if (l.kind === 'veil') l.arealMgCm2 += 0.5;
    });
    expect(Object.keys(s)).toEqual([`shade-${area.id}-${area.shade.layers[k]!.id}`]);
  });
});

it('the same value has the same mark, another one another', () => {
  expect(markOf({ a: 1, b: [2, 3] })).toBe(markOf({ a: 1, b: [2, 3] }));
  const marks = new Set(Array.from({ length: 5000 }, (_, i) => markOf({ lengthMm: i / 10, lotId: `lot-${i % 7}` })));
  expect(marks.size).toBe(5000);
  expect(markOf(undefined)).not.toBe(markOf(null));
});
