/**
 * Felted smooth: a thin layer of wool needled flat until nothing stands up. Not fur but the finish of a place that has none: matt
 * felt, a nose's leather, pads, a beak or a claw of hard felt, wool wound round a wire or a pipe cleaner.
 */
import type { Smooth } from '@/core/piece/coat';
import { count, say, type Text } from '@/core/text';
import { feltLayer } from '@/core/stabbing';
import {
  FELTED_METHODS,
  feltedLook,
  firstLayer,
  layFelted,
  PASSES,
  type FeltedLook,
} from '@/core/coat/techniques/felted';
import { lookedOver } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both } from '@/core/time/work-time';
import { LIGHTEST } from '@/core/coat/cover/margin-range';
import type { Spec, Way } from '@/core/coat/way';

/** Side of a piece the layer is laid in, mm; of a broad flat ground. Ours. */
const PIECE = 12;
const BROAD = 40;
/** Fuzz that is left on felt, mm. Ours. */
const FUZZ = 0.4;

/** Felt as hard as a beak shines so much, 1 for glass. Ours. */
export const HORN_GLOSS = 0.3;

interface Surface {
  /** Side of a piece the layer is laid in, mm. */
  readonly pieceMm: number;
  /** How often the passes of plain felt are made. */
  readonly times: number;
  readonly gloss: number;
  readonly does: (wool: string, area: string, layers: number) => Text;
  readonly passes: (n: number) => Text;
}

/** What becomes of the layer. Ours. */
const SURFACES: Readonly<Record<Smooth['surface'], Surface>> = {
  felt: {
    pieceMm: PIECE,
    times: 1,
    gloss: 0,
    does: (wool, area, n) => say`Lay ${wool} thin over ${area} in ${count(n)} layers and felt it flat`,
    passes: (n) => say`shallow, close and even, ${count(n)} passes over each layer, until nothing stands up`,
  },
  // Several needles in a holder: one stroke does for as many (common practice for broad flat work).
  ground: {
    pieceMm: BROAD,
    times: 0.25,
    gloss: 0,
    does: (wool, area, n) =>
      say`Lay ${wool} over ${area} in broad thin pieces, ${count(n)} layers, and felt it on with several needles in a holder`,
    passes: (n) =>
      say`straight down and even, ${count(n)} ${n === 1 ? 'pass' : 'passes'} over each layer, until it holds all over`,
  },
  leather: {
    pieceMm: PIECE,
    times: 3,
    gloss: 0.3,
    does: (wool, area, n) => say`Lay ${wool} over ${area} in ${count(n)} layers and felt it close, like leather`,
    passes: (n) =>
      say`very shallow and close with the finest needle, ${count(n)} passes, until no single fibre is seen`,
  },
  horn: {
    pieceMm: PIECE,
    times: 4,
    gloss: HORN_GLOSS,
    does: (wool, area, n) => say`Lay ${wool} along ${area} in ${count(n)} layers and felt it hard and smooth`,
    passes: (n) => say`from all sides, ${count(n)} passes, until it no longer gives; fibres lie along it`,
  },
  wound: {
    pieceMm: PIECE,
    times: 0.5,
    gloss: 0,
    does: (wool, area, n) => say`Wind ${wool} thin and tight round ${area} in ${count(n)} layers`,
    passes: () => say`only the ends and the crossings are needled down`,
  },
};

const passesOf = (spec: Smooth): number => Math.max(1, PASSES * SURFACES[spec.surface].times);

const placing = (n: number): Work => both({ piece: n }, lookedOver(n, 'pieces'));

const lookOf = (s: Spec<Smooth>): FeltedLook => ({
  lies: { densityMgCm3: s.hand.feltedDensityMgCm3, pileMm: 0 },
  extra: 0,
  passes: passesOf(s.spec) * s.spec.layers,
  placing: placing(100 / SURFACES[s.spec.surface].pieceMm ** 2),
});

export const smooth: Way<Smooth> = {
  method: 'smooth',
  title: 'Felted smooth',
  unit: { one: 'row of pieces', many: 'rows of pieces' },
  surface: 'passed',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pieces',
  margins: [LIGHTEST],
  goodFor: 'What has no fur: nose, pads, beak, claws, bare feet, the ground of a picture; wire wound with wool.',
  costs: 'Little wool and many stabs. Every mark of the needle shows, so the finest needle comes last.',
  suits: {
    'combed top': { suits: 'well', why: 'Laid along it gives a close, even skin; it takes longer to felt.' },
    'carded batt': { suits: 'well', why: 'Fibres every way felt quickly and show no direction.' },
    locks: { suits: 'badly', why: 'They keep their wave and leave ridges.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and carded first.' },
    yarn: { suits: 'possible', why: 'Wound on it stays a thread; pull it apart first.' },
  },
  begin: ({ lot, hand }) => {
    const spec: Smooth = { method: 'smooth', lotId: lot.id, arealMgCm2: 10, layers: 2, surface: 'felt' };
    return { ...spec, arealMgCm2: firstLayer({ spec, lot, hand, habit: 1, rise: 1 }) };
  },
  methods: [...FELTED_METHODS],
  look: (s) => feltedLook(s, lookOf(s)),
  lay: (c) => {
    const { spec } = c;
    const of = SURFACES[spec.surface];
    const passes = passesOf(spec);
    return layFelted(c, {
      look: lookOf(c),
      unit: smooth.unit,
      spacingMm: of.pieceMm,
      pitchMm: of.pieceMm,
      pieces: () => Math.ceil(c.shape.patch.areaMm2 / of.pieceMm ** 2),
      placing,
      massExtraG: 0,
      does: () => of.does(c.lot.name, c.area.name, spec.layers),
      passes: of.passes(Math.round(passes)),
      needlework: feltLayer(
        c.area.id,
        c.shape.patch.areaMm2,
        spec.arealMgCm2 * c.habit,
        passes * spec.layers,
        c.lot,
        c.hand,
      ),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; small parts are held on the mat, not in the fingers.`,
      sentence:
        spec.surface === 'wound'
          ? ['Wind ', { figure: 'areal' }, ' round it, thin and tight.']
          : ['Felt ', { figure: 'areal' }, ' on, flat, until nothing stands up.'],
      doing: 'to felt flat',
      pile: { hemMm: FUZZ, liftDeg: 3, scatter: 1.2, skin: { gloss: of.gloss } },
      set: (arealMgCm2) => ({ arealMgCm2 }),
      bricks: false,
      single: true,
    });
  },
};
