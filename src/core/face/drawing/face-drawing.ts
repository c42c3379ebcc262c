/**
 * The face chart as lines and filled outlines, front or profile, in millimetres to the right and up of the tip of the nose:
 * head, nose, mouth, eyes, brows, ears, whiskers, stems. Screen and paper draw the same.
 */
import { add, dot, scale, type Vec3 } from '@/core/geometry/vec';
import type { Face } from '@/core/piece/face';
import type { EyeShape } from './eye-drawing';
import { onChart, type ChartSide } from '@/core/face/face-edits';
import type { FacePlan } from '@/core/face/face-plan';
import { directionIntoHead, directionOutOfHead, intoHead } from '@/core/face/head/head';
import type { EyePlace } from '@/core/face/eyes/eye-place';

type Pt = readonly [number, number];

interface DrawnLine {
  readonly kind: 'line';
  readonly what:
    'head' | 'midline' | 'mouth' | 'philtrum' | 'nostril' | 'ear' | 'whisker' | 'thread' | 'stem' | 'clear';
  readonly points: readonly Pt[];
  readonly thickMm: number;
  readonly dashed: boolean;
}

interface DrawnArea {
  readonly kind: 'area';
  readonly what: 'nose' | 'eye' | 'brow';
  readonly name: string;
  readonly hex: string;
  readonly ring: readonly Pt[];
}

export interface FaceDrawing {
  readonly items: readonly (DrawnLine | DrawnArea)[];
  /** Extents, mm. */
  readonly min: Pt;
  readonly max: Pt;
}

interface DrawnWith {
  /** Shapes of each eye, in the order of its places. */
  readonly eyes: readonly (readonly EyeShape[])[];
  readonly noseHex: string;
  readonly browHex: string;
  readonly whiskers: boolean;
  /** Ways of the threads through the head. */
  readonly threads: boolean;
  readonly stems: boolean;
  readonly clear: boolean;
}

/** A point of the picture of an eye, to the viewer's right and up, on its place in space. */
export const onEye = (e: EyePlace, outMm: number, [x, y]: Pt): Vec3 =>
  add(add(e.at, scale(e.axis, outMm)), add(scale(e.inner, (e.side === 'left' ? -1 : 1) * x), scale(e.up, y)));

/** What is drawn into, and how a place of the head comes onto the chart. */
interface Pen {
  readonly plan: FacePlan;
  readonly face: Face;
  readonly side: ChartSide;
  readonly flat: (p: Vec3) => Pt;
  readonly line: (what: DrawnLine['what'], points: readonly Pt[], thickMm?: number, dashed?: boolean) => void;
  readonly area: (what: DrawnArea['what'], name: string, hex: string, ring: readonly Pt[]) => void;
  /** In profile only the animal's left is on the viewer's side. */
  readonly hidden: (side: 'left' | 'right') => boolean;
}

export function faceDrawing(plan: FacePlan, face: Face, side: ChartSide, w: DrawnWith): FaceDrawing {
  const items: (DrawnLine | DrawnArea)[] = [];
  const pen: Pen = {
    plan,
    face,
    side,
    flat: (p) => onChart(intoHead(plan.frame, p), side),
    line: (what, points, thickMm = 0.3, dashed = false) => items.push({ kind: 'line', what, points, thickMm, dashed }),
    area: (what, name, hex, ring) => items.push({ kind: 'area', what, name, hex, ring }),
    hidden: (s) => side === 'profile' && s === 'right',
  };
  drawHead(pen);
  drawNose(pen, w.noseHex);
  drawMouth(pen);
  drawBrows(pen, w.browHex);
  drawEyes(pen, w);
  drawEars(pen);
  drawThreads(pen, w);
  const { min: lo, max: hi } = side === 'front' ? plan.front : plan.profile;
  const pad = 4;
  const reach = (k: 0 | 1, pick: (...n: number[]) => number, start: number): number =>
    items.reduce(
      (m, it) =>
        it.kind === 'line' && it.what === 'whisker'
          ? m
          : (it.kind === 'line' ? it.points : it.ring).reduce((q, p) => pick(q, p[k]), m),
      start,
    );
  return {
    items,
    min: [reach(0, Math.min, lo[0]) - pad, reach(1, Math.min, lo[1]) - pad],
    max: [reach(0, Math.max, hi[0]) + pad, reach(1, Math.max, hi[1]) + pad],
  };
}

