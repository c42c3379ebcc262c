/** Small things made beside the animal: what it wears, carries, stands on or hangs in. What can be measured on the animal is not kept. */
import { z } from 'zod';
import { choice, colour, field, flag, id, name, owned } from './fields';

const common = { id: id('Small thing'), name: name('Name of the small thing') };

const felted = {
  lotId: owned('wool', 'Wool', 'Wool', { none: 'not chosen' }).nullable(),
  thicknessMm: field('length', 'Thickness', 0.5, 10, { slide: [0.5, 5, 0.1] }),
  shrinkShare: field('number', 'Shrinkage', 0, 0.6, {
    label: 'Shrinks by, share',
    help: 'Of its width, while it is felted.',
  }),
};

/** Round which part, and where on it. */
const seated = {
  on: owned('part', 'Part', 'Sits round'),
  side: choice(['left', 'right'], 'Which of the pair', {
    beside: true,
    words: { left: 'its left', right: 'its right' },
  }),
  along: field('share', 'Place along the part', 0, 1, {
    label: 'Along the part',
    slide: [0, 1, 0.01],
    help: 'From its first end to its last.',
  }),
  aroundDeg: field('angle', 'Place round the part', -180, 180, {
    label: 'Round the part',
    slide: [-180, 180, 5],
    help: 'Where it is closed, tied or sits: 0° on top (in front, on an upright part), more than nothing to its left.',
  }),
};

const band = {
  wideMm: field('length', 'Width of the band', 2, 150, { label: 'Wide', slide: [2, 40, 0.5] }),
  looserMm: field('length', 'Looser by', -40, 100, {
    slide: [-10, 30, 1],
    help: 'Than a thread drawn round the finished coat; less than nothing presses into the fur.',
  }),
};

/** What the feet are wired to, and what the animal stands on or in: wood that is found or bought. */
const wooden = {
  wood: choice(['light', 'middling', 'heavy'], 'Wood', {
    words: {
      light: 'light: lime, pine, poplar',
      middling: 'middling: birch, walnut, cherry',
      heavy: 'heavy: oak, beech, ash',
    },
  }),
  colour: colour('Colour'),
};

/** Where something stands, from the middle of what its feet enclose. */
const beside = {
  leftMm: field('length', 'To its left', -500, 500, { slide: [-150, 150, 1] }),
  forwardMm: field('length', 'In front of it', -500, 500, { slide: [-150, 150, 1] }),
};

export const thingSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...common,
    kind: z.literal('collar'),
    ...seated,
    ...band,
    overlapMm: field('length', 'Overlap', 0, 60, { slide: [0, 30, 1], help: 'Where its ends lie on each other.' }),
    ...felted,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('scarf'),
    ...seated,
    ...band,
    endsMm: field('length', 'Hanging ends', 0, 400, { slide: [0, 120, 1], help: 'Each, below where it crosses.' }),
    fringeMm: field('length', 'Fringe', 0, 100, {
      label: 'Cut into a fringe',
      slide: [0, 30, 1],
      help: 'Of each hanging end, from its tip.',
    }),
    ...felted,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('bow'),
    ...seated,
    acrossMm: field('length', 'Across both loops', 4, 300, { slide: [5, 80, 1] }),
    highMm: field('length', 'Height of the loops', 2, 150, { slide: [2, 40, 0.5] }),
    tailsMm: field('length', 'Tails', 0, 300, { slide: [0, 60, 1], help: 'Each; none at 0.' }),
    ...felted,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('basket'),
    bottomMm: field('length', 'Across the bottom', 5, 300, { slide: [10, 100, 1] }),
    topMm: field('length', 'Across the top', 5, 400, { slide: [10, 120, 1] }),
    highMm: field('length', 'Height', 3, 300, { slide: [5, 100, 1] }),
    handle: flag('with a handle'),
    ...beside,
    ...felted,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('twig'),
    under: flag('its feet stand on it'),
    acrossMm: field('length', 'Thickness of the twig', 1, 100, { label: 'Thick', slide: [2, 30, 0.5] }),
    longMm: field('length', 'Length of the twig', 5, 1500, { label: 'Long', slide: [20, 400, 1] }),
    turnDeg: field('angle', 'Turned', -90, 90, { slide: [-90, 90, 5], help: '0° lies across the animal.' }),
    ...beside,
    ...wooden,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('base'),
    outline: choice(['oval', 'with corners'], 'Outline', {
      beside: true,
      words: { oval: 'round or oval' },
    }),
    longMm: field('length', 'Length of the base', 10, 1500, { label: 'Long', slide: [20, 400, 1] }),
    wideMm: field('length', 'Width of the base', 10, 1500, { label: 'Wide', slide: [20, 300, 1] }),
    thickMm: field('length', 'Thickness of the base', 2, 100, { label: 'Thick', slide: [4, 40, 0.5] }),
    ...wooden,
  }),
  z.strictObject({
    ...common,
    kind: z.literal('frame'),
    profileMm: field('length', 'Width of its bars', 2, 150, { label: 'Bars wide', slide: [5, 60, 1] }),
    deepMm: field('length', 'Depth of the frame', 3, 300, { label: 'Deep', slide: [5, 100, 1] }),
    gapMm: field('length', 'Gap round the board', 0, 50, { label: 'Gap round the board', slide: [0, 10, 0.5] }),
    glass: flag('with glass'),
    ...wooden,
  }),
]);

export type Thing = z.infer<typeof thingSchema>;
export type ThingKind = Thing['kind'];
export type ThingOf<K extends ThingKind> = Extract<Thing, { readonly kind: K }>;
/** Felted flat, cut and closed round or beside the animal. */
export type FeltThing = ThingOf<'collar' | 'scarf' | 'bow' | 'basket'>;
/** Found or bought. */
export type WoodThing = ThingOf<'twig' | 'base' | 'frame'>;
/** Sits on a part. */
export type Worn = ThingOf<'collar' | 'scarf' | 'bow'>;

export const THING_KINDS = ['collar', 'scarf', 'bow', 'basket', 'twig', 'base', 'frame'] as const satisfies ThingKind[];

export const isWorn = (t: Thing): t is Worn => t.kind === 'collar' || t.kind === 'scarf' || t.kind === 'bow';
export const isFelted = (t: Thing): t is FeltThing => isWorn(t) || t.kind === 'basket';
