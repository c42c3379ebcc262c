/**
 * Velvet: a layer felted on a little loose, its fibres raised with the reverse needle to a short even pile, then one
 * light pass down. For muzzles, ears, short-haired coats.
 */
import type { Velvet } from '@/core/piece/coat';
import { count, mm, say } from '@/core/text';
import { reverseOwned } from '@/core/piece/cupboard';
import { feltLayer, raiseFrom } from '@/core/stabbing';
import {
  FELTED_METHODS,
  feltedLook,
  firstLayer,
  layFelted,
  PASSES,
  type FeltedLook,
} from '@/core/coat/techniques/felted';
import { workOn } from '@/core/coat/operations';
import { findingOf, remedyOf } from '@/core/coat/remedy';
import { piecesAlong } from '@/core/coat/rows/row-figures';
import { lookedOver, ONE_STEP, stabs } from '@/core/coat/rows/row-work';
import type { Work } from '@/core/time/elements';
import { both, takes } from '@/core/time/work-time';
import { LIGHTEST } from '@/core/coat/cover/margin-range';
import type { Spec, Way } from '@/core/coat/way';

/** What the reverse needle sheds of the layer. Ours. */
const SHEDS = 0.08;
/** Side of a piece the layer is laid in, mm. Ours. */
const PIECE = 15;
/** Pile stands no higher than this share of the staple before it comes out. Ours. */
const HIGHEST = 0.1;

const placing = (n: number): Work => both({ piece: n }, lookedOver(n, 'pieces'));

const lookOf = (s: Spec<Velvet>): FeltedLook => ({
  lies: { densityMgCm3: (s.hand.wrapDensityMgCm3 + s.hand.feltedDensityMgCm3) / 2, pileMm: s.spec.raiseMm },
  extra: SHEDS,
  passes: PASSES * s.spec.layers + 1,
  placing: placing(100 / PIECE ** 2),
});

export const velvet: Way<Velvet> = {
  method: 'velvet',
  title: 'Velvet',
  unit: { one: 'row of pieces', many: 'rows of pieces' },
  surface: 'raised',
  trimmed: 'by itself',
  takes: 'cut lengths',
  counts: 'pieces',
  margins: [LIGHTEST],
  goodFor: 'Very short fur: muzzles, the outside of ears, paws. The under-colour comes up with it.',
  costs: 'Little wool. What lies below is raised too, so plan the under-layer; a little is shed.',
  suits: {
    'combed top': { suits: 'possible', why: 'Long fibres come up in loops; lay it short and across.' },
    'carded batt': { suits: 'well', why: 'Short fibres every way come up as single ends.' },
    locks: { suits: 'badly', why: 'They come up in waves and clumps.' },
    'raw fleece': { suits: 'badly', why: 'It must be washed, dried and carded first.' },
    yarn: { suits: 'badly', why: 'Twisted fibre comes up in threads.' },
  },
  begin: ({ lot, hand }) => {
    const spec: Velvet = { method: 'velvet', lotId: lot.id, arealMgCm2: 10, layers: 2, raiseMm: 1.5 };
    return { ...spec, arealMgCm2: firstLayer({ spec, lot, hand, habit: 1, rise: 1 }) };
  },
  methods: [...FELTED_METHODS],
  look: (s) => feltedLook(s, lookOf(s)),
  lay: (c) => {
    const { spec } = c;
    const needle = reverseOwned(c.cupboard);
    const raise = both(ONE_STEP, stabs(c.hand, c.shape.patch.areaMm2, 1), { compare: 1 });
    const most = Math.floor(c.lot.stapleMm * HIGHEST * 2) / 2;
    return layFelted(c, {
      look: lookOf(c),
      unit: velvet.unit,
      spacingMm: PIECE,
      pitchMm: PIECE,
      pieces: (rows) => piecesAlong(rows, PIECE),
      placing,
      massExtraG: 0,
      does: () =>
        say`Lay ${c.lot.name} thin over ${c.area.name} in ${count(spec.layers)} layers and felt it on, a little loose`,
      passes: say`shallow quick stabs, ${count(PASSES)} passes over each layer; stop while it still gives`,
      needlework: feltLayer(
        c.area.id,
        c.shape.patch.areaMm2,
        spec.arealMgCm2 * c.habit,
        PASSES * spec.layers,
        c.lot,
        c.hand,
      ),
      caution: say`Eyes on the point of the needle, fingers flat and out of its way; count your needles when you stop.`,
      sentence: [
        'Felt ',
        { figure: 'areal' },
        ' on loosely, raise it with the reverse needle, then one light pass down.',
      ],
      doing: 'to felt and raise',
      pile: { hemMm: spec.raiseMm, liftDeg: 60, scatter: 0.6 },
      findings: () => [
        ...(needle
          ? []
          : [
              findingOf(
                c,
                'no-reverse',
                'stop',
                say`There is no reverse needle in the cupboard to raise the velvet with.`,
                say`An ordinary needle only pushes fibre in. Add a reverse needle, or lay wisps instead.`,
              ),
            ]),
        ...(spec.raiseMm > most
          ? [
              findingOf(
                c,
                'raised-out',
                'caution',
                say`Raised ${mm(spec.raiseMm)} high the fibres of ${c.lot.name} come out: about ${mm(most)} holds.`,
                say`A fibre stays only as long as most of it is still felted in.`,
                most >= 0.3 ? [remedyOf(c, say`Raise it ${mm(most)}`, { raiseMm: most })] : [],
              ),
            ]
          : []),
      ],
      after: [
        {
          ...workOn(c, null, []),
          id: `raise-${c.area.id}`,
          kind: 'raise',
          does: say`Raise ${c.area.name} to ${mm(spec.raiseMm)} with the reverse needle, along the lie, then one light pass down`,
          rows: 0,
          passes: say`shallow, evenly, until the surface is velvet; one light pass down with the fine needle`,
          needlework: raiseFrom(
            c.area.id,
            c.shape.patch.areaMm2,
            { mgCm2: 0.2 * spec.arealMgCm2 * c.habit },
            { mgCm2: 0.8 * spec.arealMgCm2 * c.habit },
            c.lot,
            c.hand,
          ),
          ...takes(c.hand, raise),
          after: [{ id: `lay-${c.area.id}`, why: say`There must be a layer to raise.`, strength: Infinity }],
          caution: say`The reverse needle pulls fibre up and out; keep it apart from the others.`,
        },
      ],
      set: (arealMgCm2) => ({ arealMgCm2 }),
      bricks: false,
      later: { work: raise, passes: 1 },
    });
  },
};
