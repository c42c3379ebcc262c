/** The end of a limb carried: it arrives where it is carried to, by joints alone, as two bones do by the law of cosines. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alpacaCria, kingfisher, pineMarten } from '../../../demo/load';
import { add, dot, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { BODY_PLANS, bodyPlan } from './plans/plans';
import { posed, poseIsSymmetric } from './pose';
import { canReach, endAt, looked, lookOf, reached } from './reach';
import type { Form } from './shape';

const marten = pineMarten.form;
const partOf = (f: Form, id: string) => f.parts.find((p) => p.id === id)!;
const standing = (f: Form, id: string, side: 'left' | 'right' = 'left') => {
  const p = posed(f.parts, f.pose).find((x) => x.part.id === id)!;
  return ((side === 'right' && p.right) || p.left).nodes.map((n) => n.at);
};
const longOf = (nodes: readonly Vec3[]) => nodes.slice(1).reduce((s, n, i) => s + norm(sub(n, nodes[i]!)), 0);

/** The marten with a tail of two bones that hang a little bent, so that what it does is known. */
const [UPPER, LOWER] = [60, 45];
const twoBones: Form = {
  ...marten,
  pose: [],
  parts: marten.parts.map((p) => {
    if (p.id !== 'tail' || p.shape !== 'limb') return p;
    const a = p.nodes[0]!;
    const at = (q: Vec3, by: Vec3): Vec3 => add(q, by);
    const knee = at(a.at as Vec3, [0, -UPPER * 0.96, -UPPER * 0.28]);
    const end = at(knee, [0, -LOWER * 0.96, LOWER * 0.28]);
    return { ...p, root: 'start', nodes: [a, { ...a, at: [...knee] }, { ...a, at: [...end] }] };
  }) as Form['parts'],
};

describe('a limb of two bones', () => {
  const root = standing(twoBones, 'tail')[0]!;
  it('bends by the law of cosines, wherever its end is carried', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.35, max: 0.97, noNaN: true }),
        fc.double({ min: -60, max: 60, noNaN: true }),
        fc.double({ min: -35, max: 35, noNaN: true }),
        (share, forward, aside) => {
          const d = share * (UPPER + LOWER);
          const [f, s] = [forward, aside].map((x) => (x * Math.PI) / 180) as [number, number];
          const to = add(root, scale([Math.sin(s), -Math.cos(s) * Math.cos(f), Math.cos(s) * Math.sin(f)], d));
          const [a, k, e] = standing(reached(twoBones, partOf(twoBones, 'tail'), 'left', true, to), 'tail') as [
            Vec3,
            Vec3,
            Vec3,
          ];
          // To a thousandth of the limb: turns are kept to a hundredth of a degree.
          expect(norm(sub(e, to))).toBeLessThan(0.1);
          expect(norm(sub(k, a))).toBeCloseTo(UPPER, 1);
          expect(norm(sub(e, k))).toBeCloseTo(LOWER, 1);
          const inside = Math.acos(dot(unit(sub(a, k)), unit(sub(e, k))));
          const meant = Math.acos((UPPER ** 2 + LOWER ** 2 - d * d) / (2 * UPPER * LOWER));
          // Near straight the angle answers a hair of length strongly.
          expect(Math.abs(inside - meant)).toBeLessThan(share > 0.9 ? 0.02 : 0.006);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('carried too far it is straight, and points there', () => {
    const to = add(root, scale(unit([0.2, -1, 0.5]), 3 * (UPPER + LOWER)));
    const [a, , e] = standing(reached(twoBones, partOf(twoBones, 'tail'), 'left', true, to), 'tail') as [
      Vec3,
      Vec3,
      Vec3,
    ];
    expect(norm(sub(e, a)) / (UPPER + LOWER)).toBeGreaterThan(0.98);
    expect(dot(unit(sub(e, a)), unit(sub(to, a)))).toBeGreaterThan(0.995);
  });
});

describe('every limb of every body', () => {
  const forms: [string, Form][] = [
    ...BODY_PLANS.map((p): [string, Form] => [p.id, { ...marten, ...bodyPlan(p.id), finishedLengthMm: 200 } as never]),
    ['marten', marten],
    ['cria', alpacaCria.form],
    ['kingfisher', kingfisher.form],
  ];
  const limbs = forms.flatMap(([name, f]) =>
    f.parts.filter((p) => canReach(f, p)).map((p) => [`${name}: ${p.name}`, { ...f, pose: f.pose ?? [] }, p] as const),
  );
  it.each(limbs)('%s goes a little way in every direction; no length changes and nothing is drawn anew', (_, f, p) => {
    const nodes = standing(f, p.id);
    const long = longOf(nodes);
    const end = endAt(f, p, 'left');
    let arrived = 0;
    const ways: Vec3[] = [[0, 1, 0], [0, -1, 0], [0, 0, 1], [0, 0, -1]]; // prettier-ignore
    for (const way of ways) {
      const to = add(end, scale(way, 0.08 * long));
      const g = reached(f, p, 'left', true, to);
      expect(g.parts).toBe(f.parts);
      expect(longOf(standing(g, p.id))).toBeCloseTo(long, 6);
      const off = norm(sub(endAt(g, p, 'left'), to));
      // Never further off than it was.
      expect(off).toBeLessThan(0.081 * long);
      if (off < 0.01 * long) arrived++;
    }
    // A straight limb cannot grow longer: one way may be closed to it.
    expect(arrived).toBeGreaterThanOrEqual(2);
  });
});

