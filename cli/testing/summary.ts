/** What a run of all tests comes to: how many passed, failed and were not run, and which took longest. */

export interface TestTime {
  readonly name: string;
  readonly ms: number;
}

/** A test that failed, and the first lines of why. */
export interface Failure {
  readonly name: string;
  readonly says: readonly string[];
}

/** What came of one kind of tests. */
export interface Outcome {
  readonly kind: 'unit' | 'browser';
  readonly passed: number;
  readonly failed: number;
  readonly notRun: number;
  /** Why tests were not run, where any were not. */
  readonly why: string | null;
  readonly times: readonly TestTime[];
  readonly failures: readonly Failure[];
}

/** Lines of a failure that are shown at the end; all of it stands where it happened. */
const SHOWN = 12;
/** @param words as a runner gives them, with colours for a terminal */
const firstLines = (words: string): string[] =>
  words
    .replace(/\u001b\[[0-9;]*m/g, '')
    .split('\n')
    .filter((l) => l.trim() !== '')
    .slice(0, SHOWN);

/** The report of the unit tests, as far as it is read here. */
export interface UnitReport {
  readonly numPassedTests: number;
  readonly numFailedTests: number;
  readonly numPendingTests: number;
  readonly numTodoTests?: number;
  readonly testResults: readonly {
    readonly name: string;
    readonly status: string;
    readonly message?: string;
    readonly assertionResults: readonly {
      readonly fullName: string;
      readonly duration?: number | null;
      readonly status?: string;
      readonly failureMessages?: readonly string[] | null;
    }[];
  }[];
}

interface Suite {
  readonly title: string;
  readonly specs?: readonly {
    readonly title: string;
    readonly tests: readonly {
      readonly status: 'expected' | 'unexpected' | 'flaky' | 'skipped';
      readonly results: readonly {
        readonly duration: number;
        readonly errors?: readonly { readonly message?: string }[];
      }[];
    }[];
  }[];
  readonly suites?: readonly Suite[];
}

/** The report of the browser tests, as far as it is read here. */
export interface BrowserReport {
  readonly suites: readonly Suite[];
  readonly errors?: readonly { readonly message?: string }[];
}

/** Unit tests; a file that could not be run at all counts as one failed. */
export function unitOutcome(report: UnitReport | null, root = ''): Outcome {
  if (!report) return notBegun('unit', 1, 'the unit tests left no report');
  const broken = report.testResults.filter((f) => f.status === 'failed' && f.assertionResults.length === 0);
  const skipped = report.numPendingTests + (report.numTodoTests ?? 0);
  return {
    kind: 'unit',
    passed: report.numPassedTests,
    failed: report.numFailedTests + broken.length,
    notRun: skipped,
    why: skipped > 0 ? 'marked to be passed over' : null,
    times: report.testResults.flatMap((f) =>
      f.assertionResults.map((t) => ({ name: `${f.name.replace(root, '')}: ${t.fullName}`, ms: t.duration ?? 0 })),
    ),
    failures: [
      ...broken.map((f) => ({ name: f.name.replace(root, ''), says: firstLines(f.message ?? '') })),
      ...report.testResults.flatMap((f) =>
        f.assertionResults
          .filter((t) => t.status === 'failed')
          .map((t) => ({
            name: `${f.name.replace(root, '')}: ${t.fullName}`,
            says: firstLines((t.failureMessages ?? []).join('\n')),
          })),
      ),
    ],
  };
}

/** Browser tests. One that passed at a second try has failed: it does not tell the truth every time. */
export function browserOutcome(report: BrowserReport | null): Outcome {
  if (!report) return notBegun('browser', 1, 'the browser tests left no report');
  let passed = 0;
  let failed = 0;
  let notRun = 0;
  const times: TestTime[] = [];
  const failures: Failure[] = [];
  const walk = (s: Suite, file: string) => {
    for (const spec of s.specs ?? []) {
      for (const t of spec.tests) {
        if (t.status === 'skipped' || t.results.length === 0) notRun++;
        else if (t.status === 'expected') passed++;
        else {
          failed++;
          const words = t.results.flatMap((r) => (r.errors ?? []).map((e) => e.message ?? ''));
          failures.push({ name: `${file}: ${spec.title}`, says: firstLines(words.join('\n')) });
        }
        times.push({ name: `${file}: ${spec.title}`, ms: t.results.reduce((ms, r) => ms + r.duration, 0) });
      }
    }
    for (const inner of s.suites ?? []) walk(inner, file);
  };
  for (const s of report.suites) walk(s, s.title);
  const trouble = report.errors?.[0]?.message?.split('\n')[0] ?? null;
  if (passed + failed + notRun === 0) notRun = 1;
  return {
    kind: 'browser',
    passed,
    failed,
    notRun,
    why: notRun > 0 ? (trouble ?? 'passed over') : null,
    times,
    failures,
  };
}

/** Tests that could not even be begun. */
export const notBegun = (kind: Outcome['kind'], count: number, why: string): Outcome => ({
  kind,
  passed: 0,
  failed: 0,
  notRun: count,
  why,
  times: [],
  failures: [],
});

export interface Summary {
  readonly lines: readonly string[];
  /** True when every test was run and passed, and every other step held. */
  readonly good: boolean;
}

/**
 * @param stepsFailed steps without tests of their own that failed, such as types; each counts as one
 * @returns the closing lines; the last one counts all tests
 */
export function summary(outcomes: readonly Outcome[], stepsFailed: readonly string[], longest = 10): Summary {
  const lines: string[] = [];
  for (const o of outcomes) {
    const slow = [...o.times].sort((a, b) => b.ms - a.ms).slice(0, longest);
    if (slow.length > 0) lines.push(`The longest ${o.kind} tests:`);
    for (const t of slow) lines.push(`${(t.ms / 1000).toFixed(1).padStart(8)} s  ${t.name}`);
  }
  for (const f of outcomes.flatMap((o) => o.failures)) {
    lines.push(`Failed: ${f.name}`, ...f.says.map((l) => `    ${l}`));
  }
  for (const s of stepsFailed) lines.push(`Failed without a test: ${s}`);
  for (const o of outcomes) {
    if (o.notRun > 0) lines.push(`Not run: ${o.notRun} ${o.kind} ${o.notRun === 1 ? 'test' : 'tests'} (${o.why})`);
  }
  const passed = outcomes.reduce((n, o) => n + o.passed, 0);
  const failed = outcomes.reduce((n, o) => n + o.failed, 0) + stepsFailed.length;
  lines.push(`${passed} passed, ${failed} failed`);
  return { lines, good: failed === 0 && passed > 0 && outcomes.every((o) => o.notRun === 0) };
}
