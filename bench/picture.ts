/**
 * Measures the finished picture and puts its section into docs/performance.md. Run with `npm run bench:picture`. The baseline is one plain
 * pass over the same fibres in the same run: every point of every fibre transformed by the lens and written.
 */
import { cupboard, pineMarten } from '../demo/load';
import { exposure, type Prepared } from '../src/core/picture/exposure';
import { SEGMENTS } from '../src/core/picture/fibres';
import { projector, type Lens } from '../src/core/picture/lens';
import { lensFor, turnedTo } from '../src/core/picture/viewpoints';
import { defaultHand } from '../src/core/piece/hand';
import { planned } from '../cli/testing/planned';
import { median } from './median';
import { putSection } from './section';

const COUNTS = [100_000, 300_000, 1_000_000] as const;
/** What lies between two steps of an exposure. */
const STEPS = ['skin', 'fibres placed', 'lamp', 'sky', 'light', 'meter and skin', 'fibres drawn', 'ground'] as const;

const plan = planned(pineMarten, cupboard, defaultHand);
const drawn = { piece: pineMarten, plan, cupboard };
const lens = lensFor(plan, { turned: turnedTo(pineMarten, 'aslant'), width: 1600, height: 1200, zoom: 1 });

function plainPass(count: number, { ...of }: Lens): number {
  const points = new Float32Array(3 * (SEGMENTS + 1) * count).map((_, i) => (i * 7919) % 200);
  const out = new Float32Array(points.length);
  const m = projector(of);
  return median(() => {
    for (let i = 0; i < points.length; i += 3) {
      const [x, y, z] = [points[i]!, points[i + 1]!, points[i + 2]!];
      for (let k = 0; k < 3; k++) out[i + k] = m[4 * k]! * x + m[4 * k + 1]! * y + m[4 * k + 2]! * z + m[4 * k + 3]!;
    }
  });
}

/** Milliseconds of every step. */
function steps(count: number, kept: Prepared | null): number[] {
  const out: number[] = [];
  const work = exposure(drawn, lens, { lighting: 'window', fibres: count }, kept);
  for (;;) {
    const before = performance.now();
    const step = work.next();
    if (step.done) return out;
    out.push(performance.now() - before);
  }
}

let ready: Prepared | null = null;
const first = exposure(drawn, lens, { lighting: 'window', fibres: 20_000 }, null, (p) => (ready = p));
while (!first.next().done);

const resting = process.memoryUsage().rss;
let most = resting;
const watch = () => (most = Math.max(most, process.memoryUsage().rss));
const lines = COUNTS.map((count) => {
  const base = plainPass(count, lens);
  const ms = steps(count, ready);
  watch();
  return { count, base, ms, all: ms.reduce((a, b) => a + b, 0) };
});
const section = [
  '## Picture',
  '',
  `The marten, ${lens.width} x ${lens.height}, as multiples of **one plain pass over the same fibres** (transform and write). What is the same from every side is kept from an earlier picture.`,
  '',
  `| work | ${COUNTS.map((c) => c.toLocaleString('en')).join(' | ')} |`,
  `| --- | ${COUNTS.map(() => '---:').join(' | ')} |`,
  ...STEPS.map((name, i) => `| ${name} | ${lines.map((l) => (l.ms[i]! / l.base).toFixed(0)).join(' | ')} |`),
  `| whole picture | ${lines.map((l) => (l.all / l.base).toFixed(0)).join(' | ')} |`,
  `| plain pass, ms here | ${lines.map((l) => l.base.toFixed(0)).join(' | ')} |`,
  `| whole picture, s here | ${lines.map((l) => (l.all / 1000).toFixed(1)).join(' | ')} |`,
  '',
  `Memory beside the plan and the program: ${((most - resting) / 1e6).toFixed(0)} MB at most.`,
].join('\n');
console.log(section);
putSection(section);
