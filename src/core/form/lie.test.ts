/** Combing, and what a lie is found to do: crowns, saddles, partings. */
import { beforeAll, describe, expect, it } from 'vitest';
import { alpacaCria, kingfisher, pineMarten } from '../../../demo/load';
import { makeField } from '@/core/geometry/field';
import { polygonise } from '@/core/geometry/polygonise';
import type { Vec3 } from '@/core/geometry/vec';
import type { Comb, Piece } from '@/core/piece/schema';
import { addCombStroke, addTurn, removeComb } from './comb-edits';
import { workForm, type FormWork } from './form';
import { lieOf } from './lie';
import { isLeaf } from './leaf';
import { lieMarks } from './lie-marks';

let marten: FormWork;
const drawn: Piece = { ...pineMarten, form: { ...pineMarten.form, pose: [] } };
beforeAll(() => {
  marten = workForm(drawn.form, 1 / 80);
});
const comb = (w: FormWork, combs: readonly Comb[]) => lieOf(w.body, w.skin, w.distance, combs);

/** Mean angle between two lies over the vertices where `where` holds, degrees. */
function turned(w: FormWork, a: Float64Array, b: Float64Array, where: (p: Vec3) => boolean): number {
  let sum = 0;
  let n = 0;
  for (let v = 0; v < a.length; v += 3) {
    const p: Vec3 = [w.skin.positions[v]!, w.skin.positions[v + 1]!, w.skin.positions[v + 2]!];
    if (!where(p)) continue;
    const cos = a[v]! * b[v]! + a[v + 1]! * b[v + 1]! + a[v + 2]! * b[v + 2]!;
    sum += (Math.acos(Math.max(-1, Math.min(1, cos))) * 180) / Math.PI;
    n++;
  }
  return sum / n;
}

describe('the comb', () => {
  it('turns the fur of a part by the angle asked, mirrored, and leaves the far end of the animal alone', () => {
    const before = marten.lie;
    const combs = addTurn(drawn, { parts: ['trunk'] }, 40).combs;
    const after = comb(marten, combs);
    const middle = ([x, y, z]: Vec3) => Math.abs(z) < 8 && Math.abs(x) > 8 && y > 30;
    expect(turned(marten, before, after, middle)).toBeGreaterThan(30);
    expect(turned(marten, before, after, middle)).toBeLessThan(45);
    expect(turned(marten, before, after, ([, , z]) => z > 80)).toBeLessThan(6);
    // Both sides mirror each other exactly.
    marten.skin.mirror.forEach((w, v) => {
      expect(after[3 * w]).toBeCloseTo(-after[3 * v]!, 9);
      expect(after[3 * w + 1]).toBeCloseTo(after[3 * v + 1]!, 9);
    });
  });

  it('a stroke lays the fur along it, as wide as the comb and hardly further', () => {
    const flank: Vec3[] = Array.from({ length: 9 }, (_, i) => [14, 40 + 2 * i, 0]);
    const p = addCombStroke(drawn, marten.body, flank, 50, true);
    expect(p.combs.length).toBe(1);
    const after = comb(marten, p.combs);
    let along = 0;
    let n = 0;
    for (let v = 0; v < after.length; v += 3) {
      const q = [0, 1, 2].map((k) => marten.skin.positions[v + k]!);
      if (Math.abs(q[2]!) > 3 || q[0]! < 6 || q[1]! < 40 || q[1]! > 56) continue;
      along += after[v + 1]!;
      n++;
    }
    // Combed upward there; the body alone lays it backward.
    expect(along / n).toBeGreaterThan(0.7);
    expect(turned(marten, marten.lie, after, ([, , z]) => Math.abs(z) > 50)).toBeLessThan(8);
    // The mirrored stroke does the same on the right.
    marten.skin.mirror.forEach((w, v) => expect(after[3 * w + 1]).toBeCloseTo(after[3 * v + 1]!, 9));
  });

  it('one side alone may be combed, strokes of one point are none, and any can be taken away', () => {
    const flank: Vec3[] = Array.from({ length: 9 }, (_, i) => [14, 40 + 2 * i, 0]);
    const p = addCombStroke(drawn, marten.body, flank, 50, false);
    const after = comb(marten, p.combs);
    const left = turned(marten, marten.lie, after, ([x, y, z]) => x > 6 && Math.abs(z) < 4 && y > 40 && y < 56);
    const right = turned(marten, marten.lie, after, ([x, y, z]) => x < -6 && Math.abs(z) < 4 && y > 40 && y < 56);
    expect(left).toBeGreaterThan(30);
    expect(right).toBeLessThan(0.4 * left);
    expect(addCombStroke(drawn, marten.body, flank.slice(0, 1), 50, true)).toBe(drawn);
    const none = removeComb(p, 0);
    expect(none.combs).toEqual([]);
    expect(comb(marten, none.combs)).toEqual(marten.lie);
  });
});

