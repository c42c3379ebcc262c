interface Held {
  readonly key: string;
  readonly value: unknown;
}

/** What of a memory can be stored and read back elsewhere: plain data, by slot. */
export type Lasting = readonly (readonly [slot: string, held: Held])[];

/** Numbers, words, lists, records and typed arrays, and nothing that does something. */
function isPlain(x: unknown, seen: Set<object>): boolean {
  if (typeof x === 'function') return false;
  if (x === null || typeof x !== 'object' || seen.has(x)) return true;
  seen.add(x);
  if (ArrayBuffer.isView(x)) return true;
  if (x instanceof Map) return [...x].every(([k, v]) => isPlain(k, seen) && isPlain(v, seen));
  if (x instanceof Set) return [...x].every((v) => isPlain(v, seen));
  const kind: unknown = Object.getPrototypeOf(x);
  if (!Array.isArray(x) && kind !== Object.prototype && kind !== null) return false;
  return Object.values(x).every((v) => isPlain(v, seen));
}

/**
 * Remembers the last value of each slot with what it was made from. A plan asks for everything every time; what did not
 * change is taken from here. Values are never changed after they are made.
 */
export class Memo {
  readonly #slots = new Map<string, Held>();
  /** How often something had to be made, by slot; tests read it. */
  readonly made = new Map<string, number>();

  /** What a slot holds now, whatever it was made from. */
  last<T>(slot: string): { readonly key: string; readonly value: T } | undefined {
    return this.#slots.get(slot) as { readonly key: string; readonly value: T } | undefined;
  }

  /** What can be stored of it, to be recalled by a program that works things out in the same way. */
  lasting(): Lasting {
    const seen = new Set<object>();
    return [...this.#slots].filter(([, held]) => isPlain(held.value, seen));
  }

  /** Takes back what was stored. @param over what is held now is of another piece, and makes way */
  recall(stored: Lasting, over = false): void {
    for (const [slot, held] of stored) if (over || !this.#slots.has(slot)) this.#slots.set(slot, held);
  }

  keep<T>(slot: string, key: string, make: () => T): T {
    const held = this.#slots.get(slot);
    if (held && held.key === key) return held.value as T;
    const value = make();
    this.#slots.set(slot, { key, value });
    this.made.set(slot, (this.made.get(slot) ?? 0) + 1);
    return value;
  }
}
