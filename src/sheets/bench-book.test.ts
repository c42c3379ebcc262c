/** The bench book and the calendar: complete, in the order of the sittings, the calendar read by an independent parser. */
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { alpacaCria, cupboard, kingfisher } from '../../demo/load';
import { change, plan } from '../../demo/plain-marten';
import { dateAfter } from '@/core/order/dates';
import { defaultHand as hand } from '@/core/piece/hand';
import { metric, words } from '@/units/units';
import { benchBook } from './bench-book';
import { sittingsCalendar } from './calendar';
import { fontsOnDisk } from './fonts-on-disk';
import { whereOnAnimal } from './where-picture';

const begun = change(kingfisher, (d) => void (d.work.beginOn = '2027-02-26'));
const made = new Date('2027-01-01T08:00:00Z');

describe('the calendar', () => {
  const p = plan(begun);
  const text = sittingsCalendar(begun, p, cupboard, metric, made);
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  it('has one whole day for every sitting, on its date, over the end of a month', () => {
    expect(events).toHaveLength(p.work.sittings.length);
    events.forEach((e, i) => {
      const s = p.work.sittings[i]!;
      const start = e.getFirstPropertyValue('dtstart') as ICAL.Time;
      const end = e.getFirstPropertyValue('dtend') as ICAL.Time;
      expect(start.isDate).toBe(true);
      expect(start.toString()).toBe(dateAfter('2027-02-26', s.day));
      expect(end.toString()).toBe(dateAfter('2027-02-26', s.day + 1));
    });
    expect(new Set(events.map((e) => e.getFirstPropertyValue('uid'))).size).toBe(events.length);
  });
  it('says what to do, what to take out and where to stop, with commas and lines unharmed', () => {
    const first = String(events[0]!.getFirstPropertyValue('description'));
    const s = p.work.sittings[0]!;
    expect(first).toContain(`${words(s.stopsAt, metric)}.`);
    expect(first).toContain('Take out: ');
    expect(first.split('\n').length).toBeGreaterThan(s.stints.length + 2);
    expect(String(events[0]!.getFirstPropertyValue('summary'))).toContain(`Kingfisher: sitting 1 of ${events.length},`);
  });
  it('is the same file for the same plan and date; without a first day there is none', () => {
    expect(sittingsCalendar(begun, p, cupboard, metric, made)).toBe(text);
    expect(() => sittingsCalendar(kingfisher, plan(kingfisher), cupboard, metric, made)).toThrow('first sitting');
  });
  it('keeps lines within 75 octets (RFC 5545, 3.1)', () => {
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});

describe('where on the animal', () => {
  it('lies within its outline, on the side that shows it', () => {
    for (const piece of [kingfisher, alpacaCria]) {
      const p = plan(piece);
      const where = whereOnAnimal(piece, p);
      let shown = 0;
      for (const { operation } of p.work.steps) {
        const w = where(operation);
        if (!w) continue;
        shown++;
        const { min, max } = w.outline;
        for (const [x, y] of [...w.dots, ...w.lines.flat()]) {
          expect(x).toBeGreaterThan(min[0] - 2.5);
          expect(x).toBeLessThan(max[0] + 2.5);
          expect(y).toBeGreaterThan(min[1] - 2.5);
          expect(y).toBeLessThan(max[1] + 2.5);
        }
      }
      expect(shown).toBeGreaterThan(p.work.steps.length / 2);
    }
  });
});

describe('the bench book', () => {
  it('is the same to the byte for the same plan, and shorter once most is done', async () => {
    const options = { units: metric, paper: 'a4' as const, date: made, fonts: await fontsOnDisk() };
    const p = plan(begun);
    const book = await benchBook(begun, p, cupboard, hand, options);
    expect(Buffer.from(book).equals(Buffer.from(await benchBook(begun, p, cupboard, hand, options)))).toBe(true);
    const rest = change(begun, (d) => {
      const last = p.work.steps[p.work.steps.length - 1]!.operation;
      for (const s of p.work.steps.slice(0, -1))
        d.log.push({
          by: 'hand',
          was: [],
          timed: true,
          planned: null,
          work: null,
          kind: 'step',
          id: `e-${s.number}`,
          at: '2027-02-27T10:00:00Z',
          areaId: s.operation.about.id,
          operation: s.operation.id,
          minutes: 1,
          made: {},
          kept: false,
        });
      // The finished bird is set on its base last of all.
      expect(last.id).toBe('thing-put-base');
    });
    const short = await benchBook(rest, plan(rest), cupboard, hand, options);
    expect(plan(rest).work.sittings).toHaveLength(1);
    expect(short.length).toBeLessThan(book.length);
  });
});
