/** What a skin is made from: a field on a grid, and the sheets of its surface, one vertex a cell and sheet. */

/** Values of a field at the nodes of a grid, negative inside, and a way to ask it between them. */
export interface Grid {
  readonly h: number;
  readonly origin: readonly [number, number, number];
  /** Nodes each way; x runs fastest. */
  readonly n: readonly [number, number, number];
  readonly value: Float32Array;
  /** The field near a block of 8 nodes a side; blocks are numbered like nodes. */
  readonly within: (block: number) => (x: number, y: number, z: number) => number;
}

export interface Sheets {
  readonly positions: Float64Array;
  readonly quads: Uint32Array;
  readonly onMidline: Uint8Array;
  readonly block: Int32Array;
}
