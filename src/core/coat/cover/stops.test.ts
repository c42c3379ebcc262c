/** Where measures come to an end, by closed forms of the cut and of the reach; beyond a stop what it is there for is found. */
import { describe, expect, it } from 'vitest';
import { COARSELY, planned } from '../../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../../demo/load';
import { wayOf } from '@/core/coat/ways';
import type { Laid } from '@/core/piece/coat';
import { defaultHand as hand } from '@/core/piece/hand';
import { HANGS, stopsOf } from './stops';

const wool = { ...cupboard.lots[0]!, stapleMm: 75, tipShare: 0.1 };
const stops = (spec: Record<string, unknown>, heightMm = 1e4) =>
  stopsOf(
    wayOf(spec.method as Laid['method']),
    { spec: spec as Laid, lot: wool, hand, habit: 1, rise: 1 },
    [],
    heightMm,
  );
const at = (spec: Record<string, unknown>, by: 'wool' | 'area', heightMm?: number) =>
  Object.fromEntries(stops(spec, heightMm).flatMap((s) => (s.by === by ? [[s.key, s.at]] : [])));
const inHalves = (mm: number): number => Math.floor(2 * mm) / 2;
const FOLDED = { method: 'fold-over', lotId: wool.id, lengthMm: 12, topLengthMm: null, liftDeg: 60 };

describe('stops', () => {
  // Folded: twice the length, the root and what is left to trim (a fifth, at least 3 mm) out of 75 mm of staple: 2 (1.2 L + 3) = 75.
  it('by the wool are the longest whose cut is no longer than the staple', () => {
    expect([hand.rootMm, hand.overShare]).toEqual([3, 0.2]);
    expect(at(FOLDED, 'wool')).toEqual({ lengthMm: 28.5, topLengthMm: 28.5 });
    expect(at({ method: 'bows', lengthMm: 8 }, 'wool')).toEqual({ lengthMm: 28.5 });
    // Half of it rises on each side: 75 / 2 - 3 - 4.
    expect(at({ method: 'standing', lengthMm: 8, overMm: 4 }, 'wool')).toEqual({ lengthMm: 30.5 });
    const strip = { method: 'strip', startLengthMm: 10, middleLengthMm: 20, endLengthMm: 10, overMm: 4 };
    expect(at(strip, 'wool')).toEqual({ startLengthMm: 30.5, middleLengthMm: 30.5, endLengthMm: 30.5 });
    // A lock by its cut end is its staple less the root; folded half of it; with its tips cut off a tenth shorter.
    const locks = { method: 'locks', lengthMm: 30, liftDeg: 15, root: 'cut end', tips: 'kept' };
    expect(at(locks, 'wool')).toEqual({ lengthMm: 72 });
    expect(at({ ...locks, root: 'felted middle' }, 'wool')).toEqual({ lengthMm: 34.5 });
    expect(at({ ...locks, tips: 'cut' }, 'wool')).toEqual({ lengthMm: 64.5 });
    expect(at({ method: 'wisps', lengthMm: 12 }, 'wool')).toEqual({ lengthMm: 75 });
  });
  it('by the area are where fur that lies at its lift reaches one and a half times its height', () => {
    // At 60 degrees half of the length lies along the skin.
    expect(at(FOLDED, 'area', 10)).toEqual({ lengthMm: 2 * HANGS * 10 });
    expect(at({ method: 'wisps', lengthMm: 12 }, 'area', 10.2)).toEqual({ lengthMm: inHalves(HANGS * 10.2) });
    expect(at({ method: 'standing', lengthMm: 8, overMm: 4 }, 'area', 10)).toEqual({});
  });
  it('hold on an animal: at each the staple suffices, half a millimetre beyond it is found too short', () => {
    const plan = planned(pineMarten, cupboard, hand, COARSELY);
    const areas = plan.coat.areas.flatMap((a, i) => {
      const stop = a.fur?.stops.find((s) => s.by === 'wool' && s.key === 'lengthMm');
      return a.fur?.method === 'fold-over' && stop ? [{ i, id: a.id, at: stop.at }] : [];
    });
    expect(areas.length).toBeGreaterThan(3);
    const long = (more: number) => {
      const piece = {
        ...pineMarten,
        areas: pineMarten.areas.map((a, i) => {
          const s = areas.find((x) => x.i === i);
          return s && a.coat.method === 'fold-over'
            ? { ...a, coat: { ...a.coat, lengthMm: s.at + more, topLengthMm: null } }
            : a;
        }),
      };
      const { findings } = planned(piece, cupboard, hand, COARSELY);
      return areas.map((s) => findings.some((f) => f.id === `coat-staple-${s.id}`));
    };
    expect(long(0)).toEqual(areas.map(() => false));
    expect(long(0.5)).toEqual(areas.map(() => true));
  });
});
