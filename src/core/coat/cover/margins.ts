/**
 * The other way round, for every way of laying: how far the rows may be moved apart, how little wool, how short a fur
 * still covers well. What lies between these and the spec is the maker's margin. Lengths mm, masses in the unit of the
 * field they belong to.
 */
import type { FoldOver, Laid } from '@/core/piece/coat';
import type { QuantityKind } from '@/core/text';
import { LEAST_OVERLAP, overlap, WELL } from './cover';
import { edgeOf } from './enough';
import type { Spec, Way } from '@/core/coat/way';

export interface Margin {
  readonly what: string;
  readonly kind: QuantityKind;
  /** The limit that still covers; null where none does. */
  readonly limit: number | null;
  readonly now: number;
  /** Whether the limit is the most or the least the value may be. */
  readonly bound: 'at most' | 'at least';
}

interface Range {
  readonly key: string;
  readonly what: string;
  readonly kind: QuantityKind;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly want: 'largest' | 'smallest';
}

const SPACING: Range = {
  key: 'spacingMm',
  what: 'Rows apart',
  kind: 'length',
  least: 0.5,
  most: 60,
  step: 0.5,
  want: 'largest',
};
const LAY: Range = {
  key: 'layMgCm',
  what: 'Lay weight',
  kind: 'linear',
  least: 0.2,
  most: 120,
  step: 0.1,
  want: 'smallest',
};
const LENGTH: Range = {
  key: 'lengthMm',
  what: 'Length',
  kind: 'length',
  least: 3,
  most: 120,
  step: 0.5,
  want: 'smallest',
};
const AREAL: Range = {
  key: 'arealMgCm2',
  what: 'Weight',
  kind: 'areal',
  least: 0.2,
  most: 100,
  step: 0.1,
  want: 'smallest',
};

const RANGES: Readonly<Record<Laid['method'], readonly Range[]>> = {
  'fold-over': [SPACING, LAY, LENGTH],
  standing: [SPACING, LAY],
  locks: [
    { ...SPACING, what: 'Courses apart', least: 1, most: 120 },
    { ...LAY, key: 'lockMg', what: 'Lock weight, mg', kind: 'number', least: 0.5, most: 300, step: 0.5 },
  ],
  bows: [
    { ...SPACING, what: 'Courses apart' },
    { ...LAY, key: 'bowMg', what: 'Bow weight, mg', kind: 'number', least: 0.1, most: 60 },
  ],
  strip: [],
  wisps: [AREAL],
  pieces: [AREAL],
  sheet: [AREAL],
  velvet: [AREAL],
};

/** Every root under another row: counts for folded rows only, in others nothing shows but the base. */
const rootsHidden = (spec: Laid): boolean =>
  spec.method !== 'fold-over' ||
  overlap.of({ length: spec.lengthMm, lift: spec.liftDeg, spacing: spec.spacingMm }) >= LEAST_OVERLAP - 1e-9;

/** A change of one number, with what goes along: shorter fur keeps its ends on a mm of row, rows at the top their share. */
function changed(spec: Laid, key: string, value: number): Laid {
  if (spec.method === 'fold-over') {
    const f: FoldOver = spec;
    if (key === 'lengthMm') {
      const k = value / f.lengthMm;
      return {
        ...f,
        lengthMm: value,
        layMgCm: f.layMgCm * k,
        topLengthMm: f.topLengthMm === null ? null : f.topLengthMm * k,
      };
    }
    if (key === 'spacingMm') {
      const k = value / f.spacingMm;
      return { ...f, spacingMm: value, topSpacingMm: f.topSpacingMm === null ? null : f.topSpacingMm * k };
    }
  }
  return { ...spec, [key]: value } as Laid;
}

export function marginsOf(way: Way, s: Spec): Margin[] {
  return RANGES[s.spec.method].map((r): Margin => {
    const ok = (value: number) => {
      const spec = changed(s.spec, r.key, value);
      return rootsHidden(spec) && way.look({ ...s, spec }).cover.value >= WELL;
    };
    return {
      what: r.what,
      kind: r.kind,
      limit: edgeOf(r.least, r.most, r.step, ok, r.want),
      now: (s.spec as unknown as Record<string, number>)[r.key]!,
      bound: r.want === 'largest' ? 'at most' : 'at least',
    };
  });
}
