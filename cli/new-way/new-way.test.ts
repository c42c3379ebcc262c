/**
 * A new way of laying is one folder and one line in each of two lists: what a piece may hold, and what is offered. Shown on a
 * copy of the sources with one more way: it type-checks, is read from a file, laid, charted, judged, weighed, needled, ordered,
 * compared, practised, drawn and put on paper, and nothing else was touched. Properties of the product itself.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import { cpSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';

const root = join(import.meta.dirname, '..', '..');
const copy = join(root, 'out', `new-way-${process.pid}`);
const bin = (name: string) => join(root, 'node_modules', '.bin', name);

/** Puts a name into a list and its import at the top; anything else is left as it is. */
function listed(file: string, name: string, from: string, list: RegExp): void {
  const path = join(copy, 'src', file);
  const text = readFileSync(path, 'utf8');
  const out = `import { ${name} } from '${from}';\n${text.replace(list, (m) => `${m}\n  ${name},`)}`;
  expect(out.split('\n').length - text.split('\n').length).toBe(2);
  writeFileSync(path, out);
}

interface Said {
  readonly offered: string[];
  readonly figures: Record<string, number>;
  readonly rows: number;
  readonly areaMm2: number;
  readonly charted: string;
  readonly margins: [string, number | null][];
  readonly steps: {
    kind: string;
    materials: { massG: number; from: string }[];
    needle: string | null;
    restsOn: number;
  }[];
  readonly needG: number;
  readonly tookG: number;
  readonly findings: string[];
  readonly remedies: { path: (string | number)[]; value: unknown }[];
  readonly asked: string[];
  readonly bounds: unknown;
  readonly label: string;
  readonly refused: { says: string }[] | null;
  readonly compared: string[];
  readonly ball: number;
  readonly strands: boolean;
  readonly formula: string;
  readonly cutList: string;
}
let said: Said;

beforeAll(() => {
  rmSync(copy, { recursive: true, force: true });
  mkdirSync(copy, { recursive: true });
  for (const room of ['core', 'units', 'sheets'])
    cpSync(join(root, 'src', room), join(copy, 'src', room), {
      recursive: true,
      filter: (f) => !/\.test\.tsx?$/.test(f),
    });
  cpSync(join(import.meta.dirname, 'curls'), join(copy, 'src/core/coat/techniques/curls'), { recursive: true });
  cpSync(join(import.meta.dirname, 'use.ts'), join(copy, 'use.ts'));
  listed('core/piece/coat.ts', 'curlsSchema', '@/core/coat/techniques/curls/spec', /discriminatedUnion\('method', \[/);
  listed('core/coat/ways.ts', 'curls', '@/core/coat/techniques/curls/curls', /WAYS: readonly Way\[\] = \[/);
  writeFileSync(
    join(copy, 'tsconfig.json'),
    JSON.stringify({
      extends: join(root, 'tsconfig.json'),
      compilerOptions: { incremental: false, paths: { '@/*': ['./src/*'] }, plugins: [] },
      include: ['src/**/*.ts', 'use.ts'],
      exclude: [],
    }),
  );
  said = JSON.parse(
    execFileSync(bin('tsx'), ['use.ts', join(root, 'demo/pine-marten.json'), join(root, 'demo/cupboard.json')], {
      cwd: copy,
      encoding: 'utf8',
      maxBuffer: 1e8,
    }),
  ) as Said;
});
afterAll(() => rmSync(copy, { recursive: true, force: true }));

describe('a new way of laying', () => {
  it('type-checks with nothing else touched', () => {
    const { stdout, status } = spawnSync(bin('tsc'), ['--noEmit', '-p', copy], { encoding: 'utf8' });
    expect(stdout).toBe('');
    expect(status).toBe(0);
  });
  it('is offered, laid, charted, practised, compared and drawn', () => {
    expect(said.offered).toContain('Set curls');
    expect(said.compared).toEqual(['Set curls', 'Wisps']);
    expect(said.rows).toBeGreaterThan(8);
    expect(said.charted).toBe('rows of curls');
    // One on every 4 by 4 mm; a row begun is a curl begun.
    expect(said.figures.curls! / (said.areaMm2 / 16)).toBeGreaterThan(0.9);
    expect(said.figures.curls! / (said.areaMm2 / 16)).toBeLessThan(1.3);
    expect(said.ball).toBeGreaterThan(50);
    expect(said.formula).toBe('Wool for the curls');
    expect(said.strands).toBe(true);
  });
  it('is weighed, needled and rests on what the maker decided', () => {
    const [wind, set] = said.steps.filter((s) => s.kind === 'cut' || s.kind === 'lay');
    // Laid from a blend: every wool of it is named, together what the docket says.
    expect(wind!.materials.length).toBe(2);
    expect(wind!.materials.reduce((g, m) => g + m.massG, 0)).toBeCloseTo(said.figures.mass!, 9);
    expect(set!.materials.map((m) => m.from)).toEqual(['earlier step', 'earlier step']);
    expect(set!.needle).toBe('46 crown');
    expect(Math.min(wind!.restsOn, set!.restsOn)).toBeGreaterThan(1);
    expect(said.needG).toBeCloseTo(said.tookG, 9);
    expect(said.cutList).toMatch(/Set curls/);
    expect(said.cutList).toContain(String(said.figures.curls));
  });
  it('is judged: so light curls leave the base bare, and the remedy is the least weight that covers', () => {
    expect(said.findings).toContain('coat-base-shows');
    expect(said.margins.map(([k]) => k)).toEqual(['spacingMm', 'curlMg']);
    const least = said.margins[1]![1]!;
    expect(said.remedies).toContainEqual({ path: ['areas', expect.any(Number), 'coat', 'curlMg'], value: least });
  });
  it('asks what its spec says, in its range; a file beyond that is refused by name', () => {
    expect(said.asked).toEqual(['lotId', 'lengthMm', 'spacingMm', 'pitchMm', 'curlMg']);
    expect(said.label).toBe('Curl weight');
    expect(said.bounds).toEqual({ least: 0.2, most: 500 });
    expect(JSON.stringify(said.refused)).toMatch(/Weight of a curl.*0\.2.*500 mg/);
  });
});
