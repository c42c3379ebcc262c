import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../../demo/load';
import { planned } from '../../../cli/testing/planned';
import { planFlatParts } from '@/core/build/flat-parts';
import { edgeOfLeaf } from '@/core/face/drawing/face-drawing';
import { moveFeature, onChart } from '@/core/face/face-edits';
import { earAt } from '@/core/face/features/ears';
import { intoHead } from '@/core/face/head/head';
import { defaultHand } from '@/core/piece/hand';
import type { Part, Piece } from '@/core/piece/schema';
import { readPiece } from '@/core/piece/read';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';
import { makeBody } from './body';
import { asStanding, isLeaf, outlineOf, type LeafPad } from './leaf';
import { carriedSeat, leaning, leanOf, withOutline } from './leaf-edits';
import { nearestParts, workForm } from './form';
import { unitMm } from './shape';

const ear = pineMarten.form.parts.find((p): p is LeafPad => p.id === 'ear' && isLeaf(p))!;
const withEar = (change: Partial<LeafPad['leaf']>, pose = pineMarten.form.pose): Piece => ({
  ...pineMarten,
  form: {
    ...pineMarten.form,
    pose,
    parts: pineMarten.form.parts.map((p): Part => (p.id === 'ear' ? { ...ear, leaf: { ...ear.leaf, ...change } } : p)),
  },
});
const earOf = (piece: Piece) => makeBody(piece.form).parts.find((p) => p.part.id === 'ear')!.leaf!;

