/**
 * What a place of an area looks like: the seen colour, and the strands it is made of, each in its own colour, so that the
 * strands together are the seen colour. Places with nearly the same layers share a look; colours are linear light 0..1.
 */
import type { Triple } from '@/core/colour/lab';
import { linearOfCurve } from '@/core/colour/reflectance';
import { linearOf } from '@/core/colour/rgb';
import type { ReadyLayer } from './layers';
import { seenAfter, weights } from './stack';
import { bodyCurve } from '@/core/wool/wool-colour';

export interface Strand {
  /** Share of the strands. */
  readonly weight: number;
  readonly root: Triple;
  /** Colour of its tip where it differs. */
  readonly tip: Triple | null;
  readonly tipShare: number;
}

export interface Look {
  readonly seen: Triple;
  readonly strands: readonly Strand[];
}

/** How far a strand keeps the colour of its own wool; the rest is what shows through and round it. Ours. */
const OWN = 0.55;
const STEPS = 8;

const clamped = ([r, g, b]: Triple): Triple => [
  Math.max(0, Math.min(1, r)),
  Math.max(0, Math.min(1, g)),
  Math.max(0, Math.min(1, b)),
];

export function lookOf(ground: Float64Array, layers: readonly ReadyLayer[], fields: readonly number[]): Look {
  const stack = layers.map((l) => l.stack);
  const steps = seenAfter(ground, stack, fields);
  const seen = clamped(linearOfCurve(steps[steps.length - 1]!));
  const w = weights(stack, fields);
  const raw: { weight: number; root: Triple; tip: Triple | null; tipShare: number }[] = [];
  layers.forEach((l, i) => {
    const weight = w[i + 1]!;
    if (weight < 0.004) return;
    const mix = l.mix;
    if (mix && mix.parts.length === 1 && l.says === 'coat' && mix.parts[0]!.lot.tipColour !== null) {
      const { lot } = mix.parts[0]!;
      raw.push({ weight, root: linearOfCurve(bodyCurve(lot)), tip: linearOf(lot.tipColour!), tipShare: lot.tipShare });
      return;
    }
    if (mix && (mix.parts.length > 1 || mix.parts[0]!.lot.mottle.length > 0)) {
      // A streaky blend keeps its wools side by side; a mottled wool its colours.
      const streaks = mix.parts.flatMap((p) =>
        p.lot.mottle.length > 0
          ? [
              { share: p.share * (1 - p.lot.mottle.reduce((s, m) => s + m.share, 0)), hex: p.lot.colour },
              ...p.lot.mottle.map((m) => ({ share: p.share * m.share, hex: m.colour })),
            ]
          : [{ share: p.share, hex: p.lot.colour }],
      );
      const streaky = mix.parts.length > 1 ? 1 - mix.how.even : 0.6;
      if (streaky < 1)
        raw.push({ weight: weight * (1 - streaky), root: linearOfCurve(l.stack.curve), tip: null, tipShare: 0 });
      if (streaky > 0)
        for (const s of streaks)
          if (s.share > 0)
            raw.push({ weight: weight * streaky * s.share, root: linearOf(s.hex), tip: null, tipShare: 0 });
      return;
    }
    raw.push({ weight, root: linearOfCurve(l.stack.curve), tip: null, tipShare: 0 });
  });
  const whole = raw.reduce((s, x) => s + x.weight, 0);
  if (whole <= 0) return { seen, strands: [{ weight: 1, root: seen, tip: null, tipShare: 0 }] };
  // Each strand stands about the seen colour by a part of what sets its wool apart, so that the mean is what is seen.
  const meanOf = (x: (typeof raw)[number], k: number) =>
    x.tip ? (1 - x.tipShare) * x.root[k]! + x.tipShare * x.tip[k]! : x.root[k]!;
  const mean = [0, 1, 2].map((k) => raw.reduce((s, x) => s + (x.weight / whole) * meanOf(x, k), 0));
  const about = (c: Triple): Triple =>
    clamped([0, 1, 2].map((k) => seen[k]! + OWN * (c[k]! - mean[k]!)) as unknown as Triple);
  return {
    seen,
    strands: raw.map((x) => ({
      weight: x.weight / whole,
      root: about(x.root),
      tip: x.tip && about(x.tip),
      tipShare: x.tipShare,
    })),
  };
}

/** What is seen at a vertex, linear light 0..1. */
export function seenAt(f: ShadeField, v: number): Triple {
  const a = f.looks[f.a[v]!]!.seen;
  const t = f.t[v]!;
  if (t <= 0) return a;
  const b = f.looks[f.b[v]!]!.seen;
  return [a[0] + t * (b[0] - a[0]), a[1] + t * (b[1] - a[1]), a[2] + t * (b[2] - a[2])];
}

/** The look most places of an area have. */
export function mainLook(f: Pick<ShadeField, 'looks' | 'a'>): number {
  const count = new Uint32Array(f.looks.length);
  for (const l of f.a) count[l]!++;
  let best = 0;
  count.forEach((c, l) => c > count[best]! && (best = l));
  return best;
}

/** A field in steps of an eighth, so that places nearly alike share a look. */
export const stepped = (f: number): number => Math.round(f * STEPS);
export const unstepped = (s: number): number => s / STEPS;

/** Looks over an area: for every vertex one, and a share of another it runs into. */
export interface ShadeField {
  readonly looks: readonly Look[];
  readonly a: Uint16Array;
  readonly b: Uint16Array;
  /** Share of b. */
  readonly t: Float32Array;
}
