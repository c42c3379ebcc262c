/**
 * Sheet wrap: one sheet, felted beforehand, wrapped on from the middle of the back outward, taut, anchored all round, slit
 * for a tail.
 */
import { figure, letter, method } from '@/core/method/define';
import type { Sheet } from '@/core/piece/coat';
import { count, mgCm2, mm, say } from '@/core/text';
import { feltLayer } from '@/core/stabbing';
import {
  FELTED_METHODS,
  feltedLook,
  firstLayer,
  inspection,
  layFelted,
  PASSES,
  type FeltedLook,
} from '@/core/coat/techniques/felted';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import { rowsFor } from '@/core/coat/rows/row-figures';
import { evenly } from '@/core/coat/rows/spacing';
import { forgottenPlaces, sheetPieces, slitFor, type SheetCut } from './sheet-cut';
import { lookedOver } from '@/core/coat/rows/row-work';
import { both } from '@/core/time/work-time';
import { LIGHTEST } from '@/core/coat/cover/margin-range';
import type { LayContext, Spec, Way } from '@/core/coat/way';

const sheetAcross = method({
  id: 'sheet-across',
  title: 'Width of the sheet',
  formula: 'w = g + 2 a',
  inputs: {
    girth: letter('g', 'longest row across the area', 'length'),
    anchor: letter('a', 'anchoring at each end', 'length'),
  },
  result: letter('w', 'width of the sheet', 'length'),
  source: 'Girth and about 25 mm at each end.',
  basis: 'common practice',
  of: ({ girth, anchor }) => girth + 2 * anchor,
});

const sheetAlong = method({
  id: 'sheet-along',
  title: 'Length of the sheet',
  formula: 'l = H + 2 a',
  inputs: {
    height: letter('H', 'height of the area against the lie', 'length'),
    anchor: letter('a', 'anchoring at each end', 'length'),
  },
  result: letter('l', 'length of the sheet', 'length'),
  source: 'Over the skin from hem to top, and anchoring at each end.',
  basis: 'common practice',
  of: ({ height, anchor }) => height + 2 * anchor,
});

/** Rows that measure the sheet, mm. Ours. */
const MEASURE = 6;
/** Prefelting on the table, stabs and passes as on the surface. */
const PREFELT = 1;

const lookOf = (s: Spec<Sheet>, extra = 0.35): FeltedLook => ({
  lies: { densityMgCm3: s.hand.feltedDensityMgCm3, pileMm: 0 },
  extra,
  passes: PASSES + PREFELT,
  placing: {},
});

const cutOf = (c: LayContext<Sheet>): SheetCut => {
  const { rows } = rowsFor(c, evenly(MEASURE));
  return {
    anchorMm: c.spec.anchorMm,
    pieces: sheetPieces(c.shape, rows, c.spec.anchorMm),
    slit: c.spec.slit && c.body ? slitFor(c.shape, c.body, c.spec.slit, c.spec.anchorMm) : null,
    inspect: forgottenPlaces(c.shape, c.body),
  };
};

export const sheet: Way<Sheet> = {
  method: 'sheet',
  title: 'Sheet wrap',
  unit: { one: 'guide line', many: 'guide lines' },
  surface: 'passed',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pieces',
  margins: [LIGHTEST],
  goodFor: 'Large smooth bodies in one colour, as even as cloth: a first skin under everything else.',
  costs: 'Wool for the anchoring; creases where the body is hollow unless it is slit or darted.',
  suits: {
    'combed top': { suits: 'badly', why: 'Its parallel fibres part along the grain when the sheet is pulled taut.' },
    'carded batt': { suits: 'well', why: 'Fibres every way make a sheet that pulls evenly.' },
    locks: { suits: 'badly', why: 'They felt into lumps and thin places.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and carded first.' },
    yarn: { suits: 'badly', why: 'Twisted fibre does not felt into a sheet.' },
  },
  begin: ({ lot, hand }) => {
    const spec: Sheet = { method: 'sheet', lotId: lot.id, arealMgCm2: 12, layers: 2, anchorMm: 25, slit: null };
    return { ...spec, arealMgCm2: firstLayer({ spec, lot, hand, habit: 1, rise: 1 }) };
  },
  methods: [...FELTED_METHODS, sheetAcross, sheetAlong],
  look: (s) => feltedLook(s, lookOf(s)),
  lay: (c) => {
    const { spec } = c;
    const cut = cutOf(c);
    const largest = [...cut.pieces].sort((a, b) => b.sheetMm2 - a.sheetMm2)[0];
    const covers = cut.pieces.reduce((s, p) => s + p.count * p.coversMm2, 0);
    const whole = cut.pieces.reduce((s, p) => s + p.count * p.sheetMm2, 0);
    const extra = covers > 0 ? whole / covers - 1 : 0;
    const across = figure(sheetAcross, { girth: (largest?.acrossMm ?? 0) - 2 * spec.anchorMm, anchor: spec.anchorMm });
    const along = figure(sheetAlong, { height: (largest?.alongMm ?? 0) - 2 * spec.anchorMm, anchor: spec.anchorMm });
    const n = cut.pieces.reduce((s, p) => s + p.count, 0);
    return layFelted(c, {
      look: lookOf(c, extra),
      unit: sheet.unit,
      spacingMm: MEASURE,
      pitchMm: 1e6,
      pieces: () => n / spec.layers,
      placing: (n) => both({ sheet: n }, lookedOver(10 * n, 'pieces')),
      massExtraG: 0,
      does: () =>
        say`Felt ${n === 1 ? 'a sheet' : `${n} sheets`} of ${c.lot.name} ${mm(across.value)} by ${mm(along.value)}, ${mgCm2(spec.arealMgCm2)} in ${count(spec.layers)} layers laid crosswise; wrap ${c.area.name} from the middle of the back outward, taut, so that no air is caught${cut.slit ? say`; slit it ${mm(cut.slit.lengthMm)} for ${cut.slit.part}, ${mm(cut.slit.fromEdgeMm)} from the edge` : ''}`,
      passes: say`anchor ${mm(spec.anchorMm)} all round first, then shallow quick stabs, ${count(PASSES)} passes`,
      needlework: feltLayer(c.area.id, c.shape.patch.areaMm2, spec.arealMgCm2 * c.habit, PASSES, c.lot, c.hand),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; scissors away from the hand at the slit.`,
      sentence: [
        n === 1 ? 'Felt one sheet ' : `Felt ${n} sheets, the largest `,
        { figure: 'across' },
        ' by ',
        { figure: 'along' },
        ', ',
        { figure: 'areal' },
        '; wrap it on taut from the middle of the back.',
      ],
      doing: 'to felt and wrap',
      own: { across, along },
      pile: { hemMm: 3, liftDeg: 3, scatter: 1.2 },
      sheet: cut,
      findings: () =>
        spec.slit !== null && c.body && !cut.slit
          ? [
              findingOf(
                c,
                'slit-nowhere',
                'caution',
                say`The sheet is slit for a part that does not grow out of this area.`,
                say`The slit is measured from where the part joins the body.`,
                [remedyOf(c, say`No slit`, { slit: null })],
              ),
            ]
          : [],
      after: inspection(c, say`The sheet is on.`),
      set: (arealMgCm2) => ({ arealMgCm2 }),
      bricks: false,
      single: true,
    });
  },
};
