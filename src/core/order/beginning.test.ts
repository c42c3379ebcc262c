/** The day the rest of the work is done from: first day, days passed, so long tonight. A property of the product itself. */
import { describe, expect, it } from 'vitest';
import { COARSELY, memoOf } from '../../../cli/testing/planned';
import { cupboard, pineMarten } from '../../../demo/load';
import { plainEntry } from '../../../demo/plain-entry';
import { change } from '../../../demo/plain-marten';
import { defaultHand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import { makePlan } from '@/core/plan';
import { beginning } from './beginning';

describe('the day the rest is done from', () => {
  const today = { date: '2026-03-05', beganAt: '2026-03-04T23:00:00.000Z' };
  const on = (work: Partial<Piece['work']>, log: Piece['log'] = [], day: typeof today | null = today) =>
    beginning({ piece: { ...pineMarten, work: { ...pineMarten.work, ...work }, log }, hand: defaultHand, today: day });
  const row = (at: string, minutes: number) => plainEntry({ kind: 'row', at, row: 1, up: null, minutes, made: {} });
  it('is the first day, or today once that has passed; without a first day there is none', () => {
    expect(on({ beginOn: null })).toEqual({ on: null, minutes: null });
    expect(on({ beginOn: '2026-03-09' })).toEqual({ on: '2026-03-09', minutes: null });
    expect(on({ beginOn: '2026-03-01' }).on).toBe('2026-03-05');
    expect(on({ beginOn: '2026-03-01' }, [], null)).toEqual({ on: '2026-03-01', minutes: null });
  });
  it('has the time asked for it, less what was worked since it began', () => {
    const thursday = defaultHand.benchMinutes[3]!;
    expect(on({ beginOn: '2026-03-01' }).minutes).toBe(thursday);
    expect(on({ beginOn: '2026-03-01', tonight: { on: '2026-03-05', minutes: 120 } }).minutes).toBe(120);
    expect(on({ beginOn: '2026-03-01', tonight: { on: '2026-03-04', minutes: 120 } }).minutes).toBe(thursday);
    const log = [row('2026-03-04T22:59:00.000Z', 30), row('2026-03-04T23:30:00.000Z', 45)];
    expect(on({ beginOn: '2026-03-01', tonight: { on: '2026-03-05', minutes: 120 } }, log).minutes).toBe(75);
    expect(on({ beginOn: '2026-03-01', tonight: { on: '2026-03-05', minutes: 20 } }, log).minutes).toBe(0);
  });
  it('moves the finish as days pass, and two hours tonight bring it nearer or leave it', () => {
    const begun = change(pineMarten, (d) => void (d.work.beginOn = '2026-03-02'));
    const done = (p: Piece, date: string) =>
      makePlan(p, cupboard, defaultHand, memoOf(p, COARSELY), {
        ...COARSELY,
        today: { date, beganAt: `${date}T00:00:00.000Z` },
      }).work;
    const monday = done(begun, '2026-03-02');
    const later = done(begun, '2026-03-16');
    expect(monday.finishDate! < later.finishDate!).toBe(true);
    expect(later.sittings[0]!.date! >= '2026-03-16').toBe(true);
    const long = done(
      change(begun, (d) => void (d.work.tonight = { on: '2026-03-16', minutes: 300 })),
      '2026-03-16',
    );
    expect(long.sittings[0]!.minutes).toBeGreaterThan(2 * later.sittings[0]!.minutes);
    expect(long.finishDate! <= later.finishDate!).toBe(true);
  });
});
