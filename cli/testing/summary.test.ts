/** What a run of the tests is said to come to. */
import { describe, expect, it } from 'vitest';
import { browserOutcome, notBegun, summary, unitOutcome, type BrowserReport, type UnitReport } from './summary';

const unit = (more: Partial<UnitReport> = {}): UnitReport => ({
  numPassedTests: 3,
  numFailedTests: 0,
  numPendingTests: 0,
  testResults: [
    {
      name: '/here/src/a.test.ts',
      status: 'passed',
      assertionResults: [
        { fullName: 'one', duration: 1200 },
        { fullName: 'two', duration: 40 },
        { fullName: 'three', duration: null },
      ],
    },
  ],
  ...more,
});
const test = (status: 'expected' | 'unexpected' | 'flaky' | 'skipped', ms: readonly number[]) => ({
  title: `${status} ${ms.join()}`,
  tests: [{ status, results: ms.map((duration) => ({ duration })) }],
});
const browser = (...specs: ReturnType<typeof test>[]): BrowserReport => ({
  suites: [{ title: 'coat.spec.ts', suites: [{ title: 'inner', specs }] }],
});
const last = (s: { lines: readonly string[] }) => s.lines[s.lines.length - 1];

describe('the closing lines', () => {
  it('count the tests of both kinds in the last one', () => {
    const s = summary([unitOutcome(unit(), '/here/'), browserOutcome(browser(test('expected', [900])))], []);
    expect(last(s)).toBe('4 passed, 0 failed');
    expect(s.good).toBe(true);
    expect(s.lines).toContain('     1.2 s  src/a.test.ts: one');
    expect(s.lines).toContain('     0.9 s  coat.spec.ts: expected 900');
  });

  it('list no more than the longest ten, the longest first', () => {
    const many = browser(...Array.from({ length: 14 }, (_, i) => test('expected', [1000 * (i + 1)])));
    const lines = summary([browserOutcome(many)], []).lines.filter((l) => / s {2}/.test(l));
    expect(lines).toHaveLength(10);
    expect(lines[0]).toContain('14.0 s');
    expect(lines[9]).toContain('5.0 s');
  });

  it('a test that passes at the second try has failed', () => {
    const s = summary([browserOutcome(browser(test('flaky', [5, 5]), test('expected', [5])))], []);
    expect(last(s)).toBe('1 passed, 1 failed');
    expect(s.good).toBe(false);
  });

  it('name what failed and why, before the last line, in plain letters', () => {
    const words = 'AssertionError: \u001b[31mexpected 3 to be 4\u001b[39m\n\n    at here';
    const one = unit({
      numFailedTests: 1,
      testResults: [
        {
          name: '/here/src/a.test.ts',
          status: 'failed',
          assertionResults: [{ fullName: 'two', status: 'failed', failureMessages: [words] }],
        },
        { name: '/here/src/b.test.ts', status: 'failed', message: 'no such module', assertionResults: [] },
      ],
    });
    const other: BrowserReport = {
      suites: [
        {
          title: 'coat.spec.ts',
          specs: [
            {
              title: 'rows',
              tests: [{ status: 'unexpected', results: [{ duration: 5, errors: [{ message: 'not seen' }] }] }],
            },
          ],
        },
      ],
    };
    const { lines } = summary([unitOutcome(one, '/here/'), browserOutcome(other)], []);
    expect(lines.slice(lines.indexOf('Failed: src/b.test.ts'))).toEqual([
      'Failed: src/b.test.ts',
      '    no such module',
      'Failed: src/a.test.ts: two',
      '    AssertionError: expected 3 to be 4',
      '        at here',
      'Failed: coat.spec.ts: rows',
      '    not seen',
      '3 passed, 3 failed',
    ]);
  });

  it('what could not be begun is not run, with its reason, and neither failed nor good', () => {
    const s = summary([unitOutcome(unit()), notBegun('browser', 69, 'no browser can be started')], []);
    expect(s.lines).toContain('Not run: 69 browser tests (no browser can be started)');
    expect(last(s)).toBe('3 passed, 0 failed');
    expect(s.good).toBe(false);
  });

  it('tests begun after trouble stopped the run are not run, and the trouble is named', () => {
    const report = {
      ...browser(test('expected', [5]), test('skipped', [])),
      errors: [{ message: 'out of time\nat x' }],
    };
    const o = browserOutcome(report);
    expect([o.passed, o.failed, o.notRun, o.why]).toEqual([1, 0, 1, 'out of time']);
    // A run that found no test at all has not been run.
    expect(browserOutcome({ suites: [], errors: [{ message: 'no such file' }] }).notRun).toBe(1);
  });

  it('a file that cannot be read as a test, and a step without tests, count as failed', () => {
    const broken = unit({ testResults: [{ name: 'b.test.ts', status: 'failed', assertionResults: [] }] });
    const s = summary([unitOutcome(broken)], ['types', 'build']);
    expect(last(s)).toBe('3 passed, 3 failed');
    expect(s.lines).toContain('Failed without a test: types');
    expect(s.good).toBe(false);
  });

  it('no report, tests passed over, or no test at all are not good', () => {
    expect(summary([unitOutcome(null)], []).good).toBe(false);
    expect(summary([unitOutcome(unit({ numPendingTests: 1 }))], []).good).toBe(false);
    expect(summary([], []).good).toBe(false);
  });
});
