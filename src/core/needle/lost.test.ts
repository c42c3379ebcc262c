/** A needle that is missing stays missing over sittings until it is found or searched for (common practice: needles are counted). */
import { describe, expect, it } from 'vitest';
import type { LogEntry } from '@/core/piece/log-entry';
import { lostNeedles, openPoints } from './lost';

let n = 0;
const common = () => ({ id: `e${n++}`, at: '2026-03-01T09:00:00Z', areaId: 'piece', by: 'hand', was: [] });
const counted = (when: 'before' | 'after', counts: Record<string, number>): LogEntry => ({
  ...common(),
  kind: 'needles',
  when,
  counts,
});
const broke = (needleId: string, found = true): LogEntry => ({
  ...common(),
  kind: 'broken',
  needleId,
  operation: null,
  place: null,
  found,
});
const searched = (needleId: string): LogEntry => ({
  ...common(),
  kind: 'searched',
  needleId,
  left: 4,
  words: 'not in the piece',
});
const lost = (...log: LogEntry[]) => Object.fromEntries([...lostNeedles(log)].map(([id, x]) => [id, x.missing]));

it('points that are not found are open until they are found or searched for', () => {
  const open = (...log: LogEntry[]) => openPoints(log).map((e) => e.needleId);
  expect(open(broke('a'), broke('b', false), broke('c', false))).toEqual(['b', 'c']);
  expect(open(broke('b', false), searched('b'))).toEqual([]);
  // A search ends what was before it, and not what breaks after.
  expect(open(broke('b', false), searched('b'), broke('b', false))).toEqual(['b']);
});

describe('needles', () => {
  it('that break are not missing, those that do not come back are', () => {
    expect(lost(counted('before', { a: 5, b: 3 }), broke('a'), counted('after', { a: 4, b: 3 }))).toEqual({});
    expect(lost(counted('before', { a: 5, b: 3 }), broke('a'), counted('after', { a: 3, b: 3 }))).toEqual({ a: 1 });
  });
  it('stay missing in the next sitting, counted with what is there, until they are found', () => {
    const first = [counted('before', { a: 5 }), counted('after', { a: 4 })];
    const next = [...first, counted('before', { a: 4 }), counted('after', { a: 4 })];
    expect(lost(...next)).toEqual({ a: 1 });
    expect(lost(...next, counted('before', { a: 4 }), counted('after', { a: 5 }))).toEqual({});
    // Bought, not found.
    expect(lost(...next, counted('before', { a: 6 }))).toEqual({ a: 1 });
  });
  it('lost between sittings are missing too; a search written down ends it', () => {
    const log = [counted('before', { a: 5 }), counted('after', { a: 5 }), counted('before', { a: 4 })];
    expect(lost(...log)).toEqual({ a: 1 });
    expect(lost(...log, searched('a'))).toEqual({});
    expect(lost(...log, searched('a'), counted('after', { a: 4 }))).toEqual({});
  });
});
