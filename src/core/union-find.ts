/** Things put together in groups (union-find with path halving): two are of one group when they have the same head. */
export class UnionFind {
  readonly #head: Int32Array;

  /** @param n things, numbered 0 to n - 1, each a group of its own */
  constructor(n: number) {
    this.#head = Int32Array.from({ length: n }, (_, i) => i);
  }

  /** @returns the number of one thing of its group, the same for all of them until the next joining */
  head(i: number): number {
    const h = this.#head;
    let at = i;
    while (h[at] !== at) at = h[at] = h[h[at]!]!;
    return at;
  }

  join(i: number, j: number): void {
    this.#head[this.head(i)] = this.head(j);
  }
}
