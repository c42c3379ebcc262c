/**
 * Is the real face level? From pairs of calliper measures, or from landmarks clicked on a photograph of it: each pair's
 * difference in millimetres and degrees, and what to move, how far, on which side.
 */
import { add, dot, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import { figure, type Figure } from '@/core/method/define';
import type { FaceCheck, FaceMark } from '@/core/piece/face';
import { degrees, fine, say, type Text } from '@/core/text';
import type { EyePlace } from '@/core/face/eyes/eye-place';
import { tolerance } from '@/core/face/face-methods';
import type { HeadFrame } from '@/core/face/head/head';
import type { Measured } from '@/core/face/head/marks';
import { midline, type Flat, type Midline } from './symmetry';

interface Unlevel {
  readonly what: 'eye' | 'ear' | 'mouth';
  /** Left above right, and left further out than right, mm; null where not measured. */
  readonly higherMm: number | null;
  readonly widerMm: number | null;
  /** Slant of the left eye over that of the right, degrees; null where not measured. */
  readonly slantDeg: number | null;
  readonly level: boolean;
  /** What to do; null when it is level. */
  readonly move: Text | null;
}

/** What levelling needs of the head. */
interface HeadSize {
  readonly frame: HeadFrame;
  readonly widthMm: number;
}

export interface LevelPlan {
  readonly id: string;
  readonly at: string;
  readonly kind: FaceCheck['kind'];
  readonly tolerance: Figure;
  readonly pairs: readonly Unlevel[];
  /** Of a photograph: the fitted midline and the landmarks left out of it. */
  readonly midline: Midline | null;
  /** Places of the pins in mm: right and up. Empty for callipers. */
  readonly pins: readonly { readonly mark: string; readonly at: Flat }[];
  readonly mmPerWidth: number | null;
  /** Why nothing could be fitted. */
  readonly problem: string | null;
}

const NAMES = { eye: 'eye', ear: 'ear', mouth: 'corner of the mouth' } as const;

/** Words for one pair. @param planHigh height of the planned one, of either side as it is, to tell which side to move */
function judged(
  what: Unlevel['what'],
  higherMm: number | null,
  widerMm: number | null,
  slantDeg: number | null,
  tol: number,
  leftIsOff: boolean,
): Unlevel {
  const side = leftIsOff ? 'left' : 'right';
  const sign = leftIsOff ? 1 : -1;
  const moves: Text[] = [];
  if (higherMm !== null && Math.abs(higherMm) > tol) {
    moves.push(say`${sign * higherMm > 0 ? 'lower' : 'raise'} the ${side} ${NAMES[what]} ${fine(Math.abs(higherMm))}`);
  }
  if (widerMm !== null && Math.abs(widerMm) > tol) {
    moves.push(
      say`set the ${side} ${NAMES[what]} ${fine(Math.abs(widerMm))} ${sign * widerMm > 0 ? 'further in' : 'further out'}`,
    );
  }
  if (slantDeg !== null && Math.abs(slantDeg) > SLANT_TOLERANCE) {
    moves.push(
      say`turn the outer corner of the ${side} eye ${sign * slantDeg > 0 ? 'down' : 'up'} ${degrees(Math.abs(slantDeg))}`,
    );
  }
  return {
    what,
    higherMm,
    widerMm,
    slantDeg,
    level: moves.length === 0,
    move: moves.length === 0 ? null : moves.reduce((a, b) => say`${a}, ${b}`),
  };
}

/** Slants nearer to each other than this count as alike, degrees. Ours. */
const SLANT_TOLERANCE = 3;

/** Which landmarks of the head lie on its midline. */
const SINGLES: readonly FaceMark[] = ['nose', 'chin', 'crown'];
const PAIRS = ['eye', 'ear', 'mouth'] as const;

function ofPhotograph(
  check: Extract<FaceCheck, { kind: 'photograph' }>,
  planned: readonly Measured[],
  tol: Figure,
): LevelPlan {
  const base = { id: check.id, at: check.at, kind: check.kind, tolerance: tol } as const;
  const nothing = (problem: string): LevelPlan => ({
    ...base,
    pairs: [],
    midline: null,
    pins: [],
    mmPerWidth: null,
    problem,
  });
  // Right and up, in widths of the picture.
  const flat = new Map(check.pins.map((p) => [p.mark, [p.at[0], -p.at[1] / check.aspect] as Flat]));
  const a = flat.get('edge-a');
  const b = flat.get('edge-b');
  if (!a || !b) return nothing('Pin both edges of an eye of known size: they give the scale.');
  const span = Math.hypot(a[0] - b[0], a[1] - b[1]);
  if (span < 1e-4) return nothing('The two edges of the eye lie on each other.');
  const k = check.eyeMm / span;
  const pins = [...flat].map(([mark, p]) => ({ mark, at: [p[0] * k, p[1] * k] as Flat }));
  const at = new Map(pins.map((p) => [p.mark as string, p.at]));
  const line = midline(
    {
      pairs: PAIRS.flatMap((id) => {
        const [left, right] = [at.get(`${id}-left`), at.get(`${id}-right`)];
        return left && right ? [{ id, left, right }] : [];
      }),
      singles: SINGLES.flatMap((id) => (at.has(id) ? [{ id, at: at.get(id)! }] : [])),
    },
    tol.value,
  );
  if (!line) return { ...nothing('Pin at least one pair, such as both eyes.'), pins, mmPerWidth: k };
  const nose = at.get('nose');
  const plan = new Map(planned.map((m) => [m.mark, m.inHead]));
  const slantOf = (side: 'left' | 'right'): number | null => {
    const [i, o] = [at.get(`eye-${side}-inner`), at.get(`eye-${side}-outer`)];
    if (!i || !o) return null;
    const d: Flat = [o[0] - i[0], o[1] - i[1]];
    const t = line.along;
    const up = d[0] * t[0] + d[1] * t[1];
    const out = Math.abs(d[0] * t[1] - d[1] * t[0]);
    return (Math.atan2(up, out) * 180) / Math.PI;
  };
  const [sl, sr] = [slantOf('left'), slantOf('right')];
  const pairs = line.pairs.map((p): Unlevel => {
    const what = p.id as Unlevel['what'];
    // The side further from the plan is the one to move.
    const off = (side: 'left' | 'right'): number => {
      const here = at.get(`${what}-${side}`)!;
      const wanted = plan.get(`${what}-${side}` as FaceMark);
      if (!nose || !wanted) return 0;
      const d: Flat = [here[0] - nose[0], here[1] - nose[1]];
      const t = line.along;
      const up = d[0] * t[0] + d[1] * t[1];
      const beside = Math.abs(d[0] * t[1] - d[1] * t[0]);
      return Math.hypot(up - wanted[1], beside - Math.abs(wanted[0]));
    };
    const slant = what === 'eye' && sl !== null && sr !== null ? sl - sr : null;
    return judged(what, p.higherMm, p.widerMm, slant, tol.value, off('left') >= off('right'));
  });
  return { ...base, pairs, midline: line, pins, mmPerWidth: k, problem: null };
}

/**
 * Callipers measure straight distances from landmarks of the midline. Where two of them are known for a pair, the shift of
 * the left one against the mirrored right one follows along the skin by least squares; with one only its distance.
 */
function ofCallipers(
  check: Extract<FaceCheck, { kind: 'callipers' }>,
  planned: readonly Measured[],
  eyes: readonly EyePlace[],
  head: HeadSize,
  tol: Figure,
): LevelPlan {
  const plan = new Map(planned.map((m) => [m.mark, m.at]));
  const pairs = PAIRS.flatMap((what): Unlevel[] => {
    const own = check.readings.filter((r) => r.mark === what);
    const here = plan.get(`${what}-left`);
    if (own.length === 0 || !here) return [];
    const rows = own.flatMap((r) => {
      const from = plan.get(r.from);
      return from
        ? [{ u: unit(sub(here, from)), d: r.leftMm - r.rightMm, planned: Math.hypot(...sub(here, from)), r }]
        : [];
    });
    // Up and outward along the skin at the planned place.
    const eye = eyes.find((e) => e.side === 'left');
    const up: Vec3 = what === 'eye' && eye ? eye.up : head.frame.y;
    const out: Vec3 = what === 'eye' && eye ? scale(eye.inner, -1) : unit(add(head.frame.x, scale(head.frame.z, -1)));
    let higherMm: number | null = null;
    let widerMm: number | null = null;
    let aa = 0;
    let ab = 0;
    let bb = 0;
    let ad = 0;
    let bd = 0;
    for (const { u, d } of rows) {
      const [p, q] = [dot(u, up), dot(u, out)];
      aa += p * p;
      ab += p * q;
      bb += q * q;
      ad += p * d;
      bd += q * d;
    }
    const det = aa * bb - ab * ab;
    if (rows.length >= 2 && det > 0.02) {
      higherMm = (bb * ad - ab * bd) / det;
      widerMm = (aa * bd - ab * ad) / det;
    }
    const off = (side: 'leftMm' | 'rightMm') => rows.reduce((s, x) => s + Math.abs(x.r[side] - x.planned), 0);
    const leftIsOff = off('leftMm') >= off('rightMm');
    if (higherMm !== null) return [judged(what, higherMm, widerMm, null, tol.value, leftIsOff)];
    const worst = rows.reduce((a, b) => (Math.abs(b.d) > Math.abs(a.d) ? b : a), rows[0]!);
    const level = !worst || Math.abs(worst.d) <= tol.value;
    return [
      {
        what,
        higherMm: null,
        widerMm: null,
        slantDeg: null,
        level,
        move: level
          ? null
          : say`bring the ${leftIsOff ? 'left' : 'right'} ${NAMES[what]} ${fine(Math.abs(worst.d))} ${worst.d > 0 === leftIsOff ? 'nearer to' : 'further from'} the ${worst.r.from}`,
      },
    ];
  });
  return {
    id: check.id,
    at: check.at,
    kind: check.kind,
    tolerance: tol,
    pairs,
    midline: null,
    pins: [],
    mmPerWidth: null,
    problem: null,
  };
}

/** How level it is by the last measure, as the face card says it. */
export function levelSays(of: { readonly levels: readonly LevelPlan[]; readonly tolerance: Figure }): Text {
  const last = of.levels[of.levels.length - 1];
  const seen = say`more than ${fine(of.tolerance.value)} between the sides is seen`;
  if (!last || last.problem !== null) return say`Not measured yet: ${seen}.`;
  const moves = last.pairs.flatMap((p) => (p.move ? [p.move] : []));
  return moves.length === 0
    ? say`Level by the last measure: ${seen}.`
    : say`Not level by the last measure: ${moves.reduce((a, b) => say`${a}; ${b}`)}.`;
}

export function levelOf(
  check: FaceCheck,
  planned: readonly Measured[],
  eyes: readonly EyePlace[],
  head: HeadSize,
): LevelPlan {
  const tol = figure(tolerance, { head: head.widthMm });
  return check.kind === 'photograph' ? ofPhotograph(check, planned, tol) : ofCallipers(check, planned, eyes, head, tol);
}
