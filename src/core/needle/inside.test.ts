/** Looking inside: the section agrees with closed forms on a body that has them, and with the plan on a demo. */
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { COARSE } from '../../../demo/plain-marten';
import { defaultHand as hand } from '@/core/piece/hand';
import { shapeSteps, makePlan } from '@/core/plan';
import { Memo } from '@/core/memo';
import { areaOf } from '@/core/geometry/slice';
import type { Needle } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { eyesIn, LEANS, groundOf, spotsOf, withEyes } from './ground';
import { lookInside, type InsideQuestion } from './inside';

const memo = new Memo();
function looking(piece: Piece) {
  const plan = makePlan(piece, cupboard, hand, memo, COARSE);
  const steps = shapeSteps(piece, memo, COARSE);
  for (;;) {
    const s = steps.next();
    if (!s.done) continue;
    const { work, shaped } = s.value;
    const ground = withEyes(
      groundOf(work, plan.coat, plan.core, plan.frame, shaped.owner, memo),
      eyesIn(plan.face?.zones ?? []),
    );
    const needle = (id: string) => cupboard.needles.find((n) => n.id === id)!;
    const ask = (q: Partial<Omit<InsideQuestion, 'needle'>> & { needle?: Needle }) =>
      lookInside(ground, plan.coat, plan.shade, hand, shaped.owner, {
        place: { part: 'trunk', side: 'left', along: 0.5, up: 0.2, out: 1 },
        needle: needle('n38'),
        kind: 'through',
        angleDeg: 90,
        lean: 'along the lie',
        strokeMm: null,
        ...q,
      });
    return { plan, ground, ask, needle };
  }
}

/** A plain round bar of felt under a coat of nothing: its section is a circle. */
const bar: Piece = {
  ...pineMarten,
  form: {
    ...pineMarten.form,
    pose: [],
    parts: [
      {
        id: 'trunk',
        name: 'Trunk',
        role: 'other',
        mirrored: false,
        blend: 0,
        lie: 'to-end',
        on: null,
        root: 'start',
        shape: 'limb',
        nodes: [
          { at: [0, 0, 400], radius: 60 },
          { at: [0, 0, -400], radius: 60 },
        ],
      },
    ],
  },
  core: { ...pineMarten.core, school: 'full-size', soft: [] },
  frame: { ...pineMarten.frame, kind: 'none' },
  flatParts: [],
  areas: [],
  combs: [],
  markings: [],
  smallParts: [],
  face: null,
};

describe('a round bar', () => {
  const { ask, plan } = looking(bar);
  // Drawn 920 long over all, so that much is the finished length.
  const R = (60 * plan.form.finishedMm) / 920;
  it('is its diameter through, and slanting across it is the chord 2 R sin(angle)', () => {
    const straight = ask({})!;
    expect(straight.throughMm).toBeCloseTo(2 * R, 0);
    for (const angleDeg of [75, 60, 45]) {
      const v = ask({ angleDeg, lean: 'across the lie', kind: 'surface' })!;
      // The felt ahead along the stroke decides the most: 2 mm short where the other side shows.
      const chord = 2 * R * Math.sin((angleDeg * Math.PI) / 180);
      const expected = Math.min(25, chord - 2);
      expect(Math.abs(v.window.mostMm - expected)).toBeLessThan(0.6);
    }
  });
  it('cut across it is a circle of that radius', () => {
    const v = ask({ lean: 'across the lie', angleDeg: 60 })!;
    expect(v.felt).toHaveLength(1);
    expect(areaOf(v.felt[0]!) / (Math.PI * R * R)).toBeCloseTo(1, 1);
  });
  it('too deep comes out; not deep enough fixes nothing; the barbs are where the stroke puts them', () => {
    expect(ask({ strokeMm: 2 * R + 3 })!.says.join(' ')).toContain('comes out on the other side');
    expect(ask({ strokeMm: 2 })!.says.join(' ')).toContain('No barb gets into the ground');
    const v = ask({ strokeMm: 15 })!;
    v.barbs.forEach((b) => expect(b.belowMm).toBeCloseTo(15 - b.at, 9));
  });
});

describe('the marten', () => {
  const { ask, plan, ground, needle } = looking(pineMarten);
  it('meets the wire in the trunk and says so; nothing is beyond the edge of the animal', () => {
    const v = ask({ place: { part: 'trunk', side: 'left', along: 0.5, up: 0, out: 1 } })!;
    expect(v.wireMm).not.toBeNull();
    expect(
      ask({ place: { part: 'trunk', side: 'left', along: 0.5, up: 0, out: 1 }, strokeMm: v.wireMm! + 1 })!.says,
    ).toContain('The point hits the wire.');
    expect(ask({ place: { part: 'nowhere', side: 'left', along: 0, up: 0, out: 0 } })).toBeNull();
  });
  it('names what lies on the ground, and what an ordinary and a reverse needle do with it', () => {
    const place = { part: 'trunk', side: 'left', along: 0.2, up: 0.3, out: 0.9 } as const;
    const v = ask({ place, kind: 'root', needle: needle('n46') })!;
    expect(v.layers.length).toBeGreaterThan(0);
    expect(v.layersMm).toBeCloseTo(
      v.layers.reduce((s, l) => s + l.thickMm, 0),
      12,
    );
    expect(v.barbs.some((b) => b.catches.startsWith('carries'))).toBe(true);
    const up = ask({ place, kind: 'raise', needle: needle('n40r') })!;
    expect(up.barbs.some((b) => b.catches.startsWith('pulls'))).toBe(true);
  });
  it('places of an area lie on it, and leaning any way gives a direction into the skin', () => {
    const spots = spotsOf(ground, { on: 'area', id: 'flanks' });
    expect(spots.length).toBe(10);
    for (const s of spots) expect(Math.hypot(...s.normal)).toBeCloseTo(1, 6);
    for (const lean of LEANS) expect(ask({ lean, angleDeg: 45 })).not.toBeNull();
    expect(plan.needles.steps.length).toBeGreaterThan(20);
  });
});
