import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { pineMarten } from '../demo/load';
import { planJson } from '../src/sheets/plan-json';
import { planCommand } from './plan-command';
import { planned } from './testing/planned';

const run = (...args: string[]) =>
  spawnSync('npx', ['tsx', 'cli/plan.ts', ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });
/** The same without a process of its own. */
async function within(...args: string[]) {
  let stdout = '';
  let stderr = '';
  const status = await planCommand(args, { out: (t) => (stdout += t), err: (t) => (stderr += t) });
  return { status, stdout, stderr };
}

describe('the plan from the command line', () => {
  it('writes the whole plan to standard output as JSON, the same every time', () => {
    const a = run('demo/pine-marten.json');
    expect(a.status).toBe(0);
    const plan = JSON.parse(a.stdout) as { pieceId: string; coat: { areas: unknown[] } };
    expect(plan.pieceId).toBe('pine-marten');
    expect(plan.coat.areas.length).toBe(12);
    // The shared plan was made by another process; what is written is the same to the letter.
    expect(a.stdout).toBe(`${planJson(planned(pineMarten))}\n`);
  });

  it('writes PDF, SVG and CSV into a folder', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'plan-'));
    expect((await within('demo/alpaca-cria.json', '--format', 'pdf,svg,csv,book', '--out', dir)).status).toBe(0);
    const files = readdirSync(dir).sort();
    expect(files).toContain('alpaca-cria-row-sheets.pdf');
    expect(files).toContain('alpaca-cria-cut-list.csv');
    expect(files).toContain('alpaca-cria-bench-book.pdf');
    expect(files.filter((f) => f.endsWith('.svg')).length).toBe(10);
    expect(readFileSync(join(dir, 'alpaca-cria-cut-list.csv'), 'utf8')).toContain('Topknot');
  });

  it('draws the finished animal as a picture of the size asked, from the side asked', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'plan-'));
    const args = ['--format', 'picture', '--size', '200x150', '--from', 'left', '--light', 'dusk', '--shape', 'coarse'];
    expect((await within('demo/pine-marten.json', ...args, '--out', dir)).status).toBe(0);
    const png = readFileSync(join(dir, 'pine-marten-left.png'));
    // PNG (Third Edition), W3C 2025, 5.2 and 11.2.1: signature, then the width and height of the image header.
    expect([...png.subarray(0, 8)]).toEqual([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10]);
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([200, 150]);
  });

  it('refuses what it cannot use, in words, and fails', async () => {
    const dir = mkdtempSync(join(tmpdir(), 'plan-'));
    const wrong = join(dir, 'wrong.json');
    writeFileSync(wrong, readFileSync('demo/pine-marten.json', 'utf8').replace('"lengthMm": 14', '"lengthMm": 0'));
    for (const [args, words] of [
      [['demo/pine-marten.json', '--format', 'ics'], /the day of the first sitting/],
      [[], /Name one piece file/],
      [['nowhere.json'], /cannot be read/],
      [['demo/pine-marten.json', '--format', 'doc'], /--format must be one of/],
      [['demo/pine-marten.json', '--format', 'csv,doc'], /--format must be one of/],
      [['demo/pine-marten.json', '--format', 'picture', '--from', 'under'], /--from must be one of front, left/],
      [['demo/pine-marten.json', '--format', 'picture', '--size', '9x9'], /from 100 to 4000 pixels/],
      [['demo/pine-marten.json', '--format', 'picture', '--light', 'moon'], /--light must be one of window/],
      [['demo/cupboard.json'], /not a piece file/],
      [[wrong, '--cupboard', 'demo/cupboard.json'], /Finished length must be between 3 and 200 mm/],
      [['demo/pine-marten.json', '--wrong'], /wrong/],
    ] as const) {
      const r = await within(...args);
      expect(r.status).toBe(1);
      expect(r.stderr).toMatch(words);
      expect(r.stdout).toBe('');
    }
    // And so does the process.
    const r = run('nowhere.json');
    expect([r.status, r.stdout]).toEqual([1, '']);
    expect(r.stderr).toMatch(/cannot be read/);
  });

  it('the published schema and the method list are what the code makes', () => {
    const read = () => ['piece.schema.json', 'method.md'].map((f) => readFileSync(`docs/${f}`, 'utf8'));
    const before = read();
    execFileSync('npx', ['tsx', 'cli/docs.ts']);
    expect(read()).toEqual(before);
  });
});
