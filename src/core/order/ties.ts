/** What must come before what: every tie with its reason, its strength and the choice behind it. */
import type { Operation, TieChoice } from '@/core/stage';
import { say, type Text } from '@/core/text';
import type { Work } from '@/core/piece/work';

export interface Tie {
  readonly before: string;
  readonly after: string;
  readonly why: Text;
  /** Infinity where it cannot be otherwise; what can be let go is let go weakest first. */
  readonly strength: number;
  readonly choice?: TieChoice;
  readonly orderOnly?: boolean;
  /** Which of the moves by hand asks for it. */
  readonly move?: number;
}

/** Moved by hand: the first to be let go. */
const MOVED = -1;

/** Ties of operations to operations that exist, in the order of the operations. */
export function tiesOf(operations: readonly Operation[], moves: Work['moves'] = []): Tie[] {
  const known = new Set(operations.map((o) => o.id));
  const asked = operations.flatMap((o) =>
    o.after
      .filter((a) => known.has(a.id) && a.id !== o.id)
      .map(({ id, ...rest }): Tie => ({ before: id, after: o.id, ...rest })),
  );
  const moved = moves.flatMap((m, move): Tie[] => {
    if (!known.has(m.operation) || !known.has(m.other) || m.operation === m.other) return [];
    const [before, after] = m.place === 'before' ? [m.operation, m.other] : [m.other, m.operation];
    return [{ before, after, why: say`You moved it there.`, strength: MOVED, move }];
  });
  return [...asked, ...moved];
}
