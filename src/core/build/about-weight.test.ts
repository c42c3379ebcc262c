/** The weight said while a limb is carried, beside the one worked out. */
import { beforeAll, describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, kingfisher, pineMarten } from '../../../demo/load';
import { COARSELY, planned } from '../../../cli/testing/planned';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Plan } from '@/core/plan';
import type { Piece } from '@/core/piece/schema';
import { norm, sub } from '@/core/geometry/vec';
import { aboutCentre, aboutFeet, aboutMiddle, aboutStanding } from './about-weight';
import { makeBody } from '@/core/form/body';
import { endAt, reached } from '@/core/form/reach';
import { plainTube } from '../../../demo/plain-tube';

const reaching = (p: Piece): Piece => {
  const part = p.form.parts.find((x) => x.id === 'foreleg')!;
  const [x, y, z] = endAt(p.form, part, 'left');
  return { ...p, form: reached(p.form, part, 'left', true, [x, y + 20, z + 120]) };
};

describe('about the weight', () => {
  it('of a plain tube is its middle; of a cone a quarter up from its base', () => {
    const form = (radii: readonly [number, number]) => ({
      ...pineMarten.form,
      pose: [],
      parts: [
        {
          ...plainTube('tube'),
          on: null,
          nodes: [
            { at: [0, 300, -400] as [number, number, number], radius: radii[0] },
            { at: [0, 300, 400] as [number, number, number], radius: radii[1] },
          ],
        },
      ],
    });
    const even = makeBody(form([50, 50]));
    expect(aboutMiddle(even)[2]).toBeCloseTo(0, 6);
    // Closed form: the middle of a cone lies a quarter of its height from its base.
    const cone = makeBody(form([100, 1e-6]));
    const [a, b] = [cone.parts[0]!.left[0]!.a[2], cone.parts[0]!.left[0]!.b[2]];
    expect((aboutMiddle(cone)[2] - a) / (b - a)).toBeCloseTo(0.25, 4);
  });

  describe('of demo animals', () => {
    const plans = new Map<Piece, Plan>();
    beforeAll(() => {
      for (const p of [pineMarten, alpacaCria])
        for (const x of [p, reaching(p)]) plans.set(x, planned(x, cupboard, hand, COARSELY));
    });
    it('moves with a leg that is carried as what is worked out does, within 2 mm, and is that where nothing moved', () => {
      const of = [...plans];
      for (let i = 0; i < of.length; i += 2) {
        const [[was, before], [now, after]] = [of[i]!, of[i + 1]!];
        const [b, n] = [makeBody(was.form), makeBody(now.form)];
        expect(aboutCentre(before.stands.centre, b, b)).toEqual(before.stands.centre);
        const about = aboutCentre(before.stands.centre, b, n);
        expect(norm(sub(about, after.stands.centre)), was.name).toBeLessThan(2);
      }
    });
    it('stands or falls as it does by what is worked out, and on about the same ground', () => {
      const bird: Piece = { ...kingfisher, things: [] };
      for (const [p, plan] of [...plans, [bird, planned(bird, cupboard, hand, COARSELY)] as const]) {
        const feet = aboutFeet(makeBody(p.form), plan.stands.centre);
        expect(Math.abs(feet.groundY - plan.stands.groundY), p.name).toBeLessThan(0.03 * plan.form.lengthMm);
        // Near the edge it is not told.
        const inside = feet.marginMm;
        if (Math.abs(plan.stands.marginMm) > 4) expect(inside >= 0, p.name).toBe(plan.stands.marginMm >= 0);
        expect(Math.abs(inside - plan.stands.marginMm), p.name).toBeLessThan(8);
      }
    });
    it('on a base lies over the edge of that, as it is worked out, and moves by the share the animal has of all weight', () => {
      const { stands } = planned(kingfisher, cupboard, hand, COARSELY);
      const was = makeBody(kingfisher.form);
      const rest = aboutStanding(stands, was, was);
      expect(rest.marginMm).toBeCloseTo(stands.marginMm, 9);
      expect(rest.groundY).toBe(stands.on!.level);
      const beak = kingfisher.form.parts.find((p) => p.id === 'beak')!;
      const now = makeBody({
        ...kingfisher.form,
        parts: kingfisher.form.parts.map((p) =>
          p.id === beak.id && p.shape === 'limb'
            ? { ...p, nodes: p.nodes.map((n) => ({ ...n, at: [n.at[0], n.at[1] - 200, n.at[2]] as typeof n.at })) }
            : p,
        ),
      });
      const moved = sub(aboutStanding(stands, was, now).centre, stands.centre);
      const alone = sub(aboutMiddle(now), aboutMiddle(was));
      expect(norm(alone)).toBeGreaterThan(0.1);
      for (let k = 0; k < 3; k++) expect(moved[k]!).toBeCloseTo(stands.animalShare * alone[k]!, 9);
    });
  });
});
