/** A first face for an animal: where its parts say nose and eyes are, in proportions that suit its head. Ours throughout. */
import { BODY_PLANS } from '@/core/form/plans/plans';
import { endOf, makeBody, semiOf, type Body, type BodyPart } from '@/core/form/body';
import { placeAt } from '@/core/form/places';
import type { Brows, Face, WhiskerSet } from '@/core/piece/face';
import type { Piece, Place } from '@/core/piece/schema';
import { isEar } from './head';

const half = (x: number): number => Math.round(2 * x) / 2;
const tenth = (x: number): number => Math.round(10 * x) / 10;

/** The part that carries the face: the head, else the part furthest forward. */
function headPart(body: Body): BodyPart | null {
  const able = body.parts.filter((p) => p.part.shape !== 'board');
  const named = able.find((p) => p.part.role === 'head');
  const front = (p: BodyPart) => Math.max(...p.left.flatMap((s) => [s.a[2], s.b[2]]));
  return named ?? able.reduce<BodyPart | null>((m, p) => (!m || front(p) > front(m) ? p : m), null);
}

interface Anatomy {
  readonly head: BodyPart;
  readonly nose: Place;
  readonly eye: Place;
  /** Radius where the nose sits and width of the head, mm. */
  readonly tipMm: number;
  readonly wideMm: number;
  readonly bird: boolean;
}

function anatomy(piece: Piece): Anatomy | null {
  const body = makeBody(piece.form);
  const head = headPart(body);
  if (!head) return null;
  if (body.surface) {
    const p = body.surface;
    let tip = 0;
    for (let v = 0; v < p.length; v += 3) if (p[v + 2]! > p[tip + 2]!) tip = v;
    const at = [0, p[tip + 1]!, p[tip + 2]!] as const;
    const l = body.lengthMm;
    return {
      head,
      nose: placeAt(body, at),
      eye: placeAt(body, [0.05 * l, at[1] + 0.03 * l, at[2] - 0.1 * l]),
      tipMm: 0.02 * l,
      wideMm: 0.15 * l,
      bird: false,
    };
  }
  const muzzle = body.parts.find(
    (p) => p.part.on === head.part.id && !p.part.mirrored && !isEar(p.part) && p.part.shape === 'limb',
  );
  const on = muzzle ?? head;
  const free = on.part.root === 'start' ? 1 : 0;
  const end = endOf(on, 'free').radius;
  const wideMm =
    head.part.shape === 'pad'
      ? 2 * head.part.halfWidth * body.scale
      : 2 * Math.max(...head.left.flatMap((s) => [semiOf(s, 0).wide, semiOf(s, 1).wide]));
  return {
    head,
    nose: { part: on.part.id, side: 'left', along: free, up: 0, out: 0 },
    eye: { part: head.part.id, side: 'left', along: head.part.root === 'start' ? 0.62 : 0.38, up: 0.4, out: 0.85 },
    tipMm: end,
    wideMm,
    bird: on.part.role === 'beak',
  };
}

