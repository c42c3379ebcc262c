/**
 * The face: what is decided about nose, mouth, eyes, ears, brows and whiskers, the photographs their landmarks are pinned
 * on, and measures taken of the real piece. Colours of nose and lips are small parts of the shade; a stock eye is in the
 * cupboard.
 */
import { z } from 'zod';
import { id, measure, name, whole } from './fields';
import { placeSchema } from './places';

export const NOSE_KINDS = ['ball', 'shaped pad', 'gathered disc', 'stitched', 'wool', 'beak'] as const;
export const NOSTRILS = ['none', 'commas', 'slits', 'round'] as const;
export const MOUTH_KINDS = ['line', 'lips', 'none'] as const;
export const EYE_KINDS = ['rolled', 'wound', 'layered', 'bead', 'stem', 'closed', 'disc'] as const;
export const PUPILS = ['round', 'upright slit', 'level bar', 'square-ended'] as const;
export const LIGHTINGS = ['bright', 'indoors', 'dim'] as const;
export const WHISKER_GLUES = ['none', 'drawn in', 'dab'] as const;
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
  kind: z.enum(NOSE_KINDS),
  /** Its tip. */
  at: placeSchema,
  widthMm: measure('Width of the nose', 0.5, 80, 'mm'),
  highMm: measure('Height of the nose', 0.5, 80, 'mm'),
  /** How far it is tilted up. */
  tiltDeg: measure('Tilt of the nose', -60, 60, 'degrees'),
  nostrils: z.enum(NOSTRILS),
  nostrilMm: measure('Size of a nostril', 0.3, 20, 'mm'),
  /** From the middle of one to the middle of the other. */
  nostrilsApartMm: measure('Nostrils apart', 0.3, 60, 'mm'),
  /** From the underside of the nose to the mouth. */
  philtrumMm: measure('From the nose to the mouth', 0, 60, 'mm'),
  /** Made while the muzzle is still a part by itself. */
  beforeJoin: z.boolean(),
});

export const mouthSchema = z.strictObject({
  kind: z.enum(MOUTH_KINDS),
  /** Over the skin from the middle to one corner. */
  sideMm: measure('Half of the mouth', 0.5, 120, 'mm'),
  thickMm: measure('Thickness in the middle', 0.3, 10, 'mm'),
  endMm: measure('Thickness at the corner', 0, 10, 'mm'),
  liftMm: measure('Lift of the corner', -20, 20, 'mm'),
  /** Width of the chin's pad; 0 for none. */
  chinMm: measure('Width of the chin', 0, 60, 'mm'),
  lotId: id('Wool of the mouth').nullable(),
});

const share = (what: string) => measure(what, 0, 1, '');
const wool = (what: string) => id(what).nullable();

export const eyeLayersSchema = z.strictObject({
  /** Dark edge round the iris. */
  rimMm: measure('Width of the rim', 0, 10, 'mm'),
  rimLotId: wool('Wool of the rim'),
  iris: z.enum(['ring', 'disc', 'none']),
  irisLotId: wool('Wool of the iris'),
  /** A second colour next to the pupil. */
  innerLotId: wool('Second wool of the iris'),
  pupil: z.enum(PUPILS),
  pupilLotId: wool('Wool of the pupil'),
  lighting: z.enum(LIGHTINGS),
  /** Where the lamp stands, seen from in front of the animal: to the right positive, above positive. */
  lampSideDeg: measure('Lamp to the side', -90, 90, 'degrees'),
  lampHeightDeg: measure('Height of the lamp', -30, 90, 'degrees'),
  /** One lamp gives the same clock in both eyes; mirrored is the other school. */
  lights: z.enum(['one lamp', 'mirrored', 'none']),
  lightMm: measure('Size of the light', 0.2, 12, 'mm'),
  secondLight: z.boolean(),
  lightLotId: wool('Wool of the light'),
  /** Dark left between the light and the pale around the eye. */
  darkLineMm: measure('Dark line beside the light', 0, 5, 'mm'),
});

