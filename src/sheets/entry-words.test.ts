/** Places of the log in the maker's words: none of them is the name a program gave it. */
import { expect, it } from 'vitest';
import { COARSELY, planned } from '../../cli/testing/planned';
import { alpacaCria, brownHare, cupboard, kingfisher, pineMarten } from '../../demo/load';
import { defaultHand } from '@/core/piece/hand';
import { format, metric, words } from '@/units/units';
import { placeOf, type Telling } from './entry-words';

it('every step of every demo is somewhere a maker knows', () => {
  for (const piece of [pineMarten, alpacaCria, kingfisher, brownHare]) {
    const plan = planned(piece, cupboard, defaultHand, COARSELY);
    const telling: Telling = { piece, plan, cupboard, q: (x) => format(x, metric), t: (x) => words(x, metric) };
    const places = new Map(plan.work.steps.map(({ operation: { about } }) => [about.id, placeOf(telling, about.id)]));
    for (const [id, place] of places) expect(place, id).toMatch(/^[A-Z][a-z]/);
    expect(places.get('photographs')).toBe('Photographs');
    // The relief has no wire.
    expect(places.get('frame')).toBe(piece === brownHare ? undefined : 'Wire');
    for (const a of piece.areas) expect(placeOf(telling, a.id)).toBe(a.name);
    for (const w of piece.face?.whiskers ?? []) expect(placeOf(telling, w.id)).toBe(w.name);
    for (const t of piece.things) expect(placeOf(telling, t.id)).toBe(t.name);
    for (const f of piece.flatParts) expect(placeOf(telling, f.id)).toBe(f.name);
  }
});