describe('a part that is a leaf', () => {
  it('is mirrored to the last bit', () => {
    const { left, right } = earOf(withEar({ turnDeg: 40, curlDeg: 20 }, []));
    expect(Array.from(right!.solid.corners)).toEqual(Array.from(left.solid.corners, (x, i) => (i % 3 === 0 ? -x : x)));
    // So the skin is, too.
    const { skin } = workForm(withEar({}, []).form, 1 / 90);
    const { mirror, positions: p } = skin;
    for (let v = 0; v < mirror.length; v++) expect(p[3 * mirror[v]!]! + p[3 * v]!).toBe(0);
  });

  it('faces forward, and out to its side by as much as it is turned', () => {
    for (const turnDeg of [0, 35, 90]) {
      const { left, right } = earOf(withEar({ turnDeg }, []));
      const out = (Math.atan2(left.face[0], left.face[2]) * 180) / Math.PI;
      // Seen from above; it leans a little, which turns that by a degree or two.
      expect(Math.abs(out - turnDeg)).toBeLessThan(8);
      expect(right!.face[0]).toBeCloseTo(-left.face[0], 12);
      // Its hollow lies on the side it faces: its edges are nearer to it than its middle.
      const rim = Array.from({ length: left.solid.rim.length / 3 }, (_, i) =>
        left.solid.rim.subarray(3 * i, 3 * i + 3),
      );
      const deep = (q: ArrayLike<number>) => left.face.reduce((s, f, k) => s + f * (q[k]! - left.root[k]!), 0);
      expect(deep(rim[4]!)).toBeGreaterThan(0.5);
    }
  });

  it('leans as far as it is told, and is as long as before', () => {
    fc.assert(
      fc.property(fc.integer({ min: -60, max: 120 }), (deg) => {
        const to = leaning(ear, deg);
        expect(leanOf(to)).toBe(deg);
        const long = (p: LeafPad) => Math.hypot(...p.end.map((x, k) => x - p.start[k]!));
        expect(long(to)).toBeCloseTo(long(ear), 3);
        expect(to.start).toEqual(ear.start);
      }),
    );
  });

  it('keeps an outline it is given, as a file may hold it', () => {
    const point = fc.tuple(fc.integer({ min: -120, max: 120 }), fc.integer({ min: 0, max: 400 }));
    fc.assert(
      fc.property(fc.array(point, { minLength: 3, maxLength: 24 }), (points) => {
        const [wide, high] = [
          Math.max(...points.map((p) => Math.abs(p[0]))),
          Math.max(...points.map((p) => p[1])) - Math.min(...points.map((p) => p[1])),
        ];
        fc.pre(wide >= 4 && high >= 4);
        const part = withOutline(ear, points);
        const low = Math.min(...points.map((p) => p[1]));
        outlineOf(part).forEach(([x, y], i) => {
          expect(Math.abs(x - points[i]![0])).toBeLessThan(0.01);
          expect(Math.abs(y - (points[i]![1] - low))).toBeLessThan(0.02);
        });
        const read = readPiece({
          ...pineMarten,
          form: { ...pineMarten.form, parts: pineMarten.form.parts.map((p) => (p.id === 'ear' ? part : p)) },
        });
        expect(read.ok).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
});

describe('pattern, animal and chart are one thing', () => {
  const k = unitMm(pineMarten.form);
  const flat = pineMarten.flatParts.find((f) => f.id === 'ear')!;

  it('the pattern is cut by the outline, thickness and bend of the leaf', () => {
    const standing = asStanding(pineMarten, flat, k);
    expect(standing.outline).toEqual(outlineOf(ear));
    expect(standing.thicknessMm).toBeCloseTo(2 * ear.halfHeight * k, 12);
    expect(standing.bendDeg).toBe(ear.leaf.cupDeg);
    const hand = handAtWork(defaultHand, NO_PIECE);
    const plan = (piece: Piece) => planFlatParts({ piece, cupboard, hand });
    const [p] = plan(pineMarten).result;
    const { ring } = earOf(pineMarten).left;
    expect(p!.areaMm2).toBeCloseTo(
      Math.abs(ring.reduce((s, [x, y], i) => s + x * ring.at(i - 1)![1] - ring.at(i - 1)![0] * y, 0)) / 2,
      6,
    );
    // Too thin, it is made thicker where its thickness is kept.
    const thin: Piece = {
      ...pineMarten,
      form: {
        ...pineMarten.form,
        parts: pineMarten.form.parts.map((x) => (x.id === 'ear' ? { ...ear, halfHeight: 0.45 / k } : x)),
      },
    };
    const [change] = plan(thin).findings.find((f) => f.code === 'form-through')!.remedies[0]!.changes;
    expect(change!.path).toEqual([
      'form',
      'parts',
      pineMarten.form.parts.findIndex((x) => x.id === 'ear'),
      'halfHeight',
    ]);
    const mended = structuredClone(thin);
    (mended.form.parts[change!.path[2] as number] as LeafPad).halfHeight = change!.value as number;
    expect(plan(mended).findings.filter((f) => f.code === 'form-through')).toEqual([]);
  });

  // Within 0.2 mm, on a skin whose corners lie closer together than usual: only they are looked at.
  it('the edge on the chart is the outline of the skin', () => {
    const plan = planned(pineMarten, cupboard, defaultHand);
    const { frame, ears } = plan.face!;
    const work = workForm(pineMarten.form, 1 / 180);
    const near = nearestParts(work);
    const which = work.body.parts.findIndex((p) => p.part.id === 'ear');
    const away = (q: readonly number[], e: { readonly at: readonly number[] }) =>
      Math.hypot(...q.map((x, c) => x - e.at[c]!));
    for (const e of ears!.places) {
      const rim = Array.from({ length: e.rim!.length / 3 }, (_, i) =>
        onChart(intoHead(frame, [e.rim![3 * i]!, e.rim![3 * i + 1]!, e.rim![3 * i + 2]!]), 'front'),
      );
      const edge = edgeOfLeaf(rim, ears!.halfMm);
      const own: (readonly [number, number])[] = [];
      for (let v = 0; v < near.length; v++) {
        const q: [number, number, number] = [
          work.skin.positions[3 * v]!,
          work.skin.positions[3 * v + 1]!,
          work.skin.positions[3 * v + 2]!,
        ];
        if (
          near[v] === which &&
          away(q, e) <
            away(
              q,
              ears!.places.find((o) => o !== e)!,
            )
        )
          own.push(onChart(intoHead(frame, q), 'front'));
      }
      expect(own.length).toBeGreaterThan(40);
      // Upward and to both sides above the head, where it stands free.
      for (const deg of [60, 75, 90, 105, 120]) {
        const [c, s] = [Math.cos((deg * Math.PI) / 180), Math.sin((deg * Math.PI) / 180)];
        const far = (list: readonly (readonly [number, number])[]) => Math.max(...list.map(([x, y]) => x * c + y * s));
        expect(Math.abs(far(edge) - far(own)), `${e.side} ${deg}°`).toBeLessThan(0.2);
      }
    }
  });

  it('moved on the chart the ear itself moves, in whatever pose, and nothing else does', () => {
    const body = makeBody(pineMarten.form);
    const face = pineMarten.face!;
    const from = earAt({ body }, face)!;
    const to: [number, number, number] = [from[0] + 0.6, from[1] - 0.8, from[2] + 0.5];
    const next = moveFeature(pineMarten, body, 'ear-left', to);
    expect(next.face).toEqual(face);
    const [was, is] = [earOf(pineMarten).left.root, earOf(next).left.root];
    [0.6, -0.8, 0.5].forEach((d, i) => expect(is[i]! - was[i]!).toBeCloseTo(d, 1));
    const others = (p: Piece) => p.form.parts.filter((x) => x.id !== 'ear');
    expect(others(next)).toEqual(others(pineMarten));
    // And back again.
    const back = carriedSeat(next.form, 'ear', [-0.6, 0.8, -0.5]);
    const start = (f: Piece['form']) => (f.parts.find((p) => p.id === 'ear') as LeafPad).start;
    start(back).forEach((x, i) => expect(Math.abs(x - ear.start[i]!)).toBeLessThan(0.05));
  });
});
