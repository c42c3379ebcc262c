/** What the maker knows of stays folded away until it gets worse. */
import { describe, expect, it } from 'vitest';
import { judged, measureOf, toDecide, withKnown } from './known-findings';
import { pineMarten } from '../../demo/load';
import { MOST_KNOWN, type Known } from './piece/known';
import { readPiece } from './piece/read';
import type { Finding } from './stage';
import { mm, say, share } from './text';

const shows = (hidden: number, more: Partial<Finding> = {}): Finding => ({
  id: 'coat-base-shows-bib',
  code: 'coat-base-shows',
  stage: 'coat',
  severity: 'caution',
  about: { kind: 'area', id: 'bib' },
  says: say`The base shows: ${share(hidden)} hidden, ${share(0.98)} wanted.`,
  why: [],
  remedies: [],
  ...more,
});
const black: Finding = {
  ...shows(1),
  id: 'shade-black-bib',
  code: 'shade-black',
  says: say`Bib comes out flat black.`,
};
const open = (f: Finding, k: Finding) => judged([f], withKnown([], k, 'seen on the swatch'))[0]!.known === null;

describe('findings the maker knows', () => {
  it('goes by the first figure of what is said, where more or less of it is worse', () => {
    expect(measureOf(shows(0.93))).toBe(0.93);
    expect(measureOf(black)).toBeNull();
    expect(measureOf({ ...shows(0), code: 'form-thin', says: say`Tail is only ${mm(1.2)} thick.` })).toBe(1.2);
  });

  it('stays known while it is as bad or better, and comes back when less is hidden', () => {
    expect(open(shows(0.93), shows(0.93))).toBe(false);
    expect(open(shows(0.96), shows(0.93))).toBe(false);
    expect(open(shows(0.92), shows(0.93))).toBe(false); // no difference a maker could read: under a fiftieth
    expect(open(shows(0.9), shows(0.93))).toBe(true);
  });

  it('comes back when more of what is bad is there', () => {
    const short = (g: number): Finding => ({
      ...shows(0),
      code: 'stock-short',
      says: say`Not enough: ${mm(g)} needed.`,
    });
    expect(open(short(10.1), short(10))).toBe(false);
    expect(open(short(9), short(10))).toBe(false);
    expect(open(short(10.3), short(10))).toBe(true);
  });

  it('comes back when it weighs more, whatever its figure', () => {
    expect(open(shows(0.93, { severity: 'stop' }), shows(0.93))).toBe(true);
    expect(open(shows(0.93, { severity: 'note' }), shows(0.93))).toBe(false);
  });

  it('without a figure comes back when it says something else', () => {
    expect(open(black, black)).toBe(false);
    expect(open({ ...black, says: say`Bib comes out flat black and cold.` }, black)).toBe(true);
  });

  it('never keeps more than a piece may hold: the one known longest makes way, the same one is kept once', () => {
    let known: Known[] = [];
    for (let i = 0; i <= MOST_KNOWN; i++) known = withKnown(known, shows(0.93, { id: `x-${i}` }), '');
    known = withKnown(known, shows(0.91, { id: 'x-7' }), 'again');
    expect(known.length).toBe(MOST_KNOWN);
    expect(known.some((k) => k.id === 'x-0')).toBe(false);
    expect(known.filter((k) => k.id === 'x-7').map((k) => k.reason)).toEqual(['again']);
    const read = readPiece({ ...pineMarten, known });
    expect(read.ok ? [] : read.problems).toEqual([]);
  });

  it('knows one finding and not another of its kind; notes are nothing to decide', () => {
    const other = shows(0.93, { id: 'coat-base-shows-tail' });
    const list = judged(
      [shows(0.93), other, shows(0.5, { id: 'x', severity: 'note' })],
      withKnown([], shows(0.93), ''),
    );
    expect(list.filter(toDecide).map((f) => f.id)).toEqual(['coat-base-shows-tail']);
  });
});
