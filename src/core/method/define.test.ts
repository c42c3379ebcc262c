import { describe, expect, it } from 'vitest';
import { methods } from '@/core/methods';
import { figure, letter, method, NoFigure } from './define';

const share = method({
  id: 'share',
  title: 'Share of a half',
  formula: 's = a / b',
  inputs: { a: letter('a', 'the half', 'length'), b: letter('b', 'the whole', 'length') },
  result: letter('s', 'share', 'share'),
  source: 'made for this test',
  basis: 'ours',
  of: ({ a, b }) => a / b,
});

describe('the door every figure goes through', () => {
  it('lets a number by with what it was found from', () => {
    expect(figure(share, { a: 3, b: 4 })).toEqual({
      method: 'share',
      value: 0.75,
      kind: 'share',
      inputs: { a: 3, b: 4 },
    });
  });

  it('stops what is no number, and says in the maker’s words what it came from', () => {
    const says = (a: number, b: number): string => {
      try {
        figure(share, { a, b });
        return 'a figure';
      } catch (e) {
        expect(e).toBeInstanceOf(NoFigure);
        return (e as Error).message;
      }
    };
    expect(says(0, 0)).toBe('“Share of a half” cannot be worked out with what was chosen for: the half, the whole.');
    expect(says(1, 0)).toContain('the half, the whole');
    // What was put in is named alone where it is to blame.
    expect(says(1, NaN)).toContain('for: the whole.');
    expect(says(Infinity, 2)).toContain('for: the half.');
  });

  it('has every method told from every other by id and by title', () => {
    const twice = (of: (m: (typeof methods)[number]) => string) =>
      methods.map(of).filter((x, i, all) => all.indexOf(x) !== i);
    expect(twice((m) => m.id)).toEqual([]);
    expect(twice((m) => m.title)).toEqual([]);
  });
});