describe('special places of a lie', () => {
  // Poincaré and Hopf: on a closed skin the indices add up to its Euler number, 2 for an animal without holes. (The sharp
  // edges of a board and of leaves turn too much in one triangle for the sum to be exact.)
  it.each([
    ['pine marten', pineMarten],
    ['alpaca cria', alpacaCria],
    ['kingfisher', kingfisher],
  ])('add up to 2 for each closed piece of the %s', (_n, piece) => {
    const w = workForm({ ...piece.form, parts: piece.form.parts.filter((p) => !isLeaf(p)) });
    expect(lieMarks(w.skin, w.lie).reduce((s, m) => s + m.index, 0)).toBe(2 * w.skin.pieces);
  });

  it('on a ball combed from pole to pole: one crown above, one meeting below, nothing else', () => {
    const skin = polygonise(
      makeField([
        {
          solids: [{ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [20, 20, 20] }],
          innerBlend: 0,
          blend: 0,
          mirrored: false,
        },
      ]),
      2,
    );
    const n = skin.positions.length / 3;
    const lie = new Float64Array(3 * n);
    const pole = [0.36, 0.8, 0.48] as const;
    for (let v = 0; v < n; v++) {
      const [x, y, z] = [0, 1, 2].map((k) => skin.normals[3 * v + k]!) as [number, number, number];
      // The poles lie off the corners of the grid.
      const along = x * pole[0] + y * pole[1] + z * pole[2];
      const d = [along * x - pole[0], along * y - pole[1], along * z - pole[2]];
      const l = Math.hypot(...d) || 1;
      lie.set(
        d.map((q) => q / l),
        3 * v,
      );
    }
    const marks = lieMarks(skin, lie);
    const of = (kind: string) => marks.filter((m) => m.kind === kind);
    expect(of('crown').length).toBe(1);
    expect(of('crown')[0]!.at[1]).toBeGreaterThan(14);
    expect(of('meeting').length).toBe(1);
    expect(of('meeting')[0]!.at[1]).toBeLessThan(-14);
    expect(of('saddle').length).toBe(0);
    // Turned a right angle about the upright it is two whirls.
    const round = new Float64Array(3 * n);
    for (let v = 0; v < n; v++) {
      const [nx, ny, nz] = [0, 1, 2].map((k) => skin.normals[3 * v + k]!) as [number, number, number];
      const [a, b, c] = [0, 1, 2].map((k) => lie[3 * v + k]!) as [number, number, number];
      round.set([ny * c - nz * b, nz * a - nx * c, nx * b - ny * a], 3 * v);
    }
    expect(lieMarks(skin, round).filter((m) => m.kind === 'whirl').length).toBe(2);
  });

  it('a parting down the back is one line, about as long as it is', () => {
    const skin = polygonise(
      makeField([
        {
          solids: [{ kind: 'ellipsoid', centre: [0, 0, 0], axes: [1, 0, 0, 0, 1, 0, 0, 0, 1], semi: [14, 14, 40] }],
          innerBlend: 0,
          blend: 0,
          mirrored: false,
        },
      ]),
      2,
    );
    const n = skin.positions.length / 3;
    const lie = new Float64Array(3 * n);
    for (let v = 0; v < n; v++) {
      const [nx, ny, nz] = [0, 1, 2].map((k) => skin.normals[3 * v + k]!) as [number, number, number];
      // To its own side over the middle of the back, backward everywhere else.
      const middle = Math.abs(skin.positions[3 * v + 2]!) < 20 && ny > 0.2;
      const want = middle ? [Math.sign(skin.positions[3 * v]!) || 1, 0, 0] : [0, 0, -1];
      const off = want[0]! * nx + want[1]! * ny + want[2]! * nz;
      const d = [want[0]! - off * nx, want[1]! - off * ny, want[2]! - off * nz];
      const l = Math.hypot(...d) || 1;
      lie.set(
        d.map((q) => q / l),
        3 * v,
      );
    }
    const partings = lieMarks(skin, lie).filter((m) => m.kind === 'parting');
    const longest = partings.sort((a, b) => b.lengthMm - a.lengthMm)[0]!;
    expect(longest.lengthMm).toBeGreaterThan(28);
    expect(longest.lengthMm).toBeLessThan(64);
    expect(Math.abs(longest.at[0])).toBeLessThan(2);
    expect(longest.at[1]).toBeGreaterThan(10);
  });
});
