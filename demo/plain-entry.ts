/** An entry of a log with nothing to it: what checks of the log begin from. */
import type { LogEntry } from '../src/core/piece/log-entry';

type Some = {
  readonly [K in LogEntry['kind']]: { readonly kind: K } & Partial<Extract<LogEntry, { kind: K }>>;
}[LogEntry['kind']];

/** @param i tells it from other entries */
export const plainEntry = (e: Some, i = 0): LogEntry => {
  const timed = e.kind === 'row' || e.kind === 'step' ? { timed: true, planned: null, work: null } : {};
  const weighed = e.kind === 'wool' ? { askedG: null, way: null, operation: null, takenG: null } : {};
  return {
    id: `e${i}`,
    at: '2026-03-01T09:00:00Z',
    areaId: 'bib',
    by: 'hand',
    was: [],
    ...timed,
    ...weighed,
    ...e,
  } as LogEntry;
};
