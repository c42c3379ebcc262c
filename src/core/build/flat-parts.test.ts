import { describe, expect, it } from 'vitest';
import { cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { defaultHand as hand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import type { FlatPart, Piece } from '@/core/piece/schema';
import { FLAT_OUTLINES } from '@/core/form/begin-flat';
import { enclosed, feltMass, patternScale, planFlatParts, smoothOutline } from './flat-parts';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';

const atWork = handAtWork(hand, NO_PIECE);
// One that stands for no drawn part: its outline and thickness are its own.
const withPart = (change: Partial<FlatPart>): Piece => ({
  ...pineMarten,
  flatParts: [{ ...pineMarten.flatParts[0]!, id: 'flap', ...change }],
});
const planned = (change: Partial<FlatPart> = {}) => planFlatParts({ piece: withPart(change), cupboard, hand: atWork });

describe('a flat felt part', () => {
  it('its smooth outline goes through every drawn point and encloses what it should', () => {
    // Sixteen points on a circle of 100: a closed Catmull-Rom line through them is the circle within 0.3 %.
    const circle = Array.from({ length: 16 }, (_, i): [number, number] => [
      100 * Math.cos((Math.PI * i) / 8),
      100 * Math.sin((Math.PI * i) / 8),
    ]);
    const line = smoothOutline(circle, 0.5);
    circle.forEach(([x, y], i) => {
      expect(line[2 * 8 * i]).toBeCloseTo(x / 2, 9);
      expect(line[2 * 8 * i + 1]).toBeCloseTo(y / 2, 9);
    });
    expect(Math.abs(enclosed(line) / (Math.PI * 50 ** 2) - 1)).toBeLessThan(3e-3);
  });

  it('grows with the animal, and weighs its area times thickness times density', () => {
    const small = planned().result[0]!;
    const large = planFlatParts({
      piece: { ...withPart({}), form: { ...pineMarten.form, finishedLengthMm: 370 } },
      cupboard,
      hand: atWork,
    }).result[0]!;
    expect(large.areaMm2 / small.areaMm2).toBeCloseTo(4, 9);
    // 10 cm2, 2 mm thick at 0.15 g/cm3 is 0.3 g.
    expect(feltMass.of({ area: 1000, thick: 2, density: 150 })).toBeCloseTo(0.3, 12);
    expect(small.layerG * 3).toBeCloseTo(small.mass.value + small.liningMass!.value, 12);
  });

  it('its pattern is as much larger as felting shrinks it', () => {
    expect(patternScale.of({ shrink: 0.2 })).toBeCloseTo(1.25, 12);
    expect(patternScale.of({ shrink: 0 })).toBe(1);
    const p = planned({ shrinkShare: 0.2 }).result[0]!;
    const cut = enclosed(Float64Array.from(p.outline, (x) => x * p.pattern.value));
    // Felted in to 0.8 of its length it is the finished outline again.
    expect(cut * 0.8 ** 2).toBeCloseTo(p.areaMm2, 9);
  });

  // Common practice: deep enough to catch, not so thin that the colour of a lining comes out of the other side.
  it('a lining under too little felt shows through, and the thickness said hides it', () => {
    expect(planned({ thicknessMm: 2 }).findings).toEqual([]);
    const thin = planned({ thicknessMm: 0.9, liningMm: 0.8 });
    expect(thin.result[0]!.through!.value).toBeGreaterThan(0.1);
    const f = thin.findings[0]!;
    expect(f.id).toBe('form-through-flap');
    const { path, value } = f.remedies[0]!.changes[0]!;
    expect(path).toEqual(['flatParts', 0, 'thicknessMm']);
    expect(planned({ thicknessMm: value as number, liningMm: 0.8 }).findings).toEqual([]);
    // A tenth less would not have done.
    expect(planned({ thicknessMm: (value as number) - 0.1, liningMm: 0.8 }).findings.length).toBe(1);
    // Without a lining there is nothing to show.
    expect(planned({ thicknessMm: 0.9, liningLotId: null }).result[0]!.through).toBeNull();
  });

  it('pairs are asked for as two, and every first outline makes a sound part', () => {
    expect(planFlatParts({ piece: kingfisher, cupboard, hand: atWork }).result[0]!.count).toBe(2);
    for (const kind of Object.keys(FLAT_OUTLINES) as FlatPart['kind'][]) {
      const piece = withPart({ kind, outline: FLAT_OUTLINES[kind].map(([x, y]) => [x, y] as [number, number]) });
      expect(readPiece(structuredClone(piece)).ok).toBe(true);
      expect(planFlatParts({ piece, cupboard, hand: atWork }).result[0]!.areaMm2).toBeGreaterThan(1);
    }
  });
});
