/**
 * The face: what is decided about nose, mouth, eyes, ears, brows and whiskers, the photographs their landmarks are pinned
 * on, and measures taken of the real piece. Colours of nose and lips are small parts of the shade; a stock eye is in the
 * cupboard.
 */
import { z } from 'zod';
import { choice, field, flag, id, measure, name, owned } from './fields';
import { placeSchema } from './places';

const NOSE_KINDS = ['ball', 'shaped pad', 'gathered disc', 'stitched', 'wool', 'beak'] as const;
const NOSTRILS = ['none', 'commas', 'slits', 'round'] as const;
const MOUTH_KINDS = ['line', 'lips', 'none'] as const;
export const EYE_KINDS = ['rolled', 'wound', 'layered', 'bead', 'stem', 'closed', 'disc'] as const;
const PUPILS = ['round', 'upright slit', 'level bar', 'square-ended'] as const;
const LIGHTINGS = ['bright', 'indoors', 'dim'] as const;
const WHISKER_GLUES = ['none', 'drawn in', 'dab'] as const;
/** Landmarks of a face that can be pinned on a photograph of it. */
export const FACE_MARKS = [
  'nose',
  'chin',
  'crown',
  'eye-left',
  'eye-right',
  'eye-left-inner',
  'eye-left-outer',
  'eye-right-inner',
  'eye-right-outer',
  'ear-left',
  'ear-right',
  'mouth-left',
  'mouth-right',
] as const;
/** Two opposite edges of an eye, and of the head at its widest: for the scale of a photograph and the size of the eye. */
export const SCALE_MARKS = ['edge-a', 'edge-b', 'head-a', 'head-b'] as const;
export const CALLIPER_MARKS = ['eye', 'ear', 'mouth'] as const;
export const CALLIPER_FROM = ['nose', 'crown', 'chin'] as const;

export const noseSchema = z.strictObject({
  kind: choice(NOSE_KINDS, 'Kind'),
  /** Its tip. */
  at: placeSchema,
  widthMm: field('fine', 'Width of the nose', 0.5, 80, { label: 'Width', slide: [0.5, 30, 0.1] }),
  highMm: field('fine', 'Height of the nose', 0.5, 80, { label: 'Height', slide: [0.5, 30, 0.1] }),
  /** How far it is tilted up. */
  tiltDeg: field('angle', 'Tilt of the nose', -60, 60, { label: 'Tilt up', slide: [-40, 40, 1] }),
  nostrils: choice(NOSTRILS, 'Nostrils'),
  nostrilMm: field('fine', 'Size of a nostril', 0.3, 20, { label: 'A nostril' }),
  nostrilsApartMm: field('fine', 'Nostrils apart', 0.3, 60, {
    label: 'Apart',
    help: 'From the middle of one nostril to the middle of the other.',
  }),
  philtrumMm: field('fine', 'From the nose to the mouth', 0, 60, {
    label: 'Left for the mouth',
    slide: [0, 15, 0.1],
    help: 'From the underside of the nose to the mouth.',
  }),
  /** Made while the muzzle is still a part by itself. */
  beforeJoin: flag('Made before the muzzle is joined'),
});

export const mouthSchema = z.strictObject({
  kind: choice(MOUTH_KINDS, 'Kind of mouth', { beside: true }),
  sideMm: field('fine', 'Half of the mouth', 0.5, 120, {
    label: 'Each side',
    slide: [0.5, 40, 0.5],
    help: 'Over the skin from the middle to one corner.',
  }),
  thickMm: field('fine', 'Thickness in the middle', 0.3, 10, { label: 'Thick in middle', slide: [0.3, 4, 0.1] }),
  endMm: field('fine', 'Thickness at the corner', 0, 10, { label: 'At the corner', slide: [0, 4, 0.1] }),
  liftMm: field('fine', 'Lift of the corner', -20, 20, { label: 'Corner lifted', slide: [-6, 6, 0.1] }),
  chinMm: field('fine', 'Width of the chin', 0, 60, {
    label: 'Chin',
    slide: [0, 20, 0.5],
    help: 'Width of the pad of the chin; 0 for none.',
  }),
  lotId: owned('wool', 'Wool of the mouth', 'Wool', { none: 'no wool' }).nullable(),
});

const wool = (name: string, label: string, none: string) => owned('wool', name, label, { none }).nullable();

