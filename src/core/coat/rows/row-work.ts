/** What laying in rows takes, element by element: begun, laid, felted in, tugged at and compared. */
import type { Hand } from '@/core/piece/hand';
import type { Work } from '@/core/time/elements';

/** Rows after which both sides are compared, and pieces or wisps after which a layer is looked over. Ours. */
const ROWS = 5;
const PIECES = 10;
const WISPS = 25;
/** Stabs on a cm of row and passes that its element of time stands for. */
const USUAL_STABS = 8;
const USUAL_PASSES = 6;

export interface LaidRows {
  readonly rowsMm: number;
  readonly rows: number;
}

/** Rows are about so long where only a square centimetre of them is looked at, mm. */
const USUAL_ROW = 50;
/** Rows on a square centimetre, for what a change does to it. */
export const aSquare = (spacingMm: number): LaidRows => ({
  rowsMm: 100 / spacingMm,
  rows: 100 / spacingMm / USUAL_ROW,
});

/** Felting so many mm of row in so many passes. */
export const felting = (hand: Hand, mm: number, passes: number): number =>
  (mm / 10) * (passes / USUAL_PASSES) * (hand.stabsPerCm / USUAL_STABS);

/** Rows begun, tugged at and compared. */
export const rowsLaid = (r: LaidRows): Work => ({ row: r.rows, tug: r.rows, compare: r.rows / ROWS });

/** Rows of pinches felted along their line, and along the fold where they are folded. */
export const pinchRows = (hand: Hand, r: LaidRows, pinches: number, folded: boolean): Work => ({
  ...rowsLaid(r),
  pinch: pinches,
  ...(folded ? { fold: pinches } : {}),
  rowCm: felting(hand, r.rowsMm, hand.passesLine + hand.passesFold),
});

export const cutting = (pinches: number): Work => ({ cutTen: pinches / 10 });
export const stabs = (hand: Hand, areaMm2: number, passes: number): Work => ({
  surfaceStabs: ((areaMm2 / 100) * hand.surfaceStabsPerCm2 * passes) / 100,
});
export const lookedOver = (things: number, as: 'pieces' | 'wisps'): Work => ({
  look: things / (as === 'pieces' ? PIECES : WISPS),
});

/** Every step is taken up once. */
export const ONE_STEP: Work = { step: 1 };
