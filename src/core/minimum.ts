/** The least value of a function with one valley, by golden section (Kiefer 1953). */
const GOLDEN = (Math.sqrt(5) - 1) / 2;

/** @returns where between a and b the function is least, after so many rounds; each leaves 0.618 of the stretch */
export function goldenSection(f: (x: number) => number, a: number, b: number, rounds: number): number {
  let [lo, hi] = [a, b];
  for (let i = 0; i < rounds; i++) {
    const x = hi - GOLDEN * (hi - lo);
    const y = lo + GOLDEN * (hi - lo);
    if (f(x) <= f(y)) hi = y;
    else lo = x;
  }
  return (lo + hi) / 2;
}
