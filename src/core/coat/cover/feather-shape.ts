/**
 * The outline of a felted feather in the flat: as wide as it is all the way, its tip half an ellipse. And what feathers set in rows like
 * bricks leave open between them. Lengths mm.
 */
import { bareShare } from './bare';

type FeatherTip = 'round' | 'pointed' | 'square';

export interface FeatherOutline {
  readonly lengthMm: number;
  readonly widthMm: number;
  /** How much of its length is tip. */
  readonly tipMm: number;
}

/** The tip in shares of the width; a pointed one is half of the length at most. Ours. */
const TIP_OF_WIDTH = { round: 0.5, pointed: 1.6, square: 0.15 } as const;

export const tipOf = (tip: FeatherTip, lengthMm: number, widthMm: number): number =>
  Math.min(TIP_OF_WIDTH[tip] * widthMm, lengthMm / 2);

/** Half its width at a way from its quill; nothing beyond its tip. */
export function halfWidthAt({ lengthMm, widthMm, tipMm }: FeatherOutline, v: number): number {
  if (v > lengthMm) return 0;
  const t = (v - (lengthMm - tipMm)) / tipMm;
  return (widthMm / 2) * (t > 0 ? Math.sqrt(Math.max(0, 1 - t * t)) : 1);
}

/** Area of one, its root below the skin included, mm2. */
export const featherArea = ({ lengthMm, widthMm, tipMm }: FeatherOutline, rootMm = 0): number =>
  widthMm * (lengthMm + rootMm - tipMm) + (Math.PI / 4) * widthMm * tipMm;

/** Places looked at along and across the rows. */
const ACROSS = 24;
const ALONG = 24;
const GOLDEN = 0.6180339887498949;

interface FeatherRows {
  readonly pitchMm: number;
  readonly spacingMm: number;
  /** Bare of one feather: how much is seen through its felt. */
  readonly through: number;
}

/**
 * Share of the base feathers hide: at every place so much is left of what each that lies over it lets through. Every second row is set half a
 * feather on.
 * @param reachMm how far along the lie a feather reaches over the base, in the direction one looks
 */
export function feathersHide(o: FeatherOutline, { pitchMm, spacingMm, through }: FeatherRows, reachMm: number): number {
  if (reachMm <= 0) return 0;
  const k = reachMm / o.lengthMm;
  const rows = Math.ceil(reachMm / spacingMm) + 1;
  let open = 0;
  for (let i = 0; i < ACROSS; i++)
    for (let j = 0; j < ALONG; j++) {
      // Shifted from line to line, so that no edge runs along the places looked at.
      const u = ((i + ((0.5 + j * GOLDEN) % 1)) / ACROSS) * pitchMm;
      const v = ((j + 0.5) / ALONG) * spacingMm;
      let left = 1;
      for (let r = 0; r < rows; r++) {
        // Over a place hang the feathers of the row it lies above, and of those further up.
        const half = halfWidthAt(o, (v + r * spacingMm) / k);
        if (half <= 0) continue;
        const shift = r % 2 === 0 ? 0 : pitchMm / 2;
        // As many as lie within half a width to either side, however wide they are.
        const x = u - shift;
        left *= through ** Math.max(0, Math.floor((x + half) / pitchMm) - Math.ceil((x - half) / pitchMm) + 1);
      }
      open += left;
    }
  return 1 - open / (ACROSS * ALONG);
}

/** How much is seen through felt: as through any layer of so many fibres. */
export const throughFelt = (mgCm2: number, layerMgCm2: number, kappa: number, unevenness: number): number =>
  bareShare(mgCm2 / layerMgCm2, kappa, unevenness);
