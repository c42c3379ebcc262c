import { describe, expect, it } from 'vitest';
import { cutPatch, directionsOnPatch } from '@/core/geometry/cut';
import { makeField } from '@/core/geometry/field';
import { buildEdges } from '@/core/geometry/mesh';
import { polygonise } from '@/core/geometry/polygonise';
import { roundCone } from '@/core/geometry/shapes';
import { againstLie, rowField, rowSystem, type AreaMesh } from './row-field';
import { measureRows } from './rows';
import type { RowsLying } from './spacing';

type V3 = [number, number, number];
const one = (a: V3, b: V3, ra: number, rb: number) =>
  makeField([{ solids: [roundCone(a, b, ra, rb)], innerBlend: 0, blend: 0, mirrored: false }]);

/** Rows on the part of a solid where `inside` is positive, with the lie given at each point. */
function rowsOn(
  field: ReturnType<typeof one>,
  inside: (p: V3) => number,
  lie: (p: V3, n: V3) => V3,
  spacing: number,
  lying: RowsLying = [],
) {
  const skin = polygonise(field, 1.5);
  const count = skin.positions.length / 3;
  const s = new Float64Array(count);
  const d = new Float64Array(3 * count);
  for (let v = 0; v < count; v++) {
    const p = [...skin.positions.slice(3 * v, 3 * v + 3)] as V3;
    const n = [...skin.normals.slice(3 * v, 3 * v + 3)] as V3;
    s[v] = inside(p);
    d.set(lie(p, n), 3 * v);
  }
  const patch = cutPatch(skin, skin.edges, s, 1)!;
  const onPatch = directionsOnPatch(patch, d);
  const f = rowField(patch, rowSystem(patch), againstLie(patch, onPatch));
  return { ...measureRows(patch, f, spacing, directionsOnPatch(patch, skin.normals), onPatch, false, lying), patch };
}

const CONE = { sin: 12 / 80, cos: Math.sqrt(1 - (12 / 80) ** 2) };
/** Rows at 3 mm on the flank of a round cone, 18 to 6 over 80, its lie to the wide end. */
function rowsOnCone(lying: RowsLying = []) {
  const { sin, cos } = CONE;
  // Slant distance along the straight flank from its wide rim.
  const slant = ([x, y, z]: V3) => (z - 18 * sin) * cos - (Math.hypot(x, y) - 18 * cos) * sin;
  return rowsOn(
    one([0, 0, 0], [0, 0, 80], 18, 6),
    (p) => Math.min(slant(p) - 8, 72 - slant(p)),
    ([x, y]) => [(x / Math.hypot(x, y)) * sin, (y / Math.hypot(x, y)) * sin, -cos],
    3,
    lying,
  );
}

/** A flat or developed grid mesh; `place` maps grid coordinates (0..1, 0..1) into space. */
function gridMesh(nu: number, nv: number, place: (u: number, v: number) => V3): AreaMesh {
  const positions = new Float64Array(3 * (nu + 1) * (nv + 1));
  const id = (i: number, j: number) => i + (nu + 1) * j;
  for (let j = 0; j <= nv; j++) for (let i = 0; i <= nu; i++) positions.set(place(i / nu, j / nv), 3 * id(i, j));
  const triangles: number[] = [];
  for (let j = 0; j < nv; j++) {
    for (let i = 0; i < nu; i++) {
      triangles.push(id(i, j), id(i + 1, j), id(i + 1, j + 1), id(i, j), id(i + 1, j + 1), id(i, j + 1));
    }
  }
  const T = Uint32Array.from(triangles);
  const n = (nu + 1) * (nv + 1);
  return { positions, triangles: T, edges: buildEdges(T, n), piece: new Int32Array(n), pieces: 1 };
}
const within = (got: number, want: number, share: number) => expect(Math.abs(got / want - 1)).toBeLessThan(share);

