/** Cover of fur in rows from any side, against random straight fibres cast onto the skin one by one. */
import { describe, expect, it } from 'vitest';
import { normal, seeded } from '@/core/random';
import { ABOVE, AGAINST, ALONG_ROWS, hiddenBy, RISE_DEG, type RowsOfFur, type View } from './leaning';

const rad = Math.PI / 180;

/**
 * Independent reference: single fibres of a thickness, rooted at random along rows that lie at random to each other, their
 * shadows cut with lines along the row and the length of line under any shadow measured.
 */
function simulate(f: RowsOfFur, view: View, seed: number): number {
  const rnd = seeded(seed);
  const [sin, cos] = [Math.sin(view.tiltDeg * rad), Math.cos(view.tiltDeg * rad)];
  const w = [sin * Math.sin(view.azimuthDeg * rad), -sin * Math.cos(view.azimuthDeg * rad), cos] as const;
  const d = 0.05;
  const width = Math.max(16, Math.ceil(20 / f.pitchMm)) * (f.pitchMm > f.widthMm ? f.pitchMm : 1);
  const perRow = (f.q / d) * width;
  const reach = f.lengthMm * (1 + sin / cos);
  // Shadows that run along a line hide much of it at once: of those it takes more lines.
  const lines = f.falls === 'to all sides' ? 200 : 16;
  let bare = 0;
  for (let k = 0; k < lines; k++) {
    const y = ((k + rnd()) / lines) * f.spacingMm;
    const from: number[] = [];
    const to: number[] = [];
    for (let row = -Math.ceil(reach / f.spacingMm); row <= Math.ceil(reach / f.spacingMm) + 1; row++) {
      const phase = rnd() * f.pitchMm;
      const count = Math.floor(perRow) + (rnd() < perRow % 1 ? 1 : 0);
      for (let i = 0; i < count; i++) {
        const gaps = f.pitchMm > f.widthMm;
        const x0 = gaps
          ? phase + f.pitchMm * Math.floor(rnd() * Math.round(width / f.pitchMm)) + (rnd() - 0.5) * f.widthMm
          : rnd() * width;
        const hem = f.falls === 'to the hem';
        const lift = Math.max(0, f.liftDeg * rad + (hem ? 0.1 : RISE_DEG * rad) * normal(rnd));
        const yaw = hem ? f.scatter * normal(rnd) : rnd() * 2 * Math.PI;
        const u = [Math.cos(lift) * Math.sin(yaw), -Math.cos(lift) * Math.cos(yaw), Math.sin(lift)] as const;
        const hx = f.lengthMm * (u[0] - (w[0] * u[2]) / w[2]);
        const hy = f.lengthMm * (u[1] - (w[1] * u[2]) / w[2]);
        const t = (y - row * f.spacingMm) / hy;
        if (!(t >= 0 && t <= 1)) continue;
        const cross = Math.hypot(u[1] * w[2] - u[2] * w[1], u[2] * w[0] - u[0] * w[2], u[0] * w[1] - u[1] * w[0]);
        // A band d |u x w| / cos T / |h| wide cut along the row; never longer than the shadow itself.
        const wide = Math.min((d * f.lengthMm * cross) / cos / Math.abs(hy), Math.abs(hx) + d);
        const a = (((x0 + t * hx - wide / 2) % width) + width) % width;
        from.push(a);
        to.push(a + wide);
        if (a + wide > width) {
          from.push(0);
          to.push(a + wide - width);
        }
      }
    }
    const order = from.map((_, i) => i).sort((i, j) => from[i]! - from[j]!);
    let hidden = 0;
    let end = 0;
    for (const i of order) {
      const b = Math.min(width, to[i]!);
      hidden += Math.max(0, b - Math.max(end, from[i]!));
      end = Math.max(end, b);
    }
    bare += 1 - hidden / width;
  }
  return 1 - bare / lines;
}

const even = { kappa: 1, unevenness: 0 };

