import { describe, expect, it } from 'vitest';
import type { FormWork } from '@/core/form/form';
import { buildEdges } from '@/core/geometry/mesh';
import { COARSELY, planned } from '../../../../cli/testing/planned';
import { alpacaCria, cupboard, pineMarten } from '../../../../demo/load';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Coat } from '@/core/piece/coat';
import { readPiece } from '@/core/piece/read';
import { betweenAreas } from '@/core/coat/between';
import { CORNER_DEG, cornersOf } from './corners';

/** A flat sheet 100 by 60 mm in steps of 2 mm; its fur points up, turned by `deg` on the right half. */
function sheet(deg: number): { form: FormWork; owner: Int32Array } {
  const [nu, nv] = [50, 30];
  const n = (nu + 1) * (nv + 1);
  const positions = new Float64Array(3 * n);
  const normals = new Float64Array(3 * n);
  const lie = new Float64Array(3 * n);
  const owner = new Int32Array(n);
  const a = (deg * Math.PI) / 180;
  for (let j = 0; j <= nv; j++) {
    for (let i = 0; i <= nu; i++) {
      const v = i + (nu + 1) * j;
      positions.set([2 * i, 2 * j, 0], 3 * v);
      normals.set([0, 0, 1], 3 * v);
      const right = i > nu / 2;
      lie.set(right ? [Math.sin(a), Math.cos(a), 0] : [0, 1, 0], 3 * v);
      owner[v] = right ? 1 : 0;
    }
  }
  const T: number[] = [];
  for (let j = 0; j < nv; j++) {
    for (let i = 0; i < nu; i++) {
      const v = i + (nu + 1) * j;
      T.push(v, v + 1, v + nu + 2, v, v + nu + 2, v + nu + 1);
    }
  }
  const triangles = Uint32Array.from(T);
  const skin = { positions, normals, triangles, edges: buildEdges(triangles, n), edgeMm: 2 };
  return { form: { skin, lie, body: { lengthMm: 150 } } as unknown as FormWork, owner };
}

describe('corners between areas', () => {
  it.each([60, 90, 120])('an angle of %i degrees is found and measured, with the border it has', (deg) => {
    const { form, owner } = sheet(deg);
    const [c, ...more] = cornersOf(form, owner);
    expect(more).toEqual([]);
    expect(c!.angleDeg).toBeCloseTo(deg, 6);
    expect([c!.a, c!.b]).toEqual([0, 1]);
    // Along it, one place after the other, from one end to the other.
    const along = c!.along.map((q) => q[1]);
    expect(Math.abs(along[0]! - along[along.length - 1]!)).toBeGreaterThan(54);
    along.slice(1).forEach((y, i) => expect(Math.abs(y - along[i]!)).toBeLessThan(7));
    // 60 mm of border; every place on it has two edges across on a grid cut along one diagonal.
    expect(Math.abs(c!.borderMm / 60 - 1)).toBeLessThan(0.06);
  });

  it('neighbours whose fur runs on together have none', () => {
    const { form, owner } = sheet(CORNER_DEG - 5);
    expect(cornersOf(form, owner)).toEqual([]);
    expect(cornersOf(form, owner.fill(0))).toEqual([]);
  });

  it('are said with bows at the half angle and lengths between the two', () => {
    const plan = planned(alpacaCria, cupboard, hand, COARSELY);
    const corner = plan.findings.find((f) => f.id.startsWith('coat-corner'))!;
    expect(corner.severity).toBe('note');
    expect(corner.why.map((w) => (typeof w === 'string' ? w : w.value)).join('')).toMatch(
      /small bows along the border, turned by the half angle/,
    );
    // One press sets them: an area over the border, and the corner is gone.
    const [set] = corner.remedies;
    const mended = { ...alpacaCria, areas: set!.changes[0]!.value as typeof alpacaCria.areas };
    expect(readPiece(structuredClone(mended)).ok).toBe(true);
    const after = planned(mended, cupboard, hand, COARSELY);
    expect(after.findings.some((f) => f.id === corner.id)).toBe(false);
    const bows = after.coat.areas[after.coat.areas.length - 1]!;
    expect(bows.fur!.method).toBe('bows');
    expect(bows.areaMm2).toBeGreaterThan(40);
    expect(after.findings.filter((f) => f.about?.id === bows.id && f.severity === 'stop')).toEqual([]);
  });

  it('are not said of wool felted flat, nor of a nap: no lie is seen of them', () => {
    const meets = planned(alpacaCria, cupboard, hand, COARSELY).coat.corners.map((c) => [c.a, c.b]);
    const [a, b] = meets.find(([x, y]) => [x, y].every((i) => alpacaCria.areas[i!]!.coat.method === 'locks'))!;
    const as = (coat: Coat) =>
      planned(
        { ...alpacaCria, areas: alpacaCria.areas.map((x, i) => (i === a ? { ...x, coat } : x)) },
        cupboard,
        hand,
        COARSELY,
      );
    const id = `coat-corner-${alpacaCria.areas[a!]!.id}-${alpacaCria.areas[b!]!.id}`;
    const said = (coat: Coat) => as(coat).findings.some((f) => f.id === id);
    expect(said(alpacaCria.areas[a!]!.coat)).toBe(true);
    const lotId = 'cream-top';
    expect(said({ method: 'velvet', lotId, arealMgCm2: 16, layers: 2, raiseMm: 1.5 })).toBe(false);
    expect(said({ method: 'pieces', lotId, arealMgCm2: 16, layers: 2, pieceMm: 14, overlap: 0.3 })).toBe(false);
    expect(said({ method: 'wisps', lotId, arealMgCm2: 16, layers: 2, lengthMm: 12, liftDeg: 15 })).toBe(true);
  });
});

