/**
 * The hand: the maker's own rates and habits. The defaults are ours unless said; each is replaceable by what the maker
 * measures.
 */
import { z } from 'zod';
import { ELEMENT_NAMES } from '@/core/time/elements';
import { donePieceSchema } from './done';
import { choice, field, id, measure, name } from './fields';

export const HAND_KIND = 'fond-badger/hand';
export const HAND_SCHEMA = 10;

const bound = measure('Density of the core', 10, 400, 'mg/cm3');
const densities = (label: string) =>
  z
    .strictObject({ least: bound, usual: field('density', 'Density of the core', 10, 400, { label }), most: bound })
    .refine((d) => d.least <= d.usual && d.usual <= d.most, 'The densities must rise from least to most');

const oneOf = measure('Minutes', 0.001, 960, 'min');
const minutes = z
  .strictObject({ low: oneOf, likely: oneOf, high: oneOf })
  .refine((t) => t.low <= t.likely && t.likely <= t.high, 'The minutes must rise from low to high');

/** What kitchen, letter and jeweller's scales show at least, g. */
export const SCALES_G = [0.01, 0.1, 1] as const;

export const handSchema = z.strictObject({
  kind: z.literal(HAND_KIND),
  schema: z.literal(HAND_SCHEMA),
  id: id('Hand'),
  /** Whose hand it is, where several makers share a computer. */
  name: name('Name of the hand', 40),
  /** What was done on other pieces, beside what was asked; and pieces nothing is learned from. */
  done: z.array(donePieceSchema).max(500, 'So many pieces are not kept in mind'),
  without: z.array(id('Piece')).max(500),
  /** What the fold and the needling take of a fibre, mm. */
  rootMm: field('length', 'Taken by fold and needling', 0, 20, {
    help: 'Cut a lock, fold it in, measure one side: half the cut less that.',
  }),
  /** Left on for trimming: a share of the finished length, at least so many mm. */
  overShare: field('number', 'Left for trimming, share of length', 0, 1, {
    help: 'What you cut off over what is left, on a piece you liked.',
  }),
  overLeastMm: field('length', 'Left for trimming, at least', 0, 30),
  /** Share of the wool lost in handling. */
  handlingLoss: field('number', 'Wool lost in handling, share', 0, 0.5, {
    help: 'Weigh the wool, lay it, weigh what is left and what lies: the rest over what went.',
  }),
  /** Stabs on a cm of row in one pass. */
  stabsPerCm: field('number', 'Stabs per cm of row in a pass', 1, 60, {
    help: 'Count them along one centimetre, once over it.',
  }),
  passesLine: field('count', 'Passes along the line', 1, 12, { help: 'Until a row no longer gives when tugged at.' }),
  passesFold: field('count', 'Passes along the fold', 1, 12, { help: 'Over the fold, once the wool is folded back.' }),
  /** Density of laid fur, mg/cm3. */
  loftDensityMgCm3: field('density', 'Density of laid fur', 5, 150, {
    help: 'Wool that lies on 10 cm² of fur over how high it stands; the trial works it out.',
  }),
  /** How far one layer of fibre hides: 1 for fibres laid quite at random, less where they clump. */
  spread: z.strictObject({
    'combed top': measure('Spread of combed top', 0.1, 1, ''),
    'carded batt': measure('Spread of carded batt', 0.1, 1, ''),
    locks: measure('Spread of locks', 0.1, 1, ''),
    'raw fleece': measure('Spread of raw fleece', 0.1, 1, ''),
    yarn: measure('Spread of yarn', 0.1, 1, ''),
  }),
  /** How dense a core is felted, mg/cm3: least, usual, most. */
  coreDensityMgCm3: z.strictObject({
    firm: densities('Density of a firm core'),
    'with give': densities('Density of a core with give'),
    'lofty pad': densities('Density of a lofty pad'),
    'flat felt': densities('Density of flat felt'),
  }),
  looseDensityMgCm3: field('density', 'Density of loose wool', 2, 100, {
    help: 'Fill a cup with teased wool without pressing it: its weight over its content.',
  }),
  /** Stabs on a cm3 of core until it is firm. */
  coreStabsPerCm3: field('number', 'Stabs per cm³ of core', 5, 500, {
    help: 'Felt a ball until it is firm, counting; over its volume.',
  }),
  /** Density of a wrap as it is laid and once it is felted down, mg/cm3. */
  wrapDensityMgCm3: field('density', 'Density of a wrap', 10, 300, {
    help: 'Wrap 10 cm of wire tightly: the weight of the wool over its volume.',
  }),
  feltedDensityMgCm3: field('density', 'Density of felt', 20, 400, { help: 'The same wrap once it is felted down.' }),
  /** Stabs on a square cm in one pass. */
  surfaceStabsPerCm2: field('number', 'Stabs per cm² of top coat in a pass', 5, 300, {
    help: 'Draw a square of 2 cm on the felt, count once over it, and take a quarter.',
  }),
  /** The maker's own minutes for elements of the work, in place of first values. */
  times: z.partialRecord(z.enum(ELEMENT_NAMES), minutes),
  /** How the colour of a blend is worked out: two schools. */
  blendModel: choice(['stearns-noechel', 'friele'], 'School of blending', {
    words: { 'stearns-noechel': 'the usual reckoning', friele: 'another reckoning' },
  }),
  /** Minutes at the bench on each day of the week, Monday first. */
  benchMinutes: z
    .array(field('number', 'Minutes at the bench', 0, 960, { unit: 'min' }))
    .length(7, 'A week has seven days'),
  /** Getting ready and clearing away at every sitting. */
  readyMinutes: field('number', 'Getting ready and clearing away', 0, 60, {
    unit: 'min',
    help: 'Both together, at every sitting: from sitting down to the first stab, and from the last one to a clear table.',
  }),
  /** Until glue can be worked beside; until soaped or wetted wool is dry. */
  glueMinutes: field('number', 'Until glue has set', 0, 2880, {
    unit: 'min',
    help: 'As its packet says, for work beside it.',
  }),
  dryMinutes: field('number', 'Until wool is dry', 0, 4320, {
    unit: 'min',
    help: 'At your place, from wet to dry through.',
  }),
  /** The least the maker's scales show. */
  scalesStepG: z.literal(SCALES_G, 'The scales must show 0.01, 0.1 or 1 g'),
  /** A pinch as the maker takes it, weighed ten at a time; null until it is. */
  pinchMg: measure('A pinch', 0.5, 2000, 'mg').nullable(),
  /** Coefficient of variation of how evenly a row is laid. */
  unevenness: field('number', 'Unevenness of laying', 0, 1, {
    help: 'Weigh ten pinches one by one: how far they lie from their mean, over that mean.',
  }),
});

