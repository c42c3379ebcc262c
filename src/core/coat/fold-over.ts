/**
 * Fold-over rows: fibres cut equal, twice the finished length and a little, laid with their middle on the row line,
 * needled along the line, folded down and needled along the fold. This file turns a fold-over spec and the measured rows
 * into figures and operations.
 */
import { lightness } from '@/core/lightness';
import { figure, type Figure } from '@/core/method/define';
import type { Cupboard, Lot } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Area, FoldOver } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';
import { count, mm, say, type Text } from '@/core/text';
import { rootingNeedle } from '@/core/work/needle-choice';
import { coverFigure, overlap, type FurLay } from './cover';
import { arealMass } from './fibre';
import {
  foldedCut,
  furLoft,
  layMass,
  layMinutes,
  overLength,
  pinchCount,
  rowCount,
  rowTotal,
  trimWaste,
} from './fold-over-methods';
import type { RowSet } from './rows';

export interface FoldOverFigures {
  readonly cutLength: Figure;
  readonly over: Figure;
  readonly rows: Figure;
  readonly rowLength: Figure;
  readonly mass: Figure;
  readonly waste: Figure;
  readonly pinches: Figure;
  readonly minutes: Figure;
  readonly overlap: Figure;
  readonly cover: Figure;
  readonly areal: Figure;
  readonly loft: Figure;
}

export function furLayOf(spec: FoldOver, lot: Lot, hand: Hand): FurLay {
  return {
    lengthMm: spec.lengthMm,
    spacingMm: spec.spacingMm,
    liftDeg: spec.liftDeg,
    layMgCm: spec.layMgCm,
    pinchWidthMm: spec.pinchWidthMm,
    pinchPitchMm: spec.pinchPitchMm,
    finenessUm: lot.finenessUm,
    finenessCv: lot.finenessCv,
    kappa: hand.spread[lot.form],
    unevenness: hand.unevenness,
  };
}

export function foldOverFigures(spec: FoldOver, lot: Lot, hand: Hand, rows: RowSet, heightMm: number): FoldOverFigures {
  const over = figure(overLength, { length: spec.lengthMm, share: hand.overShare, least: hand.overLeastMm });
  const cutLength = figure(foldedCut, { length: spec.lengthMm, root: hand.rootMm, over: over.value });
  const pinches = figure(pinchCount, {
    pinches: rows.rows.reduce(
      (s, r) => s + r.pieces.reduce((q, p) => q + Math.ceil(p.lengthMm / spec.pinchPitchMm - 1e-9), 0),
      0,
    ),
    pitch: spec.pinchPitchMm,
  });
  const areal = figure(arealMass, { lay: spec.layMgCm, spacing: spec.spacingMm });
  const rowLength = figure(rowTotal, {
    total: rows.totalMm,
    rows: rows.rows.length,
    spacing: spec.spacingMm,
    flux: rows.fluxMm2,
  });
  return {
    cutLength,
    over,
    rows: figure(rowCount, { rows: rows.rows.length, spacing: spec.spacingMm, height: heightMm }),
    rowLength,
    mass: figure(layMass, {
      lay: spec.layMgCm,
      rows: rows.totalMm,
      cut: cutLength.value,
      length: spec.lengthMm,
      loss: hand.handlingLoss,
    }),
    waste: figure(trimWaste, { lay: spec.layMgCm, rows: rows.totalMm, over: over.value, length: spec.lengthMm }),
    pinches,
    minutes: figure(layMinutes, {
      rows: rows.totalMm,
      stabs: hand.stabsPerCm,
      line: hand.passesLine,
      fold: hand.passesFold,
      rate: hand.stabsPerMinute,
      pinches: pinches.value,
      pinch: hand.minutesPerPinch,
    }),
    overlap: figure(overlap, { length: spec.lengthMm, lift: spec.liftDeg, spacing: spec.spacingMm }),
    cover: coverFigure(furLayOf(spec, lot, hand)),
    areal,
    loft: figure(furLoft, {
      length: spec.lengthMm,
      lift: spec.liftDeg,
      areal: areal.value,
      density: hand.loftDensityMgCm3,
    }),
  };
}

export interface FoldOverContext {
  readonly area: Area;
  readonly areaIndex: number;
  readonly spec: FoldOver;
  readonly lot: Lot;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly rows: RowSet;
  readonly figures: FoldOverFigures;
}

/** Cutting and laying as operations. `covers` names the areas that must lie before this one, with the reason. */
export function foldOverOperations(
  c: FoldOverContext,
  covers: readonly { areaId: string; why: Text; strength: number }[],
): Operation[] {
  const { area, spec, lot, hand, figures: f } = c;
  const needle = rootingNeedle(c.cupboard);
  const common = {
    stage: 'coat' as const,
    areaId: area.id,
    lotId: lot.id,
    cutLengthMm: f.cutLength.value,
    lightness: lightness(lot.colour),
  };
  return [
    {
      ...common,
      id: `cut-${area.id}`,
      kind: 'cut',
      does: say`Cut ${lot.name} into ${mm(f.cutLength.value)} lengths for ${area.name}`,
      massG: f.mass.value,
      rows: 0,
      passes: null,
      needle: null,
      minutes: Math.max(2, f.mass.value * 2),
      // Cut when it is wanted, not long before.
      after: covers.map((x) => ({ id: `lay-${x.areaId}`, why: x.why, strength: x.strength })),
      caution: say`Scissors away from the hand; keep other colours covered while you cut.`,
    },
    {
      ...common,
      id: `lay-${area.id}`,
      kind: 'lay',
      does: say`Lay ${count(f.rows.value)} rows ${mm(spec.spacingMm)} apart on ${area.name}, hem first`,
      massG: f.mass.value,
      rows: f.rows.value,
      passes: say`${count(hand.passesLine)} passes along the line, fold down, ${count(hand.passesFold)} along the fold`,
      needle,
      minutes: f.minutes.value,
      after: [
        { id: `cut-${area.id}`, why: say`The lengths are cut first.`, strength: Infinity },
        ...covers.map((x) => ({ id: `lay-${x.areaId}`, why: x.why, strength: x.strength })),
      ],
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
    },
  ];
}
