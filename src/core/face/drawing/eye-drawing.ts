/**
 * The eye as it is seen square on, as filled outlines in millimetres from its middle: x to the viewer's right, y up. One
 * drawing for the builder, the chart, the turntable and the printed sheet.
 */
import type { Cupboard } from '@/core/piece/cupboard';
import type { Brows, Eyes } from '@/core/piece/face';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import type { EyeFace, Ladder } from '@/core/face/eyes/ladder';
import { lidEdges } from '@/core/face/eyes/lid-edges';

export type Ring = readonly (readonly [number, number])[];

export interface EyeShape {
  readonly name: string;
  readonly hex: string;
  readonly ring: Ring;
}

export interface EyeColours {
  readonly rim: string;
  readonly iris: string;
  readonly inner: string;
  readonly pupil: string;
  readonly light: string;
  readonly lids: string;
}

/** Colours of the layers by their wools, or of the bought eye; a plain one where nothing is chosen. */
export function eyeColours(eyes: Eyes, cupboard: Pick<Cupboard, 'lots' | 'eyes'>, groundHex: string): EyeColours {
  const colour = (id: string | null, plain: string) => cupboard.lots.find((l) => l.id === id)?.colour ?? plain;
  const l = eyes.layers;
  const stock = EYE_SPECS[eyes.kind].made === 'bought' ? cupboard.eyes.find((e) => e.id === eyes.stockId) : undefined;
  const iris = stock?.colour ?? colour(l.irisLotId, '#7a5a34');
  return {
    rim: colour(l.rimLotId, '#1d1714'),
    iris,
    inner: colour(l.innerLotId, iris),
    pupil: colour(l.pupilLotId, '#14110f'),
    light: colour(l.lightLotId, '#f4f2ec'),
    lids: colour(eyes.lids.lotId, groundHex),
  };
}

const ROUND = 40;

export const ellipse = (cx: number, cy: number, rx: number, ry: number, n = ROUND): Ring =>
  Array.from({ length: n }, (_, i) => {
    const t = (2 * Math.PI * i) / n;
    return [cx + rx * Math.cos(t), cy + ry * Math.sin(t)] as const;
  });

/** An upright slit: two arcs that meet in points. */
function slit(cx: number, cy: number, w: number, h: number): Ring {
  const half = Array.from({ length: 17 }, (_, i) => {
    const t = (i / 16) * 2 - 1;
    return [(w / 2) * (1 - t * t), (h / 2) * t] as const;
  });
  return [...half.map(([x, y]) => [cx + x, cy + y] as const), ...half.map(([x, y]) => [cx - x, cy - y] as const)];
}

/** A level bar with rounded or square ends. */
function bar(cx: number, cy: number, w: number, h: number, round: number): Ring {
  const r = Math.min(w, h) * round;
  const corner = (sx: number, sy: number, from: number) =>
    Array.from({ length: 7 }, (_, i) => {
      const t = from + (i / 6) * (Math.PI / 2);
      return [cx + sx * (w / 2 - r) + r * Math.cos(t), cy + sy * (h / 2 - r) + r * Math.sin(t)] as const;
    });
  return [
    ...corner(1, 1, 0),
    ...corner(-1, 1, Math.PI / 2),
    ...corner(-1, -1, Math.PI),
    ...corner(1, -1, 1.5 * Math.PI),
  ];
}

function pupilRing(kind: Eyes['layers']['pupil'], [cx, cy]: readonly [number, number], w: number, h: number): Ring {
  if (kind === 'upright slit') return slit(cx, cy, w, h);
  if (kind === 'level bar') return bar(cx, cy, w, h, 0.5);
  if (kind === 'square-ended') return bar(cx, cy, w, h, 0.12);
  return ellipse(cx, cy, w / 2, h / 2);
}

/** A part of the disc beyond an edge, filled. */
function lid(radius: number, edge: (x: number) => number, from: 1 | -1): Ring {
  const n = 24;
  const xs = Array.from({ length: n + 1 }, (_, i) => radius * 1.02 * ((2 * i) / n - 1));
  const rim = (x: number) => from * Math.sqrt(Math.max(0, (1.02 * radius) ** 2 - x * x));
  const inside = (x: number) =>
    from === 1 ? Math.min(rim(x), Math.max(-rim(x), edge(x))) : Math.max(rim(x), Math.min(-rim(x), edge(x)));
  return [...xs.map((x) => [x, rim(x)] as const), ...[...xs].reverse().map((x) => [x, inside(x)] as const)];
}

