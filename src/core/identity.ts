/**
 * A short name for an object that is remembered from plan to plan: the same object, the same name. What was made from it can
 * be kept under that name as long as it is not made anew.
 */
const names = new WeakMap<object, string>();
let count = 0;

export function nameOf(x: object): string {
  let n = names.get(x);
  if (n === undefined) names.set(x, (n = `#${++count}`));
  return n;
}
