import bunny from 'bunny';
import Module from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { makeField } from './field';
import { flatExtent, type Mesh } from './mesh';
import { polygonise } from './polygonise';
import { MOST_TRIANGLES, repair, ScanError, type Repaired, type Soup } from './repair';
import { roundCone, type Solid } from './shapes';

const run = (soup: Soup): Repaired => {
  const steps = repair(soup);
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
  }
};
const skinOf = (s: Solid, edge = 1.5): Mesh =>
  polygonise(makeField([{ solids: [s], innerBlend: 0, blend: 0, mirrored: false }]), edge);
const ball = skinOf({ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [30, 22, 40] });
const other = skinOf(roundCone([15, 0, 0], [55, 5, 0], 18, 12));
/** Every triangle with corners of its own, as an STL has them. */
const apart = (m: Mesh): Soup => ({
  positions: Float64Array.from(Array.from(m.triangles).flatMap((v) => [0, 1, 2].map((k) => m.positions[3 * v + k]!))),
  triangles: Uint32Array.from({ length: m.triangles.length }, (_, i) => i),
});
/** Every triangle split into four by the middles of its sides. */
function inFour(s: Soup): Soup {
  const out = new Float64Array(4 * 3 * s.triangles.length);
  const at = (v: number) => [0, 1, 2].map((k) => s.positions[3 * v + k]!);
  const mid = (a: number[], b: number[]) => a.map((x, k) => (x + b[k]!) / 2);
  let n = 0;
  for (let t = 0; t < s.triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => at(s.triangles[t + k]!)) as [number[], number[], number[]];
    const [d, e, f] = [mid(a, b), mid(b, c), mid(c, a)];
    for (const corner of [a, d, f, d, b, e, f, e, c, d, e, f]) for (const x of corner) out[n++] = x;
  }
  return { positions: out, triangles: Uint32Array.from({ length: n / 3 }, (_, i) => i) };
}

const together = (a: Mesh, b: Mesh): Soup => ({
  positions: Float64Array.from([...a.positions, ...b.positions]),
  triangles: Uint32Array.from([...a.triangles, ...Array.from(b.triangles, (v) => v + a.positions.length / 3)]),
});

let kernel: Awaited<ReturnType<typeof Module>>;
beforeAll(async () => {
  kernel = await Module();
  kernel.setup();
});
/** The same mesh in an independent library. */
const manifold = (m: Mesh) =>
  new kernel.Manifold(
    new kernel.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(m.positions),
      triVerts: Uint32Array.from(m.triangles),
    }),
  );

describe('a sound scan', () => {
  it('keeps its triangles, and its volume and area are those an independent library finds', () => {
    // Places a float can hold, so both see the same body.
    const held: Mesh = { positions: Float64Array.from(ball.positions, Math.fround), triangles: ball.triangles };
    const r = run(apart(held));
    expect(r.report).toMatchObject({
      remade: 'no',
      shells: 1,
      openEdges: 0,
      turned: 0,
      trianglesKept: ball.triangles.length / 3,
    });
    expect(r.report.welded).toBe(ball.triangles.length - ball.positions.length / 3);
    const m = manifold(r.mesh);
    const e = flatExtent(r.mesh);
    expect(Math.abs(e.volumeMm3 / m.volume() - 1)).toBeLessThan(1e-6);
    expect(Math.abs(e.areaMm2 / m.surfaceArea() - 1)).toBeLessThan(1e-6);
  });

  it('that looks inward, wholly or in part, is turned outward', () => {
    const flip = (some: (t: number) => boolean): Soup => {
      const T = Uint32Array.from(ball.triangles);
      for (let t = 0; t < T.length; t += 3) if (some(t / 3)) [T[t + 1], T[t + 2]] = [T[t + 2]!, T[t + 1]!];
      return { positions: ball.positions, triangles: T };
    };
    for (const some of [() => true, (t: number) => t % 3 === 0]) {
      const r = run(flip(some));
      expect(r.report.remade).toBe('no');
      expect(r.report.turned).toBeGreaterThan(100);
      expect(r.extent.volumeMm3).toBeCloseTo(flatExtent(ball).volumeMm3, 6);
    }
  });

  it('doubled and empty triangles are dropped', () => {
    const extra = Uint32Array.from([...ball.triangles, ...ball.triangles.slice(0, 30), 5, 5, 9]);
    const r = run({ positions: ball.positions, triangles: extra });
    expect(r.report).toMatchObject({ doubled: 10, empty: 1, remade: 'no' });
  });
});

