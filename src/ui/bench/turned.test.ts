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
    expect(from(turnedTo(made, face, { yaw: 180, pitch: 0 })!)[2]).toBeCloseTo(1, 3);
    expect(turnedTo(made, face, { yaw: 20, pitch: 10 })).toBeNull();
    const belly = made.work.steps.find((s) => s.operation.about.id === 'belly')!.operation;
    // From below, as far as the turntable is tilted for it.
    const t = turnedTo(made, belly, { yaw: -62, pitch: 40 })!;
    expect(t.pitch).toBeLessThan(-30);
    expect(turnedTo(made, belly, t)).toBeNull();
    const core = made.work.steps.find((s) => s.operation.kind === 'core')!.operation;
    expect(turnedTo(made, core, { yaw: 180, pitch: 0 })).toBeNull();
  });
});
