/**
 * A method is one formula, kept once: what it is called, how it is written, what its letters mean, where it comes from
 * and how it is computed. A figure is a method with this piece's numbers put in, so any figure on screen or on paper
 * can open how it was worked out.
 */
import type { QuantityKind } from '@/core/text';
import type { DoubtName, Known } from './doubt';

export type Basis = 'published' | 'common practice' | 'from memory' | 'ours';

export interface Letter {
  readonly letter: string;
  readonly meaning: string;
  readonly kind: QuantityKind;
  /** What is not known for sure about it. */
  readonly doubt?: DoubtName;
}

export interface Method<Name extends string = string> {
  readonly id: string;
  readonly title: string;
  /** The formula as it would be written by hand. */
  readonly formula: string;
  readonly inputs: Readonly<Record<Name, Letter>>;
  readonly result: Letter;
  readonly source: string;
  readonly basis: Basis;
  readonly of: (x: Readonly<Record<Name, number>>) => number;
  /** What is not known for sure about the formula itself, its constants. */
  readonly doubt?: DoubtName;
}

/** A value with the way it was found. Plain data. */
export interface Figure {
  readonly method: string;
  readonly value: number;
  readonly kind: QuantityKind;
  readonly inputs: Readonly<Record<string, number>>;
  /** Of a time: how often each element of the work occurs in it. */
  readonly work?: Readonly<Record<string, number>>;
  /** What of it the maker has measured, and how often. */
  readonly known?: Known;
}

export const method = <Name extends string>(m: Method<Name>): Method<Name> => m;

export const letter = (symbol: string, meaning: string, kind: QuantityKind, doubt?: DoubtName): Letter => ({
  letter: symbol,
  meaning,
  kind,
  ...(doubt ? { doubt } : {}),
});

/** A figure that is no number: the plan says so instead of carrying it on. */
export class NoFigure extends Error {}

/**
 * Puts a method to its inputs.
 * @throws {NoFigure} when what comes out, or anything put in, is not a number; in the maker's words
 */
export function figure<Name extends string>(m: Method<Name>, inputs: Readonly<Record<Name, number>>): Figure {
  const value = m.of(inputs);
  const names = Object.keys(inputs) as Name[];
  const missing = names.filter((n) => !Number.isFinite(inputs[n]));
  if (missing.length > 0 || !Number.isFinite(value)) {
    const from = (missing.length > 0 ? missing : names).map((n) => m.inputs[n].meaning).join(', ');
    throw new NoFigure(`“${m.title}” cannot be worked out with what was chosen for: ${from}.`);
  }
  return { method: m.id, value, kind: m.result.kind, inputs };
}