export const eyesSchema = z.strictObject({
  kind: z.enum(EYE_KINDS),
  /** Middle of the eye on the animal's left. */
  at: placeSchema,
  /** Where the right one was set by itself; null while it mirrors the left. */
  other: placeSchema.nullable(),
  /** Hunters look forward, grazers to the side. */
  sees: z.enum(['forward', 'sideways']),
  sizeMm: measure('Size of the eye', 0.8, 60, 'mm'),
  /** Width of the eye in life. */
  lifeMm: measure('Width of the eye in life', 0.5, 120, 'mm').nullable(),
  stockId: id('Eye').nullable(),
  /** Outer corner above the inner one. */
  slantDeg: measure('Slant of the eye', -60, 60, 'degrees'),
  /** Turned toward the front from square to the skin. */
  forwardDeg: measure('Turned forward', -60, 60, 'degrees'),
  socketMm: measure('Depth of the socket', 0, 40, 'mm'),
  stem: z.strictObject({
    lengthMm: measure('Length of the stem', 1, 80, 'mm'),
    thickMm: measure('Thickness of the stem', 0.3, 6, 'mm'),
    inDeg: measure('Hole inward', 0, 90, 'degrees'),
    downDeg: measure('Hole downward', -60, 80, 'degrees'),
  }),
  layers: eyeLayersSchema,
  /** A glance, both eyes the same way: to its left and up positive, from straight out of the socket. */
  gazeSideDeg: measure('Looks to its left', -45, 45, 'degrees'),
  gazeUpDeg: measure('Looks up', -45, 45, 'degrees'),
  /** Both eyes turn in toward one thing in front. */
  converge: z.boolean(),
  lids: z.strictObject({
    upper: share('Covered by the upper lid'),
    lower: share('Covered by the lower lid'),
    innerMm: measure('Inner corner pushed up', -10, 10, 'mm'),
    outerMm: measure('Outer corner pushed down', -10, 10, 'mm'),
    darkMm: measure('Dark line below', 0, 6, 'mm'),
    lotId: wool('Wool of the lids'),
  }),
});

export const browsSchema = z.strictObject({
  lengthMm: measure('Length of the brow', 0.5, 80, 'mm'),
  aboveMm: measure('Brow above the eye', 0, 60, 'mm'),
  inMm: measure('Thickness inside', 0.2, 12, 'mm'),
  outMm: measure('Thickness outside', 0, 12, 'mm'),
  /** How far its middle rises over the straight line of its ends. */
  archMm: measure('Arch of the brow', -10, 20, 'mm'),
  /** Outer end above the inner one. */
  tiltDeg: measure('Tilt of the brow', -60, 60, 'degrees'),
  lotId: wool('Wool of the brow'),
});

export const whiskerSetSchema = z.strictObject({
  id: id('Whiskers'),
  name: name('Name of the whiskers'),
  kind: z.enum(['whiskers', 'brow whiskers']),
  /** Foremost root of the lowest row, on the animal's left. */
  at: placeSchema,
  perSide: whole('Whiskers on a side', 1, 40),
  rows: whole('Rows of roots', 1, 8),
  alongMm: measure('Roots apart in a row', 0.3, 20, 'mm'),
  rowsApartMm: measure('Rows apart', 0.3, 20, 'mm'),
  longestMm: measure('Longest whisker', 2, 200, 'mm'),
  /** The foremost against the longest. */
  shortestShare: measure('Shortest against the longest', 0.1, 1, ''),
  fanDeg: measure('Fan from the lowest to the highest', 0, 120, 'degrees'),
  droopDeg: measure('Droop', -60, 60, 'degrees'),
  threadId: id('Thread').nullable(),
  passes: whole('Passes of the thread', 1, 8),
  glue: z.enum(WHISKER_GLUES),
  /** Rows of dark dashes where they root. */
  dashLotId: wool('Wool of the dashes'),
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
  side: z.enum(['front', 'profile']),
  aspect: measure('Shape of the picture', 0.05, 20, ''),
  strength: measure('Strength of the picture', 0, 1, ''),
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
          leftMm: measure('Measure on the left', 0.5, 400, 'mm'),
          rightMm: measure('Measure on the right', 0.5, 400, 'mm'),
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
    eyeMm: measure('Size of the known eye', 0.5, 80, 'mm'),
    pins: z.array(pin).max(FACE_MARKS.length + SCALE_MARKS.length),
  }),
]);

export const faceSchema = z.strictObject({
  /** The part that carries the face. */
  head: id('Head'),
  nose: noseSchema,
  mouth: mouthSchema,
  eyes: eyesSchema,
  ears: z.strictObject({
    /** Before the coat to bring the face into focus, or after it so that they are not crushed: two schools. */
    when: z.enum(['before the coat', 'after the coat']),
    /** How far they are turned out from facing forward, and how far they lean back; of the animal in the reference. */
    turnDeg: measure('Ears turned out', -90, 120, 'degrees'),
    leanDeg: measure('Ears lean back', -60, 120, 'degrees'),
    /** Middle of the seat on the animal's left; null where they stand as drawn. */
    at: placeSchema.nullable(),
  }),
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