// Closed forms worked by hand: every row is a circle (or a straight stroke) whose radius follows from its distance.
describe('rows on solids of known shape', () => {
  it('cylinder r 10, L 80: 27 rings of 62.832', () => {
    const r = rowsOn(
      one([0, 0, -20], [0, 0, 100], 10, 10),
      ([, , z]) => Math.min(z, 80 - z),
      () => [0, 0, -1],
      3,
    );
    expect(r.rows.length).toBe(27);
    for (const row of r.rows) within(row.lengthMm, 62.832, 0.002);
    within(r.totalMm, 1696.46, 0.0015);
    expect(r.rows.every((row) => row.pieces.length === 1 && row.pieces[0]!.closed)).toBe(true);
    within(3 * r.totalMm, r.fluxMm2, 0.02);
  });

  // The lowest row lies where it was planned, at 1.5; ten of them 2.7 apart cover 27 mm, up to 27.15. What is left takes 17 rows at 3 mm, at
  // 28.65, 31.65 .. 76.65, each a ring.
  it('cylinder r 10, L 80, ten rows laid 2.7 apart: 17 more cover the rest', () => {
    const r = rowsOn(
      one([0, 0, -20], [0, 0, 100], 10, 10),
      ([, , z]) => Math.min(z, 80 - z),
      () => [0, 0, -1],
      3,
      [{ rows: 10, spacingMm: 2.7 }],
    );
    expect(r.rows.length).toBe(27 + 1);
    r.rows.slice(0, 10).forEach((row, k) => expect(row.atMm).toBeCloseTo(1.5 + 2.7 * k, 6));
    r.rows.slice(10).forEach((row, k) => expect(row.atMm).toBeCloseTo(27.15 + 3 * (k + 0.5), 6));
    for (const row of r.rows) within(row.lengthMm, 62.832, 0.002);
    // Each row stands for its own strip: together the strips are the cylinder.
    within(
      r.rows.reduce((s, row, k) => s + row.lengthMm * (k < 10 ? 2.7 : 3), 0),
      2 * Math.PI * 10 * 80,
      0.02,
    );
  });

  // The same on a cone: 8 rows 2.5 apart, the lowest at 1.5, reach 20.25 mm up its flank of 64 mm; 14 or 15 more at 3 mm cover what is left.
  it('round cone 18 to 6, eight rows laid 2.5 apart: rows laid and left cover the flank', () => {
    const { sin, cos } = CONE;
    const r = rowsOnCone([{ rows: 8, spacingMm: 2.5 }]);
    expect(r.rows.length).toBe(8 + Math.round((64 - 20) / 3));
    const at = (k: number) => (k < 8 ? 1.5 + 2.5 * k : 20.25 + 3 * (k - 8 + 0.5));
    r.rows.forEach((row, k) => within(row.lengthMm, 2 * Math.PI * (18 * cos - (8 + at(k)) * sin), 0.004));
    const flank = Math.PI * (2 * (18 * cos - 8 * sin) - 64 * sin) * 64;
    within(
      r.rows.reduce((s, row, k) => s + row.lengthMm * (k < 8 ? 2.5 : 3), 0),
      flank,
      0.03,
    );
  });

  it('round cone 18 to 6, lie to the wide end: 21 rings, first 102.864, last 46.316', () => {
    const { sin, cos } = CONE;
    const r = rowsOnCone();
    expect(r.rows.length).toBe(21);
    r.rows.forEach((row, k) => within(row.lengthMm, 2 * Math.PI * (18 * cos - (9.5 + 3 * k) * sin), 0.002));
    within(r.rows[0]!.lengthMm, 102.864, 0.002);
    within(r.rows[20]!.lengthMm, 46.316, 0.002);
    within(r.totalMm, 1566.39, 0.002);
  });

  it('sphere R 25, cap to 120 degrees: 17 rings', () => {
    const r = rowsOn(
      one([0, 0, 0], [0, 0, 0.001], 25, 25),
      ([x, y, z]) => 25 * ((120 * Math.PI) / 180 - Math.atan2(Math.hypot(x, y), z)),
      ([x, y, z]) => {
        const q = Math.hypot(x, y) || 1;
        return [(z * x) / (25 * q), (z * y) / (25 * q), -q / 25];
      },
      3,
    );
    expect(r.rows.length).toBe(17);
    within(r.rows[0]!.lengthMm, 140.5, 0.002);
    within(r.rows[10]!.lengthMm, 116.379, 0.002);
    within(r.totalMm, 1962.74, 0.002);
  });

  it('V bib on a plane, 30 degrees, width 60, depth 48: 12 chevrons of 69.282, not rounded', () => {
    const c = Math.cos(Math.PI / 6);
    const s = Math.sin(Math.PI / 6);
    // phi = y cos 30 - |x| sin 30, from 0 to 48; columns follow x, so the fold lies on mesh edges.
    const mesh = gridMesh(40, 32, (u, v) => {
      const x = 60 * (u - 0.5);
      return [x, (48 * v + Math.abs(x) * s) / c, 0];
    });
    const against = new Float64Array(mesh.triangles.length);
    for (let t = 0; t < mesh.triangles.length; t += 3) {
      const x = [0, 1, 2].reduce((sum, k) => sum + mesh.positions[3 * mesh.triangles[t + k]!]!, 0);
      against.set([x < 0 ? s : -s, c, 0], t);
    }
    const flat = new Float64Array(mesh.positions.length);
    const f = rowField(mesh, rowSystem(mesh), against);
    const r = measureRows(mesh, f, 4, flat, flat);
    expect(r.rows.length).toBe(12);
    for (const row of r.rows) within(row.lengthMm, 69.282, 0.0005);
    within(r.totalMm, 831.38, 0.0005);
  });

  it('a cone rolled flat with a lie that is straight there: 26 straight rows', () => {
    const sin = 12 / 80;
    const cos = Math.sqrt(1 - sin * sin);
    const slant = ([x, y, z]: V3) => (z - 18 * sin) * cos - (Math.hypot(x, y) - 18 * cos) * sin;
    const azimuth = ([x, y]: V3) => Math.atan2(y, x);
    const r = rowsOn(
      one([0, 0, 0], [0, 0, 80], 18, 6),
      (p) => Math.min(slant(p) - 8, 72 - slant(p), Math.hypot(p[0], p[1]) * (2.4 - Math.abs(azimuth(p)))),
      (p) => {
        // Rolled flat, an azimuth becomes an angle at the apex sin(half angle) times as large.
        const turn = 0.5 - azimuth(p) * sin;
        const q = Math.hypot(p[0], p[1]);
        const [c, s] = [Math.cos(turn), Math.sin(turn)];
        return [(c * sin * p[0] - s * p[1]) / q, (c * sin * p[1] + s * p[0]) / q, -c * cos];
      },
      3,
    );
    expect(r.rows.length).toBe(26);
    within(r.totalMm, 1208.25, 0.002);
    // The flat sector has the area (rho2^2 - rho1^2) / 2 times its angle; straight rows 3 mm apart share it out.
    const rho = (18 * cos) / sin;
    within(r.totalMm, (((rho - 8) ** 2 - (rho - 72) ** 2) * 2.4 * sin) / 3, 0.004);
    expect(r.strayDeg.p95).toBeLessThan(1);
  });

  it('a lie that spirals on a tube is laid as rings, steepness the cosine of the spiral angle', () => {
    const angle = 0.4;
    const r = rowsOn(
      one([0, 0, -20], [0, 0, 100], 10, 10),
      ([, , z]) => Math.min(z, 80 - z),
      ([x, y]) => [(-y / 10) * Math.sin(angle), (x / 10) * Math.sin(angle), -Math.cos(angle)],
      3,
    );
    within(3 / r.spacingMm.p50, Math.cos(angle), 0.005);
    within(r.strayDeg.p50, (angle * 180) / Math.PI, 0.02);
  });
});

describe('a cut that meets vertices', () => {
  it('keeps the area of the band and leaves no slivers', () => {
    const r = rowsOn(
      one([0, 0, -20], [0, 0, 100], 10, 10),
      ([, , z]) => Math.min(z - 0.3, 79.9 - z),
      () => [0, 0, -1],
      3,
    );
    within(r.patch.areaMm2, 2 * Math.PI * 10 * 79.6, 0.003);
    const p = r.patch.positions;
    let shortest = Infinity;
    for (let e = 0; e < r.patch.edges.count; e++) {
      const i = 3 * r.patch.edges.ends[2 * e]!;
      const j = 3 * r.patch.edges.ends[2 * e + 1]!;
      shortest = Math.min(shortest, Math.hypot(p[i]! - p[j]!, p[i + 1]! - p[j + 1]!, p[i + 2]! - p[j + 2]!));
    }
    expect(shortest).toBeGreaterThan(0.15 * 1.5);
  });
});
