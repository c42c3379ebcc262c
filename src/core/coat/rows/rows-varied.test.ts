/** Rows whose spacing changes, rows that branch, rows that keep their distance, rows that end at a seam. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cutPatch, directionsOnPatch } from '@/core/geometry/cut';
import { makeField } from '@/core/geometry/field';
import { buildEdges } from '@/core/geometry/mesh';
import { polygonise } from '@/core/geometry/polygonise';
import { openSeam } from '@/core/geometry/seam';
import { roundCone } from '@/core/geometry/shapes';
import { againstLie, rowField, rowSystem, type AreaMesh } from './row-field';
import { measureRows } from './rows';
import { heightOf, rowsBelow, spacingAt } from './spacing';

type V3 = [number, number, number];
const R = 10;
const L = 80;

/** A tube of radius 10 and length 80 as a cut patch of a polygonised solid, with a lie given at each point. */
function tube(lie: (p: V3) => V3) {
  const field = makeField([
    { solids: [roundCone([0, 0, -20], [0, 0, L + 20], R, R)], innerBlend: 0, blend: 0, mirrored: false },
  ]);
  const skin = polygonise(field, 1.5);
  const n = skin.positions.length / 3;
  const inside = new Float64Array(n);
  const d = new Float64Array(3 * n);
  for (let v = 0; v < n; v++) {
    const p = [...skin.positions.slice(3 * v, 3 * v + 3)] as V3;
    inside[v] = Math.min(p[2], L - p[2]);
    d.set(lie(p), 3 * v);
  }
  const patch = cutPatch(skin, skin.edges, inside, 1)!;
  return { patch, lie: directionsOnPatch(patch, d), normal: directionsOnPatch(patch, skin.normals) };
}
const straight = (): V3 => [0, 0, -1];

describe('a spacing that changes from hem to top', () => {
  it('counts rows and finds their heights, one the inverse of the other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (hemMm, topMm, share) => {
          const s = { hemMm, topMm };
          const h = 50 * share;
          expect(heightOf(s, rowsBelow(s, h, 50), 50)).toBeCloseTo(h, 6);
          // Between two neighbouring rows lies the spacing of the place, to first order.
          const step = heightOf(s, rowsBelow(s, h, 50) + 1e-4, 50) - h;
          expect(step / 1e-4 / spacingAt(s, share)).toBeCloseTo(1, 2);
        },
      ),
    );
  });

  it('lays rings on a tube at the heights a maker would step off: 2 mm at the hem, 6 mm at the top', () => {
    const { patch, lie, normal } = tube(straight);
    const f = rowField(patch, rowSystem(patch), againstLie(patch, lie));
    const r = measureRows(patch, f, { hemMm: 2, topMm: 6 }, normal, lie);
    // Closed form: h(n) = L s0 / (s1 - s0) (e^(n (s1 - s0) / L) - 1), n = 1/2, 3/2 ...; L / 4 ln 3 rows in all.
    expect(r.rows.length).toBe(Math.round((L / 4) * Math.log(3)));
    r.rows.forEach((row, k) => {
      const h = ((L * 2) / 4) * Math.expm1(((k + 0.5) * 4) / L);
      expect(Math.abs(row.atMm - h)).toBeLessThan(0.15);
      expect(Math.abs(row.pieces[0]!.points[2]! - h)).toBeLessThan(0.3);
      expect(Math.abs(row.lengthMm / (2 * Math.PI * R) - 1)).toBeLessThan(0.003);
    });
    // Mean spacing times all rows is still the surface.
    expect(Math.abs((r.meanSpacingMm * r.totalMm) / r.fluxMm2 - 1)).toBeLessThan(0.03);
    expect(r.gape.p95).toBeCloseTo(1, 1);
  });

  it('with the same spacing at both ends is the same as one spacing', () => {
    const { patch, lie, normal } = tube(straight);
    const f = rowField(patch, rowSystem(patch), againstLie(patch, lie));
    const a = measureRows(patch, f, 3, normal, lie);
    const b = measureRows(patch, f, { hemMm: 3, topMm: 3 }, normal, lie);
    expect(b).toEqual(a);
  });
});

