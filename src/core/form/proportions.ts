/**
 * An animal changed toward its kind: one measure that moves many parts together, such as longer legs with shoulders and thighs to match.
 * Each body plan says which it has and what they move. Nothing of it is kept: how far it has gone is measured on the parts themselves,
 * beside the plan they were drawn in, so whatever is changed on a part by hand shows here as well. Gives new forms; changes none.
 */
import { z } from 'zod';
import { name } from '@/core/piece/fields';
import { pieceSchema, type Part } from '@/core/piece/schema';
import {
  limits,
  moveRound,
  partLength,
  roundOn,
  setPartLength,
  setThickness,
  thicknessesOf,
  unitMm,
  type Form,
} from './shape';

const partId = pieceSchema.shape.form.shape.plan;

export const proportionSchema = z.strictObject({
  id: partId,
  says: name('Proportion'),
  /** What it is like at its least and at its most. */
  less: name('Proportion'),
  more: name('Proportion'),
  moves: z
    .array(
      z.strictObject({
        parts: z.array(partId).min(1),
        /** Along the axis; across it both ways or from side to side alone; all of these; how far round its part it sits. */
        what: z.enum(['length', 'across', 'width', 'size', 'round']),
        /** How many times as much it changes by: 0.5 half as much, below 0 the other way. The first move measures. */
        power: z.number().min(-2).max(2),
      }),
    )
    .min(1),
});
export type Proportion = z.infer<typeof proportionSchema>;
type Move = Proportion['moves'][number];

/** How far from its body plan an animal is led by one of these; single parts go further. Ours. */
export const PROPORTION = { min: 0.6, max: 1.7 } as const;

/** What a move measures on a part, in drawn units or degrees; null where it has no such measure. */
function measureOf(parts: readonly Part[], part: Part, what: Move['what']): number | null {
  if (what === 'length' || what === 'size') return partLength(part);
  if (what === 'round') return roundOn(parts, part);
  const across = thicknessesOf(part).filter((t) => what !== 'width' || fromSideToSide(part, t.key));
  return across.length === 0 ? null : across.reduce((s, t) => s + t.across, 0) / across.length;
}

/** A round place has one thickness, which is its width too. */
const fromSideToSide = (part: Part, key: string): boolean =>
  part.shape === 'pad' ? key === 'width' : part.shape === 'limb' && !key.endsWith('high');

/**
 * How far a proportion has gone: 1 as its body plan draws it.
 * @param planned parts of that plan
 * @returns null where the animal or the plan has not the part it is measured on
 */
export function proportionOf(form: Form, planned: readonly Part[], p: Proportion): number | null {
  const { parts, what, power } = p.moves[0]!;
  const now = form.parts.find((x) => x.id === parts[0]);
  const then = planned.find((x) => x.id === parts[0]);
  if (!now || !then) return null;
  const [a, b] = [measureOf(form.parts, now, what), measureOf(planned, then, what)];
  return a === null || b === null || b === 0 ? null : (a / b) ** (1 / power);
}

/** Changes a proportion to so many times what the body plan has, with all the parts it moves. The scale stays. */
export function setProportion(form: Form, planned: readonly Part[], p: Proportion, to: number): Form {
  const now = proportionOf(form, planned, p);
  if (now === null || now === to) return form;
  return p.moves.reduce(
    (f, m) => m.parts.reduce((g, id) => moved(g, planned, id, m.what, (to / now) ** m.power), f),
    form,
  );
}

function moved(form: Form, plan: readonly Part[], id: string, what: Move['what'], by: number): Form {
  const part = form.parts.find((x) => x.id === id);
  if (!part) return form;
  const was = plan.find((x) => x.id === id);
  const k = unitMm(form);
  const kept = (drawn: number, planned: number | undefined): number => {
    const l = limits(form, drawn, planned);
    return Math.max(l.min, Math.min(l.max, drawn * k * by));
  };
  let next = form;
  if (what === 'length' || what === 'size')
    next = setPartLength(next, id, kept(partLength(part), was && partLength(was)));
  if (what === 'round') return moveRound(form, id, Math.min(ROUNDEST, (roundOn(form.parts, part) ?? 0) * by));
  if (what === 'length') return next;
  for (const t of thicknessesOf(part)) {
    if (what === 'width' && !fromSideToSide(part, t.key)) continue;
    const planned = was && thicknessesOf(was).find((x) => x.key === t.key)?.across;
    next = setThickness(next, id, t.key, kept(t.across, planned));
  }
  return next;
}

/** Nothing is led further round its part than this, degrees from its top. */
const ROUNDEST = 150;
