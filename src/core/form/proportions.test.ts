import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alpacaCria, kingfisher, pineMarten } from '../../../demo/load';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { defaultHand } from '@/core/piece/hand';
import { readPiece } from '@/core/piece/read';
import { newPiece } from '@/core/new-piece';
import { cupboard } from '../../../demo/load';
import { workForm } from './form';
import { bodyPlan, BODY_PLANS, proportionsOf } from './plans/plans';
import { nodesOf, rootNode } from './pose';
import { PROPORTION, proportionOf, setProportion } from './proportions';
import { partLength, roundOn, thicknessesOf, unitMm, type Form } from './shape';

const begun = (plan: string) =>
  newPiece({ id: 'x', name: 'X', plan, finishedLengthMm: 180, lifeLengthMm: 900, seed: 1 }, cupboard, defaultHand);
const part = (f: Form, id: string) => f.parts.find((p) => p.id === id)!;
const named = (plan: string, id: string) => proportionsOf(bodyPlan(plan)).find((p) => p.id === id)!;
const set = (f: Form, id: string, to: number) => setProportion(f, bodyPlan(f.plan).parts, named(f.plan, id), to);
const shares = fc.double({ min: PROPORTION.min, max: PROPORTION.max, noNaN: true });
const anyOf = fc.constantFrom(...BODY_PLANS.flatMap((b) => proportionsOf(b).map((p) => [b, p] as const)));

describe('an animal changed toward its kind', () => {
  it('every body plan has such measures, each its own, and begins at 100 %', () => {
    for (const b of BODY_PLANS) {
      const all = proportionsOf(b);
      expect(all.length).toBeGreaterThanOrEqual(8);
      expect(new Set(all.map((p) => p.says)).size).toBe(all.length);
      for (const p of all) expect(proportionOf(begun(b.id).form, b.parts, p), `${b.id} ${p.id}`).toBeCloseTo(1, 9);
    }
  });

  it('comes out as it was set, leaves the scale alone, and goes back to where it was', () => {
    fc.assert(
      fc.property(anyOf, shares, ([b, p], to) => {
        const { form } = begun(b.id);
        const next = setProportion(form, b.parts, p, to);
        expect(proportionOf(next, b.parts, p)).toBeCloseTo(to, 2);
        expect(unitMm(next)).toBeCloseTo(unitMm(form), 9);
        const back = setProportion(next, b.parts, p, 1);
        for (const x of form.parts) {
          nodesOf(x).forEach((n, i) =>
            expect(norm(sub(n.at, nodesOf(part(back, x.id))[i]!.at)), `${b.id} ${p.id} ${x.id}`).toBeLessThan(0.5),
          );
          thicknessesOf(x).forEach((t, i) =>
            expect(thicknessesOf(part(back, x.id))[i]!.across / t.across).toBeCloseTo(1, 2),
          );
        }
      }),
      { numRuns: 60 },
    );
  });

  it('moves what it says by as much as it says, and nothing else but along with it', () => {
    const { form } = begun('standing-quadruped');
    const leggy = set(form, 'legs', 1.4);
    for (const id of ['foreleg', 'hindleg'])
      expect(partLength(part(leggy, id)) / partLength(part(form, id))).toBeCloseTo(1.4, 3);
    // Half as much: by the root.
    expect(partLength(part(leggy, 'thigh')) / partLength(part(form, 'thigh'))).toBeCloseTo(Math.sqrt(1.4), 3);
    expect(part(leggy, 'trunk')).toEqual(part(form, 'trunk'));
    expect(part(leggy, 'ear')).toEqual(part(form, 'ear'));
    const young = set(form, 'age', 1.3);
    // Larger in the head, shorter in the muzzle beside it.
    expect(partLength(part(young, 'skull')) / partLength(part(form, 'skull'))).toBeCloseTo(1.3, 3);
    expect(partLength(part(young, 'muzzle')) / partLength(part(form, 'muzzle'))).toBeCloseTo(1.3 ** 0.2, 3);
    expect(partLength(part(young, 'neck')) / partLength(part(form, 'neck'))).toBeCloseTo(1.3 ** -0.4, 3);
  });

  it('an ear goes round the head: as far out, as long, turned with it', () => {
    const { form } = begun('standing-quadruped');
    const low = set(form, 'ear-set', 1.5);
    const ear = (f: Form) => part(f, 'ear');
    expect(roundOn(low.parts, ear(low))! / roundOn(form.parts, ear(form))!).toBeCloseTo(1.5, 3);
    expect(partLength(ear(low))).toBeCloseTo(partLength(ear(form)), 2);
    expect(rootNode(ear(low)).at[0]).toBeGreaterThan(rootNode(ear(form)).at[0] + 3);
    expect(rootNode(ear(low)).at[1]).toBeLessThan(rootNode(ear(form)).at[1] - 3);
    // The tip leans outward by the same turn.
    const lean = (f: Form) => {
      const [a, b] = nodesOf(ear(f)).map((n) => n.at) as [Vec3, Vec3];
      // Seen along the head, which points a little down.
      const [nose, nape] = nodesOf(part(f, 'skull')).map((n) => n.at) as [Vec3, Vec3];
      const down = Math.atan2(nape[1] - nose[1], nose[2] - nape[2]);
      return Math.atan2(b[0] - a[0], (b[1] - a[1]) * Math.cos(down) + (b[2] - a[2]) * Math.sin(down));
    };
    expect(((lean(low) - lean(form)) * 180) / Math.PI).toBeCloseTo(0.5 * roundOn(form.parts, ear(form))!, 0);
  });

  it('shows what was changed by hand, and is not offered without what it is measured on', () => {
    const { form } = pineMarten;
    const legs = named('standing-quadruped', 'legs');
    const planned = bodyPlan(form.plan).parts;
    const before = proportionOf(form, planned, legs)!;
    const longer = setProportion(form, planned, legs, before * 1.1);
    expect(proportionOf(longer, planned, legs)! / before).toBeCloseTo(1.1, 3);
    const without = { ...form, parts: form.parts.filter((p) => p.id !== 'foreleg') };
    expect(proportionOf(without, planned, legs)).toBeNull();
  });

  it('is a piece that a file may hold, in one piece, at either end of what can be set', () => {
    fc.assert(
      fc.property(anyOf, fc.boolean(), ([b, p], most) => {
        const piece = begun(b.id);
        const next = { ...piece, form: setProportion(piece.form, b.parts, p, most ? PROPORTION.max : PROPORTION.min) };
        expect(readPiece(JSON.parse(JSON.stringify(next)))).toMatchObject({ ok: true });
        // Legs that long, or a body that short, may touch: that is the maker's to see.
        expect(workForm(next.form, 1 / 70).skin.pieces, `${b.id} ${p.id} ${most}`).toBe(1);
      }),
      { numRuns: 6 },
    );
  });

  it('stays within what a file may hold whatever is set after what, on any demo', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(pineMarten, alpacaCria, kingfisher),
        fc.array(fc.tuple(fc.nat(20), shares), { minLength: 1, maxLength: 5 }),
        (piece, sets) => {
          const b = bodyPlan(piece.form.plan);
          const all = proportionsOf(b);
          const form = sets.reduce((f, [i, to]) => setProportion(f, b.parts, all[i % all.length]!, to), piece.form);
          expect(readPiece(JSON.parse(JSON.stringify({ ...piece, form })))).toMatchObject({ ok: true });
        },
      ),
      { numRuns: 30 },
    );
  });
});
