/** What a log teaches: what was done beside what was asked, without what nobody timed or weighed. Minutes, grams, millimetres. */
import type { Done, DonePiece } from '@/core/piece/done';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import { defaultHand } from '@/core/piece/hand';
import { readyIn } from './ready';
import { usuallyLeft } from './shrunk';
import { wrongsOf } from './wrongs';

/** Shorter than so much of what was planned nobody timed it: it was only written down. Ours. */
const ONLY_WRITTEN = 0.05;

/** Whether a watch ran beside a row or a step, and long enough to be meant. */
export const wasTimed = (e: { readonly timed: boolean; readonly planned: number | null; readonly minutes: number }) =>
  e.timed && !!e.planned && e.minutes >= ONLY_WRITTEN * e.planned;

function recordOf(e: LogEntry): Done[] {
  if (e.kind === 'row' || (e.kind === 'step' && !e.kept)) {
    const { work, planned, minutes } = e;
    if (work === null || planned === null || !wasTimed(e)) return [];
    return [{ of: 'time', way: null, work, asked: planned, actual: minutes }];
  }
  if (e.kind === 'wool')
    return e.askedG && e.grams > 0 ? [{ of: 'wool', way: e.way, work: null, asked: e.askedG, actual: e.grams }] : [];
  if (e.kind === 'measured' && e.what === 'shrink')
    return [{ of: 'shrink', way: e.way, work: null, asked: usuallyLeft(e.plannedMm), actual: e.actualMm }];
  // What was cut, and how far apart pieces are set, is decided; how long a row is lies in the felt: they teach nothing.
  if (e.kind === 'measured' && (e.what === 'spacing' || e.what === 'loft'))
    return [{ of: e.what, way: e.way, work: null, asked: e.plannedMm, actual: e.actualMm }];
  return [];
}

/** Minutes of a row that was pulled off belong to the row laid in its place: that is what a row that lies has taken. */
function laidAgain(log: readonly LogEntry[]): LogEntry[] {
  const out: LogEntry[] = [];
  const spent = new Map<string, { minutes: number; timed: boolean }>();
  for (const e of log) {
    if (e.kind === 'wrong' && e.off && e.row !== null) {
      const at = out.findLastIndex((x) => x.kind === 'row' && x.areaId === e.areaId && x.row === e.row);
      const gone = out[at];
      if (gone?.kind === 'row') {
        out.splice(at, 1);
        const was = spent.get(e.areaId);
        spent.set(e.areaId, {
          minutes: (was?.minutes ?? 0) + gone.minutes,
          timed: gone.timed && (was?.timed ?? true),
        });
      }
    }
    const again = e.kind === 'row' ? spent.get(e.areaId) : undefined;
    if (again && e.kind === 'row') {
      spent.delete(e.areaId);
      out.push({ ...e, minutes: e.minutes + again.minutes, timed: e.timed && again.timed });
    } else out.push(e);
  }
  return out;
}

/** What was done on a piece by one hand. @returns null where its log teaches nothing */
export function recordsOf({ id, name, log }: Pick<Piece, 'id' | 'name' | 'log'>, hand: string): DonePiece | null {
  const mine = log.filter((e) => e.by === hand);
  const done = [
    ...laidAgain(mine).flatMap(recordOf),
    ...readyIn(mine).map((actual): Done => ({
      of: 'ready',
      way: null,
      work: null,
      asked: defaultHand.readyMinutes,
      actual,
    })),
  ];
  const wrongs = wrongsOf(mine);
  if (done.length + wrongs.length === 0) return null;
  return {
    pieceId: id,
    name,
    at: mine[mine.length - 1]!.at,
    done,
    ...(wrongs.length > 0 ? { wrongs } : {}),
  };
}

/** Everything a hand has done: on other pieces as kept with it, on this one by its log; what is left out teaches nothing. */
export function everythingDone(
  hand: { readonly id: string; readonly done: readonly DonePiece[]; readonly without: readonly string[] },
  piece: Pick<Piece, 'id' | 'name' | 'log'>,
): DonePiece[] {
  const here = recordsOf(piece, hand.id);
  return [...hand.done.filter((d) => d.pieceId !== piece.id), ...(here ? [here] : [])].filter(
    (d) => !hand.without.includes(d.pieceId),
  );
}
