import { beforeAll, describe, expect, it } from 'vitest';
import { pineMarten } from '../../../demo/load';
import type { Piece, Reference } from '@/core/piece/schema';
import { makeBody, type Body } from './body';
import { comparePicture, landmarks, onPicture, seenFlat } from './compare';
import { setPartLength, setThickness, thicknessesOf, partLength, unitMm } from './shape';

const straight = { ...pineMarten.form, pose: [] };
const SCALE = straight.lifeLengthMm / straight.finishedLengthMm;
let body: Body;
beforeAll(() => {
  body = makeBody(straight);
});

/** A photograph of the animal as it is: 300 mm wide at the scale of the piece, its corner at (-170, 130), 4 : 3. */
const W = 300;
const H = 225;
const photoOf = (of: Body, ids: string[]): Reference => ({
  id: 'side',
  name: 'side.jpg',
  side: 'left',
  aspect: W / H,
  a: [0.1, 0.9],
  b: [0.6, 0.9],
  // Half the width of the picture, in life.
  knownMm: (W / 2) * SCALE,
  strength: 0.5,
  grey: null,
  pins: landmarks(of)
    .filter((l) => ids.includes(l.id))
    .map((l) => {
      const [x, y] = seenFlat(l.at, 'left');
      return { landmark: l.id, at: [(x + 170) / W, (130 - y) / H] as [number, number] };
    }),
});
const IDS = ['muzzle:tip', 'tail:tip', 'tail:root', 'foreleg:tip', 'foreleg:root', 'neck:root', 'neck:tip'];

describe('a photograph behind the animal', () => {
  it('is brought to the scale of the piece by two points, and laid where its pins fit', () => {
    const c = comparePicture(body, photoOf(body, IDS), SCALE, [0, 0]);
    expect(c.widthMm!.value).toBeCloseTo(W, 9);
    expect(c.heightMm).toBeCloseTo(H, 9);
    expect(c.corner[0]).toBeCloseTo(-170, 6);
    expect(c.corner[1]).toBeCloseTo(130, 6);
    for (const p of c.pins) expect(p.offMm).toBeLessThan(1e-6);
    expect(onPicture(c, [1, 1])).toEqual([expect.closeTo(W - 170, 6), expect.closeTo(130 - H, 6)]);
  });

  it('with nothing pinned lies round the middle; with its two points in one place has no scale', () => {
    const bare = comparePicture(body, photoOf(body, []), SCALE, [10, 20]);
    expect(bare.corner).toEqual([expect.closeTo(10 - W / 2, 9), expect.closeTo(20 + H / 2, 9)]);
    expect(bare.proportions).toEqual([]);
    const same = comparePicture(body, { ...photoOf(body, IDS), b: [0.1, 0.9] }, SCALE, [0, 0]);
    expect(same.widthMm).toBeNull();
  });

  it('one pin drawn 6 mm off is the worst, and by how much is said', () => {
    const r = photoOf(body, IDS);
    const moved = {
      ...r,
      pins: r.pins.map((p) =>
        p.landmark === 'tail:tip' ? { ...p, at: [p.at[0] - 6 / W, p.at[1]] as [number, number] } : p,
      ),
    };
    const c = comparePicture(body, moved, SCALE, [0, 0]);
    expect(c.pins[0]!.id).toBe('tail:tip');
    // The picture settles to the mean of its pins, so a seventh of the 6 mm goes to each of the others.
    expect(c.pins[0]!.offMm).toBeCloseTo(6 * (1 - 1 / IDS.length), 6);
    expect(c.pins[1]!.offMm).toBeCloseTo(6 / IDS.length, 6);
  });

  it('a leg 20 % too short on the piece is 20 % too short in its proportions, and comes first', () => {
    const leg = straight.parts.find((p) => p.id === 'foreleg')!;
    const photo = photoOf(body, IDS);
    const short = makeBody(setPartLength(straight, 'foreleg', 0.8 * partLength(leg) * unitMm(straight)));
    const c = comparePicture(short, photo, SCALE, [0, 0]);
    expect(c.proportions[0]!.name).toBe('Foreleg');
    expect(c.proportions[0]!.against).toBe('Tail');
    expect(c.proportions[0]!.off.value).toBeGreaterThan(-0.22);
    expect(c.proportions[0]!.off.value).toBeLessThan(-0.12);
    for (const p of c.proportions.slice(1)) expect(Math.abs(p.off.value)).toBeLessThan(0.02);
  });

  it('a trunk drawn too deep is too deep in its proportions', () => {
    const ids = [...IDS, 'trunk:top', 'trunk:under'];
    const photo = photoOf(body, ids);
    const deep = thicknessesOf(straight.parts.find((p) => p.id === 'trunk')!)
      .filter((t) => t.key.endsWith('high'))
      .reduce<Piece['form']>((f, t) => setThickness(f, 'trunk', t.key, 1.3 * t.across * unitMm(straight)), straight);
    const depth = comparePicture(makeBody(deep), photo, SCALE, [0, 0]).proportions.find(
      (p) => p.name === 'Depth of trunk',
    )!;
    expect(depth.off.value).toBeGreaterThan(0.25);
    expect(depth.off.value).toBeLessThan(0.35);
  });

  it('proportions do not care what scale the photograph was said to have', () => {
    const photo = photoOf(body, IDS);
    const a = comparePicture(body, photo, SCALE, [0, 0]);
    const b = comparePicture(body, { ...photo, knownMm: photo.knownMm * 1.7 }, SCALE, [0, 0]);
    b.proportions.forEach((p, i) => expect(p.off.value).toBeCloseTo(a.proportions[i]!.off.value, 9));
    expect(b.pins[0]!.offMm).toBeGreaterThan(10);
  });

  it('a pin on a part that was taken away is passed over', () => {
    const c = comparePicture(
      body,
      { ...photoOf(body, IDS), pins: [{ landmark: 'horn:tip', at: [0.5, 0.5] }] },
      SCALE,
      [0, 0],
    );
    expect(c.pins).toEqual([]);
  });
});
