/**
 * The animal beside its photographs: a picture is brought to the scale of the piece by two points of known distance,
 * laid behind the outline, and every landmark pinned on it is measured against the same landmark of the piece. From the
 * pins follow the proportions of the photograph, part against part, worst first.
 */
import { add, cross, dot, scale, type Vec3 } from '@/core/geometry/vec';
import { figure, letter, method, type Figure } from '@/core/method/define';
import type { Part, Reference } from '@/core/piece/schema';
import { onAxis, type Body } from './body';
import { SIDES } from './sides';

export const pictureScale = method({
  id: 'picture-scale',
  title: 'Scale of the photograph',
  formula: 'k = D / (s × d)',
  inputs: {
    known: letter('D', 'distance of the two points in life', 'length'),
    scale: letter('s', 'one part of the piece stands for so many in life', 'number'),
    apart: letter('d', 'their distance in the picture, in its widths', 'number'),
  },
  result: letter('k', 'width of the picture at the scale of the piece', 'length'),
  source: 'Similar figures; the two points must lie in the plane of what is compared, seen square on.',
  basis: 'published',
  of: ({ known, scale, apart }) => known / (scale * apart),
});

export const deviation = method({
  id: 'proportion-deviation',
  title: 'How far a proportion is off',
  formula: 'off = (a / b) piece / (a / b) photograph − 1',
  inputs: {
    a: letter('a piece', 'length of the part on the piece', 'length'),
    b: letter('b piece', 'length it is compared with, on the piece', 'length'),
    refA: letter('a photograph', 'the same part in the photograph', 'length'),
    refB: letter('b photograph', 'the same other part in the photograph', 'length'),
  },
  result: letter('off', 'share by which the piece is larger', 'share'),
  source: 'Proportions do not change with scale, so they can be compared without one.',
  basis: 'published',
  of: ({ a, b, refA, refB }) => a / b / (refA / refB) - 1,
});

export type Flat = readonly [number, number];

export interface Landmark {
  readonly id: string;
  readonly part: string;
  readonly end: 'tip' | 'root' | 'top' | 'under';
  readonly name: string;
  readonly at: Vec3;
}

/** Tip and root of every part, and top and underside of those on the midline; of a pair the one on the animal's left. */
export function landmarks(body: Body): Landmark[] {
  return body.parts.flatMap((b): Landmark[] => {
    const { part, left } = b;
    if (part.shape === 'board') return [];
    const start = left[0]!.a;
    const end = left[left.length - 1]!.b;
    const [root, tip] = part.root === 'start' ? [start, end] : [end, start];
    const name = part.name.toLowerCase();
    const middle = onAxis(b, left, 0.5);
    const pad = part.shape === 'pad' ? part.halfHeight * body.scale : null;
    const across = part.mirrored
      ? []
      : ([
          ['top', 1],
          ['under', -1],
        ] as const);
    return [
      { id: `${part.id}:tip`, part: part.id, end: 'tip', name: `tip of ${name}`, at: tip },
      { id: `${part.id}:root`, part: part.id, end: 'root', name: `root of ${name}`, at: root },
      ...across.map(([end, sign]): Landmark => ({
        id: `${part.id}:${end}`,
        part: part.id,
        end,
        name: `${end === 'top' ? 'top' : 'underside'} of ${name}, half way`,
        at: add(middle.at, scale(middle.top, sign * (pad ?? (sign > 0 ? middle.semi.over : middle.semi.under)))),
      })),
    ];
  });
}

/** Where a place is seen from a side: mm to the right and up. */
export function seenFlat(at: Vec3, side: Reference['side']): Flat {
  const { from, up } = SIDES[side];
  return [dot(at, cross(up, from)), dot(at, up)];
}

interface PinCompared {
  readonly id: string;
  readonly name: string;
  readonly piece: Flat;
  readonly photo: Flat;
  readonly offMm: number;
}

export interface Proportion {
  readonly name: string;
  readonly against: string;
  readonly off: Figure;
}