describe('a lie that winds round a tube', () => {
  const angle = 0.7;
  const spiral = ([x, y]: V3): V3 => [(-y / R) * Math.sin(angle), (x / R) * Math.sin(angle), -Math.cos(angle)];

  it('gives rings that stray by its angle; cut along a seam the rows follow it', () => {
    const { patch, lie, normal } = tube(spiral);
    const closed = rowField(patch, rowSystem(patch), againstLie(patch, lie));
    const rings = measureRows(patch, closed, 3, normal, lie);
    expect(rings.strayDeg.p50).toBeCloseTo((angle * 180) / Math.PI, 0);
    const side = Int8Array.from({ length: patch.triangles.length / 3 }, (_, t) => {
      const c = [0, 1].map((k) =>
        [0, 1, 2].reduce((s, j) => s + patch.positions[3 * patch.triangles[3 * t + j]! + k]! / 3, 0),
      );
      return c[1]! > 0 ? 0 : c[0]! >= 0 ? 1 : -1;
    });
    const open = openSeam(patch, side);
    expect(open.areaMm2).toBe(patch.areaMm2);
    expect(open.triangles.length).toBe(patch.triangles.length);
    expect(open.pieces).toBe(1);
    // Every vertex on the seam but none else is doubled: about L / edge of them.
    const doubled = open.positions.length / 3 - patch.positions.length / 3;
    expect(doubled).toBeGreaterThan(30);
    expect(doubled).toBeLessThan(120);
    const take = (from: Float64Array) =>
      Float64Array.from({ length: open.positions.length }, (_, i) => {
        // The copied vertex lies where its original does.
        const v = Math.floor(i / 3);
        for (let u = 0; u < patch.positions.length / 3; u++) {
          if ([0, 1, 2].every((k) => patch.positions[3 * u + k] === open.positions[3 * v + k]))
            return from[3 * u + (i % 3)]!;
        }
        throw new Error('lost');
      });
    const openLie = take(lie);
    const f = rowField(open, rowSystem(open), againstLie(open, openLie));
    const rows = measureRows(open, f, 3, take(normal), openLie);
    expect(rows.strayDeg.p50).toBeLessThan(2);
    expect(rows.rows.some((r) => r.pieces.some((p) => p.closed))).toBe(false);
    // On the unrolled tube straight rows across the lie: they share out its area.
    expect(Math.abs((3 * rows.totalMm) / (2 * Math.PI * R * L) - 1)).toBeLessThan(0.02);
  });
});

/** A flat fan: polar coordinates round the origin, the lie turning faster than straight rows can follow. */
function fan(bend: number): { mesh: AreaMesh; lie: Float64Array; flat: Float64Array } {
  const [nu, nv] = [60, 40];
  const positions = new Float64Array(3 * (nu + 1) * (nv + 1));
  const lie = new Float64Array(positions.length);
  const flat = new Float64Array(positions.length);
  const id = (i: number, j: number) => i + (nu + 1) * j;
  for (let j = 0; j <= nv; j++) {
    for (let i = 0; i <= nu; i++) {
      const [x, y] = [80 * (i / nu - 0.5), (40 * j) / nv];
      positions.set([x, y, 0], 3 * id(i, j));
      // Points down, splayed by bend radians over the width.
      const a = (bend * x) / 80;
      lie.set([Math.sin(a), -Math.cos(a), 0], 3 * id(i, j));
      flat.set([0, 0, 1], 3 * id(i, j));
    }
  }
  const triangles: number[] = [];
  for (let j = 0; j < nv; j++) {
    for (let i = 0; i < nu; i++) {
      triangles.push(id(i, j), id(i + 1, j), id(i + 1, j + 1), id(i, j), id(i + 1, j + 1), id(i, j + 1));
    }
  }
  const T = Uint32Array.from(triangles);
  const n = positions.length / 3;
  const mesh = { positions, triangles: T, edges: buildEdges(T, n), piece: new Int32Array(n), pieces: 1 };
  return { mesh, lie, flat };
}

