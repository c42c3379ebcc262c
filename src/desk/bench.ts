/**
 * What happens at the bench: rows and steps finished or taken back, the timer, what was measured or went wrong, notes, needles counted
 * and broken, steps started over. All of it goes into the log.
 */
import type { AreaLog } from '@/core/log/log';
import type { LogEntry, MadeBy } from '@/core/piece/log-entry';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { timesAt } from '@/core/coat/rows/as-long';
import { longerOf } from '@/core/coat/rows/lying';
import type { Row } from '@/core/coat/rows/rows';
import { rowsLaid } from '@/core/coat/rows/rows-laid';
import { withMeasure } from '@/core/coat/way';
import { wayOf } from '@/core/coat/ways';
import { coatSchema, type Laid } from '@/core/piece/coat';
import { boundsOf, kindOf } from '@/core/piece/fields';
import { FLAT_FELT } from '@/core/rates/shrunk';
import { madeBy } from '@/core/decision';
import { areasOfLays, standing } from '@/core/order/progress';
import type { Place } from '@/core/piece/places';
import type { Work } from '@/core/time/elements';
import { together } from '@/core/time/work-time';
import { beginGesture, editPiece, editPieceAndCupboard, endGesture, setView, useDesk } from './store';
import { into, without, write } from './write-log';
import type { View } from './view';
import type { z } from 'zod';

const MOST_MINUTES = 600;

