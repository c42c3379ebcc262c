/** Top coat in small overlapping pieces, felted on with shallow quick stabs. */
import type { Pieces } from '@/core/piece/coat';
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
import { half } from '@/core/coat/techniques/half';
import { piecesAlong } from '@/core/coat/rows/row-figures';
import { lookedOver } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both } from '@/core/time/work-time';
import { LIGHTEST } from '@/core/coat/cover/margin-range';
import type { Spec, Way } from '@/core/coat/way';

const placing = (n: number): Work => both({ piece: n }, lookedOver(n, 'pieces'));

const lookOf = (s: Spec<Pieces>): FeltedLook => {
  const step = s.spec.pieceMm * (1 - s.spec.overlap);
  return {
    lies: { densityMgCm3: s.hand.feltedDensityMgCm3, pileMm: 0 },
    extra: 0,
    passes: PASSES * s.spec.layers,
    placing: placing(100 / (step * step)),
  };
};

export const pieces: Way<Pieces> = {
  method: 'pieces',
  title: 'Top coat in pieces',
  unit: { one: 'row of pieces', many: 'rows of pieces' },
  surface: 'passed',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pieces',
  margins: [LIGHTEST],
  goodFor: 'Smooth short coats, feathers seen from afar, and places a sheet would crease: birds, faces, paws.',
  costs: 'Little wool, quick; seams show unless the edges are teased thin.',
  suits: {
    'combed top': {
      suits: 'possible',
      why: 'Its parallel fibres make streaks; lay the second layer across the first.',
    },
    'carded batt': { suits: 'well', why: 'Fibres lie every way and felt into an even skin.' },
    locks: { suits: 'badly', why: 'They felt unevenly and keep their wave.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and carded first.' },
    yarn: { suits: 'badly', why: 'Twisted fibre does not open into a layer.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size }) => {
    const spec: Pieces = {
      method: 'pieces',
      lotId: lot.id,
      arealMgCm2: 10,
      layers: 2,
      pieceMm: half(size * 0.1, 5, 60),
      overlap: 0.3,
    };
    return { ...spec, arealMgCm2: firstLayer({ spec, lot, hand, habit: 1, rise: 1 }) };
  },
  methods: [...FELTED_METHODS],
  look: (s) => feltedLook(s, lookOf(s)),
  lay: (c) => {
    const { spec } = c;
    const step = spec.pieceMm * (1 - spec.overlap);
    return layFelted(c, {
      look: lookOf(c),
      unit: pieces.unit,
      spacingMm: step,
      pitchMm: step,
      pieces: (rows) => piecesAlong(rows, step),
      placing,
      massExtraG: 0,
      does: (f) =>
        say`Lay ${count(f.pieces!.value)} pieces of ${c.lot.name}, ${mm(spec.pieceMm)} across and ${mgCm2(spec.arealMgCm2)} thick in ${count(spec.layers)} layers, over ${c.area.name}, each over the edge of the last`,
      passes: say`shallow quick stabs, ${count(PASSES)} passes over each layer, the second layer across the first`,
      needlework: feltLayer(
        c.area.id,
        c.shape.patch.areaMm2,
        spec.arealMgCm2 * c.habit,
        PASSES * spec.layers,
        c.lot,
        c.hand,
      ),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
      sentence: ['Lay ', { figure: 'pieces' }, ' pieces, ', { figure: 'areal' }, ' in all, hem first.'],
      doing: 'to lay and felt',
      pile: { hemMm: Math.min(6, spec.pieceMm / 2), liftDeg: 4, scatter: 0.5 },
      after: inspection(c, say`The pieces are on.`),
      set: (arealMgCm2) => ({ arealMgCm2 }),
      bricks: true,
    });
  },
};
