import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../../demo/load';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { Joint } from '@/core/piece/schema';
import { makeBody } from './body';
import { bend, moved, nodesOf, posed, poseIsSymmetric } from './pose';
import { partLength } from './shape';

const parts = pineMarten.form.parts;
const joint = (part: string, node: number, j: Partial<Joint>): Joint => ({
  part,
  node,
  side: 'both',
  nodDeg: 0,
  turnDeg: 0,
  tiltDeg: 0,
  ...j,
});
const of = (id: string, pose: Joint[]) => posed(parts, pose).find((p) => p.part.id === id)!;

describe('a bend', () => {
  // Right-handed turns about left, up and forward (from memory).
  it('nods about the line from right to left, turns about the upright, tilts about the way forward', () => {
    const at: Vec3 = [1, 2, 3];
    const turned = (j: Partial<Joint>, p: Vec3) =>
      moved(bend(at, joint('x', 0, j)), p).map((x) => Math.round(x * 1e9) / 1e9);
    expect(turned({ nodDeg: 90 }, [1, 2, 4])).toEqual([1, 1, 3]);
    expect(turned({ turnDeg: 90 }, [1, 2, 4])).toEqual([2, 2, 3]);
    expect(turned({ tiltDeg: 90 }, [2, 2, 3])).toEqual([1, 3, 3]);
  });
});

describe('a pose', () => {
  it('of nothing leaves every place where it was drawn, to the last bit', () => {
    for (const p of posed(parts, [])) {
      expect(p.left.nodes.map((n) => n.at)).toEqual(nodesOf(p.part).map((n) => n.at));
      p.right?.nodes.forEach((n, i) => expect(n.at[0]).toBe(-p.left.nodes[i]!.at[0]));
    }
  });

  it('takes along what lies beyond the joint and nothing else', () => {
    const turn = [joint('neck', 2, { turnDeg: 50 })];
    for (const id of ['trunk', 'tail', 'foreleg', 'hindleg']) {
      expect(of(id, turn).left.nodes.map((n) => n.at)).toEqual(of(id, []).left.nodes.map((n) => n.at));
    }
    // Head and muzzle ride on the neck: every distance among them stays.
    const [a, b] = [of('muzzle', turn).left.nodes[0]!.at, of('neck', turn).left.nodes[0]!.at];
    const [c, d] = [of('muzzle', []).left.nodes[0]!.at, of('neck', []).left.nodes[0]!.at];
    expect(norm(sub(a, b))).toBeCloseTo(norm(sub(c, d)), 9);
    expect(a[0]).toBeGreaterThan(50);
    // Both ears go with the head, each keeping its distance to the nose.
    const ears = of('ear', turn);
    const nose = a;
    expect(norm(sub(ears.left.nodes[1]!.at, nose))).toBeCloseTo(norm(sub(ears.right!.nodes[1]!.at, nose)), 9);
  });

  it('of one leg leaves its pair alone; of both it is the same in the mirror', () => {
    const one = of('foreleg', [joint('foreleg', 0, { nodDeg: -30, side: 'left' })]);
    expect(one.right!.nodes[3]!.at).toEqual(of('foreleg', []).right!.nodes[3]!.at);
    expect(one.left.nodes[3]!.at).not.toEqual(of('foreleg', []).left.nodes[3]!.at);
    const both = of('foreleg', [joint('foreleg', 1, { nodDeg: 20, turnDeg: 15, tiltDeg: -10 })]);
    both.left.nodes.forEach((n, i) => {
      expect(both.right!.nodes[i]!.at[0]).toBeCloseTo(-n.at[0], 9);
      expect(both.right!.nodes[i]!.at[1]).toBeCloseTo(n.at[1], 9);
      expect(both.right!.nodes[i]!.at[2]).toBeCloseTo(n.at[2], 9);
    });
  });

  it('never stretches a part', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...parts.filter((p) => p.shape === 'limb')),
        fc.integer({ min: -150, max: 150 }),
        fc.integer({ min: -150, max: 150 }),
        fc.integer({ min: -80, max: 80 }),
        (part, nodDeg, turnDeg, tiltDeg) => {
          const pose = nodesOf(part).map((_, node) => joint(part.id, node, { nodDeg, turnDeg, tiltDeg }));
          for (const p of posed(parts, pose)) {
            const n = p.left.nodes;
            const length = n.slice(1).reduce((s, x, i) => s + norm(sub(x.at, n[i]!.at)), 0);
            expect(length).toBeCloseTo(partLength(p.part), 6);
          }
        },
      ),
    );
  });

  it('changes neither the scale nor the finished length', () => {
    const straight = makeBody({ ...pineMarten.form, pose: [] });
    const turned = makeBody({
      ...pineMarten.form,
      pose: [joint('trunk', 3, { nodDeg: -70 }), joint('neck', 1, { turnDeg: 80 })],
    });
    expect(turned.scale).toBe(straight.scale);
    expect(turned.field.max[1] - turned.field.min[1]).toBeGreaterThan(
      1.4 * (straight.field.max[1] - straight.field.min[1]),
    );
  });

  it('is known to be even on both sides or not', () => {
    expect(poseIsSymmetric(parts, [joint('neck', 2, { nodDeg: 20 }), joint('foreleg', 0, { tiltDeg: 9 })])).toBe(true);
    expect(poseIsSymmetric(parts, [joint('neck', 2, { turnDeg: 1 })])).toBe(false);
    expect(poseIsSymmetric(parts, [joint('foreleg', 0, { nodDeg: 5, side: 'right' })])).toBe(false);
  });
});
