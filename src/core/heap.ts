/**
 * A queue of numbered things that gives the one of least key first, of equal keys the one of least number (binary heap). A
 * thing may stand in it more than once, under another key.
 */
export class Heap {
  readonly #things: number[] = [];
  readonly #keys: number[] = [];

  put(thing: number, key: number): void {
    const [things, keys] = [this.#things, this.#keys];
    let i = things.length;
    things.push(thing);
    keys.push(key);
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!this.#before(thing, key, up)) break;
      things[i] = things[up]!;
      keys[i] = keys[up]!;
      i = up;
    }
    things[i] = thing;
    keys[i] = key;
  }

  /** @returns -1 when nothing is left */
  take(): number {
    const [things, keys] = [this.#things, this.#keys];
    if (things.length === 0) return -1;
    const first = things[0]!;
    const thing = things.pop()!;
    const key = keys.pop()!;
    const n = things.length;
    if (n === 0) return first;
    let i = 0;
    for (;;) {
      let c = 2 * i + 1;
      if (c >= n) break;
      if (c + 1 < n && this.#before(things[c + 1]!, keys[c + 1]!, c)) c++;
      if (this.#before(thing, key, c)) break;
      things[i] = things[c]!;
      keys[i] = keys[c]!;
      i = c;
    }
    things[i] = thing;
    keys[i] = key;
    return first;
  }

  #before(thing: number, key: number, at: number): boolean {
    const k = this.#keys[at]!;
    return key < k || (key === k && thing < this.#things[at]!);
  }
}
