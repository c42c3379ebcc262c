/**
 * What a step was decided by: places in the piece, in the maker's words. Whoever makes a step says what it rests on, so a
 * decision changed after the step was done is seen and named.
 */
import type { MadeBy } from './piece/log-entry';
import type { Piece } from './piece/schema';

/** A place in the piece: keys from the top; an entry of a list by what tells it from the others, so that moving it changes nothing. */
export type Path = readonly (string | { readonly by: string; readonly is: string })[];

export interface Decision {
  /** In the maker's words: the wool, the place of the eyes. */
  readonly what: string;
  readonly at: readonly Path[];
  /** Keys at that place that are decisions of their own. */
  readonly but?: readonly string[];
}

export const decided = (what: string, ...at: readonly Path[]): Decision => ({ what, at });

/** An entry of a list by its id. */
export const the = (id: string) => ({ by: 'id', is: id });

export const SIZE = decided('the size of the animal', ['form', 'finishedLengthMm']);

/** What stands at a place of the piece; undefined where nothing does. */
export function valueAt(piece: Piece, path: Path): unknown {
  return path.reduce<unknown>((at, key) => {
    if (at === null || typeof at !== 'object') return undefined;
    if (typeof key === 'string') return (at as Record<string, unknown>)[key];
    return Array.isArray(at) ? at.find((x: Record<string, unknown>) => x[key.by] === key.is) : undefined;
  }, piece);
}

/** Another name for a thing changes nothing of it. */
function unnamed(x: unknown): unknown {
  if (Array.isArray(x)) return x.map(unnamed);
  return x !== null && typeof x === 'object' && 'name' in x ? { ...x, name: '' } : x;
}

/** A short name for a value: the same value, the same name (FNV-1a, twice). */
export function markOf(value: unknown): string {
  const s = JSON.stringify(value) ?? '';
  let a = 0x811c9dc5;
  let b = 0x01000193;
  for (let i = 0; i < s.length; i++) {
    const c = s.charCodeAt(i);
    a = Math.imul(a ^ c, 0x01000193);
    b = Math.imul(b ^ (c >>> 3) ^ a, 0x85ebca6b);
  }
  return `${(a >>> 0).toString(36)}${(b >>> 0).toString(36)}`;
}

function markAt(piece: Piece, d: Decision): string {
  const values = d.at.map((path) => {
    const value = unnamed(valueAt(piece, path)) ?? null;
    if (!d.but || typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(Object.entries(value).filter(([key]) => !d.but!.includes(key)));
  });
  return markOf(values.length === 1 ? values[0] : values);
}

/** Marks of the decisions a step rests on, kept with the log entry when it is done. */
export const madeBy = (piece: Piece, o: { readonly restsOn: readonly Decision[] }): MadeBy =>
  Object.fromEntries(o.restsOn.map((d) => [d.what, markAt(piece, d)]));

/** Decisions that have changed since a step was done; empty where nothing was kept of them. */
export function changedSince(piece: Piece, o: { readonly restsOn: readonly Decision[] }, made: MadeBy): string[] {
  const now = madeBy(piece, o);
  return Object.keys(made).filter((what) => now[what] !== undefined && now[what] !== made[what]);
}
