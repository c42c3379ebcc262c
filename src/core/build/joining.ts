/** How a part sits in what it grows out of. Lengths mm. */
import { endOf, meanOf, onAxis, type Body, type BodyPart } from '@/core/form/body';
import { partDistance } from '@/core/geometry/field';
import { sub, unit } from '@/core/geometry/vec';

/** How much of a part's axis lies inside what it sits on, and how much its bends take. mm */
export function joining(body: Body, part: BodyPart): { inside: number; bend: number } {
  const base = body.parts.findIndex((p) => p.part.id === part.part.on);
  let inside = 0;
  if (base >= 0) {
    const fromStart = part.part.root === 'start';
    const STEPS = 60;
    // From its root end outwards until it leaves what it sits on.
    for (let i = 0; i <= STEPS; i++) {
      const along = fromStart ? i / STEPS : 1 - i / STEPS;
      const { at } = onAxis(part, part.left, along);
      if (partDistance(body.field.parts[base]!, at[0], at[1], at[2]) > 0) break;
      inside = (i / STEPS) * part.lengthMm;
    }
  }
  let bend = 0;
  for (let i = 1; i < part.left.length; i++) {
    const [a, b] = [part.left[i - 1]!, part.left[i]!];
    const cos = [0, 1, 2].reduce((s, k) => s + unit(sub(a.b, a.a))[k]! * unit(sub(b.b, b.a))[k]!, 0);
    bend += Math.acos(Math.max(-1, Math.min(1, cos))) * meanOf(a, 1);
  }
  return { inside: Math.min(inside, part.lengthMm * 0.9), bend };
}

/** Thickness of a part where it joins. */
export const rootAcross = (b: BodyPart): number => 2 * endOf(b, 'root').radius;
