/**
 * The depth window of a stab: the least stroke that still catches and the most before it does harm, along the needle from
 * where its point meets the wool. Depth square to the skin is stroke times the sine of the angle to the skin. mm, degrees.
 */
import type { Needlework } from '@/core/stage';
import { beyondReach, LAYER_MM } from '@/core/build/core-layers';
import { deepestSafe, type Blade } from './blade';

/** What lies ahead of a stab from the ground on, below the layer. Infinity where there is nothing. */
export interface Ahead {
  /** Felt along the stroke. */
  readonly throughMm: number;
  /** To the bare wire, and to a set stem or glass (with the room kept round it). */
  readonly wireMm: number;
  readonly eyeMm: number;
  /** The far side is seen when all is done. */
  readonly farShows: boolean;
}

export type Limit =
  | 'the other side'
  | 'the wire'
  | 'the eye'
  | 'the mat'
  | 'the fingers'
  | 'the blade'
  | 'the steel'
  | 'the root'
  | 'what lies below';

export interface Window {
  readonly leastMm: number;
  readonly mostMm: number;
  /** What stops it first. */
  readonly limit: Limit;
  /** What the stroke aims at within it. */
  readonly plannedMm: number;
  /** The felt is thicker than the blade reaches from both sides: it is built on in layers. */
  readonly inLayers: boolean;
  readonly open: boolean;
}

/** Kept from the other side where it shows, and from wire and stem. */
const BEHIND_MM = 2;
const CLEAR_MM = 1;
/** A mat takes a point so deep at most, mm. Ours. */
const MAT_MM = 8;
/** A barb must get at least so far below the layer to hold on to the ground, mm. Ours. */
const BITE_MM = 0.5;
/** Beyond the bite on the surface, so that a second and third barb work. Ours. */
const SHALLOW_MM = 4;
/** Collar and fringe are felted so deep into the ground. Ours. */
const JOIN_MM = 4;
/** A strip is fixed so deep. Ours. */
const DEEP_MM = 6;
/** A root deeper than wanted by this eats into the length of the fur. Ours. */
const ROOT_PLAY_MM = 1.5;

export const sine = (angleDeg: number): number => Math.sin((angleDeg * Math.PI) / 180);

/**
 * @param angleDeg between the needle and the skin: 90 square to it
 * @param rootMm how much of a fibre a root takes: it holds by its length in the felt, slanted or not
 */
export function depthWindow(
  n: Blade,
  w: Pick<Needlework, 'kind' | 'layerMm' | 'underMm' | 'groundMgCm3' | 'where'>,
  ahead: Ahead,
  angleDeg: number,
  rootMm: number,
): Window {
  const s = sine(angleDeg);
  const layer = w.layerMm / s;
  const { throughMm } = ahead;
  const onMat = w.where.on === 'mat';
  const limits: [Limit, number][] = [
    ['the blade', n.bladeMm],
    ['the steel', layer + deepestSafe(n, w.groundMgCm3)],
    ['the wire', layer + ahead.wireMm - CLEAR_MM],
    ['the eye', layer + ahead.eyeMm],
  ];
  // What is worked on the mat lets the point through but not a barb: that would sew it to the mat, or carry the colour of a
  // lining along. What is held in the hand keeps the point inside, for the fingers' sake.
  if (onMat || w.kind === 'through') {
    const lined = w.where.on === 'mat' && w.where.lined;
    limits.push([lined ? 'the other side' : 'the mat', layer + throughMm + Math.min(MAT_MM, n.tipMm - BITE_MM)]);
  } else
    limits.push(
      ahead.farShows ? ['the other side', layer + throughMm - BEHIND_MM] : ['the fingers', layer + throughMm],
    );

  let least = n.tipMm + layer + BITE_MM;
  let beyond = SHALLOW_MM;
  let inLayers = false;
  switch (w.kind) {
    case 'through':
      inLayers = beyondReach(throughMm, n.bladeMm);
      // At least halfway through to tangle a core (common practice); a layer of it through into the one beneath.
      least = inLayers ? n.tipMm + LAYER_MM + JOIN_MM : Math.max(n.tipMm + BITE_MM, throughMm / 2);
      if (!inLayers) beyond = 0.3 * throughMm;
      break;
    case 'flat':
      least = n.tipMm + layer + throughMm / 2;
      if (w.where.on === 'mat' && w.where.lined) beyond = 0.1 * throughMm;
      break;
    case 'join':
      least = n.tipMm + layer + JOIN_MM;
      break;
    case 'deep':
      least = n.tipMm + layer + DEEP_MM;
      break;
    case 'root':
      least = n.tipMm + layer + rootMm;
      limits.push(['the root', n.tipMm + layer + rootMm + ROOT_PLAY_MM]);
      beyond = 0;
      break;
    case 'raise':
      least = n.tipMm + layer + Math.min(BITE_MM, w.underMm / 2) / s;
      limits.push(['what lies below', n.tipMm + layer + w.underMm / s]);
      beyond = 0.5;
      break;
    case 'line':
      beyond = 2;
      break;
    case 'surface':
      break;
  }
  const [limit, most] = limits.reduce((a, b) => (b[1] < a[1] ? b : a));
  return {
    leastMm: least,
    mostMm: Math.max(0, most),
    limit,
    plannedMm: Math.max(Math.min(most, least + beyond), Math.min(least, most)),
    inLayers,
    open: least <= most + 1e-9,
  };
}
