/** The story of a piece: every row, weighing, note and fault once, in the order of the days; with its photographs on paper. */
import { expect, it } from 'vitest';
import fc from 'fast-check';
import { cupboard, kingfisher } from '../../demo/load';
import { plan } from '../../demo/plain-marten';
import type { LogEntry } from '@/core/piece/log-entry';
import { format, metric, words } from '@/units/units';
import type { Telling } from './entry-words';
import { fontsOnDisk } from './fonts-on-disk';
import { story, storyLines } from './story';

const made = plan(kingfisher);
const telling: Telling = {
  piece: kingfisher,
  plan: made,
  cupboard,
  q: (x) => format(x, metric),
  t: (x) => words(x, metric),
};
const common = (i: number, areaId = 'crown') => ({
  id: `e${i}`,
  at: new Date(2026, 2, 1 + Math.floor(i / 10), 18, i % 10).toISOString(),
  areaId,
  by: 'hand',
  was: [],
});
const row = (i: number, n: number, minutes: number, areaId = 'crown'): LogEntry => ({
  ...common(i, areaId),
  kind: 'row',
  row: n,
  up: null,
  minutes,
  timed: true,
  planned: null,
  work: null,
  made: {},
});
/** A grey JPEG of one pixel. */
const JPEG = Uint8Array.from(
  Buffer.from(
    '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wgALCAABAAEBAREA/8QAFBABAAAAAAAAAAAAAAAAAAAAAP/aAAgBAQABPxA=',
    'base64',
  ),
);

it('rows that follow each other are one line with their time; what came between them parts them', () => {
  const log: LogEntry[] = [
    row(0, 1, 5),
    row(1, 2, 6),
    row(2, 3, 7),
    {
      ...common(3),
      kind: 'wrong',
      operation: 'lay-crown',
      row: 3,
      up: null,
      off: true,
      why: 'uneven',
      wool: 'waste',
      words: '',
    },
    row(4, 3, 8),
    { ...common(5, 'piece'), kind: 'note', words: 'Damp day.' },
    { ...common(6, 'piece'), kind: 'needles', when: 'after', counts: {} },
  ];
  const [first, wrong, second, note, ...rest] = storyLines(telling, log);
  const crown = kingfisher.areas.find((a) => a.id === 'crown')!.name;
  expect(first).toBe(`${crown}: 3 rows, 1 to 3, ${telling.q({ kind: 'time', value: 18 })}.`);
  expect(wrong).toBe(`${crown}: Row 3: uneven; pulled off, its wool wasted.`);
  expect(second).toBe(`${crown}: row 3, 8 min.`);
  expect(note).toBe('Damp day.');
  expect(rest).toEqual([]);
});

it('no row is told twice, none is left out, and areas do not run together', () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom('crown', 'back', 'note'), { minLength: 1, maxLength: 40 }), (kinds) => {
      const log = kinds.map((k, i): LogEntry =>
        k === 'note' ? { ...common(i, 'piece'), kind: 'note', words: `n${i}` } : row(i, i + 1, 1, k),
      );
      const lines = storyLines(telling, log);
      const runs = kinds.filter((k, i) => k === 'note' || kinds[i - 1] !== k).length;
      expect(lines).toHaveLength(runs);
      const told = lines.reduce((s, l) => s + Number(/: (\d+) rows/.exec(l)?.[1] ?? (/: row /.test(l) ? 1 : 0)), 0);
      expect(told).toBe(kinds.filter((k) => k !== 'note').length);
    }),
  );
});

it('on paper with the photographs that are at hand, and words for those that are not', async () => {
  const photo = (i: number, said: string): LogEntry => ({
    ...common(i, 'piece'),
    kind: 'photo',
    operation: null,
    seen: null,
    words: said,
  });
  const piece = { ...kingfisher, log: [row(0, 1, 5), photo(1, 'from the left'), photo(2, 'from above')] };
  const how = {
    units: metric,
    paper: 'a4' as const,
    date: new Date('2026-03-02T00:00:00Z'),
    fonts: await fontsOnDisk(),
  };
  const images = (bytes: Uint8Array) =>
    Buffer.from(bytes)
      .toString('latin1')
      .match(/\/Subtype \/Image/g)?.length ?? 0;
  expect(images(await story(piece, made, cupboard, how))).toBe(0);
  const one = await story(piece, made, cupboard, { ...how, pictures: { e1: JPEG } });
  expect(images(one)).toBe(1);
  expect(Buffer.from(one).toString('latin1')).toContain('/Alt (from the left)');
  expect(images(await story(piece, made, cupboard, { ...how, pictures: { e1: JPEG, e2: JPEG } }))).toBe(2);
});
