/** The middle line of a body: closed forms of a tube and a spheroid. */
import { describe, expect, it } from 'vitest';
import { plainTube } from '../../../demo/plain-tube';
import { makeBody } from '@/core/form/body';
import { workForm } from '@/core/form/form';
import { middleOf } from './medial';
import type { Part, Piece } from '@/core/piece/schema';

const common = { mirrored: false, blend: 0, lie: 'to-end', on: null, root: 'end', role: 'other' } as const;
const formOf = (part: Part): Piece['form'] => ({
  plan: 'test',
  finishedLengthMm: 200,
  lifeLengthMm: 200,
  measuredBy: 'length',
  parts: [part],
  pose: [],
  scan: null,
});
const lengthOf = (line: readonly (readonly [number, number, number])[]) =>
  line.slice(1).reduce((s, p, i) => s + Math.hypot(...p.map((x, k) => x - line[i]![k]!)), 0);

describe('the middle line', () => {
  it('of a straight tube is its axis, short of its round ends by its radius', () => {
    const r = 20;
    const { skin } = workForm(formOf(plainTube('t')), 1 / 80);
    const line = middleOf(skin);
    for (const [x, y] of line) expect(Math.hypot(x, y)).toBeLessThan(0.2);
    // Two ends, each within a slice of where the tube ends less its radius.
    expect(Math.abs(lengthOf(line) - (200 - 2 * r))).toBeLessThan((2 * 200) / 32);
  });
  it('of a body 200 mm long is most of it, where its drawn middle line was 40 mm', () => {
    const { skin } = workForm(
      formOf({
        ...common,
        id: 'b',
        name: 'Base',
        shape: 'pad',
        start: [0, 0, 500],
        end: [0, 0, -500],
        halfWidth: 180,
        halfHeight: 180,
      }),
      1 / 80,
    );
    const line = middleOf(skin);
    expect(lengthOf(line)).toBeGreaterThan(130);
    expect(lengthOf(line)).toBeLessThan(200 - 2 * 20);
    expect(
      makeBody(
        formOf({
          ...common,
          id: 'b',
          name: 'Base',
          shape: 'pad',
          start: [0, 0, 500],
          end: [0, 0, -500],
          halfWidth: 180,
          halfHeight: 180,
        }),
      ).lengthMm,
    ).toBeCloseTo(200, 6);
  });
});