describe('cover of rows, seen from any side', () => {
  // Own simulations of the design notes (from memory): L, s, lift, q, pinch and pitch, elevation of the eye, its side; share hidden.
  it.each([
    [20.95, 8.72, 51.7, 1.2587, 0, 0, 64.4, 0, 0.493],
    [9.66, 4.53, 48.2, 0.4762, 0, 0, 80.9, 180, 0.542],
    [10, 3.87, 44.9, 3.5871, 0, 0, 45, 0, 0.703],
    [10, 6.19, 49.6, 4.6418, 0, 0, 45, 0, 0.556],
    [10, 5.15, 35.2, 3.1433, 0, 0, 45, 0, 0.674],
    [10, 1.3, 42, 1.011, 0, 0, 45, 0, 0.74],
    [6.89, 3.04, 44.8, 0.9898, 1.42, 3.28, 58.1, 180, 0.82],
    [17.36, 2.98, 50.8, 0.7454, 2.5, 5.12, 73.1, 0, 0.767],
    [8.82, 2.03, 18, 1.1157, 3.79, 6.18, 45, 90, 0.991],
    [17.05, 3.6, 50.7, 2.2337, 3.28, 5.53, 69.2, 0, 0.924],
  ])('%f mm, rows %f mm, %f degrees', (L, s, lift, q, w, p, elevation, side, hidden) => {
    const f: RowsOfFur = {
      ...even,
      lengthMm: L,
      spacingMm: s,
      liftDeg: lift,
      q,
      falls: 'to the hem',
      scatter: 0.12,
      widthMm: w || 5,
      pitchMm: p || 5,
    };
    expect(Math.abs(hiddenBy(f, { tiltDeg: 90 - elevation, azimuthDeg: side }) - hidden)).toBeLessThan(0.025);
  });

  const between = (rnd: () => number, lo: number, hi: number) => lo + (hi - lo) * rnd();
  const rowsOf = (rnd: () => number, falls: RowsOfFur['falls'], lift: readonly [number, number]): RowsOfFur => {
    const lengthMm = between(rnd, 6, 22);
    const spacingMm = lengthMm * between(rnd, 0.15, 0.5);
    return {
      ...even,
      lengthMm,
      spacingMm,
      liftDeg: between(rnd, ...lift),
      q: between(rnd, 0.3, 4) * (spacingMm / lengthMm),
      falls,
      scatter: 0.12,
      widthMm: 5,
      pitchMm: 5,
    };
  };
  /** How each way of laying lies. */
  const WAYS: Readonly<Record<string, (rnd: () => number) => RowsOfFur>> = {
    'folded rows': (rnd) => rowsOf(rnd, 'to the hem', [0, 60]),
    'folded rows, short and steep': (rnd) => ({
      ...rowsOf(rnd, 'to the hem', [38, 50]),
      lengthMm: 10,
      spacingMm: between(rnd, 1.5, 6),
      q: between(rnd, 0.5, 4),
    }),
    'pinches with gaps': (rnd) => {
      const widthMm = between(rnd, 1.5, 4);
      return { ...rowsOf(rnd, 'to the hem', [10, 50]), widthMm, pitchMm: widthMm * between(rnd, 1.2, 2.2) };
    },
    'locks in courses': (rnd) => {
      const widthMm = between(rnd, 2, 4);
      const lengthMm = between(rnd, 20, 50);
      return {
        ...rowsOf(rnd, 'to the hem', [8, 30]),
        lengthMm,
        spacingMm: lengthMm * between(rnd, 0.2, 0.4),
        scatter: rnd() < 0.5 ? 0.1 : 0.25,
        widthMm,
        pitchMm: widthMm * between(rnd, 1.2, 2.2),
      };
    },
    bows: (rnd) => ({
      ...rowsOf(rnd, 'to the hem', [10, 25]),
      lengthMm: between(rnd, 4, 8),
      spacingMm: between(rnd, 1, 3),
    }),
    'a standing pile': (rnd) => rowsOf(rnd, 'to all sides', [35, 65]),
  };
  for (const [way, make] of Object.entries(WAYS)) {
    it(`${way}: within 0.03 of random fibres, from above, against and across the lie`, () => {
      const rnd = seeded(way.length);
      for (let i = 0; i < 12; i++) {
        const f = make(rnd);
        for (const view of [ABOVE, AGAINST, ALONG_ROWS]) {
          const seen = simulate(f, view, 100 * i + view.azimuthDeg + view.tiltDeg);
          expect(Math.abs(hiddenBy(f, view) - seen), JSON.stringify({ f, view, seen })).toBeLessThan(0.03);
        }
      }
    });
  }

  it('very many rows over each other are counted in wider strips and come to the same', () => {
    // Closed form: fur lying flat, no scatter worth the name, L/s rows of q over every place.
    const f = { ...even, lengthMm: 100, spacingMm: 0.5, liftDeg: 0, q: 0.01, scatter: 0.01, widthMm: 5, pitchMm: 5 };
    expect(hiddenBy({ ...f, falls: 'to the hem' }, ABOVE)).toBeCloseTo(1 - Math.exp(-0.01 * 200), 2);
  });
});
