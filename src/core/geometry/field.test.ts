/** What is left out of a field for being too far off changes nothing of it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, kingfisher, pineMarten } from '../../../demo/load';
import { makeBody } from '@/core/form/body';
import { fieldValue, partDistance, type FieldPart } from './field';
import { noNearerThan, smoothMin, solidDistance } from './shapes';

const bodies = [pineMarten, alpacaCria, kingfisher, brownHare].map((p) => makeBody(p.form));
const solids = bodies.flatMap((b) => b.field.parts.flatMap((p) => [...p.solids, ...(p.twin ?? [])]));
const spread = fc.double({ min: -260, max: 260, noNaN: true });
const place = fc.tuple(spread, spread, spread);

/** Every solid looked at, as a field is defined. */
function plainly(p: FieldPart, x: number, y: number, z: number): number {
  const all = (list: FieldPart['solids'], sx: number) =>
    list.reduce((d, s) => smoothMin(d, solidDistance(s, sx, y, z), p.innerBlend), Infinity);
  const d = all(p.solids, x);
  if (p.twin) return smoothMin(d, all(p.twin, x), p.innerBlend);
  return p.mirrored ? smoothMin(d, all(p.solids, -x), p.innerBlend) : d;
}

describe('a field', () => {
  it('no solid is nearer than the ball that holds it says', () => {
    fc.assert(
      fc.property(fc.constantFrom(...solids), place, (s, [x, y, z]) => {
        expect(noNearerThan(s, x, y, z)).toBeLessThanOrEqual(solidDistance(s, x, y, z) + 1e-9);
      }),
      { numRuns: 2000 },
    );
  });

  it('is the same to the last bit as with every solid looked at', () => {
    fc.assert(
      fc.property(fc.constantFrom(...bodies), place, (b, [x, y, z]) => {
        const all = b.field.parts.map((_, i) => i);
        let d = Infinity;
        for (const p of b.field.parts) d = smoothMin(d, plainly(p, x, y, z), p.blend);
        if (b.field.cutX !== null) d = Math.max(d, b.field.cutX - x);
        expect(fieldValue(b.field, all, x, y, z)).toBe(d);
      }),
      { numRuns: 1500 },
    );
  });

  it('a part looked for no further than is enough: as far off as it is, or beyond that', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...bodies.flatMap((b) => b.field.parts)),
        place,
        fc.double({ min: -20, max: 200, noNaN: true }),
        (p, [x, y, z], enough) => {
          const whole = plainly(p, x, y, z);
          const looked = partDistance(p, x, y, z, enough);
          if (whole < enough) expect(looked).toBe(whole);
          else expect(looked).toBeGreaterThanOrEqual(enough);
        },
      ),
      { numRuns: 1500 },
    );
  });
});
