/** What the picture shows is what the plan says: how much of the base shows through, and how long the fur is. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { plainTube } from '../../../demo/plain-tube';
import { plainArea } from '@/core/form/area-edits';
import { newPiece } from '@/core/new-piece';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { areasOfSkin, bareSkin } from './bare-skin';
import { coatFibres } from './coat-fibres';
import { exposure } from './exposure';
import { SEGMENTS } from './fibres';
import { eye, projector, type Turned } from './lens';
import { rooted } from './rooted';
import { skinField } from './skin-field';
import { lensFor } from './viewpoints';

/** The marten with so many times the wool laid. */
const laid = (times: number): Piece => {
  const piece = structuredClone(pineMarten);
  for (const a of piece.areas)
    if ('layMgCm' in a.coat && a.coat.layMgCm)
      a.coat.layMgCm = Math.max(1, Math.round(100 * a.coat.layMgCm * times) / 100);
  return piece;
};
const planOf = (piece: Piece): Plan => planned(piece, cupboard, hand, COARSELY);

/**
 * Mean share of the base that is open to the eye over places of the flanks.
 * @param at whether a place counts: how far its skin is turned to the eye, and its fur
 */
function baseSeen(piece: Piece, plan: Plan, turned: Turned, at: (facing: number, lies: number) => boolean): number {
  const lens = lensFor(plan, { turned, width: 600, height: 450, zoom: 1 });
  const steps = exposure({ piece, plan, cupboard }, lens, { lighting: 'overcast', fibres: 140_000 });
  let s = steps.next();
  while (!s.done) s = steps.next();
  const { open } = s.value.canvas;
  const { skin, lie } = plan.form;
  const { area } = areasOfSkin(skin, plan.coat.areas);
  const flanks = plan.coat.areas.findIndex((a) => a.id === 'flanks');
  const on = rooted(piece, plan).skin.positions;
  const m = projector(lens);
  const { from } = eye(turned);
  const along = (of: Float64Array, v: number) =>
    of[3 * v]! * from[0] + of[3 * v + 1]! * from[1] + of[3 * v + 2]! * from[2];
  let [sum, n] = [0, 0];
  for (let v = 0; v < area.length; v++) {
    if (area[v] !== flanks || !at(along(skin.normals, v), along(lie, v))) continue;
    const [x, y, z] = [on[3 * v]!, on[3 * v + 1]!, on[3 * v + 2]!];
    const px = Math.floor(m[0]! * x + m[1]! * y + m[2]! * z + m[3]!);
    const py = Math.floor(m[4]! * x + m[5]! * y + m[6]! * z + m[7]!);
    sum += open[px + lens.width * py]!;
    n++;
  }
  expect(n).toBeGreaterThan(90);
  return sum / n;
}

const figure = (plan: Plan, which: 'cover' | 'slant'): number =>
  plan.coat.areas.find((a) => a.id === 'flanks')!.fur!.figures[which]!.value;

describe('the base seen in the picture is what the cover figure leaves open', () => {
  // Seen square on.
  it.each([1, 0.5, 0.25])('from above, with %d times the wool', (times) => {
    const piece = laid(times);
    const plan = planOf(piece);
    const seen = baseSeen(piece, plan, { yaw: 90, pitch: 0 }, (facing) => facing > 0.95);
    expect(Math.abs(seen - (1 - figure(plan, 'cover')))).toBeLessThan(0.03);
  });
  // At 45 degrees, looking into the tips.
  it('aslant, against the lie', () => {
    const plan = planOf(pineMarten);
    const half = Math.SQRT1_2;
    const seen = baseSeen(
      pineMarten,
      plan,
      { yaw: 135, pitch: 0 },
      (facing, lies) => Math.abs(facing - half) < 0.12 && Math.abs(lies - half) < 0.15,
    );
    expect(seen).toBeGreaterThan(1 - figure(plan, 'cover'));
    expect(Math.abs(seen - (1 - figure(plan, 'slant')))).toBeLessThan(0.03);
  });
});

