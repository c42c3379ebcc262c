/** Every file a plan is handed out as on paper or to other programs: one place for the server's door, the command line and the page. */
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { benchBook } from './bench-book';
import { sittingsCalendar } from './calendar';
import { cutListCsv } from './cut-list';
import { faceCard } from './face-sheets';
import { logCsv } from './log-csv';
import type { SheetOptions } from './paper';
import { rowSheets } from './row-sheets';
import { rowsCsv, rowTables } from './row-table';
import { story } from './story';

export const SHEETS = ['pdf', 'csv', 'face', 'book', 'ics', 'rows', 'tables', 'log', 'story'] as const;
export type SheetKind = (typeof SHEETS)[number];

interface Sheet {
  readonly name: string;
  readonly type: string;
  readonly body: string | Uint8Array;
}

/** A sheet this piece has nothing for: why, in words. */
export class NoSheet extends Error {
  constructor(
    readonly title: string,
    says: string,
  ) {
    super(says);
  }
}

const NOTHING_YET = () => new NoSheet('No log', 'Nothing of this piece has been written down yet.');

/** @throws {NoSheet} where the piece has nothing for it */
export async function makeSheet(
  kind: SheetKind,
  piece: Piece,
  plan: Plan,
  cupboard: Cupboard,
  hand: Hand,
  options: SheetOptions,
): Promise<Sheet> {
  const named = (ending: string, type: string, body: Sheet['body']): Sheet => ({
    name: `${piece.id}-${ending}`,
    type,
    body,
  });
  switch (kind) {
    case 'csv':
      return named('cut-list.csv', 'text/csv; charset=utf-8', cutListCsv(piece, plan, cupboard.lots));
    case 'rows':
      return named('rows.csv', 'text/csv; charset=utf-8', rowsCsv(plan));
    case 'log':
      if (piece.log.length === 0) throw NOTHING_YET();
      return named('log.csv', 'text/csv; charset=utf-8', logCsv(piece, plan, cupboard));
    case 'story':
      if (piece.log.length === 0) throw NOTHING_YET();
      return named('story.pdf', 'application/pdf', await story(piece, plan, cupboard, options));
    case 'tables':
      return named('rows.pdf', 'application/pdf', await rowTables(piece, plan, options));
    case 'face':
      if (!plan.face) throw new NoSheet('No face card', 'This piece has no face yet. Begin it under Face.');
      return named('face-card.pdf', 'application/pdf', await faceCard(piece, plan, cupboard, options));
    case 'book':
      return named('bench-book.pdf', 'application/pdf', await benchBook(piece, plan, cupboard, hand, options));
    case 'ics':
      if (!piece.work.beginOn)
        throw new NoSheet(
          'No calendar',
          'A calendar needs the day of the first sitting. Set it in Order, under Sittings and time.',
        );
      if (plan.work.sittings.length === 0) throw new NoSheet('No calendar', 'Nothing is left to do.');
      return named(
        'sittings.ics',
        'text/calendar; charset=utf-8',
        sittingsCalendar(piece, plan, cupboard, options.units, options.date),
      );
    case 'pdf':
      return named('row-sheets.pdf', 'application/pdf', await rowSheets(piece, plan, cupboard, options));
  }
}