export const eyeLayersSchema = z.strictObject({
  rimMm: field('fine', 'Width of the rim', 0, 10, {
    label: 'Rim',
    slide: [0, 4, 0.1],
    help: 'Width of the dark edge round the iris.',
  }),
  rimLotId: wool('Wool of the rim', 'Rim or line of', 'dark, not chosen'),
  iris: choice(['ring', 'disc', 'none'], 'Iris', {
    beside: true,
    words: { ring: 'as a ring', disc: 'as a disc', none: 'no iris' },
  }),
  irisLotId: wool('Wool of the iris', 'Iris of', 'not chosen'),
  /** A second colour next to the pupil. */
  innerLotId: wool('Second wool of the iris', 'Next to pupil', 'one colour'),
  pupil: choice(PUPILS, 'Pupil'),
  pupilLotId: wool('Wool of the pupil', 'Pupil of', 'dark, not chosen'),
  lighting: choice(LIGHTINGS, 'Seen in light', { beside: true }),
  /** Where the lamp stands, seen from in front of the animal: to the right positive, above positive. */
  lampSideDeg: field('angle', 'Lamp to the side', -90, 90, { label: 'Lamp to the right', slide: [-90, 90, 5] }),
  lampHeightDeg: field('angle', 'Height of the lamp', -30, 90, { label: 'Lamp above', slide: [-30, 90, 5] }),
  /** One lamp gives the same clock in both eyes; mirrored is the other school. */
  lights: choice(['one lamp', 'mirrored', 'none'], 'Lights', {
    beside: true,
    words: { 'one lamp': 'as one lamp gives' },
  }),
  lightMm: field('fine', 'Size of the light', 0.2, 12, { label: 'Size', slide: [0.2, 4, 0.1] }),
  secondLight: flag('A second light, a quarter of it'),
  lightLotId: wool('Wool of the light', 'Light of', 'white, not chosen'),
  darkLineMm: field('fine', 'Dark line beside the light', 0, 5, {
    label: 'Dark line',
    slide: [0, 2, 0.1],
    help: 'Dark left between the light and the pale around the eye.',
  }),
});

const lid = (name: string, label: string) => field('share', name, 0, 1, { label, slide: [0, 1, 0.01] });

export const eyeLidsSchema = z.strictObject({
  upper: lid('Covered by the upper lid', 'Upper lid'),
  lower: lid('Covered by the lower lid', 'Lower lid'),
  innerMm: field('fine', 'Inner corner pushed up', -10, 10, { label: 'Inner corner up', slide: [-3, 3, 0.1] }),
  outerMm: field('fine', 'Outer corner pushed down', -10, 10, { label: 'Outer one down', slide: [-3, 3, 0.1] }),
  darkMm: field('fine', 'Dark line below', 0, 6, { label: 'Dark below', slide: [0, 3, 0.1] }),
  lotId: wool('Wool of the lids', 'Lids of', 'as round the eye'),
});

export const eyeStemSchema = z.strictObject({
  lengthMm: field('fine', 'Length of the stem', 1, 80, { label: 'Stem cut to', slide: [1, 30, 0.5] }),
  thickMm: field('fine', 'Thickness of the stem', 0.3, 6, { label: 'Stem thick' }),
  inDeg: field('angle', 'Hole inward', 0, 90, { slide: [0, 90, 1], help: 'As seen from above.' }),
  downDeg: field('angle', 'Hole downward', -60, 80, { label: 'Hole down along it', slide: [-30, 70, 1] }),
});

