import { alike } from './alike';

/** What a value was made from, and the value. */
interface Held {
  readonly from: readonly unknown[];
  readonly value: unknown;
}

/** What of a memory can be stored and read back elsewhere: plain data, by slot. */
export type Lasting = readonly (readonly [slot: string, held: Held])[];

/** Numbers, words, lists, records and typed arrays, and nothing that does something. @param known what was found so far */
function isPlain(x: unknown, known: Map<object, boolean>): boolean {
  if (typeof x === 'function') return false;
  if (x === null || typeof x !== 'object' || ArrayBuffer.isView(x)) return true;
  const found = known.get(x);
  if (found !== undefined) return found;
  const kind: unknown = Object.getPrototypeOf(x);
  const inside: Iterable<unknown> | null =
    x instanceof Map
      ? [...x].flat()
      : x instanceof Set
        ? x
        : Array.isArray(x) || kind === Object.prototype || kind === null
          ? Object.values(x)
          : null;
  const plain = inside !== null && [...inside].every((v) => isPlain(v, known));
  known.set(x, plain);
  return plain;
}

/**
 * Remembers the last value of each slot with the objects it was made from. A plan asks for everything every time; what did not
 * change is taken from here. What is made sees nothing but what it is said to be made from (a test holds that), so no input
 * can be forgotten. Values are never changed after they are made.
 */
export class Memo {
  readonly #slots = new Map<string, Held>();
  readonly #asked = new Set<string>();
  /** How often something had to be made, by slot; tests read it. */
  readonly made = new Map<string, number>();

  /**
   * The value of a slot, made only where what it is made from is not what it was made from last.
   * @param from compared by identity first, then by content: equal parts that kept their object cost nothing
   */
  keep<A extends readonly unknown[], T>(slot: string, from: readonly [...A], make: (...from: A) => T): T {
    this.#asked.add(slot);
    const held = this.#slots.get(slot);
    if (held && alike(held.from, from)) return held.value as T;
    const value = make(...(from as unknown as A));
    this.#slots.set(slot, { from, value });
    this.made.set(slot, (this.made.get(slot) ?? 0) + 1);
    return value;
  }

  #beside: Memo | undefined;
  /** A memory of its own beside this one, for the same piece worked out otherwise: what is in it is never stored. */
  beside(): Memo {
    return (this.#beside ??= new Memo());
  }

  /** What a slot holds now, whatever it was made from. */
  last<A extends readonly unknown[], T>(slot: string): { readonly from: A; readonly value: T } | undefined {
    return this.#slots.get(slot) as { readonly from: A; readonly value: T } | undefined;
  }

  /** Lets go of what nobody has asked for since this was called last: of another piece, or of an area that is gone. */
  letGo(): void {
    for (const slot of this.#slots.keys()) if (!this.#asked.has(slot)) this.#slots.delete(slot);
    this.#asked.clear();
  }

  /** What can be stored of it, to be recalled by a program that works things out in the same way. */
  lasting(): Lasting {
    const known = new Map<object, boolean>();
    return [...this.#slots].filter(([, held]) => isPlain(held.from, known) && isPlain(held.value, known));
  }

  /** Takes back what was stored. @param over what is held now is of another piece, and makes way */
  recall(stored: Lasting, over = false): void {
    for (const [slot, held] of stored) if (over || !this.#slots.has(slot)) this.#slots.set(slot, held);
  }
}
