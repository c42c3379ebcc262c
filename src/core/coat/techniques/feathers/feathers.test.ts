/** Felted feathers on a practice ball, figure by figure beside sums by hand. */
import { describe, expect, it } from 'vitest';
import { cupboard, kingfisher } from '../../../../../demo/load';
import { practiceBall } from '@/core/coat/practice';
import { wayOf } from '@/core/coat/ways';
import { WELL } from '@/core/coat/cover/cover';
import type { Feathers } from '@/core/piece/coat';
import { defaultHand as hand } from '@/core/piece/hand';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';
import { piecesAlong } from '@/core/coat/rows/row-figures';

const atWork = handAtWork(hand, NO_PIECE);
const spec: Feathers = {
  method: 'feathers',
  lotId: 'blue-batt',
  lengthMm: 10,
  widthMm: 4,
  pitchMm: 3,
  spacingMm: 4,
  thicknessMm: 0.8,
  liftDeg: 0,
  tip: 'round',
};
const area = kingfisher.areas.find((a) => a.coat.method === 'feathers')!;
const laid = (change: Partial<Feathers> = {}) => practiceBall(area, { ...spec, ...change }, 60, cupboard, atWork)!;
const value = (lay: ReturnType<typeof laid>, key: string) => lay.figures[key]!.value;

describe('felted feathers', () => {
  // A round tip is half a disc as wide as the feather: 4 × (10 − 2) and π 2² / 2.
  const shows = 4 * 8 + (Math.PI * 4) / 2;
  const density = hand.coreDensityMgCm3['flat felt'].usual;

  it('are counted row by row and weighed with the felt they are cut from', () => {
    const ball = laid();
    const n = piecesAlong(ball.rows, 3);
    expect(value(ball, 'feathers')).toBe(n);
    const cut = 10 + hand.rootMm;
    expect(value(ball, 'cutLength')).toBeCloseTo(cut, 9);
    const sheet = n * 4 * cut * 1.1;
    expect(value(ball, 'sheet')).toBeCloseTo(sheet, 6);
    // mm2 by mm by mg/cm3: a millionth of a gram each.
    const felt = (mm2: number) => (mm2 * 0.8 * density) / 1e6;
    expect(value(ball, 'mass')).toBeCloseTo(felt(sheet) * (1 + hand.handlingLoss), 9);
    expect(value(ball, 'waste')).toBeCloseTo(felt(sheet - n * (shows + 4 * hand.rootMm)), 9);
    // Common practice: what is cut out of a sheet leaves a good part of it on the mat.
    expect(value(ball, 'waste') / value(ball, 'mass')).toBeGreaterThan(0.1);
    expect(value(ball, 'waste') / value(ball, 'mass')).toBeLessThan(0.4);
  });

  it('lie as thick as they overlap, and stand off as they are lifted', () => {
    expect(value(laid(), 'areal')).toBeCloseTo(((shows / 12) * 0.8 * density) / 10, 9);
    expect(value(laid(), 'loft')).toBeCloseTo((shows / 12) * 0.8, 9);
    // Half way along what shows of it: 10 less 2 mm up a slope of 30 degrees, and its own thickness.
    expect(value(laid({ liftDeg: 30 }), 'loft')).toBeCloseTo(8 * 0.5 + 0.8, 9);
  });

  it('too far apart, too narrow or too thin show the base, and every remedy hides it', () => {
    for (const bad of [{ spacingMm: 13 }, { pitchMm: 9 }, { thicknessMm: 0.2, spacingMm: 12 }]) {
      const ball = laid(bad);
      expect(value(ball, 'cover')).toBeLessThan(WELL);
      const shown = ball.findings.find((f) => f.code === 'coat-base-shows')!;
      expect(shown.remedies.length).toBeGreaterThanOrEqual(1);
      for (const r of shown.remedies) {
        const set = Object.fromEntries(r.changes.map((c) => [c.path[c.path.length - 1]!, c.value]));
        expect(value(laid({ ...bad, ...set }), 'cover'), JSON.stringify(set)).toBeGreaterThanOrEqual(WELL);
      }
    }
    expect(laid().findings.filter((f) => f.severity === 'stop')).toEqual([]);
  });

  it('cut anew when their shape is another: the step rests on it', () => {
    const cut = laid().operations.find((o) => o.kind === 'cut')!;
    const keys = cut.restsOn.flatMap((d) => d.at.map((p) => p[p.length - 1]));
    expect(keys).toEqual(expect.arrayContaining(['lotId', 'lengthMm', 'widthMm', 'thicknessMm', 'tip']));
  });

  it('begin covering, whatever the wool', () => {
    for (const lot of cupboard.lots) {
      const way = wayOf('feathers');
      const begun = way.begin({ lot, cupboard, hand, finishedLengthMm: 120, now: null });
      expect(way.look({ spec: begun, lot, hand, habit: 1, rise: 1 }).cover.value, lot.name).toBeGreaterThanOrEqual(
        WELL,
      );
    }
  });
});
