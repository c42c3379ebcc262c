/**
 * All tests:            ./test
 * Only some, at work:   ./test unit [NAME]     ./test browser [NAME]
 * All cases of the tests of steadiness, and what they counted into docs/steadiness.md: ./test --long
 * NAME is part of a file's path, or else of a test's title. SEED=n repeats the random cases of an earlier run; without it a
 * commit has its own, so that whoever runs the same commit tries the same cases, and a long run has others each time.
 *
 * Plans shared by the tests, types, lint and the build go beside the unit tests; then the browser tests, one shard a core,
 * each with a server and a port of its own. The last line counts all tests.
 */
import { execFileSync, spawn } from 'node:child_process';
import { createWriteStream, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { browserPath } from '../../e2e/browser-path';
import { steadinessReport } from '../steadiness/report';
import { startServers, type Server } from './servers';
import { browserOutcome, notBegun, summary, unitOutcome, type Outcome } from './summary';

const root = join(import.meta.dirname, '../..');
const out = join(root, 'out/tests');
const bin = (name: string) => join(root, 'node_modules/.bin', name);
const cores = Math.max(1, Math.min(4, availableParallelism()));
const chromium = browserPath();
const say = (line: string) => process.stdout.write(`${line}\n`);

const args = process.argv.slice(2);
const long = args.includes('--long');
/** A run that fails should tell of the change in hand, not of luck. */
const ofCommit = (): number => {
  try {
    return parseInt(execFileSync('git', ['rev-parse', 'HEAD'], { cwd: root, encoding: 'utf8' }).slice(0, 7), 16);
  } catch {
    // Without a history, as in an archive.
    return 1;
  }
};
const seed = Number(process.env.SEED ?? (long ? Math.floor(Math.random() * 2 ** 31) : ofCommit()));
const [kind = 'all', name] = args.filter((a) => a !== '--long');
if (!['all', 'unit', 'browser'].includes(kind) || !Number.isFinite(seed)) {
  say('Usage: ./test [unit|browser [NAME]] [--long], with SEED a whole number');
  process.exit(2);
}

let servers: Server[] = [];
/** Whatever ends this run ends its servers. */
process.on('exit', () => servers.forEach((s) => s.stop()));
for (const end of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) process.on(end, () => process.exit(130));

const took: [string, number][] = [];
const stepsFailed: string[] = [];

/** Runs a command; its words go to a file and are shown when it fails, or all along for the tests themselves. */
async function step(
  title: string,
  command: string,
  args: readonly string[],
  live: boolean,
  more = {},
): Promise<boolean> {
  const begun = performance.now();
  const log = join(out, `${title.replaceAll(' ', '-')}.log`);
  const file = createWriteStream(log);
  const code = await new Promise<number>((done) => {
    const child = spawn(command, args, {
      cwd: root,
      env: { ...process.env, SEED: String(seed), ...(long ? { LONG: '1' } : {}), ...more },
    });
    for (const words of [child.stdout, child.stderr]) {
      words.on('data', (d: Buffer) => {
        file.write(d);
        if (live) process.stdout.write(d);
      });
    }
    child.once('error', (e) => {
      file.write(String(e));
      done(1);
    });
    child.once('close', (c) => done(c ?? 1));
  });
  await new Promise<void>((done) => file.end(done));
  const seconds = (performance.now() - begun) / 1000;
  took.push([title, seconds]);
  say(`── ${title}: ${code === 0 ? 'good' : 'FAILED'}, ${seconds.toFixed(0)} s`);
  if (code !== 0 && !live) say(readFileSync(log, 'utf8'));
  return code === 0;
}

/** A step without tests of its own. */
async function check(title: string, command: string, args: readonly string[], more = {}): Promise<boolean> {
  const good = await step(title, command, args, false, more);
  if (!good) stepsFailed.push(title);
  return good;
}

const report = <T>(file: string): T | null =>
  existsSync(join(out, file)) ? (JSON.parse(readFileSync(join(out, file), 'utf8')) as T) : null;

/** NAME as part of a file's path where one has it, else as part of a title. */
function only(folders: readonly string[], ending: RegExp, byTitle: string): string[] {
  if (name === undefined) return [];
  const files = folders.flatMap((d) =>
    readdirSync(join(root, d), { recursive: true, encoding: 'utf8' }).map((f) => join(d, f)),
  );
  return files.some((f) => ending.test(f) && f.includes(name)) ? [name] : [byTitle, name];
}

/** A runner that fails though no test of it did, as when something is thrown outside of every test, counts as one failed step. */
function counted(title: string, good: boolean, o: Outcome): Outcome {
  if (!good && o.failed === 0 && o.notRun === 0) stepsFailed.push(title);
  return o;
}

async function unit(): Promise<Outcome> {
  const good = await step(
    'unit tests',
    bin('vitest'),
    [
      'run',
      '--reporter=default',
      '--reporter=json',
      '--outputFile.json=out/tests/unit.json',
      ...only(['src', 'cli', 'demo'], /\.test\.tsx?$/, '-t'),
    ],
    false,
  );
  const o = unitOutcome(report('unit.json'), `${root}/`);
  // Narrowed down by hand, the others are left out on purpose.
  return counted('unit tests', good, name === undefined ? o : { ...o, notRun: 0 });
}

/** How many browser tests there are, counted without a browser. */
function browserTests(args: readonly string[]): number {
  try {
    const list = execFileSync(bin('playwright'), ['test', '--list', ...args], { cwd: root, encoding: 'utf8' });
    return Number(/Total: (\d+) tests?/.exec(list)?.[1] ?? 1);
  } catch {
    // A test file that cannot even be read is told of by the run itself.
    return 1;
  }
}

async function browser(built: boolean): Promise<Outcome> {
  const args = only(['e2e'], /\.spec\.ts$/, '--grep');
  const not = (why: string) => notBegun('browser', browserTests(args), why);
  if (!built) return not('the app could not be built');
  try {
    execFileSync(chromium, ['--version'], { stdio: 'ignore' });
  } catch {
    return not(`no browser can be started at ${chromium}; install chromium or set CHROMIUM_PATH`);
  }
  try {
    servers = await startServers(cores, out);
  } catch (e) {
    return not((e as Error).message);
  }
  const good = await step('browser tests', bin('playwright'), ['test', ...args], true, {
    SHARDS: JSON.stringify(servers.map((s) => s.url)),
    SERVERS: JSON.stringify(servers.map((s) => s.pid)),
  });
  for (const s of servers) s.stop();
  return counted('browser tests', good, browserOutcome(report('browser.json')));
}

rmSync(out, { recursive: true, force: true });
// In parts (./test unit --long, ./test browser --long) the counts come together.
if (long && kind === 'all') rmSync(join(root, 'out/steadiness'), { recursive: true, force: true });
mkdirSync(out, { recursive: true });
say(`Random cases come from SEED=${seed}; ${cores} shards`);

const begun = performance.now();
const plans = () => check('plans of the demos', bin('tsx'), ['cli/testing/make-plans.ts']);
const build = (typed = false) =>
  check('build', process.execPath, ['cli/build-app.mjs'], typed ? { TYPES_CHECKED: '1' } : {});
const outcomes: Outcome[] = [];
if (kind === 'unit') {
  await plans();
  outcomes.push(await unit());
} else if (kind === 'browser') {
  const [built] = await Promise.all([build(), plans()]);
  outcomes.push(await browser(built));
} else {
  const [built, unitTests] = await Promise.all([
    (async () => {
      const good = await build(await check('types', 'npm', ['run', '--silent', 'types']));
      await check('lint', 'npm', ['run', '--silent', 'lint']);
      return good;
    })(),
    (async () => {
      await plans();
      return unit();
    })(),
  ]);
  outcomes.push(unitTests, await browser(built));
}

if (long) writeFileSync(join(root, 'docs/steadiness.md'), steadinessReport(seed));
const { lines, good } = summary(outcomes, stepsFailed);
say(
  `Times: ${took.map(([t, s]) => `${t} ${s.toFixed(0)} s`).join(', ')}; in all ${((performance.now() - begun) / 60_000).toFixed(1)} min`,
);
for (const l of lines) say(l);
process.exitCode = good ? 0 : 1;
