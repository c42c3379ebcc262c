/**
 * Both eyes worked out: how large against life, how deep and how far out, how much is seen from the front, stems, wool, the
 * ladder from rim to light, what it stands against, the steps.
 */
import type { Work } from '@/core/time/elements';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { difference } from '@/core/colour/difference';
import { labOf } from '@/core/colour/lab';
import type { FormWork } from '@/core/form/form';
import type { FramePlan } from '@/core/build/frame';
import type { CorePlan } from '@/core/build/core-plan';
import { blocked } from '@/core/geometry/rays';
import { add, norm, scale, sub, type Vec3 } from '@/core/geometry/vec';
import type { Memo } from '@/core/memo';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, StockEye } from '@/core/piece/cupboard';
import type { Eyes, Face } from '@/core/piece/face';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { ShadePlan } from '@/core/shade/shade-plan';
import type { Text } from '@/core/text';
import { colourAround, furNear, type AroundColour, type FurNear } from './around-eye';
import { EYE_SPECS } from './eye-kinds';
import { eyePlaces, type EyePlace } from './eye-place';
import { expression, type Look } from './expression';
import {
  beforeFelting,
  discWool,
  eyeFactor,
  eyeWool,
  seenDisc,
  standsOut,
  stemGap,
  stemsTouch,
} from '@/core/face/face-methods';
import { intoHead, type HeadFrame } from '@/core/face/head/head';
import { ladder, type Ladder } from './ladder';
import {
  clearing,
  longestClear,
  stemState,
  type StemChoice,
  type StemRoom,
  type StemState,
} from '@/core/face/stems/stems';
import { seenShare } from './visible';

type Style = 'smaller than life' | 'life-like' | 'softened' | 'cute';

/** Bounds of the words, eye against life (ours). */
const LIFE_LEAST = 0.9;
const LIFE_MOST = 1.15;
const SOFT_MOST = 1.4;

export const styleOf = (factor: number): Style =>
  factor < LIFE_LEAST
    ? 'smaller than life'
    : factor <= LIFE_MOST
      ? 'life-like'
      : factor <= SOFT_MOST
        ? 'softened'
        : 'cute';

interface StockSize {
  readonly eye: StockEye;
  readonly factor: number | null;
  readonly style: Style | null;
  readonly enough: boolean;
}

export interface EyePlan {
  readonly places: readonly EyePlace[];
  /** Size of life on this piece, mm; null until it is known. */
  readonly lifeMm: number | null;
  readonly factor: Figure | null;
  readonly style: Style | null;
  readonly stock: StockEye | null;
  /** Eyes of the cupboard that this kind can use, nearest in size first. */
  readonly sizes: readonly StockSize[];
  /** How wide it is seen, and how far it stands out, mm. */
  readonly discMm: number;
  readonly seen: Figure | null;
  readonly out: Figure | null;
  readonly outMm: number;
  /** Share of each eye seen from straight in front. */
  readonly frontShare: readonly number[];
  readonly stems: {
    readonly choice: StemChoice;
    readonly state: StemState;
    /** Only while both mirror each other. */
    readonly gap: Figure | null;
    /** Null also where they never do. */
    readonly touch: Figure | null;
    readonly clearing: StemChoice | null;
    readonly longestMm: number | null;
  } | null;
  readonly wool: { readonly each: Figure; readonly before: Figure | null; readonly lotId: string | null } | null;
  readonly steps: readonly {
    readonly what: 'make' | 'seat' | 'set';
    readonly says: Text;
    readonly work: Work;
    readonly atNeedle: number;
  }[];
  readonly ladder: Ladder;
  readonly look: Look;
  /** What it looks like from without, and what lies round it. */
  readonly edgeHex: string | null;
  readonly around: AroundColour | null;
  readonly contrast: number | null;
  readonly fur: readonly FurNear[];
}

/** Depth of a flat eye in the felt, mm. Ours. */
const FLAT_DEEP = 2;
/** A flat eye stands out by this share of its width. Ours. */
const FLAT_DOME = 0.12;
const LINE_MM = 0.8;

/** Eyes set into the animal, with what they run into. */
interface EyeSetting {
  readonly form: FormWork;
  readonly frame: HeadFrame;
  readonly face: Face;
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly scaleOfLife: number;
  readonly core: Pick<CorePlan, 'skin' | 'volumeMm3'> | null;
  readonly wire: FramePlan;
  readonly coat: CoatPlan;
  readonly shade: ShadePlan;
  readonly memo: Memo;
}

