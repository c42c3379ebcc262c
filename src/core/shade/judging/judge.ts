/**
 * The whole judged: contrast of every pair of neighbours, small parts against what they sit on and against each other,
 * linings that come through, and the palette of the piece under three daylights.
 */
import { asStanding } from '@/core/form/leaf';
import { unitMm } from '@/core/form/shape';
import { ref } from '@/core/ref';
import type { AreaShape } from '@/core/coat/rows/area-shape';
import type { ShapedAreas } from '@/core/coat/coat-plan';
import { layerMass } from '@/core/wool/fibre';
import { difference } from '@/core/colour/difference';
import { labOf, labOfLinear, type Triple } from '@/core/colour/lab';
import { hexOfCurve, labOfCurve } from '@/core/colour/reflectance';
import { hexOf, linearOf } from '@/core/colour/rgb';
import { nearestParts, type FormWork } from '@/core/form/form';
import { pointOf } from '@/core/form/places';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Finding, Remedy } from '@/core/stage';
import { mm, say } from '@/core/text';
import { DAYLIGHTS, under } from './daylight';
import { findWools } from '@/core/wool/find';
import { thinForm } from '@/core/wool/forms';
import { isMixed, mixed } from '@/core/wool/recipe';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { borderColours } from '@/core/shade/layers/at-border';
import { seenAt } from '@/core/shade/layers/look';
import type { Agreement, Judged, LiningSeen, Pair, PaletteEntry } from './judged';
import type { MarkingPlan } from '@/core/shade/shade-plan';
import { veilCurve } from '@/core/shade/layers/veil';
import { woolApart } from './stand-apart';
import { woolCurve } from '@/core/wool/wool-colour';
import { ARMS_LENGTH, VANISHES, inWords } from '@/core/shade/words';

/** A shorter common border does not make neighbours, as a share of the finished length. */
const LEAST_BORDER = 0.03;
/** What lies so near an eye lies round it, as a share of the length. */
const ROUND_EYE = 0.03;
/** Nearer than this two areas are one colour on purpose. */
const ONE_COLOUR = 4;

interface Named {
  readonly id: string;
  readonly name: string;
  readonly hex: string;
}

interface ToJudge {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
  readonly areas: readonly ShadedArea[];
  readonly markings: readonly MarkingPlan[];
  readonly shaped: Pick<ShapedAreas, 'owner' | 'shapes'>;
  readonly form: FormWork;
}

interface Said<T> {
  readonly list: readonly T[];
  readonly findings: readonly Finding[];
}

export function judgePiece(x: ToJudge): { readonly result: Judged; readonly findings: readonly Finding[] } {
  const { areas, markings } = x;
  const small = smallParts(x);
  const set = partsAgainstGround(x, small.list);
  const agreements = partsAmongThemselves(x.piece, small.list);
  const linings = liningsSeen(x);
  const palette = [
    ...areas.filter((a) => a.layers.length > 0).map(named),
    ...markings.flatMap((m) => (m.seenHex ? [{ id: m.id, name: m.name, hex: m.seenHex }] : [])),
    ...small.list.map((s) => ({ id: s.part.id, name: s.part.name, hex: s.hex })),
  ].map((c): PaletteEntry => ({ ...c, under: DAYLIGHTS.map((d) => hexOf(under(linearOf(c.hex), d))) }));
  const pairs = [...areaPairs(x), ...markingPairs(x), ...set.list].sort((a, b) => a.contrast - b.contrast);
  return {
    result: { pairs, palette, agreements: agreements.list, linings: linings.list },
    findings: [small, set, agreements, linings].flatMap((s) => s.findings),
  };
}

/** Two neighbours: how far apart by day and at dusk, in a word, and a rim where they run into each other. */
function pairOf(kind: Pair['kind'], a: Named, b: Named, borderMm: number | null, cupboard: Cupboard): Pair {
  const contrast = difference(labOf(a.hex), labOf(b.hex));
  const dim = (hex: string) => labOfLinear(under(linearOf(hex), DAYLIGHTS[2]));
  const dusk = difference(dim(a.hex), dim(b.hex));
  const same = kind === 'areas' && contrast < ONE_COLOUR;
  const verdict = same
    ? 'same colour'
    : contrast < VANISHES
      ? 'vanishes'
      : dusk < VANISHES / 2
        ? 'vanishes at dusk'
        : 'stands apart';
  return {
    kind,
    a,
    b,
    contrast,
    dusk,
    words: inWords(labOf(a.hex), labOf(b.hex)),
    verdict,
    borderMm,
    rim: verdict === 'vanishes' ? rimFor(a.hex, b.hex, cupboard) : null,
  };
}

