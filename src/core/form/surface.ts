/** The skin of the animal as a surface to walk on: any point near it drawn onto it, its outward direction, ways over it. */
import { fieldValue } from '@/core/geometry/field';
import { nearestVertex } from '@/core/geometry/mesh';
import { add, flatten, norm, scale, sub, unit, type Vec3 } from '@/core/geometry/vec';
import type { FormWork } from './form';
import { ontoSkin } from './places';

/** Unit outward direction of the skin near a point. */
export function outwardAt({ body, skin }: Pick<FormWork, 'body' | 'skin'>, p: Vec3): Vec3 {
  if (body.surface) {
    const v = 3 * nearestVertex(skin.positions, p);
    return [skin.normals[v]!, skin.normals[v + 1]!, skin.normals[v + 2]!];
  }
  const all = body.parts.map((_, i) => i);
  const f = (x: number, y: number, z: number) => fieldValue(body.field, all, x, y, z);
  const e = 1e-3 * body.lengthMm;
  return unit([
    f(p[0] + e, p[1], p[2]) - f(p[0] - e, p[1], p[2]),
    f(p[0], p[1] + e, p[2]) - f(p[0], p[1] - e, p[2]),
    f(p[0], p[1], p[2] + e) - f(p[0], p[1], p[2] - e),
  ]);
}

/** One step of a walk over the skin, mm; also how finely a way is kept. */
const STEP = 0.5;

/**
 * A way over the skin from a place, always heading as `heading` says (drawn flat onto the skin), until it is `lengthMm` long.
 * @returns its points, the first one drawn onto the skin; shorter when the heading leads straight off the skin
 */
export function walk(
  form: Pick<FormWork, 'body' | 'skin'>,
  from: Vec3,
  heading: (walkedMm: number, at: Vec3) => Vec3,
  lengthMm: number,
): Vec3[] {
  const out = [ontoSkin(form.body, from)];
  let done = 0;
  while (done < lengthMm - 1e-9) {
    const here = out[out.length - 1]!;
    const flat = flatten(heading(done, here), outwardAt(form, here));
    if (norm(flat) < 1e-3) break;
    const step = Math.min(STEP, lengthMm - done);
    const next = ontoSkin(form.body, add(here, scale(unit(flat), step)));
    const gone = norm(sub(next, here));
    if (gone < 0.2 * step) break;
    done += gone;
    out.push(next);
  }
  return out;
}
