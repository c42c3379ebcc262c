/** How the house stands: no two files wait for each other, stages lean on earlier stages only, no function of core is long. */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

const src = join(import.meta.dirname, '..', 'src');
const files = readdirSync(src, { recursive: true, encoding: 'utf8' })
  .filter((f) => /\.tsx?$/.test(f) && !/\.test\.tsx?$/.test(f))
  .map((f) => join(src, f));
const known = new Set(files);
const short = (f: string) => relative(src, f);

function target(from: string, spec: string): string | null {
  const base = spec.startsWith('@/')
    ? join(src, spec.slice(2))
    : spec.startsWith('.')
      ? join(dirname(from), spec)
      : null;
  if (base === null) return null;
  return ['.ts', '.tsx', '/index.ts'].map((e) => base + e).find((f) => known.has(f)) ?? null;
}
const imports = new Map(
  files.map((f) => {
    const { importedFiles } = ts.preProcessFile(readFileSync(f, 'utf8'), true, true);
    return [f, [...new Set(importedFiles.flatMap((i) => target(f, i.fileName) ?? []))].filter((t) => t !== f)] as const;
  }),
);

/** Groups of files that reach each other (Tarjan 1972). */
function rings(graph: ReadonlyMap<string, readonly string[]>): string[][] {
  const number = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const out: string[][] = [];
  const visit = (v: string): void => {
    number.set(v, number.size);
    low.set(v, number.get(v)!);
    stack.push(v);
    for (const w of graph.get(v) ?? []) {
      if (!number.has(w)) visit(w);
      if (stack.includes(w)) low.set(v, Math.min(low.get(v)!, low.get(w)!));
    }
    if (low.get(v) !== number.get(v)) return;
    const group = stack.splice(stack.indexOf(v));
    if (group.length > 1) out.push(group);
  };
  for (const v of graph.keys()) if (!number.has(v)) visit(v);
  return out;
}

/** Rooms of core from the ground up; each leans on those before it only. What stands beside them all is the roof. */
const ROOMS = [
  'geometry', 'colour', 'method', 'time', 'piece', 'rates', 'wool', 'form', 'coat', 'shade', 'build', 'face', 'needle', 'order', 'stock', 'log', 'picture',
]; // prettier-ignore
/** Floors of the house, and what each may lean on. */
const BELOW: Readonly<Record<string, readonly string[]>> = {
  core: [],
  units: ['core'],
  sheets: ['core', 'units'],
  worker: ['core', 'units', 'sheets'],
  desk: ['core', 'units', 'sheets', 'worker'],
  ui: ['core', 'units', 'sheets', 'worker', 'desk'],
  app: ['core', 'units', 'sheets', 'worker', 'desk', 'ui'],
  'proxy.ts': [],
};
const floorOf = (f: string): string => short(f).split('/')[0]!;
const roomOf = (f: string): string | null => /^core\/([^/]+)\//.exec(short(f))?.[1] ?? null;

describe('the house', () => {
  it('has no ring of files', () => {
    expect(rings(imports).map((r) => r.map(short))).toEqual([]);
  });
  it('has every room of core in its order, and no arrow against it', () => {
    const rooms = new Set(files.flatMap((f) => roomOf(f) ?? []));
    expect([...rooms].sort()).toEqual([...ROOMS].sort());
    const against = files.flatMap((f) =>
      imports.get(f)!.flatMap((t) => {
        const [a, b] = [roomOf(f), roomOf(t)];
        return a && b && ROOMS.indexOf(b) > ROOMS.indexOf(a) ? [`${short(f)} -> ${short(t)}`] : [];
      }),
    );
    expect(against).toEqual([]);
  });
  it('has every floor over those it stands on, however an import is written', () => {
    const against = files.flatMap((f) =>
      imports.get(f)!.flatMap((t) => {
        const [a, b] = [floorOf(f), floorOf(t)];
        return a !== b && !BELOW[a]!.includes(b) ? [`${short(f)} -> ${short(t)}`] : [];
      }),
    );
    expect(against).toEqual([]);
  });
  it('has no export that nobody takes', () => {
    const root = join(src, '..');
    const all = ['src', 'cli', 'demo', 'bench', 'e2e'].flatMap((d) =>
      readdirSync(join(root, d), { recursive: true, encoding: 'utf8' })
        .filter((f) => /\.(tsx?|mjs)$/.test(f))
        .map((f) => join(root, d, f)),
    );
    const takers = new Map<string, Set<string>>();
    for (const f of all)
      for (const word of readFileSync(f, 'utf8').match(/[A-Za-z_$][\w$]*/g) ?? [])
        takers.set(word, (takers.get(word) ?? new Set()).add(f));
    const DECLARED = /^export (?:async )?(?:const|function\*?|interface|type|class) +([A-Za-z_$][\w$]*)/gm;
    // What stands in the folder of pages is taken by the framework.
    const unused = files
      .filter((f) => !short(f).startsWith('app/'))
      .flatMap((f) =>
        [...readFileSync(f, 'utf8').matchAll(DECLARED)]
          .map((m) => m[1]!)
          .filter((name) => takers.get(name)!.size === 1)
          .map((name) => `${short(f)}: ${name}`),
      );
    expect(unused).toEqual([]);
  });
  it('writes a colour of the interface down in its theme and in the palette of its pictures, nowhere else', () => {
    const own = files
      .filter((f) => floorOf(f) === 'ui' && !/frame\/theme\.ts$|pictures\/colours\.ts$/.test(f))
      // The way a colour is written is shown by one, where one is typed.
      .filter((f) => /(?<!like )#[0-9a-f]{6}\b/i.test(readFileSync(f, 'utf8').replace('type (#b0622a)', '')))
      .map(short);
    expect(own).toEqual([]);
  });
  it('would see a ring and say who is in it', () => {
    const graph = new Map([
      ['a', ['b']],
      ['b', ['c']],
      ['c', ['b', 'd']],
      ['d', []],
    ]);
    expect(rings(graph)).toEqual([['b', 'c']]);
  });
});

/** Functions of core longer than this should be several. */
const LONGEST = 100;

describe('functions of core', () => {
  it(`are at most ${LONGEST} lines long`, () => {
    const long: string[] = [];
    for (const f of files) {
      if (roomOf(f) === null && !short(f).startsWith('core/')) continue;
      const text = readFileSync(f, 'utf8');
      const file = ts.createSourceFile(f, text, ts.ScriptTarget.Latest, true);
      const visit = (n: ts.Node): void => {
        if (ts.isFunctionLike(n) && 'body' in n && n.body) {
          const lines =
            file.getLineAndCharacterOfPosition(n.end).line - file.getLineAndCharacterOfPosition(n.getStart()).line + 1;
          if (lines > LONGEST) {
            const named =
              n.name ??
              (ts.isVariableDeclaration(n.parent) || ts.isPropertyAssignment(n.parent) ? n.parent.name : null);
            long.push(`${short(f)} ${named ? named.getText() : 'a function'}`);
          }
        }
        ts.forEachChild(n, visit);
      };
      visit(file);
    }
    expect(long).toEqual([]);
  });
});
