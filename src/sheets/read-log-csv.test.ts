/** The log as CSV and back: what was not touched is as it was, what was put right is all that changes, what cannot be read changes nothing. */
import { expect, it } from 'vitest';
import fc from 'fast-check';
import Papa from 'papaparse';
import { cupboard, pineMarten } from '../../demo/load';
import { plan } from '../../demo/plain-marten';
import type { LogEntry } from '@/core/piece/log-entry';
import { LOG_COLUMNS, logCsv } from './log-csv';
import { readLogCsv } from './read-log-csv';

const common = (id: string, minute: number) => ({
  id,
  at: new Date(Date.UTC(2026, 2, 1, 9, minute)).toISOString(),
  areaId: 'bib',
  by: 'hand',
  was: [],
});
const row = (id: string, minute: number, minutes: number): LogEntry => ({
  ...common(id, minute),
  kind: 'row',
  row: 1,
  up: 0.1,
  minutes,
  timed: true,
  planned: 10,
  work: { row: 1 },
  made: {},
});
const LOG: LogEntry[] = [
  {
    ...common('s', 0),
    kind: 'sitting',
    woolG: null,
    rows: null,
    leftMinutes: { low: 500, likely: 600.5, high: 800 },
    doneOn: '2026-04-01',
  },
  row('a', 1, 12.5),
  row('b', 2, 7),
  {
    ...common('c', 3),
    kind: 'wool',
    lotId: 'cream-top',
    grams: 0.4,
    askedG: 0.35,
    way: 'fold-over',
    operation: 'lay-bib',
    takenG: 0.4,
  },
  { ...common('d', 4), kind: 'note', words: '=1+1, "damp"\nand cold; it’s so' },
  { ...common('e', 5), kind: 'photo', operation: null, seen: { yawDeg: -62, pitchDeg: 12 }, words: '' },
  { ...common('f', 6), kind: 'stopped', rows: 2, up: 0.4 },
];
const piece = { ...pineMarten, log: LOG };
const made = plan(pineMarten);
const csv = (log: readonly LogEntry[] = LOG) => logCsv({ ...piece, log: [...log] }, made, cupboard);
const NOW = Date.UTC(2026, 5, 1);
const read = (text: string) => readLogCsv(text, piece, cupboard, NOW);
const lines = (text: string) => Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;
const table = (rows: readonly Record<string, string>[]) => Papa.unparse([...rows], { columns: [...LOG_COLUMNS] });

it('what nobody has touched is as it was', () => {
  expect(read(csv())).toEqual({ ok: true, fixes: [], added: [], same: LOG.length });
  // As a table program may write it: with a mark for its letters, other ends of lines, the order turned round.
  const turned = `\uFEFF${table(lines(csv()).reverse()).replace(/\r\n/g, '\n')}\n\n`;
  expect(read(turned)).toEqual({ ok: true, fixes: [], added: [], same: LOG.length });
});

it('a note that begins with the mark against formulas is not taken for another', () => {
  const log = LOG.map((e): LogEntry => (e.kind === 'note' ? { ...e, words: `'=so it was` } : e));
  const own = { ...piece, log };
  expect(readLogCsv(logCsv(own, made, cupboard), own, cupboard, NOW)).toMatchObject({ ok: true, fixes: [] });
});

it('what was put right is all that changes', () => {
  fc.assert(
    fc.property(
      fc.option(fc.double({ min: 0, max: 600, noNaN: true }), { nil: null }),
      fc.option(fc.double({ min: 0, max: 2000, noNaN: true }), { nil: null }),
      fc.option(
        fc.string({ minLength: 1, maxLength: 60 }).filter((s) => s.trim() === s && s !== '' && !/^'[=+\-@]/.test(s)),
        { nil: null },
      ),
      (minutes, grams, words) => {
        const log = LOG.map((e): LogEntry => {
          if (e.id === 'a' && e.kind === 'row' && minutes !== null) return { ...e, minutes };
          if (e.kind === 'wool' && grams !== null) return { ...e, grams };
          return e.kind === 'note' && words !== null ? { ...e, words } : e;
        });
        const fixes = [
          ...(minutes !== null && minutes !== 12.5 ? [{ id: 'a', fixed: { minutes } }] : []),
          ...(grams !== null && grams !== 0.4 ? [{ id: 'c', fixed: { grams } }] : []),
          ...(words !== null ? [{ id: 'd', fixed: { words } }] : []),
        ];
        expect(read(csv(log))).toEqual({ ok: true, fixes, added: [], same: LOG.length - fixes.length });
      },
    ),
  );
});

it('a time moved, minutes with a comma, and lines of their own', () => {
  const rows = lines(csv());
  rows[1] = { ...rows[1]!, minutes: '9,5', when: '2026-03-01T10:00:00+01:00' };
  const bare = Object.fromEntries(LOG_COLUMNS.map((c) => [c, ''])) as Record<string, string>;
  const at = '2026-03-02T18:00:00.000Z';
  const more = [
    { ...bare, when: at, what: 'row laid', area: 'Throat bib', row: '3', minutes: '11' },
    { ...bare, when: at, what: 'wool weighed', area: 'Throat bib', wool: cupboard.lots[0]!.name, grams: '1.25' },
    { ...bare, when: at, what: 'note', words: 'from the table' },
  ];
  const r = read(table([...rows, ...more]));
  expect(r).toMatchObject({
    ok: true,
    fixes: [{ id: 'a', fixed: { at: '2026-03-01T09:00:00.000Z', minutes: 9.5 } }],
    added: [
      { kind: 'row', at, areaId: 'bib', row: 3, minutes: 11 },
      { kind: 'wool', at, areaId: 'bib', lotId: cupboard.lots[0]!.id, grams: 1.25 },
      { kind: 'note', at, areaId: 'piece', words: 'from the table' },
    ],
  });
});

it('a line that cannot be read is named with its number and its column, and then nothing is taken', () => {
  const rows = lines(csv());
  const wrong = (at: number, cells: Record<string, string>, says: RegExp) => {
    const r = read(table(rows.map((x, i) => (i === at ? { ...x, ...cells } : x))));
    expect(r.ok).toBe(false);
    expect(!r.ok && r.problems.join('\n')).toMatch(says);
  };
  wrong(1, { minutes: 'long' }, /^Line 3: minutes must be a number from 0 to 600, and not “long”/);
  wrong(2, { minutes: '6000' }, /^Line 4: minutes must be a number from 0 to 600/);
  wrong(3, { grams: '' }, /^Line 5: grams must be/);
  wrong(4, { words: '' }, /^Line 6: a note must not be empty/);
  wrong(1, { when: 'yesterday' }, /^Line 3: when must be a date and time/);
  wrong(1, { when: '2027-01-01T09:00:00Z' }, /^Line 3: when says 2027-01-01T09:00:00Z\. That is still to come/);
  wrong(1, { when: '1970-01-01T09:00:00Z' }, /^Line 3: when says .* From the year 2000 on/);
  wrong(1, { entry: 'nobody' }, /^Line 3: the log has no entry “nobody”/);
  wrong(2, { entry: 'a' }, /^Line 4: the entry “a” stands in the table twice/);
  wrong(1, { entry: '', area: 'Nowhere' }, /^Line 3: there is no area called “Nowhere”/);
  wrong(0, { entry: '', what: 'needle broken' }, /^Line 2: a new line can be “row laid”, “wool weighed”, “note”/);
  for (const other of ['', 'a,b\n1,2', '{"not": "a table"}', '\u0000\u0001'])
    expect(read(other)).toMatchObject({ ok: false, problems: [/no column “when”/] });
});
