/** The depth window on bodies with closed forms: slab, sphere, cylinder with a wire along its axis. */
import { describe, expect, it } from 'vitest';
import type { Needle } from '@/core/piece/cupboard';
import { usualNeedle } from '@/core/piece/usual-needle';
import type { Needlework } from '@/core/stage';
import { depthWindow, type Ahead } from './depth-window';
import { metAt } from './obstacles';

const needle = (gauge: number, section: Needle['section'] = 'triangle', change: Partial<Needle> = {}): Needle => ({
  id: `n${gauge}`,
  name: `${gauge} ${section}`,
  gauge,
  section,
  count: 1,
  ...usualNeedle({ gauge, section }),
  ...change,
});
const free: Ahead = { throughMm: Infinity, wireMm: Infinity, eyeMm: Infinity, farShows: false };
const work = (kind: Needlework['kind'], layerMm = 0, change: Partial<Needlework> = {}) => ({
  kind,
  layerMm,
  underMm: 1,
  groundMgCm3: 100,
  where: { on: 'area' as const, id: 'x' },
  ...change,
});
const sin = (d: number) => Math.sin((d * Math.PI) / 180);

describe('least and most', () => {
  it('a slab whose far side shows: 2 mm short of it along the stroke, at any angle', () => {
    for (const angle of [90, 60, 45, 30]) {
      const t = 12 / sin(angle);
      const w = depthWindow(needle(40), work('surface', 1), { ...free, throughMm: t, farShows: true }, angle, 3);
      // Depth = stroke × sine of the angle: the layer is longer aslant too.
      expect(w.mostMm).toBeCloseTo(Math.min(1 / sin(angle) + t - 2, 25), 9);
      expect(w.leastMm).toBeCloseTo(3.2 + 1 / sin(angle) + 0.5, 9);
    }
  });
  it('a sphere: the chord at an angle to the skin is 2 R sin(angle)', () => {
    const R = 8;
    const chord = 2 * R * sin(45);
    const w = depthWindow(needle(36), work('join', 0.5), { ...free, throughMm: chord }, 45, 3);
    expect(w.limit).toBe('the fingers');
    expect(w.mostMm).toBeCloseTo(0.5 / sin(45) + chord, 9);
  });
  it('a cylinder with a wire along its axis: straight in stops short of the wire, slanting across passes it', () => {
    const [R, r] = [4, 1.2];
    const wire = { a: [-60, 0, 0] as const, b: [60, 0, 0] as const, radiusMm: r };
    const ahead = (angle: number): Ahead => {
      const a = (angle * Math.PI) / 180;
      // From the top, leaning across the axis.
      const to = [0, -Math.sin(a), Math.cos(a)] as const;
      return { ...free, throughMm: 2 * R * Math.sin(a), wireMm: metAt([0, R, 0], to, wire) };
    };
    const straight = depthWindow(needle(36), work('through'), ahead(90), 90, 3);
    expect(straight.mostMm).toBeCloseTo(R - r - 1, 9);
    expect(straight.limit).toBe('the wire');
    expect(straight.open).toBe(false);
    // It passes the wire once R cos(angle) exceeds its radius: below acos(1.2 / 4) = 72.5 degrees.
    expect(Math.acos(r / R) * (180 / Math.PI)).toBeCloseTo(72.54, 2);
    expect(ahead(75).wireMm).toBeLessThan(Infinity);
    expect(ahead(60).wireMm).toBe(Infinity);
    const aslant = depthWindow(needle(36), work('through'), ahead(45), 45, 3);
    expect(aslant.open).toBe(true);
    // Halfway through at least (common practice), and no barb out on the other side.
    expect(aslant.leastMm).toBeCloseTo(Math.max(4.8 + 0.5, R * sin(45)), 9);
    expect(aslant.mostMm).toBeCloseTo(2 * R * sin(45) + 4.8 - 0.5, 9);
  });
  it('rooting: a crown reaches the root with a stroke of tip, layer and root; the play above it is the same for all', () => {
    const crown = depthWindow(needle(46, 'crown'), work('root', 1.5), { ...free, throughMm: 40 }, 90, 3);
    expect(crown.leastMm).toBeCloseTo(3 + 1.5 + 3, 9);
    expect(crown.mostMm).toBeCloseTo(crown.leastMm + 1.5, 9);
    const coarse = depthWindow(needle(32), work('root', 1.5), { ...free, throughMm: 40 }, 90, 3);
    expect(coarse.leastMm - crown.leastMm).toBeCloseTo(6.4 - 3, 9);
    // A limb 8 mm through takes the crown and not the coarse one.
    expect(depthWindow(needle(46, 'crown'), work('root', 1.5), { ...free, throughMm: 8 }, 90, 3).open).toBe(true);
    expect(depthWindow(needle(32), work('root', 1.5), { ...free, throughMm: 8 }, 90, 3).open).toBe(false);
  });
  it('a lined ear on the mat: the point may come through, a barb may not', () => {
    const w = depthWindow(
      needle(40),
      work('flat', 0, { where: { on: 'mat', thickMm: 2.5, lined: true } }),
      { ...free, throughMm: 2.5 },
      90,
      3,
    );
    expect(w.limit).toBe('the other side');
    // The first barb stops half a millimetre inside.
    expect(w.mostMm - 3.2).toBeCloseTo(2.5 - 0.5, 9);
    expect(w.plannedMm).toBeLessThanOrEqual(w.mostMm);
  });
  it('raising stops within the colour that is to come up', () => {
    const w = depthWindow(
      needle(40, 'reverse'),
      work('raise', 1.2, { underMm: 0.8 }),
      { ...free, throughMm: 30 },
      60,
      3,
    );
    expect(w.limit).toBe('what lies below');
    expect(w.mostMm).toBeCloseTo(3.2 + (1.2 + 0.8) / sin(60), 9);
    expect(w.leastMm).toBeLessThan(w.mostMm);
  });
  it('a thin blade is stopped by its own steel in firm wool, the deeper the thicker: as the cube of the blade', () => {
    const most = (gauge: number) =>
      depthWindow(needle(gauge, 'triangle', { bladeMm: 60 }), work('through'), { ...free, throughMm: 200 }, 90, 3);
    expect(most(46).limit).toBe('the steel');
    expect(most(36).mostMm / most(46).mostMm).toBeCloseTo((0.6 / 0.35) ** 3, 6);
  });
  it('a window that stays shut plans no deeper than is safe', () => {
    const w = depthWindow(needle(36), work('surface', 1), { ...free, throughMm: 3, farShows: true }, 90, 3);
    expect(w.open).toBe(false);
    expect(w.plannedMm).toBeLessThanOrEqual(w.mostMm);
  });
});
