/** What the animal stands on beside the ground: a twig under its feet, a base of wood, and what stands on that with it. mm, g */
import { balance, overFeet, tippingOf, type Weight } from '@/core/build/balance';
import { convexHull, type Point2 } from '@/core/geometry/hull';
import type { Vec3 } from '@/core/geometry/vec';
import type { Figure } from '@/core/method/define';
import type { ThingOf, Worn } from '@/core/piece/things';
import { isWorn } from '@/core/piece/things';
import type { ThingPlan } from './thing-plan';

/** A round outline is drawn with so many corners. */
const ROUND = 64;

export interface Support {
  /** What it stands on; the base where a twig stands on one. */
  readonly name: string;
  readonly id: string;
  readonly baseId: string | null;
  readonly twigId: string | null;
  /** Height of the ground under all of it, of the top of the base, and of the middle of the twig its feet are on. */
  readonly level: number;
  readonly topY: number;
  readonly twigY: number | null;
  /** Over it everything lies: the middle of what its feet enclose, x and z. */
  readonly middle: Point2;
  /** What it touches the ground with, anticlockwise. */
  readonly outline: readonly Point2[];
  /** Its feet reach so far over the edge of the base; less than nothing within it. Null without a base. */
  readonly overMm: number | null;
}

/** Middle of the box round what the feet enclose. */
export const middleOf = (feet: readonly Point2[], centre: Vec3): Point2 =>
  feet.length === 0
    ? [centre[0], centre[2]]
    : ([0, 1].map((k) => {
        const all = feet.map((q) => q[k]!);
        return (Math.min(...all) + Math.max(...all)) / 2;
      }) as unknown as Point2);

/** Corners of a base about its middle. */
function baseOutline(t: Pick<ThingOf<'base'>, 'outline' | 'longMm' | 'wideMm'>, [x, z]: Point2): Point2[] {
  const [a, b] = [t.wideMm / 2, t.longMm / 2];
  if (t.outline === 'with corners')
    return convexHull([
      [x - a, z - b],
      [x + a, z - b],
      [x + a, z + b],
      [x - a, z + b],
    ]);
  return convexHull(
    Array.from({ length: ROUND }, (_, i): Point2 => {
      const q = (2 * Math.PI * i) / ROUND;
      return [x + a * Math.cos(q), z + b * Math.sin(q)];
    }),
  );
}

/** Which way a twig lies, x and z: across the animal at nought. */
export const twigWay = ({ turnDeg }: Pick<ThingOf<'twig'>, 'turnDeg'>): Point2 => {
  const a = (turnDeg * Math.PI) / 180;
  return [Math.cos(a), Math.sin(a)];
};

/** Weight of what is worn, where it lies. */
export const wornWeights = (things: readonly ThingPlan[]): Weight[] =>
  things.flatMap((p): Weight[] =>
    p.worn && isWorn(p.thing) ? [{ massG: p.massG, at: middleOfWorn(p.thing, p.worn) }] : [],
  );

/** Where a band, a scarf or a bow has its weight: the middle of its ring, drawn toward where it hangs. */
function middleOfWorn(t: Worn, { threads, seat, hanging }: NonNullable<ThingPlan['worn']>): Vec3 {
  if (t.kind === 'bow') return seat;
  const m = threads[1]!;
  const ring: Vec3 = ringMiddle(m);
  const hung = hanging.flat();
  if (hung.length === 0) return ring;
  const share = (hanging.length * endsMm(t)) / (hanging.length * endsMm(t) + m.girthMm);
  const low = [0, 1, 2].map((k) => hung.reduce((s, q) => s + q.at[k]!, 0) / hung.length);
  return ring.map((x, k) => (1 - share) * x + share * low[k]!) as unknown as Vec3;
}

const endsMm = (t: Worn): number => (t.kind === 'scarf' ? t.endsMm : 0);

/** Middle of a thread, each of its stretches by its length. */
function ringMiddle({ at, out, top, corners, girthMm }: NonNullable<ThingPlan['worn']>['threads'][number]): Vec3 {
  let [x, y] = [0, 0];
  corners.forEach((a, i) => {
    const b = corners[(i + 1) % corners.length]!;
    const l = Math.hypot(b[0] - a[0], b[1] - a[1]) / girthMm;
    x += (l * (a[0] + b[0])) / 2;
    y += (l * (a[1] + b[1])) / 2;
  });
  return [0, 1, 2].map((k) => at[k]! + x * out[k]! + y * top[k]!) as unknown as Vec3;
}

