/** A picture of the finished animal as the plan has it, worked out fibre by fibre: no graphics card, the same every time. */
import { fromLinear, linearOf } from '@/core/colour/rgb';
import type { Vec3 } from '@/core/geometry/vec';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { areasOfSkin, bareSkin } from './bare-skin';
import { coatFibres, type Seen } from './coat-fibres';
import { eyeSurfaces, noseSurface, type Surface } from './face-solids';
import { groundUnder, lightAt, type Ground } from './ground';
import { lampGrid } from './lamp-grid';
import { across, centreOf, eye, projector, type Lens, type Turned } from './lens';
import { lightFibres, LIGHTINGS, lightSolid, type Lighting } from './lighting';
import { metered } from './meter';
import { canvas, closeUp, drawFibres, drawSolid } from './raster';
import { skinField } from './skin-field';
import { skyGrid } from './sky-grid';
import { isRelief } from './viewpoints';

export interface StillOptions {
  readonly turned: Turned;
  readonly width: number;
  readonly height: number;
  readonly lighting: keyof typeof LIGHTINGS;
  /** About so many fibres. */
  readonly fibres: number;
  /** How much of the picture the animal fills: 1 all of it. */
  readonly zoom: number;
  /** What is in the middle; the middle of the animal without. */
  readonly centre?: Vec3;
  /** Told what share is done; may throw to stop. */
  readonly progress?: (share: number) => void;
}

export interface Still {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue of every pixel, 0..255 as screens have them. */
  readonly rgb: Uint8Array;
  /** Pixels on a millimetre, the same everywhere on the picture. */
  readonly perMm: number;
}

/** Side of a cell of the grid round an animal of 230 mm or less, mm. */
const CELL = 0.8;

/** A pale wall and table. */
const BACKDROP = linearOf('#d9d6d1');

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

export function still(piece: Piece, plan: Plan, cupboard: Cupboard, o: StillOptions): Still {
  const done = o.progress ?? (() => undefined);
  const by = LIGHTINGS[o.lighting];
  const { skin, lie } = plan.form;
  const size = Math.max(plan.form.lengthMm, plan.form.heightMm, plan.form.widthMm);
  const lens = lensFor(plan, o);
  // No finer than a pixel shows.
  const coarse = Math.max(1, size / 230, 1 / (CELL * lens.perMm));
  const field = skinField(skin.positions, skin.normals, lie, CELL * coarse);
  done(0.08);
  const face = piece.face && plan.face ? { of: plan.face, face: piece.face } : null;
  const clear = face
    ? [
        ...face.of.eyes.places.map((e) => ({ at: e.at, radiusMm: Math.max(face.of.clearMm, face.of.eyes.discMm / 2) })),
        ...(face.face.nose.kind === 'beak' ? [] : [{ at: face.of.nose.tip, radiusMm: face.face.nose.widthMm / 2 }]),
      ]
    : [];
  const owner = areasOfSkin(skin, plan.coat.areas);
  const bare = bareSkin(piece, plan, cupboard, owner);
  const coated = coatFibres(piece, plan, cupboard, field, bare, o.fibres, clear, seenBy(lens));
  done(0.35);
  const to = lampFrom(o.turned, by);
  const lamp = lampGrid(to, coated.fibres, skin, coarse);
  done(0.42);
  const sky = skyGrid(field, coated.fibres);
  done(0.55);
  const { from } = eye(o.turned);
  const light = lightFibres(coated.fibres, coated.palette, lamp, sky, by, from);
  done(0.7);
  const exposed = metered(lens, skin, coated.fibres, light, coated.palette) * by.exposed;
  const c = canvas(lens);
  drawSolid(c, {
    positions: skin.positions,
    triangles: skin.triangles,
    light: lightSolid(skin.positions, skin.normals, bare.colour, lamp, sky, by, from, bare.gloss),
  });
  const solids: [Surface, number][] = face
    ? [
        [eyeSurfaces(face.of, face.face, cupboard), 1],
        [noseSurface(face.of, face.face, noseHex(piece, plan)), 0.35],
      ]
    : [];
  for (const [s, gloss] of solids)
    drawSolid(c, { ...s, light: lightSolid(s.positions, s.normals, s.colour, lamp, sky, by, from, gloss) });
  done(0.74);
  drawFibres(c, coated.fibres, light);
  done(0.92);
  const level = lowest(skin.positions);
  const ground = isRelief(piece) || o.turned.pitch < 1 ? null : groundUnder(sky, to, by, level, 2 * coarse);
  // The wall is as light by every lamp; what stands before it goes by the meter.
  for (let i = 0; i < c.light.length; i++) c.light[i]! *= exposed;
  for (let i = 0; i < c.solid.length; i++) c.solid[i]! *= exposed;
  closeUp(c, behindOf(lens, ground));
  done(1);
  return { width: o.width, height: o.height, rgb: onScreen(c.light), perMm: lens.perMm };
}

/** So far beyond the edge of the picture fur may reach into it, mm; what is turned further away than this is behind the animal. Ours. */
const BEYOND = 15;
const AWAY = -0.4;

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

function lensFor(plan: Plan, { turned, width, height, zoom, centre }: StillOptions): Lens {
  const { form } = plan;
  const wide = Math.max(form.lengthMm, form.widthMm);
  const tall = Math.max(form.heightMm, form.widthMm);
  const perMm = Math.min((0.8 * width) / wide, (0.72 * height) / tall) * zoom;
  return { turned, centre: centre ?? centreOf(form.skin.positions), perMm, width, height };
}

/** A wall that grows a little darker downwards and outwards, and the shadow on the table. */
function behindOf(lens: Lens, ground: Ground | null) {
  const { right, up } = across(lens.turned);
  const { from } = eye(lens.turned);
  return (x: number, y: number, into: Float64Array): void => {
    const [u, v] = [x / lens.width - 0.5, y / lens.height - 0.5];
    let k = 1.02 - 0.35 * (u * u + v * v);
    if (ground) {
      // Where the line of sight meets the table.
      const [a, b] = [(x + 0.5 - lens.width / 2) / lens.perMm, -(y + 0.5 - lens.height / 2) / lens.perMm];
      const p = [0, 1, 2].map((q) => lens.centre[q]! + a * right[q]! + b * up[q]!);
      const t = (ground.level - p[1]!) / from[1];
      k *= 0.3 + 0.7 * lightAt(ground, p[0]! + t * from[0], p[2]! + t * from[2]);
    }
    for (let q = 0; q < 3; q++) into[q] = BACKDROP[q]! * k;
  };
}

/** From here on light is let in less and less, so that what is brightest keeps its form. */
const SHOULDER = 0.8;
const shown = (l: number): number =>
  l <= SHOULDER ? Math.max(0, l) : SHOULDER + (1 - SHOULDER) * (1 - Math.exp((SHOULDER - l) / (1 - SHOULDER)));

function onScreen(light: Float32Array): Uint8Array {
  return Uint8Array.from(light, (l) => Math.round(255 * fromLinear(shown(l))));
}