/** Neighbouring areas, each as it looks where it meets the other. */
function areaPairs({ piece, cupboard, areas, shaped, form }: ToJudge): Pair[] {
  const border = borderColours(
    shaped,
    areas.map((a) => a.field),
  );
  const atBorder = (i: number, j: number): Named => {
    const seen = border.get(i)!.get(j);
    return seen ? { ...named(areas[i]!), hex: hexOf(seen) } : named(areas[i]!);
  };
  return neighbours(form, shaped.owner, piece.areas.length).flatMap(({ i, j, mmLong }) =>
    mmLong < LEAST_BORDER * piece.form.finishedLengthMm || !shaped.shapes[i] || !shaped.shapes[j]
      ? []
      : [pairOf('areas', atBorder(i, j), atBorder(j, i), mmLong, cupboard)],
  );
}

/** Markings against what lies under them. */
const markingPairs = ({ markings, areas, cupboard }: ToJudge): Pair[] =>
  markings.flatMap((m) => {
    const area = areas.find((a) => a.id === m.hosts[0]?.areaId);
    if (!m.seenHex || !m.hostHex || !area) return [];
    return [
      pairOf('marking', { id: m.id, name: m.name, hex: m.seenHex }, { ...named(area), hex: m.hostHex }, null, cupboard),
    ];
  });

interface SmallSeen {
  readonly part: Piece['smallParts'][number];
  readonly hex: string;
  readonly lab: Triple;
}

/** Nose, pads, beak and the like by the colour of their wool. */
function smallParts({ piece, cupboard, hand }: ToJudge): Said<SmallSeen> {
  const findings: Finding[] = [];
  const list = piece.smallParts.flatMap((s): SmallSeen[] => {
    const m = mixed(s.recipe, s.even, cupboard, hand);
    if (isMixed(m)) return [{ part: s, hex: m.hex, lab: m.lab }];
    findings.push({
      id: `shade-small-missing-${s.id}`,
      code: 'shade-small-missing',
      stage: 'shade',
      severity: 'stop',
      about: ref('small part', s.id),
      says: say`A wool of ${s.name} is not in the cupboard.`,
      why: say`Its colour cannot be judged until it has another wool.`,
      remedies: [],
    });
    return [];
  });
  return { list, findings };
}

/** A small part made of a wool that stands apart from what is round it. */
function otherWool(piece: Piece, cupboard: Cupboard, { part, hex }: SmallSeen, groundHex: string): Remedy[] {
  const other = woolApart(cupboard.lots, hex, groundHex, (l) => labOfCurve(woolCurve(l)));
  return other
    ? [
        {
          label: say`Make ${part.name} of ${other.name}`,
          effect: say`told from what is round it at arm’s length`,
          changes: [
            {
              path: ['smallParts', piece.smallParts.indexOf(part), 'recipe'],
              value: [{ lotId: other.id, parts: 1 }],
            },
          ],
        },
      ]
    : [];
}

/** Small parts against the area round them. */
function partsAgainstGround(
  { piece, cupboard, areas, shaped, form }: ToJudge,
  small: readonly SmallSeen[],
): Said<Pair> {
  const findings: Finding[] = [];
  const list = small.flatMap((s): Pair[] => {
    const at = roundPart(piece, form, shaped, s.part.on, s.part.kind === 'eye' || s.part.kind === 'eye rim');
    if (at === null) return [];
    const area = areas[at.area]!;
    const p = pairOf(
      'small part',
      { id: s.part.id, name: s.part.name, hex: s.hex },
      { ...named(area), hex: seenHere(area, shaped.shapes[at.area]!, at.vertices) },
      null,
      cupboard,
    );
    if (p.verdict === 'vanishes') {
      findings.push({
        id: `shade-vanishes-${s.part.id}`,
        code: 'shade-vanishes',
        stage: 'shade',
        severity: 'caution',
        about: ref('small part', s.part.id),
        says: say`${s.part.name} vanishes against ${area.name}.`,
        why: p.rim
          ? say`At arm’s length the two run into each other. A thin ring of ${p.rim.name} or an indentation brings it back.`
          : say`At arm’s length the two run into each other. An indentation round it brings it back.`,
        remedies: otherWool(piece, cupboard, s, p.b.hex),
      });
    }
    return [p];
  });
  return { list, findings };
}

