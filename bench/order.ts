/**
 * Measures ordering alone and puts its section into docs/performance.md. Run with `npm run bench:order`. The baseline is a
 * plain topological pass over the same ties with no ranks (first come, first out), in the same run.
 */
import { pathToFileURL } from 'node:url';
import type { Operation } from '../src/core/stage';
import { ref } from '../src/core/ref';
import { say } from '../src/core/text';
import { criticalPath } from '../src/core/order/critical';
import { planWork } from '../src/core/order/order';
import { schedule } from '../src/core/order/sittings';
import type { Task } from '../src/core/order/task';
import { median } from './median';
import { putSection } from './section';

const COUNT = 2000;
const TIES = 3;

let seed = 20261126;
const random = (): number => (seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0) / 2 ** 32;

/** Two thousand steps, each waiting for up to three before it; a few have to set. */
const operations: Operation[] = Array.from({ length: COUNT }, (_, i) => ({
  id: `s${i}`,
  stage: 'coat',
  about: ref('area', `a${i % 40}`),
  restsOn: [],
  materials: [],
  tools: [],
  does: say`step ${i}`,
  kind: i % 3 === 0 ? 'lay' : 'veil',
  cutLengthMm: null,
  rows: i % 3 === 0 ? 12 : 0,
  passes: null,
  needlework: null,
  work: { step: 1 },
  minutes: 3 + Math.floor(random() * 25),
  ...(i % 97 === 0 ? { wait: { minutes: 60, says: say`it sets` } } : {}),
  after: Array.from({ length: i === 0 ? 0 : TIES }, () => ({
    id: `s${Math.max(0, i - 1 - Math.floor(random() * 200))}`,
    why: say`first`,
    strength: Infinity,
  })),
  lightness: Math.floor(random() * 100),
  caution: null,
}));

/** Kahn's pass with a plain queue. */
function plain(): number {
  const index = new Map(operations.map((o, i) => [o.id, i]));
  const waits = new Int32Array(COUNT);
  const next: number[][] = operations.map(() => []);
  operations.forEach((o, i) => o.after.forEach((a) => (next[index.get(a.id)!]!.push(i), waits[i]!++)));
  const queue = operations.flatMap((_, i) => (waits[i] === 0 ? [i] : []));
  for (let q = 0; q < queue.length; q++) for (const j of next[queue[q]!]!) if (--waits[j]! === 0) queue.push(j);
  return queue.length;
}

export function orderReport(): string {
  const base = median(plain);
  const ordered = planWork(operations).result;
  const tasks = ordered.steps.map(({ operation: o }): Task => ({
    id: o.id,
    minutes: o.minutes,
    unitMinutes: o.rows > 1 ? o.minutes / o.rows : 2,
    waitMinutes: o.wait?.minutes ?? 0,
    after: o.after.map((a) => a.id),
  }));
  const week = { minutes: [60, 60, 60, 60, 60, 150, 150], readyMinutes: 6, firstDay: 0 };
  const half = tasks.slice(COUNT / 2);
  const lines: [string, number][] = [
    ['ordered', median(() => planWork(operations))],
    [
      'ordered anew with one step moved by hand',
      median(() => planWork(operations, [{ operation: 's1500', place: 'before', other: 's1400' }])),
    ],
    ['longest chain', median(() => criticalPath(tasks))],
    ['cut into sittings, four rules', median(() => schedule(tasks, week), 3)],
    ['replanned from half of it done', median(() => schedule(half, week), 3)],
  ];
  const rows = lines.map(([name, ms]) => `| ${name} | ${(ms / base).toFixed(0)} | ${ms.toFixed(1)} |`);
  return [
    '## Order',
    '',
    `${COUNT.toLocaleString('en')} steps with ${operations.reduce((s, o) => s + o.after.length, 0).toLocaleString('en')} ties, as a multiple of **a plain topological pass** over the same ties with no ranks.`,
    '',
    '| work | ratio | ms here |',
    '| --- | ---: | ---: |',
    ...rows,
    '',
    `The plain pass took ${base.toFixed(2)} ms. The work fell into ${schedule(tasks, week).slots.length} sittings.`,
    '',
  ].join('\n');
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const section = orderReport();
  console.log(section);
  putSection(section);
}
