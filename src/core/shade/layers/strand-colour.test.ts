/** A strand has the colour laid where it is seen; over a hem, where nothing is laid any more, that of the last place before it. */
import { describe, expect, it } from 'vitest';
import { nearest } from './strand-colour';

/** Twenty vertices a millimetre apart. */
const line = Float64Array.from({ length: 60 }, (_, i) => (i % 3 === 0 ? i / 3 : 0));
const find = nearest(line, 20);

describe('the vertex a strand is coloured by', () => {
  it('is the nearest to where it is seen', () => {
    expect(find(3.2, 0, 0)).toBe(3);
    expect(find(3.2, 0, 0, [6, 0, 0])).toBe(9);
  });
  it('at a hem is further back, and never another place of the area', () => {
    // Fourteen and seven on there is nothing more: where it is rooted.
    expect(find(18, 0, 0, [30, 0, 0])).toBe(18);
    // Half the way on there still is.
    expect(find(12, 0, 0, [14, 0, 0])).toBe(19);
  });
});
