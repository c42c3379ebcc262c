/** How long work takes: the sum over its elements, a little of it done twice, and for the whole piece a span. Minutes. */
import { figure, letter, method, type Figure } from '@/core/method/define';
import { DECILE, spanAbout, type Span } from '@/core/method/span';
import {
  ELEMENT_NAMES,
  ELEMENTS,
  meanOf,
  minutesFor,
  unlearnt,
  type ElementName,
  type KindOfWork,
  type Pace,
  type Work,
} from './elements';
import { forecast } from './learning';

/** What is taken off and done again, over what is done once: low, likely, high. Ours. */
export const REWORK = { low: 1.01, likely: 1.04, high: 1.1 } as const;
const AGAIN = meanOf(REWORK);

export const workTime = method({
  id: 'work-time',
  title: 'Time for the work',
  formula: 't = r Σ nᵢ tᵢ,  tᵢ = 0.3 low + 0.4 likely + 0.3 high',
  inputs: {
    sum: letter('Σ', 'all elements of the work, each as often as it occurs', 'time'),
    again: letter('r', 'all that is done, over what is done once', 'share'),
  },
  result: letter('t', 'time', 'time'),
  source: 'A method study: every element with its low, likely and high. Ours until the log has the maker’s own.',
  basis: 'ours',
  of: ({ sum, again }) => sum * again,
});

const sumOf = (pace: Pace, work: Work): number =>
  ELEMENT_NAMES.reduce((s, e) => s + (work[e] ? work[e] * meanOf(minutesFor(pace, e)) : 0), 0);

/** Minutes to expect of some work, with what is done again. */
export const minutesOf = (pace: Pace, work: Work): number => sumOf(pace, work) * AGAIN;

/** The same as a figure that can be opened. */
export type TimeFigure = Figure & { readonly work: Work };
export const timeFigure = (pace: Pace, work: Work): TimeFigure => ({
  ...figure(workTime, { sum: sumOf(pace, work), again: AGAIN }),
  work,
});

/** What a step says of its time. */
export const takes = (pace: Pace, work: Work): { readonly work: Work; readonly minutes: number } => ({
  work,
  minutes: minutesOf(pace, work),
});
export const tookBy = (f: TimeFigure) => ({ work: f.work, minutes: f.value });

/** All of several kinds of work, each done to a share. */
export function together(all: readonly { readonly work: Work; readonly share: number }[]): Work {
  const out: Partial<Record<ElementName, number>> = {};
  for (const { work, share } of all)
    for (const e of ELEMENT_NAMES) if (work[e]) out[e] = (out[e] ?? 0) + work[e] * share;
  return out;
}

/** Several kinds of work together. */
export const both = (...works: readonly Work[]): Work => together(works.map((work) => ({ work, share: 1 })));

interface ByKind {
  /** By the maker's own measures. */
  readonly own: number;
  /** All else, before anything learned. */
  readonly kinds: readonly { readonly kind: KindOfWork | 'all'; readonly minutes: number }[];
}

/** Minutes of some work by kind, with what is done again. */
export function minutesByKind(pace: Pace, work: Work): ByKind {
  const kinds = new Map<KindOfWork | 'all', number>();
  let own = 0;
  const plain = unlearnt(pace);
  for (const e of ELEMENT_NAMES) {
    const often = work[e];
    if (!often) continue;
    const minutes = AGAIN * often * meanOf(minutesFor(plain, e));
    const kind = ELEMENTS[e].kind ?? 'all';
    if (pace.times[e]) own += minutes;
    else kinds.set(kind, (kinds.get(kind) ?? 0) + minutes);
  }
  return { own, kinds: [...kinds].map(([kind, minutes]) => ({ kind, minutes })) };
}

/** The kind that makes up most of some work; null where nothing in it goes by first values. */
export function mainKind({ kinds }: ByKind): KindOfWork | 'all' | null {
  const named = kinds.filter((k) => k.kind !== 'all');
  const list = named.length > 0 ? named : kinds;
  return list.length > 0 ? list.reduce((a, b) => (b.minutes > a.minutes ? b : a)).kind : null;
}

/** How long what is written down as one takes, as a rule: a row, a step. Minutes. Ours. */
const ENTRY = 10;

/** Minutes as so many entries as they would be written down in. */
const inEntries = ({ kind, minutes }: ByKind['kinds'][number]) => {
  const n = Math.max(1, Math.round(minutes / ENTRY));
  return Array.from({ length: n }, () => ({ kind, minutes: minutes / n }));
};

/** How much all elements of one maker are quicker or slower together, as the deviation of a logarithm. Ours. */
const SHARED = 0.3;
/** How far an element goes off by itself at least, and from one time to the next. Ours. */
const OWN = 0.15;
const EACH = 0.35;
/**
 * Span of all the work of a piece. The error of an element is common to all its repetitions, the hand to all elements: without
 * these two the span of a thousand repetitions would shrink to nothing. Logarithms are added (Fenton 1960, from memory). Of a hand the log
 * has taught it is what that hand took before.
 */
export function spanOf(pace: Pace, work: Work): Span {
  if (pace.learnt) {
    const { own, kinds } = minutesByKind(pace, work);
    return forecast(pace.learnt, kinds.flatMap(inEntries), own);
  }
  let [mean, variance] = [0, 0];
  for (const e of ELEMENT_NAMES) {
    const c = work[e] ?? 0;
    if (c <= 0) continue;
    const t = minutesFor(pace, e);
    const m = meanOf(t);
    const off = t.low > 0 ? Math.log(t.high / t.low) / (2 * DECILE) : 0;
    const own2 = Math.max(off ** 2 - SHARED ** 2, OWN ** 2);
    mean += c * m;
    variance += (c * m) ** 2 * Math.expm1(own2) + c * (EACH * m) ** 2;
  }
  if (mean === 0) return { low: 0, likely: 0, high: 0 };
  const again = (Math.log(REWORK.high / REWORK.low) / (2 * DECILE)) ** 2;
  const relative = variance / mean ** 2;
  const likely = (AGAIN * mean) / Math.sqrt(1 + relative);
  const s = Math.sqrt(SHARED ** 2 + Math.log1p(relative) + again);
  return spanAbout(likely, s);
}
