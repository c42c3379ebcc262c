/** A queue that gives the least of what is in it first (binary heap). */
export class Heap<T> {
  readonly #items: T[] = [];
  readonly #less: (a: T, b: T) => boolean;

  constructor(less: (a: T, b: T) => boolean) {
    this.#less = less;
  }

  get size(): number {
    return this.#items.length;
  }

  push(x: T): void {
    const h = this.#items;
    let i = h.push(x) - 1;
    while (i > 0) {
      const up = (i - 1) >> 1;
      if (!this.#less(h[i]!, h[up]!)) break;
      [h[i], h[up]] = [h[up]!, h[i]!];
      i = up;
    }
  }

  pop(): T | undefined {
    const h = this.#items;
    const top = h[0];
    const last = h.pop();
    if (h.length === 0 || last === undefined) return top;
    h[0] = last;
    for (let i = 0; ;) {
      let least = i;
      for (const k of [2 * i + 1, 2 * i + 2]) if (k < h.length && this.#less(h[k]!, h[least]!)) least = k;
      if (least === i) return top;
      [h[i], h[least]] = [h[least]!, h[i]!];
      i = least;
    }
  }
}
