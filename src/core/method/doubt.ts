/**
 * What is not known for sure: every letter of a formula that rests on a first value or on a hand names the doubt it carries. What each
 * comes to before anything of the maker's is known is ours; what sharpens it is said with it.
 */

interface Doubt {
  /** What is not known better, in the maker's words. */
  readonly of: string;
  /** Deviation of its logarithm, while only the first value is known, and of one measurement of the maker's. */
  readonly first: number;
  readonly once: number;
  /** What to do to know it better. */
  readonly sharpen: string;
  /** Where the plan takes it from once it is measured. */
  readonly learnt: 'swatches' | 'settings' | 'nowhere yet';
}

export const DOUBTS = {
  lay: {
    of: 'how much wool you really take in hand',
    first: 0.15,
    once: 0.08,
    sharpen: 'Lay a practice swatch of this wool and weigh what a measured length took.',
    learnt: 'swatches',
  },
  hides: {
    of: 'how far a layer of this wool spreads',
    first: 0.15,
    once: 0.12,
    sharpen: 'Lay a practice swatch of this wool and write down how well it hides.',
    learnt: 'swatches',
  },
  stands: {
    of: 'how high this wool stands',
    first: 0.15,
    once: 0.08,
    sharpen: 'Measure a practice swatch of this wool with a rule.',
    learnt: 'swatches',
  },
  core: {
    of: 'how dense you felt',
    first: 0.24,
    once: 0.1,
    sharpen: 'Weigh a ball of felt as firm as you make it, measure it across, and write its density into the settings.',
    learnt: 'settings',
  },
  loose: {
    of: 'how loosely you tease wool',
    first: 0.3,
    once: 0.12,
    sharpen: 'Weigh a known volume of teased wool and write its density into the settings.',
    learnt: 'settings',
  },
  wisp: {
    of: 'how much wool a thin layer really gets',
    first: 0.25,
    once: 0.1,
    sharpen: 'Weigh ten wisps together before you lay them.',
    learnt: 'nowhere yet',
  },
  lost: {
    of: 'what is lost in handling',
    first: 0.4,
    once: 0.2,
    sharpen: 'Weigh what is left on the mat, and write its share into the settings.',
    learnt: 'settings',
  },
  over: {
    of: 'how much is cut off',
    first: 0.3,
    once: 0.15,
    sharpen: 'Weigh the offcuts of one area.',
    learnt: 'nowhere yet',
  },
  joint: {
    of: 'how much a joint takes',
    first: 0.3,
    once: 0.15,
    sharpen: 'Weigh the wool of one collar before you lay it.',
    learnt: 'nowhere yet',
  },
  small: {
    of: 'how much wool so small a part takes',
    first: 0.25,
    once: 0.12,
    sharpen: 'Weigh the wool of one before you felt it in.',
    learnt: 'nowhere yet',
  },
  foot: {
    of: 'how far felt gives under weight',
    first: 0.35,
    once: 0.2,
    sharpen: 'Look whether all feet touch.',
    learnt: 'nowhere yet',
  },
  turn: {
    of: 'how evenly you turn them',
    first: 0.2,
    once: 0.1,
    sharpen: 'Count how many you set on one course.',
    learnt: 'nowhere yet',
  },
  level: {
    of: 'what you still call level',
    first: 0.3,
    once: 0.15,
    sharpen: 'Measure both sides of a finished face you call level.',
    learnt: 'nowhere yet',
  },
  pace: {
    of: 'how quick you are',
    first: 0.3,
    once: 0.15,
    sharpen: 'Let the watch run at the bench, and write your own minutes into the settings.',
    learnt: 'settings',
  },
} as const satisfies Record<string, Doubt>;

export type DoubtName = keyof typeof DOUBTS;

/** How often the maker has measured what a doubt is about. */
export type Known = Readonly<Partial<Record<DoubtName, number>>>;

/** Deviation of the logarithm of what a doubt is about: the first value and the maker's own, each by how sure it is. */
export function deviation(name: DoubtName, known: Known): number {
  const { first, once }: Doubt = DOUBTS[name];
  return 1 / Math.sqrt(1 / first ** 2 + (known[name] ?? 0) / once ** 2);
}

/** What to do about a doubt, and whether the plan learns of it. */
export function sharpened(name: DoubtName): string {
  const { sharpen, learnt }: Doubt = DOUBTS[name];
  return learnt === 'nowhere yet' ? `${sharpen} The plan does not learn it yet.` : sharpen;
}

/** A doubt in a sentence of its own. */
export const unsureOf = (name: DoubtName): string => `What is not known is ${DOUBTS[name].of}. ${sharpened(name)}`;

/** What is known from several sources. */
export function together(...all: readonly Known[]): Known {
  const out: Partial<Record<DoubtName, number>> = {};
  for (const k of all) for (const name of Object.keys(k) as DoubtName[]) out[name] = (out[name] ?? 0) + k[name]!;
  return out;
}
