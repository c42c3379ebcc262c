/** A part that no area covers is said, with how much of it; one left bare on purpose is not. */
import { describe, expect, it } from 'vitest';
import { cupboard } from '../../../demo/load';
import { change, plain, plan } from '../../../demo/plain-marten';
import { planned } from '../../../cli/testing/planned';
import { plainTube } from '../../../demo/plain-tube';
import { plainArea } from '@/core/form/area-edits';
import { newPiece } from '@/core/new-piece';
import { defaultHand as hand } from '@/core/piece/hand';
import type { Area, Piece } from '@/core/piece/schema';
import { isAbout } from '@/core/ref';

const found = (p: Piece, id: string) =>
  plan(p).findings.find((f) => f.code === 'coat-unclothed' && isAbout(f, 'part', id));

describe('a part that no area covers', () => {
  const tailless = change(plain, (d) => void (d.areas = d.areas.filter((a) => a.id !== 'tail')));
  it('is said, and is listed after one press; left bare as an area it is no longer said', () => {
    expect(found(plain, 'tail')).toBeUndefined();
    const f = found(tailless, 'tail')!;
    expect(f.severity).toBe('note');
    const [{ path, value }] = f.remedies[0]!.changes as [{ path: readonly (string | number)[]; value: unknown }];
    expect(path).toEqual(['areas']);
    const listed = change(tailless, (d) => void (d.areas = value as Area[]));
    expect(listed.areas.at(-1)!.coat.method).toBe('none');
    expect(found(listed, 'tail')).toBeUndefined();
  });
  it('is said with the share of its skin: of a tube clothed at one end, that of the closed form', () => {
    const piece = newPiece(
      { id: 't', name: 'Tube', plan: 'standing-quadruped', finishedLengthMm: 200, lifeLengthMm: 900, seed: 1 },
      cupboard,
      hand,
    );
    const area = plainArea('end', 'End', [{ parts: ['trunk'], along: { from: 0, to: 0.1 } }]);
    const p: Piece = {
      ...piece,
      form: { ...piece.form, parts: [plainTube('trunk')], pose: [] },
      core: { ...piece.core, soft: [] },
      frame: { ...piece.frame, kind: 'none' },
      areas: [area],
    };
    const f = planned(p, cupboard, hand, { edgeShare: 1 / 70 }).findings.find((x) => x.code === 'coat-unclothed')!;
    // A tenth of its whole length, ends and all, is its round end: 2 pi r r of 2 pi r (800 + 2 r) is clothed.
    const bare = f.says.find((x) => typeof x === 'object' && x.kind === 'share') as { value: number };
    expect(Math.abs(bare.value - (1 - 100 / 1000))).toBeLessThan(0.01);
  });
});