export const eyesSchema = z.strictObject({
  kind: choice(EYE_KINDS, 'Kind'),
  /** Middle of the eye on the animal's left. */
  at: placeSchema,
  /** Where the right one was set by itself; null while it mirrors the left. */
  other: placeSchema.nullable(),
  /** Hunters look forward, grazers to the side. */
  sees: choice(['forward', 'sideways'], 'Such an animal', {
    beside: true,
    words: { forward: 'looks forward', sideways: 'looks sideways' },
  }),
  sizeMm: field('fine', 'Size of the eye', 0.8, 60, { label: 'Size', slide: [0.8, 20, 0.1] }),
  lifeMm: field('fine', 'Width of the eye in life', 0.5, 120, { label: 'Width in life' }).nullable(),
  stockId: id('Eye').nullable(),
  slantDeg: field('angle', 'Slant of the eye', -60, 60, {
    label: 'Outer corner up',
    slide: [-40, 40, 1],
    help: 'How far the outer corner lies above the inner one.',
  }),
  forwardDeg: field('angle', 'Turned forward', -60, 60, {
    slide: [-45, 45, 1],
    help: 'Turned toward the front from square to the skin.',
  }),
  socketMm: field('fine', 'Depth of the socket', 0, 40, { label: 'Socket deep', slide: [0, 12, 0.1] }),
  stem: eyeStemSchema,
  layers: eyeLayersSchema,
  /** A glance, both eyes the same way: to its left and up positive, from straight out of the socket. */
  gazeSideDeg: field('angle', 'Looks to its left', -45, 45, { label: 'To its left', slide: [-30, 30, 1] }),
  gazeUpDeg: field('angle', 'Looks up', -45, 45, { label: 'Up', slide: [-30, 30, 1] }),
  /** Both eyes turn in toward one thing in front. */
  converge: flag('Both turn in toward one thing'),
  lids: eyeLidsSchema,
});

export const browsSchema = z.strictObject({
  lengthMm: field('fine', 'Length of the brow', 0.5, 80, { label: 'Length', slide: [0.5, 30, 0.5] }),
  aboveMm: field('fine', 'Brow above the eye', 0, 60, { label: 'Above the eye', slide: [0, 15, 0.1] }),
  inMm: field('fine', 'Thickness inside', 0.2, 12, { label: 'Thick inside', slide: [0.2, 5, 0.1] }),
  outMm: field('fine', 'Thickness outside', 0, 12, { label: 'Thick outside', slide: [0, 5, 0.1] }),
  archMm: field('fine', 'Arch of the brow', -10, 20, {
    label: 'Arch',
    slide: [-4, 8, 0.1],
    help: 'How far its middle rises over the straight line of its ends.',
  }),
  tiltDeg: field('angle', 'Tilt of the brow', -60, 60, { label: 'Outer end up', slide: [-40, 40, 1] }),
  lotId: wool('Wool of the brow', 'Wool', 'no wool'),
});

export const whiskerSetSchema = z.strictObject({
  id: id('Whiskers'),
  name: name('Name of the whiskers'),
  kind: z.enum(['whiskers', 'brow whiskers']),
  /** Foremost root of the lowest row, on the animal's left. */
  at: placeSchema,
  perSide: field('count', 'Whiskers on a side', 1, 40, { label: 'On a side', slide: [1, 24, 1] }),
  rows: field('count', 'Rows of roots', 1, 8, { label: 'Rows', slide: [1, 6, 1] }),
  alongMm: field('fine', 'Roots apart in a row', 0.3, 20, { label: 'Roots apart', slide: [0.3, 8, 0.1] }),
  rowsApartMm: field('fine', 'Rows apart', 0.3, 20, { slide: [0.3, 8, 0.1] }),
  longestMm: field('fine', 'Longest whisker', 2, 200, { label: 'Longest', slide: [2, 80, 0.5] }),
  shortestShare: field('share', 'Shortest against the longest', 0.1, 1, {
    label: 'Foremost',
    slide: [0.1, 1, 0.05],
    help: 'Length of the foremost against the longest.',
  }),
  fanDeg: field('angle', 'Fan from the lowest to the highest', 0, 120, { label: 'Fan', slide: [0, 100, 1] }),
  droopDeg: field('angle', 'Droop', -60, 60, { slide: [-40, 40, 1] }),
  threadId: owned('thread', 'Thread').nullable(),
  passes: field('count', 'Passes of the thread', 1, 8, { label: 'Passes each', slide: [1, 8, 1] }),
  glue: choice(WHISKER_GLUES, 'Glue', { beside: true, words: { none: 'no glue' } }),
  /** Rows of dark dashes where they root. */
  dashLotId: wool('Wool of the dashes', 'Dashes', 'no dashes'),
});

const onPicture = z.tuple([
  measure('Place across the picture', -1, 2, 'widths'),
  measure('Place down the picture', -1, 2, 'heights'),
]);
const pin = z.strictObject({ mark: z.enum([...FACE_MARKS, ...SCALE_MARKS]), at: onPicture });

