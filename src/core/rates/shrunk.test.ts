/** Flat parts measured across: how felt shrinks in a maker's hands, for the next pattern. */
import { describe, expect, it } from 'vitest';
import { planFlatParts } from '@/core/build/flat-parts';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { cupboard, pineMarten } from '../../../demo/load';
import { handAtWork, NO_PIECE } from './hand-at-work';
import { recordsOf } from './records';
import { FLAT_FELT, shrinks, USUAL_SHRINK } from './shrunk';

const across = (id: string, patternMm: number, actualMm: number): LogEntry => ({
  id,
  at: '2026-03-01T09:00:00Z',
  areaId: 'ear',
  by: 'hand',
  was: [],
  kind: 'measured',
  what: 'shrink',
  plannedMm: patternMm,
  actualMm,
  way: FLAT_FELT,
  rows: null,
  up: null,
  anew: false,
});
/** A hand that has measured so many parts, each shrunk by a share. */
const measuredBy = (share: number, n = 12): Hand => ({
  ...defaultHand,
  done: [
    recordsOf(
      { id: 'other', name: 'Other', log: Array.from({ length: n }, (_, i) => across(`e${i}`, 40, 40 * (1 - share))) },
      'hand',
    )!,
  ],
});

describe('shrinkage', () => {
  it('of a constant maker is learned within a twentieth of the width, and nothing from two parts', () => {
    for (const share of [0.05, 0.15, 0.25, 0.35]) {
      const own = shrinks(handAtWork(measuredBy(share), NO_PIECE))!;
      expect(Math.abs((1 - own.share) / (1 - share) - 1)).toBeLessThan(0.05);
      expect([own.entries, own.pieces]).toEqual([12, 1]);
    }
    expect(shrinks(handAtWork(measuredBy(USUAL_SHRINK), NO_PIECE))!.share).toBe(USUAL_SHRINK);
    expect(shrinks(handAtWork(measuredBy(0.3, 2), NO_PIECE))).toBeNull();
  });

  it('is said where a pattern is cut for another, with the pattern it takes; not of what is felted already', () => {
    const hand = handAtWork(measuredBy(0.28), NO_PIECE);
    const piece: Piece = { ...pineMarten, flatParts: [{ ...pineMarten.flatParts[0]!, shrinkShare: 0.15 }] };
    const found = (p: Piece) =>
      planFlatParts({ piece: p, cupboard, hand }).findings.filter((f) => f.code === 'form-shrinks');
    const { path, value } = found(piece)[0]!.remedies[0]!.changes[0]!;
    expect(path).toEqual(['flatParts', 0, 'shrinkShare']);
    expect(Math.abs((value as number) - 0.28)).toBeLessThan(0.03);
    expect(found({ ...piece, flatParts: [{ ...piece.flatParts[0]!, shrinkShare: value as number }] })).toEqual([]);
    const felted = {
      ...across('s', 1, 1),
      kind: 'step',
      operation: `flat-${piece.flatParts[0]!.id}`,
      kept: false,
    } as unknown as LogEntry;
    expect(found({ ...piece, log: [felted] })).toEqual([]);
    const over = {
      ...across('o', 1, 1),
      kind: 'start-over',
      operations: [`flat-${piece.flatParts[0]!.id}`],
      words: '',
    };
    expect(found({ ...piece, log: [felted, over as unknown as LogEntry] })).toHaveLength(1);
  });
});
