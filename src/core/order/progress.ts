/**
 * How far the work is: what the log says of every step, what must have been done because something that rests on it has
 * been begun, and which done steps rest on a decision that has changed since.
 */
import { rowsLaid } from '@/core/coat/rows/rows-laid';
import { isAbout } from '@/core/ref';
import type { CoatPlan } from '@/core/coat/coat-plan';
import type { LogEntry, MadeBy } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';
import { changedSince } from '@/core/decision';
import type { Tie } from './ties';

export interface StepProgress {
  readonly id: string;
  /** Share done, 0..1. */
  readonly share: number;
  /** Not marked itself, but something that rests on it has been begun. */
  readonly implied: boolean;
  /** Written down for it, since it was last begun. */
  readonly minutes: number;
  /** Decisions that have changed since. */
  readonly changed: readonly string[];
}

/**
 * Entries that still count: none of a step taken apart again before that, nor of a row or a step pulled off. Where rows were measured and
 * the rest planned anew, those that lay then are the first ones from the hem.
 */
export function standing(log: readonly LogEntry[], areaOfLay: ReadonlyMap<string, string>): LogEntry[] {
  let out: LogEntry[] = [];
  for (const e of log) {
    if (e.kind === 'wrong' && e.off) {
      const id = pulledOff(out, e);
      out = out.filter((x) => x.id !== id);
    }
    if (e.kind === 'measured' && e.what === 'spacing' && e.anew) out = numberedAnew(out, e.areaId);
    if (e.kind !== 'start-over') {
      out.push(e);
      continue;
    }
    const gone = new Set(e.operations);
    const areas = new Set(e.operations.flatMap((id) => areaOfLay.get(id) ?? []));
    for (let i = out.length - 1; i >= 0; i--) {
      const x = out[i]!;
      if ((x.kind === 'step' && gone.has(x.operation)) || (x.kind === 'row' && areas.has(x.areaId))) out.splice(i, 1);
    }
  }
  return out;
}

/** The entry of what was pulled off: a step by its name, a row by where it lies, whatever number it was planned as. */
function pulledOff(out: readonly LogEntry[], e: Extract<LogEntry, { kind: 'wrong' }>): string | undefined {
  if (e.row === null) return out.findLast((x) => x.kind === 'step' && !x.kept && x.operation === e.operation)?.id;
  const rows = out.flatMap((x) => (x.kind === 'row' && x.areaId === e.areaId ? [x] : []));
  const counted = rows.findLast((x) => x.row === e.row && (x.up === null || e.up === null));
  if (counted || e.up === null) return counted?.id;
  const off = (x: (typeof rows)[number]) => (x.up === null ? Infinity : Math.abs(x.up - e.up!));
  return rows.reduce<(typeof rows)[number] | undefined>((a, b) => (a && off(a) < off(b) ? a : b), undefined)?.id;
}

/** Rows of an area counted from the hem as they lie, whatever they were planned as. */
function numberedAnew(log: readonly LogEntry[], areaId: string): LogEntry[] {
  const rows = log
    .flatMap((e) => (e.kind === 'row' && e.areaId === areaId ? [e] : []))
    // Those without a place were counted before, and lie lowest.
    .sort((a, b) => Number(a.up !== null) - Number(b.up !== null) || (a.up ?? 0) - (b.up ?? 0) || a.row - b.row);
  const number = new Map(rows.map((e, i) => [e.id, i + 1]));
  return log.map((e) => (e.kind === 'row' && number.has(e.id) ? { ...e, row: number.get(e.id)!, up: null } : e));
}

export const areasOfLays = (operations: readonly Operation[]): Map<string, string> =>
  new Map(operations.flatMap((o) => (o.kind === 'lay' ? [[o.id, o.about.id] as const] : [])));

/** Ties by which what comes after rests on what comes before. */
export const restsOn = (t: Pick<Tie, 'strength' | 'orderOnly' | 'move'>): boolean =>
  t.strength === Infinity && !t.orderOnly && t.move === undefined;

/** @param operations in the order of the work */
export function progressOf(
  piece: Piece,
  coat: CoatPlan,
  operations: readonly Operation[],
  ties: readonly Tie[],
): Map<string, StepProgress> {
  const log = standing(piece.log, areasOfLays(operations));
  const place = new Map(piece.log.map((e, i) => [e.id, i]));
  const own = new Map<string, { share: number; minutes: number; made: MadeBy | null; at: number }>();
  for (const o of operations) {
    const steps = log.flatMap((e) => (e.kind === 'step' && e.operation === o.id ? [e] : []));
    const rows = o.kind === 'lay' ? log.flatMap((e) => (e.kind === 'row' && e.areaId === o.about.id ? [e] : [])) : [];
    if (steps.length + rows.length === 0) continue;
    const minutes = [...steps, ...rows].reduce((s, e) => s + e.minutes, 0);
    const at = Math.max(...[...steps, ...rows].map((e) => place.get(e.id)!));
    // Kept as it is: the decisions it counts as done by are those of that day.
    const kept = steps[steps.length - 1]?.made ?? null;
    if (steps.some((e) => !e.kept)) {
      own.set(o.id, { share: 1, minutes, made: kept, at });
      continue;
    }
    const all = coat.areas.find((a) => isAbout(o, 'area', a.id))?.fur?.rows;
    if (rows.length === 0 || !all) continue;
    const done = new Set(rowsLaid(rows, all.rows).done);
    const length = all.rows.reduce((s, r) => s + (done.has(r.number) ? r.lengthMm : 0), 0);
    const whole = all.rows.every((r) => done.has(r.number));
    const first = rows.find((e) => Object.keys(e.made).length > 0);
    own.set(o.id, {
      share: whole ? 1 : Math.min(0.999, all.totalMm > 0 ? length / all.totalMm : 0),
      minutes,
      made: kept ?? first?.made ?? null,
      at,
    });
  }
  // From the last step back: what is begun rests on what must be done. A step started over before that is done again with it;
  // one started over after it is not.
  const undone = lastUndone(piece.log);
  const implied = new Map<string, number>();
  const under = new Map<string, string[]>();
  for (const t of ties) if (restsOn(t)) under.set(t.after, [...(under.get(t.after) ?? []), t.before]);
  for (let i = operations.length - 1; i >= 0; i--) {
    const o = operations[i]!;
    const at = Math.max(own.get(o.id)?.at ?? -1, implied.get(o.id) ?? -1);
    if (at < 0) continue;
    for (const id of under.get(o.id) ?? [])
      if (at > (undone.get(id) ?? -1)) implied.set(id, Math.max(implied.get(id) ?? -1, at));
  }
  return new Map(
    operations.map((o) => {
      const mine = own.get(o.id);
      const taken = (mine?.share ?? 0) < 1 && implied.has(o.id);
      return [
        o.id,
        {
          id: o.id,
          share: taken ? 1 : (mine?.share ?? 0),
          implied: taken,
          minutes: mine?.minutes ?? 0,
          changed: mine?.made ? changedSince(piece, o, mine.made) : [],
        },
      ] as const;
    }),
  );
}

/** Where in the log each step was last started over. */
function lastUndone(log: readonly LogEntry[]): Map<string, number> {
  const out = new Map<string, number>();
  log.forEach((e, i) => {
    if (e.kind === 'start-over') for (const id of e.operations) out.set(id, i);
  });
  return out;
}
