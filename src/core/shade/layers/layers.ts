/**
 * The layers of an area as the piece has them, made ready to be seen and weighed: the colour of each, how many hiding
 * layers it is, what wool it draws. A shadow is two layers (the dark line and the veil over it), a highlight is a blend of
 * the ground colour with white; the ground colour is that of the nearest coat or veil below.
 */
import { hexOfCurve, labOfCurve } from '@/core/colour/reflectance';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Layer, LayerWhere, Recipe } from '@/core/piece/shade';
import { isMixed, mixed, type Mixed } from '@/core/wool/recipe';
import type { StackLayer } from './stack';
import { woolCurve } from '@/core/wool/wool-colour';

/** A fleck or raised tuft is about a thin layer where it is. */
const FLECK_LAYERS = 0.9;

export interface ReadyLayer {
  /** The layer of the piece it comes from, and which of its two where it makes two. */
  readonly layer: Layer;
  readonly id: string;
  readonly says: 'coat' | 'veil' | 'line' | 'flecks' | 'deep line' | 'veil over the shadow' | 'highlight' | 'raised';
  readonly where: LayerWhere;
  readonly stack: StackLayer;
  /** What it is made of; null for a pass of the reverse needle, which takes no wool. */
  readonly mix: Mixed | null;
  readonly recipe: Recipe;
  /** Wool on a square cm where its field is 1, mg. */
  readonly arealMgCm2: number;
  readonly ownHex: string;
}

export interface Coated {
  /** The wool with its tips as they are laid: kept, opened paler, or cut off. */
  readonly lot: Lot;
  /** Share of the base the coat hides. */
  readonly cover: number;
}

/** A layer left out because a wool of it is not in the cupboard. */
export interface Missing {
  readonly layerId: string;
  readonly lotIds: readonly string[];
}

export interface Ready {
  readonly list: readonly ReadyLayer[];
  readonly missing: readonly Missing[];
}

const ALL: LayerWhere = { kind: 'all' };

/** @param ground recipe below the first layer, for layers that take the ground colour; null for bare core */
export function readyLayers(
  layers: readonly Layer[],
  coat: Coated | null,
  cupboard: Pick<Cupboard, 'lots' | 'blends'>,
  hand: Hand,
  ground: Recipe | null = null,
): Ready {
  const list: ReadyLayer[] = [];
  const missing: Missing[] = [];
  let below: Recipe | null = ground;
  for (const layer of layers) {
    const put = (
      suffix: string,
      says: ReadyLayer['says'],
      recipe: Recipe,
      even: number,
      where: LayerWhere,
      make: (m: Mixed) => { layers: number | null; share: number; fine: boolean; arealMgCm2: number; wool: boolean },
    ): boolean => {
      const found = mixed(recipe, even, cupboard, hand);
      const m = says === 'coat' && recipe.length === 1 && isMixed(found) ? laidAs(found, coat!.lot) : found;
      if (!isMixed(m)) {
        missing.push({ layerId: layer.id, lotIds: m.missing });
        return false;
      }
      const x = make(m);
      list.push({
        layer,
        id: layer.id + suffix,
        says,
        where,
        stack: { id: layer.id + suffix, curve: m.curve, layers: x.layers, share: x.share, fine: x.fine },
        mix: x.wool ? m : null,
        recipe,
        arealMgCm2: x.arealMgCm2,
        ownHex: hexOfCurve(m.curve),
      });
      return true;
    };
    const veil = (arealMgCm2: number) => (m: Mixed) => ({
      layers: (m.kappa * arealMgCm2) / m.m1,
      share: 0,
      fine: false,
      arealMgCm2,
      wool: true,
    });
    if (layer.kind === 'coat') {
      if (!coat) continue;
      const recipe = layer.blend ?? [{ lotId: coat.lot.id, parts: 1 }];
      const hides = -Math.log(1 - Math.min(coat.cover, 0.99995));
      if (
        put('', 'coat', recipe, layer.even, ALL, () => ({
          layers: hides,
          share: 0,
          fine: false,
          arealMgCm2: 0,
          wool: true,
        }))
      )
        below = recipe;
    } else if (layer.kind === 'veil') {
      if (put('', 'veil', layer.recipe, layer.even, layer.where, veil(layer.arealMgCm2))) below = layer.recipe;
    } else if (layer.kind === 'line') {
      put('', 'line', [{ lotId: layer.lotId, parts: 1 }], 1, layer.where, veil(layer.arealMgCm2));
    } else if (layer.kind === 'flecks') {
      put('', 'flecks', [{ lotId: layer.lotId, parts: 1 }], 1, layer.where, (m) => ({
        layers: null,
        share: layer.share,
        fine: layer.texture === 'fine',
        arealMgCm2: (layer.share * FLECK_LAYERS * m.m1) / m.kappa,
        wool: true,
      }));
    } else if (layer.kind === 'shadow') {
      const veiled = below ?? [{ lotId: layer.lotId, parts: 1 }];
      if (put('', 'deep line', [{ lotId: layer.lotId, parts: 1 }], 1, layer.where, veil(layer.arealMgCm2)) && below) {
        put('-veil', 'veil over the shadow', veiled, 1, layer.where, veil(layer.veilMgCm2));
      }
    } else if (layer.kind === 'highlight') {
      put('', 'highlight', lightened(below, layer.lotId, layer.share), 1, layer.where, veil(layer.arealMgCm2));
    } else {
      put('', 'raised', [{ lotId: layer.lotId, parts: 1 }], 1, layer.where, () => ({
        layers: null,
        share: layer.share,
        fine: layer.texture === 'fine',
        arealMgCm2: 0,
        wool: false,
      }));
    }
  }
  return { list, missing };
}

/** A wool with its tips as the coat has them. */
function laidAs(m: Mixed, lot: Lot): Mixed {
  if (m.parts[0]!.lot.id !== lot.id) return m;
  const curve = woolCurve(lot);
  return { ...m, parts: [{ lot, share: 1 }], curve, hex: hexOfCurve(curve), lab: labOfCurve(curve) };
}

/** The ground colour with a share of white, by whole parts in 16. */
function lightened(ground: Recipe | null, lotId: string, share: number): Recipe {
  if (ground === null || (ground.length === 1 && ground[0]!.lotId === lotId)) return [{ lotId, parts: 1 }];
  const rest = ground.filter((r) => r.lotId !== lotId).slice(0, 3);
  const whole = rest.reduce((s, r) => s + r.parts, 0);
  const white = Math.max(1, Math.min(15, Math.round(16 * share)));
  return [
    ...rest.map((r) => ({ lotId: r.lotId, parts: Math.max(1, Math.round(((16 - white) * r.parts) / whole)) })),
    { lotId, parts: white },
  ];
}
