/**
 * Words with quantities in them. Core never turns a millimetre into a string: it says `say`Cut ${mm(62)} lengths`` and
 * whoever shows the words (screen, paper, terminal) puts the number in the maker's own units.
 */
export type QuantityKind =
  | 'length' // mm
  | 'fine' // mm, of the face and other small things: to a tenth
  | 'rowLength' // mm, shown in metres or yards
  | 'area' // mm2
  | 'volume' // mm3
  | 'mass' // g
  | 'areal' // mg/cm2
  | 'linear' // mg/cm
  | 'fineness' // micrometres
  | 'time' // minutes
  | 'share' // 0..1, shown as percent
  | 'angle' // degrees
  | 'count'
  | 'density' // mg/cm3
  | 'rate' // per minute
  | 'perCm' // per cm
  | 'money' // in the maker's currency
  | 'price' // per 100 g
  | 'number';

export interface Quantity {
  readonly kind: QuantityKind;
  readonly value: number;
}

export type Text = readonly (string | Quantity)[];

/** Template tag: plain words stay words, quantities stay quantities. */
export function say(words: TemplateStringsArray, ...parts: readonly (string | number | Quantity | Text)[]): Text {
  const out: (string | Quantity)[] = [];
  const push = (x: string | Quantity) => {
    const last = out.length - 1;
    if (typeof x === 'string' && typeof out[last] === 'string') out[last] = (out[last] as string) + x;
    else if (x !== '') out.push(x);
  };
  words.forEach((w, i) => {
    push(w);
    const p = parts[i];
    if (p === undefined) return;
    if (Array.isArray(p)) (p as Text).forEach(push);
    else push(typeof p === 'number' ? String(p) : (p as string | Quantity));
  });
  return out;
}

/** Several things in one sentence: a, b and c. */
export const joined = (list: readonly Text[]): Text =>
  list.flatMap((x, i): Text => (i === 0 ? x : [i === list.length - 1 ? ' and ' : ', ', ...x]));

const of =
  (kind: QuantityKind) =>
  (value: number): Quantity => ({ kind, value });

export const mm = of('length');
/** Of the face and other small things: a tenth of a millimetre counts. */
export const fine = of('fine');
export const rowMm = of('rowLength');
export const mm2 = of('area');
export const grams = of('mass');
export const mgCm2 = of('areal');
export const mgCm = of('linear');
export const microns = of('fineness');
export const minutes = of('time');
export const share = of('share');
export const degrees = of('angle');
export const count = of('count');
export const money = of('money');
