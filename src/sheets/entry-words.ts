/** Entries of the log in the maker's words. */
import type { Cupboard } from '@/core/piece/cupboard';
import type { SittingDone } from '@/core/log/sittings-done';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import type { Quantity, Text } from '@/core/text';

export interface Telling {
  readonly piece: Piece;
  readonly plan: Plan | null;
  readonly cupboard: Cupboard;
  readonly q: (quantity: Quantity) => string;
  readonly t: (text: Text) => string;
}

const PLACES: Readonly<Record<string, string>> = {
  core: 'Core',
  frame: 'Wire',
  photographs: 'Photographs',
  finish: 'Finish',
  piece: '',
  nose: 'Nose',
  mouth: 'Mouth',
  eyes: 'Eyes',
  ears: 'Ears',
  brows: 'Brows',
};

/** What an entry is about: an area, a part, a marking, a kind of work. */
export function placeOf({ piece }: Telling, id: string): string {
  const named = [piece.areas, piece.form.parts, piece.flatParts, piece.markings, piece.smallParts, piece.things].flat();
  const whiskers = piece.face?.whiskers ?? [];
  // What is left is of the face: the glue of its eyes.
  return [...named, ...whiskers].find((x) => x.id === id)?.name ?? PLACES[id] ?? 'Face';
}

const MEASURES = {
  spacing: 'rows apart',
  loft: 'stands',
  cut: 'cut',
  row: 'long',
  pitch: 'from piece to piece',
  shrink: 'across, felted',
} as const;

/** What a measure was taken along with, and what became of it. */
function measureWords({ q }: Telling, e: Extract<LogEntry, { kind: 'measured' }>): string {
  const mm = (value: number) => q({ kind: 'fine', value });
  const beside =
    e.what === 'shrink'
      ? `; its pattern ${mm(e.plannedMm)}, shrunk by ${q({ kind: 'share', value: 1 - e.actualMm / e.plannedMm })}`
      : `, planned ${mm(e.plannedMm)}`;
  const row = (e.what === 'row' || e.what === 'pitch') && e.rows !== null ? `row ${e.rows} ` : '';
  const anew = e.what === 'cut' || e.what === 'pitch' ? '; the area planned with it' : '; the rest planned anew';
  return `Measured: ${row}${MEASURES[e.what]} ${mm(e.actualMm)}${beside}${e.anew ? anew : ''}`;
}

export function entryWords(x: Telling, e: LogEntry): string {
  const { q, t } = x;
  const time = (value: number) => q({ kind: 'time', value });
  const grams = (value: number) => q({ kind: 'mass', value });
  const needle = (id: string) => x.cupboard.needles.find((n) => n.id === id)?.name ?? id;
  const does = (id: string) => {
    const step = x.plan?.work.steps.find((s) => s.operation.id === id);
    return step ? t(step.operation.does) : 'a step that is no longer planned';
  };
  const planned = (e: { readonly planned: number | null }) =>
    e.planned === null ? '' : `; ${time(e.planned)} planned`;
  switch (e.kind) {
    case 'row':
      return `Row ${e.row}, ${time(e.minutes)}${planned(e)}`;
    case 'step':
      return e.kept
        ? `Kept as it is: ${does(e.operation)}`
        : `Done: ${does(e.operation)}, ${time(e.minutes)}${planned(e)}`;
    case 'wool': {
      const lot = x.cupboard.lots.find((l) => l.id === e.lotId)?.name ?? e.lotId;
      return `Used ${grams(e.grams)} of ${lot}${e.askedG === null ? '' : `; ${grams(e.askedG)} asked for`}`;
    }
    case 'note':
      return e.words;
    case 'photo':
      return `Photograph${e.words ? `: ${e.words}` : e.operation ? `, at: ${does(e.operation)}` : ''}`;
    case 'stopped':
      return `Stops at row ${e.rows}: the rest stays bare`;
    case 'wrong':
      return `${e.row === null ? does(e.operation) : `Row ${e.row}`}: ${e.why}; ${
        e.off ? `pulled off, ${e.wool === 'waste' ? 'its wool wasted' : 'its wool used again'}` : 'left as it is'
      }${e.words ? `. ${e.words}` : ''}`;
    case 'measured':
      return measureWords(x, e);
    case 'sitting':
      return `A sitting begins: ${time(e.leftMinutes.likely)} left (${time(e.leftMinutes.low)} to ${time(e.leftMinutes.high)})`;
    case 'start-over':
      return `Started over: ${does(e.operations[0]!)}${e.operations.length > 1 ? ` and ${e.operations.length - 1} more` : ''}${e.words ? `. ${e.words}` : ''}`;
    case 'broken':
      return `Broken: ${needle(e.needleId)}${e.operation ? `, at: ${does(e.operation)}` : ''}${e.place ? `, on ${placeOf(x, e.place.part)}` : ''}; its point ${e.found ? 'found' : 'not found'}`;
    case 'searched':
      return `Searched for: ${needle(e.needleId)}, not found${e.words ? `. ${e.words}` : ''}`;
    case 'needles':
      return `Needles counted ${e.when} the sitting: ${Object.entries(e.counts)
        .map(([id, n]) => `${n} × ${needle(id)}`)
        .join(', ')}`;
  }
}

/** A sitting in a line: when, what was done in it, and what was left as it began. */
export function sittingWords({ q }: Telling, s: SittingDone): string {
  const day = new Date(s.from).toLocaleDateString([], {
    weekday: 'long',
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  });
  const done = [
    ...(s.minutes > 0 ? [`${q({ kind: 'time', value: s.minutes })} done`] : []),
    ...(s.grams > 0 ? [`${q({ kind: 'mass', value: s.grams })} of wool weighed`] : []),
    ...(s.leftMinutes === null ? [] : [`${q({ kind: 'time', value: s.leftMinutes })} were left as it began`]),
  ];
  return done.length > 0 ? `${day}: ${done.join(', ')}` : day;
}

const SAID: Readonly<Record<string, string>> = {
  minutes: 'minutes',
  grams: 'grams',
  words: 'words',
  row: 'row',
  found: 'found',
  at: 'at',
  timed: '',
};

/** What an entry said before it was put right. */
export const wasWords = (e: LogEntry): string =>
  e.was
    .map((w) =>
      Object.entries(w.said)
        .flatMap(([k, v]) =>
          SAID[k] === ''
            ? []
            : [
                `${SAID[k] ?? k} ${k === 'at' ? new Date(String(v)).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' }) : String(v)}`,
              ],
        )
        .join(', '),
    )
    .map((s) => `said ${s} before`)
    .join('; ');
