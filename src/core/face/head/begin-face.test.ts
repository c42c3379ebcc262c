import { describe, expect, it } from 'vitest';
import { brownHare, cupboard, kingfisher, pineMarten } from '../../../../demo/load';
import { change, plan } from '../../../../demo/plain-marten';
import { makeBody } from '@/core/form/body';
import { pointOf } from '@/core/form/places';
import { BODY_PLANS } from '@/core/form/plans/plans';
import { removePart } from '@/core/form/shape';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { defaultHand } from '@/core/piece/hand';
import { newPiece } from '@/core/new-piece';
import { readPiece } from '@/core/piece/read';
import { beginBrows, beginFace, beginWhiskers } from './begin-face';
import { moveFeature, onChart, underChart } from '@/core/face/face-edits';
import { intoHead } from './head';

describe('a first face', () => {
  it.each(BODY_PLANS.map((p) => [p.id]))(
    'fits the head of the body plan %s and can be used',
    (id) => {
      const p = newPiece(
        { id: 'x', name: 'x', plan: id, finishedLengthMm: 180, lifeLengthMm: 700, seed: 1 },
        cupboard,
        defaultHand,
      );
      const face = beginFace(p)!;
      face.brows = beginBrows(face);
      face.whiskers = [beginWhiskers(p, face, 'whiskers', 'w'), beginWhiskers(p, face, 'brow whiskers', 'b')];
      const read = readPiece({ ...p, face });
      expect(read.ok ? [] : read.problems).toEqual([]);
      const of = plan({ ...p, face }).face!;
      // The nose is the foremost of the head, the eyes sit behind it and above the mouth.
      const eye = of.measured.find((m) => m.mark === 'eye-left')!.inHead;
      expect(eye[2]).toBeLessThan(-0.15 * of.headLengthMm);
      expect(eye[2]).toBeGreaterThan(-0.9 * of.headLengthMm);
      if (of.mouth) expect(eye[1]).toBeGreaterThan(intoHead(of.frame, of.mouth.corners[0]!)[1]);
      expect(of.eyes.places.length).toBe(of.oneSided ? 1 : 2);
      // Nothing about it stops the work but what the maker has still to choose.
      const stops = plan({ ...p, face }).findings.filter((f) => f.stage === 'face' && f.severity === 'stop');
      expect(stops.map((s) => s.id)).toEqual([]);
      // It looks the way such an animal does.
      const aims = plan({ ...p, face }).findings.filter((f) => f.id === 'face-eye-front' || f.id === 'face-eye-side');
      expect(aims.map((s) => s.id)).toEqual([]);
    },
    60_000,
  );
  it('a bird gets a beak and beads, a relief one layered eye', () => {
    expect(beginFace(kingfisher)!.nose.kind).toBe('beak');
    expect(beginFace(kingfisher)!.mouth.kind).toBe('none');
    expect(beginFace(kingfisher)!.eyes.kind).toBe('bead');
    expect(beginFace(brownHare)!.eyes.kind).toBe('layered');
  });
});

describe('moving features on the chart', () => {
  const f = plan(pineMarten).face!;
  const skin = plan(pineMarten).form.skin;
  const body = makeBody(pineMarten.form);
  const eye = pointOf(body, pineMarten.face!.eyes.at)!;
  const seen = (p: Vec3, side: 'front' | 'profile') => onChart(intoHead(f.frame, p), side);
  it.each(['front', 'profile'] as const)(
    'from the %s a handle comes to lie where it was dropped, on the skin',
    (side) => {
      const [x, y] = seen(eye, side);
      const to = underChart(skin, f.frame, [x + 1, y - 1], side, eye);
      const [u, v] = seen(to, side);
      expect(u).toBeCloseTo(x + 1, 3);
      expect(v).toBeCloseTo(y - 1, 3);
      const least = Math.min(
        ...Array.from({ length: skin.positions.length / 3 }, (_, i) =>
          norm(sub(to, [skin.positions[3 * i]!, skin.positions[3 * i + 1]!, skin.positions[3 * i + 2]!])),
        ),
      );
      expect(least).toBeLessThan(2);
    },
  );
  it('beside the outline the nearest place of the skin is taken', () => {
    const to = underChart(skin, f.frame, [200, 9], 'front', eye, f.headLengthMm);
    expect(Number.isFinite(to[0])).toBe(true);
    expect(norm(sub(to, eye))).toBeLessThan(f.headLengthMm);
    expect(seen(to, 'front')[0]).toBeGreaterThan(seen(eye, 'front')[0]);
  });
  it('both eyes move alike, whichever is drawn, and fur that points away goes along', () => {
    const to = underChart(skin, f.frame, [seen(eye, 'front')[0] + 1, seen(eye, 'front')[1]], 'front', eye);
    const one = moveFeature(pineMarten, body, 'eye-left', to);
    expect(one.face!.eyes.at).not.toEqual(pineMarten.face!.eyes.at);
    expect(one.areas.find((a) => a.id === 'eye-rims')!.awayFrom).toEqual(one.face!.eyes.at);
    const mirrored: Vec3 = [-intoHead(f.frame, to)[0], 0, 0];
    const right = underChart(
      skin,
      f.frame,
      [mirrored[0], seen(to, 'front')[1]],
      'front',
      pointOf(body, { ...pineMarten.face!.eyes.at, side: 'right' })!,
    );
    const two = moveFeature(pineMarten, body, 'eye-right', right);
    expect(two.face!.eyes.at.side).toBe('left');
    expect(two.face!.eyes.at.along).toBeCloseTo(one.face!.eyes.at.along, 1);
    expect(two.face!.eyes.at.out).toBeCloseTo(one.face!.eyes.at.out, 1);
  });
  it('an eye set by itself leaves the other where it is', () => {
    const apart = change(pineMarten, (d) => void (d.face!.eyes.other = { ...d.face!.eyes.at, side: 'right' }));
    const right = pointOf(body, apart.face!.eyes.other!)!;
    const moved = moveFeature(
      apart,
      body,
      'eye-right',
      underChart(skin, f.frame, [seen(right, 'front')[0], seen(right, 'front')[1] + 2], 'front', right),
    );
    expect(moved.face!.eyes.at).toEqual(apart.face!.eyes.at);
    expect(moved.face!.eyes.other!.up).toBeGreaterThan(apart.face!.eyes.other!.up);
    expect(plan(moved).findings.some((x) => x.id === 'face-eyes-differ')).toBe(true);
  });
  it('the nose stays on the midline', () => {
    const moved = moveFeature(pineMarten, body, 'nose', [f.nose.tip[0] + 2, f.nose.tip[1], f.nose.tip[2]]);
    expect(moved.face!.nose.at.out).toBe(0);
  });
});

describe('parts taken away', () => {
  it('the face goes with its head, and stays without an ear', () => {
    expect(removePart(pineMarten, 'skull').face).toBeNull();
    expect(removePart(pineMarten, 'muzzle').face).toBeNull();
    expect(removePart(pineMarten, 'ear').face).not.toBeNull();
    expect(readPiece(removePart(pineMarten, 'neck')).ok).toBe(true);
  });
  it('a face on a part the animal does not have is refused in words', () => {
    const r = readPiece(change(pineMarten, (d) => void (d.face!.eyes.at.part = 'snout')));
    expect(r.ok ? '' : r.problems[0]!.says).toBe(
      'The eye sits on a part called “snout”, which this animal does not have',
    );
  });
});
