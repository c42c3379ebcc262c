/**
 * Whatever the file format allows can be planned: measures of the demos put to the ends of their ranges, one after another, give
 * a plan with no figure that is none. Properties of the product itself.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { noNumbers } from '../../cli/testing/no-numbers';
import { Memo } from './memo';
import { defaultHand as hand } from './piece/hand';
import { readPiece } from './piece/read';
import { pieceSchema, type Piece } from './piece/schema';
import { makePlan } from './plan';

const ROUGH = { edgeShare: 1 / 45 };

interface Node {
  readonly type?: string;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly const?: unknown;
  readonly properties?: Readonly<Record<string, Node>>;
  readonly items?: Node;
  readonly prefixItems?: readonly Node[];
  readonly anyOf?: readonly Node[];
  readonly oneOf?: readonly Node[];
}
const root = z.toJSONSchema(pieceSchema, { target: 'draft-2020-12', unrepresentable: 'any' }) as Node;

type Path = readonly (string | number)[];
interface Measure {
  readonly path: Path;
  readonly min: number;
  readonly max: number;
  readonly whole: boolean;
}

/** Which of several forms a value has: the one whose constants it carries. */
const formOf = (nodes: readonly Node[], x: unknown): Node | undefined =>
  nodes.find((n) =>
    x === null
      ? n.type === 'null'
      : typeof x === 'object'
        ? n.properties !== undefined &&
          Object.entries(n.properties).every(
            ([k, p]) => p.const === undefined || (x as Record<string, unknown>)[k] === p.const,
          )
        : n.type !== 'null' && n.properties === undefined,
  );

/** Every measure of a document with its range, by the published schema. Places on the drawing are left alone: they make the animal. */
function measures(node: Node | undefined, x: unknown, path: Path = []): Measure[] {
  if (!node || x === null || x === undefined) return [];
  const several = node.anyOf ?? node.oneOf;
  if (several) return measures(formOf(several, x), x, path);
  if (typeof x === 'number') {
    const { minimum, maximum } = node;
    if (minimum === undefined || maximum === undefined) return [];
    return [{ path, min: minimum, max: maximum, whole: node.type === 'integer' }];
  }
  if (Array.isArray(x)) {
    return x.flatMap((y, i) => measures(node.prefixItems?.[i] ?? node.items, y, [...path, i]));
  }
  if (typeof x !== 'object') return [];
  return Object.entries(x).flatMap(([k, y]) => measures(node.properties?.[k], y, [...path, k]));
}

/** Not decided by a maker on its own: what the animal is drawn by, the log, photographs, the number of the format. */
const LEFT = new Set<string | number>(['parts', 'references', 'log', 'schema', 'seed', 'outline']);

function put(piece: Piece, path: Path, value: number): unknown {
  const copy = structuredClone(piece) as unknown;
  let at = copy as Record<string | number, unknown>;
  for (const k of path.slice(0, -1)) at = at[k] as Record<string | number, unknown>;
  at[path[path.length - 1]!] = value;
  return copy;
}

describe.each([
  ['marten', pineMarten],
  ['cria', alpacaCria],
  ['kingfisher', kingfisher],
  ['hare', brownHare],
] as const)('the %s with measures at the ends of their ranges', (_, demo) => {
  const all = measures(root, demo).filter((m) => !m.path.some((k) => LEFT.has(k)));
  it('has all its measures found', () => {
    const keys = new Set(all.map((m) => m.path.at(-1)));
    for (const key of [
      'finishedLengthMm',
      'lifeLengthMm',
      'allowanceMm',
      'turnedMm',
      ...(demo.face ? ['socketMm', 'sizeMm'] : []),
    ])
      expect(keys, key).toContain(key);
    expect(all.length).toBeGreaterThan(60);
  });
  it('is planned without a figure that is none', () => {
    const memo = new Memo();
    let planned = 0;
    const edit = fc.tuple(fc.nat(all.length - 1), fc.constantFrom(0, 1, 0.5, 0.02, 0.98));
    fc.assert(
      fc.property(fc.array(edit, { minLength: 1, maxLength: 3 }), (edits) => {
        let piece = demo;
        for (const [i, share] of edits) {
          const m = all[i]!;
          const value = m.min + share * (m.max - m.min);
          const read = readPiece(put(piece, m.path, m.whole ? Math.round(value) : value));
          // What does not go together is refused by the format itself.
          if (read.ok) piece = read.value;
        }
        const plan = makePlan(piece, cupboard, hand, memo, ROUGH);
        planned++;
        expect(noNumbers(plan), edits.map(([i]) => all[i]!.path.join('.')).join(' ')).toEqual([]);
      }),
      { numRuns: Number(process.env.EXTREMES ?? 12) },
    );
    expect(planned).toBeGreaterThan(5);
  });
});
