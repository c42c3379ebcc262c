/**
 * All fibres of an animal: the coat of every area in the number the plan lays, bare skin as felt, whiskers as threads. Where that is more
 * than is drawn, fewer are drawn and each is wider, so that together they hide what they should. Lengths mm.
 */
import type { Triple } from '@/core/colour/lab';
import { linearOf } from '@/core/colour/rgb';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { feltedFlat, seenFrom } from '@/core/coat/picture/pile';
import { BARB_LAYERS, barbLength } from '@/core/coat/picture/vane';
import { alongRows, overArea, type Root } from '@/core/coat/picture/roots';
import type { RowPiece } from '@/core/coat/rows/rows';
import { featherArea } from '@/core/coat/cover/feather-shape';
import { triangleArea } from '@/core/geometry/mesh';
import { towardHollow } from '@/core/geometry/leaf';
import { unit, type Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { seeded } from '@/core/random';
import { lookAt, nearest } from '@/core/shade/layers/strand-colour';
import type { ShadeField } from '@/core/shade/layers/look';
import { leftOver } from '@/core/shade/layers/strands';
import { fibreMassPerMm } from '@/core/wool/fibre';
import type { BareSkin } from './bare-skin';
import type { Surface } from './eye-solid';
import { squareTo } from './lamp-grid';
import { FELT, featherer, FibreBed, felter, grower, Palette, SEGMENTS, type Fibres } from './fibres';
import type { SkinField } from './skin-field';

export interface Coated {
  readonly fibres: Fibres;
  /** Stride 7, see `Palette`. */
  readonly palette: readonly number[];
}

type Drawn = Pick<Plan, 'coat' | 'form' | 'shade' | 'face'>;

/** Fibres as the plan lays them on an area: how many, how fine, how far they spread. */
function laidOn(
  a: AreaPlan,
  cupboard: Pick<Cupboard, 'lots'>,
): { readonly n: number; readonly widthMm: number } | null {
  const fur = a.fur;
  const lot = fur && cupboard.lots.find((l) => l.id === fur.lotId);
  if (!fur || !lot || !a.surface || fur.pile.skin || fur.rows.rows.length === 0) return null;
  const { pile } = fur;
  const length = (pile.hemMm + pile.topMm) / 2;
  const fineMm = lot.finenessUm / 1000;
  if (pile.vane) {
    const { pitchMm } = pile.tuft!;
    const vanes = fur.rows.totalMm / pitchMm;
    return {
      n: (BARB_LAYERS * vanes * featherArea(pile.vane)) / (barbLength(pile.vane) * fineMm),
      widthMm: fineMm,
    };
  }
  const each = length * fibreMassPerMm(lot.finenessUm, lot.finenessCv);
  // mg on a square cm, all over it, over what one fibre weighs.
  return {
    n: ((fur.figures.areal.value / 100) * a.areaMm2) / each,
    widthMm: (lot.finenessUm / 1000) * pile.kappa,
  };
}

/** Which colour a fibre at a place of an area has, as entries of the palette, by the strands of its look. */
function colours(palette: Palette, field: ShadeField | null, plain: Triple, tip: Triple | null, tipShare: number) {
  if (!field) {
    const only = palette.add(plain, tip, tipShare);
    return () => only;
  }
  const looks = field.looks.map((l) => {
    let sum = 0;
    return l.strands.map((s) => ({
      upTo: (sum += s.weight),
      entry: palette.add(s.root, s.tip, s.tipShare),
    }));
  });
  return (vertex: number, rnd: () => number): number => {
    const of = looks[lookAt(field, vertex, rnd())]!;
    const chance = rnd();
    return (of.find((s) => chance < s.upTo) ?? of[of.length - 1]!).entry;
  };
}

/** Whether what stands at a place, its normal given, is seen on the picture; what is not only shades, and fewer fibres shade as much. */
export type Seen = (x: number, y: number, z: number, n: ArrayLike<number>) => boolean;
/** So many of what is not seen. Ours. */
const UNSEEN = 1 / 8;

/** Share of an area that is seen. */
function seenShare(a: AreaPlan, seen: Seen): number {
  const { positions: p, normals: n } = a.surface!;
  let here = 0;
  for (let i = 0; i < p.length; i += 3) if (seen(p[i]!, p[i + 1]!, p[i + 2]!, [n[i]!, n[i + 1]!, n[i + 2]!])) here++;
  return p.length > 0 ? (3 * here) / p.length : 1;
}

/** Of wool felted flat so much counts in the shade. Ours. */
const LAYER_CASTS = 0.4;

function coatArea(
  a: AreaPlan,
  n: number,
  widthMm: number,
  bed: FibreBed,
  field: SkinField,
  palette: Palette,
  shade: ShadeField | null,
  seed: number,
  seen: Seen,
  overMm: number,
  lit: LitRow | null,
): void {
  const { pile } = a.fur!;
  const rnd = seeded(seed);
  const grow = grower(bed, field, pile, seed);
  const feather = pile.vane ? featherer(bed, field, pile, seed) : null;
  const felt = feltedFlat(pile) ? felter(bed, field, seed) : null;
  const pick = colours(
    palette,
    shade,
    linearOf(pile.colour),
    pile.tipColour ? linearOf(pile.tipColour) : null,
    pile.tipShare,
  );
  const marked = pile.marking ? palette.add(linearOf(pile.marking.colour), null, 0) : 0;
  const litAs = lit ? palette.add(linearOf(lit.hex), null, 0) : 0;
  const surface = a.surface!;
  const find = shade && shade.looks.length > 1 ? nearest(surface.positions, a.areaMm2 * 2) : null;
  // A layer colours the coat where it is laid: there lies what is seen of a fibre, not its root.
  const seenAt = seenFrom(pile, (pile.hemMm + pile.topMm) / 2);
  // The nearest vertex once for every point of a row.
  const known = new Map<RowPiece, Int32Array>();
  const vertexOf = (r: Root): number => {
    if (!r.piece) return r.near;
    if (!find) return 0;
    let of = known.get(r.piece);
    if (!of) known.set(r.piece, (of = new Int32Array(r.piece.points.length / 3).fill(-1)));
    if (of[r.near]! < 0) {
      const { points: p, lie: l } = r.piece;
      const i = 3 * r.near;
      const on = [seenAt * l[i]!, seenAt * l[i + 1]!, seenAt * l[i + 2]!];
      of[r.near] = find(p[i]!, p[i + 1]!, p[i + 2]!, on);
    }
    return of[r.near]!;
  };
  const m = pile.marking;
  const each = (r: Root, share: number) => {
    const here = seen(r.x, r.y, r.z, r.n);
    if (!here && rnd() >= UNSEEN) return;
    // They shade as all of them would. Drawn as wide as that they would stand out like straws where a tip comes round the outline.
    const casts = here ? 1 : 1 / UNSEEN;
    const lengthMm = pile.hemMm + (pile.topMm - pile.hemMm) * share + overMm;
    const inBand =
      m !== null &&
      m.rows.includes(r.row) &&
      (m.pitchMm === null || Math.abs(((r.run + m.pitchMm / 2) % m.pitchMm) - m.pitchMm / 2) < m.halfWidthMm);
    const own = inBand ? marked : pick(vertexOf(r), rnd);
    const colour = r.row === lit?.row ? litAs : own;
    // Wool felted flat ends in the felt: it hangs over nothing.
    if (feather) feather(r, widthMm, colour, casts * LAYER_CASTS);
    else if (felt) felt(r, (widthMm * lengthMm) / FELT.lengthMm, colour, true, FELT.lengthMm, casts * LAYER_CASTS);
    else grow(r, lengthMm, widthMm, colour, casts);
  };
  if (pile.scattered) overArea(a, n, rnd, (r) => each(r, 0));
  else alongRows(a, n, rnd, each);
}

/** Felt on every triangle that is not all under fur. */
function feltSkin(
  { skin, lie }: Drawn['form'],
  bare: Uint8Array,
  colourAt: (corner: number, x: number, y: number, z: number) => number,
  perMm2: number,
  widthMm: number,
  along: Uint8Array,
  bed: FibreBed,
  field: SkinField,
  seed: number,
): void {
  const rnd = seeded(seed);
  const put = felter(bed, field, seed + 1);
  const { positions: p, normals: N, triangles: T } = skin;
  for (let t = 0; t < T.length; t += 3) {
    if (!bare[T[t]!] && !bare[T[t + 1]!] && !bare[T[t + 2]!]) continue;
    const [a, b, c] = [3 * T[t]!, 3 * T[t + 1]!, 3 * T[t + 2]!];
    // Rounded by chance: what was owed from one to the next would show their pattern.
    for (let n = Math.floor(perMm2 * triangleArea(p, T, t) + rnd()); n > 0; n--) {
      let [x, y] = [rnd(), rnd()];
      if (x + y > 1) [x, y] = [1 - x, 1 - y];
      const mix = (f: ArrayLike<number>, k: number) => f[a + k]! * (1 - x - y) + f[b + k]! * x + f[c + k]! * y;
      const corner = T[t + (x > 0.5 ? 1 : y > 0.5 ? 2 : 0)]!;
      const at = { x: mix(p, 0), y: mix(p, 1), z: mix(p, 2) };
      put(
        {
          ...at,
          n: [mix(N, 0), mix(N, 1), mix(N, 2)],
          l: [mix(lie, 0), mix(lie, 1), mix(lie, 2)],
        },
        widthMm,
        colourAt(corner, at.x, at.y, at.z),
        along[corner] === 1,
      );
    }
  }
}

/** A row that is pointed out: its fur in another colour. */
export interface LitRow {
  readonly areaId: string;
  readonly row: number;
  readonly hex: string;
}

interface CoatOptions {
  /** Steps of the trim plan already taken; null for the finished coat. */
  readonly trimStep?: number | null;
  /** Surfaces of felt beside the animal. */
  readonly felts?: readonly Felted[];
  readonly lit?: LitRow | null;
}

/** A surface of felt beside the animal, and its light. */
interface Felted {
  readonly surface: Pick<Surface, 'positions' | 'normals' | 'triangles'>;
  readonly light: Triple;
}

/** What lies on it is shorter than on the animal: it is felted flat and small. Ours. */
const FLAT_FUZZ_MM = 1.3;

/** The fuzz of felt that is no skin. */
function fuzzOf(
  { positions: p, normals: n, triangles: T }: Felted['surface'],
  colour: number,
  perMm2: number,
  widthMm: number,
  bed: FibreBed,
  seed: number,
): void {
  const rnd = seeded(seed);
  const put = felter(bed, null, seed);
  const [places, corners] = [Float64Array.from(p), Uint32Array.from(T)];
  for (let t = 0; t < T.length; t += 3) {
    const many = triangleArea(places, corners, t) * perMm2;
    for (let k = Math.floor(many + rnd()); k > 0; k--) {
      const [a, b] = [rnd(), rnd()];
      const [u, v] = a + b > 1 ? [1 - a, 1 - b] : [a, b];
      const at = (q: ArrayLike<number>, e: number): number =>
        (1 - u - v) * q[3 * T[t]! + e]! + u * q[3 * T[t + 1]! + e]! + v * q[3 * T[t + 2]! + e]!;
      const out = [...unit([at(n, 0), at(n, 1), at(n, 2)])] as [number, number, number];
      const side = [...squareTo(out)[0]] as [number, number, number];
      put({ x: at(p, 0), y: at(p, 1), z: at(p, 2), n: out, l: side }, widthMm, colour, false, FLAT_FUZZ_MM);
    }
  }
}

/** A whisker of horsehair, mm, and how light it is beside its colour: it stands alone in the light. Ours. */
const THREAD = 0.11;
const THREAD_TONE = 0.8;

/** A thread as one fibre, straight from its root to its tip with a little droop. */
function thread(bed: FibreBed, root: Vec3, tip: Vec3, widthMm: number, colour: number): void {
  const me = bed.next(widthMm, THREAD_TONE, colour);
  const long = Math.hypot(tip[0] - root[0], tip[1] - root[1], tip[2] - root[2]);
  for (let k = 0; k <= SEGMENTS; k++) {
    const t = k / SEGMENTS;
    for (let q = 0; q < 3; q++)
      bed.points[3 * ((SEGMENTS + 1) * me + k) + q] =
        root[q]! + t * (tip[q]! - root[q]!) - (q === 1 ? 0.06 * long * t * t : 0);
  }
}

/** At least this share of all fibres drawn is felt, and none is drawn wider, mm. Ours. */
const FELT_OF_ALL = 0.25;
const FELT_WIDEST = 0.07;

/**
 * @param most about so many fibres in all
 * @param seen of what is not seen fewer fibres are drawn
 * @param clear places fibres keep out of: round the eyes, mm
 */
export function coatFibres(
  piece: Pick<Piece, 'seed'>,
  plan: Drawn,
  cupboard: Pick<Cupboard, 'lots'>,
  field: SkinField,
  { bare, colour: skinColour, gloss, along, leaf, leaves }: BareSkin,
  most: number,
  clear: readonly Clear[],
  seen: Seen,
  { trimStep = null, felts = [], lit = null }: CoatOptions = {},
): Coated {
  const { coat, form, shade, face } = plan;
  const palette = new Palette();
  const furred = coat.areas.map((a) => laidOn(a, cupboard));
  // Close and shining skin shows no fuzz.
  const felted = bare.map((b, v) => (b && gloss[v]! === 0 ? 1 : 0));
  let bareMm2 = 0;
  const { positions: p, triangles: T } = form.skin;
  for (let t = 0; t < T.length; t += 3) {
    if (!felted[T[t]!] && !felted[T[t + 1]!] && !felted[T[t + 2]!]) continue;
    bareMm2 += triangleArea(p, T, t);
  }
  for (const { surface: s } of felts) {
    const [at, of] = [Float64Array.from(s.positions), Uint32Array.from(s.triangles)];
    for (let t = 0; t < of.length; t += 3) bareMm2 += triangleArea(at, of, t);
  }
  const feltPer = FELT.layers / (FELT.lengthMm * (FELT.finenessUm / 1000));
  const felt = bareMm2 * feltPer;
  // What an area counts: all of what is seen and some of the rest.
  const parts = coat.areas.map((a, i) => (furred[i] ? UNSEEN + (1 - UNSEEN) * seenShare(a, seen) : 0));
  const laid = furred.reduce((s, x, i) => s + (x?.n ?? 0) * parts[i]!, 0);
  // Felt has the colour of the skin it lies on: where there is much of it, fewer fibres say the same.
  const feltShare = Math.min(1, Math.max(FELT_OF_ALL * most, most - laid) / Math.max(1, felt));
  const share = Math.min(1, (most - felt * feltShare) / Math.max(1, laid));
  const feltWide = Math.min(FELT.finenessUm / 1000 / feltShare, FELT_WIDEST);
  const counts = furred.map((x) => (x ? Math.max(1, Math.round(x.n * share)) : 0));
  const threads = face ? face.whiskers.reduce((s, w) => s + w.whiskers.length, 0) : 0;
  const room = counts.reduce((s, n, i) => s + n * Math.min(1, 1.3 * parts[i]!), 0);
  const bed = new FibreBed(Math.ceil(room) + Math.ceil(felt * feltShare) + threads + 2000);
  const fieldOf = (id: string) => shade.areas.find((a) => a.id === id)?.field ?? null;
  coat.areas.forEach((a, i) => {
    const laid = furred[i];
    if (!laid) return;
    const n = counts[i]!;
    coatArea(
      a,
      n,
      laid.widthMm * (laid.n / n),
      bed,
      field,
      palette,
      fieldOf(a.id),
      piece.seed + 977 * (i + 1),
      seen,
      leftOver(a, trimStep),
      lit?.areaId === a.id ? lit : null,
    );
  });
  const entries = new Uint32Array(bare.length);
  const feltOf = (c: ArrayLike<number>) =>
    palette.add(
      Array.from(c, (x) => Math.round(x * 250) / 250),
      null,
      0,
    );
  for (let v = 0; v < bare.length; v++) if (felted[v]) entries[v] = feltOf(skinColour.subarray(3 * v, 3 * v + 3));
  const sides = leaves.map((l) => ({ l, lining: feltOf(l.lining), back: feltOf(l.back) }));
  // A leaf is lined up to its very edge, wherever the corners of its skin lie.
  const colourAt = (corner: number, x: number, y: number, z: number) => {
    const s = sides[leaf[corner]! - 1];
    return s ? (towardHollow(s.l.bent, x, y, z) > 0 ? s.lining : s.back) : entries[corner]!;
  };
  feltSkin(form, felted, colourAt, feltPer * feltShare, feltWide, along, bed, field, piece.seed + 5);
  keepClear(bed, clear);
  felts.forEach(({ surface, light }, i) =>
    fuzzOf(surface, feltOf(light), feltPer * feltShare, feltWide, bed, piece.seed + 31 * (i + 1)),
  );
  for (const set of face?.whiskers ?? []) {
    const colour = palette.add(linearOf(set.thread?.colour ?? '#e8e4da'), null, 0);
    for (const w of set.whiskers) thread(bed, w.root, w.tip, THREAD, colour);
  }
  return { fibres: bed, palette: palette.entries };
}

/** Where no fibre goes: a ball round an eye; or what a band round a part lies over, half as wide as it along the axis of the part. */
export interface Clear {
  readonly at: Vec3;
  readonly radiusMm: number;
  readonly band?: { readonly axis: Vec3; readonly halfMm: number };
}

function within({ at, radiusMm, band }: Clear, x: number, y: number, z: number): boolean {
  const [dx, dy, dz] = [x - at[0], y - at[1], z - at[2]];
  if (dx * dx + dy * dy + dz * dz >= radiusMm * radiusMm) return false;
  return !band || Math.abs(dx * band.axis[0] + dy * band.axis[1] + dz * band.axis[2]) < band.halfMm;
}

/** Fibres that would run over an eye end before it; those that would hang over a band are pressed down under it. */
function keepClear(bed: FibreBed, clear: readonly Clear[]): void {
  if (clear.length === 0) return;
  const p = bed.points;
  const stride = 3 * (SEGMENTS + 1);
  for (let f = 0; f < bed.count; f++) {
    for (let k = 0; k <= SEGMENTS; k++) {
      const i = stride * f + 3 * k;
      if (!clear.some((c) => within(c, p[i]!, p[i + 1]!, p[i + 2]!))) continue;
      // The rest of it lies where it ended.
      const from = Math.max(0, i - 3);
      for (let q = k; q <= SEGMENTS; q++)
        for (let e = 0; e < 3; e++) p[stride * f + 3 * q + e] = p[(k === 0 ? stride * f : from) + e]!;
      break;
    }
  }
}
