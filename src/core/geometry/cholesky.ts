/**
 * Sparse symmetric positive definite systems: factor once, solve many times.
 *
 * Ordering: geometric nested dissection (George 1973) from the vertex positions. Factor: L D L^T, row by row along the
 * elimination tree (Davis, "Algorithm 849: a concise sparse Cholesky factorization package", ACM TOMS 2005).
 */

/** Symmetric matrix by columns; both triangles are stored. `start` has length n + 1. */
interface SymmetricMatrix {
  readonly n: number;
  readonly start: Int32Array;
  readonly row: Int32Array;
  readonly value: Float64Array;
}

/** Sums entries (i, j, v) given for both triangles into columns with rising row numbers. */
export function symmetricFromEdges(
  n: number,
  edgeCount: number,
  ends: Uint32Array,
  weight: Float64Array,
  diagonal: Float64Array,
): SymmetricMatrix {
  const start = new Int32Array(n + 1);
  for (let v = 0; v < n; v++) start[v + 1] = 1;
  for (let e = 0; e < 2 * edgeCount; e++) start[ends[e]! + 1]!++;
  for (let v = 0; v < n; v++) start[v + 1]! += start[v]!;
  const row = new Int32Array(start[n]!);
  const value = new Float64Array(start[n]!);
  const next = start.slice(0, n);
  for (let v = 0; v < n; v++) {
    row[next[v]!] = v;
    value[next[v]!++] = diagonal[v]!;
  }
  for (let e = 0; e < edgeCount; e++) {
    const u = ends[2 * e]!;
    const v = ends[2 * e + 1]!;
    row[next[u]!] = v;
    value[next[u]!++] = weight[e]!;
    row[next[v]!] = u;
    value[next[v]!++] = weight[e]!;
  }
  return { n, start, row, value };
}

const LEAF = 32;

/** Elimination order by halving the widest direction; the vertices that part the halves come last. */
export function nestedDissection(m: SymmetricMatrix, positions: Float64Array): Int32Array {
  const order = new Int32Array(m.n);
  let at = m.n;
  const half = new Int8Array(m.n);
  const place = (set: number[]) => {
    for (let i = set.length - 1; i >= 0; i--) order[--at] = set[i]!;
  };
  const dissect = (set: number[]): void => {
    if (set.length <= LEAF) return place(set);
    let axis = 0;
    let widest = -1;
    for (let c = 0; c < 3; c++) {
      let lo = Infinity;
      let hi = -Infinity;
      for (const v of set) {
        lo = Math.min(lo, positions[3 * v + c]!);
        hi = Math.max(hi, positions[3 * v + c]!);
      }
      if (hi - lo > widest) {
        widest = hi - lo;
        axis = c;
      }
    }
    const sorted = Int32Array.from(set).sort((a, b) => positions[3 * a + axis]! - positions[3 * b + axis]! || a - b);
    const middle = sorted.length >> 1;
    sorted.forEach((v, i) => (half[v] = i < middle ? 1 : 2));
    const left: number[] = [];
    const right: number[] = [];
    const between: number[] = [];
    for (const v of set) {
      if (half[v] === 1) left.push(v);
      else {
        let touches = false;
        for (let k = m.start[v]!; k < m.start[v + 1]! && !touches; k++) touches = half[m.row[k]!] === 1;
        (touches ? between : right).push(v);
      }
    }
    for (const v of set) half[v] = 0;
    place(between);
    dissect(right);
    dissect(left);
  };
  dissect(Array.from({ length: m.n }, (_, i) => i));
  return order;
}

export interface Factor {
  readonly n: number;
  readonly order: Int32Array;
  readonly start: Int32Array;
  readonly row: Int32Array;
  readonly value: Float64Array;
  readonly pivot: Float64Array;
}

/** @throws when a pivot is not positive: the matrix is not positive definite */
export function factorise(m: SymmetricMatrix, order: Int32Array): Factor {
  const n = m.n;
  const inverse = new Int32Array(n);
  order.forEach((v, i) => (inverse[v] = i));
  const parent = new Int32Array(n).fill(-1);
  const flag = new Int32Array(n).fill(-1);
  const count = new Int32Array(n);
  for (let k = 0; k < n; k++) {
    flag[k] = k;
    const v = order[k]!;
    for (let p = m.start[v]!; p < m.start[v + 1]!; p++) {
      for (let i = inverse[m.row[p]!]!; i < k && flag[i] !== k; i = parent[i]!) {
        if (parent[i] === -1) parent[i] = k;
        count[i]!++;
        flag[i] = k;
      }
    }
  }
  const start = new Int32Array(n + 1);
  for (let k = 0; k < n; k++) start[k + 1] = start[k]! + count[k]!;
  const row = new Int32Array(start[n]!);
  const value = new Float64Array(start[n]!);
  const pivot = new Float64Array(n);
  const y = new Float64Array(n);
  const pattern = new Int32Array(n);
  const filled = new Int32Array(n);
  flag.fill(-1);
  for (let k = 0; k < n; k++) {
    let top = n;
    flag[k] = k;
    const v = order[k]!;
    for (let p = m.start[v]!; p < m.start[v + 1]!; p++) {
      let i = inverse[m.row[p]!]!;
      if (i > k) continue;
      y[i]! += m.value[p]!;
      let len = 0;
      for (; flag[i] !== k; i = parent[i]!) {
        pattern[len++] = i;
        flag[i] = k;
      }
      while (len > 0) pattern[--top] = pattern[--len]!;
    }
    let d = y[k]!;
    y[k] = 0;
    for (; top < n; top++) {
      const i = pattern[top]!;
      const yi = y[i]!;
      y[i] = 0;
      const from = start[i]!;
      const to = from + filled[i]!;
      for (let p = from; p < to; p++) y[row[p]!]! -= value[p]! * yi;
      const l = yi / pivot[i]!;
      d -= l * yi;
      row[to] = k;
      value[to] = l;
      filled[i]!++;
    }
    if (!(d > 0)) throw new Error('the system is not positive definite');
    pivot[k] = d;
  }
  return { n, order, start, row, value, pivot };
}

/** Solves for one right-hand side; returns a new array in the original numbering. */
export function solve(f: Factor, b: Float64Array): Float64Array {
  const { n, order, start, row, value, pivot } = f;
  const x = new Float64Array(n);
  for (let k = 0; k < n; k++) x[k] = b[order[k]!]!;
  for (let k = 0; k < n; k++) {
    const xk = x[k]!;
    for (let p = start[k]!; p < start[k + 1]!; p++) x[row[p]!]! -= value[p]! * xk;
  }
  for (let k = 0; k < n; k++) x[k]! /= pivot[k]!;
  for (let k = n - 1; k >= 0; k--) {
    let s = x[k]!;
    for (let p = start[k]!; p < start[k + 1]!; p++) s -= value[p]! * x[row[p]!]!;
    x[k] = s;
  }
  const out = new Float64Array(n);
  for (let k = 0; k < n; k++) out[order[k]!] = x[k]!;
  return out;
}
