import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { alpacaCria, pineMarten } from '../../../demo/load';
import { norm, sub } from '@/core/geometry/vec';
import { readPiece } from '@/core/piece/read';
import { drawnLength, makeBody } from './body';
import { workForm } from './form';
import { placeAt, placeRound, pointOf } from './places';
import { BODY_PLANS } from './plans/plans';
import { nodesOf, rootNode } from './pose';
import {
  addPad,
  measuresOf,
  middleOf,
  partLength,
  PADS,
  removePart,
  setBend,
  setMiddle,
  setOval,
  setPartLength,
  setThickness,
  statedShare,
  thicknessesOf,
  unitMm,
  type PadKind,
} from './shape';

const form = pineMarten.form;
const part = (f: typeof form, id: string) => f.parts.find((p) => p.id === id)!;

describe('shaping a part', () => {
  it('makes it as long as was said, carries along what sits on it, and leaves the scale alone', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('neck', 'tail', 'foreleg', 'skull', 'trunk'),
        fc.double({ min: 0.5, max: 2, noNaN: true }),
        (id, k) => {
          const mm = partLength(part(form, id)) * unitMm(form) * k;
          const next = setPartLength(form, id, mm);
          expect(partLength(part(next, id)) * unitMm(next)).toBeCloseTo(mm, 1);
          expect(unitMm(next)).toBeCloseTo(unitMm(form), 9);
          expect(next.lifeLengthMm / next.finishedLengthMm).toBeCloseTo(form.lifeLengthMm / form.finishedLengthMm, 9);
          // The muzzle keeps its own length wherever it is carried.
          expect(partLength(part(next, 'muzzle'))).toBeCloseTo(partLength(part(form, 'muzzle')), 2);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('a longer neck takes the head with it; the ears keep their distance to the nose', () => {
    const next = setPartLength(form, 'neck', 2 * partLength(part(form, 'neck')) * unitMm(form));
    const nose = (f: typeof form) => nodesOf(part(f, 'muzzle'))[0]!.at;
    const ear = (f: typeof form) => nodesOf(part(f, 'ear'))[1]!.at;
    expect(norm(sub(nose(next), nose(form)))).toBeGreaterThan(100);
    expect(norm(sub(nose(next), ear(next)))).toBeCloseTo(norm(sub(nose(form), ear(form))), 2);
    expect(nodesOf(part(next, 'tail'))).toEqual(nodesOf(part(form, 'tail')));
  });

  it('a thicker trunk sets its legs further apart, by what it grew', () => {
    const t = thicknessesOf(part(form, 'trunk'));
    const grown = t.reduce((f, x) => setThickness(f, 'trunk', x.key, 1.5 * x.across * unitMm(form)), form);
    for (const x of thicknessesOf(part(grown, 'trunk'))) {
      expect(x.across).toBeCloseTo(1.5 * t.find((y) => y.key === x.key)!.across, 1);
    }
    const apart = (f: typeof form) => rootNode(part(f, 'hindleg')).at[0];
    expect(apart(grown) / apart(form)).toBeCloseTo(1.5, 2);
  });

  it('a bend of nothing is no bend', () => {
    const at = { part: 'neck', node: 1, side: 'both' as const };
    const still = { nodDeg: 0, turnDeg: 0, tiltDeg: 0 };
    const bent = setBend({ ...form, pose: [] }, at, { ...still, nodDeg: 12 });
    expect(bent.pose).toEqual([{ ...at, ...still, nodDeg: 12 }]);
    expect(setBend(bent, at, still).pose).toEqual([]);
  });
});

describe('adding and taking away', () => {
  it.each(Object.keys(PADS) as PadKind[])('a %s pad sits on the part, paired, and the piece stays sound', (kind) => {
    const { form: next, id } = addPad(form, kind === 'thigh' ? 'hindleg' : 'skull', kind);
    expect(part(next, id)).toMatchObject({ mirrored: true, shape: 'pad' });
    expect(readPiece({ ...pineMarten, form: next }).ok).toBe(true);
    // A second one gets another name.
    const twice = addPad(next, kind === 'thigh' ? 'hindleg' : 'skull', kind);
    expect(twice.id).not.toBe(id);
    expect(part(twice.form, twice.id).name).not.toBe(part(next, id).name);
    expect(readPiece({ ...pineMarten, form: twice.form }).ok).toBe(true);
  });

  it('taking the neck away takes head, muzzle and ears too, out of pose and areas; the trunk stays', () => {
    const next = removePart(pineMarten, 'neck');
    expect(next.form.parts.map((p) => p.id)).toEqual(['trunk', 'tail', 'shoulder', 'foreleg', 'thigh', 'hindleg']);
    expect(next.areas.map((a) => a.id)).toEqual(['flanks', 'legs', 'belly', 'back', 'tail']);
    expect(readPiece(structuredClone(next)).ok).toBe(true);
    expect(removePart(pineMarten, 'trunk')).toBe(pineMarten);
  });
});

describe('the measure a maker knows', () => {
  it('length is the whole, height and parts are their share of it', () => {
    for (const p of [...BODY_PLANS, pineMarten.form, alpacaCria.form]) {
      expect(statedShare(p.parts, 'length')).toBe(1);
      for (const m of measuresOf(p.parts)) expect(statedShare(p.parts, m.id)).toBeGreaterThan(0);
    }
    // The cria is drawn some 1352 high to the tip of its ears and some 985 long.
    expect(statedShare(alpacaCria.form.parts, 'height')).toBeCloseTo(1352 / 985, 1);
    expect(statedShare(pineMarten.form.parts, 'tail')).toBeCloseTo(
      partLength(part(form, 'tail')) / drawnLength(form.parts),
      12,
    );
  });
});

describe('an oval part', () => {
  const tail = (f: typeof form) => part(f, 'tail') as Extract<(typeof form)['parts'][number], { shape: 'limb' }>;
  const oval = setOval(form, 'tail', true);
  const is = (f: typeof form, key: string) => thicknessesOf(tail(f)).find((t) => t.key === key)!.across * unitMm(f);

  it('begins as it was but for the rings where its stretches ran into each other: no place of it is thicker', () => {
    const round = setOval(form, 'tail', false);
    const again = setOval(round, 'tail', true);
    expect(thicknessesOf(tail(again)).map((t) => t.across)).toEqual(
      thicknessesOf(tail(round)).flatMap((t) => [t.across, t.across]),
    );
    const [was, is] = [round, again].map((f) => workForm(f, 0.012).skin.extent);
    expect(is!.volumeMm3).toBeLessThan(was!.volumeMm3);
    expect(is!.volumeMm3 / was!.volumeMm3).toBeGreaterThan(0.985);
    // The drawing is kept: what sits on it, its length and its size are as they were.
    expect(drawnLength(again.parts)).toBeCloseTo(drawnLength(round.parts), 1);
  });

  it('is as wide and as high as said, each without the other, and its middle where said', () => {
    const wide = setThickness(oval, 'tail', '1 wide', 14);
    expect(is(wide, '1 wide')).toBeCloseTo(14, 2);
    expect(is(wide, '1 high')).toBeCloseTo(is(oval, '1 high'), 9);
    const low = setMiddle(setThickness(wide, 'tail', '1 high', 30), 'tail', 1, 0.7);
    expect(is(low, '1 high')).toBeCloseTo(30, 2);
    expect(is(low, '1 wide')).toBeCloseTo(14, 2);
    expect(middleOf(tail(low).nodes[1]!.section!)).toBeCloseTo(0.7, 3);
    expect(readPiece({ ...pineMarten, form: low }).ok).toBe(true);
  });

  it('made round again has as much area across', () => {
    const flat = setThickness(setThickness(oval, 'tail', '2 wide', 40), 'tail', '2 high', 10);
    const round = setOval(flat, 'tail', false);
    expect(tail(round).nodes[2]!.section).toBeUndefined();
    expect(is(round, '2') ** 2).toBeCloseTo(40 * 10, 0);
  });

  it('carries what sits on it: a flatter trunk has its legs nearer together, a higher one its tail higher', () => {
    const trunk = setOval(form, 'trunk', true);
    const width = thicknessesOf(part(trunk, 'trunk')).filter((t) => t.key.endsWith('wide'));
    const flat = width.reduce((f, t) => setThickness(f, 'trunk', t.key, 0.6 * t.across * unitMm(form)), trunk);
    const x = (f: typeof form) => rootNode(part(f, 'foreleg')).at[0];
    expect(x(flat) / x(form)).toBeCloseTo(0.6, 2);
  });

  it('keeps a painted place on its skin at the same share of its width', () => {
    const place = placeRound('tail', 0.5, 90);
    const at = (f: typeof form) => pointOf(makeBody(f), place)!;
    const wide = thicknessesOf(tail(oval))
      .filter((t) => t.key.endsWith('wide'))
      .reduce((f, t) => setThickness(f, 'tail', t.key, 1.5 * t.across * unitMm(form)), oval);
    // Where its stretches blend a little is added to either.
    expect(Math.abs(at(wide)[0]) / Math.abs(at(oval)[0])).toBeGreaterThan(1.35);
    expect(Math.abs(at(wide)[0]) / Math.abs(at(oval)[0])).toBeLessThan(1.5);
    expect(placeAt(makeBody(wide), at(wide)).out).toBeCloseTo(place.out, 1);
  });
});
