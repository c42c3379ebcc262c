/** The value below which the given share (0 to 1) of the total weight lies. Both arrays have the same length. */
export function weightedPercentile(value: Float64Array, weight: Float64Array, share: number): number {
  const order = Uint32Array.from(value, (_, i) => i).sort((a, b) => value[a]! - value[b]!);
  let total = 0;
  for (const w of weight) total += w;
  let run = 0;
  for (const i of order) {
    run += weight[i]!;
    if (run >= share * total) return value[i]!;
  }
  return value.length > 0 ? value[order[order.length - 1]!]! : NaN;
}
