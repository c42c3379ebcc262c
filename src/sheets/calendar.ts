/**
 * The sittings as a calendar file (iCalendar, RFC 5545): one entry a day, for the maker to put at an hour; what to do, what to
 * take out and where to stop in its words. The same plan and date make the same file.
 */
import { createEvents, type EventAttributes } from 'ics';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { dateAfter } from '@/core/order/dates';
import { format, masses, words, type Units } from '@/units/units';
import { woolWords } from '@/units/wool-words';

/** The library takes the time the file was made, though its types do not say so. */
type Stamped = EventAttributes & { readonly timestamp: number };

const parts = (date: string): [number, number, number] => date.split('-').map(Number) as [number, number, number];

/** @throws when the piece does not say on which day it begins */
export function sittingsCalendar(piece: Piece, plan: Plan, cupboard: Cupboard, units: Units, made: Date): string {
  if (!piece.work.beginOn)
    throw new Error('A calendar needs the day of the first sitting. Set it in Order, under Sittings and time.');
  const stamp = made.getTime();
  const operation = (id: string) => plan.work.steps.find((s) => s.operation.id === id)!;
  const events = plan.work.sittings.map((s): Stamped => {
    const out = [
      ...woolWords(s.wool, cupboard.lots, (g) => masses(g, units)),
      ...s.needles.map((id) => cupboard.needles.find((n) => n.id === id)?.name ?? id),
      ...s.things.map((t) => words(t, units)),
    ];
    const lines = [
      `${words(s.startsAt, units)}.`,
      ...s.softAtStart.map((t) => words(t, units)),
      `Take out: ${out.join(', ') || 'nothing'}.`,
      ...s.stints.map(
        (x) =>
          `${operation(x.id).number}. ${words(operation(x.id).operation.does, units)} (${format({ kind: 'time', value: x.minutes }, units)})`,
      ),
      `${words(s.stopsAt, units)}.`,
      ...s.softAtEnd.map((t) => words(t, units)),
      'Count your needles before and after.',
    ];
    return {
      uid: `${piece.id}-sitting-${s.number}@fond-badger`,
      productId: 'fond-badger',
      calName: piece.name,
      title: `${piece.name}: sitting ${s.number} of ${plan.work.sittings.length}, ${format({ kind: 'time', value: s.minutes }, units)}`,
      description: lines.join('\n'),
      start: parts(s.date!),
      end: parts(dateAfter(s.date!, 1)),
      timestamp: stamp,
      busyStatus: 'FREE',
    };
  });
  if (events.length === 0) throw new Error('Nothing is left to do, so there is no sitting to put in a calendar.');
  const { error, value } = createEvents(events);
  if (error || !value) throw new Error(`The calendar could not be made: ${error?.message ?? 'no sittings'}`);
  return folded(value);
}

/** Lines of at most 75 octets, gone on with a space (RFC 5545, 3.1); the library counts letters. */
function folded(text: string): string {
  const octets = (s: string) => new TextEncoder().encode(s).length;
  return text
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .flatMap((line) => {
      const out: string[] = [];
      let now = '';
      for (const ch of line) {
        if (octets(now + ch) > 75) {
          out.push(now);
          now = ' ';
        }
        now += ch;
      }
      return [...out, now];
    })
    .join('\r\n');
}
