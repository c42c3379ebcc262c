/**
 * Asking for needle work: what each stage says of it in its own figures. Which needle, how deep and at what angle is worked
 * out later. Lengths mm, areas mm2, masses g, densities mg/cm3.
 */
import { lightness } from '@/core/colour/lab';
import { stabsAMinute, unlearnt } from '@/core/time/elements';
import { layerMass } from '@/core/wool/fibre';
import type { Vec3 } from './geometry/vec';
import type { Lot } from './piece/cupboard';
import type { Hand } from './piece/hand';
import type { Needlework } from './stage';

/** Wool of the core where nothing is known of it, micrometres. Ours. */
const PLAIN_UM = 28;
/** A lay is pressed onto a line so wide before it goes in, mm. Ours. */
const LINE_WIDE = 3;

const spreadOf = (lot: Pick<Lot, 'form'> | null, hand: Hand): number => (lot ? hand.spread[lot.form] : 1);
const umOf = (lot: Pick<Lot, 'finenessUm'> | null): number => lot?.finenessUm ?? PLAIN_UM;
/** Lightness from which a wool counts as pale, and the span up to wholly so. Ours. */
const PALE = 55;
const PALE_SPAN = 35;

/** How much marks tell on a layer: the paler it is and the less it covers, the darker a hole in it looks. Ours. */
const tellsOn = (hex: string, mgCm2: number, lot: Pick<Lot, 'finenessUm' | 'finenessCv'>): number =>
  1 +
  Math.max(0, Math.min(1, (lightness(hex) - PALE) / PALE_SPAN)) *
    Math.exp(-mgCm2 / layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv }));

const firm = (hand: Hand): number => hand.coreDensityMgCm3.firm.usual;

/** Felting a part of the core. @param count two of a pair */
export const feltPart = (
  partId: string,
  volumeMm3: number,
  densityMgCm3: number,
  lot: Lot | null,
  hand: Hand,
): Needlework => ({
  kind: 'through',
  where: { on: 'part', id: partId },
  passes: 1,
  stabs: (volumeMm3 / 1000) * hand.coreStabsPerCm3,
  layerMm: 0,
  topMgCm2: 20,
  finenessUm: umOf(lot),
  spread: spreadOf(lot, hand),
  groundMgCm3: densityMgCm3,
  shows: false,
  underMm: 0,
  perCm2: hand.surfaceStabsPerCm2,
  linePerMm2: 0,
  acrossMm: null,
  tells: 1,
});

/** Joining parts under collars. */
export const joinParts = (minutes: number, collarMm: number, lot: Lot | null, hand: Hand): Needlework => ({
  ...feltPart('', 0, firm(hand), lot, hand),
  kind: 'join',
  where: { on: 'joints' },
  passes: 2,
  stabs: minutes * stabsAMinute(unlearnt(hand)) * 0.7,
  layerMm: collarMm,
});

/** Felting something flat on the mat. */
export const feltFlat = (
  thickMm: number,
  lined: boolean,
  areaMm2: number,
  acrossMm: number,
  lot: Lot | null,
  hand: Hand,
): Needlework => ({
  ...feltPart('', 0, hand.coreDensityMgCm3['flat felt'].usual, lot, hand),
  acrossMm,
  kind: 'flat',
  where: { on: 'mat', thickMm, lined },
  passes: 4,
  stabs: (areaMm2 / 100) * hand.surfaceStabsPerCm2 * 4,
  shows: true,
  topMgCm2: thickMm * 10 * 1.5,
});

/**
 * Rooting fur along rows.
 * @param mgCm wool on a cm of row
 * @param passes along the line and along the fold together
 */
export const rootRows = (
  areaId: string,
  rowsMm: number,
  mgCm: number,
  passes: number,
  spacingMm: number,
  lot: Lot,
  hand: Hand,
): Needlework => ({
  kind: 'root',
  where: { on: 'area', id: areaId },
  passes,
  stabs: (rowsMm / 10) * hand.stabsPerCm * passes,
  layerMm: (mgCm / LINE_WIDE / hand.feltedDensityMgCm3) * 100,
  topMgCm2: (mgCm * 10) / spacingMm,
  finenessUm: lot.finenessUm,
  spread: hand.spread[lot.form],
  groundMgCm3: firm(hand),
  shows: true,
  underMm: 0,
  perCm2: (hand.stabsPerCm * 10) / spacingMm,
  linePerMm2: ((hand.stabsPerCm / 10) * passes) / LINE_WIDE,
  acrossMm: null,
  tells: 1,
});

/** Felting a layer on all over an area, shallow. */
export const feltLayer = (
  areaId: string,
  areaMm2: number,
  mgCm2: number,
  passes: number,
  lot: Lot,
  hand: Hand,
  hex: string = lot.colour,
): Needlework => ({
  kind: 'surface',
  where: { on: 'area', id: areaId },
  passes,
  stabs: (areaMm2 / 100) * hand.surfaceStabsPerCm2 * passes,
  layerMm: (mgCm2 / hand.wrapDensityMgCm3) * 10,
  topMgCm2: mgCm2,
  finenessUm: lot.finenessUm,
  spread: hand.spread[lot.form],
  groundMgCm3: firm(hand),
  shows: true,
  underMm: 0,
  perCm2: hand.surfaceStabsPerCm2,
  linePerMm2: 0,
  acrossMm: Math.sqrt(areaMm2),
  tells: tellsOn(hex, mgCm2, lot),
});

/** Pulling a colour up from below with the reverse needle. */
export const raiseFrom = (
  areaId: string,
  areaMm2: number,
  top: { readonly mgCm2: number },
  under: { readonly mgCm2: number },
  lot: Lot | null,
  hand: Hand,
): Needlework => ({
  kind: 'raise',
  where: { on: 'area', id: areaId },
  passes: 1,
  stabs: (areaMm2 / 100) * hand.surfaceStabsPerCm2,
  layerMm: (top.mgCm2 / hand.feltedDensityMgCm3) * 10,
  topMgCm2: top.mgCm2,
  finenessUm: umOf(lot),
  spread: spreadOf(lot, hand),
  groundMgCm3: firm(hand),
  shows: true,
  underMm: (under.mgCm2 / hand.feltedDensityMgCm3) * 10,
  perCm2: hand.surfaceStabsPerCm2,
  linePerMm2: 0,
  acrossMm: Math.sqrt(areaMm2),
  tells: 1,
});

/** Work at single places: the face, a line, a seam. @param acrossMm how wide such a place is */
export const atPlaces = (
  kind: 'surface' | 'line' | 'deep' | 'join',
  places: readonly Vec3[],
  minutes: number,
  layerMm: number,
  acrossMm: number,
  lot: Lot | null,
  hand: Hand,
): Needlework => ({
  kind,
  where: { on: 'places', places },
  passes: 2,
  stabs: minutes * stabsAMinute(unlearnt(hand)) * 0.5,
  layerMm,
  topMgCm2: layerMm * (hand.feltedDensityMgCm3 / 10),
  finenessUm: umOf(lot),
  spread: spreadOf(lot, hand),
  groundMgCm3: firm(hand),
  shows: kind !== 'deep' && kind !== 'join',
  underMm: 0,
  perCm2: hand.surfaceStabsPerCm2,
  linePerMm2: 0,
  acrossMm,
  tells: 1,
});
