/** The whole picture: the same every time, as light as the plan's colours where fur is seen square on, hiding what the cover figure says; stopped at once. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { difference } from '@/core/colour/difference';
import { labOf, labOfLinear, type Triple } from '@/core/colour/lab';
import { toLinear } from '@/core/colour/rgb';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { seenColours } from '@/core/shade/layers/strand-colour';
import { areasOfSkin } from './bare-skin';
import { centreOf, eye, projector } from './lens';
import { still, type StillOptions } from './still';
import { faceTurned, SIDE_NAMES, turnedTo } from './viewpoints';

const marten = planned(pineMarten, cupboard, defaultHand, COARSELY);
const plain: StillOptions = {
  turned: turnedTo(pineMarten, 'left'),
  width: 480,
  height: 360,
  lighting: 'overcast',
  fibres: 120_000,
  zoom: 1,
};
const left = still(pineMarten, marten, cupboard, plain);

describe('a picture', () => {
  it('is the same to the byte', () => {
    const small = { ...plain, width: 160, height: 120, fibres: 30_000 };
    expect(still(pineMarten, marten, cupboard, small).rgb).toEqual(still(pineMarten, marten, cupboard, small).rgb);
  });
  it('can be stopped, and says how far it is', () => {
    const shares: number[] = [];
    const stop = () =>
      still(pineMarten, marten, cupboard, {
        ...plain,
        progress: (s) => {
          shares.push(s);
          if (s > 0.3) throw new Error('stopped');
        },
      });
    expect(stop).toThrow('stopped');
    expect(shares).toEqual([...shares].sort((a, b) => a - b));
    expect(shares.length).toBeLessThan(4);
  });

  // What is square to the eye and all fur has the colour the shade stage says of that very place, within 3 (CIEDE2000).
  it('has the colours of the plan where its areas are seen square on', () => {
    const { skin } = marten.form;
    const { area: owner, vertex } = areasOfSkin(skin, marten.coat.areas);
    const perMm = Math.min(
      (0.8 * plain.width) / Math.max(marten.form.lengthMm, marten.form.widthMm),
      (0.72 * plain.height) / Math.max(marten.form.heightMm, marten.form.widthMm),
    );
    const m = projector({ ...plain, centre: centreOf(skin.positions), perMm });
    const { from } = eye(plain.turned);
    // Fur of a neighbour lies over the border.
    const OVER_MM = 6;
    const nearOthers = (v: number) => {
      const p = skin.positions;
      for (let w = 0; w < owner.length; w++)
        if (
          owner[w] !== owner[v] &&
          Math.hypot(p[3 * w]! - p[3 * v]!, p[3 * w + 1]! - p[3 * v + 1]!, p[3 * w + 2]! - p[3 * v + 2]!) < OVER_MM
        )
          return true;
      return false;
    };
    const far: number[] = [];
    marten.coat.areas.forEach((a, i) => {
      const field = marten.shade.areas.find((s) => s.id === a.id)?.field;
      if (!a.fur || !field) return;
      const of = seenColours(field);
      const seen: Triple[] = [];
      // What the plan says of the very places that are looked at.
      const said: Triple[] = [];
      for (let v = 0; v < owner.length; v++) {
        if (owner[v] !== i) continue;
        const n = skin.normals;
        const facing = n[3 * v]! * from[0] + n[3 * v + 1]! * from[1] + n[3 * v + 2]! * from[2];
        if (facing < 0.9 || nearOthers(v)) continue;
        const [x, y, z] = [skin.positions[3 * v]!, skin.positions[3 * v + 1]!, skin.positions[3 * v + 2]!];
        const px = Math.floor(m[0]! * x + m[1]! * y + m[2]! * z + m[3]!);
        const py = Math.floor(m[4]! * x + m[5]! * y + m[6]! * z + m[7]!);
        const at = 3 * (px + plain.width * py);
        said.push([0, 1, 2].map((k) => of[3 * vertex[v]! + k]!) as unknown as Triple);
        // About it, still far from others: a pixel alone is one fibre.
        const about: number[] = [];
        for (let dy = -2; dy <= 2; dy++) for (let dx = -2; dx <= 2; dx++) about.push(at + 3 * (dx + plain.width * dy));
        seen.push(
          [0, 1, 2].map(
            (k) => about.reduce((s, i) => s + toLinear(left.rgb[i + k]! / 255), 0) / about.length,
          ) as unknown as Triple,
        );
      }
      if (seen.length < 40) return;
      const mean = (list: readonly (readonly number[])[]) =>
        [0, 1, 2].map((k) => list.reduce((s, c) => s + c[k]!, 0) / list.length) as unknown as Triple;
      far.push(difference(labOfLinear(mean(seen)), labOfLinear(mean(said))));
    });
    expect(far.length).toBeGreaterThan(1);
    for (const d of far) expect(d).toBeLessThan(3);
  });
});

// Fur shades itself and felt hardly does: each is exposed for itself, or a board beside a dark coat would be white.
describe('felt beside fur', () => {
  // The hare on a bare board: nothing laid on it, nothing round it.
  const onBoard: Piece = {
    ...brownHare,
    things: [],
    areas: brownHare.areas.filter((a) => !a.where.some((w) => w.parts.includes('board'))),
  };
  it.each(['overcast', 'window'] as const)(
    'has the colour of its wool where it is seen square on, by %s',
    (lighting) => {
      const hare = planned(onBoard, cupboard, defaultHand, COARSELY);
      const o = { ...plain, turned: turnedTo(brownHare, 'front'), lighting };
      const { rgb, perMm } = still(onBoard, hare, cupboard, o);
      const { positions: p, normals: n } = hare.form.skin;
      const m = projector({ ...o, centre: centreOf(p), perMm });
      const { from } = eye(o.turned);
      const { area } = areasOfSkin(hare.form.skin, hare.coat.areas);
      const animal = Array.from(area.keys()).filter((v) => area[v]! >= 0);
      const AWAY_MM = 12;
      const [low, high] = [1, 2]
        .map((k) => animal.map((v) => p[3 * v + k]!))
        .reduce(
          ([lo, hi]: number[][], q) => [
            [...lo!, Math.min(...q) - AWAY_MM],
            [...hi!, Math.max(...q) + AWAY_MM],
          ],
          [[], []],
        ) as [number[], number[]];
      const light = [0, 0, 0];
      let count = 0;
      for (let v = 0; v < area.length; v++) {
        const facing = n[3 * v]! * from[0] + n[3 * v + 1]! * from[1] + n[3 * v + 2]! * from[2];
        if (area[v]! >= 0 || facing < 0.98) continue;
        if ([1, 2].every((k) => p[3 * v + k]! > low[k - 1]! && p[3 * v + k]! < high[k - 1]!)) continue;
        const [x, y, z] = [p[3 * v]!, p[3 * v + 1]!, p[3 * v + 2]!];
        const at =
          Math.round(m[0]! * x + m[1]! * y + m[2]! * z + m[3]!) +
          o.width * Math.round(m[4]! * x + m[5]! * y + m[6]! * z + m[7]!);
        for (let k = 0; k < 3; k++) light[k]! += toLinear(rgb[3 * at + k]! / 255);
        count++;
      }
      expect(count).toBeGreaterThan(100);
      const seen = labOfLinear(light.map((x) => x / count) as unknown as Triple);
      const wool = cupboard.lots.find((l) => l.id === brownHare.core.lotId)!;
      expect(
        difference(seen, labOf(wool.colour)),
        `${seen.join(' ')} beside ${labOf(wool.colour).join(' ')}`,
      ).toBeLessThan(3);
    },
  );
});

describe('every demo', () => {
  it.each([
    ['marten', pineMarten],
    ['cria', alpacaCria],
    ['kingfisher', kingfisher],
    ['hare', brownHare],
  ] as const)(
    '%s is pictured from every side, and its face near: it stands in the middle of the picture',
    (_, piece) => {
      const plan = planned(piece, cupboard, defaultHand, COARSELY);
      const near = faceTurned(plan);
      const views = [...SIDE_NAMES.slice(0, 2).map((s) => ({ turned: turnedTo(piece, s) })), ...(near ? [near] : [])];
      for (const view of views) {
        const s = still(piece, plan, cupboard, { ...plain, width: 160, height: 120, fibres: 20_000, ...view });
        const at = (x: number, y: number) => 3 * (x + 160 * y);
        // The wall is grey and light, the animal is not all so.
        const wall = s.rgb.slice(at(2, 2), at(2, 2) + 3);
        expect(Math.max(...wall) - Math.min(...wall)).toBeLessThan(16);
        let other = 0;
        for (let y = 40; y < 80; y++)
          for (let x = 50; x < 110; x++) {
            const d = [0, 1, 2].reduce((t, k) => t + Math.abs(s.rgb[at(x, y) + k]! - wall[k]!), 0);
            if (d > 30) other++;
          }
        expect(other / (40 * 60)).toBeGreaterThan(0.12);
      }
    },
  );
});
