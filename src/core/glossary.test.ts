/** Every word of ours is explained, once, and every label of a docket finds what it is about. */
import { describe, expect, it } from 'vitest';
import { planned } from '../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { explained, GLOSSARY } from './glossary';
import { defaultHand } from './piece/hand';

/** The words this program uses in its own sense. */
const OURS = [
  'area',
  'bench',
  'course',
  'cover',
  'docket',
  'finding',
  'hem',
  'lay',
  'lie',
  'lift',
  'loft',
  'lot',
  'piece',
  'row',
  'school',
  'sitting',
  'swatch',
  'graticule',
];

/** Labels in words of everyone. */
const PLAIN = ['to set', 'to felt and raise', 'to felt flat', 'to make and seat', 'to felt and wrap', 'of fur', 'lost'];

describe('the glossary', () => {
  it('has every word of ours, each once, in the order of the alphabet', () => {
    const words = GLOSSARY.map((w) => w.word);
    for (const w of OURS) expect(words, w).toContain(w);
    expect(words).toEqual([...new Set(words)].sort());
    for (const w of GLOSSARY) expect(w.says, w.word).toMatch(/^[A-Z].*[^.]\.$/);
  });

  it('explains a label by the longest way a word is met', () => {
    expect(explained('base hidden')).toMatch(/under the coat/);
    expect(explained('hidden aslant')).toMatch(/share of the base/);
    expect(explained('loft added')).toMatch(/thickness/);
    expect(explained('Row spacing')).toMatch(/line of fur/);
    expect(explained('Throw')).toBeNull();
  });

  it('explains the labels of every docket of the demos', () => {
    const unknown = new Set<string>();
    for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare])
      for (const a of planned(piece, cupboard, defaultHand).coat.areas)
        for (const { label } of a.fur?.docket.list ?? []) {
          const wool = cupboard.lots.some((l) => l.name.toLowerCase() === label) || label === 'wool';
          if (!wool && !PLAIN.includes(label) && explained(label) === null) unknown.add(label);
        }
    expect([...unknown]).toEqual([]);
  });
});
