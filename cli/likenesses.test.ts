/** The shelf shows every demo as it is planned now: drawn of the same animal and wools, the size the app draws, on nothing. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { decode } from 'fast-png';
import { describe, expect, it } from 'vitest';
import { demoPieces } from '../src/desk/demo';
import { likenessLens } from '../src/core/picture/viewpoints';
import { COARSELY, planned } from './testing/planned';
import { LIKENESSES, lookOf } from './likeness-marks';

const marks = JSON.parse(readFileSync(join(LIKENESSES, 'made-from.json'), 'utf8')) as Record<string, string>;

describe('the likeness of a demo', () => {
  it.each(demoPieces.map((p) => [p.name, p] as const))(
    '%s was drawn of it as it is (npm run likenesses)',
    (_, piece) => {
      expect(marks[piece.id]).toBe(lookOf(piece));
      const png = decode(readFileSync(join(LIKENESSES, `${piece.id}.png`)));
      const lens = likenessLens(piece, planned({ ...piece, log: [] }, undefined, undefined, COARSELY));
      expect([png.width, png.height, png.channels]).toEqual([lens.width, lens.height, 4]);
      const at = (x: number, y: number) => png.data[4 * (x + png.width * y) + 3]!;
      expect([at(0, 0), at(png.width - 1, 0)]).toEqual([0, 0]);
      // The animal fills a good part of it.
      let full = 0;
      for (let i = 3; i < png.data.length; i += 4) if (png.data[i] === 255) full++;
      expect(full / (png.width * png.height)).toBeGreaterThan(0.06);
    },
  );
});
