/**
 * Judgement of fold-over rows: base that shows, wool too short for the cut, spacing that will not come out even. Each
 * finding says why and, where one change mends it, what that change does to wool, time and cover.
 */
import { lightness } from '@/core/lightness';
import type { Hand } from '@/core/piece/hand';
import type { FoldOver } from '@/core/piece/schema';
import type { Finding, PieceChange, Remedy } from '@/core/stage';
import { degrees, grams, mgCm, microns, minutes, mm, say, share, type Quantity, type Text } from '@/core/text';
import { coverOf, LEAST_OVERLAP, WELL } from './cover';
import { shortestLength, thinnestLay, widestSpacing } from './enough';
import { furLayOf, type FoldOverContext, type FoldOverFigures } from './fold-over';
import { foldedCut, layMass, layMinutes, longestForStaple, overLength } from './fold-over-methods';

/** Grams and minutes of a changed spec, with the rows' length scaled as the coarea formula says (length ~ 1 / spacing). */
function after(spec: FoldOver, changed: FoldOver, hand: Hand, f: FoldOverFigures) {
  const rowsMm = (f.rowLength.value * spec.spacingMm) / changed.spacingMm;
  const over = overLength.of({ length: changed.lengthMm, share: hand.overShare, least: hand.overLeastMm });
  const cut = foldedCut.of({ length: changed.lengthMm, root: hand.rootMm, over });
  return {
    massG: layMass.of({
      lay: changed.layMgCm,
      rows: rowsMm,
      cut,
      length: changed.lengthMm,
      loss: hand.handlingLoss,
    }),
    minutes: layMinutes.of({
      rows: rowsMm,
      stabs: hand.stabsPerCm,
      line: hand.passesLine,
      fold: hand.passesFold,
      rate: hand.stabsPerMinute,
      pinches: (f.pinches.value * spec.spacingMm) / changed.spacingMm,
      pinch: hand.minutesPerPinch,
    }),
  };
}

/** A change in words: what is more, what is less, and nothing where a maker could not tell the difference. */
function change(x: number, least: number, of: (v: number) => Quantity, same: string): Text {
  if (Math.abs(x) < least) return [same];
  return x < 0 ? say`−${of(-x)}` : say`+${of(x)}`;
}

type Change = Partial<Pick<FoldOver, 'spacingMm' | 'layMgCm' | 'lengthMm' | 'pinchPitchMm' | 'lotId'>>;

/** A remedy that changes the spec of this area, with its effect on wool, time and cover. */
function remedy(c: FoldOverContext, label: Text, set: Change): Remedy {
  const next = { ...c.spec, ...set };
  const lot = c.cupboard.lots.find((l) => l.id === next.lotId) ?? c.lot;
  const x = after(c.spec, next, c.hand, c.figures);
  return {
    label,
    effect: say`${change(x.massG - c.figures.mass.value, 0.05, grams, 'about the same wool')}, ${change(x.minutes - c.figures.minutes.value, 1, minutes, 'no more time')}, base hidden ${share(coverOf(furLayOf(next, lot, c.hand)))}`,
    changes: Object.entries(set).map(([key, value]): PieceChange => ({
      path: ['areas', c.areaIndex, 'coat', key],
      value,
    })),
  };
}

export const longestLength = (staple: number, hand: Hand): number =>
  longestForStaple.of({ staple, root: hand.rootMm, share: hand.overShare, least: hand.overLeastMm });

/** Remedies for base that shows: each of the three single changes that hide it, where there is one. */
function coverRemedies(c: FoldOverContext): Remedy[] {
  const lay = furLayOf(c.spec, c.lot, c.hand);
  const out: Remedy[] = [];
  if (lay.pinchPitchMm > lay.pinchWidthMm) {
    out.push(remedy(c, say`Close the gaps: a pinch every ${mm(lay.pinchWidthMm)}`, { pinchPitchMm: lay.pinchWidthMm }));
  }
  const spacing = widestSpacing(lay);
  if (spacing !== null && spacing < c.spec.spacingMm) {
    out.push(remedy(c, say`Rows ${mm(spacing)} apart`, { spacingMm: spacing }));
  }
  const heavier = thinnestLay(lay);
  if (heavier !== null && heavier > c.spec.layMgCm) {
    out.push(remedy(c, say`Lay ${mgCm(heavier)} of row`, { layMgCm: heavier }));
  }
  const longest = longestLength(c.lot.stapleMm, c.hand);
  const length = shortestLength(lay);
  if (length !== null && length > c.spec.lengthMm && length <= longest) {
    out.push(
      remedy(c, say`Fur ${mm(length)} long`, {
        lengthMm: length,
        layMgCm: Math.round((c.spec.layMgCm / c.spec.lengthMm) * length * 10) / 10,
      }),
    );
  }
  return out;
}

