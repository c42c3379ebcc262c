/** Median time of several runs after one that warms up, milliseconds. */
export function median(work: () => unknown, runs = 7): number {
  work();
  const t = Array.from({ length: runs }, () => {
    const a = performance.now();
    work();
    return performance.now() - a;
  });
  return t.sort((a, b) => a - b)[runs >> 1]!;
}
