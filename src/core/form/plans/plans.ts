/**
 * Body plans: drawn animals of no particular kind to begin a piece from, in thousandths of their length, with the areas
 * makers usually tell apart and the sizes usual for them. The plans are data; their proportions are ours.
 */
import { z } from 'zod';
import { proportionSchema, type Proportion } from '@/core/form/proportions';
import { name } from '@/core/piece/fields';
import { areaSchema, pieceSchema } from '@/core/piece/schema';
import curled from './curled-quadruped.json';
import bird from './perching-bird.json';
import grazer from './long-necked-grazer.json';
import proportions from './proportions.json';
import relief from './relief-picture.json';
import sitting from './sitting-quadruped.json';
import standing from './standing-quadruped.json';
import swimming from './swimming-quadruped.json';
import upright from './upright-quadruped.json';

const form = pieceSchema.shape.form.shape;

const bodyPlanSchema = z.strictObject({
  id: form.plan,
  name: name('Body plan'),
  /** What it is, in a line. */
  says: name('Body plan', 200),
  finishedLengthMm: form.finishedLengthMm,
  lifeLengthMm: form.lifeLengthMm,
  measuredBy: form.measuredBy,
  parts: form.parts,
  pose: form.pose,
  /** Hunters look ahead, grazers to the sides. */
  eyes: z.enum(['ahead', 'aside']),
  areas: z.array(areaSchema.pick({ id: true, name: true, where: true, strokes: true })),
  /** Parts made flat and apart from the start. */
  flatFelt: z.array(form.plan),
  /** Areas that begin with a short coat, as long fur would swallow them, and those that are felted smooth. */
  short: z.array(form.plan),
  smooth: z.array(form.plan).default([]),
  /** Areas that begin with felted feathers. */
  feathered: z.array(form.plan).default([]),
  /** Parts that are a wrapped wire. */
  wrapped: z.array(form.plan).default([]),
  /** How it is changed toward its kind, many parts together. */
  proportions: z.enum(['quadruped', 'bird']),
  /** A tail felted flat is too thin for a wire. */
  tailWire: z.boolean().default(true),
});

type BodyPlan = z.infer<typeof bodyPlanSchema>;

const SETS = z.record(bodyPlanSchema.shape.proportions, z.array(proportionSchema)).parse(proportions);

/** What an animal drawn in this plan is changed by toward its kind; what its parts have nothing of is left out. */
export const proportionsOf = (plan: BodyPlan): readonly Proportion[] =>
  SETS[plan.proportions].filter((p) => plan.parts.some((x) => x.id === p.moves[0]!.parts[0]));

export const BODY_PLANS: readonly BodyPlan[] = [standing, sitting, curled, upright, swimming, grazer, bird, relief].map(
  (p) => bodyPlanSchema.parse(p),
);

/** @throws when there is no such plan */
export function bodyPlan(id: string): BodyPlan {
  const plan = BODY_PLANS.find((p) => p.id === id);
  if (!plan) throw new Error(`no body plan is called ${id}`);
  return plan;
}
