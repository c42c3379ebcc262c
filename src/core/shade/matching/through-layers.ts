/**
 * A coat seen through the layers that lie over it: what is seen of an area when its coat has another colour, and which colour
 * the coat would need to be seen as one that is wanted. On average over the area, without its markings.
 */
import { reflectanceOf } from '@/core/colour/reflectance';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { CoatPlan } from '@/core/coat/coat-plan';
import { readyLayers } from '@/core/shade/layers/layers';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { presence, seenAfter, type StackLayer } from '@/core/shade/layers/stack';

export interface Through {
  /** @param coat curve of the coat's own wool */
  readonly seen: (coat: Float64Array) => Float64Array;
  /** The coat's curve that comes nearest to being seen as wanted, band by band, within what wool can be. */
  readonly coatFor: (wanted: Float64Array) => Float64Array;
}

export interface ThroughLayers extends Through {
  /** Layers over the coat from below up, each with the same view were it left out. */
  readonly over: readonly { readonly wool: string; readonly hides: number; readonly without: Through }[];
}

/** No wool reflects less or more than this. Ours. */
const R_LEAST = 0.012;
const R_MOST = 0.9;
const HALVINGS = 40;

/** @returns null for an area without a coat */
export function throughLayers(
  piece: Piece,
  areaId: string,
  cupboard: Pick<Cupboard, 'lots' | 'blends'>,
  hand: Hand,
  coat: CoatPlan,
  shaded: ShadedArea,
): ThroughLayers | null {
  const area = piece.areas.find((a) => a.id === areaId);
  const plan = coat.areas.find((a) => a.id === areaId);
  const lot = cupboard.lots.find((l) => l.id === plan?.fur?.lotId);
  if (!area || !plan?.fur || !lot) return null;
  const { list } = readyLayers(area.shade.layers, { lot, cover: plan.fur.figures.cover.value }, cupboard, hand);
  const at = list.findIndex((l) => l.says === 'coat');
  if (at < 0) return null;
  const fields = list.map((l) =>
    l.says === 'coat' ? 1 : (shaded.layers.find((x) => x.id === l.id)?.areaMm2 ?? 0) / (plan.areaMm2 || 1),
  );
  const ground = reflectanceOf(shaded.groundHex);
  const withCoat = (curve: Float64Array) => list.map((l, i) => (i === at ? { ...l.stack, curve } : l.stack));
  return {
    ...lookThrough(withCoat, ground, fields),
    over: list.slice(at + 1).map((l, i) => ({
      wool: shaded.layers.find((x) => x.id === l.id)?.wool ?? '',
      hides: presence(l.stack, fields[at + 1 + i]!),
      without: lookThrough(
        withCoat,
        ground,
        fields.map((f, k) => (k === at + 1 + i ? 0 : f)),
      ),
    })),
  };
}

function lookThrough(
  stackOf: (coat: Float64Array) => readonly StackLayer[],
  ground: Float64Array,
  fields: readonly number[],
): Through {
  const seen = (curve: Float64Array): Float64Array => seenAfter(ground, stackOf(curve), fields).at(-1)!;
  return {
    seen,
    // More reflected by the coat is more seen in every band, so each band is halved by itself.
    coatFor: (wanted) => {
      const lo = new Float64Array(wanted.length).fill(R_LEAST);
      const hi = new Float64Array(wanted.length).fill(R_MOST);
      for (let n = 0; n < HALVINGS; n++) {
        const middle = lo.map((x, k) => (x + hi[k]!) / 2);
        const now = seen(middle);
        middle.forEach((x, k) => (now[k]! < wanted[k]! ? (lo[k] = x) : (hi[k] = x)));
      }
      return lo.map((x, k) => (x + hi[k]!) / 2);
    },
  };
}
