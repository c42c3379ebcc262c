/** How a piece was last looked at: kept beside the piece, never part of it, not undone. */
import { z } from 'zod';
import { LIGHTINGS } from '@/core/picture/lighting';
import { placeSchema } from '@/core/piece/places';

export const OVERLAYS = ['fur', 'colour', 'rows', 'lie', 'cover', 'areas', 'plain'] as const;
export const FORM_ROOMS = ['shape', 'compare', 'core', 'frame', 'stands', 'flat', 'things', 'areas'] as const;
export type FormRoom = (typeof FORM_ROOMS)[number];
export const COAT_ROOMS = ['lay', 'lie', 'ways', 'trim', 'practice'] as const;
export type CoatRoom = (typeof COAT_ROOMS)[number];
export const SHADE_ROOMS = ['stack', 'blend', 'match', 'markings', 'judge'] as const;
export type ShadeRoom = (typeof SHADE_ROOMS)[number];
export const FACE_ROOMS = ['chart', 'eye', 'set', 'level'] as const;
export type FaceRoom = (typeof FACE_ROOMS)[number];
export const FEATURES = ['nose', 'mouth', 'eyes', 'ears', 'brows', 'whiskers'] as const;
export type FaceFeature = (typeof FEATURES)[number];
export const NEEDLE_ROOMS = ['rack', 'plan', 'inside', 'finish'] as const;
export type NeedleRoom = (typeof NEEDLE_ROOMS)[number];
export const ORDER_ROOMS = ['steps', 'time', 'over'] as const;
export type OrderRoom = (typeof ORDER_ROOMS)[number];
/** What lies beside the work at the bench. */
export const BENCH_ROOMS = ['work', 'steps', 'chart', 'write', 'needles', 'photographs'] as const;
export type BenchRoom = (typeof BENCH_ROOMS)[number];
export const INSIDES = ['finished', 'core', 'cut'] as const;
export type Inside = (typeof INSIDES)[number];
/** What of the desk is seen in turn where there is no room for all of it. */
export const PANES = ['list', 'picture', 'docket'] as const;
export type Pane = (typeof PANES)[number];

/** How the finished animal is held against a photograph: its outline, beside it, over it, or up to a line and the photograph from there on. */
export const BESIDE = ['outline', 'side by side', 'over', 'line'] as const;
const LIGHTS = Object.keys(LIGHTINGS) as [keyof typeof LIGHTINGS];

export type Overlay = (typeof OVERLAYS)[number];

export const viewSchema = z.object({
  areaId: z.string().nullable().default(null),
  pane: z.enum(PANES).catch('docket').default('docket'),
  /** In Form: which of its rooms is open, which part is in hand, and how much of the inside is shown. */
  room: z.enum(FORM_ROOMS).catch('shape').default('shape'),
  /** In Coat: which of its rooms is open, and how far the fur shown is trimmed; null once all of it is. */
  coatRoom: z.enum(COAT_ROOMS).catch('lay').default('lay'),
  /** In Coat: the row in hand, and whether the rows are seen as a chart or as a table. */
  row: z.number().int().min(1).nullable().catch(null).default(null),
  rowsAs: z.enum(['chart', 'table']).catch('chart').default('chart'),
  /** In Shade: which of its rooms is open, the layer and the marking in hand, the colour to match. */
  shadeRoom: z.enum(SHADE_ROOMS).catch('stack').default('stack'),
  layerId: z.string().nullable().catch(null).default(null),
  markingId: z.string().nullable().catch(null).default(null),
  target: z
    .string()
    .regex(/^#[0-9a-f]{6}$/)
    .catch('#8a5a34')
    .default('#8a5a34'),
  /** In Face: which of its rooms is open, the feature, the whiskers and the photograph in hand, the landmark to pin next. */
  faceRoom: z.enum(FACE_ROOMS).catch('chart').default('chart'),
  feature: z.enum(FEATURES).catch('eyes').default('eyes'),
  whiskersId: z.string().nullable().catch(null).default(null),
  facePhotoId: z.string().nullable().catch(null).default(null),
  faceMark: z.string().nullable().catch(null).default(null),
  /** In the chart: a photograph is being pinned. On the level: the photograph lies over the chart, or is pinned. */
  pinning: z.boolean().catch(false).default(false),
  photoOver: z.boolean().catch(false).default(false),
  /** In Needles: which of its rooms is open, the needle in hand, the place looked into and on which picture it is picked. */
  needleRoom: z.enum(NEEDLE_ROOMS).catch('rack').default('rack'),
  needleId: z.string().nullable().catch(null).default(null),
  insideAt: placeSchema.nullable().catch(null).default(null),
  pickOn: z.enum(['animal', 'face']).catch('animal').default('animal'),
  /** In Order: which of its rooms is open, and the step in hand (there, in Needles and at the bench). */
  orderRoom: z.enum(ORDER_ROOMS).catch('steps').default('steps'),
  stepId: z.string().nullable().catch(null).default(null),
  /** At the bench: what lies beside the work, and whether nothing but the work is seen. */
  benchRoom: z.enum(BENCH_ROOMS).catch('work').default('work'),
  bare: z.boolean().catch(false).default(false),
  trimStep: z.number().int().min(0).max(40).nullable().catch(null).default(null),
  /** In Form: the photograph and the flat part in hand. */
  referenceId: z.string().nullable().default(null),
  /** In Compare: how the finished animal is held against the photograph, by which light, and how far across the line between both stands. */
  beside: z.enum(BESIDE).catch('outline').default('outline'),
  besideLight: z.enum(LIGHTS).catch('window').default('window'),
  besideAt: z.number().min(0).max(1).catch(0.5).default(0.5),
  flatId: z.string().nullable().default(null),
  /** The small thing in hand. */
  thingId: z.string().nullable().catch(null).default(null),
  partId: z.string().nullable().default(null),
  /** Of a pair: whether both bend alike, or one alone. */
  poseSide: z.enum(['both', 'left', 'right']).catch('both').default('both'),
  inside: z.enum(INSIDES).catch('finished').default('finished'),
  /** The brush: off, adding to an area or taking away, combing, or showing where fur points away from; its width in thousandths of the length; on both sides alike. */
  brush: z.enum(['off', 'paint', 'erase', 'comb', 'away', 'mark', 'line', 'where']).catch('off').default('off'),
  brushReach: z.number().min(2).max(300).default(24),
  brushBoth: z.boolean().default(true),
  overlay: z.enum(OVERLAYS).default('fur'),
  graticule: z.boolean().default(false),
  /** Turn about the upright and tilt from above, degrees; yaw 0 looks at the animal from the front. */
  yaw: z.number().default(-62),
  pitch: z.number().min(-90).max(90).default(12),
  zoom: z.number().min(0.5).max(16).default(1),
  /** How far what is in the middle of the picture lies from the middle of the animal, right and up on it, mm. */
  pan: z.tuple([z.number(), z.number()]).catch([0, 0]).default([0, 0]),
  /** Names of the areas on the animal. */
  named: z.boolean().catch(true).default(true),
  /** The bench timer: when the row was begun (ms since 1970), or null when it stands still; and what ran before. */
  timer: z
    .object({ areaId: z.string(), startedAt: z.number().nullable(), beforeMs: z.number().min(0) })
    .nullable()
    .default(null),
});

export type View = z.infer<typeof viewSchema>;
export const defaultView: View = viewSchema.parse({});
