/** Judgement of fold-over rows, with the single changes that mend what is wrong. */
import type { FoldOver } from '@/core/piece/coat';
import type { Finding, Remedy } from '@/core/stage';
import { degrees, mgCm, microns, mm, say } from '@/core/text';
import { coverOf, LEAST_OVERLAP, WELL } from '@/core/coat/cover/cover';
import { shortestLength, thinnestLay, widestSpacing } from '@/core/coat/cover/enough';
import {
  cutOf,
  furLayOf,
  longestFolded,
  longestLength,
  reachOf,
  worstLay,
  type FoldOverFigures,
} from './fold-over-lay';
import {
  coverFindings,
  reachFindings,
  rootFindings,
  rowFindings,
  stapleFindings,
  woolFindings,
} from '@/core/coat/judgement';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import type { RowSet } from '@/core/coat/rows/rows';
import type { LayContext } from '@/core/coat/way';

type Ctx = LayContext<FoldOver>;

/** Fur of another length at the hem, everything else in proportion: the same ends on every mm of row. */
function asLong(c: Ctx, lengthMm: number): Partial<FoldOver> {
  const k = lengthMm / c.spec.lengthMm;
  const top = c.spec.topLengthMm;
  return {
    lengthMm,
    layMgCm: Math.round(c.spec.layMgCm * k * 10) / 10,
    ...(top === null ? {} : { topLengthMm: Math.max(3, Math.round(top * k * 2) / 2) }),
  };
}

/** Rows of another spacing at the hem, in proportion at the top. */
function asFar(c: Ctx, spacingMm: number): Partial<FoldOver> {
  const top = c.spec.topSpacingMm;
  return {
    spacingMm,
    ...(top === null
      ? {}
      : { topSpacingMm: Math.max(0.5, Math.floor(((top * spacingMm) / c.spec.spacingMm) * 2) / 2) }),
  };
}

/** Remedies for base that shows: each of the three single changes that hide it, where there is one. */
function coverRemedies(c: Ctx): Remedy[] {
  const { spec } = c;
  const lay = worstLay(c);
  const out: Remedy[] = [];
  if (spec.pinchPitchMm > spec.pinchWidthMm) {
    out.push(
      remedyOf(c, say`Close the gaps: a pinch every ${mm(spec.pinchWidthMm)}`, { pinchPitchMm: spec.pinchWidthMm }),
    );
  }
  const spacing = widestSpacing(lay);
  if (spacing !== null && spacing < lay.spacingMm) {
    const hem = Math.max(0.5, Math.floor(((spec.spacingMm * spacing) / lay.spacingMm) * 2 + 1e-9) / 2);
    out.push(remedyOf(c, say`Rows ${mm(hem)} apart`, asFar(c, hem)));
  }
  const heavier = thinnestLay(lay);
  if (heavier !== null && heavier > lay.layMgCm) {
    // As the maker means it: what really lies is more by the maker's habit, and grows with the length.
    const meant = Math.ceil(((heavier * spec.lengthMm) / lay.lengthMm / c.habit) * 10 - 1e-6) / 10;
    out.push(remedyOf(c, say`Lay ${mgCm(meant)} of row`, { layMgCm: meant }));
  }
  const longest = longestLength(c.lot.stapleMm, c.hand);
  const length = shortestLength(lay);
  if (length !== null && length > lay.lengthMm) {
    const hem = Math.ceil(((spec.lengthMm * length) / lay.lengthMm) * 2 - 1e-9) / 2;
    if (hem <= longest) out.push(remedyOf(c, say`Fur ${mm(hem)} long`, asLong(c, hem)));
  }
  return out;
}

export function foldOverFindings(c: Ctx, f: FoldOverFigures, rows: RowSet): Finding[] {
  const { spec, lot, hand } = c;
  const longestCut = Math.max(cutOf(spec.lengthMm, hand), cutOf(spec.topLengthMm ?? 0, hand));
  const allowed = longestFolded(c);
  const most = Math.max(spec.lengthMm, spec.topLengthMm ?? 0);
  const hem = Math.floor(((spec.lengthMm * allowed) / most) * 2) / 2;
  const out: Finding[] = [
    ...woolFindings(c),
    ...stapleFindings(
      c,
      longestCut,
      say`Folded fibre must be as long as the cut, or it does not reach from tip to tip and pulls out.`,
      hem >= 3 ? [remedyOf(c, say`Fur ${mm(hem)} long, the longest this wool allows`, asLong(c, hem))] : [],
    ),
  ];
  const worst = worstLay(c);
  if (f.overlap.value < LEAST_OVERLAP - 1e-9) {
    out.push(
      findingOf(
        c,
        'base-shows',
        f.cover.value < 0.9 ? 'stop' : 'caution',
        say`Roots will show: each place is under ${Math.floor(f.overlap.value * 10) / 10} rows only.`,
        say`Fur ${mm(worst.lengthMm)} long at ${degrees(spec.liftDeg)} reaches ${mm(worst.lengthMm * Math.cos((spec.liftDeg * Math.PI) / 180))} along the skin; rows ${mm(worst.spacingMm)} apart need at least twice their spacing to hide the roots.`,
        coverRemedies(c),
      ),
    );
  } else {
    const hidden = f.cover.value >= WELL;
    out.push(
      ...coverFindings(
        c,
        f,
        say`${mgCm(worst.layMgCm)} of row over rows ${mm(worst.spacingMm)} apart is too thin a layer of ${microns(lot.finenessUm)} wool.`,
        hidden ? [] : coverRemedies(c),
        hidden && spec.liftDeg > 5
          ? [
              remedyOf(c, say`Lay it flatter, ${degrees(Math.max(5, spec.liftDeg - 10))}`, {
                liftDeg: Math.max(5, spec.liftDeg - 10),
              }),
            ]
          : [],
      ),
    );
  }
  out.push(
    ...rowFindings(
      c,
      rows,
      spec.spacingMm,
      (gape) => coverOf({ ...worst, spacingMm: Math.max(worst.spacingMm * gape, 0.5) }),
      (near) => remedyOf(c, say`Rows ${mm(near)} apart`, asFar(c, near)),
    ),
    ...rootFindings(c, spec.layMgCm * c.habit, spec.lengthMm, (mg) =>
      coverOf({ ...furLayOf(spec, lot, hand, c.habit), layMgCm: mg * c.habit }) >= WELL
        ? remedyOf(c, say`Lay ${mgCm(mg)} of row`, { layMgCm: mg })
        : null,
    ),
    ...reachFindings(c, reachOf(spec)),
  );
  if (spec.pinchPitchMm > spec.pinchWidthMm * 1.5) {
    out.push(
      findingOf(
        c,
        'gaps',
        'note',
        say`Pinches leave gaps of ${mm(spec.pinchPitchMm - spec.pinchWidthMm)} along the row.`,
        say`Gaps close only as far as the fibres scatter; set the pinches closer for an even coat.`,
      ),
    );
  }
  return out;
}
