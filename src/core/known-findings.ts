/**
 * What the maker knows of and goes on with. A finding that is known is folded away; it is open again once it weighs more, its figure is
 * worse by what can be read, or, where it has no figure, once it says something else.
 */
import { markOf } from './decision';
import type { FindingCode } from './finding-codes';
import { MOST_KNOWN, type Known } from './piece/known';
import { RANK, type Finding } from './stage';
import type { Quantity } from './text';

/** Findings with a figure: whether more of it or less of it is worse. It is the first one in what they say. */
const WORSE: Partial<Record<FindingCode, 'more' | 'less'>> = {
  'form-apart': 'more',
  'form-thin': 'less',
  'form-swallowed': 'more',
  'form-core-no-wool': 'more',
  'form-through': 'more',
  'form-shrinks': 'more',
  'form-wire-short': 'more',
  'form-falls': 'more',
  'coat-staple': 'more',
  'coat-base-shows': 'less',
  'coat-base-aslant': 'less',
  'coat-may-show': 'less',
  'coat-gaps': 'more',
  'coat-stray': 'more',
  'coat-too-close': 'less',
  'coat-too-thick': 'more',
  'coat-stands-out': 'more',
  'coat-long-for-body': 'more',
  'coat-corner': 'more',
  'coat-locks-short': 'more',
  'coat-unclothed': 'more',
  'shade-fine': 'less',
  'shade-blaze': 'less',
  'face-eye-bulges': 'more',
  'face-eye-hidden': 'less',
  'face-eye-front': 'less',
  'face-eye-side': 'more',
  'face-eyes-differ': 'more',
  'face-small': 'less',
  'face-dark-line': 'less',
  'face-light-hidden': 'more',
  'face-whisker-way': 'more',
  'face-whisker-short': 'more',
  'face-whisker-long': 'more',
  'needle-prising': 'more',
  'stock-short': 'more',
  'stock-close': 'more',
};

/** What can be read as worse: a fiftieth of the figure. */
const READABLE = 0.02;

const isQuantity = (x: string | Quantity): x is Quantity => typeof x !== 'string';

/** The figure a finding goes by; null where it goes by its words. */
export function measureOf(f: Finding): number | null {
  return WORSE[f.code] ? (f.says.find(isQuantity)?.value ?? null) : null;
}

/** How a finding is known from now on. */
const asKnown = (f: Finding, reason: string): Known => ({
  id: f.id,
  severity: f.severity,
  measure: measureOf(f),
  words: markOf(f.says),
  reason,
});

/** What is known with one more; never more than a piece may hold, or it could not be opened again. */
export const withKnown = (known: readonly Known[], f: Finding, reason: string): Known[] =>
  [...known.filter((k) => k.id !== f.id), asKnown(f, reason)].slice(-MOST_KNOWN);

function worse(f: Finding, k: Known): boolean {
  if (RANK[f.severity] < RANK[k.severity]) return true;
  const now = measureOf(f);
  if (now === null || k.measure === null) return markOf(f.says) !== k.words;
  const by = WORSE[f.code] === 'more' ? now - k.measure : k.measure - now;
  return by > READABLE * Math.abs(k.measure);
}

/** A finding with what the maker said of it. */
export interface Judged extends Finding {
  /** Null while it is open. */
  readonly known: Known | null;
}

/** Every finding with whether it is known, in the order they come. */
export function judged(findings: readonly Finding[], known: readonly Known[]): Judged[] {
  const by = new Map(known.map((k) => [k.id, k]));
  return findings.map((f) => {
    const k = by.get(f.id);
    return { ...f, known: k && !worse(f, k) ? k : null };
  });
}

/** What is still to be decided: stops and cautions the maker does not know of yet. */
export const toDecide = (f: Judged): boolean => f.known === null && f.severity !== 'note';
