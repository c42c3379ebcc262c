/**
 * The docket of an area: the answer as sentences with figures in them, before any control. Sentences hold words and the
 * names of figures, so that every number shown can be opened.
 */
import type { Lot } from '@/core/piece/cupboard';
import type { FoldOverFigures } from './fold-over';

export type FigureName = keyof FoldOverFigures | 'spacing';
export type Sentence = readonly (string | { readonly figure: keyof FoldOverFigures } | { readonly spacing: true })[];

export interface Docket {
  readonly sentence: Sentence;
  readonly list: readonly { readonly label: string; readonly figure: keyof FoldOverFigures }[];
}

export function docketOf(f: FoldOverFigures, lot: Lot): Docket {
  const one = f.rows.value === 1;
  return {
    sentence: [
      'Cut ',
      { figure: 'cutLength' },
      ' lengths. Lay ',
      { figure: 'rows' },
      one ? ' row' : ' rows ',
      ...(one ? [] : [{ spacing: true } as const, ' apart']),
      ', hem first.',
    ],
    list: [
      { label: 'of rows', figure: 'rowLength' },
      { label: lot.name.toLowerCase(), figure: 'mass' },
      { label: 'to lay', figure: 'minutes' },
      { label: 'base hidden', figure: 'cover' },
      { label: 'pinches', figure: 'pinches' },
      { label: 'loft added', figure: 'loft' },
      { label: 'rows overlap', figure: 'overlap' },
      { label: 'trimmed off', figure: 'waste' },
      { label: 'of fur', figure: 'areal' },
    ],
  };
}