/** @param discMm how wide the eye is seen */
export function eyeShapes(eyes: Eyes, l: Ladder, face: EyeFace, discMm: number, c: EyeColours): EyeShape[] {
  const R = discMm / 2;
  const innerSign = face.side === 'left' ? -1 : 1;
  if (eyes.kind === 'closed') return closedEye(eyes, discMm, innerSign, c);
  const layers = eyes.layers;
  const out: EyeShape[] = [{ name: 'rim', hex: c.rim, ring: ellipse(0, 0, R, R) }];
  const [gx, gy] = face.gaze;
  // The iris stays within its rim, whatever way it looks.
  const room = Math.max(0, R - layers.rimMm - l.irisMm / 2);
  const gaze = Math.hypot(gx, gy);
  const k = gaze > room + 0.35 * R && gaze > 0 ? (room + 0.35 * R) / gaze : 1;
  const at = [gx * k, gy * k] as const;
  const clip = (ring: Ring): Ring =>
    ring.map(([x, y]) => {
      const r = Math.hypot(x, y);
      const most = R - layers.rimMm * 0.5;
      return r > most ? ([(x / r) * most, (y / r) * most] as const) : ([x, y] as const);
    });
  const bought = EYE_SPECS[eyes.kind].made === 'bought';
  if (layers.iris !== 'none' || bought) {
    out.push({ name: 'iris', hex: c.iris, ring: clip(ellipse(at[0], at[1], l.irisMm / 2, l.irisMm / 2)) });
    if (l.innerMm !== null)
      out.push({
        name: 'second colour',
        hex: c.inner,
        ring: clip(ellipse(at[0], at[1], l.innerMm / 2, l.innerMm / 2)),
      });
  }
  out.push({
    name: 'pupil',
    hex: c.pupil,
    ring: clip(pupilRing(bought ? 'round' : layers.pupil, at, l.pupilMm[0], l.pupilMm[1])),
  });
  face.lights.forEach((x, i) =>
    out.push({
      name: i === 0 ? 'light' : 'second light',
      hex: c.light,
      ring: ellipse(x.x, x.y, x.sizeMm / 2, x.sizeMm / 2, 20),
    }),
  );
  const { lids } = eyes;
  const { upper, lower: edge } = lidEdges(eyes, discMm, face.side);
  if (upper) out.push({ name: 'upper lid', hex: c.lids, ring: lid(R, upper, 1) });
  if (edge) {
    out.push({ name: 'lower lid', hex: c.lids, ring: lid(R, edge, -1) });
    if (lids.darkMm > 0) {
      const n = 20;
      const xs = Array.from({ length: n + 1 }, (_, i) => R * ((2 * i) / n - 1));
      out.push({
        name: 'dark line',
        hex: c.rim,
        ring: [
          ...xs.map((x) => [x, Math.max(-Math.sqrt(R * R - x * x), edge(x))] as const),
          ...[...xs]
            .reverse()
            .map((x) => [x, Math.max(-Math.sqrt(R * R - x * x), edge(x)) - lids.darkMm * (1 - (x / R) ** 2)] as const),
        ],
      });
    }
  }
  return out;
}

/** The brow over an eye square on: thicker inside, arched and tilted; mm from the middle of the eye. */
export function browRing(b: Brows, discMm: number, side: 'left' | 'right'): Ring {
  const out = side === 'left' ? 1 : -1;
  const slope = Math.tan((b.tiltDeg * Math.PI) / 180);
  const edge = (sign: 1 | -1) =>
    Array.from({ length: 13 }, (_, i) => {
      const s = i / 6 - 1;
      const x = (s * b.lengthMm) / 2;
      const thick = b.inMm + ((s + 1) / 2) * (b.outMm - b.inMm);
      const y = discMm / 2 + b.aboveMm + b.archMm * (1 - s * s) + x * slope;
      return [out * x, y + (sign * thick) / 2] as const;
    });
  return [...edge(1), ...edge(-1).reverse()];
}

/** Two lids that meet in one thin dark line, bowed downward. */
function closedEye(eyes: Eyes, discMm: number, innerSign: number, c: EyeColours): EyeShape[] {
  const R = discMm / 2;
  const n = 20;
  const at = (t: number) =>
    -0.28 * R * (1 - t * t) + (innerSign * t > 0 ? eyes.lids.innerMm : -eyes.lids.outerMm) * t * t;
  const ts = Array.from({ length: n + 1 }, (_, i) => (2 * i) / n - 1);
  const thick = (t: number) => 0.4 * (1 - 0.7 * t * t);
  return [
    { name: 'lids', hex: c.lids, ring: ellipse(0, 0, R, 0.55 * R) },
    {
      name: 'line',
      hex: c.rim,
      ring: [
        ...ts.map((t) => [t * R, at(t) + thick(t)] as const),
        ...[...ts].reverse().map((t) => [t * R, at(t) - thick(t)] as const),
      ],
    },
  ];
}