/** Bare parts of one animal are of one family of colour; eyes may be of any. */
function partsAmongThemselves(piece: Piece, small: readonly SmallSeen[]): Said<Agreement> {
  const findings: Finding[] = [];
  const bare = small.filter((s) => s.part.kind !== 'eye' && s.part.kind !== 'other');
  const list = bare.flatMap((s, i) =>
    bare.slice(i + 1).map((t): Agreement => {
      const contrast = difference(s.lab, t.lab);
      const agrees = contrast < 2 * VANISHES && !hueClash(s.lab, t.lab);
      const words = inWords(s.lab, t.lab);
      if (!agrees)
        findings.push({
          id: `shade-clash-${s.part.id}-${t.part.id}`,
          code: 'shade-clash',
          stage: 'shade',
          severity: 'caution',
          about: ref('small part', t.part.id),
          says: say`${t.part.name} clashes with ${s.part.name}: ${words}.`,
          why: say`Bare parts of one animal are of one family of colour. Decide before they are made; changing them later is work done twice.`,
          remedies: [
            {
              label: say`Give ${t.part.name} the colour of ${s.part.name}`,
              effect: say`the same blend`,
              changes: [
                {
                  path: ['smallParts', piece.smallParts.findIndex((p) => p.id === t.part.id), 'recipe'],
                  value: s.part.recipe,
                },
              ],
            },
          ],
        });
      return { a: s.part.id, b: t.part.id, aName: s.part.name, bName: t.part.name, contrast, agrees, words };
    }),
  );
  return { list, findings };
}

/** What of a lining is seen from without. */
function liningsSeen({ piece, cupboard, hand }: ToJudge): Said<LiningSeen> {
  const findings: Finding[] = [];
  const k = unitMm(piece.form);
  const list = piece.flatParts.flatMap((kept): LiningSeen[] => {
    const f = asStanding(piece, kept, k);
    const lot = cupboard.lots.find((l) => l.id === f.lotId);
    const lining = cupboard.lots.find((l) => l.id === f.liningLotId);
    if (!lot || !lining) return [];
    const own = woolCurve(lot);
    const density = hand.coreDensityMgCm3['flat felt'].usual;
    const outer = Math.max(0, f.thicknessMm - f.liningMm);
    const m1 = layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv });
    const seen = veilCurve(own, woolCurve(lining), (hand.spread[lot.form] * (outer / 10) * density) / m1);
    const showsBy = difference(labOfCurve(own), labOfCurve(seen));
    const words = inWords(labOfCurve(own), labOfCurve(seen));
    if (showsBy > ARMS_LENGTH) {
      findings.push({
        id: `shade-lining-${f.id}`,
        code: 'shade-lining',
        stage: 'shade',
        severity: 'caution',
        about: ref('flat part', f.id),
        says: say`The lining changes the outside of ${f.name}: ${words}.`,
        why: say`${mm(outer)} of felt lets it through. Cover it on the back, make it thicker, or line it with a nearer colour.`,
        remedies: [],
      });
    }
    return [
      {
        id: f.id,
        name: f.name,
        faceHex: lot.colour,
        liningHex: lining.colour,
        seenHex: hexOfCurve(seen),
        showsBy,
        words,
      },
    ];
  });
  return { list, findings };
}

const named = (a: ShadedArea): Named => ({ id: a.id, name: a.name, hex: a.meanHex });

/** Two strong colours more than a third of the circle of hues apart. */
function hueClash(p: Triple, q: Triple): boolean {
  const [c1, c2] = [Math.hypot(p[1], p[2]), Math.hypot(q[1], q[2])];
  if (c1 < 10 || c2 < 10) return false;
  const d = Math.abs(Math.atan2(p[2], p[1]) - Math.atan2(q[2], q[1]));
  return Math.min(d, 2 * Math.PI - d) > Math.PI / 3;
}