/** @returns null when the animal has nothing a face could sit on */
export function beginFace(piece: Piece): Face | null {
  const a = anatomy(piece);
  if (!a) return null;
  const relief = piece.form.parts.some((p) => p.shape === 'board');
  const size = Math.max(1.5, half(0.15 * a.wideMm));
  const r = Math.max(1, a.tipMm);
  const aside = a.bird || relief || BODY_PLANS.find((p) => p.id === piece.form.plan)?.eyes === 'aside';
  return {
    head: a.head.part.id,
    nose: {
      kind: a.bird ? 'beak' : 'wool',
      at: a.nose,
      widthMm: tenth(1.3 * r),
      highMm: tenth(r),
      tiltDeg: 0,
      nostrils: a.bird ? 'slits' : 'commas',
      nostrilMm: Math.max(0.3, tenth(0.3 * r)),
      nostrilsApartMm: Math.max(0.3, tenth(0.7 * r)),
      philtrumMm: a.bird ? 0 : tenth(0.4 * r),
      beforeJoin: a.nose.part !== a.head.part.id,
    },
    mouth: {
      kind: a.bird ? 'none' : 'line',
      sideMm: Math.max(0.5, tenth(2.4 * r)),
      thickMm: Math.max(0.5, tenth(0.22 * r)),
      endMm: 0.3,
      liftMm: tenth(0.3 * r),
      chinMm: a.bird ? 0 : tenth(1.2 * r),
      lotId: null,
    },
    eyes: {
      kind: relief ? 'layered' : a.bird ? 'bead' : 'stem',
      at: a.eye,
      other: null,
      sees: aside ? 'sideways' : 'forward',
      sizeMm: size,
      lifeMm: null,
      stockId: null,
      slantDeg: 0,
      // A hunter's eyes are turned to the front a little from how they lie on the skin.
      forwardDeg: aside ? 0 : 20,
      socketMm: relief ? 1.5 : Math.max(1, half(0.55 * size)),
      stem: { lengthMm: Math.max(4, Math.min(10, half(0.28 * a.wideMm))), thickMm: 1, inDeg: 35, downDeg: 20 },
      layers: {
        rimMm: tenth(Math.max(0.5, 0.08 * size)),
        rimLotId: null,
        iris: 'ring',
        irisLotId: null,
        innerLotId: null,
        pupil: 'round',
        pupilLotId: null,
        lighting: 'indoors',
        lampSideDeg: -45,
        lampHeightDeg: 45,
        lights: 'one lamp',
        lightMm: Math.max(0.8, tenth(0.18 * size)),
        secondLight: size >= 18,
        lightLotId: null,
        darkLineMm: 0.5,
      },
      gazeSideDeg: 0,
      gazeUpDeg: 0,
      converge: false,
      lids: { upper: 0.12, lower: 0.05, innerMm: 0, outerMm: 0, darkMm: a.bird ? 0 : 0.5, lotId: null },
    },
    ears: { when: 'before the coat', turnDeg: 35, leanDeg: 10, at: null },
    brows: null,
    whiskers: [],
    photos: [],
    checks: [],
  };
}

export const beginBrows = (face: Face): Brows => ({
  lengthMm: tenth(1.4 * face.eyes.sizeMm),
  aboveMm: tenth(0.4 * face.eyes.sizeMm),
  inMm: Math.max(0.5, tenth(0.25 * face.eyes.sizeMm)),
  outMm: 0.3,
  archMm: tenth(0.2 * face.eyes.sizeMm),
  tiltDeg: 0,
  lotId: null,
});

/** Rows of whiskers beside the nose, or a few over the eye. */
export function beginWhiskers(piece: Piece, face: Face, kind: WhiskerSet['kind'], id: string): WhiskerSet {
  const a = anatomy(piece);
  const r = a ? Math.max(1, a.tipMm) : 4;
  const brow = kind === 'brow whiskers';
  const scale = piece.form.lifeLengthMm / piece.form.finishedLengthMm;
  const onNose = face.nose.at;
  return {
    id,
    name: brow ? 'Brow whiskers' : 'Whiskers',
    kind,
    at: brow
      ? { ...face.eyes.at, up: Math.min(6, face.eyes.at.up + 0.45) }
      : { ...onNose, along: onNose.along < 0.5 ? 0.28 : 0.72, up: -0.1, out: 0.9 },
    perSide: brow ? 3 : 8,
    rows: brow ? 1 : 3,
    alongMm: Math.max(0.3, tenth(0.35 * r)),
    rowsApartMm: Math.max(0.3, tenth(0.3 * r)),
    // About 60 mm in life. Ours.
    longestMm: Math.max(2, half((brow ? 40 : 60) / scale)),
    shortestShare: 0.5,
    fanDeg: brow ? 30 : 40,
    droopDeg: brow ? -20 : 8,
    threadId: null,
    passes: 4,
    glue: 'none',
    dashLotId: null,
  };
}
