import { describe, expect, it } from 'vitest';
import type { Brows, Eyes } from '@/core/piece/face';
import { expression } from './expression';

// Which look comes of what: common practice (makers' rules of thumb).
const eye = (more: Partial<Eyes['lids']> = {}, slantDeg = 0) => ({
  sizeMm: 5,
  slantDeg,
  gazeUpDeg: 0,
  lids: { upper: 0.15, lower: 0.05, innerMm: 0, outerMm: 0, darkMm: 0.5, lotId: null, ...more },
});
const brow = (more: Partial<Brows> = {}): Brows => ({
  lengthMm: 8,
  aboveMm: 2,
  inMm: 1,
  outMm: 0.4,
  archMm: 1,
  tiltDeg: 0,
  lotId: null,
  ...more,
});

describe('what a face says', () => {
  it('a straight brow that comes down inside looks cross, more the steeper', () => {
    const look = expression(eye(), brow({ archMm: 0, tiltDeg: 18 }));
    expect(look.says).toBe('cross');
    expect(look.scores.cross).toBeGreaterThan(expression(eye(), brow({ archMm: 0, tiltDeg: 6 })).scores.cross);
    expect(look.because).toContain('the brow comes down inside');
  });
  it('an arched brow over a wide eye looks curious', () => {
    expect(expression(eye({ upper: 0.02 }), brow({ archMm: 2 })).says).toBe('curious');
    expect(expression(eye(), brow({ archMm: 0 })).scores.curious).toBeLessThan(
      expression(eye(), brow({ archMm: 2 })).scores.curious,
    );
  });
  it('a lid far down looks sleepy', () => {
    expect(expression(eye({ upper: 0.5 }), null).says).toBe('sleepy');
    expect(expression(eye({ upper: 0.1 }), null).scores.sleepy).toBe(0);
  });
  it('the inner corner up and the outer one down look gentle', () => {
    expect(expression(eye({ innerMm: 0.4, outerMm: 0.4 }), null).says).toBe('gentle');
    expect(expression(eye({ innerMm: -0.4, outerMm: -0.4 }), null).scores.gentle).toBe(0);
  });
  it('without any of it the face is calm', () => {
    expect(expression(eye(), null).says).toBe('calm');
  });
  it('scores stay between nothing and all', () => {
    for (const upper of [0, 0.5, 1])
      for (const tiltDeg of [-60, 0, 60])
        for (const innerMm of [-10, 0, 10]) {
          const s = expression(eye({ upper, innerMm }), brow({ tiltDeg })).scores;
          for (const x of Object.values(s)) {
            expect(x).toBeGreaterThanOrEqual(0);
            expect(x).toBeLessThanOrEqual(1);
          }
        }
  });
});