/** Finer wool than this makes a thin ring. Ours. */
const RIM_UM = 28;

/**
 * A wool for a thin rim between two colours: one that stands apart from both; of those the quietest (a thin grey ring, common
 * practice), then the one furthest from both. Null where none stands apart.
 */
export function rimFor(a: string, b: string, cupboard: Cupboard): Pair['rim'] {
  const [p, q] = [labOf(a), labOf(b)];
  const chroma = (c: Triple) => Math.hypot(c[1], c[2]);
  const found = findWools(cupboard.lots, { suits: thinForm, finenessUm: { most: RIM_UM } })
    .map((l) => {
      const c = labOf(l.colour);
      return { l, far: Math.min(difference(c, p), difference(c, q)), loud: Math.max(0, chroma(c) - QUIET) };
    })
    .filter((x) => x.far > VANISHES)
    .sort((x, y) => x.loud - y.loud || y.far - x.far)[0];
  return found ? { lotId: found.l.id, name: found.l.name, hex: found.l.colour } : null;
}

/** A wool no stronger in colour than this is quiet. Ours. */
const QUIET = 22;

/** Pairs of areas with a common border and how long it is. */
export function neighbours(
  form: Pick<FormWork, 'skin'>,
  owner: Int32Array,
  count: number,
): { readonly i: number; readonly j: number; readonly mmLong: number }[] {
  const { edges, edgeMm } = form.skin;
  const long = new Float64Array(count * count);
  for (let e = 0; e < edges.count; e++) {
    const a = owner[edges.ends[2 * e]!]!;
    const b = owner[edges.ends[2 * e + 1]!]!;
    if (a < 0 || b < 0 || a === b) continue;
    // About two edges of the grid cross for each step along the border.
    long[Math.min(a, b) * count + Math.max(a, b)]! += edgeMm / 2;
  }
  const out: { i: number; j: number; mmLong: number }[] = [];
  for (let i = 0; i < count; i++)
    for (let j = i + 1; j < count; j++) if (long[i * count + j]! > 0) out.push({ i, j, mmLong: long[i * count + j]! });
  return out;
}

/** The mean of what is seen of an area at some vertices of the skin; of all of it where it has none of them. */
function seenHere(area: ShadedArea, shape: AreaShape, vertices: ReadonlySet<number>): string {
  const { field } = area;
  if (!field) return area.meanHex;
  const sum: [number, number, number] = [0, 0, 0];
  let count = 0;
  const { from } = shape.patch;
  for (let v = 0; v < field.a.length; v++) {
    if (!vertices.has(from[2 * v]!)) continue;
    const seen = seenAt(field, v);
    for (let k = 0; k < 3; k++) sum[k]! += seen[k]!;
    count++;
  }
  return count > 0 ? hexOf(sum.map((x) => x / count) as unknown as Triple) : area.meanHex;
}

/** The area that has most of the skin of a part, or for an eye the one it sits in, and its skin there; null where none does. */
function roundPart(
  piece: Pick<Piece, 'face'>,
  form: FormWork,
  shaped: Pick<ShapedAreas, 'owner' | 'shapes'>,
  part: string,
  eye: boolean,
): { readonly area: number; readonly vertices: ReadonlySet<number> } | null {
  const set = eye && piece.face ? pointOf(form.body, piece.face.eyes.at) : null;
  const at = set ?? (eye ? shaped.shapes.flatMap((s) => s?.away ?? [])[0] : undefined);
  const which = form.body.parts.findIndex((p) => p.part.id === part);
  const near = at ? null : nearestParts(form);
  const { positions } = form.skin;
  const round = ROUND_EYE * form.body.lengthMm;
  const here = (v: number) =>
    at
      ? Math.hypot(positions[3 * v]! - at[0], positions[3 * v + 1]! - at[1], positions[3 * v + 2]! - at[2]) < round
      : near![v] === which;
  const found = new Map<number, Set<number>>();
  shaped.owner.forEach((owner, v) => {
    if (owner < 0 || !here(v)) return;
    const had = found.get(owner);
    if (had) had.add(v);
    else found.set(owner, new Set([v]));
  });
  const most = [...found].sort((a, b) => b[1].size - a[1].size || a[0] - b[0])[0];
  return most ? { area: most[0], vertices: most[1] } : null;
}
