/**
 * The docket of an area: the answer as sentences with figures in them, before any control. Sentences hold words and the
 * names of figures, so that every number shown can be opened.
 */
type Sentence = readonly (string | { readonly figure: string } | { readonly spacing: true })[];

export interface Docket {
  readonly sentence: Sentence;
  /** Spacing of the rows, mm: one, or at the hem and at the top. Empty where nothing is spaced. */
  readonly spacing: readonly number[];
  readonly list: readonly { readonly label: string; readonly figure: string }[];
}