interface OnFeet {
  readonly massG: number;
  readonly centre: Vec3;
  readonly groundY: number;
  readonly feet: readonly Point2[];
}

export interface Supported {
  readonly support: Support;
  readonly massG: number;
  readonly centre: Vec3;
  readonly margin: number;
  readonly outward: Point2;
  readonly tipping: Figure;
}

const first = <K extends 'base' | 'twig'>(
  things: readonly ThingPlan[],
  kind: K,
  which: (t: ThingOf<K>) => boolean = () => true,
): (ThingPlan & { readonly thing: ThingOf<K> }) | null =>
  (things.find((p) => p.thing.kind === kind && which(p.thing as ThingOf<K>)) as
    (ThingPlan & { readonly thing: ThingOf<K> }) | undefined) ?? null;

/** @param s how the animal stands on its own @returns null where it stands on the ground by itself */
export function supported(things: readonly ThingPlan[], s: OnFeet): Supported | null {
  const base = first(things, 'base');
  const twig = first(things, 'twig', (t) => t.under);
  if (!base && !twig) return null;
  const middle = middleOf(s.feet, s.centre);
  const topY = s.groundY - (twig?.thing.acrossMm ?? 0);
  const level = topY - (base?.thing.thickMm ?? 0);
  const twigY = twig ? s.groundY - twig.thing.acrossMm / 2 : null;
  const outline = base ? baseOutline(base.thing, middle) : twigLine(twig!.thing, middle);
  const weights: Weight[] = [
    { massG: s.massG, at: s.centre },
    ...(twig ? [{ massG: twig.massG, at: [middle[0], twigY!, middle[1]] as Vec3 }] : []),
    ...(base
      ? [
          { massG: base.massG, at: [middle[0], (topY + level) / 2, middle[1]] as Vec3 },
          ...standingOn(things, middle, topY),
        ]
      : []),
  ];
  const { massG, at: centre } = balance(weights);
  const over = overFeet(outline, centre);
  const inside = base ? insideOf(outline, twig ? twigEnds(twig.thing, middle) : s.feet) : null;
  const on = base ?? twig!;
  return {
    support: {
      name: on.name,
      id: on.id,
      baseId: base?.id ?? null,
      twigId: twig?.id ?? null,
      level,
      topY,
      twigY,
      middle,
      outline: over.feet,
      overMm: inside === null ? null : -inside,
    },
    massG,
    centre,
    margin: over.margin,
    outward: over.outward,
    tipping: tippingOf(over.margin, centre, level),
  };
}

/** A round twig touches the ground along a line: nothing keeps it from rolling. */
function twigLine(t: ThingOf<'twig'>, [x, z]: Point2): Point2[] {
  const [dx, dz] = twigWay(t);
  return [-0.5, 0.5].map((s): Point2 => [x + s * t.longMm * dx, z + s * t.longMm * dz]);
}

/** A twig may reach over the edge; what stands on the base is where it is fixed. */
const twigEnds = (t: ThingOf<'twig'>, [x, z]: Point2): Point2[] => [
  [x - t.acrossMm / 2, z - t.acrossMm / 2],
  [x + t.acrossMm / 2, z + t.acrossMm / 2],
];

/** Baskets and twigs that stand on the base beside it; a second twig for its feet is not counted, and not drawn. */
function standingOn(things: readonly ThingPlan[], middle: Point2, topY: number): Weight[] {
  return things.flatMap((p): Weight[] => {
    const t = p.thing;
    if (t.kind !== 'basket' && (t.kind !== 'twig' || t.under)) return [];
    const high = t.kind === 'basket' ? t.highMm / 2 : t.acrossMm / 2;
    return [{ massG: p.massG, at: [middle[0] + t.leftMm, topY + high, middle[1] + t.forwardMm] }];
  });
}

/** How far inside the outline the places lie that lie least so. */
function insideOf(outline: readonly Point2[], places: readonly Point2[]): number {
  return Math.min(...places.map((q) => overFeet(outline, [q[0], 0, q[1]]).margin));
}