/** The outline of the head and its midline. */
function drawHead({ plan, side, line }: Pen): void {
  const outline = side === 'front' ? plan.front : plan.profile;
  for (const l of outline.lines) {
    line(
      'head',
      Array.from({ length: l.length / 2 }, (_, i): Pt => [l[2 * i]!, l[2 * i + 1]!]),
      0.35,
    );
  }
  const [lo, hi] = [outline.min, outline.max];
  if (side === 'front' && !plan.oneSided)
    line(
      'midline',
      [
        [0, lo[1] - 3],
        [0, hi[1] + 3],
      ],
      0.2,
      true,
    );
}

/** The nose as a shape, unless it is a beak, and its nostrils. */
function drawNose({ plan, face, side, flat, line, area }: Pen, hex: string): void {
  const { nose } = plan;
  if (face.nose.kind !== 'beak') {
    const ring = Array.from({ length: 28 }, (_, i): Pt => {
      const t = (2 * Math.PI * i) / 28;
      // Wider above than below, as a nose is.
      const y = Math.sin(t);
      const x = Math.cos(t) * (1 - 0.28 * Math.max(0, -y));
      const p = add(
        nose.tip,
        add(scale(plan.frame.x, (x * face.nose.widthMm) / 2), scale(nose.up, (y * face.nose.highMm) / 2)),
      );
      // Seen from the side a nose is as deep as two thirds of its height.
      const deep = side === 'profile' ? scale(plan.frame.z, (x * face.nose.highMm) / 3) : scale(plan.frame.z, 0);
      return flat(add(p, deep));
    });
    area('nose', 'nose', hex, ring);
  }
  if (face.nose.nostrils === 'none' || side !== 'front') return;
  const c = flat(nose.tip);
  const r = face.nose.nostrilMm / 2;
  const tall = face.nose.nostrils === 'slits' ? 0.3 : face.nose.nostrils === 'round' ? 1 : 0.65;
  for (const s of plan.oneSided ? [1] : [1, -1]) {
    const x = (s * face.nose.nostrilsApartMm) / 2;
    line(
      'nostril',
      Array.from({ length: 11 }, (_, i): Pt => {
        const t = Math.PI * (face.nose.nostrils === 'commas' ? 0.15 + (1.5 * i) / 10 : (2 * i) / 10);
        return [c[0] + x + s * r * Math.cos(t), c[1] - 0.12 * face.nose.highMm + tall * r * Math.sin(t)];
      }),
      0.3,
    );
  }
}

/** The line under the nose and the mouth, thicker in the middle of the face, tapering to the corners. */
function drawMouth({ plan, side, flat, line }: Pen): void {
  const { mouth } = plan;
  if (!mouth) return;
  if (mouth.philtrum.length > 1) line('philtrum', mouth.philtrum.map(flat), 0.3);
  mouth.halves.forEach((h, i) => {
    if (side === 'profile' && i === 1) return;
    const third = Math.max(1, Math.floor(h.length / 3));
    [0, 1, 2].forEach((k) => {
      const part = h.slice(k * third, k === 2 ? h.length : (k + 1) * third + 1);
      if (part.length > 1) line('mouth', part.map(flat), Math.max(0.2, mouth.thickMm[k]!));
    });
  });
}

function drawBrows({ plan, face, side, flat, area, hidden }: Pen, hex: string): void {
  const faces = (d: Vec3): boolean => directionIntoHead(plan.frame, d)[side === 'front' ? 2 : 0] > -0.15;
  plan.brows.forEach((b, i) => {
    const e = plan.eyes.places[i];
    if (!e || !face.brows || !faces(e.axis) || hidden(b.side)) return;
    const n = b.line.length - 1;
    const upper = b.line.map((p, k) => flat(add(p, scale(e.up, thickOf(face, k / n) / 2))));
    const lower = b.line.map((p, k) => flat(add(p, scale(e.up, -thickOf(face, k / n) / 2))));
    area('brow', 'brow', hex, [...upper, ...lower.reverse()]);
  });
}

