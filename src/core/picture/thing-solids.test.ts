/** Small things as surfaces: outward, as large as they are cut, and within what a picture has room for. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { beginThing } from '@/core/build/things/begin-thing';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { isFelted, type Thing, type ThingOf } from '@/core/piece/things';
import type { Plan } from '@/core/plan';
import type { Surface } from './eye-solid';
import { thingSolids, type ThingSolid } from './thing-solids';
import { wholeOf } from './whole';

const plan = (p: Piece): Plan => planned(p, cupboard, defaultHand, COARSELY);
const bare = (p: Piece): Piece => ({ ...p, things: [] });
const [marten, king, hare] = [bare(pineMarten), bare(kingfisher), bare(brownHare)];

function drawn<K extends Thing['kind']>(piece: Piece, kind: K, more: Partial<ThingOf<K>> = {}) {
  const t = beginThing(kind, piece, plan(piece), 0.15);
  const thing = { ...t, ...(isFelted(t) ? { lotId: 'rust-top' } : {}), ...more } as Thing;
  const p = plan({ ...piece, things: [thing] });
  return { p, thing: p.things[0]!, solid: thingSolids(p, cupboard)[0]! };
}

/** Volume a closed surface encloses, by the divergence theorem; more than nothing where its corners turn outward. */
function volume({ positions: p, triangles: T }: Surface): number {
  let v = 0;
  for (let t = 0; t < T.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => [0, 1, 2].map((q) => p[3 * T[t + k]! + q]!)) as [
      number[],
      number[],
      number[],
    ];
    v +=
      (a[0]! * (b[1]! * c[2]! - b[2]! * c[1]!) +
        a[1]! * (b[2]! * c[0]! - b[0]! * c[2]!) +
        a[2]! * (b[0]! * c[1]! - b[1]! * c[0]!)) /
      6;
  }
  return v;
}

/** Share of corners whose way out says the same as which way the triangles turn. */
function outward(s: Surface): number {
  let [same, all] = [0, 0];
  const { positions: p, normals: n, triangles: T } = s;
  for (let t = 0; t < T.length; t += 3) {
    const at = (k: number, q: number) => p[3 * T[t + k]! + q]!;
    const [u, v] = [1, 2].map((k) => [0, 1, 2].map((q) => at(k, q) - at(0, q))) as [number[], number[]];
    const cross = [u[1]! * v[2]! - u[2]! * v[1]!, u[2]! * v[0]! - u[0]! * v[2]!, u[0]! * v[1]! - u[1]! * v[0]!];
    all++;
    if ([0, 1, 2].reduce((d, q) => d + cross[q]! * n[3 * T[t]! + q]!, 0) >= -1e-9) same++;
  }
  return same / all;
}

const box = ({ surface: s }: ThingSolid) =>
  [0, 1, 2].map((k) => {
    const all = s.positions.filter((_, i) => i % 3 === k);
    return [Math.min(...all), Math.max(...all)] as const;
  });

describe('a small thing as it is drawn', () => {
  it('a base encloses the wood that is weighed, oval or with corners', () => {
    for (const outline of ['oval', 'with corners'] as const) {
      const { thing, solid } = drawn(marten, 'base', { outline, thickMm: 14, longMm: 160, wideMm: 90 });
      // Its edges are broken and its corners on the ground left open: a few parts in a hundred.
      expect(volume(solid.surface) / thing.wood!.inputs.volume!).toBeGreaterThan(0.9);
      expect(volume(solid.surface) / thing.wood!.inputs.volume!).toBeLessThan(1.03);
      expect(outward(solid.surface)).toBeGreaterThan(0.99);
    }
  });

  it('a twig is as long and about as thick as it is cut', () => {
    const { solid, p } = drawn(king, 'twig', { under: true, acrossMm: 8, longMm: 90, turnDeg: 0 });
    const [x, y] = box(solid);
    expect(x![1] - x![0]).toBeCloseTo(90, 0);
    expect(Math.abs(y![1] - y![0] - 8)).toBeLessThan(1.6);
    // The feet touch its top, give or take its bark.
    expect(Math.abs(y![1] - p.stands.groundY)).toBeLessThan(1.2);
  });

  it('a collar lies round the coat, as wide as it is, its way out away from the part', () => {
    for (const aroundDeg of [180, 60]) {
      const { thing, solid } = drawn(marten, 'collar', { aroundDeg, wideMm: 6, looserMm: 0 });
      const th = thing.worn!.threads[1]!;
      const { positions: p, normals: n } = solid.surface;
      let along = 0;
      for (let i = 0; i < p.length; i += 3) {
        const d = [0, 1, 2].map((k) => p[i + k]! - th.at[k]!);
        const a = [0, 1, 2].reduce((s, k) => s + d[k]! * th.axis[k]!, 0);
        along = Math.max(along, Math.abs(a));
        const flat = d.map((x, k) => x - a * th.axis[k]!);
        // On the flat of the band the way out is the way from the axis.
        if (Math.abs(a) < 2) expect(flat.reduce((s, x, k) => s + x * n[i + k]!, 0)).toBeGreaterThan(0);
      }
      expect(along).toBeCloseTo(3, 1);
    }
  });

  it.each(['scarf', 'bow', 'basket'] as const)('a %s of felt turns its ways out', (kind) => {
    const { solid } = drawn(marten, kind);
    expect(outward(solid.surface)).toBeGreaterThan(0.97);
    // Strips, loops and walls are closed: what they enclose is felt, and not less than nothing.
    expect(volume(solid.surface)).toBeGreaterThan(10);
    expect(solid.fuzz).not.toBeNull();
  });

  it('a frame stands round the board from its back to its front', () => {
    const { thing, solid } = drawn(hare, 'frame', { deepMm: 30, profileMm: 20 });
    const [x, y, z] = box(solid);
    const f = thing.framed!;
    expect([x![0], x![1]]).toEqual([f.backX, f.frontX]);
    expect(y![1] - y![0]).toBeCloseTo(thing.cuts[1]!.longMm, 9);
    expect(z![1] - z![0]).toBeCloseTo(thing.cuts[0]!.longMm, 9);
  });

  it('what a picture has room for holds all of it, and is the animal where there is nothing', () => {
    for (const { p, solid } of [
      drawn(marten, 'base', { longMm: 300 }),
      drawn(marten, 'basket', { leftMm: 120, forwardMm: 140 }),
      drawn(king, 'twig', { under: true, longMm: 200, turnDeg: 30 }),
      drawn(hare, 'frame'),
    ]) {
      const w = wholeOf(p);
      const half = [w.widthMm, w.heightMm, w.lengthMm].map((l) => l / 2 + 1.5);
      box(solid).forEach(([lo, hi], k) => {
        expect(lo).toBeGreaterThan(w.middle[k]! - half[k]!);
        expect(hi).toBeLessThan(w.middle[k]! + half[k]!);
      });
    }
    const plain = plan(marten);
    expect(wholeOf(plain).lengthMm).toBe(plain.form.lengthMm);
    expect(thingSolids(plain, cupboard)).toEqual([]);
  });
});