/** Colour of the outermost of an eye: its rim, else its iris or the bead. */
function edgeOf(eyes: Eyes, stock: StockEye | null, piece: Piece, cupboard: Cupboard): string | null {
  const colour = (id: string | null) => cupboard.lots.find((l) => l.id === id)?.colour ?? null;
  const l = eyes.layers;
  if (EYE_SPECS[eyes.kind].made === 'bought') return (l.rimMm > 0 ? colour(l.rimLotId) : null) ?? stock?.colour ?? null;
  const small = piece.smallParts.find((s) => s.kind === 'eye');
  return (
    (l.rimMm > 0 ? colour(l.rimLotId) : null) ??
    (l.iris !== 'none' ? colour(l.irisLotId) : null) ??
    colour(l.pupilLotId) ??
    colour(small?.recipe[0]?.lotId ?? null)
  );
}

export function stemRoom(
  s: Pick<EyeSetting, 'form' | 'frame' | 'face' | 'core' | 'wire'>,
  places: readonly EyePlace[],
): StemRoom {
  const { eyes } = s.face;
  return {
    starts: places.map((e) => ({ side: e.side, at: add(e.at, scale(e.axis, -eyes.socketMm)) })),
    frame: s.frame,
    inside: s.core?.skin ?? s.form.skin,
    thickMm: eyes.stem.thickMm,
    wires: s.wire.runs.flatMap((r) =>
      r.paths.map((path) => ({ path, thickMm: s.wire.thickMm * (r.strands > 1 ? 2 : 1) })),
    ),
  };
}

/** Eyes of the cupboard that this kind can use, nearest in size first. */
function stockSizes(
  { face, cupboard }: EyeSetting,
  wanted: number,
  nearTo: number,
  factorOf: (sizeMm: number) => Figure | null,
): StockSize[] {
  const { kind } = face.eyes;
  if (EYE_SPECS[kind].made !== 'bought') return [];
  const off = (x: StockSize) => Math.abs(Math.log(x.eye.diameterMm / nearTo));
  return cupboard.eyes
    .filter((e) => e.kind === (kind === 'stem' ? 'stem' : 'bead'))
    .map((eye): StockSize => {
      const f = factorOf(eye.diameterMm);
      return { eye, factor: f?.value ?? null, style: f && styleOf(f.value), enough: eye.count >= wanted };
    })
    .sort((a, b) => off(a) - off(b));
}

/** Wool of each eye, and how large it is rolled before it is felted; null where it is bought. */
function eyeWoolOf({ face, hand }: EyeSetting): EyePlan['wool'] {
  const { eyes } = face;
  const spec = EYE_SPECS[eyes.kind];
  if (spec.made === 'bought') return null;
  const ball = spec.dome === 'ball';
  const felted = hand.coreDensityMgCm3['flat felt'];
  const density = eyes.kind === 'wound' ? felted.most : felted.usual;
  return {
    each: ball
      ? figure(eyeWool, { size: eyes.sizeMm, density })
      : figure(discWool, {
          size: eyes.kind === 'closed' ? Math.sqrt(eyes.sizeMm * LINE_MM * (4 / Math.PI)) : eyes.sizeMm,
          deep: FLAT_DEEP,
          density,
        }),
    before:
      ball && spec.made === 'wool'
        ? figure(beforeFelting, { size: eyes.sizeMm, felted: density, loose: hand.wrapDensityMgCm3 })
        : null,
    lotId: eyes.layers.irisLotId ?? eyes.layers.pupilLotId ?? eyes.layers.rimLotId,
  };
}

/** Making, seating and setting, both eyes together. */
function stepsOf({ eyes }: Face, eyesInAll: number, beforeMm: number | null): EyePlan['steps'] {
  const spec = EYE_SPECS[eyes.kind];
  const numbers = {
    sizeMm: eyes.sizeMm,
    beforeMm,
    socketMm: eyes.socketMm,
    stemMm: eyes.stem.lengthMm,
    inDeg: eyes.stem.inDeg,
    downDeg: eyes.stem.downDeg,
    slantDeg: eyes.slantDeg,
    two: eyesInAll > 1,
  };
  return [
    ...(spec.make
      ? [
          {
            what: 'make' as const,
            says: spec.make(numbers),
            work: { eyeMade: spec.making * eyesInAll },
            atNeedle: AT_NEEDLE.making * spec.making * eyesInAll,
          },
        ]
      : []),
    {
      what: 'seat',
      says: spec.seat(numbers),
      work: { eyesSeated: eyesInAll / 2 },
      atNeedle: AT_NEEDLE.seat * eyesInAll,
    },
    {
      what: 'set',
      says: spec.set(numbers),
      work: { eyesSet: (spec.setting * eyesInAll) / 2 },
      atNeedle: AT_NEEDLE.setting * spec.setting * eyesInAll,
    },
  ];
}

/** Of one usual eye, minutes at the needle. Ours. */
const AT_NEEDLE = { making: 5, seat: 3, setting: 6 } as const;

