/**
 * What a needle usually measures, until the maker lays a rule to it. From memory: blades by gauge (32: 0.75 mm to 46:
 * 0.35 mm); coarse ones have up to 6.4 mm from point to first barb, fine ones 3.2 mm; a crown's barbs sit level, close to the
 * point.
 */
import type { Needle } from './cupboard';

const THICK: readonly (readonly [number, number])[] = [
  [32, 0.75],
  [36, 0.6],
  [38, 0.55],
  [40, 0.5],
  [42, 0.45],
  [46, 0.35],
];

/** Between gauges in a straight line. */
export function usualThickness(gauge: number): number {
  const last = THICK.length - 1;
  const found = THICK.findIndex((_, k) => k < last && gauge <= THICK[k + 1]![0]);
  const i = found < 0 ? last - 1 : found;
  const [g0, t0] = THICK[i]!;
  const [g1, t1] = THICK[i + 1]!;
  const t = t0 + ((gauge - g0) / (g1 - g0)) * (t1 - t0);
  return Math.round(100 * Math.max(0.25, Math.min(1.2, t))) / 100;
}

type NeedleMeasures = Pick<Needle, 'thickMm' | 'tipMm' | 'barbs' | 'gapMm' | 'bladeMm' | 'measured'>;

export function usualNeedle({ gauge, section }: Pick<Needle, 'gauge' | 'section'>): NeedleMeasures {
  const thickMm = usualThickness(gauge);
  if (section === 'crown') return { thickMm, tipMm: 3, barbs: 1, gapMm: 1, bladeMm: 25, measured: false };
  const tipMm = gauge <= 34 ? 6.4 : gauge <= 36 ? 4.8 : gauge <= 39 ? 4 : 3.2;
  return { thickMm, tipMm, barbs: section === 'reverse' ? 2 : 3, gapMm: 6.3, bladeMm: 25, measured: false };
}

/**
 * A needle of another gauge or section. A name that only says the kind follows it; so do its measures, unless a rule was laid
 * to it.
 */
export function asKind(n: Needle, kind: Partial<Pick<Needle, 'gauge' | 'section'>>): Needle {
  const next = { ...n, ...kind };
  const named = n.name === `${n.gauge} ${n.section}`;
  return {
    ...next,
    ...(named ? { name: `${next.gauge} ${next.section}` } : {}),
    ...(n.measured ? {} : usualNeedle(next)),
  };
}

const MEASURED = ['thickMm', 'tipMm', 'barbs', 'gapMm', 'bladeMm'] as const;

/** A change made by the maker: another kind brings the usual measures of it, a measure set by hand is the maker's own. */
export function withNeedleChange(n: Needle, change: Partial<Needle>): Needle {
  const { gauge = n.gauge, section = n.section } = change;
  const kind = gauge === n.gauge && section === n.section ? n : asKind(n, { gauge, section });
  return { ...kind, ...(MEASURED.some((k) => k in change) ? { measured: true } : {}), ...change };
}
