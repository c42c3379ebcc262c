/** The whole judged: neighbours, small parts, linings, daylights. */
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../../demo/load';
import { change, plain, plan } from '../../../demo/plain-marten';
import { lightness } from '@/core/colour/lab';

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