describe('rows that keep their distance', () => {
  it('trade even spacing against squareness to the fur, from one end of the slider to the other', () => {
    const { mesh, lie, flat } = fan(2.4);
    const system = rowSystem(mesh);
    const at = (evenness: number) =>
      measureRows(mesh, rowField(mesh, system, againstLie(mesh, lie), evenness), 3, flat, lie);
    const [follow, half, even] = [at(0), at(0.5), at(1)];
    const unevenness = (r: typeof follow) => r.gape.p95 - r.gape.p5;
    expect(unevenness(half)).toBeLessThan(unevenness(follow));
    expect(unevenness(even)).toBeLessThan(0.4 * unevenness(follow));
    expect(even.strayDeg.p95).toBeGreaterThanOrEqual(follow.strayDeg.p95 - 0.5);
  });
});

describe('branching rows', () => {
  it('never leave a gap of more than about 1.4 spacings, and lay fewer where they would crowd', () => {
    // A cone opened flat the wrong way: steepness falls with x from 1.6 to 0.4.
    const { mesh, flat } = fan(0);
    const n = mesh.positions.length / 3;
    const g = (x: number) => 1 - x / 66;
    const against = new Float64Array(mesh.triangles.length);
    const phi = new Float64Array(n);
    for (let v = 0; v < n; v++) phi[v] = mesh.positions[3 * v + 1]! * g(mesh.positions[3 * v]!);
    for (let t = 0; t < mesh.triangles.length; t += 3) against.set([0, 1, 0], t);
    const field = rowField(mesh, rowSystem(mesh), against);
    const steep = Float64Array.from({ length: mesh.triangles.length / 3 }, (_, t) =>
      g([0, 1, 2].reduce((s, k) => s + mesh.positions[3 * mesh.triangles[3 * t + k]!]! / 3, 0)),
    );
    const made = { ...field, phi, steepness: steep, strayDeg: steep.map(() => 0) };
    const plain = measureRows(mesh, made, 4, flat, flat);
    const branched = measureRows(mesh, made, 4, flat, flat, true);
    expect(plain.gape.p95).toBeGreaterThan(2);
    expect(branched.gape.p95).toBeLessThan(Math.SQRT2 + 0.02);
    expect(branched.gape.p5).toBeGreaterThan(Math.SQRT1_2 - 0.02);
    const halves = branched.rows.filter((r) => r.half);
    expect(halves.length).toBeGreaterThan(2);
    // Half rows lie only where rows gape: to the right of x where g = 0.707.
    for (const r of halves)
      for (const p of r.pieces)
        for (let i = 0; i < p.points.length; i += 3) expect(p.points[i]!).toBeGreaterThan(66 * (1 - Math.SQRT1_2) - 6);
    // Every second row is shorter: it stops where rows crowd.
    const whole = branched.rows.filter((r) => !r.half);
    expect(Math.min(...whole.slice(2, 8).map((r) => r.lengthMm))).toBeLessThan(
      0.95 * Math.max(...whole.slice(2, 8).map((r) => r.lengthMm)),
    );
    expect(branched.rows.map((r) => r.number)).toEqual(branched.rows.map((_, i) => i + 1));
    expect([...branched.rows].sort((a, b) => a.atMm - b.atMm)).toEqual(branched.rows);
    // Spacing times length is the integral of |grad phi| (coarea formula), half rows counted; and so it is with two spacings.
    const true_ = Float64Array.from({ length: mesh.triangles.length / 3 }, (_, t) => {
      const [a, b, c] = [0, 1, 2].map((k) => mesh.triangles[3 * t + k]!) as [number, number, number];
      const [ux, uy, wx, wy] = [b, c].flatMap((v) =>
        [0, 1].map((k) => mesh.positions[3 * v + k]! - mesh.positions[3 * a + k]!),
      ) as [number, number, number, number];
      const [du, dw] = [phi[b]! - phi[a]!, phi[c]! - phi[a]!];
      return Math.hypot(du * wy - dw * uy, dw * ux - du * wx) / Math.abs(ux * wy - uy * wx);
    });
    const exact = { ...made, steepness: true_ };
    for (const s of [1, 2, { hemMm: 1, topMm: 2.5 }]) {
      for (const branching of [false, true]) {
        const r = measureRows(mesh, exact, s, flat, flat, branching);
        expect(
          Math.abs((r.meanSpacingMm * r.totalMm) / r.fluxMm2 - 1),
          `${JSON.stringify(s)} ${branching}`,
        ).toBeLessThan(0.03);
      }
    }
  });
});
