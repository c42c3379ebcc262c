/** Wisps laid with the fur, thin over thin, and only lightly felted: short soft coats, faces, relief pictures. */
import type { Wisps } from '@/core/piece/coat';
import { count, mm, say } from '@/core/text';
import { feltLayer } from '@/core/stabbing';
import { slantFactor } from '@/core/coat/cover/cover-layer';
import { FELTED_METHODS, feltedLook, firstLayer, layFelted, type FeltedLook } from '@/core/coat/techniques/felted';
import { half } from '@/core/coat/techniques/half';
import { reachFindings, stapleFindings } from '@/core/coat/judgement';
import { remedyOf } from '@/core/coat/remedy';
import { piecesAlong } from '@/core/coat/rows/row-figures';
import { lookedOver } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both } from '@/core/time/work-time';
import { LIGHTEST } from '@/core/coat/cover/margin-range';
import type { Spec, Way } from '@/core/coat/way';

/** A wisp is about so wide for its length. Ours. */
const WIDE = 0.5;
/** Every row of wisps begins half a wisp further on. Ours. */
const STEP = 0.5;

const placing = (n: number): Work => both({ wisp: n }, lookedOver(n, 'wisps'));

const lookOf = (s: Spec<Wisps>): FeltedLook => ({
  lies: {
    lengthMm: s.spec.lengthMm,
    liftDeg: s.spec.liftDeg,
    // Light needling presses it closer than rows that hang free.
    densityMgCm3: s.hand.loftDensityMgCm3 * 1.4,
  },
  extra: 0,
  passes: s.spec.layers,
  slant: slantFactor(s.spec.liftDeg),
  placing: placing(100 / (s.spec.lengthMm ** 2 * STEP * WIDE)),
});

const longestOf = ({ lot }: Pick<Spec, 'lot'>): number => Math.floor(lot.stapleMm * 2) / 2;

export const wisps: Way<Wisps> = {
  method: 'wisps',
  title: 'Wisps',
  unit: { one: 'row of wisps', many: 'rows of wisps' },
  surface: 'passed',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pieces',
  lengthKeys: ['lengthMm'],
  longest: longestOf,
  reach: (s) => s.lengthMm,
  margins: [LIGHTEST],
  goodFor: 'Short soft coats and faces; colours laid thin over each other; pictures in relief.',
  costs: 'Least wool and quick; it stays delicate, for nothing but light needling holds it.',
  suits: {
    'combed top': { suits: 'well', why: 'A doubled pinch pulls out straight and thin.' },
    'carded batt': { suits: 'possible', why: 'Softer and woollier; the lie shows less.' },
    locks: { suits: 'possible', why: 'Only opened and pulled thin.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and combed first.' },
    yarn: { suits: 'badly', why: 'Twisted fibre does not pull out into a wisp.' },
  },
  begin: ({ lot, hand, finishedLengthMm: size, now }) => {
    const spec: Wisps = {
      method: 'wisps',
      lotId: lot.id,
      arealMgCm2: 8,
      layers: 3,
      lengthMm: Math.min(half(now ? now.lengthMm : 0.06 * size, 3, 60), lot.stapleMm),
      liftDeg: Math.min(15, now?.liftDeg ?? 8),
    };
    return { ...spec, arealMgCm2: firstLayer({ spec, lot, hand, habit: 1, rise: 1 }) };
  },
  methods: [...FELTED_METHODS],
  look: (s) => feltedLook(s, lookOf(s)),
  lay: (c) => {
    const { spec } = c;
    const step = spec.lengthMm * STEP;
    return layFelted(c, {
      look: lookOf(c),
      unit: wisps.unit,
      spacingMm: step,
      pitchMm: spec.lengthMm * WIDE,
      pieces: (rows) => piecesAlong(rows, spec.lengthMm * WIDE),
      placing,
      massExtraG: 0,
      does: (f) =>
        say`Lay ${count(f.pieces!.value)} wisps ${mm(spec.lengthMm)} long on ${c.area.name} in ${count(spec.layers)} thin layers, with the fur, hem first; the first still shows through the next`,
      passes: say`light stabs along the lie, one pass over each layer`,
      needlework: feltLayer(c.area.id, c.shape.patch.areaMm2, spec.arealMgCm2 * c.habit, spec.layers, c.lot, c.hand),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
      sentence: [
        'Lay ',
        { figure: 'pieces' },
        ' wisps in thin layers, ',
        { figure: 'areal' },
        ' in all, hem first, lightly felted.',
      ],
      doing: 'to lay',
      pile: { hemMm: spec.lengthMm, liftDeg: spec.liftDeg, scatter: 0.2 },
      findings: () => [
        ...stapleFindings(
          c,
          spec.lengthMm,
          say`A wisp cannot be longer than its fibres.`,
          c.lot.stapleMm >= 2 ? [remedyOf(c, say`Wisps ${mm(longestOf(c))} long`, { lengthMm: longestOf(c) })] : [],
        ),
        ...reachFindings(c, spec.lengthMm),
      ],
      set: (arealMgCm2) => ({ arealMgCm2 }),
      bricks: false,
    });
  },
};