export type Hand = z.infer<typeof handSchema>;

export const defaultHand: Hand = {
  kind: HAND_KIND,
  schema: HAND_SCHEMA,
  id: 'hand',
  name: 'My hand',
  done: [],
  without: [],
  rootMm: 3,
  overShare: 0.2,
  overLeastMm: 3,
  handlingLoss: 0.05,
  stabsPerCm: 8,
  passesLine: 3,
  passesFold: 3,
  loftDensityMgCm3: 30,
  spread: { 'combed top': 0.75, 'carded batt': 0.85, locks: 0.5, 'raw fleece': 0.5, yarn: 0.5 },
  coreDensityMgCm3: {
    firm: { least: 70, usual: 100, most: 130 },
    'with give': { least: 50, usual: 70, most: 90 },
    'lofty pad': { least: 30, usual: 50, most: 70 },
    'flat felt': { least: 110, usual: 150, most: 190 },
  },
  looseDensityMgCm3: 20,
  coreStabsPerCm3: 100,
  wrapDensityMgCm3: 60,
  feltedDensityMgCm3: 100,
  surfaceStabsPerCm2: 40,
  times: {},
  blendModel: 'stearns-noechel',
  benchMinutes: [60, 60, 60, 60, 60, 150, 150],
  readyMinutes: 6,
  glueMinutes: 60,
  dryMinutes: 480,
  scalesStepG: 0.1,
  pinchMg: null,
  unevenness: 0.3,
};
