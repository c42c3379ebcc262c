/** Whether two things are the same all the way down; parts that are one object are not looked into. */

type Numbers = ArrayLike<unknown> & { readonly constructor: unknown };

export const sameNumbers = (a: Numbers, b: Numbers): boolean => {
  if (a.constructor !== b.constructor || a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (!Object.is(a[i], b[i])) return false;
  return true;
};

/** Plain data only is looked into: numbers, words, lists, records, typed arrays. All else is alike where it is the same object. */
export function alike(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (a === null || b === null || typeof a !== 'object' || typeof b !== 'object') return false;
  if (ArrayBuffer.isView(a)) return ArrayBuffer.isView(b) && sameNumbers(a as never, b as never);
  const kind: unknown = Object.getPrototypeOf(a);
  if (kind !== Object.getPrototypeOf(b)) return false;
  if (Array.isArray(a)) return a.length === (b as unknown[]).length && a.every((x, i) => alike(x, (b as unknown[])[i]));
  if (kind !== Object.prototype && kind !== null) return false;
  const [old, now] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const keys = Object.keys(old);
  return keys.length === Object.keys(now).length && keys.every((k) => k in now && alike(old[k], now[k]));
}
