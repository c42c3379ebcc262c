/** How the rows of an area really lie, read off the log: every stretch that was measured, and the rest planned from where it ends. */
import type { LogEntry } from '@/core/piece/log-entry';
import type { Longer } from './as-long';
import type { RowsLying } from './spacing';

/** @returns nothing where no rows were measured, or the area has been started over since */
export function lyingOf(log: readonly LogEntry[], areaId: string): RowsLying {
  let lying: RowsLying[number][] = [];
  for (const e of log) {
    if (e.kind === 'start-over' && e.operations.includes(`lay-${areaId}`)) lying = [];
    if (e.kind !== 'measured' || e.what !== 'spacing' || !e.anew || e.areaId !== areaId || e.rows === null) continue;
    const rows = e.rows - lying.reduce((n, x) => n + x.rows, 0);
    if (rows > 0) lying.push({ rows, spacingMm: e.actualMm });
  }
  return lying;
}

type Stopped = Extract<LogEntry, { kind: 'stopped' }>;

/** The entry by which an area stops before its last row; null where it does not, was laid on after all, or has been started over since. */
export function stoppedBy(log: readonly LogEntry[], areaId: string): Stopped | null {
  let by: Stopped | null = null;
  for (const e of log) {
    if (e.kind === 'start-over' && e.operations.includes(`lay-${areaId}`)) by = null;
    if (e.areaId !== areaId) continue;
    if (e.kind === 'stopped') by = e;
    // Laid on after all; a row pulled off is laid again.
    if (e.kind === 'row' || (e.kind === 'wrong' && e.off && e.row !== null)) by = null;
  }
  return by;
}

/** Rows that were measured longer or shorter than the shape has them, each from where it lies on up; none where the area has been started over since. */
export function longerOf(log: readonly LogEntry[], areaId: string): Longer[] {
  let longer: Longer[] = [];
  for (const e of log) {
    if (e.kind === 'start-over' && e.operations.includes(`lay-${areaId}`)) longer = [];
    if (e.kind !== 'measured' || e.what !== 'row' || !e.anew || e.areaId !== areaId || e.up === null) continue;
    const { up } = e;
    // Measured again lower down, it holds from there.
    longer = [...longer.filter((x) => x.up < up), { up, times: e.actualMm / e.plannedMm }];
  }
  return longer;
}
