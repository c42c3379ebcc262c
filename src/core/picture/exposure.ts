/**
 * The finished animal as light on a picture, worked out fibre by fibre through a lens: what its still and what is laid over the turntable are
 * both made of. In steps, so that whoever draws it can say how far it is, and leave off between two of them.
 */
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { areasOfSkin, bareSkin, type BareSkin } from './bare-skin';
import { coatFibres, type Clear, type LitRow, type Seen } from './coat-fibres';
import { HORN_GLOSS } from '@/core/coat/techniques/smooth/smooth';
import { clawSurface } from './claw-solid';
import { eyeSolids, type Surface } from './eye-solid';
import { SEGMENTS, type Fibres } from './fibres';
import { noseSurface } from './nose-solid';
import { thingSolids } from './thing-solids';
import { groundUnder, type Ground } from './ground';
import { lampGrid } from './lamp-grid';
import { across, eye, projector, type Lens, type Turned } from './lens';
import { lightFibres, LIGHTINGS, lightSolid, type Lighting } from './lighting';
import { metered, meteredSkin } from './meter';
import { canvas, drawFibres, drawSolid, type Canvas } from './raster';
import { skinField, type SkinField } from './skin-field';
import { fromSky, skyGrid, type SkyGrid } from './sky-grid';
import { rooted, type Rooted } from './rooted';
import { isRelief } from './viewpoints';

/** A piece, all that is planned for it, and what it is made from. */
export interface Drawn {
  readonly piece: Piece;
  readonly plan: Plan;
  readonly cupboard: Cupboard;
}

export interface ExposureOptions {
  readonly lighting: keyof typeof LIGHTINGS;
  /** About so many fibres. */
  readonly fibres: number;
  /** Steps of the trim plan already taken; null for the finished coat. */
  readonly trimStep?: number | null;
  /** A row that is pointed out. */
  readonly lit?: LitRow | null;
}

export interface Exposed {
  /** Light of every pixel as the meter gives it, and where nothing covers it; skin is not yet shown through. */
  readonly canvas: Canvas;
  /** The shadow on what it stands on; null where it hangs, or is looked at along the ground. */
  readonly ground: Ground | null;
}

/** Side of a cell of the grid round an animal of 230 mm or less, mm. */
const CELL = 0.8;

/** Eyes and nose are set into skin that is drawn more coarsely than they are: they are seen before it by so much of an eye's width. Ours. */
const BEFORE_SKIN = 0.12;

/** So far off the skin it is seen how much of the sky a place sees, mm. */
const OFF = 0.4;

/** What is the same from every side: kept between one picture and the next of the same plan. */
export interface Prepared {
  readonly coarse: number;
  /** What fur stands on. */
  readonly rooted: Rooted;
  readonly field: SkinField;
  readonly bare: BareSkin;
}

function prepared({ piece, plan, cupboard }: Drawn, lens: Lens, kept: Prepared | null): Prepared {
  const { form, coat } = plan;
  const size = Math.max(form.lengthMm, form.heightMm, form.widthMm);
  // No finer than a pixel shows.
  const coarse = Math.max(1, size / 230, 1 / (CELL * lens.perMm));
  if (kept?.coarse === coarse) return kept;
  const on = rooted(piece, plan);
  return {
    coarse,
    rooted: on,
    field: skinField(on.skin.positions, on.skin.normals, form.lie, CELL * coarse),
    bare: bareSkin(piece, plan, cupboard, areasOfSkin(form.skin, coat.areas)),
  };
}

function lampFrom(turned: Turned, by: Lighting): Vec3 {
  const { right } = across(turned);
  const yaw = (turned.yaw * Math.PI) / 180;
  const forward = [Math.sin(yaw), 0, Math.cos(yaw)];
  const [l, a] = [(by.left * Math.PI) / 180, (by.above * Math.PI) / 180];
  const d = [0, 1, 2].map(
    (k) => Math.cos(a) * (Math.cos(l) * forward[k]! - Math.sin(l) * right[k]!) + (k === 1 ? Math.sin(a) : 0),
  );
  const size = Math.hypot(...d);
  return [d[0]! / size, d[1]! / size, d[2]! / size];
}

/**
 * @param kept what an earlier picture of the same plan was prepared with @param keep told what this one is
 * @returns in steps, each of which says what share is done, 0..1
 */
