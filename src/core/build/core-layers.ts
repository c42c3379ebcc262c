/**
 * A core thicker than the blade reaches from two sides: built on in layers, each felted through into the one beneath. mm.
 * Common practice; how thick a layer is when it is pressed down is ours.
 */
import type { Cupboard } from '@/core/piece/cupboard';

/** One layer of wool laid round what is firm already, pressed down. Ours. */
export const LAYER_MM = 12;
/** Blades of a rack with no needle in it are taken to be as long as they usually are. From memory. */
const USUAL_BLADE_MM = 25;

/** The longest blade in the rack. */
export const longestBlade = (c: Pick<Cupboard, 'needles'>): number =>
  Math.max(0, ...c.needles.filter((n) => n.count > 0).map((n) => n.bladeMm)) || USUAL_BLADE_MM;

/** Whether a blade that goes in from both sides does not meet in the middle of so much felt. */
export const beyondReach = (throughMm: number, bladeMm: number): boolean => throughMm / 2 > bladeMm;

/** Layers over the inner core that a blade still reaches through: 0 where none is needed. */
export const layersOver = (acrossMm: number, bladeMm: number): number =>
  beyondReach(acrossMm, bladeMm) ? Math.ceil((acrossMm / 2 - bladeMm) / LAYER_MM) : 0;
