/**
 * Wools pulled or carded together: the colour of an intimate blend from the reflectance of its parts and their shares of
 * the mass. Two schools: Stearns and Noechel 1944 (our first choice) and Friele 1952; both average a function of R and turn
 * it back. A blend pulled only a little stays streaky and mixes partly as light does. Constants from memory.
 */
import { BANDS } from '@/core/colour/observer';

export type BlendModel = 'stearns-noechel' | 'friele';

/** Constant of Stearns and Noechel for wool, and of Friele. From memory; the first is fitted to the maker's own blends. */
export const STEARNS_M = 0.15;
export const FRIELE_S = 0.28;
/** Bounds of a fitted constant; outside, a swatch says something else is wrong. Ours. */
export const M_RANGE = { least: 0.02, most: 0.6 } as const;

export interface BlendHow {
  readonly model: BlendModel;
  /** Constant of Stearns and Noechel. */
  readonly m: number;
  /** 1 pulled until even, 0 laid side by side. */
  readonly even: number;
}
/** Pulled further than this a blend counts as even. Ours. */
export const EVEN = 0.8;

export const usualBlend: BlendHow = { model: 'stearns-noechel', m: STEARNS_M, even: 1 };

/** Stearns and Noechel's function of R and its inverse. */
export const stearns = (r: number, m: number): number => (1 - r) / (m * (r - 0.01) + 0.01);
export const stearnsBack = (f: number, m: number): number => (1 - 0.01 * (1 - m) * f) / (1 + m * f);

/** Friele's function of R and its inverse. */
export const friele = (r: number, s: number): number => Math.exp((-s * (1 - r) ** 2) / (2 * r));
export function frieleBack(f: number, s: number): number {
  const q = -Math.log(f) / s;
  return 1 + q - Math.sqrt(q * q + 2 * q);
}

const LEAST_R = 1e-4;

/** One reflectance from several with shares that sum to 1. */
export function blendValue(values: readonly number[], shares: readonly number[], how: BlendHow): number {
  let sum = 0;
  let light = 0;
  for (let i = 0; i < values.length; i++) {
    const r = Math.max(LEAST_R, values[i]!);
    sum += shares[i]! * (how.model === 'friele' ? friele(r, FRIELE_S) : stearns(r, how.m));
    light += shares[i]! * r;
  }
  const even = how.model === 'friele' ? frieleBack(sum, FRIELE_S) : stearnsBack(sum, how.m);
  return how.even * even + (1 - how.even) * light;
}

interface BlendPart {
  readonly curve: ArrayLike<number>;
  /** Part of the mass; only the ratios count. */
  readonly parts: number;
}

/** The curve of a blend. @throws when there is nothing in it */
export function blendCurve(list: readonly BlendPart[], how: BlendHow = usualBlend): Float64Array {
  const used = list.filter((p) => p.parts > 0);
  const whole = used.reduce((s, p) => s + p.parts, 0);
  if (whole <= 0) throw new Error('A blend needs at least one wool with a part above 0');
  const shares = used.map((p) => p.parts / whole);
  const out = new Float64Array(BANDS);
  const values = new Array<number>(used.length);
  for (let k = 0; k < BANDS; k++) {
    for (let i = 0; i < used.length; i++) values[i] = used[i]!.curve[k]!;
    out[k] = blendValue(values, shares, how);
  }
  return out;
}