export const facePhotoSchema = z.strictObject({
  id: id('Photograph'),
  name: name('Name of the photograph', 120),
  /** Of the animal in life, laid behind the chart, or of the piece itself, to see whether it is level. */
  of: z.enum(['animal', 'piece']),
  side: choice(['front', 'profile'], 'Taken from', {
    beside: true,
    words: { front: 'from the front', profile: 'in profile' },
  }),
  aspect: measure('Shape of the picture', 0.05, 20, ''),
  strength: field('share', 'Strength of the picture', 0, 1, { slide: [0, 1, 0.05] }),
  pins: z
    .array(pin)
    .max(FACE_MARKS.length + SCALE_MARKS.length)
    .refine((p) => new Set(p.map((x) => x.mark)).size === p.length, 'A landmark is pinned twice'),
});

const checkCommon = { id: id('Measure'), at: z.iso.datetime('The time of a measure must be a date and time') };
export const faceCheckSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    ...checkCommon,
    kind: z.literal('callipers'),
    readings: z
      .array(
        z.strictObject({
          mark: z.enum(CALLIPER_MARKS),
          from: z.enum(CALLIPER_FROM),
          leftMm: field('fine', 'Measure on the left', 0.5, 400),
          rightMm: field('fine', 'Measure on the right', 0.5, 400),
        }),
      )
      .min(1, 'Enter at least one pair of measures')
      .max(9),
  }),
  z.strictObject({
    ...checkCommon,
    kind: z.literal('photograph'),
    name: name('Name of the photograph', 120),
    aspect: measure('Shape of the picture', 0.05, 20, ''),
    eyeMm: field('fine', 'Size of the known eye', 0.5, 80),
    pins: z.array(pin).max(FACE_MARKS.length + SCALE_MARKS.length),
  }),
]);

export const earsSchema = z.strictObject({
  /** Before the coat to bring the face into focus, or after it so that they are not crushed: two schools. */
  when: choice(['before the coat', 'after the coat'], 'Set', { beside: true }),
  turnDeg: field('angle', 'Ears turned out', -90, 120, {
    label: 'Turned out',
    slide: [-60, 110, 1],
    help: 'How far they are turned out from facing forward, in the animal of the reference.',
  }),
  leanDeg: field('angle', 'Ears lean back', -60, 120, { label: 'Leaning back', slide: [-40, 100, 1] }),
  /** Middle of the seat on the animal's left; null where they stand as drawn. */
  at: placeSchema.nullable(),
});

/** How an ear leans, where its turn is that of the leaf it is drawn as. */
export const leanSchema = earsSchema.pick({ leanDeg: true });

export const faceSchema = z.strictObject({
  /** The part that carries the face. */
  head: id('Head'),
  nose: noseSchema,
  mouth: mouthSchema,
  eyes: eyesSchema,
  ears: earsSchema,
  brows: browsSchema.nullable(),
  whiskers: z
    .array(whiskerSetSchema)
    .max(8)
    .refine((w) => new Set(w.map((x) => x.id)).size === w.length, 'Two sets of whiskers have the same name'),
  photos: z.array(facePhotoSchema).max(12),
  /** In the order they were taken. */
  checks: z.array(faceCheckSchema).max(200),
});

/** Parts of the animal the face is placed by, with what is placed there. */
export const facePlaces = (f: Face): { readonly what: string; readonly part: string }[] => [
  { what: 'The face', part: f.head },
  { what: 'The nose', part: f.nose.at.part },
  { what: 'The eye', part: f.eyes.at.part },
  ...(f.eyes.other ? [{ what: 'The right eye', part: f.eyes.other.part }] : []),
  ...(f.ears.at ? [{ what: 'The ear', part: f.ears.at.part }] : []),
  ...f.whiskers.map((w) => ({ what: w.name, part: w.at.part })),
];

export type Face = z.infer<typeof faceSchema>;
export type Nose = z.infer<typeof noseSchema>;
export type Mouth = z.infer<typeof mouthSchema>;
export type Eyes = z.infer<typeof eyesSchema>;
export type EyeKind = Eyes['kind'];
export type Brows = z.infer<typeof browsSchema>;
export type WhiskerSet = z.infer<typeof whiskerSetSchema>;
export type FacePhoto = z.infer<typeof facePhotoSchema>;
export type FaceCheck = z.infer<typeof faceCheckSchema>;
export type FaceMark = (typeof FACE_MARKS)[number];
