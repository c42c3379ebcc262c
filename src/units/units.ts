/**
 * The edge where millimetres and grams become what the maker reads and types. Inside everything is mm, g, degrees and
 * minutes; here they are shown in the maker's units with no more digits than the work can use, and read back.
 */
import type { Quantity, QuantityKind, Text } from '@/core/text';

export interface Units {
  readonly length: 'mm' | 'in';
  readonly mass: 'g' | 'oz';
  /** Sign put before money; empty for none. */
  readonly currency: string;
}

export const metric: Units = { length: 'mm', mass: 'g', currency: '' };

const MM_PER_INCH = 25.4; // exact, by the 1959 international yard and pound agreement
const G_PER_OUNCE = 28.349523125; // exact, avoirdupois

/** Inches as a mixed fraction to the sixteenth: 1 5/8. */
function inches(mm: number): string {
  const sixteenths = Math.round((mm / MM_PER_INCH) * 16);
  if (sixteenths === 0) return mm > 0 ? 'under 1/16 in' : '0 in';
  const whole = Math.floor(sixteenths / 16);
  let top = sixteenths % 16;
  let bottom = 16;
  while (top > 0 && top % 2 === 0) {
    top /= 2;
    bottom /= 2;
  }
  const fraction = top > 0 ? `${top}/${bottom}` : '';
  return `${[whole > 0 || !fraction ? String(whole) : '', fraction].filter(Boolean).join(' ')} in`;
}

const fixed = (x: number, digits: number): string => {
  const s = x.toFixed(digits);
  return Number(s) === 0 ? (0).toFixed(digits) : s;
};

const half = (x: number): string => {
  const r = Math.round(x * 2) / 2;
  return Number.isInteger(r) ? String(r) : r.toFixed(1);
};

/** Minutes as hours and minutes: to the minute below ten, to five minutes above. */
export function time(min: number): string {
  if (min > 0 && min < 0.5) return 'under 1 min';
  if (min < 10) return `${Math.round(min)} min`;
  const five = Math.round(min / 5) * 5;
  if (five < 60) return `${five} min`;
  const h = Math.floor(five / 60);
  const m = five % 60;
  return m === 0 ? `${h} h` : `${h} h ${String(m).padStart(2, '0')}`;
}

/** Hours to the half below ten; minutes to five below an hour and a half. */
const roundTime = (min: number): { readonly n: number; readonly unit: 'h' | 'min' } => {
  if (min < 90) return { n: min < 10 ? Math.max(1, Math.round(min)) : Math.round(min / 5) * 5, unit: 'min' };
  const h = min / 60;
  return { n: h < 10 ? Math.round(h * 2) / 2 : Math.round(h), unit: 'h' };
};

/** A time nobody knows to the minute: "14 to 22 h, likely 17". */
export function timeSpan(s: { readonly low: number; readonly likely: number; readonly high: number }): string {
  if (s.high <= 0) return time(0);
  const [low, likely, high] = [roundTime(s.low), roundTime(s.likely), roundTime(s.high)];
  const from = low.unit === high.unit ? String(low.n) : `${low.n} ${low.unit}`;
  const most = likely.unit === high.unit ? String(likely.n) : `${likely.n} ${likely.unit}`;
  return low.n === high.n && low.unit === high.unit
    ? `about ${high.n} ${high.unit}`
    : `${from} to ${high.n} ${high.unit}, likely ${most}`;
}

interface Ends {
  readonly low: number;
  readonly high: number;
}

/** Both ends in one unit, the first without it; rounded as the figure itself, so that it lies between them. */
function endsOf(s: Ends, kind: QuantityKind, u: Units): readonly [string, string] {
  const shown =
    kind === 'mass' && s.low > 0 && s.low < 0.0995 ? milligrams : (value: number) => format({ kind, value }, u);
  const [low, high] = [shown(s.low), shown(s.high)];
  const unit = / [^\d\s]+$/.exec(low)?.[0];
  return [low !== high && unit && high.endsWith(unit) ? low.slice(0, -unit.length) : low, high];
}

/** What a figure may come to: "3.4 to 5.1 g"; the figure alone where both ends read alike. */
export function between(s: Ends, kind: QuantityKind, u: Units): string {
  const [low, high] = endsOf(s, kind, u);
  return low === high ? `about ${high}` : `${low} to ${high}`;
}

/** The same within a sentence: "between 3.4 and 5.1 g". */
export function betweenWords(s: Ends, kind: QuantityKind, u: Units): string {
  const [low, high] = endsOf(s, kind, u);
  return low === high ? `about ${high}` : `between ${low} and ${high}`;
}

/** Too little for a tenth of a gram: milligrams in two figures. */
const milligrams = (g: number): string => `${Number((g * 1000).toPrecision(2))} mg`;

function percent(x: number): string {
  if (x > 0.995 && x < 1) return 'over 99 %';
  return `${Math.round(x * 100)} %`;
}

const spacedUnit: Partial<Record<QuantityKind, string>> = {
  areal: 'mg/cm²',
  linear: 'mg/cm',
  fineness: 'micron',
  density: 'mg/cm³',
  rate: 'a minute',
  perCm: 'per cm',
};

