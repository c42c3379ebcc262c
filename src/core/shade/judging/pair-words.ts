/** What is said of neighbours none of which is lost. */
import type { Judged } from './judged';

/** Those of the same colour are one on purpose and do not stand apart. */
export function neighboursApart(pairs: readonly Pick<Judged['pairs'][number], 'verdict'>[]): string {
  const same = pairs.filter((p) => p.verdict === 'same colour').length;
  if (same === 0) return 'Every pair of neighbours stands apart.';
  if (same === pairs.length) return 'All neighbours have the same colour.';
  return `${pairs.length - same} of ${pairs.length} pairs of neighbours stand apart; the others have the same colour.`;
}