describe('fur and eyes', () => {
  it('fur long enough to reach an eye it points at is said, and pointing it away mends that', () => {
    // Without a face the places fur points away from stand for the eyes; with one it is judged there.
    const faceless = structuredClone({ ...pineMarten, face: null });
    // A brow that runs on down past the eye.
    faceless.areas.find((a) => a.id === 'brow')!.where[0]!.around = { from: 0, to: 95 };
    const plan = planned(faceless, cupboard, hand);
    const into = plan.findings.filter((f) => f.id.startsWith('coat-into-eye'));
    expect(into.map((f) => f.about?.id)).toContain('brow');
    const remedy = into.find((f) => f.about?.id === 'brow')!.remedies[0]!;
    const mended = structuredClone(faceless);
    mended.areas.find((a) => a.id === 'brow')!.awayFrom = remedy.changes[0]!
      .value as (typeof mended.areas)[0]['awayFrom'];
    const after = planned(mended, cupboard, hand);
    expect(after.findings.filter((f) => f.id === 'coat-into-eye-brow')).toEqual([]);
    // The rims themselves run away from it.
    expect(plan.findings.filter((f) => f.about?.id === 'eye-rims' && f.severity === 'stop')).toEqual([]);
  });
});

describe('a first row and the finished row below it', () => {
  const row = (y: number, number: number) => {
    const points = Float64Array.from({ length: 33 }, (_, i) => (i % 3 === 0 ? i : i % 3 === 1 ? y : 0));
    return {
      number,
      atMm: y,
      up: 0,
      share: 0,
      half: false,
      lengthMm: 30,
      pieces: [{ closed: false, lengthMm: 30, component: 0, points, normal: points, lie: points }],
    };
  };
  const lay = (...rows: ReturnType<typeof row>[]) =>
    ({ rows: { rows }, pile: { hemMm: 10, topMm: 10 } }) as unknown as Parameters<typeof betweenAreas>[5][0];
  const near = (gap: number) =>
    betweenAreas(
      { ...pineMarten, areas: pineMarten.areas.slice(0, 2) },
      cupboard,
      hand,
      {} as Parameters<typeof betweenAreas>[3],
      { shapes: [], corners: [], overhangs: [{ over: 0, under: 1, strengthMm: 30 }] },
      [lay(row(10 + gap, 1)), lay(row(7, 1), row(10, 2))],
    ).map((f) => f.id);
  it('nearer than the needle allows is a caution, further is not', () => {
    expect(near(0.5)).toEqual([`coat-near-${pineMarten.areas[0]!.id}-${pineMarten.areas[1]!.id}`]);
    expect(near(1.5)).toEqual([]);
  });
});