export interface Compared {
  /** Width of the whole picture at the scale of the piece, mm; null until the two points are apart. */
  readonly widthMm: Figure | null;
  readonly heightMm: number;
  /** Where the top left corner of the picture lies, mm to the right and up. */
  readonly corner: Flat;
  readonly pins: readonly PinCompared[];
  readonly proportions: readonly Proportion[];
}

/** A place of the picture (shares of its width and height from the top left) in mm to the right and up. */
export const onPicture = (c: Pick<Compared, 'widthMm' | 'heightMm' | 'corner'>, p: Flat): Flat => [
  c.corner[0] + p[0] * (c.widthMm?.value ?? 0),
  c.corner[1] - p[1] * c.heightMm,
];

/**
 * @param scaleOfLife one part of the piece stands for so many in life
 * @param middle where the middle of the picture goes while nothing is pinned, mm to the right and up
 */
export function comparePicture(body: Body, reference: Reference, scaleOfLife: number, middle: Flat): Compared {
  const { side, aspect, a, b, knownMm, pins } = reference;
  // Distances in the picture, in its widths.
  const apart = Math.hypot(a[0] - b[0], (a[1] - b[1]) / aspect);
  const width = apart > 1e-6 ? figure(pictureScale, { known: knownMm, scale: scaleOfLife, apart }) : null;
  const w = width?.value ?? 100;
  const h = w / aspect;
  const known = new Map(landmarks(body).map((l) => [l.id, l]));
  const held = pins.flatMap((p) => {
    const l = known.get(p.landmark);
    return l ? [{ l, at: [p.at[0] * w, -p.at[1] * h] as Flat, piece: seenFlat(l.at, side) }] : [];
  });
  // The picture is laid so that the pins fit best on the whole: least squares of a shift is the mean difference.
  const corner: Flat =
    held.length === 0
      ? [middle[0] - w / 2, middle[1] + h / 2]
      : ([0, 1].map((k) => held.reduce((s, x) => s + x.piece[k]! - x.at[k]!, 0) / held.length) as unknown as Flat);
  const compared = held
    .map(({ l, at, piece }): PinCompared => {
      const photo: Flat = [corner[0] + at[0], corner[1] + at[1]];
      return { id: l.id, name: l.name, piece, photo, offMm: Math.hypot(piece[0] - photo[0], piece[1] - photo[1]) };
    })
    .sort((x, y) => y.offMm - x.offMm);
  return {
    widthMm: width,
    heightMm: h,
    corner,
    pins: compared,
    proportions: proportions(
      body.parts.map((p) => p.part),
      compared,
    ),
  };
}

/** Every part with both ends pinned, and every depth, against the longest of them in the photograph. */
function proportions(parts: readonly Part[], pins: readonly PinCompared[]): Proportion[] {
  const byId = new Map(pins.map((p) => [p.id, p]));
  const far = (p: Flat, q: Flat) => Math.hypot(p[0] - q[0], p[1] - q[1]);
  const between = (p: Part, ends: readonly [string, string], name: string) => {
    const [a, b] = ends.map((e) => byId.get(`${p.id}:${e}`));
    if (!a || !b) return [];
    const photo = far(a.photo, b.photo);
    const piece = far(a.piece, b.piece);
    return photo > 0 && piece > 0 ? [{ name, photo, piece }] : [];
  };
  const measured = parts.flatMap((p) => [
    ...between(p, ['tip', 'root'], p.name),
    ...between(p, ['top', 'under'], `Depth of ${p.name.toLowerCase()}`),
  ]);
  const base = measured.reduce<(typeof measured)[number] | null>((m, x) => (!m || x.photo > m.photo ? x : m), null);
  if (!base) return [];
  return measured
    .filter((m) => m !== base)
    .map((m) => ({
      name: m.name,
      against: base.name,
      off: figure(deviation, { a: m.piece, b: base.piece, refA: m.photo, refB: base.photo }),
    }))
    .sort((x, y) => Math.abs(y.off.value) - Math.abs(x.off.value));
}
