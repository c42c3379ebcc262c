/** Figures of a plan that are no numbers. */

/** Bounds that are none by design: how firmly a tie holds, how wide a lock may be where nothing is tight. */
const ENDLESS = new Set(['strength', 'widestMm']);
/** @returns where they are */
export function noNumbers(x: unknown, path = ''): string[] {
  if (typeof x === 'number') return Number.isFinite(x) ? [] : [`${path}: ${x}`];
  if (x === null || typeof x !== 'object') return [];
  if (ArrayBuffer.isView(x)) {
    const bad = (x as Float64Array).findIndex((n) => !Number.isFinite(n));
    return bad < 0 ? [] : [`${path}[${bad}]`];
  }
  return Object.entries(x).flatMap(([k, y]) => (ENDLESS.has(k) ? [] : noNumbers(y, `${path}.${k}`)));
}