describe('fur in the picture', () => {
  const plan = planOf(pineMarten);
  const { skin, coat } = rooted(pineMarten, plan);
  const field = skinField(skin.positions, skin.normals, plan.form.lie, 1.6);
  const bare = bareSkin(pineMarten, plan, cupboard, areasOfSkin(plan.form.skin, plan.coat.areas));
  // Felt has a fuzz of its own.
  bare.bare.fill(0);
  it.each(coat.areas.flatMap((a) => (a.fur ? [[a.name, a.id] as const] : [])))('%s: as long as it is laid', (_, id) => {
    const { fibres } = coatFibres(
      pineMarten,
      {
        ...plan,
        face: null,
        coat: { ...coat, areas: coat.areas.map((a) => (a.id === id ? a : { ...a, fur: null })) },
        form: { ...plan.form, skin },
      },
      cupboard,
      field,
      bare,
      3000,
      [],
      () => true,
    );
    const p = fibres.points;
    const long = Array.from({ length: fibres.count }, (_, f) => {
      let mm = 0;
      for (let k = 0; k < SEGMENTS; k++) {
        const i = 3 * (SEGMENTS + 1) * f + 3 * k;
        mm += Math.hypot(p[i + 3]! - p[i]!, p[i + 4]! - p[i + 1]!, p[i + 5]! - p[i + 2]!);
      }
      return mm;
    }).sort((a, b) => a - b);
    const { hemMm, topMm } = coat.areas.find((a) => a.id === id)!.fur!.pile;
    expect(hemMm).toBe(topMm);
    expect(long.length).toBeGreaterThan(2000);
    // Velvet is pushed out of the skin it stands on by a little.
    expect(Math.abs(long[Math.floor(long.length / 2)]! - hemMm)).toBeLessThan(Math.max(0.05 * hemMm, 0.1));
    // A tenth longer or shorter is how a lock is cut, not more.
    expect(long[Math.floor(0.05 * long.length)]! / hemMm).toBeGreaterThan(0.82);
    expect(long[Math.floor(0.95 * long.length)]!).toBeLessThan(1.3 * hemMm + 0.2);
  });
});

// Rows far apart of fur too short to reach the next are seen one by one: how far apart they lie is read off the picture.
describe('rows in the picture', () => {
  it.each([5, 7, 9])('lie as far apart as the plan lays them: %d mm', (spacingMm) => {
    const belly = pineMarten.areas.find((a) => a.id === 'belly')!.coat;
    if (belly.method !== 'fold-over') throw new Error('another way of laying');
    const fresh = newPiece(
      { id: 't', name: 'Tube', plan: 'standing-quadruped', finishedLengthMm: 200, lifeLengthMm: 200, seed: 3 },
      cupboard,
      hand,
    );
    const piece: Piece = {
      ...fresh,
      form: { ...fresh.form, parts: [plainTube('tube')], pose: [] },
      face: null,
      flatParts: [],
      smallParts: [],
      areas: [
        plainArea('fur', 'Fur', [{ parts: ['tube'] }], { ...belly, lengthMm: 3.5, spacingMm, liftDeg: 60, layMgCm: 8 }),
      ],
    };
    const plan = planOf(piece);
    const lens = lensFor(plan, { turned: { yaw: 90, pitch: 0 }, width: 1000, height: 500, zoom: 1 });
    const steps = exposure({ piece, plan, cupboard }, lens, { lighting: 'overcast', fibres: 60_000 });
    let s = steps.next();
    while (!s.done) s = steps.next();
    const { open } = s.value.canvas;
    // How much fur lies over each column of the picture, over the middle of the tube and clear of its ends.
    const [from, to] = [0.2, 0.8].map((x) => Math.round(lens.width * x)) as [number, number];
    const half = Math.round(6 * lens.perMm);
    const over = Array.from({ length: to - from }, (_, i) => {
      let sum = 0;
      for (let y = lens.height / 2 - half; y < lens.height / 2 + half; y++) sum += 1 - open[from + i + lens.width * y]!;
      return sum;
    });
    const mean = over.reduce((a, b) => a + b, 0) / over.length;
    const alike = (by: number) => {
      let sum = 0;
      for (let i = 0; i + by < over.length; i++) sum += (over[i]! - mean) * (over[i + by]! - mean);
      return sum / (over.length - by);
    };
    // Moved by one row it is most like itself, of all ways between a half and one and a half.
    let best = 0;
    for (let by = Math.round(0.5 * spacingMm * lens.perMm); by < 1.5 * spacingMm * lens.perMm; by++)
      if (best === 0 || alike(by) > alike(best)) best = by;
    expect(alike(best)).toBeGreaterThan(0.5 * alike(0));
    expect(best / lens.perMm / spacingMm).toBeGreaterThan(0.95);
    expect(best / lens.perMm / spacingMm).toBeLessThan(1.05);
  });
});
