/**
 * What came anew from the worker put beside what is shown: every part that is equal keeps its object, so that only what
 * really changed is drawn again.
 */
import { sameNumbers } from './alike';

/**
 * @param was plain data that is shown
 * @param now fresh plain data; its records and lists are filled with the equal parts of `was`
 * @returns `was` itself where all of it is equal, otherwise `now`
 */
export function shared<T>(was: unknown, now: T, done = new Map<object, unknown>()): T {
  if (Object.is(was, now)) return now;
  if (was === null || now === null || typeof was !== 'object' || typeof now !== 'object') return now;
  // A part reached twice is decided once.
  if (done.has(now)) return done.get(now) as T;
  done.set(now, now);
  const keep = (equal: boolean): T => {
    if (equal) done.set(now as object, was);
    return (equal ? was : now) as T;
  };
  if (ArrayBuffer.isView(was) || ArrayBuffer.isView(now)) {
    return keep(ArrayBuffer.isView(was) && ArrayBuffer.isView(now) && sameNumbers(was as never, now as never));
  }
  if (Array.isArray(was) !== Array.isArray(now) || was instanceof Map || now instanceof Map) return now;
  if (was instanceof Set || now instanceof Set) return now;
  const old = was as Record<string, unknown>;
  const fresh = now as Record<string, unknown>;
  const keys = Object.keys(fresh);
  let equal = keys.length === Object.keys(old).length;
  for (const k of keys) {
    const before = old[k];
    const after = shared(before, fresh[k], done);
    fresh[k] = after;
    if (!Object.is(before, after) || !(k in old)) equal = false;
  }
  return keep(equal);
}
