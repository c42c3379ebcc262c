/** The log as CSV (RFC 4180): one line for every entry, in minutes, grams and millimetres whatever the maker reads on screen. */
import Papa from 'papaparse';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { woolName } from '@/units/wool-words';
import { metric, words } from '@/units/units';
import { plainCell } from './cut-list';

export const LOG_COLUMNS = [
  'when', 'what', 'area', 'step', 'row', 'minutes', 'planned minutes', 'wool', 'grams', 'asked g', 'measured mm', 'planned mm', 'words',
  'put right', 'entry',
] as const; // prettier-ignore

export const LOG_WHAT: Readonly<Record<LogEntry['kind'], string>> = {
  row: 'row laid',
  step: 'step done',
  wool: 'wool weighed',
  note: 'note',
  photo: 'photograph',
  stopped: 'stopped before the last row',
  wrong: 'gone wrong',
  measured: 'measured',
  sitting: 'sitting begins',
  'start-over': 'started over',
  broken: 'needle broken',
  searched: 'needle searched for',
  needles: 'needles counted',
};

export function logCsv(piece: Piece, plan: Plan, { lots, needles }: Pick<Cupboard, 'lots' | 'needles'>): string {
  const does = (id: string | null | undefined): string => {
    const o = plan.work.steps.find((s) => s.operation.id === id)?.operation;
    return o ? words(o.does, metric) : (id ?? '');
  };
  const needle = (id: string) => needles.find((n) => n.id === id)?.name ?? id;
  const said = (e: LogEntry): string => {
    switch (e.kind) {
      case 'wrong':
        return [e.why, e.off ? `pulled off, wool ${e.wool ?? ''}` : 'left', e.words].filter(Boolean).join('; ');
      case 'broken':
        return `${needle(e.needleId)}, point ${e.found ? 'found' : 'not found'}`;
      case 'searched':
        return [needle(e.needleId), e.words].filter(Boolean).join('; ');
      case 'needles':
        return `${e.when}: ${Object.entries(e.counts)
          .map(([id, n]) => `${n} ${needle(id)}`)
          .join(', ')}`;
      case 'measured':
        return `${e.what}${e.anew ? ', the rest planned anew' : ''}`;
      default:
        return 'words' in e ? e.words : '';
    }
  };
  const lines = piece.log.map((e) => ({
    when: e.at,
    what: e.kind === 'step' && e.kept ? 'kept as it is' : LOG_WHAT[e.kind],
    area: plainCell(
      piece.areas.find((a) => a.id === e.areaId)?.name ?? piece.form.parts.find((p) => p.id === e.areaId)?.name ?? '',
    ),
    step: plainCell(
      'operation' in e ? does(e.operation) : e.kind === 'start-over' ? e.operations.map(does).join('; ') : '',
    ),
    row: 'row' in e ? (e.row ?? '') : '',
    minutes: 'minutes' in e ? e.minutes : e.kind === 'sitting' ? e.leftMinutes.likely : '',
    'planned minutes': 'planned' in e ? (e.planned ?? '') : '',
    wool: plainCell('lotId' in e ? woolName(lots, e.lotId) : ''),
    grams: 'grams' in e ? e.grams : '',
    'asked g': 'askedG' in e ? (e.askedG ?? '') : '',
    'measured mm': 'actualMm' in e ? e.actualMm : '',
    'planned mm': 'plannedMm' in e ? e.plannedMm : '',
    words: plainCell(said(e)),
    'put right': e.was.length > 0 ? JSON.stringify(e.was.map((w) => w.said)) : '',
    // By it an entry is found again when the file is read back.
    entry: e.id,
  }));
  return Papa.unparse(lines, { newline: '\r\n', columns: [...LOG_COLUMNS] }) + '\r\n';
}
