/** The whole plan as JSON. Number arrays become plain lists, rounded to a hundredth of a micrometre. */
import type { Plan } from '@/core/plan';

export function planJson(plan: Plan): string {
  return JSON.stringify(plan, (_key, value: unknown) => {
    if (value instanceof Float64Array || value instanceof Float32Array) {
      return Array.from(value, (x) => Math.round(x * 1e5) / 1e5);
    }
    if (ArrayBuffer.isView(value) && !(value instanceof DataView)) return Array.from(value as Uint32Array);
    if (value === Infinity) return null;
    return value;
  });
}
