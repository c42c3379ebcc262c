/** What a hand remembers of other pieces: as their logs say now where they are in this browser, as kept where they are gone. */
import { describe, expect, it } from 'vitest';
import { kingfisher, pineMarten } from '../../demo/load';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { remembered, taughtBy } from './learn-from-others';

const wool = (id: string, grams: number): LogEntry => ({
  id,
  at: '2026-03-01T09:00:00Z',
  areaId: 'crown',
  by: 'hand',
  was: [],
  kind: 'wool',
  lotId: 'x',
  grams,
  askedG: 1,
  way: 'fold-over',
  operation: null,
  takenG: grams,
});
const logged = (piece: Piece, ...log: LogEntry[]) => ({ id: piece.id, doc: { ...piece, log } });
const kept = (pieceId: string) => ({ pieceId, name: 'Kept', at: '2026-01-01T09:00:00Z', done: [] });

describe('other pieces', () => {
  it('teach by what their logs say now; entries taken back no longer do; pieces gone stay in mind', () => {
    const docs = [logged(kingfisher, wool('a', 1.2)), logged(pineMarten)];
    const all = remembered([kept('gone'), kept(pineMarten.id)], docs, 'hand');
    expect(all.map((d) => [d.pieceId, d.done.map((x) => x.actual)])).toEqual([
      ['gone', []],
      [kingfisher.id, [1.2]],
    ]);
  });
  it('that are copies teach what was done once, once: the piece in hand by its own log, the other by what was done on it alone', () => {
    const [a, b] = [wool('a', 1.2), wool('b', 1.5)];
    const copy = { ...kingfisher, id: 'a-copy' };
    const docs = [logged(copy, a, b), logged(kingfisher, a)];
    const by = (inHand: string | null) =>
      Object.fromEntries(remembered([], docs, 'hand', inHand).map((d) => [d.pieceId, d.done.map((x) => x.actual)]));
    expect(by(kingfisher.id)).toEqual({ [kingfisher.id]: [1.2], 'a-copy': [1.5] });
    expect(by('a-copy')).toEqual({ 'a-copy': [1.2, 1.5] });
  });
  it('stored by the program before this one teach on, though they were not opened since', () => {
    const doc = logged(kingfisher, wool('a', 1.2)).doc;
    expect(taughtBy({ ...doc, schema: 11 }, 'hand')).toEqual(taughtBy(doc, 'hand'));
    expect(taughtBy(doc, 'hand')!.done).toHaveLength(1);
  });
  it('of another hand, of an older program or not to be read teach nothing', () => {
    const doc = logged(kingfisher, wool('a', 1.2)).doc;
    expect(taughtBy(doc, 'another')).toBeNull();
    expect(taughtBy({ ...doc, schema: 7 }, 'hand')).toBeNull();
    for (const bad of [null, 7, 'x', {}, { ...doc, log: 'none' }, { ...doc, log: [{ kind: 'row', by: 'hand' }] }])
      expect(taughtBy(bad, 'hand')).toBeNull();
  });
});