/** What a step is planned to take, a share of it: kept beside what it took. */
function promised(operationId: string, share = 1): { readonly planned: number | null; readonly work: Work | null } {
  const o = useDesk.getState().plan?.work.steps.find((s) => s.operation.id === operationId)?.operation;
  if (!o) return { planned: null, work: null };
  return {
    planned: Math.round(o.minutes * share * 1000) / 1000,
    work: together([{ work: o.work, share }]),
  };
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

/** Longer than so many times what was planned, somebody was away; and less than this is never asked about, minutes. Ours. */
const AWAY = 3;
const NEVER_ASKED = 10;

/** What a row, or a step, is planned to take by itself, minutes; null where that is not known. */
function plannedFor(operationId: string, row: number | null): number | null {
  if (row === null) return promised(operationId).planned;
  const areaId = areaOf(operationId);
  const rows = useDesk.getState().plan?.coat.areas.find((a) => a.id === areaId)?.fur?.rows;
  const r = rows?.rows.find((x) => x.number === row);
  return r && rows!.totalMm > 0 ? promised(operationId, r.lengthMm / rows!.totalMm).planned : null;
}

/** The watch has run far longer than planned: what it says, and what was planned. Null where it may be believed. */
export function overdue(
  timerOf: string,
  operationId: string,
  row: number | null,
  now = Date.now(),
): { readonly minutes: number; readonly planned: number } | null {
  const minutes = elapsed(useDesk.getState().view.timer, timerOf, now) / 60_000;
  const planned = plannedFor(operationId, row);
  return planned !== null && minutes > Math.max(NEVER_ASKED, AWAY * planned) ? { minutes, planned } : null;
}

/** The log moves at once, the plan a moment later: what is done is read off the log. */
function nextRow(log: AreaLog): number | null {
  const { piece, plan } = useDesk.getState();
  const rows = plan?.coat.areas.find((a) => a.id === log.areaId)?.fur?.rows.rows;
  if (!piece || !plan || !rows) return log.nextRow;
  const lying = standing(piece.log, areasOfLays(plan.work.steps.map((s) => s.operation))).flatMap((e) =>
    e.kind === 'row' && e.areaId === log.areaId ? [e] : [],
  );
  const done = new Set(rowsLaid(lying, rows).done);
  return rows.find((r) => !done.has(r.number))?.number ?? null;
}

/** Whether a step is marked done in the log as it is now. */
export function doneNow(operationId: string): boolean {
  const { piece } = useDesk.getState();
  const last = piece?.log.findLast(
    (e) =>
      (e.kind === 'step' && !e.kept && e.operation === operationId) ||
      (e.kind === 'start-over' && e.operations.includes(operationId)) ||
      (e.kind === 'wrong' && e.off && e.row === null && e.operation === operationId),
  );
  return last?.kind === 'step';
}

const tenths = (minutes: number, most: number): number => Math.min(most, Math.round(minutes * 10) / 10);

/**
 * Begins the row in hand, or writes it down as done and begins the next.
 * @param took minutes to write down in place of what the watch says
 */
export function stepOn(log: AreaLog, now = Date.now(), took?: number): 'begun' | 'done' | 'finished' {
  const { timer } = useDesk.getState().view;
  const { areaId } = log;
  const next = nextRow(log);
  if (next === null) return 'finished';
  if (!timer || timer.areaId !== areaId) {
    setView({ timer: { areaId, startedAt: now, beforeMs: 0 } });
    return 'begun';
  }
  const rows = useDesk.getState().plan?.coat.areas.find((a) => a.id === areaId)?.fur?.rows;
  const row = rows?.rows.find((r) => r.number === next);
  write({
    kind: 'row',
    areaId,
    row: next,
    up: row?.up ?? null,
    minutes: tenths(took ?? elapsed(timer, areaId, now) / 60_000, MOST_MINUTES),
    timed: took === undefined,
    ...promised(`lay-${areaId}`, row && rows!.totalMm > 0 ? row.lengthMm / rows!.totalMm : 0),
    made: marksOf(`lay-${areaId}`),
  });
  const last = nextRow({ ...log, nextRow: log.rowsDone.length + 1 >= log.rows ? null : next + 1 }) === null;
  setView({ timer: last ? null : { areaId, startedAt: now, beforeMs: 0 } });
  return last ? 'finished' : 'done';
}

/** Takes the last thing done back, a row or a whole step. @returns the step it belongs to, to be seen again */
export function takeBack(): string | null {
  const { piece, plan } = useDesk.getState();
  const last = piece?.log.findLast((e) => e.kind === 'row' || (e.kind === 'step' && !e.kept));
  if (!last || !plan) return null;
  editPiece((d) => void (d.log = without(d.log, last.id)));
  if (last.kind === 'step') return last.operation;
  return (
    plan.work.steps.find((s) => s.operation.kind === 'lay' && s.operation.about.id === last.areaId)?.operation.id ??
    null
  );
}

export function toggleTimer(areaId: string, now = Date.now()): void {
  const { timer } = useDesk.getState().view;
  const before = elapsed(timer, areaId, now);
  setView({ timer: { areaId, startedAt: isRunning(timer, areaId) ? null : now, beforeMs: before } });
}

/** What is said of something that went wrong: pulled off, so that it is to be done anew, or left as it is; with why. */
export type Wrong = Pick<Extract<LogEntry, { kind: 'wrong' }>, 'off' | 'why' | 'wool' | 'words'>;

export function rowWrong(areaId: string, row: number, wrong: Wrong): void {
  const rows = useDesk.getState().plan?.coat.areas.find((a) => a.id === areaId)?.fur?.rows.rows;
  const up = rows?.find((r) => r.number === row)?.up ?? null;
  write({ kind: 'wrong', areaId, operation: `lay-${areaId}`, row, up, ...wrong });
}

export const stepWrong = (operation: string, wrong: Wrong): void =>
  write({ kind: 'wrong', areaId: areaOf(operation), operation, row: null, up: null, ...wrong });

/** The area stops at the last row that lies: what is above it stays bare. */
export function stopHere({ areaId, rowsDone, rowsLaid: rows }: AreaLog): void {
  const planned = useDesk.getState().plan?.coat.areas.find((a) => a.id === areaId)?.fur?.rows.rows;
  const last = planned?.findLast((r) => rowsDone.includes(r.number));
  if (last) write({ kind: 'stopped', areaId, rows, up: last.up });
}

/** Ten rows measured with a rule: how far apart they really lie. With `anew` the rest of the area is planned from where they end. */
export function spacingMeasured(log: AreaLog, actualMm: number, plannedMm: number, way: string, anew: boolean): void {
  const { areaId, rowsLaid: rows } = log;
  write({ kind: 'measured', areaId, what: 'spacing', plannedMm, actualMm, way, rows, up: null, anew });
}

/** Fur measured with a rule, as high as it stands. */
export const heightMeasured = (areaId: string, actualMm: number, plannedMm: number, way: string): void =>
  write({ kind: 'measured', areaId, what: 'loft', plannedMm, actualMm, way, rows: null, up: null, anew: false });

/** Wool cut to another length: written down, and with a finished length the area is planned with it, as one change. */
export function cutOtherwise(
  areaId: string,
  actualMm: number,
  plannedMm: number,
  way: string,
  lengthMm: number | null,
): void {
  editPiece((d) => {
    into(d.log, [
      {
        kind: 'measured',
        areaId,
        what: 'cut',
        plannedMm,
        actualMm,
        way,
        rows: null,
        up: null,
        anew: lengthMm !== null,
      },
    ]);
    const coat = d.areas.find((a) => a.id === areaId)?.coat;
    if (lengthMm !== null && coat && 'lengthMm' in coat) coat.lengthMm = lengthMm;
  });
}

/**
 * A row that is longer on the felt than planned, or shorter: written down beside what the shape has, and with `anew` rows from there on are
 * planned as long.
 */
function rowMeasured(area: AreaPlan, row: Row, actualMm: number, anew: boolean): void {
  const { piece } = useDesk.getState();
  const shapeMm = row.lengthMm / timesAt(longerOf(piece?.log ?? [], area.id), row.up);
  write({
    kind: 'measured',
    areaId: area.id,
    what: 'row',
    plannedMm: Math.round(shapeMm * 1000) / 1000,
    actualMm,
    way: area.fur!.method,
    rows: row.number,
    up: row.up,
    anew,
  });
}

/** How far apart pieces are set along a row, and within which bounds; null where that is not asked. */
function pitchOf(areaId: string): { readonly key: string; readonly mm: number; readonly least: number } | null {
  const coat = useDesk.getState().piece?.areas.find((a) => a.id === areaId)?.coat;
  const key = coat && coat.method !== 'none' ? wayOf(coat.method).pitchKey : undefined;
  if (!coat || key === undefined) return null;
  const { shape } = kindOf(coatSchema, { method: coat.method });
  return {
    key,
    mm: (coat as Record<string, unknown>)[key] as number,
    least: boundsOf((shape as Record<string, z.core.$ZodType>)[key]!).least,
  };
}

/** As many pieces as may be set on a row; null where that is not asked. */
export function mostOnRow(area: AreaPlan, row: Row): number | null {
  const pitch = pitchOf(area.id);
  return pitch && Math.max(1, Math.floor(row.lengthMm / pitch.least));
}

/** So many pieces went on a row: how far apart they are by that; and with `anew` the area is planned so, as one change. */
function countMeasured(area: AreaPlan, row: Row, pieces: number, anew: boolean): void {
  const pitch = pitchOf(area.id);
  if (pitch === null) return;
  const actualMm = Math.max(pitch.least, Math.round((row.lengthMm / pieces) * 100) / 100);
  editPiece((d) => {
    into(d.log, [
      {
        kind: 'measured',
        areaId: area.id,
        what: 'pitch',
        plannedMm: pitch.mm,
        actualMm,
        way: area.fur!.method,
        rows: row.number,
        up: row.up,
        anew,
      },
    ]);
    const of = d.areas.find((a) => a.id === area.id);
    if (anew && of && of.coat.method !== 'none')
      of.coat = withMeasure(wayOf(of.coat.method), of.coat as Laid, pitch.key, actualMm);
  });
}

/** What of a row is otherwise than planned, its length, the pieces on it or both, as one change. */
export function rowOtherwise(
  area: AreaPlan,
  row: Row,
  { longMm, pieces }: { readonly longMm: number | null; readonly pieces: number | null },
  anew: boolean,
): void {
  beginGesture();
  if (longMm !== null) rowMeasured(area, row, longMm, anew);
  if (pieces !== null) countMeasured(area, longMm === null ? row : { ...row, lengthMm: longMm }, pieces, anew);
  endGesture();
}

/** A flat part measured across once it is felted, beside its pattern. */
export const shrinkMeasured = (partId: string, patternMm: number, actualMm: number): void =>
  write({
    kind: 'measured',
    areaId: partId,
    what: 'shrink',
    plannedMm: Math.round(patternMm * 100) / 100,
    actualMm,
    way: FLAT_FELT,
    rows: null,
    up: null,
    anew: false,
  });

export const writeNote = (areaId: string, words: string): void => write({ kind: 'note', areaId, words });

const areaOf = (operationId: string): string =>
  useDesk.getState().plan?.work.steps.find((s) => s.operation.id === operationId)?.operation.about.id ?? 'piece';

/**
 * Writes a step down as done, with the time the timer has for it, else the time planned for it.
 * @param took minutes to write down in place of what the watch says
 */
export function stepDone(operationId: string, now = Date.now(), took?: number): void {
  const { plan, view } = useDesk.getState();
  const step = plan?.work.steps.find((s) => s.operation.id === operationId);
  // A second press before the plan has followed the first.
  if (!step || doneNow(operationId)) return;
  const spent = elapsed(view.timer, operationId, now) / 60_000;
  const timed = took === undefined && spent >= 0.1;
  const minutes = took ?? (timed ? spent : step.operation.minutes);
  write({
    kind: 'step',
    areaId: step.operation.about.id,
    operation: operationId,
    minutes: tenths(minutes, 2880),
    timed,
    ...promised(operationId),
    made: marksOf(operationId),
    kept: false,
  });
  if (view.timer?.areaId === operationId) setView({ timer: null });
}

/** Takes the mark off again, as if the step had not been done. */
export function stepUndone(operationId: string): void {
  editPiece((d) => {
    const last = d.log.findLast((e) => e.kind === 'step' && e.operation === operationId);
    if (last) d.log = without(d.log, last.id);
  });
}

/** Leaves a done step as it is although a decision behind it has changed: it counts as done by the new one. */
export function keepAsItIs(operationId: string): void {
  write({
    kind: 'step',
    areaId: areaOf(operationId),
    operation: operationId,
    minutes: 0,
    timed: false,
    planned: null,
    work: null,
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
export function needleBroke(
  needleId: string,
  operationId: string | null,
  found: boolean,
  place: Place | null = null,
): void {
  editPieceAndCupboard(
    (d) => {
      into(d.log, [
        {
          kind: 'broken',
          areaId: operationId ? areaOf(operationId) : 'piece',
          needleId,
          operation: operationId,
          place,
          found,
        },
      ]);
    },
    (d) => {
      const n = d.needles.find((x) => x.id === needleId);
      if (n) n.count = Math.max(0, n.count - 1);
      for (const h of d.holders)
        if (h.needleId === needleId && n) h.needles = Math.max(2, Math.min(h.needles, n.count));
    },
  );
}

/** A missing needle was searched for and not found: so many are left in the rack. */
export function needleSearched(needleId: string, left: number, words: string): void {
  editPieceAndCupboard(
    (d) => into(d.log, [{ kind: 'searched', areaId: 'piece', needleId, left, words: words.slice(0, 2000) }]),
    (d) => {
      const n = d.needles.find((x) => x.id === needleId);
      if (n) n.count = left;
    },
  );
}

/** Needles counted as a sitting begins or ends. */
export const needlesCounted = (when: 'before' | 'after', counts: Readonly<Record<string, number>>): void =>
  write({ kind: 'needles', areaId: 'piece', when, counts: { ...counts } });
