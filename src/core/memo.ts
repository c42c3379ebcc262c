/**
 * Remembers the last value of each slot with what it was made from. A plan asks for everything every time; what did not
 * change is taken from here. Values are never changed after they are made.
 */
export class Memo {
  readonly #slots = new Map<string, { readonly key: string; readonly value: unknown }>();
  /** How often something had to be made, by slot; tests read it. */
  readonly made = new Map<string, number>();

  /** What a slot holds now, whatever it was made from. */
  last<T>(slot: string): { readonly key: string; readonly value: T } | undefined {
    return this.#slots.get(slot) as { readonly key: string; readonly value: T } | undefined;
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