export function format(q: Quantity, u: Units): string {
  const x = q.value;
  if (!Number.isFinite(x)) return 'not known';
  switch (q.kind) {
    case 'length':
      return u.length === 'in' ? inches(x) : `${x < 100 ? half(x) : Math.round(x)} mm`;
    case 'fine':
      if (u.length === 'in') return `${fixed(x / MM_PER_INCH, 3)} in`;
      return `${Math.abs(x) < 20 ? fixed(x, Math.abs(x) < 0.3 ? 2 : 1).replace(/\.?0+$/, '') : half(x)} mm`;
    case 'rowLength':
      if (u.length === 'in') return x < 12 * MM_PER_INCH ? inches(x) : `${fixed(x / (12 * MM_PER_INCH), 1)} ft`;
      return x < 1000 ? `${Math.round(x / 10)} cm` : `${fixed(x / 1000, 1)} m`;
    case 'area':
      return u.length === 'in' ? `${fixed(x / MM_PER_INCH ** 2, 1)} in²` : `${fixed(x / 100, x < 1000 ? 1 : 0)} cm²`;
    case 'volume':
      return u.length === 'in' ? `${fixed(x / MM_PER_INCH ** 3, 1)} in³` : `${fixed(x / 1000, 0)} cm³`;
    case 'mass':
      if (x > 0 && x < 0.0995) return milligrams(x);
      if (u.mass === 'oz') return `${fixed(x / G_PER_OUNCE, 2)} oz`;
      return `${fixed(x, x < 100 ? 1 : 0)} g`;
    case 'time':
      return time(x);
    case 'share':
      return percent(x);
    case 'angle':
      return `${Math.round(x)}°`;
    case 'count':
      return String(Math.round(x));
    case 'money':
      return `${u.currency}${fixed(x, 2)}`;
    case 'price':
      return `${u.currency}${fixed(x, 2)} per 100 g`;
    case 'number':
      return fixed(x, Math.abs(x) < 1 ? 2 : 1).replace(/\.?0+$/, '');
    default:
      return `${fixed(x, 1).replace(/\.0$/, '')} ${spacedUnit[q.kind] ?? ''}`.trim();
  }
}

/** Rounded by more than this a part of a blend makes another recipe. Ours. */
const SAME_RECIPE = 0.025;

/**
 * Masses that belong together, parts of one blend: in as many figures as it takes that none is rounded to another recipe. One by
 * itself is said as any mass.
 */
export function masses(list: readonly number[], u: Units): string[] {
  if (list.length < 2) return list.map((value) => format({ kind: 'mass', value }, u));
  const small = list.some((x) => x > 0 && x < 0.0995);
  const [per, unit, usual] = small
    ? ([1000, 'mg', 0] as const)
    : u.mass === 'oz'
      ? ([1 / G_PER_OUNCE, 'oz', 2] as const)
      : ([1, 'g', list.every((x) => x >= 100) ? 0 : 1] as const);
  const off = (x: number, digits: number) => Math.abs(Number((x * per).toFixed(digits)) / (x * per) - 1);
  let digits: number = usual;
  while (digits < usual + 2 && list.some((x) => x > 0 && off(x, digits) > SAME_RECIPE)) digits++;
  return list.map((x) => `${fixed(x * per, digits)} ${unit}`);
}

/** A text with its quantities in the maker's units. */
export function words(t: Text, u: Units): string {
  return t.map((p) => (typeof p === 'string' ? p : format(p, u))).join('');
}

type Typed = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly says: string };

/** The unit a field of this kind is typed in. */
export function unitOf(kind: QuantityKind, u: Units): string {
  if (kind === 'length' || kind === 'fine' || kind === 'rowLength') return u.length;
  if (kind === 'mass') return u.mass;
  if (kind === 'angle') return '°';
  return spacedUnit[kind] ?? '';
}

/** A value as it stands in a field, without its unit. */
export function forField(kind: QuantityKind, value: number, u: Units): string {
  if (kind === 'length' && u.length === 'in') return inches(value).replace(/ in$/, '').replace('under ', '');
  if (kind === 'fine' && u.length === 'in') return fixed(value / MM_PER_INCH, 3);
  if (kind === 'mass' && u.mass === 'oz') return fixed(value / G_PER_OUNCE, 2);
  return String(Math.round(value * 100) / 100);
}

/** Reads "3.5", "3,5", "1 5/8", "1/2" or with a unit behind it ("12 mm", "0.5 in") into the inner unit. */
export function readField(text: string, kind: QuantityKind, u: Units): Typed {
  const m = /^\s*([-−])?(?:(\d+)\s+)?(?:(\d+)\/(\d+)|(\d*[.,]?\d+))\s*(mm|cm|in|"|g|oz|°|micron)?\s*$/.exec(text);
  const unit = m?.[6] === '"' ? 'in' : m?.[6];
  const expected = unitOf(kind, u);
  const says = `Write a number${expected ? ` in ${expected}` : ''}, such as ${u.length === 'in' && kind === 'length' ? '1 5/8' : '12.5'}`;
  // Only what may go either way is typed with a sign.
  const signed = kind === 'fine' || kind === 'angle';
  if (!m || (m[2] !== undefined && m[5] !== undefined) || (m[1] !== undefined && !signed)) return { ok: false, says };
  const size = m[5] !== undefined ? Number(m[5].replace(',', '.')) : Number(m[2] ?? 0) + Number(m[3]) / Number(m[4]);
  const value = m[1] === undefined ? size : -size;
  if (!Number.isFinite(value)) return { ok: false, says };
  const per: Record<string, number> = { mm: 1, cm: 10, in: MM_PER_INCH, g: 1, oz: G_PER_OUNCE };
  const lengthUnits = ['mm', 'cm', 'in'];
  const massUnits = ['g', 'oz'];
  if (kind === 'length' || kind === 'fine' || kind === 'rowLength') {
    if (unit && !lengthUnits.includes(unit)) return { ok: false, says };
    return { ok: true, value: value * per[unit ?? u.length]! };
  }
  if (kind === 'mass') {
    if (unit && !massUnits.includes(unit)) return { ok: false, says };
    return { ok: true, value: value * per[unit ?? u.mass]! };
  }
  if (unit && unit !== expected) return { ok: false, says };
  return { ok: true, value };
}
