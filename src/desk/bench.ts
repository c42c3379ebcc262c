/** What happens at the bench: rows finished or taken back, the timer, wool weighed, notes. All of it goes into the log. */
import type { AreaLog } from '@/core/log/log';
import type { LogEntry } from '@/core/piece/schema';
import { editPiece, setView, useDesk } from './store';
import type { View } from './view';

const MOST_MINUTES = 600;

type Draft = { [K in LogEntry['kind']]: Omit<Extract<LogEntry, { kind: K }>, 'id' | 'at'> }[LogEntry['kind']];

function write(entry: Draft): void {
  editPiece((d) => {
    d.log.push({ ...entry, id: `e-${crypto.randomUUID()}`, at: new Date().toISOString() } as LogEntry);
  });
}

/** Milliseconds the row in hand has taken so far. */
export function elapsed(timer: View['timer'], areaId: string, now: number): number {
  if (!timer || timer.areaId !== areaId) return 0;
  return timer.beforeMs + (timer.startedAt === null ? 0 : Math.max(0, now - timer.startedAt));
}

export const isRunning = (timer: View['timer'], areaId: string): boolean =>
  timer !== null && timer.areaId === areaId && timer.startedAt !== null;

/** Begins the row in hand, or writes it down as done and begins the next. */
export function stepOn(log: AreaLog, now = Date.now()): 'begun' | 'done' | 'finished' {
  const { timer } = useDesk.getState().view;
  const { areaId } = log;
  if (log.nextRow === null) return 'finished';
  if (!timer || timer.areaId !== areaId) {
    setView({ timer: { areaId, startedAt: now, beforeMs: 0 } });
    return 'begun';
  }
  const minutes = Math.min(MOST_MINUTES, Math.round(elapsed(timer, areaId, now) / 6000) / 10);
  write({ kind: 'row', areaId, row: log.nextRow, minutes });
  const last = log.rowsDone.length + 1 >= log.rows;
  setView({ timer: last ? null : { areaId, startedAt: now, beforeMs: 0 } });
  return last ? 'finished' : 'done';
}

/** Takes the last finished row of an area back. */
export function stepBack(areaId: string): void {
  editPiece((d) => {
    const at = d.log.findLastIndex((e) => e.kind === 'row' && e.areaId === areaId);
    if (at >= 0) d.log.splice(at, 1);
  });
}

export function toggleTimer(areaId: string, now = Date.now()): void {
  const { timer } = useDesk.getState().view;
  const before = elapsed(timer, areaId, now);
  setView({ timer: { areaId, startedAt: isRunning(timer, areaId) ? null : now, beforeMs: before } });
}

export const writeWool = (areaId: string, lotId: string, grams: number): void =>
  write({ kind: 'wool', areaId, lotId, grams });

export const writeNote = (areaId: string, words: string): void => write({ kind: 'note', areaId, words });
