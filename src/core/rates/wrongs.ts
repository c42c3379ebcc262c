/** What went wrong, by reason: on one piece, and over all a hand has made. */
import type { DonePiece } from '@/core/piece/done';
import type { LogEntry } from '@/core/piece/log-entry';

export interface Wrong {
  readonly why: Extract<LogEntry, { kind: 'wrong' }>['why'];
  readonly times: number;
  readonly pulledOff: number;
}

/** What went wrong, most often first. */
export function wrongsOf(log: readonly LogEntry[]): Wrong[] {
  const by = new Map<Wrong['why'], { times: number; pulledOff: number }>();
  for (const e of log) {
    if (e.kind !== 'wrong') continue;
    const was = by.get(e.why) ?? { times: 0, pulledOff: 0 };
    by.set(e.why, { times: was.times + 1, pulledOff: was.pulledOff + (e.off ? 1 : 0) });
  }
  return [...by].map(([why, n]) => ({ why, ...n })).sort((a, b) => b.times - a.times);
}

/** The same over several pieces, with on how many of them. */
export function wrongsOver(pieces: readonly DonePiece[]): (Wrong & { readonly pieces: number })[] {
  const by = new Map<Wrong['why'], { times: number; pulledOff: number; pieces: number }>();
  for (const p of pieces)
    for (const w of p.wrongs ?? []) {
      const was = by.get(w.why) ?? { times: 0, pulledOff: 0, pieces: 0 };
      by.set(w.why, {
        times: was.times + w.times,
        pulledOff: was.pulledOff + w.pulledOff,
        pieces: was.pieces + 1,
      });
    }
  return [...by].map(([why, n]) => ({ why, ...n })).sort((a, b) => b.times - a.times);
}
