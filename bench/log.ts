/**
 * Measures a long log and puts its section into docs/performance.md. Run with `npm run bench:log`. The baseline is one copy of the log in
 * the same run, as it is made whenever a piece is handed to the worker.
 */
import { kingfisher } from '../demo/load';
import { sittingsDone } from '../src/core/log/sittings-done';
import { defaultHand } from '../src/core/piece/hand';
import type { LogEntry } from '../src/core/piece/log-entry';
import { handAtWork } from '../src/core/rates/hand-at-work';
import { recordsOf } from '../src/core/rates/records';
import { median } from './median';
import { putSection } from './section';

const COUNT = 3000;

const log = Array.from({ length: COUNT }, (_, i): LogEntry => ({
  id: `e${i}`,
  at: new Date(Date.UTC(2026, 0, 1) + i * 1_200_000).toISOString(),
  areaId: 'crown',
  by: 'hand',
  was: [],
  kind: 'row',
  row: 1 + (i % 20),
  up: (i % 20) / 20,
  minutes: 5 + ((i * 7) % 11),
  timed: true,
  planned: 8,
  work: { row: 1, pinch: 8, fold: 8, rowCm: 6, tug: 1 },
  made: {},
}));
const piece = { ...kingfisher, log };
const done = [recordsOf(piece, 'hand')!].map((d) => ({ ...d, pieceId: 'before' }));

const base = median(() => structuredClone(log));
const lines: [string, number][] = [
  ['taken apart by sittings', median(() => sittingsDone(log))],
  ['a hand learned from it', median(() => handAtWork(defaultHand, piece))],
  ['the same from two such pieces', median(() => handAtWork({ ...defaultHand, done }, piece))],
];
const section = [
  '## Log',
  '',
  `A log of ${COUNT.toLocaleString('en')} rows, as a multiple of **one copy of it**.`,
  '',
  '| work | ratio | ms here |',
  '| --- | ---: | ---: |',
  ...lines.map(([name, ms]) => `| ${name} | ${(ms / base).toFixed(1)} | ${ms.toFixed(1)} |`),
].join('\n');
console.log(section);
putSection(section);
