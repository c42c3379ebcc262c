import { describe, expect, it } from 'vitest';
import { makeField } from './field';
import { buildEdges, checkSurface, flatExtent } from './mesh';
import { polygonise } from './polygonise';
import { roundCone } from './shapes';
import { spreadDirections } from './tangent-field';
import { cotangents } from './weights';
import { cutPatch } from './cut';
import { isolines } from './isolines';

const tube = polygonise(
  makeField([{ solids: [roundCone([0, 0, -40], [0, 0, 40], 10, 10)], innerBlend: 0, blend: 0, mirrored: false }]),
  1.5,
);
const n = tube.positions.length / 3;

describe('spreading directions', () => {
  const cot = cotangents(tube, tube.edges);
  it('keeps a field that is already smooth', () => {
    const wanted = new Float64Array(3 * n);
    for (let v = 0; v < n; v++) wanted[3 * v + 2] = 1;
    const got = spreadDirections(tube.normals, tube.edges, cot, wanted, 5);
    for (let v = 0; v < n; v++)
      if (Math.abs(tube.positions[3 * v + 2]!) < 30) expect(got[3 * v + 2]).toBeGreaterThan(0.999);
  });

  it('fills in where nothing is known: directions at the two ends are carried along the tube between them', () => {
    const wanted = new Float64Array(3 * n);
    for (let v = 0; v < n; v++) if (Math.abs(tube.positions[3 * v + 2]!) > 25) wanted[3 * v + 2] = 1;
    const got = spreadDirections(tube.normals, tube.edges, cot, wanted, 25);
    for (let v = 0; v < n; v++)
      if (Math.abs(tube.positions[3 * v + 2]!) < 20) expect(got[3 * v + 2]).toBeGreaterThan(0.99);
  });

  it('turns gradually between a lie along the tube and one around it', () => {
    const wanted = new Float64Array(3 * n);
    for (let v = 0; v < n; v++) {
      const [x, y, z] = [tube.positions[3 * v]!, tube.positions[3 * v + 1]!, tube.positions[3 * v + 2]!];
      if (z > 15) wanted.set([-y / 10, x / 10, 0], 3 * v);
      if (z < -15) wanted.set([0, 0, 1], 3 * v);
    }
    const got = spreadDirections(tube.normals, tube.edges, cot, wanted, 25);
    const angleAt = (z: number) => {
      let sum = 0;
      let m = 0;
      for (let v = 0; v < n; v++) {
        if (Math.abs(tube.positions[3 * v + 2]! - z) > 1.5) continue;
        sum += Math.acos(Math.min(1, got[3 * v + 2]!));
        m++;
      }
      return ((sum / m) * 180) / Math.PI;
    };
    const angles = [-12, -6, 0, 6, 12].map(angleAt);
    expect([...angles].sort((a, b) => a - b)).toEqual(angles);
    expect(Math.abs(angles[2]! - 45)).toBeLessThan(4);
  });
});

describe('cotangent weights', () => {
  it('measure the area of the surface and the energy of a linear height', () => {
    const cot = cotangents(tube, tube.edges);
    expect(cot.mass.reduce((a, b) => a + b, 0)).toBeCloseTo(flatExtent(tube).areaMm2, 3);
    // The Dirichlet energy of z over the straight part is its area; with the caps it is the integral of 1 - n_z^2.
    let energy = 0;
    for (let e = 0; e < tube.edges.count; e++) {
      const d = tube.positions[3 * tube.edges.ends[2 * e]! + 2]! - tube.positions[3 * tube.edges.ends[2 * e + 1]! + 2]!;
      energy += cot.edge[e]! * d * d;
    }
    const straight = 2 * Math.PI * 10 * 80;
    const caps = 4 * Math.PI * 100 * (2 / 3);
    expect(Math.abs(energy / (straight + caps) - 1)).toBeLessThan(0.005);
  });
});

describe('cutting', () => {
  const band = (lo: number, hi: number) => {
    const s = new Float64Array(n);
    for (let v = 0; v < n; v++) s[v] = Math.min(tube.positions[3 * v + 2]! - lo, hi - tube.positions[3 * v + 2]!);
    return s;
  };
  it('an open tube has Euler number 0 and two borders; its area is that of the band', () => {
    const p = cutPatch(tube, tube.edges, band(-21.3, 17.9), 1)!;
    const check = checkSurface(p, p.edges);
    expect([check.closed, check.euler, check.pieces]).toEqual([false, 0, 1]);
    expect(Math.abs(p.areaMm2 / (2 * Math.PI * 10 * 39.2) - 1)).toBeLessThan(0.004);
  });
  it('numbers separate pieces and drops specks', () => {
    const both = band(-30, -20).map((x, v) => Math.max(x, band20[v]!));
    const p = cutPatch(tube, tube.edges, both, 1)!;
    expect(p.pieces).toBe(2);
    expect(cutPatch(tube, tube.edges, both, 500)!.pieces).toBe(1);
    expect(cutPatch(tube, tube.edges, both, 5000)).toBeNull();
    expect(cutPatch(tube, tube.edges, new Float64Array(n).fill(-1), 1)).toBeNull();
  });
  const band20 = band(10, 15);
});

describe('level lines', () => {
  it('of the height of a tube are closed circles at the right heights', () => {
    const z = Float64Array.from({ length: n }, (_, v) => tube.positions[3 * v + 2]!);
    const lines = isolines(tube, tube.edges, z, -30, 10);
    const straight = lines.filter((l) => l.level >= 0 && l.level <= 6);
    expect(straight.length).toBe(7);
    for (const l of straight) {
      expect(l.closed).toBe(true);
      expect(Math.abs(l.lengthMm / (20 * Math.PI) - 1)).toBeLessThan(0.004);
      for (let i = 2; i < l.points.length; i += 3) expect(l.points[i]).toBeCloseTo(-30 + 10 * l.level, 9);
    }
  });
  it('end at the border of an open surface', () => {
    // A square of four triangles; the line at half height runs from side to side.
    const mesh = {
      positions: Float64Array.of(0, 0, 0, 2, 0, 0, 2, 2, 0, 0, 2, 0, 1, 1, 0),
      triangles: Uint32Array.of(0, 1, 4, 1, 2, 4, 2, 3, 4, 3, 0, 4),
    };
    const edges = buildEdges(mesh.triangles, 5);
    const [line, ...more] = isolines(mesh, edges, Float64Array.of(0, 0, 2, 2, 1), 0.5, 10);
    expect(more).toEqual([]);
    expect(line!.closed).toBe(false);
    expect(line!.lengthMm).toBeCloseTo(2, 12);
  });
  it('a mesh with three triangles on one edge is refused', () => {
    expect(() => buildEdges(Uint32Array.of(0, 1, 2, 1, 0, 3, 0, 1, 4), 5)).toThrow(/not manifold/);
  });
});