export function* exposure(
  drawn: Drawn,
  lens: Lens,
  { lighting, fibres: most, trimStep = null, lit = null }: ExposureOptions,
  kept: Prepared | null = null,
  keep: (ready: Prepared) => void = () => undefined,
): Generator<number, Exposed> {
  const { piece, plan, cupboard } = drawn;
  const by = LIGHTINGS[lighting];
  const { turned } = lens;
  const ready = prepared(drawn, lens, kept);
  keep(ready);
  const { coarse, field, bare } = ready;
  const { skin, coat } = ready.rooted;
  yield 0.08;
  const face = piece.face && plan.face ? { of: plan.face, face: piece.face } : null;
  const clear: Clear[] = face
    ? [
        ...face.of.eyes.places.map((e) => ({ at: e.at, radiusMm: Math.max(face.of.clearMm, face.of.eyes.discMm / 2) })),
        ...(face.face.nose.kind === 'beak' ? [] : [{ at: face.of.nose.tip, radiusMm: face.face.nose.widthMm / 2 }]),
      ]
    : [];
  const things = thingSolids(plan, cupboard);
  const felts = things.flatMap(({ surface, fuzz }) => (fuzz ? [{ surface, light: fuzz }] : []));
  const laid = { ...plan, coat, form: { ...plan.form, skin } };
  const coated = coatFibres(piece, laid, cupboard, field, bare, most, [...clear, ...bandsOf(plan)], seenBy(lens), {
    trimStep,
    felts,
    lit,
  });
  yield 0.35;
  const to = lampFrom(turned, by);
  const lamp = lampGrid(
    to,
    coated.fibres,
    skin,
    coarse,
    things.map((t) => t.surface),
  );
  yield 0.42;
  const sky = skyGrid(field, coated.fibres);
  yield 0.55;
  const { from } = eye(turned);
  const light = lightFibres(coated.fibres, coated.palette, lamp, sky, by, from);
  yield 0.7;
  const meter = metered(lens, skin, coated.fibres, light, coated.palette);
  const fur = meter.fur ?? meter.felt ?? 1;
  const exposed = fur * by.exposed;
  // What is exposed for itself is as much lighter or darker beforehand.
  const felt = (meter.felt ?? fur) / fur;
  brightened(light, coated.fibres, felt);
  const c = canvas(lens);
  const onSkin = lightSolid(skin.positions, skin.normals, bare.colour, lamp, sky, by, from, bare.gloss);
  const skinLight = (meteredSkin(skin.normals, onSkin, bare, from) ?? fur) / fur;
  exposedAsFelt(onSkin, skin, bare, sky, skinLight);
  drawSolid(c, { positions: skin.positions, triangles: skin.triangles, light: onSkin });
  const solids: [Surface, number][] = [[clawSurface(piece, plan), HORN_GLOSS]];
  if (face)
    solids.push(
      ...eyeSolids(face.of, face.face, cupboard).flatMap((e): [Surface, number][] => [
        [e.ball, e.gloss],
        [e.lids, 0],
      ]),
      [noseSurface(face.of, face.face, noseHex(piece, plan)), 0.35],
    );
  const nearer = face ? BEFORE_SKIN * face.of.eyes.discMm : 0;
  for (const [s, gloss] of solids)
    drawSolid(c, { ...s, light: lightSolid(s.positions, s.normals, s.colour, lamp, sky, by, from, gloss) }, nearer);
  for (const { surface: s, gloss } of things) {
    const lit = lightSolid(s.positions, s.normals, s.colour, lamp, sky, by, from, gloss);
    // Felt and wood are as light as felt is.
    for (let i = 0; i < lit.length; i++) lit[i]! *= skinLight;
    drawSolid(c, { ...s, light: lit });
  }
  yield 0.74;
  drawFibres(c, coated.fibres, light);
  yield 0.92;
  const level = plan.stands.on?.level ?? lowest(plan.form.skin.positions);
  const ground =
    isRelief(piece) || turned.pitch < 1
      ? null
      : groundUnder(
          sky,
          to,
          by,
          level,
          2 * coarse,
          things.map((t) => t.surface),
        );
  // The wall is as light by every lamp; what stands before it goes by the meter.
  for (let i = 0; i < c.light.length; i++) c.light[i]! *= exposed;
  for (let i = 0; i < c.solid.length; i++) c.solid[i]! *= exposed;
  yield 1;
  return { canvas: c, ground };
}

/** What bands and scarves lie over: about the middle of each, further out than any fur there. */
const bandsOf = ({ things }: Pick<Plan, 'things'>): Clear[] =>
  things.flatMap(({ thing: t, worn, girthMm }) =>
    worn && girthMm !== null && (t.kind === 'collar' || t.kind === 'scarf')
      ? [
          {
            at: worn.threads[1]!.at,
            radiusMm: girthMm / 3,
            band: { axis: worn.threads[1]!.axis, halfMm: t.wideMm / 2 },
          },
        ]
      : [],
  );

/** Bare skin is as light as felt; skin under fur the more so the more of the sky it sees. */
function exposedAsFelt(
  light: Float32Array,
  { positions: p, normals: n }: Rooted['skin'],
  { bare }: Pick<BareSkin, 'bare'>,
  sky: SkyGrid,
  by: number,
): void {
  for (let v = 0; v < bare.length; v++) {
    const i = 3 * v;
    const open = bare[v]
      ? 1
      : fromSky(sky, p[i]! + OFF * n[i]!, p[i + 1]! + OFF * n[i + 1]!, p[i + 2]! + OFF * n[i + 2]!);
    for (let k = i; k < i + 3; k++) light[k]! *= 1 + open * (by - 1);
  }
}

function brightened(light: Float32Array, { count, felt }: Fibres, by: number): void {
  for (let f = 0; f < count; f++)
    if (felt[f]) for (let k = 3 * SEGMENTS * f; k < 3 * SEGMENTS * (f + 1); k++) light[k]! *= by;
}

/** So far beyond the edge of the picture fur may reach into it, mm; what is turned further away than this is behind the animal. Ours. */
const BEYOND = 15;
const AWAY = -0.7;

/** What is on the picture and not turned away. */
function seenBy(lens: Lens): Seen {
  const m = projector(lens);
  const { from } = eye(lens.turned);
  const beyond = BEYOND * lens.perMm;
  return (x, y, z, n) => {
    if (n[0]! * from[0] + n[1]! * from[1] + n[2]! * from[2] < AWAY) return false;
    const u = m[0]! * x + m[1]! * y + m[2]! * z + m[3]!;
    const v = m[4]! * x + m[5]! * y + m[6]! * z + m[7]!;
    return u > -beyond && v > -beyond && u < lens.width + beyond && v < lens.height + beyond;
  };
}

const noseHex = (piece: Piece, plan: Plan): string =>
  plan.shade.judged.palette.find((p) => p.id === piece.smallParts.find((s) => s.kind === 'nose')?.id)?.hex ?? '#2a211d';

function lowest(p: ArrayLike<number>): number {
  let y = Infinity;
  for (let i = 1; i < p.length; i += 3) y = Math.min(y, p[i]!);
  return y;
}