/** The eyes that look to the viewer, and what is kept clear round them. */
function drawEyes({ plan, side, flat, line, area, hidden }: Pen, w: DrawnWith): void {
  const { eyes } = plan;
  eyes.places.forEach((e, i) => {
    if (hidden(e.side)) return;
    if (w.clear) {
      line(
        'clear',
        Array.from({ length: 33 }, (_, k) => {
          const t = (2 * Math.PI * k) / 32;
          return flat(onEye(e, 0, [plan.clearMm * Math.cos(t), plan.clearMm * Math.sin(t)]));
        }),
        0.2,
        true,
      );
    }
    if (dot(e.axis, side === 'front' ? plan.frame.z : plan.frame.x) < 0) return;
    for (const s of w.eyes[i] ?? []) {
      area(
        'eye',
        s.name,
        s.hex,
        s.ring.map((p) => flat(onEye(e, Math.max(0, eyes.outMm) / 2, p))),
      );
    }
  });
}

/** The edge of a leaf as it is seen: half its thickness outside of the rim of its middle. */
export function edgeOfLeaf(rim: readonly Pt[], half: number): Pt[] {
  const middle = [0, 1].map((k) => rim.reduce((s, p) => s + p[k]!, 0) / rim.length);
  return rim.map((p, i) => {
    const [a, b] = [rim[Math.max(0, i - 1)]!, rim[Math.min(rim.length - 1, i + 1)]!];
    const along: Pt = [b[0] - a[0], b[1] - a[1]];
    const size = Math.hypot(...along) || 1;
    const out: Pt = [along[1] / size, -along[0] / size];
    const sign = out[0] * (p[0] - middle[0]!) + out[1] * (p[1] - middle[1]!) < 0 ? -1 : 1;
    return [p[0] + sign * half * out[0], p[1] + sign * half * out[1]];
  });
}

/** The edges of the ears and where they are seated; of those drawn as no leaf a short line shows how they lean. */
function drawEars({ plan, face, flat, line, hidden }: Pen): void {
  plan.ears?.places.forEach((e) => {
    if (hidden(e.side)) return;
    const { rim } = e;
    if (rim) {
      const points = Array.from({ length: rim.length / 3 }, (_, i) =>
        flat([rim[3 * i]!, rim[3 * i + 1]!, rim[3 * i + 2]!]),
      );
      const edge = edgeOfLeaf(points, plan.ears!.halfMm);
      line('ear', edge, 0.3);
      line('ear', [edge[0]!, edge[edge.length - 1]!], 0.25, true);
      return;
    }
    const sign = e.side === 'left' ? 1 : -1;
    const [turn, lean] = [(face.ears.turnDeg * Math.PI) / 180, (face.ears.leanDeg * Math.PI) / 180];
    const r = plan.ears!.acrossMm / 2;
    // The seat runs across the way the ear faces.
    const seat = directionOutOfHead(plan.frame, [sign * Math.cos(turn), 0, -Math.sin(turn)]);
    const stand = directionOutOfHead(plan.frame, [0, Math.cos(lean), -Math.sin(lean)]);
    line('ear', [flat(add(e.at, scale(seat, -r))), flat(add(e.at, scale(seat, r)))], 0.25);
    line('ear', [flat(e.at), flat(add(e.at, scale(stand, r)))], 0.25, true);
  });
}

/** Stems, whiskers and the ways of their threads through the head. */
function drawThreads({ plan, face, flat, line, hidden }: Pen, w: DrawnWith): void {
  for (const s of w.stems ? (plan.eyes.stems?.state.lines ?? []) : [])
    if (!hidden(s.side)) line('stem', [flat(s.a), flat(s.b)], face.eyes.stem.thickMm, false);
  for (const set of w.whiskers ? plan.whiskers : [])
    for (const h of set.whiskers)
      if (!hidden(h.side)) line('whisker', [flat(h.root), flat(h.tip)], set.thread?.thickMm ?? 0.15);
  for (const set of w.threads ? plan.whiskers : [])
    for (const x of set.ways) line('thread', [flat(x.from), flat(x.to)], 0.15, true);
}

/** Thickness of the brow from its inner end (0) to its outer (1), mm. */
const thickOf = (face: Face, t: number): number =>
  face.brows ? face.brows.inMm + t * (face.brows.outMm - face.brows.inMm) : 0;
