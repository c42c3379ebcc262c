import { produce } from 'immer';
import { describe, expect, it } from 'vitest';
import { alpacaCria, brownHare, pineMarten } from '../../../../demo/load';
import { faced, faceOf } from '../../../../demo/plain-face';
import { plan } from '../../../../demo/plain-marten';
import { norm, sub, type Vec3 } from '@/core/geometry/vec';
import { intoHead } from '@/core/face/head/head';

const long = (l: readonly Vec3[]) => l.slice(1).reduce((s, p, i) => s + norm(sub(p, l[i]!)), 0);

describe('the mouth on the skin', () => {
  it('is as long on each side as was decided, and hangs under the nose by its philtrum', () => {
    for (const p of [pineMarten, alpacaCria]) {
      const f = faceOf(p);
      for (const h of f.mouth!.halves) expect(Math.abs(long(h) / p.face!.mouth.sideMm - 1)).toBeLessThan(0.02);
      expect(Math.abs(long(f.mouth!.philtrum) - p.face!.nose.philtrumMm)).toBeLessThan(0.1);
      expect(norm(sub(f.mouth!.philtrum[0]!, f.nose.under))).toBeLessThan(0.1);
    }
  });
  it('both halves begin in the middle and mirror each other', () => {
    const f = faceOf(alpacaCria);
    const [l, r] = f.mouth!.halves.map((h) => h.map((p) => intoHead(f.frame, p)));
    expect(Math.abs(l![0]![0])).toBeLessThan(0.05);
    l!.forEach((p, i) => {
      const q = r![Math.min(i, r!.length - 1)]!;
      expect(q[0]).toBeCloseTo(-p[0], 1);
      expect(q[1]).toBeCloseTo(p[1], 1);
    });
  });
  it('a lifted corner stands higher, and it tapers from the middle', () => {
    const corner = (liftMm: number) => {
      const f = faceOf(faced(alpacaCria, (x) => void (x.mouth.liftMm = liftMm)));
      return intoHead(f.frame, f.mouth!.corners[0]!)[1];
    };
    expect(corner(3)).toBeGreaterThan(corner(0) + 0.7);
    expect(corner(-3)).toBeLessThan(corner(0) - 0.7);
    const [a, b, c] = faceOf(pineMarten).mouth!.thickMm;
    expect(a).toBeGreaterThan(b);
    expect(b).toBeGreaterThan(c);
  });
  it('on a relief has one half', () => {
    expect(faceOf(brownHare).mouth!.halves.length).toBe(1);
  });
  it('more room under the nose moves it down by as much, over the skin', () => {
    const at = (mm: number) => faceOf(faced(alpacaCria, (x) => void (x.nose.philtrumMm = mm))).mouth!.philtrum;
    expect(long(at(3)) - long(at(1))).toBeCloseTo(2, 1);
  });
});

describe('brows', () => {
  it('are as long as decided, over each eye, and rise outside when tilted', () => {
    const brow = (tiltDeg: number) => {
      const f = faceOf(faced(brownHare, (x) => void (x.brows!.tiltDeg = tiltDeg)));
      return { f, line: f.brows[0]!.line.map((p) => intoHead(f.frame, p)) };
    };
    const { f, line } = brow(0);
    expect(Math.abs(long(line) / brownHare.face!.brows!.lengthMm - 1)).toBeLessThan(0.15);
    const eye = intoHead(f.frame, f.eyes.places[0]!.at);
    for (const p of line) expect(p[1]).toBeGreaterThan(eye[1]);
    const rise = (l: readonly Vec3[]) => l[l.length - 1]![1] - l[0]![1];
    expect(rise(brow(25).line)).toBeGreaterThan(rise(line) + 2);
  });
});

describe('ears', () => {
  it('stand where they are drawn until they are moved, with a collar and a fringe of their seat', () => {
    // A leaf is as wide at its seat as its outline is there: half of 54 thousandths, -0.72 to 0.78 of it.
    expect(faceOf(pineMarten).ears!.acrossMm).toBeCloseTo((1.5 * 27 * pineMarten.form.finishedLengthMm) / 1000, 1);
    // Drawn as a plain pad, its flat part is 48 thousandths at its foot.
    const pad = produce(pineMarten, (d) => {
      const ear = d.form.parts.find((p) => p.id === 'ear')!;
      if (ear.shape === 'pad') delete ear.leaf;
    });
    const f = faceOf(pad);
    expect(f.ears!.flatId).toBe('ear');
    expect(f.ears!.acrossMm).toBeCloseTo((48 * pineMarten.form.finishedLengthMm) / 1000, 0);
    const moved = faceOf(
      faced(pad, (x) => void (x.ears.at = { part: 'skull', side: 'left', along: 0.8, up: 0.9, out: 0.4 })),
    );
    expect(norm(sub(moved.ears!.places[0]!.at, f.ears!.places[0]!.at))).toBeGreaterThan(1);
    const [l, r] = moved.ears!.places.map((e) => intoHead(moved.frame, e.at));
    expect(r![0]).toBeCloseTo(-l![0], 0);
    expect(r![1]).toBeCloseTo(l![1], 0);
  });
  it('an animal without ears has none to set', () => {
    const bare = plan({
      ...pineMarten,
      flatParts: [],
      form: { ...pineMarten.form, parts: pineMarten.form.parts.filter((p) => p.id !== 'ear') },
    });
    expect(bare.face!.ears).toBeNull();
    expect(bare.work.steps.some((s) => s.operation.id.startsWith('face-ears'))).toBe(false);
  });
});
