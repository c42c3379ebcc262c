import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const run = (...args: string[]) =>
  spawnSync('npx', ['tsx', 'cli/plan.ts', ...args], { encoding: 'utf8', maxBuffer: 1 << 28 });

describe('the plan from the command line', () => {
  it('writes the whole plan to standard output as JSON, the same every time', () => {
    const a = run('demo/pine-marten.json', '--format', 'json');
    expect(a.status).toBe(0);
    const plan = JSON.parse(a.stdout) as { pieceId: string; coat: { areas: unknown[] } };
    expect(plan.pieceId).toBe('pine-marten');
    expect(plan.coat.areas.length).toBe(11);
    expect(run('demo/pine-marten.json').stdout).toBe(a.stdout);
  });

  it('writes PDF, SVG and CSV into a folder', () => {
    const dir = mkdtempSync(join(tmpdir(), 'plan-'));
    for (const format of ['pdf', 'svg', 'csv', 'book']) {
      expect(run('demo/alpaca-cria.json', '--format', format, '--out', dir).status).toBe(0);
    }
    const files = readdirSync(dir).sort();
    expect(files).toContain('alpaca-cria-row-sheets.pdf');
    expect(files).toContain('alpaca-cria-cut-list.csv');
    expect(files).toContain('alpaca-cria-bench-book.pdf');
    expect(files.filter((f) => f.endsWith('.svg')).length).toBe(8);
    expect(readFileSync(join(dir, 'alpaca-cria-cut-list.csv'), 'utf8')).toContain('Topknot');
  });

  it('refuses what it cannot use, in words, and fails', () => {
    const dir = mkdtempSync(join(tmpdir(), 'plan-'));
    const wrong = join(dir, 'wrong.json');
    writeFileSync(wrong, readFileSync('demo/pine-marten.json', 'utf8').replace('"lengthMm": 14', '"lengthMm": 0'));
    for (const [args, words] of [
      [['demo/pine-marten.json', '--format', 'ics'], /the day of the first sitting/],
      [[], /Name one piece file/],
      [['nowhere.json'], /cannot be read/],
      [['demo/pine-marten.json', '--format', 'doc'], /--format must be one of/],
      [['demo/cupboard.json'], /not a piece file/],
      [[wrong, '--cupboard', 'demo/cupboard.json'], /Finished length must be between 3 and 200 mm/],
      [['demo/pine-marten.json', '--wrong'], /wrong/],
    ] as const) {
      const r = run(...args);
      expect(r.status).toBe(1);
      expect(r.stderr).toMatch(words);
      expect(r.stdout).toBe('');
    }
  });

  it('the published schema and the method list are what the code makes', () => {
    const read = () => ['piece.schema.json', 'method.md'].map((f) => readFileSync(`docs/${f}`, 'utf8'));
    const before = read();
    execFileSync('npx', ['tsx', 'cli/docs.ts']);
    expect(read()).toEqual(before);
  });
});