describe('a scan that is not sound', () => {
  it('two shells in each other become their union, within 1 % of an independent library', () => {
    const union = manifold(ball).add(manifold(other));
    const r = run(together(ball, other));
    expect(r.report.remade).toBe('several shells');
    expect(r.pieces).toBe(1);
    expect(Math.abs(r.extent.volumeMm3 / union.volume() - 1)).toBeLessThan(0.01);
    expect(Math.abs(r.extent.areaMm2 / union.surfaceArea() - 1)).toBeLessThan(0.02);
  });

  it('a hole is closed over', () => {
    // The foot of the ball cut away: every triangle below y = -18.
    const T: number[] = [];
    for (let t = 0; t < ball.triangles.length; t += 3) {
      const c = [0, 1, 2].map((k) => ball.triangles[t + k]!);
      if (c.every((v) => ball.positions[3 * v + 1]! > -18)) T.push(...c);
    }
    const r = run({ positions: ball.positions, triangles: Uint32Array.from(T) });
    expect(r.report.remade).toBe('open');
    expect(r.report.openEdges).toBeGreaterThan(10);
    expect(r.pieces).toBe(1);
    const whole = flatExtent(ball).volumeMm3;
    expect(r.extent.volumeMm3 / whole).toBeGreaterThan(0.85);
    expect(r.extent.volumeMm3 / whole).toBeLessThan(1.01);
  });

  it('a fin on an edge is tangled and made anew', () => {
    const v = ball.positions.length / 3;
    const soup: Soup = {
      positions: Float64Array.from([...ball.positions, 0, 80, 0]),
      triangles: Uint32Array.from([...ball.triangles, ball.triangles[0]!, ball.triangles[1]!, v]),
    };
    const r = run(soup);
    expect(r.report.remade).toBe('tangled');
    expect(Math.abs(r.extent.volumeMm3 / flatExtent(ball).volumeMm3 - 1)).toBeLessThan(0.02);
  });

  it('a million triangles are made coarser without hanging', () => {
    // Every triangle in four, until there are a million.
    let fine = apart(ball);
    while (fine.triangles.length / 3 < 1e6) fine = inFour(fine);
    const r = run(fine);
    expect(r.report.remade).toBe('too fine');
    expect(r.report.trianglesKept).toBeLessThan(MOST_TRIANGLES);
    expect(Math.abs(r.extent.volumeMm3 / flatExtent(ball).volumeMm3 - 1)).toBeLessThan(0.005);
  });

  it('what is made anew keeps to the limit however much skin it has: a box that is open', () => {
    const corners = Array.from({ length: 8 }, (_, i) => [50 * (i & 1), 25 * (i & 2), 12.5 * (i & 4)]).flat();
    const T = [
      0, 2, 1, 1, 2, 3, 4, 5, 6, 5, 7, 6, 0, 1, 4, 1, 5, 4, 2, 6, 3, 3, 6, 7, 0, 4, 2, 2, 4, 6, 1, 3, 5, 3, 7, 5,
    ];
    let box = apart({ positions: Float64Array.from(corners), triangles: Uint32Array.from(T) } as Mesh);
    for (let k = 0; k < 4; k++) box = inFour(box);
    const r = run({ ...box, triangles: box.triangles.slice(3) });
    expect(r.report.remade).toBe('open');
    expect(r.report.trianglesKept).toBeLessThanOrEqual(MOST_TRIANGLES);
    // Not coarser than it has to be, and still the box.
    expect(r.report.trianglesKept).toBeGreaterThan(0.7 * MOST_TRIANGLES);
    expect(Math.abs(r.extent.volumeMm3 / 50 ** 3 - 1)).toBeLessThan(0.01);
  });

  it.each([
    ['nothing', { positions: new Float64Array(0), triangles: new Uint32Array(0) }, /no triangles/],
    [
      'places that are not numbers',
      { positions: Float64Array.from([0, 0, NaN, 1, 0, 0, 0, 1, 0]), triangles: Uint32Array.from([0, 1, 2]) },
      /not numbers/,
    ],
    ['one place only', { positions: new Float64Array(9), triangles: Uint32Array.from([0, 1, 2]) }, /no size/],
    [
      'a flat sheet',
      {
        positions: Float64Array.from([0, 0, 0, 9, 0, 0, 0, 9, 0, 9, 9, 0]),
        triangles: Uint32Array.from([0, 1, 2, 1, 3, 2]),
      },
      /encloses nothing/,
    ],
  ])('%s is refused in words', (_n, soup, words) => {
    expect(() => run(soup)).toThrow(ScanError);
    expect(() => run(soup)).toThrow(words);
  });
});

describe('a real scan', () => {
  // The Stanford bunny: open at its foot, 3 mm wide in the units it is kept in.
  it('the bunny is closed and in one piece', () => {
    const soup: Soup = {
      positions: Float64Array.from(bunny.positions.flat()),
      triangles: Uint32Array.from(bunny.cells.flat()),
    };
    const r = run(soup);
    expect(r.pieces).toBe(1);
    // It comes with fewer triangles than rows need, so it is made anew.
    expect(r.report.remade).not.toBe('no');
    expect(r.report.trianglesKept).toBeGreaterThan(8000);
    expect(r.extent.volumeMm3).toBeGreaterThan(0);
  });
});
