/** A practice ball as a piece of its own: one ball, the coat and the colours of one area on it, so that it is planned and drawn like any animal. */
import { COVERED_FROM_DEG } from '@/core/coat/practice';
import type { Area, Part, Piece } from '@/core/piece/schema';

/** Half of it in drawn units: it is drawn a thousand long. */
const HALF = 500;
/** The area on it: none of what was written down is about this one. */
const ON_BALL = 'practice-ball';

const BALL: Part = {
  id: 'ball',
  name: 'Ball',
  role: 'other',
  shape: 'pad',
  mirrored: false,
  blend: 0,
  lie: 'to-end',
  on: null,
  root: 'start',
  // From its top down: so its fur points.
  start: [0, HALF, 0],
  end: [0, -HALF, 0],
  halfWidth: HALF,
  halfHeight: HALF,
};

/** How far down from its top the covered part begins, as a share of the way. */
const FROM = (1 - Math.cos((COVERED_FROM_DEG * Math.PI) / 180)) / 2;

/** @returns null where there is no such area, or it is left bare */
export function ballPiece(piece: Piece, areaId: string, diameterMm: number): Piece | null {
  const area = piece.areas.find((a) => a.id === areaId);
  if (!area || area.coat.method === 'none') return null;
  const on: Area = {
    ...area,
    id: ON_BALL,
    where: [{ parts: [BALL.id], along: { from: FROM, to: 1 } }],
    strokes: [],
    awayFrom: null,
    seam: 'none',
    branching: false,
    // What is laid where on the animal lies all over a ball.
    shade: {
      ...area.shade,
      layers: area.shade.layers.map((l) => ('where' in l ? { ...l, where: { kind: 'all' } as const } : l)),
    },
    coat: area.coat.method === 'sheet' ? { ...area.coat, slit: null } : area.coat,
  };
  return {
    ...piece,
    form: { ...piece.form, finishedLengthMm: diameterMm, parts: [BALL], pose: [], scan: null },
    core: { ...piece.core, soft: [], under: [], weight: null },
    frame: { ...piece.frame, kind: 'none' },
    references: [],
    flatParts: [],
    combs: [],
    areas: [on],
    markings: [],
    smallParts: [],
    things: [],
    face: null,
    known: [],
  };
}