export function foldOverFindings(c: FoldOverContext): Finding[] {
  const { area, spec, lot, hand, rows, figures: f } = c;
  const out: Finding[] = [];
  const add = (id: string, severity: Finding['severity'], says: Text, why: Text, remedies: readonly Remedy[] = []) =>
    out.push({ id: `coat-${id}-${area.id}`, stage: 'coat', severity, about: area.id, says, why, remedies });

  if (f.cutLength.value > lot.stapleMm + 1e-9) {
    const longest = Math.floor(longestLength(lot.stapleMm, hand) * 2) / 2;
    const remedies: Remedy[] = [];
    if (longest >= 3) {
      remedies.push(
        remedy(c, say`Fur ${mm(longest)} long, the longest this wool allows`, {
          lengthMm: longest,
          layMgCm: Math.round((spec.layMgCm / spec.lengthMm) * longest * 10) / 10,
        }),
      );
    }
    const longer = c.cupboard.lots
      .filter((l) => l.form === 'combed top' && l.stapleMm >= f.cutLength.value && l.id !== lot.id)
      .sort(
        (a, b) =>
          Math.abs(lightness(a.colour) - lightness(lot.colour)) - Math.abs(lightness(b.colour) - lightness(lot.colour)),
      )[0];
    if (longer) remedies.push(remedy(c, say`Use ${longer.name}, staple ${mm(longer.stapleMm)}`, { lotId: longer.id }));
    add(
      'staple',
      'stop',
      say`${lot.name} is too short: the cut is ${mm(f.cutLength.value)}, its staple ${mm(lot.stapleMm)}.`,
      say`Folded fibre must be as long as the cut, or it does not reach from tip to tip and pulls out.`,
      remedies,
    );
  }

  const short = f.overlap.value < LEAST_OVERLAP - 1e-9;
  if (f.cover.value < WELL || short) {
    const remedies = coverRemedies(c);
    add(
      'base-shows',
      f.cover.value < 0.9 ? 'stop' : 'caution',
      short
        ? say`Roots will show: each place is under ${Math.floor(f.overlap.value * 10) / 10} rows only.`
        : say`The base shows: ${share(f.cover.value)} hidden, ${share(WELL)} wanted.`,
      short
        ? say`Fur ${mm(spec.lengthMm)} long at ${degrees(spec.liftDeg)} reaches ${mm(spec.lengthMm * Math.cos((spec.liftDeg * Math.PI) / 180))} along the skin; rows ${mm(spec.spacingMm)} apart need at least twice their spacing to hide the roots.`
        : say`${mgCm(spec.layMgCm)} of row over rows ${mm(spec.spacingMm)} apart is too thin a layer of ${microns(lot.finenessUm)} wool.`,
      remedies,
    );
  }

  const { p5, p95 } = rows.spacingMm;
  const worst = Math.max(p95 / spec.spacingMm - 1, 1 - p5 / spec.spacingMm);
  if (rows.rows.length > 1 && worst > 0.25) {
    const lay = furLayOf(spec, lot, hand);
    const wide = coverOf({ ...lay, spacingMm: Math.max(p95, 0.5) });
    // Rows so much closer that even the widest places keep the spacing asked for.
    const closer = Math.max(0.5, Math.floor(((spec.spacingMm * spec.spacingMm) / p95) * 2) / 2);
    const remedies =
      p95 > spec.spacingMm && closer < spec.spacingMm
        ? [remedy(c, say`Rows ${mm(closer)} apart`, { spacingMm: closer })]
        : [];
    add(
      'uneven',
      'caution',
      say`Row spacing is uneven: from ${mm(p5)} to ${mm(p95)} where ${mm(spec.spacingMm)} is wanted.`,
      p95 > spec.spacingMm * 1.25
        ? say`The body widens faster than rows that follow the lie can; where they gape ${share(wide)} of the base is hidden.`
        : say`The body narrows and rows that follow the lie crowd together there: leave out part of a row where they touch.`,
      remedies,
    );
  }
  if (rows.strayDeg.p95 > 40) {
    add(
      'stray',
      'note',
      say`In places the fur points up to ${degrees(rows.strayDeg.p95)} away from square to the row.`,
      say`The lie turns faster than straight rows can follow; fan the fibres by hand there.`,
    );
  }
  if (spec.pinchPitchMm > spec.pinchWidthMm * 1.5) {
    add(
      'gaps',
      'note',
      say`Pinches leave gaps of ${mm(spec.pinchPitchMm - spec.pinchWidthMm)} along the row.`,
      say`Gaps close only as far as the fibres scatter; set the pinches closer for an even coat.`,
    );
  }
  return out;
}
