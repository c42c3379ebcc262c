import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, cupboard, pineMarten } from '../../../../demo/load';
import { faceOf } from '../../../../demo/plain-face';
import type { Piece } from '@/core/piece/schema';
import { eyeColours, eyeShapes } from './eye-drawing';
import { faceDrawing, onEye } from './face-drawing';
import { onChart, type ChartSide } from '@/core/face/face-edits';
import { directionIntoHead, intoHead } from '@/core/face/head/head';
import { norm, sub } from '@/core/geometry/vec';

const drawn = (p: Piece, side: ChartSide, more = {}) => {
  const f = faceOf(p);
  const c = eyeColours(p.face!.eyes, cupboard, '#888888');
  return faceDrawing(f, p.face!, side, {
    eyes: f.eyes.ladder.eyes.map((e) => eyeShapes(p.face!.eyes, f.eyes.ladder, e, f.eyes.discMm, c)),
    noseHex: '#000000',
    browHex: '#000000',
    whiskers: true,
    threads: false,
    stems: true,
    clear: true,
    ...more,
  });
};
type Item = ReturnType<typeof drawn>['items'][number];
const points = (i: Item) => (i.kind === 'line' ? i.points : i.ring);
const span = (list: readonly Item[], k: 0 | 1) => {
  const all = list.flatMap((i) => points(i).map((p) => p[k]));
  return Math.max(...all) - Math.min(...all);
};

describe('the face chart as drawn', () => {
  it('is in millimetres: the nose is as wide as decided, the head as the head', () => {
    const d = drawn(alpacaCria, 'front');
    expect(
      span(
        d.items.filter((i) => i.what === 'nose'),
        0,
      ),
    ).toBeCloseTo(alpacaCria.face!.nose.widthMm, 1);
    const f = faceOf(alpacaCria);
    const head = d.items.filter((i) => i.what === 'head');
    expect(span(head, 0)).toBeGreaterThan(0.95 * f.headWidthMm);
  });
  it('an eye that looks aside is foreshortened from the front and round from the side', () => {
    const rim = (side: ChartSide) => drawn(alpacaCria, side).items.filter((i) => i.kind === 'area' && i.name === 'rim');
    const f = faceOf(alpacaCria);
    // Two eyes in front, the animal's left one in profile.
    expect(rim('front').length).toBe(2);
    expect(rim('profile').length).toBe(1);
    const [one] = rim('front');
    // A disc seen along a direction reaches as far across as its normal leaves it.
    const n = directionIntoHead(f.frame, f.eyes.places[0]!.axis);
    expect(span([one!], 0)).toBeCloseTo(f.eyes.discMm * Math.sqrt(1 - n[0] ** 2), 1);
    expect(span(rim('profile'), 0)).toBeCloseTo(f.eyes.discMm * Math.sqrt(1 - n[2] ** 2), 1);
    expect(span([one!], 0)).toBeLessThan(span(rim('profile'), 0) / 2);
  });
  it('the left half mirrors the right', () => {
    const d = drawn(alpacaCria, 'front');
    for (const what of ['eye', 'mouth', 'ear', 'stem', 'clear'] as const) {
      const all = d.items.filter((i) => i.what === what).flatMap(points);
      const [lo, hi] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[0]))];
      expect(lo, what).toBeCloseTo(-hi, 0);
    }
  });
  it('the outer corner of both eyes lies away from the nose, and the upper edge up', () => {
    const f = faceOf(pineMarten);
    for (const e of f.eyes.places) {
      const out = e.side === 'left' ? 1 : -1;
      const at = intoHead(f.frame, e.at);
      const corner = intoHead(f.frame, onEye(e, 0, [out * 1.5, 0]));
      expect(norm(sub(onEye(e, 0, [out * 1.5, 0]), e.at))).toBeCloseTo(1.5, 9);
      expect(out * corner[0]).toBeGreaterThan(out * at[0]);
      expect(intoHead(f.frame, onEye(e, 0, [0, 1.5]))[1]).toBeGreaterThan(at[1]);
      // A slant of 8 degrees lifts the outer corner.
      expect(corner[1]).toBeGreaterThan(at[1]);
    }
  });
  it('only what is asked for is drawn, and everything lies within its extents', () => {
    const none = drawn(pineMarten, 'front', { whiskers: false, stems: false, clear: false });
    for (const what of ['whisker', 'stem', 'clear', 'thread'])
      expect(none.items.some((i) => i.what === what)).toBe(false);
    const threads = drawn(pineMarten, 'front', { threads: true }).items.filter((i) => i.what === 'thread');
    expect(threads.length).toBe(faceOf(pineMarten).whiskers.reduce((s, w) => s + w.ways.length, 0));
    const d = drawn(pineMarten, 'profile');
    for (const i of d.items.filter((x) => x.what !== 'whisker')) {
      for (const p of points(i)) {
        expect(p[0]).toBeGreaterThanOrEqual(d.min[0]);
        expect(p[0]).toBeLessThanOrEqual(d.max[0]);
      }
    }
  });
  it('a relief has no midline, and its head is drawn where it meets the board', () => {
    const d = drawn(brownHare, 'profile');
    expect(drawn(brownHare, 'front').items.some((i) => i.what === 'midline')).toBe(false);
    const f = faceOf(brownHare);
    const eye = onChart(intoHead(f.frame, f.eyes.places[0]!.at), 'profile');
    const head = d.items.filter((i) => i.what === 'head').flatMap(points);
    expect(Math.min(...head.map((p) => p[0]))).toBeLessThan(eye[0]);
    expect(Math.max(...head.map((p) => p[0]))).toBeGreaterThan(eye[0]);
    expect(Math.max(...head.map((p) => p[1]))).toBeGreaterThan(eye[1]);
  });
});
