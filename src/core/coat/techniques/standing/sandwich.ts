/**
 * A marking in cut pile: a band of another colour laid on top of the lay shows as a stripe once both halves rise and
 * are trimmed; a twisted pinch in the middle of the lay shows as a spot. Own derivation, assuming that the rising pile
 * fans evenly: the top k of all layers, a share u of the thickness, fill the same share of the fan. Lengths mm.
 */
import { letter, method } from '@/core/method/define';

const rad = Math.PI / 180;

/** Width of the line the lay is felted along, mm. Ours. */
export const STAB_WIDTH = 1;

export const stripeWidth = method({
  id: 'stripe-width',
  title: 'Width of a stripe after trimming',
  formula: 'w = b u + 2 h tan(u φ)  (cut flat),  w = b u + 2 h u φ  (domed),  at most u P between neighbours',
  inputs: {
    share: letter('u', 'share of the lay above the band’s lower edge', 'share', 'lay'),
    fan: letter('φ', 'half angle of the fan', 'angle'),
    height: letter('h', 'height of the pile', 'length'),
    stab: letter('b', 'width felted along', 'length'),
    domed: letter('domed', '1 for a domed cut, 0 for a flat one', 'number'),
    pitch: letter('P', 'row spacing', 'length'),
  },
  result: letter('w', 'width of the stripe', 'length'),
  source: 'The rising pile fans evenly from the line it is felted along.',
  basis: 'ours',
  of: ({ share, fan, height, stab, domed, pitch }) =>
    Math.min(
      crowdedStripe(share, pitch),
      stab * share + 2 * height * (domed ? share * fan * rad : Math.tan(share * fan * rad)),
    ),
});

/** Among neighbouring rows the fans cannot open: a band has its share of the pitch. */
export const crowdedStripe = (share: number, pitchMm: number): number => share * pitchMm;

export const spotDiameter = method({
  id: 'spot-diameter',
  title: 'Size of a spot after trimming',
  formula: 'd = √(4 A / π),  A = μ W / m',
  inputs: {
    pinch: letter('μ', 'mass of a mm of the pinch, mg', 'number', 'wisp'),
    width: letter('W', 'width of the pinch', 'length'),
    areal: letter('m', 'mass of the pile on a mm², mg', 'number'),
  },
  result: letter('d', 'diameter of the spot', 'length'),
  source: 'The pinch takes as much of the surface as its share of the pile’s mass.',
  basis: 'ours',
  of: ({ pinch, width, areal }) => Math.sqrt((4 * pinch * width) / areal / Math.PI),
});

/** How far the edge of a marking is blurred by the scatter of the fibres. */
export const blurMm = (heightMm: number, scatter: number): number => heightMm * scatter;
/** A stripe is lost when its blur is more than this share of its width, safe below the other. Ours. */
export const LOST = 0.74;
export const SAFE = 0.4;

/** Half length a band needs so that it reaches the cut surface. */
export const bandReach = (heightMm: number, share: number, fanDeg: number, depthMm: number): number =>
  heightMm / Math.cos(share * fanDeg * rad) + depthMm;

/** A fan this wide is as good as flat, radians. */
const STEEPEST = 1.45;
/** How far a domed cut comes round from its middle to its edge, radians. Ours. */
const ROUND = 0.5;

/** What a section through a carrying row looks like. */
export interface Sandwich {
  readonly kind: 'stripe' | 'spot';
  readonly groundColour: string;
  readonly markingColour: string;
  readonly heightMm: number;
  readonly spacingMm: number;
  readonly fanDeg: number;
  readonly share: number;
  readonly widthMm: number;
  readonly blurMm: number;
  readonly cut: 'flat' | 'domed';
  /** Numbers of the rows that carry it. */
  readonly rows: readonly number[];
}

/** Half the width of the pile at its top, mm: as it fans, but neighbouring rows press it together to half a spacing. */
export const halfAtTop = (s: Pick<Sandwich, 'heightMm' | 'fanDeg' | 'spacingMm'>): number =>
  Math.min(s.spacingMm / 2, s.heightMm * Math.tan(Math.min(s.fanDeg * rad, STEEPEST)));

/** Height of the trimmed pile at a place across its top, mm: flat, or a little round where it is cut domed. */
export const topAt = (s: Sandwich, acrossMm: number): number =>
  s.cut === 'domed' ? s.heightMm * Math.cos((acrossMm / (halfAtTop(s) || 1)) * ROUND) : s.heightMm;

/** Rows between two shares of the way up, every so many. */
export function carryingRows(
  rows: readonly { readonly number: number; readonly share: number }[],
  from: number,
  to: number,
  every: number,
): number[] {
  const [lo, hi] = [Math.min(from, to), Math.max(from, to)];
  return rows
    .filter((r) => r.share >= lo - 1e-9 && r.share <= hi + 1e-9)
    .flatMap((r, i) => (i % every === 0 ? [r.number] : []));
}
