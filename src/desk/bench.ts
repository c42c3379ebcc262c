/**
 * What happens at the bench: rows and steps finished or taken back, the timer, wool weighed, notes, needles counted and
 * broken, steps started over. All of it goes into the log.
 */
import { fewLetters } from './files';
import type { AreaLog } from '@/core/log/log';
import type { LogEntry, MadeBy } from '@/core/piece/log-entry';
import { madeBy } from '@/core/decision';
import { editPiece, editPieceAndCupboard, setView, useDesk } from './store';
import type { View } from './view';

const MOST_MINUTES = 600;

type Draft = { [K in LogEntry['kind']]: Omit<Extract<LogEntry, { kind: K }>, 'id' | 'at'> }[LogEntry['kind']];

const whole = (entry: Draft): LogEntry =>
  ({ ...entry, id: `e-${fewLetters()}${fewLetters()}`, at: new Date().toISOString() }) as LogEntry;

function write(entry: Draft): void {
  editPiece((d) => {
    d.log.push(whole(entry));
  });
}

/** Marks of the decisions a step is done by, as they stand now. */
function marksOf(operationId: string): MadeBy {
  const { piece, plan } = useDesk.getState();
  const step = plan?.work.steps.find((s) => s.operation.id === operationId);
  return piece && step ? madeBy(piece, step.operation) : {};
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
  const row = useDesk
    .getState()
    .plan?.coat.areas.find((a) => a.id === areaId)
    ?.fur?.rows.rows.find((r) => r.number === log.nextRow);
  write({
    kind: 'row',
    areaId,
    row: log.nextRow,
    up: row?.share ?? null,
    minutes,
    made: marksOf(`lay-${areaId}`),
  });
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

const areaOf = (operationId: string): string =>
  useDesk.getState().plan?.work.steps.find((s) => s.operation.id === operationId)?.operation.about.id ?? 'piece';

/** Writes a step down as done, with the time the timer has for it, else the time planned for it. */
export function stepDone(operationId: string, now = Date.now()): void {
  const { plan, view } = useDesk.getState();
  const step = plan?.work.steps.find((s) => s.operation.id === operationId);
  if (!step) return;
  const spent = elapsed(view.timer, operationId, now) / 60_000;
  const minutes = spent >= 0.1 ? spent : step.operation.minutes;
  write({
    kind: 'step',
    areaId: step.operation.about.id,
    operation: operationId,
    minutes: Math.min(2880, Math.round(minutes * 10) / 10),
    made: marksOf(operationId),
    kept: false,
  });
  if (view.timer?.areaId === operationId) setView({ timer: null });
}

/** Takes the mark off again, as if the step had not been done. */
export function stepUndone(operationId: string): void {
  editPiece((d) => {
    const at = d.log.findLastIndex((e) => e.kind === 'step' && e.operation === operationId);
    if (at >= 0) d.log.splice(at, 1);
  });
}

/** Leaves a done step as it is although a decision behind it has changed: it counts as done by the new one. */
export function keepAsItIs(operationId: string): void {
  write({
    kind: 'step',
    areaId: areaOf(operationId),
    operation: operationId,
    minutes: 0,
    made: marksOf(operationId),
    kept: true,
  });
}

/** Writes down that steps are taken apart again. */
export function startAgain(operations: readonly string[], words: string): void {
  write({
    kind: 'start-over',
    areaId: areaOf(operations[0]!),
    operations: [...operations],
    words: words.slice(0, 2000),
  });
}

/** A needle broke: written down with the step, and one less in the rack. */
export function needleBroke(needleId: string, operationId: string | null, found: boolean): void {
  editPieceAndCupboard(
    (d) => {
      d.log.push(
        whole({
          kind: 'broken',
          areaId: operationId ? areaOf(operationId) : 'piece',
          needleId,
          operation: operationId,
          found,
        }),
      );
    },
    (d) => {
      const n = d.needles.find((x) => x.id === needleId);
      if (n) n.count = Math.max(0, n.count - 1);
      for (const h of d.holders)
        if (h.needleId === needleId && n) h.needles = Math.max(2, Math.min(h.needles, n.count));
    },
  );
}

/** Needles counted as a sitting begins or ends. */
export const needlesCounted = (when: 'before' | 'after', counts: Readonly<Record<string, number>>): void =>
  write({ kind: 'needles', areaId: 'piece', when, counts: { ...counts } });