describe('a leg', () => {
  it('lifted keeps its foot as it stands; a pair alike is mirrored to the last bit; one alone leaves the other', () => {
    const leg = partOf(marten, 'hindleg');
    const foot = (f: Form, side: 'left' | 'right') => {
      const n = standing(f, 'hindleg', side);
      return unit(sub(n[n.length - 1]!, n[n.length - 2]!));
    };
    const to = add(endAt(marten, leg, 'left'), [0, 6, 9]);
    const both = reached(marten, leg, 'left', true, to);
    expect(norm(sub(endAt(both, leg, 'left'), to))).toBeLessThan(1);
    // Within five degrees.
    expect(dot(foot(both, 'left'), foot(marten, 'left'))).toBeGreaterThan(Math.cos((5 * Math.PI) / 180));
    expect(
      poseIsSymmetric(
        both.parts,
        both.pose.filter((j) => j.part === 'hindleg'),
      ),
    ).toBe(true);
    const one = reached(marten, leg, 'right', false, add(endAt(marten, leg, 'right'), [0, 6, 9]));
    expect(standing(one, 'hindleg', 'left')).toEqual(standing(marten, 'hindleg', 'left'));
    standing(one, 'hindleg', 'right').forEach((p, i) => {
      const q = standing(both, 'hindleg', 'left')[i]!;
      [-q[0], q[1], q[2]].forEach((v, k) => expect(p[k]).toBeCloseTo(v, 0));
    });
  });
  it('carried there and back stands where it stood', () => {
    const leg = partOf(marten, 'foreleg');
    const end = endAt(marten, leg, 'left');
    const there = reached(marten, leg, 'left', true, add(end, [0, 5, 12]));
    const back = reached(there, leg, 'left', true, end);
    expect(norm(sub(endAt(back, leg, 'left'), end))).toBeLessThan(0.5);
  });
});

describe('the head', () => {
  it('goes to a place by the neck as well, and the tip of the muzzle by both', () => {
    const skull = marten.parts.find((p) => p.role === 'head')!;
    const to = add(endAt(marten, skull, 'left'), [6, 8, -4]);
    const g = reached(marten, skull, 'left', true, to);
    expect(norm(sub(endAt(g, skull, 'left'), to))).toBeLessThan(0.5);
    const bent = new Set(g.pose.map((j) => j.part));
    expect(bent.has(skull.on!)).toBe(true);
    const muzzle = marten.parts.find((p) => p.role === 'muzzle')!;
    if (canReach(marten, muzzle)) {
      const h = reached(marten, muzzle, 'left', true, add(endAt(marten, muzzle, 'left'), [5, 5, 0]));
      expect(h.pose.some((j) => j.part === muzzle.id)).toBe(marten.pose.some((j) => j.part === muzzle.id));
    }
  });
});

describe('a head that looks at a place', () => {
  const heads = [
    ['marten', pineMarten.form],
    ['cria', alpacaCria.form],
    ['kingfisher', kingfisher.form],
  ] as const;
  const head = (f: Form) => f.parts.find((p) => p.role === 'head')!;
  /** Degrees between where it looks and the place. */
  const off = (f: Form, to: Vec3) => {
    const l = lookOf(f, head(f))!;
    return (Math.acos(Math.min(1, dot(l.way, unit(sub(to, l.at))))) * 180) / Math.PI;
  };

  it.each(heads)('%s: turns to wherever its joints let it, and keeps its head level', (_, form) => {
    fc.assert(
      fc.property(
        fc.double({ min: -55, max: 55, noNaN: true }),
        fc.double({ min: -30, max: 40, noNaN: true }),
        (aside, up) => {
          const l = lookOf(form, head(form))!;
          const [a, u] = [aside, up].map((d) => (d * Math.PI) / 180) as [number, number];
          const to = add(l.at, scale([Math.sin(a) * Math.cos(u), Math.sin(u), Math.cos(a) * Math.cos(u)], 900));
          const next = looked(form, head(form), to);
          expect(off(next, to)).toBeLessThan(1);
          expect(Math.abs(lookOf(next, head(next))!.leans - l.leans)).toBeLessThan(0.1);
          // Nothing but the head and what carries it is bent otherwise.
          const others = (f: Form) =>
            f.pose.filter((j) => j.part !== head(f).id && j.part !== head(f).on).map((j) => JSON.stringify(j));
          expect(others(next)).toEqual(others(form));
        },
      ),
      { numRuns: 12 },
    );
  });

  it('behind it, it turns as far as it can and no further than a neck goes', () => {
    const l = lookOf(marten, head(marten))!;
    const to = add(l.at, [120, 0, -900]);
    const next = looked(marten, head(marten), to);
    expect(off(next, to)).toBeLessThan(off(marten, to) - 30);
    for (const j of next.pose.filter((x) => x.part === 'skull' || x.part === 'neck')) {
      const was = marten.pose.find((x) => x.part === j.part && x.node === j.node && x.side === j.side);
      expect(Math.abs(j.turnDeg)).toBeLessThanOrEqual(Math.max(75, Math.abs(was?.turnDeg ?? 0)));
    }
  });

  it('looks where it looked when it is told so, and what is no head looks nowhere', () => {
    const l = lookOf(marten, head(marten))!;
    const same = looked(marten, head(marten), add(l.at, scale(l.way, 400)));
    expect(off(same, add(l.at, scale(l.way, 400)))).toBeLessThan(0.1);
    expect(lookOf(marten, partOf(marten, 'tail'))).toBeNull();
  });
});
