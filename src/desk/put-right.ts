/** Entries of the log put right, moved or taken out again; and what a table brings back. */
import type { LogEntry } from '@/core/piece/log-entry';
import type { Added, Fix } from '@/sheets/read-log-csv';
import { drawn, putInto, redrawn, type Drawn } from './bench-wool';
import { editPieceAndCupboard, useDesk } from './store';
import { byTime, tidy, whole, without } from './write-log';

type Fixed = Partial<Record<'at' | 'minutes' | 'grams' | 'words' | 'found', string | number | boolean>>;

/** The entry as it is then, with what it said before. */
function fixedEntry(entry: LogEntry, fixed: Fixed, wool: Drawn | null, now: number): LogEntry | null {
  const was = entry as LogEntry & Record<string, unknown>;
  const changed = Object.entries(fixed).filter(([k, v]) => k in was && was[k] !== v);
  if (changed.length === 0) return null;
  const said = Object.fromEntries(changed.map(([k]) => [k, was[k] as string | number | boolean]));
  return {
    ...entry,
    ...Object.fromEntries(changed),
    was: [...entry.was, { at: new Date(now).toISOString(), said }],
    // Minutes put in by hand are meant.
    ...('minutes' in fixed && 'timed' in entry ? { timed: true } : {}),
    ...(wool && entry.kind === 'wool' ? { takenG: wool.takenG } : {}),
  } as LogEntry;
}

/** Puts an entry right; what it said before is kept with it. Of wool that left the cupboard the difference goes back, or out. */
export function putRight(id: string, fixed: Fixed, now = Date.now()): void {
  allRight([{ id, fixed }], [], now);
}

/** A line of a table as an entry: nothing is known of what was planned for it, and no watch ran. */
const written = (a: Added): LogEntry => {
  switch (a.kind) {
    case 'row':
      return whole({ ...a, up: null, timed: false, planned: null, work: null, made: {} }, Date.parse(a.at));
    case 'wool':
      return whole({ ...a, askedG: null, way: null, operation: null, takenG: null }, Date.parse(a.at));
    case 'note':
      return whole(a, Date.parse(a.at));
  }
};

/** Several entries put right, and others written down, as one change. */
export function allRight(
  fixes: readonly { readonly id: string; readonly fixed: Fixed | Fix['fixed'] }[],
  added: readonly Added[],
  now = Date.now(),
): void {
  const { piece } = useDesk.getState();
  if (!piece) return;
  // What each lot holds as one after the other is drawn from it.
  const lots = new Map<string, Drawn>();
  const right = new Map<string, LogEntry>();
  for (const { id, fixed } of fixes) {
    const entry = piece.log.find((e) => e.id === id);
    if (!entry) continue;
    const wool =
      entry.kind === 'wool' && typeof fixed.grams === 'number'
        ? redrawn(entry, fixed.grams, lots.get(entry.lotId)?.haveG)
        : null;
    const e = fixedEntry(entry, fixed as Fixed, wool, now);
    if (!e) continue;
    right.set(id, e);
    if (wool) lots.set(wool.lotId, wool);
  }
  const more = added.map((a) => {
    const e = written(a);
    if (e.kind !== 'wool') return e;
    const wool = drawn(e.lotId, e.grams, 0, lots.get(e.lotId)?.haveG);
    if (wool) lots.set(e.lotId, wool);
    return { ...e, takenG: wool?.takenG ?? null };
  });
  if (right.size + more.length === 0) return;
  const moved = more.length > 0 || fixes.some((f) => 'at' in f.fixed);
  editPieceAndCupboard(
    (d) => {
      const log = [...d.log.map((e) => right.get(e.id) ?? e), ...more];
      // Moved to another time it stands where it belongs.
      d.log = moved ? tidy(byTime(log)) : log;
    },
    (d) => [...lots.values()].forEach((w) => putInto(d, w)),
  );
}

/** Takes an entry out of the log; wool it took goes back into the cupboard. */
export function takeOut(id: string): void {
  const entry = useDesk.getState().piece?.log.find((e) => e.id === id);
  if (!entry) return;
  const wool = redrawn(entry, 0);
  editPieceAndCupboard(
    (d) => void (d.log = without(d.log, id)),
    (d) => putInto(d, wool),
  );
}
