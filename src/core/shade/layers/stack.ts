/**
 * A stack of layers of wool as it is seen: from the ground up, each layer a veil over what is below, flecks and raised
 * tufts a share of the surface. Every layer has a field, 0 to 1, that says how much of it there is at a place.
 */
import { blendValue, usualBlend } from '@/core/wool/blend';
import { veilCurve } from './veil';

export interface StackLayer {
  readonly id: string;
  /** Its own colour where nothing shows through. */
  readonly curve: Float64Array;
  /** Hiding layers where the field is 1; null for what takes a share of the surface. */
  readonly layers: number | null;
  /** Share of the surface where the field is 1. */
  readonly share: number;
  /** Worked into its surroundings so finely that it blends with them, or standing out in tufts. */
  readonly fine: boolean;
}

/** Share of a stretch that a layer is seen on, in front of what lies below. */
export const presence = (l: StackLayer, field: number): number =>
  l.layers === null ? l.share * field : 1 - Math.exp(-l.layers * field);

/** What is seen after a layer is put over a ground. */
export function over(l: StackLayer, ground: Float64Array, field: number): Float64Array {
  if (field <= 0) return ground;
  if (l.layers !== null) return veilCurve(l.curve, ground, l.layers * field);
  const p = l.share * field;
  return ground.map((g, i) =>
    l.fine ? blendValue([l.curve[i]!, g], [p, 1 - p], usualBlend) : p * l.curve[i]! + (1 - p) * g,
  );
}

/** Seen after the ground and after every layer; one more than there are layers. */
export function seenAfter(
  ground: Float64Array,
  stack: readonly StackLayer[],
  fields: readonly number[],
): Float64Array[] {
  const out = [ground];
  stack.forEach((l, i) => out.push(over(l, out[i]!, fields[i]!)));
  return out;
}

/** How much of the surface each layer, and first the ground, is seen on; sums to 1. */
export function weights(stack: readonly StackLayer[], fields: readonly number[]): number[] {
  const w = stack.map((l, i) => presence(l, fields[i]!));
  let left = 1;
  for (let i = w.length - 1; i >= 0; i--) {
    const here = w[i]! * left;
    left -= here;
    w[i] = here;
  }
  return [left, ...w];
}
