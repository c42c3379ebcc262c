/** The log as CSV, read back by a library: every entry once, nothing taken for a formula. */
import Papa from 'papaparse';
import { expect, it } from 'vitest';
import { cupboard, pineMarten } from '../../demo/load';
import { plan } from '../../demo/plain-marten';
import type { LogEntry } from '@/core/piece/log-entry';
import { logCsv } from './log-csv';

it('every entry is a line with its figures; words that look like a formula stay words', () => {
  const common = { at: '2026-03-01T09:00:00Z', areaId: 'bib', by: 'hand', was: [] };
  const log: LogEntry[] = [
    {
      ...common,
      id: 'a',
      kind: 'row',
      row: 3,
      up: 0.2,
      minutes: 12.5,
      timed: true,
      planned: 10,
      work: { row: 1 },
      made: {},
    },
    {
      ...common,
      id: 'b',
      kind: 'wool',
      lotId: 'cream-top',
      grams: 0.4,
      askedG: 0.35,
      way: 'fold-over',
      operation: null,
      takenG: 0.4,
    },
    { ...common, id: 'c', kind: 'note', words: '=1+1, "damp"' },
    {
      ...common,
      id: 'd',
      kind: 'wrong',
      operation: 'lay-bib',
      row: 3,
      up: null,
      off: true,
      why: 'uneven',
      wool: 'waste',
      words: '',
    },
    {
      ...common,
      id: 'e',
      kind: 'measured',
      up: null,
      what: 'spacing',
      plannedMm: 3.5,
      actualMm: 3,
      way: 'fold-over',
      rows: 3,
      anew: true,
    },
  ];
  const piece = { ...pineMarten, log };
  const text = logCsv(piece, plan(pineMarten), cupboard);
  const read = Papa.parse<Record<string, string>>(text.trim(), { header: true });
  expect(read.errors).toEqual([]);
  expect(read.data.map((r) => [r.what, r.area])).toEqual([
    ['row laid', 'Throat bib'],
    ['wool weighed', 'Throat bib'],
    ['note', 'Throat bib'],
    ['gone wrong', 'Throat bib'],
    ['measured', 'Throat bib'],
  ]);
  expect(read.data[0]).toMatchObject({ row: '3', minutes: '12.5', 'planned minutes': '10' });
  expect(read.data[1]).toMatchObject({ grams: '0.4', 'asked g': '0.35' });
  expect(read.data[2]!.words).toBe(`'=1+1, "damp"`);
  expect(read.data[3]).toMatchObject({ row: '3', words: 'uneven; pulled off, wool waste' });
  expect(read.data[4]).toMatchObject({ 'measured mm': '3', 'planned mm': '3.5' });
});
