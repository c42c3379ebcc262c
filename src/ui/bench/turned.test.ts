/** A row is turned towards the eye, and left alone where it is seen. */
import { describe, expect, it } from 'vitest';
import type { RowPiece } from '@/core/coat/rows/rows';
import { eye } from '@/ui/pictures/camera';
import { plan } from '../../../demo/plain-marten';
import { pineMarten } from '../../../demo/load';
import { turned, turnedTo } from './turned';

const row = (...normals: [number, number, number][]) => ({
  pieces: [{ normal: Float64Array.from(normals.flat()) } as unknown as RowPiece],
});

describe('a row at the bench', () => {
  it('is looked at straight on where it was turned away', () => {
    for (const n of [
      [1, 0, 0],
      [0, 0, -1],
      [0.6, 0.5, -0.6245],
    ] as [number, number, number][]) {
      const away = { yaw: (Math.atan2(-n[0], -n[2]) * 180) / Math.PI, pitch: 0 };
      const t = turned(row(n), away)!;
      const { from } = eye(t);
      expect(from[0] * n[0] + from[1] * n[1] + from[2] * n[2]).toBeCloseTo(1, 3);
    }
  });
  it('stays where it is seen, and where it runs all round', () => {
    expect(turned(row([0, 0, 1]), { yaw: 40, pitch: 10 })).toBeNull();
    const ring = Array.from({ length: 12 }, (_, i): [number, number, number] => [
      Math.cos((i * Math.PI) / 6),
      Math.sin((i * Math.PI) / 6),
      0,
    ]);
    expect(turned(row(...ring), { yaw: 180, pitch: 0 })).toBeNull();
  });
});

describe('the place of a step', () => {
  const made = plan(pineMarten);
  const from = (t: { yaw: number; pitch: number }) => eye(t).from;
  it('is the face from the front, an area as it faces, and nothing where it is all round', () => {
    const face = made.work.steps.find((s) => s.operation.stage === 'face')!.operation;
    expect(from(turnedTo(made, pineMarten.form, face, { yaw: 180, pitch: 0 })!)[2]).toBeCloseTo(1, 3);
    expect(turnedTo(made, pineMarten.form, face, { yaw: 20, pitch: 10 })).toBeNull();
    const belly = made.work.steps.find((s) => s.operation.about.id === 'belly')!.operation;
    // From below, as far as the turntable is tilted for it.
    const t = turnedTo(made, pineMarten.form, belly, { yaw: -62, pitch: 40 })!;
    expect(t.pitch).toBeLessThan(-30);
    expect(turnedTo(made, pineMarten.form, belly, t)).toBeNull();
    const photographs = made.work.steps.find((s) => s.operation.about.kind === 'photographs')!.operation;
    expect(turnedTo(made, pineMarten.form, photographs, { yaw: 180, pitch: 0 })).toBeNull();
  });
  it('is a part that lies behind the body; from the side every part is seen', () => {
    const of = (id: string) => made.work.steps.find((s) => s.operation.id === `core-${id}`)!.operation;
    const parts = made.work.steps.filter((s) => s.operation.about.kind === 'part');
    expect(parts.length).toBeGreaterThan(5);
    for (const { operation } of parts)
      expect(turnedTo(made, pineMarten.form, operation, { yaw: 90, pitch: 5 }), operation.id).toBeNull();
    // The head from behind, the tail from the front: turned until it points to the eye, or nearly.
    for (const [id, yaw, to] of [
      ['skull', 180, 1],
      ['tail', 0, -1],
    ] as const) {
      const t = turnedTo(made, pineMarten.form, of(id), { yaw, pitch: 0 })!;
      expect(from(t)[2] * to, id).toBeGreaterThan(0.7);
      expect(turnedTo(made, pineMarten.form, of(id), t), id).toBeNull();
    }
    // One of a pair is always on this side.
    for (const yaw of [60, -60]) expect(turnedTo(made, pineMarten.form, of('hindleg'), { yaw, pitch: 0 })).toBeNull();
  });
});
