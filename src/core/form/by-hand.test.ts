/** Handles carried on the picture: what is drawn comes along with the hand, within the limits of the part. */
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../../../demo/load';
import { bent, carriedEnd, lengthened, plannedPart, ringsOf, thickened } from './by-hand';
import { makeBody } from './body';
import { endAt } from './reach';
import { limits, partLength, thicknessesOf, unitMm } from './shape';

const { form } = pineMarten;
const part = (id: string) => form.parts.find((p) => p.id === id)!;
/** Pixels in a mm. Drawn places are kept to a hundred-thousandth of the length, so what comes out is exact to a micron or so. */
const PX = 4;

describe('a handle carried', () => {
  it('at the tip: the part is as much longer as the hand went along it, not across it', () => {
    const tail = part('tail');
    const mm = partLength(tail) * unitMm(form);
    const carry = lengthened(form, tail, [mm * PX, 0], PX);
    const after = carry(20, 500)(form);
    const now = after.parts.find((p) => p.id === 'tail')!;
    expect(partLength(now) * unitMm(after)).toBeCloseTo(mm + 20 / PX, 3);
    // Nothing else changes size.
    const trunk = after.parts.find((p) => p.id === 'trunk')!;
    expect(partLength(trunk) * unitMm(after)).toBeCloseTo(partLength(part('trunk')) * unitMm(form), 6);
  });
  it('seen end on, a part does not jump', () => {
    const tail = part('tail');
    const mm = partLength(tail) * unitMm(form);
    const after = lengthened(form, tail, [1, 0], PX)(mm * PX * 0.1, 0)(form);
    const now = partLength(after.parts.find((p) => p.id === 'tail')!) * unitMm(after);
    expect(now - mm).toBeCloseTo(0.3 * mm, 6);
  });
  it('at a thickness: both sides follow, and the limits hold', () => {
    const leg = part('foreleg');
    const t = thicknessesOf(leg)[0]!;
    const mm = t.across * unitMm(form);
    const carry = thickened(form, leg, t.key, [0, -1], PX);
    const widthOf = (f: typeof form) =>
      thicknessesOf(f.parts.find((p) => p.id === 'foreleg')!).find((x) => x.key === t.key)!.across * unitMm(f);
    expect(widthOf(carry(0, -4)(form))).toBeCloseTo(mm + 2, 3);
    const most = limits(form, t.across, thicknessesOf(plannedPart(form, leg)!)[0]!.across).max;
    expect(widthOf(carry(0, -1e5)(form))).toBeCloseTo(most, 3);
  });
  it('at a bend: a quarter turn seen from the left is a quarter turn of the joint; as seen from the right it goes the other way', () => {
    const leg = part('foreleg');
    const nod = (from: number[]) => {
      const f = bent(form, leg, 'left', from, [0, 0], [0, 100])(100, -100)(form);
      const before = form.pose.find((j) => j.part === 'foreleg' && j.side === 'both')?.nodDeg ?? 0;
      return f.pose.find((j) => j.part === 'foreleg' && j.side === 'both')!.nodDeg - before;
    };
    expect(Math.abs(nod([1, 0, 0]))).toBe(90);
    expect(nod([-1, 0, 0])).toBe(-nod([1, 0, 0]));
  });
  it('a pixel bends a part of 250 pixels, by as much as it turns it', () => {
    const leg = part('foreleg');
    const before = form.pose.find((j) => j.part === 'foreleg' && j.side === 'both')?.nodDeg ?? 0;
    const f = bent(form, leg, 'left', [1, 0, 0], [0, 0], [0, 250])(1, 0)(form);
    const turned = f.pose.find((j) => j.part === 'foreleg' && j.side === 'both')!.nodDeg - before;
    expect(Math.abs(turned)).toBeCloseTo(0.2, 6);
  });
  it('at the end of a limb: seen from the left it is carried as far up and forward as the hand went', () => {
    const leg = part('hindleg');
    // From its left, up is up and its front is at the left of the picture.
    const sees = { right: [0, 0, -1], up: [0, 1, 0] } as const;
    const carry = carriedEnd(form, leg, 'left', false, sees, PX);
    const [from, to] = [form, carry(-24, -16)(form)].map((f) => endAt(f, leg, 'left'));
    const mm = unitMm(form);
    expect(Math.abs((to![1] - from![1]) * mm - 16 / PX)).toBeLessThan(0.2);
    expect(Math.abs((to![2] - from![2]) * mm - 24 / PX)).toBeLessThan(0.2);
    // Carried on, it goes on from where it was taken, not from where it is.
    expect(carry(-24, -16)(carry(-90, -60)(form)).pose).toEqual(carry(-24, -16)(form).pose);
  });
  it('no joint is bent further than it may be', () => {
    const leg = part('foreleg');
    const f = bent(form, leg, 'left', [0, 0, 1], [0, 0], [0, 100])(-1, -250)(form);
    expect(Math.abs(f.pose.find((j) => j.part === 'foreleg')!.tiltDeg)).toBeLessThanOrEqual(90);
  });
});

describe('where thicknesses are pulled by', () => {
  it('every thickness has one, as far out as the part is thick there', () => {
    const body = makeBody(form);
    for (const b of body.parts) {
      if (b.part.shape === 'board') continue;
      const rings = ringsOf(b.part, b.left);
      const wide = new Map(thicknessesOf(b.part).map((t) => [t.key, t.across * unitMm(form)]));
      expect(rings.map((r) => r.key).sort()).toEqual([...wide.keys()].sort());
      for (const r of rings) {
        // A ring at the top stands as far out as the part is high over its middle.
        const s = b.part.shape === 'limb' ? b.part.nodes[Number(r.key.split(' ')[0])]!.section : undefined;
        const over = s && r.key.endsWith('high') ? (s.over + s.under) / (2 * s.over) : 1;
        expect(2 * r.radius * over, `${b.part.id} ${r.key}`).toBeCloseTo(wide.get(r.key)!, 4);
      }
    }
  });
});
