/**
 * Looking inside along a needle: the section through the animal in the plane of the stab, what lies over the ground, where
 * every barb is at the depth of the stroke, what it catches and what it would pull. mm, in the plane: across the skin the
 * way the needle leans, and out of it; the origin is where the needle meets the ground.
 */
import type { CoatPlan } from '@/core/coat/coat-plan';
import { pointOf } from '@/core/form/places';
import { outwardAt } from '@/core/form/surface';
import { nearestVertex } from '@/core/geometry/mesh';
import { slice, type Loop, type Plane } from '@/core/geometry/slice';
import { cross, dot, flatten, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { Hand } from '@/core/piece/hand';
import type { Needle } from '@/core/piece/cupboard';
import type { Place } from '@/core/piece/places';
import type { Needlework } from '@/core/stage';
import type { ShadePlan } from '@/core/shade/shade-plan';
import { barbsOf } from './blade';
import { depthWindow, sine, type Window } from './depth-window';
import { aheadOf, farSideShows, ontoFelt, stabDirection, type Ground, type Lean, type Spot } from './ground';

export interface Layer {
  readonly name: string;
  readonly hex: string;
  /** Pressed together. */
  readonly thickMm: number;
}

interface BarbState {
  /** From the point along the needle, and how deep it is below the ground, square to it; negative within the layers. */
  readonly at: number;
  readonly belowMm: number;
  readonly catches: string;
}

export interface InsideView {
  readonly skin: readonly Loop[];
  readonly felt: readonly Loop[];
  /** Wire and stems near the plane: from, to, radius. */
  readonly obstacles: readonly {
    readonly from: readonly [number, number];
    readonly to: readonly [number, number];
    readonly radiusMm: number;
    readonly what: 'wire' | 'eye';
  }[];
  /** From the ground outward. */
  readonly layers: readonly Layer[];
  /** Pressed together, all layers. */
  readonly layersMm: number;
  /** Fur standing over the skin there, mm. */
  readonly loftMm: number;
  readonly area: string | null;
  readonly part: string;
  readonly throughMm: number;
  readonly wireMm: number | null;
  readonly eyeMm: number | null;
  readonly window: Window;
  readonly strokeMm: number;
  readonly angleDeg: number;
  readonly barbs: readonly BarbState[];
  /** What the stroke does, in words. */
  readonly says: readonly string[];
}

export interface InsideQuestion {
  readonly place: Place;
  readonly needle: Needle;
  readonly kind: Needlework['kind'];
  readonly angleDeg: number;
  readonly lean: Lean;
  /** Null for the stroke that would be planned. */
  readonly strokeMm: number | null;
}

/** How far beside the plane wire and stems are still shown. */
const NEAR_PLANE = 6;

/** @returns null where the place lies on no part, or nothing is felted below it */
export function lookInside(
  g: Ground,
  coat: CoatPlan,
  shade: ShadePlan,
  hand: Hand,
  owner: Int32Array,
  q: InsideQuestion,
): InsideView | null {
  const at = pointOf(g.form.body, q.place);
  if (!at) return null;
  const v = nearestVertex(g.form.skin.positions, at);
  const normal = outwardAt(g.form, at);
  const skinSpot: Spot = {
    at,
    normal,
    lie: [g.form.lie[3 * v]!, g.form.lie[3 * v + 1]!, g.form.lie[3 * v + 2]!],
  };
  const spot = ontoFelt(g, skinSpot);
  if (!spot) return null;
  const to = stabDirection(spot, q.angleDeg, q.lean);
  const ahead = aheadOf(g, spot, to, q.needle.bladeMm);
  if (!ahead) return null;
  const area = coat.areas[owner[v]!] ?? null;
  // While the core is felted nothing lies on it yet.
  const layers = q.kind === 'through' ? [] : layersAt(coat, shade, hand, area?.id ?? null);
  const layersMm = layers.reduce((s, l) => s + l.thickMm, 0);
  const inward = scale(normal, -1);
  const straight = aheadOf(g, spot, inward, q.needle.bladeMm);
  const entry = spot.at;
  const t = flatten(to, normal);
  const across = norm(t) > 1e-6 ? unit(t) : unit(flatten(spot.lie, normal));
  const plane: Plane = { at: entry, normal: unit(cross(across, normal)), across, up: normal };
  const flat = (p: Vec3): [number, number] => {
    const d = sub(p, entry);
    return [dot(d, across), dot(d, normal)];
  };
  const window = depthWindow(
    q.needle,
    {
      kind: q.kind,
      layerMm: layersMm,
      underMm: layers.length > 1 ? layers[layers.length - 2]!.thickMm : 0.5,
      groundMgCm3: hand.coreDensityMgCm3.firm.usual,
      where: { on: 'area', id: area?.id ?? '' },
    },
    {
      ...ahead,
      farShows: q.kind !== 'through' && straight !== null && farSideShows(g, spot, inward, straight.throughMm),
    },
    q.angleDeg,
    hand.rootMm,
  );
  const stroke = q.strokeMm ?? window.plannedMm;
  const s = sine(q.angleDeg);
  const over = layersMm / s;
  const barbs = barbsOf(q.needle).map((b): BarbState => {
    const below = (stroke - b - over) * s;
    return {
      at: b,
      belowMm: below,
      catches: caught(below, layers, q.needle.section === 'reverse', q.kind === 'through'),
    };
  });
  const says: string[] = [];
  const tip = stroke - over;
  if (tip > ahead.wireMm) says.push('The point hits the wire.');
  else if (tip > ahead.wireMm - 1) says.push('The point comes within a millimetre of the wire.');
  if (tip > ahead.eyeMm) says.push('The point comes to a set eye or its stem: the needle breaks.');
  if (tip > ahead.throughMm) says.push('The point comes out on the other side: mind the fingers.');
  const out = barbs.filter((b) => stroke - b.at - over > ahead.throughMm);
  if (out.length > 0)
    says.push(
      `${out.length === 1 ? 'A barb comes' : `${out.length} barbs come`} out on the other side and carry colour along.`,
    );
  if (barbs.every((b) => b.belowMm <= 0) && q.needle.section !== 'reverse')
    says.push('No barb gets into the ground: nothing is fixed.');
  return {
    skin: slice(g.form.skin, plane),
    felt: slice(g.felt, plane),
    obstacles: g.capsules.flatMap((c) => {
      const far = Math.min(Math.abs(dot(sub(c.a, entry), plane.normal)), Math.abs(dot(sub(c.b, entry), plane.normal)));
      const crosses = dot(sub(c.a, entry), plane.normal) * dot(sub(c.b, entry), plane.normal) < 0;
      if (far > NEAR_PLANE && !crosses) return [];
      return [{ from: flat(c.a), to: flat(c.b), radiusMm: c.radiusMm, what: c.what }];
    }),
    layers,
    layersMm,
    loftMm: Math.max(0, dot(sub(at, entry), normal)),
    area: area?.name ?? null,
    part: g.form.body.parts.find((p) => p.part.id === q.place.part)?.part.name ?? '',
    throughMm: straight?.throughMm ?? ahead.throughMm,
    wireMm: Number.isFinite(ahead.wireMm) ? ahead.wireMm : null,
    eyeMm: Number.isFinite(ahead.eyeMm) ? ahead.eyeMm : null,
    window,
    strokeMm: stroke,
    angleDeg: q.angleDeg,
    barbs,
    says,
  };
}

/** What lies over the ground of an area, from below: layers of colour and the coat's own root felt. */
function layersAt(coat: CoatPlan, shade: ShadePlan, hand: Hand, areaId: string | null): Layer[] {
  const a = shade.areas.find((x) => x.id === areaId);
  const fur = coat.areas.find((x) => x.id === areaId)?.fur;
  if (!a) return [];
  return a.layers.flatMap((l): Layer[] => {
    if (l.says === 'raised') return [];
    const mg = l.says === 'coat' ? Math.min(ROOTS_MG, fur?.figures.areal.value ?? 0) : l.arealMgCm2;
    return mg > 0
      ? [
          {
            name: l.says === 'coat' ? `${l.wool}, coat` : l.wool,
            hex: l.ownHex,
            thickMm: (mg / hand.feltedDensityMgCm3) * 10,
          },
        ]
      : [];
  });
}

/** Of a coat only what is felted down at the roots is dense, mg/cm2. Ours. */
const ROOTS_MG = 8;

function caught(belowMm: number, layers: readonly Layer[], reverse: boolean, core: boolean): string {
  if (core || layers.length === 0)
    return belowMm > 0 ? (reverse ? 'pulls core wool up' : 'tangles core wool') : 'not in yet';
  // Depth counted from the top of the layers.
  let above = 0;
  const total = layers.reduce((s, l) => s + l.thickMm, 0);
  const depth = belowMm + total;
  if (depth <= 0) return 'not in yet';
  for (let i = layers.length - 1; i >= 0; i--) {
    const l = layers[i]!;
    if (depth <= above + l.thickMm) return reverse ? `pulls ${l.name} up` : `moves within ${l.name}`;
    above += l.thickMm;
  }
  return reverse ? 'pulls core wool up' : `carries ${layers[layers.length - 1]!.name} into the core`;
}
