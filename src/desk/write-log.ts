/** How entries come into the log: with a name, the time and the hand of their own, and a sitting begun before the first of one. */
import { ANOTHER_SITTING } from '@/core/log/sittings-done';
import type { Span } from '@/core/method/span';
import type { LogEntry } from '@/core/piece/log-entry';
import { fewLetters } from './files';
import { editPiece, useDesk } from './store';

type Draft = {
  [K in LogEntry['kind']]: Omit<Extract<LogEntry, { kind: K }>, 'id' | 'at' | 'by' | 'was'>;
}[LogEntry['kind']];

export const whole = (entry: Draft, at = Date.now()): LogEntry =>
  ({
    ...entry,
    id: `e-${fewLetters()}${fewLetters()}`,
    at: new Date(at).toISOString(),
    by: useDesk.getState().hand.id,
    was: [],
  }) as LogEntry;

/** A span as it is kept. @param to parts of one */
const rounded = ({ low, likely, high }: Span, to: number): Span => {
  const round = (x: number) => Math.round(x * to) / to;
  return { low: round(low), likely: round(likely), high: round(high) };
};

/** What begins a sitting, where this is the first entry of one: what was left to do by the plan of that day. */
function begun(log: readonly LogEntry[], now: number): LogEntry[] {
  const { plan } = useDesk.getState();
  const last = log[log.length - 1];
  if (!plan || (last && now - Date.parse(last.at) < ANOTHER_SITTING)) return [];
  return [
    whole(
      {
        kind: 'sitting',
        areaId: 'piece',
        leftMinutes: rounded(plan.work.spanLeft, 10),
        woolG: rounded(plan.log.whole.woolG, 100),
        rows: rounded(plan.log.whole.rows, 10),
        doneOn: plan.work.finishDate,
      },
      now,
    ),
  ];
}

/** Entries as they would be written now, what begins a sitting before them. */
export const written = (draft: Draft): LogEntry[] => {
  const now = Date.now();
  return [...begun(useDesk.getState().piece?.log ?? [], now), whole(draft, now)];
};

/** The name a photograph is kept under: that of its entry. */
export const pictureOfEntry = (entries: readonly LogEntry[]): string => entries[entries.length - 1]!.id;

/** Writes entries at the end of a log, with what begins a sitting before the first. */
export const into = (log: LogEntry[], entries: readonly Draft[], now = Date.now()): void =>
  void log.push(...begun(log, now), ...entries.map((e) => whole(e, now)));

export function write(...entries: readonly Draft[]): void {
  editPiece((d) => into(d.log, entries));
}

/** A sitting in which nothing is left never was. */
export const tidy = (log: readonly LogEntry[]): LogEntry[] =>
  log.filter((e, i) => e.kind !== 'sitting' || (i + 1 < log.length && log[i + 1]!.kind !== 'sitting'));

/** By when it was done; what was done at once stays as it was written. */
export const byTime = (log: readonly LogEntry[]): LogEntry[] =>
  [...log].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));

/** A log without an entry. */
export const without = (log: readonly LogEntry[], id: string): LogEntry[] => tidy(log.filter((e) => e.id !== id));
