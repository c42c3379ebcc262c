import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { FacePhoto } from '@/core/piece/face';
import { eyeInPhoto } from '@/core/face/eyes/eye-in-photo';
import { fitPhoto, type PinOn, type Pt } from './photo-fit';

const chart: [string, Pt][] = [
  ['nose', [0, 0]],
  ['eye-left', [8, 9]],
  ['eye-right', [-8, 9]],
  ['chin', [0, -7]],
];

describe('a photograph laid on the chart', () => {
  it('finds turn, scale and place again whatever they were', () => {
    const n = fc.double({ min: -20, max: 20, noNaN: true });
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 200, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        n,
        n,
        (k, turn, x, y) => {
          const a = (turn * Math.PI) / 180;
          // From the chart back to the picture: the inverse of the similarity.
          const back = ([u, v]: Pt): Pt => {
            const [p, q] = [(u - x) / k, (v - y) / k];
            return [p * Math.cos(a) + q * Math.sin(a), -p * Math.sin(a) + q * Math.cos(a)];
          };
          const fit = fitPhoto(chart.map(([mark, at]): PinOn => ({ mark, chart: at, picture: back(at) })))!;
          expect(fit.mmPerWidth).toBeCloseTo(k, 5);
          expect(fit.turnDeg).toBeCloseTo(turn, 5);
          expect(fit.corner[0]).toBeCloseTo(x, 5);
          expect(fit.corner[1]).toBeCloseTo(y, 5);
          for (const o of fit.off) expect(Math.hypot(...o.offMm)).toBeLessThan(1e-6);
        },
      ),
    );
  });
  it('the differences that stay add up to nothing', () => {
    const pins = chart.map(([mark, at], i): PinOn => ({
      mark,
      chart: at,
      picture: [at[0] / 40 + 0.01 * i, at[1] / 40 - 0.006 * i * i],
    }));
    const fit = fitPhoto(pins)!;
    expect(fit.off.reduce((s, o) => s + o.offMm[0], 0)).toBeCloseTo(0, 9);
    expect(fit.off.reduce((s, o) => s + o.offMm[1], 0)).toBeCloseTo(0, 9);
  });
  it('needs two pins apart', () => {
    expect(fitPhoto([{ mark: 'nose', chart: [0, 0], picture: [0.5, 0.5] }])).toBeNull();
    expect(
      fitPhoto([
        { mark: 'nose', chart: [0, 0], picture: [0.5, 0.5] },
        { mark: 'chin', chart: [0, -7], picture: [0.5, 0.5] },
      ]),
    ).toBeNull();
  });
});

describe('the eye of a photograph', () => {
  const photo = (pins: FacePhoto['pins']): FacePhoto => ({
    id: 'p',
    name: 'p',
    of: 'animal',
    side: 'front',
    aspect: 2,
    strength: 1,
    pins,
  });
  it('is as large on the piece as its share of the head says, whatever the shape of the picture', () => {
    const size = eyeInPhoto(
      photo([
        { mark: 'edge-a', at: [0.5, 0.2] },
        // A fifth of the height of a picture twice as wide as high is a tenth of its width.
        { mark: 'edge-b', at: [0.5, 0.4] },
        { mark: 'head-a', at: [0.1, 0.5] },
        { mark: 'head-b', at: [0.9, 0.5] },
      ]),
      24,
    )!;
    expect(size.value).toBeCloseTo((24 * 0.1) / 0.8, 9);
  });
  it('is not known until all four edges are pinned apart', () => {
    expect(eyeInPhoto(photo([{ mark: 'edge-a', at: [0.5, 0.2] }]), 24)).toBeNull();
  });
});
