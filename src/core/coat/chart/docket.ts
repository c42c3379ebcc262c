/**
 * The docket of an area: the answer as sentences with figures in them, before any control. Sentences hold words and the
 * names of figures, so that every number shown can be opened.
 */
type Word = string | { readonly figure: string } | { readonly spacing: true };
type Sentence = readonly Word[];

export interface Docket {
  readonly sentence: Sentence;
  /** Spacing of the rows, mm: one, or at the hem and at the top. Empty where nothing is spaced. */
  readonly spacing: readonly number[];
  readonly list: readonly { readonly label: string; readonly figure: string }[];
}

type Listed = Docket['list'];

/** How well the base is hidden, as every docket has it. */
export const HIDDEN: Listed = [
  { label: 'base hidden', figure: 'cover' },
  { label: 'hidden aslant', figure: 'slant' },
];

/** Wool and time at the head of a docket's list. */
export const takes = (wool: string, doing: string): Listed => [
  { label: wool.toLowerCase(), figure: 'mass' },
  { label: doing, figure: 'minutes' },
];

/** So many rows or courses, and how far apart where there are several. */
export const rowsApart = (rows: number, unit: { readonly one: string; readonly many: string }): readonly Word[] =>
  rows === 1
    ? [{ figure: 'rows' }, ` ${unit.one}`]
    : [{ figure: 'rows' }, ` ${unit.many} `, { spacing: true }, ' apart'];
