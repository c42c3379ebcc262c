/** The whole judged: neighbours, small parts, linings, daylights. */
import { describe, expect, it } from 'vitest';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import { cupboard, pineMarten } from '../../../../demo/load';
import { change, plain, plan } from '../../../../demo/plain-marten';
import { lightness } from '@/core/colour/lab';
import { neighboursApart } from './pair-words';

describe('the whole', () => {
  it('neighbours are compared, the nearest first', () => {
    const { pairs } = plan(plain).shade.judged;
    const flanks = pairs.find((p) => p.kind === 'areas' && [p.a.id, p.b.id].sort().join() === 'belly,flanks')!;
    expect(flanks.verdict).toBe('stands apart');
    expect(flanks.borderMm).toBeGreaterThan(60);
    const same = pairs.find((p) => [p.a.id, p.b.id].sort().join() === 'back,flanks')!;
    expect(same.verdict).toBe('same colour');
    for (let i = 1; i < pairs.length; i++) expect(pairs[i]!.contrast).toBeGreaterThanOrEqual(pairs[i - 1]!.contrast);
    for (const p of pairs) expect(p.dusk).toBeLessThanOrEqual(p.contrast + 1e-9);
  });
  it('a nose like its muzzle vanishes and a rim is offered; a nose that clashes with the pads is said', () => {
    const part = (id: string, kind: 'nose' | 'pads', on: string, lotId: string) => ({
      id,
      name: id,
      kind,
      on,
      recipe: [{ lotId, parts: 1 }],
      even: 1,
    });
    const p = plan(
      change(plain, (d) => {
        d.smallParts = [
          part('nose', 'nose', 'muzzle', 'dusk-batt'),
          part('pads', 'pads', 'foreleg', 'kingfisher-blue-top'),
        ];
      }),
    );
    expect(p.findings.map((f) => f.id)).toContain('shade-vanishes-nose');
    expect(p.shade.judged.pairs.find((x) => x.a.id === 'nose')!.rim).not.toBeNull();
    const clash = p.findings.find((f) => f.id === 'shade-clash-nose-pads')!;
    expect(clash.remedies[0]!.changes[0]!.value).toEqual([{ lotId: 'dusk-batt', parts: 1 }]);
    expect(p.shade.judged.palette.find((x) => x.id === 'nose')!.under).toHaveLength(3);
  });
  it('colours get darker and greyer from the window to dusk', () => {
    for (const c of plan(pineMarten).shade.judged.palette) {
      const [day, sky, dusk] = c.under.map((h) => lightness(h)) as [number, number, number];
      expect(day).toBeGreaterThanOrEqual(sky);
      expect(sky).toBeGreaterThanOrEqual(dusk);
    }
  });
});

describe('neighbours in words', () => {
  const of = (...verdicts: ('stands apart' | 'same colour')[]) =>
    neighboursApart(verdicts.map((verdict) => ({ verdict })));
  it('those of one colour do not stand apart, and are not counted as if they did', () => {
    expect(of('stands apart', 'stands apart')).toBe('Every pair of neighbours stands apart.');
    expect(of('same colour', 'same colour')).toBe('All neighbours have the same colour.');
    expect(of('stands apart', 'same colour', 'same colour')).toBe(
      '1 of 3 pairs of neighbours stand apart; the others have the same colour.',
    );
  });
});

describe('small parts', () => {
  const small = (kind: 'eye' | 'nose', on: string, lotId: string) => ({
    id: kind,
    name: kind,
    kind,
    on,
    recipe: [{ lotId, parts: 1 }],
    even: 1,
  });
  it('a nose is judged against the area that has its part', () => {
    const p = change(plain, (d) => void (d.smallParts = [small('nose', 'muzzle', 'umber-top')]));
    expect(plan(p).shade.judged.pairs.find((x) => x.a.id === 'nose')!.b.id).toBe('muzzle');
  });
  it('a wool that is gone stops it, and it is left out of the palette', () => {
    const p = plan(change(plain, (d) => void (d.smallParts = [small('nose', 'muzzle', 'no-such-wool')])));
    expect(p.findings.find((f) => f.id === 'shade-small-missing-nose')!.severity).toBe('stop');
    expect(p.shade.judged.palette.map((x) => x.id)).not.toContain('nose');
  });
  it('two of one family agree', () => {
    const p = plan(
      change(plain, (d) => {
        d.smallParts = [
          small('nose', 'muzzle', 'dusk-batt'),
          { ...small('nose', 'foreleg', 'umber-top'), id: 'pads', kind: 'pads' },
        ];
      }),
    );
    expect(p.shade.judged.agreements).toHaveLength(1);
    expect(p.shade.judged.agreements[0]!.agrees).toBe(true);
    expect(p.findings.map((f) => f.id)).not.toContain('shade-clash-nose-pads');
  });
});

describe('linings', () => {
  const lined = (thicknessMm: number) =>
    change(plain, (d) => {
      // One that stands for no drawn part: its thickness is its own.
      d.flatParts = [
        { ...d.flatParts[0]!, id: 'flap', thicknessMm, liningMm: 0.5, lotId: 'cream-top', liningLotId: 'umber-top' },
      ];
    });
  it('a dark lining changes a thin pale ear and is said; a thick one hides it', () => {
    const id = 'flap';
    const thin = plan(lined(0.8));
    expect(thin.shade.judged.linings[0]!.words).toContain('darker');
    expect(thin.findings.map((f) => f.id)).toContain(`shade-lining-${id}`);
    const thick = plan(lined(8));
    expect(thick.shade.judged.linings[0]!.showsBy).toBeLessThan(thin.shade.judged.linings[0]!.showsBy / 4);
    expect(thick.findings.map((f) => f.id)).not.toContain(`shade-lining-${id}`);
  });
});

describe('a rim', () => {
  it('stands apart from both sides, or there is none', () => {
    for (const p of plan(pineMarten).shade.judged.pairs) {
      expect(p.rim === null || p.verdict === 'vanishes').toBe(true);
      if (!p.rim) continue;
      for (const side of [p.a.hex, p.b.hex]) expect(difference(labOf(p.rim.hex), labOf(side))).toBeGreaterThan(12);
    }
    const greys = { ...cupboard, lots: cupboard.lots.map((l) => ({ ...l, colour: '#6b4426', tipColour: null })) };
    for (const p of plan(pineMarten, greys).shade.judged.pairs) expect(p.rim).toBeNull();
  });
});
