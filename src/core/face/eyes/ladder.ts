/**
 * The eye seen square on, from rim to light: every layer's size in millimetres, where the lights lie, and what is too small
 * to felt. Shares of the pupil by species and light are ours.
 */
import type { Eyes } from '@/core/piece/face';
import { EYE_SPECS } from './eye-kinds';
import { catchlight, mirroredLight, type Catchlight } from './catchlight';

/** Smaller than this a dot cannot be felted, mm. Ours. */
export const SMALLEST_DOT = 0.8;
/** A line of wool can be felted this fine, mm. Ours. */
export const FINEST_LINE = 0.5;
/** Dark wanted between a white dot and a pale face, mm. Ours. */
export const DARK_LINE = 0.5;
/** The second light against the first (common practice). */
export const SECOND_LIGHT = 0.25;

/** Width and height of the pupil as shares of the iris. */
const PUPIL: Readonly<
  Record<Eyes['layers']['pupil'], Readonly<Record<Eyes['layers']['lighting'], readonly [number, number]>>>
> = {
  round: { bright: [0.38, 0.38], indoors: [0.55, 0.55], dim: [0.78, 0.78] },
  'upright slit': { bright: [0.14, 0.9], indoors: [0.32, 0.88], dim: [0.62, 0.88] },
  'level bar': { bright: [0.72, 0.2], indoors: [0.76, 0.34], dim: [0.8, 0.56] },
  'square-ended': { bright: [0.7, 0.24], indoors: [0.74, 0.38], dim: [0.78, 0.58] },
};

interface Rung {
  readonly ring: 'rim' | 'iris' | 'inner' | 'pupil' | 'light' | 'second';
  readonly name: string;
  readonly widthMm: number;
  readonly highMm: number;
  /** Smaller than can be felted: make it as a line, leave it out, or paint it. */
  readonly tooSmall: boolean;
}

/** A light as it is set: to the viewer's right and up from the middle of the eye, mm. */
interface SetLight {
  readonly x: number;
  readonly y: number;
  readonly sizeMm: number;
  readonly hour: number;
  /** It had to come in from the edge to keep its dark line. */
  readonly movedIn: boolean;
}

export interface EyeFace {
  readonly side: 'left' | 'right';
  readonly lights: readonly SetLight[];
  /** Middle of iris and pupil, to the viewer's right and up, mm. */
  readonly gaze: readonly [number, number];
}

export interface Ladder {
  readonly rungs: readonly Rung[];
  readonly irisMm: number;
  readonly innerMm: number | null;
  readonly pupilMm: readonly [number, number];
  readonly eyes: readonly EyeFace[];
  /** Dark beside the light, mm; null without a light. */
  readonly darkLineMm: number | null;
}

/** How far eyes that converge turn in, degrees: one thing about four head widths away. Ours. */
export const CONVERGE_DEG = 7;

/** Width of a lamp's reflection in a bought eye, as a share of it. Ours. */
const GLASS_LIGHT = 0.16;

/** @param discMm how wide the eye is seen */
export function ladder(eyes: Eyes, discMm: number, sides: readonly ('left' | 'right')[]): Ladder {
  if (eyes.kind === 'closed') return shut(sides);
  const l = eyes.layers;
  const irisMm = Math.max(0, discMm - 2 * l.rimMm);
  // In glass the lamp itself is seen; iris and pupil are as they were bought, and nothing of them is felted or turned.
  const glass = EYE_SPECS[eyes.kind].made === 'bought';
  const [pw, ph] = glass ? PUPIL.round.indoors : PUPIL[l.pupil][l.lighting];
  const pupilMm = [pw * irisMm, ph * irisMm] as const;
  const innerMm = !glass && l.innerLotId !== null && l.iris !== 'none' ? (irisMm + Math.max(...pupilMm)) / 2 : null;
  // An eye sunk so deep that nothing of it is seen shines nowhere.
  const has = l.lights !== 'none' && discMm > 0;
  const lightMm = glass ? GLASS_LIGHT * discMm : l.lightMm;
  const darkMm = glass ? 0 : l.darkLineMm;
  const rung = (ring: Rung['ring'], name: string, widthMm: number, highMm: number, line = false): Rung => ({
    ring,
    name,
    widthMm,
    highMm,
    tooSmall: line ? widthMm < FINEST_LINE : Math.min(widthMm, highMm) < SMALLEST_DOT,
  });
  const second = SECOND_LIGHT * lightMm;
  const rungs: Rung[] = [
    ...(l.rimMm > 0 ? [{ ...rung('rim', 'Rim, a ring', l.rimMm, l.rimMm, true), highMm: discMm }] : []),
    ...(!glass && l.iris !== 'none'
      ? [rung('iris', l.iris === 'ring' ? 'Iris, a ring' : 'Iris, a disc', irisMm, irisMm)]
      : []),
    ...(innerMm !== null ? [rung('inner', 'Second colour of the iris', innerMm, innerMm)] : []),
    ...(glass ? [] : [rung('pupil', `Pupil, ${l.pupil}`, pupilMm[0], pupilMm[1])]),
    ...(has && !glass ? [rung('light', 'Light', lightMm, lightMm)] : []),
    ...(has && !glass && l.secondLight ? [rung('second', 'Second light', second, second)] : []),
  ];
  const main = catchlight(l.lampSideDeg, l.lampHeightDeg);
  // The light keeps its dark line to the edge of the eye.
  const most = (size: number) => Math.max(0, discMm / 2 - darkMm - size / 2);
  const put = (c: Catchlight, size: number): SetLight => {
    const wanted = (c.r * discMm) / 2;
    const r = Math.min(wanted, most(size));
    const k = c.r > 0 ? r / c.r : 0;
    return { x: k * c.x, y: k * c.y, sizeMm: size, hour: c.hour, movedIn: r < wanted - 1e-6 };
  };
  const faces = sides.map((side): EyeFace => {
    // The viewer meets the animal's right eye on the left of the picture.
    const c = side === 'right' && l.lights === 'mirrored' ? mirroredLight(main) : main;
    const lights = !has ? [] : [put(c, lightMm), ...(l.secondLight ? [put(opposite(c), second)] : [])];
    if (glass) return { side, lights, gaze: [0, 0] };
    // A glance turns both eyes the same way, to its left on the viewer's right; what is near turns both in.
    const inward = side === 'left' ? -1 : 1;
    const turn = eyes.gazeSideDeg + (eyes.converge ? inward * CONVERGE_DEG : 0);
    const swing = (d: number) => (discMm / 2) * Math.sin((d * Math.PI) / 180);
    return { side, lights, gaze: [swing(turn), swing(eyes.gazeUpDeg)] };
  });
  const first = faces[0]?.lights[0];
  return {
    rungs,
    irisMm,
    innerMm,
    pupilMm,
    eyes: faces,
    darkLineMm: first && !glass ? discMm / 2 - Math.hypot(first.x, first.y) - first.sizeMm / 2 : null,
  };
}

/** A closed eye is one line: nothing of what lies behind its lids is made. */
const shut = (sides: readonly ('left' | 'right')[]): Ladder => ({
  rungs: [],
  irisMm: 0,
  innerMm: null,
  pupilMm: [0, 0],
  eyes: sides.map((side): EyeFace => ({ side, lights: [], gaze: [0, 0] })),
  darkLineMm: null,
});

/** The second light lies across the eye from the first, further in (common practice: smaller, below). */
const opposite = (c: Catchlight): Catchlight => ({
  x: -0.7 * c.x,
  y: -0.7 * c.y,
  r: 0.7 * c.r,
  hour: ((c.hour + 5.999) % 12) + 0.001,
});
