/** Which step wool was weighed for. */
import type { LogEntry } from '@/core/piece/log-entry';

/** Entries from before it was kept are for the laying of their area. */
export const weighedFor = (e: LogEntry, operationId: string): e is Extract<LogEntry, { kind: 'wool' }> =>
  e.kind === 'wool' && (e.operation === operationId || (e.operation === null && operationId === `lay-${e.areaId}`));
