/** What is remembered is made of nothing but what it is said to be made from: no maker of a kept value looks past its inputs. */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';

/** Names declared anywhere inside a function, but for one part of it. */
function declaredIn(f: ts.Node, but: ts.Node): Set<string> {
  const out = new Set<string>();
  const bind = (n: ts.BindingName): void => {
    if (ts.isIdentifier(n)) out.add(n.text);
    else for (const e of n.elements) if (ts.isBindingElement(e)) bind(e.name);
  };
  const visit = (n: ts.Node): void => {
    if (n === but) return;
    if (ts.isParameter(n) || ts.isVariableDeclaration(n)) bind(n.name);
    if (ts.isFunctionDeclaration(n) && n.name && n !== f) out.add(n.name.text);
    ts.forEachChild(n, visit);
  };
  visit(f);
  return out;
}

/** Names a piece of code takes from outside of itself. */
function takenBy(f: ts.Node): Set<string> {
  const own = declaredIn(f, f.parent);
  const out = new Set<string>();
  const visit = (n: ts.Node): void => {
    if (ts.isTypeNode(n)) return;
    if (ts.isPropertyAccessExpression(n)) return visit(n.expression);
    if (ts.isPropertyAssignment(n)) return visit(n.initializer);
    if (ts.isIdentifier(n) && !own.has(n.text)) out.add(n.text);
    ts.forEachChild(n, visit);
  };
  if (ts.isIdentifier(f)) out.add(f.text);
  else visit(f);
  return out;
}

/** Every maker of a kept value that takes a name of the function round it: what it takes, and where. */
function peeking(text: string): string[] {
  const file = ts.createSourceFile('x.ts', text, ts.ScriptTarget.Latest, true);
  const out: string[] = [];
  const visit = (n: ts.Node, round: readonly ts.Node[]): void => {
    const inside = ts.isFunctionLike(n) ? [...round, n] : round;
    if (ts.isCallExpression(n) && ts.isPropertyAccessExpression(n.expression) && n.expression.name.text === 'keep') {
      const [, from, make] = n.arguments;
      // Handed on as it came: judged where it came from.
      const handedOn = from && make && ts.isIdentifier(from) && ts.isIdentifier(make);
      if (from && make && !handedOn) {
        const taken = takenBy(make);
        for (const f of inside)
          for (const name of declaredIn(f, make))
            if (taken.has(name)) out.push(`${name} in ${n.getText().split('\n')[0]}`);
      }
    }
    ts.forEachChild(n, (c) => visit(c, inside));
  };
  visit(file, []);
  return out;
}

describe('what is remembered', () => {
  const core = join(import.meta.dirname, '..', 'src', 'core');
  const files = readdirSync(core, { recursive: true, encoding: 'utf8' }).filter((f) => /(?<!\.test)\.ts$/.test(f));
  it('is made of what it is said to be made from alone', () => {
    const kept = files.filter((f) => /\.keep\(/.test(readFileSync(join(core, f), 'utf8')));
    expect(kept.length).toBeGreaterThan(8);
    expect(kept.flatMap((f) => peeking(readFileSync(join(core, f), 'utf8')).map((p) => `${f}: ${p}`))).toEqual([]);
  });
  it('would be seen to look past its inputs', () => {
    const of = (make: string) =>
      peeking(`const K = 2; function plan(memo, a, b) { const c = a + b; return memo.keep('x', [a], ${make}); }`);
    expect(of('(x) => x * K')).toEqual([]);
    expect(of('(x) => { const c = x; return { b: c.a }; }')).toEqual([]);
    expect(of('(x) => x + b').length).toBe(1);
    expect(of('(x) => ({ c })').length).toBe(1);
    expect(of('() => b.length + a').length).toBe(2);
    expect(of('c').length).toBe(1);
  });
});
