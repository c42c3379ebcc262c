/** Adds up the results of both test runners; prints `N passed, N failed` and fails when anything did. */
import { existsSync, readFileSync } from 'node:fs';

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const unit = read('out/tests/unit.json');
const browser = read('out/tests/browser.json');
const passed = (unit?.numPassedTests ?? 0) + (browser?.stats.expected ?? 0) + (browser?.stats.flaky ?? 0);
let failed = (unit?.numFailedTests ?? 0) + (browser?.stats.unexpected ?? 0);
const stepsFailed = Number(process.env.STEPS_FAILED ?? 0);
const skipped = (unit?.numPendingTests ?? 0) + (unit?.numTodoTests ?? 0) + (browser?.stats.skipped ?? 0);
// A step that failed, a runner that left no report, or tests that were passed over count as failures too.
if (!unit) failed += 1;
if (!browser) failed += 1;
if (stepsFailed > 0 && failed === 0) failed = stepsFailed;
failed += skipped;
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 || passed === 0 ? 1 : 0);