export function planEyes(s: EyeSetting): EyePlan {
  const { form, frame, face, cupboard } = s;
  const { eyes } = face;
  const { dome } = EYE_SPECS[eyes.kind];
  const places = eyePlaces(form, frame, eyes);
  const stock = cupboard.eyes.find((e) => e.id === eyes.stockId) ?? null;
  const lifeMm = eyes.lifeMm === null ? null : eyes.lifeMm / s.scaleOfLife;
  const factorOf = (size: number) =>
    eyes.lifeMm === null ? null : figure(eyeFactor, { size, scale: s.scaleOfLife, life: eyes.lifeMm });
  const factor = factorOf(eyes.sizeMm);
  const ball = { size: eyes.sizeMm, deep: eyes.socketMm };
  const seen = dome === 'ball' ? figure(seenDisc, ball) : null;
  const out = dome === 'ball' ? figure(standsOut, ball) : null;
  const discMm = seen?.value ?? eyes.sizeMm;
  const outMm = out ? out.value : dome === 'flat' ? FLAT_DOME * eyes.sizeMm : LINE_MM;
  const frontShare = s.memo.keep('eyes-front', [form.skin, places, frame.z, discMm, outMm], seenFromFront);
  const wool = eyeWoolOf(s);
  const edgeHex = edgeOf(eyes, stock, s.piece, cupboard);
  const reach = discMm / 2;
  const around = places[0] ? colourAround(places[0].at, reach, s.coat, s.shade) : null;
  return {
    places,
    lifeMm,
    factor,
    style: factor && styleOf(factor.value),
    stock,
    sizes: stockSizes(s, places.length, lifeMm ?? eyes.sizeMm, factorOf),
    discMm,
    seen,
    out,
    outMm,
    frontShare,
    stems: eyes.kind === 'stem' && places.length > 0 ? stemsOf(s, places) : null,
    wool,
    steps: stepsOf(face, places.length, wool?.before?.value ?? null),
    ladder: ladder(
      eyes,
      discMm,
      places.map((e) => e.side),
    ),
    // Where a bought or a closed eye looks is not decided by turning an iris.
    look: expression(EYE_SPECS[eyes.kind].made === 'wool' ? eyes : { ...eyes, gazeUpDeg: 0 }, face.brows),
    edgeHex,
    around,
    contrast: edgeHex && around ? difference(labOf(edgeHex), around.lab) : null,
    fur: furNear(places, reach, s.coat),
  };
}

function stemsOf(s: EyeSetting, places: readonly EyePlace[]): EyePlan['stems'] {
  const { stem } = s.face.eyes;
  const choice: StemChoice = { lengthMm: stem.lengthMm, inDeg: stem.inDeg, downDeg: stem.downDeg };
  const room = stemRoom(s, places);
  const [l, r] = room.starts;
  const apart = l && r ? norm(sub(l.at, r.at)) : null;
  // The closed form holds while both start on one level and mirror each other.
  const level = l && r ? mirrorsOf(s.frame, l.at, r.at) : false;
  const stock = s.cupboard.eyes.find((e) => e.id === s.face.eyes.stockId);
  const most = stock && stock.stemMm > 0 ? stock.stemMm : Math.max(stem.lengthMm, 30);
  const found = s.memo.keep('stems', [room, choice, most], tryStems);
  const touching =
    level && apart !== null ? { apart, long: stem.lengthMm, down: stem.downDeg, thick: stem.thickMm } : null;
  return {
    choice,
    ...found,
    gap:
      level && apart !== null
        ? figure(stemGap, { apart, long: stem.lengthMm, inward: stem.inDeg, down: stem.downDeg, thick: stem.thickMm })
        : null,
    // Stems too short to meet meet at no angle.
    touch: touching && Number.isFinite(stemsTouch.of(touching)) ? figure(stemsTouch, touching) : null,
  };
}

/** How stems stand in their room, what would clear them where they do not, and how long they may be at most. */
function tryStems(room: StemRoom, choice: StemChoice, mostMm: number) {
  const state = stemState(room, choice);
  return {
    state,
    clearing: state.clear ? null : clearing(room, choice, mostMm),
    longestMm: longestClear(room, choice, mostMm),
  };
}

/** Share of each eye seen from the front: of its disc, half way up what stands out. */
const seenFromFront = (
  skin: FormWork['skin'],
  places: readonly EyePlace[],
  forward: Vec3,
  discMm: number,
  outMm: number,
): number[] =>
  places.map((e) =>
    seenShare(
      { at: add(e.at, scale(e.axis, Math.max(0, outMm) / 2)), axis: e.axis, radiusMm: discMm / 2, outMm: 0 },
      forward,
      (p) => blocked(skin, p, forward, Math.max(0.6, skin.edgeMm * 0.6)),
    ),
  );

function mirrorsOf(frame: HeadFrame, l: Vec3, r: Vec3): boolean {
  const [a, b] = [intoHead(frame, l), intoHead(frame, r)];
  return Math.hypot(a[0] + b[0], a[1] - b[1], a[2] - b[2]) < 0.2;
}
