/** The animal cut out of its picture: where it covers a pixel, to the byte what its still shows; beside it nothing but its shadow. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { brownHare, cupboard, pineMarten } from '../../../demo/load';
import { linearOf, toLinear } from '@/core/colour/rgb';
import { defaultHand } from '@/core/piece/hand';
import { cutOut } from './cut-out';
import { exposure, type Exposed, type Prepared } from './exposure';
import { centreOf, type Lens } from './lens';
import { screenValue } from './screen';
import { still } from './still';
import { turnedTo } from './viewpoints';

const plan = planned(pineMarten, cupboard, defaultHand, COARSELY);
const marten = { piece: pineMarten, plan, cupboard };
const [width, height, fibres] = [200, 150, 20_000];
const turned = turnedTo(pineMarten, 'aslant');

function driven(steps: Generator<number, Exposed>): { made: Exposed; shares: number[] } {
  const shares: number[] = [];
  for (;;) {
    const s = steps.next();
    if (s.done) return { made: s.value, shares };
    shares.push(s.value);
  }
}
const beforeWall = still(pineMarten, plan, cupboard, { turned, width, height, zoom: 1, lighting: 'window', fibres });
const lens: Lens = { turned, centre: centreOf(plan.form.skin.positions), perMm: beforeWall.perMm, width, height };
const options = { lighting: 'window', fibres } as const;

describe('what is laid over the turntable', () => {
  let kept: Prepared | null = null;
  const first = driven(exposure(marten, lens, options, null, (p) => (kept = p)));
  const cut = cutOut(first.made);

  it('is where it covers a pixel what the still shows', () => {
    let full = 0;
    // A pixel counts as full at 0.4 %: so much of the wall may be in it, and rounding to whole values of a screen.
    const WALL = 0.004 * toLinear(0xd9 / 255) * 1.02;
    const light = (x: number) => toLinear(x / 255);
    for (let p = 0; p < width * height; p++) {
      if (cut[4 * p + 3] !== 255) continue;
      full++;
      for (let k = 0; k < 3; k++) {
        const [a, b] = [cut[4 * p + k]!, beforeWall.rgb[3 * p + k]!];
        const rounded = light(Math.max(a, b)) - light(Math.max(a, b) - 1.01);
        expect(Math.abs(light(a) - light(b))).toBeLessThan(WALL + rounded);
      }
    }
    // The animal fills about a tenth of the picture: 0.8 of its width long, its body some 0.2 of it high.
    expect(full / (width * height)).toBeGreaterThan(0.06);
    expect(full / (width * height)).toBeLessThan(0.3);
  });

  it('beside the animal is its shadow: laid over the wall it is as dark as on the still; far from it nothing', () => {
    const at = (x: number, y: number) => 4 * (x + width * y);
    for (const [x, y] of [
      [2, 2],
      [width - 3, 2],
      [2, height - 3],
    ] as const)
      expect(cut[at(x, y) + 3]).toBeLessThan(8);
    // Black that covers no more than the deepest shadow does, here and round here.
    const nearFur = (x: number, y: number) => {
      for (let b = Math.max(0, y - 2); b <= Math.min(height - 1, y + 2); b++)
        for (let a = Math.max(0, x - 2); a <= Math.min(width - 1, x + 2); a++) {
          const i = at(a, b);
          if (cut[i + 3]! > 108 || cut[i]! + cut[i + 1]! + cut[i + 2]! > 0) return true;
        }
      return false;
    };
    const wall = linearOf('#d9d6d1');
    let shaded = 0;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const i = at(x, y);
        const alpha = cut[i + 3]!;
        if (alpha < 20 || nearFur(x, y)) continue;
        shaded++;
        const [u, v] = [x / width - 0.5, y / height - 0.5];
        for (let k = 0; k < 3; k++) {
          const lit = screenValue(wall[k]! * (1.02 - 0.35 * (u * u + v * v)));
          expect(Math.abs(lit * (1 - alpha / 255) - beforeWall.rgb[3 * (x + width * y) + k]!)).toBeLessThan(5);
        }
      }
    expect(shaded).toBeGreaterThan(300);
  });

  it('is the same to the byte from what an earlier picture was prepared with, and another plan is prepared anew', () => {
    expect(kept).not.toBeNull();
    let again: Prepared | null = null;
    expect(cutOut(driven(exposure(marten, lens, options, kept, (p) => (again = p))).made)).toEqual(cut);
    expect(again).toBe(kept);
    let nearer: Prepared | null = null;
    driven(
      exposure(marten, { ...lens, perMm: 3 * lens.perMm }, { ...options, fibres: 2000 }, kept, (p) => (nearer = p)),
    );
    expect(nearer!.coarse).toBeLessThan(kept!.coarse);
  });

  it('says how far it is, step by step, and can be left off between two', () => {
    expect(first.shares).toEqual([...first.shares].sort((a, b) => a - b));
    expect(first.shares.at(-1)).toBe(1);
    expect(first.shares.length).toBeGreaterThan(6);
  });

  it('of a relief throws no shadow on a table', () => {
    const hare = { piece: brownHare, plan: planned(brownHare, cupboard, defaultHand, COARSELY), cupboard };
    const { made } = driven(
      exposure(
        hare,
        { ...lens, turned: turnedTo(brownHare, 'front'), centre: centreOf(hare.plan.form.skin.positions), perMm: 0.4 },
        { ...options, fibres: 2000 },
      ),
    );
    expect(made.ground).toBeNull();
    const out = cutOut(made);
    expect([0, width - 1, width * (height - 1)].map((p) => out[4 * p + 3])).toEqual([0, 0, 0]);
  });
});
