/** The sign of a turn means the same for every part of every body. */
import { describe, expect, it } from 'vitest';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import type { Joint, Part } from '@/core/piece/schema';
import { BODY_PLANS } from './plans/plans';
import { nodesOf, posed } from './pose';
import { jointsOf } from './shape';
import { asShown, turnSense } from './turn-sense';

/** How far the end of a part goes by a turn shown as one degree at its root, as a share of its length. */
function goes(parts: readonly Part[], part: Part, turn: Partial<Pick<Joint, 'nodDeg' | 'turnDeg' | 'tiltDeg'>>): Vec3 {
  const none = { nodDeg: 0, turnDeg: 0, tiltDeg: 0 };
  const joint: Joint = {
    part: part.id,
    node: jointsOf(part)[0]!,
    side: 'both',
    ...asShown({ ...none, ...turn }, turnSense(part)),
  };
  const tip = (pose: Joint[]) => {
    const n = posed(parts, pose).find((x) => x.part.id === part.id)!.left.nodes;
    return (part.root === 'start' ? n[n.length - 1]! : n[0]!).at;
  };
  const n = nodesOf(part).map((x) => x.at);
  const long = norm(sub(n[n.length - 1]!, n[0]!));
  return sub(tip([joint]), tip([])).map((x) => x / long) as unknown as Vec3;
}

const cases = BODY_PLANS.flatMap((plan) =>
  plan.parts
    .filter((p) => p.on !== null && jointsOf(p).length > 0)
    .map((p) => [`${plan.id}: ${p.name}`, plan.parts, p] as const),
);

describe('a turn of one degree more than nothing', () => {
  // A degree moves the end by up to 1/57 of the length; a part is level or hangs to half a right angle, so by at least cos 45 of that.
  const least = 0.7 * (Math.PI / 180);
  it.each(cases)('%s: nodding lifts its end, or brings it forward where it hangs or stands', (_, parts, part) => {
    const by = goes(parts, part, { nodDeg: 1 });
    expect(turnSense(part).lifts === 'up' ? by[1] : by[2]).toBeGreaterThan(0.5 * least);
  });
  it.each(cases)(
    '%s: turning takes its end to the left where it is level, tilting where it hangs or stands',
    (_, parts, part) => {
      const level = turnSense(part).lifts === 'up';
      const by = goes(parts, part, level ? { turnDeg: 1 } : { tiltDeg: 1 });
      expect(by[0]).toBeGreaterThan(0.5 * least);
    },
  );
  it('a head and a tail both go up, which they did not by their axes', () => {
    const standing = BODY_PLANS.find((p) => p.id.startsWith('standing'))!;
    const of = (id: string) => turnSense(standing.parts.find((p) => p.id === id)!);
    expect(of('tail').nodDeg).toBe(-of('skull').nodDeg);
  });
  it('what is shown and kept and shown again is the same, and nothing stays nothing', () => {
    for (const [, , part] of cases) {
      const s = turnSense(part);
      const t = { nodDeg: 12, turnDeg: -7, tiltDeg: 3 };
      expect(asShown(asShown(t, s), s)).toEqual(t);
      const still = asShown({ nodDeg: 0, turnDeg: 0, tiltDeg: 0 }, s);
      expect(Object.values(still).every((x) => Object.is(x, 0))).toBe(true);
    }
  });
});
