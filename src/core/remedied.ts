/** A piece and its cupboard with a remedy taken: the changes of the piece put at their paths, what came or was found entered in its lots. */
import { produce } from 'immer';
import type { Cupboard } from './piece/cupboard';
import type { Piece } from './piece/schema';
import type { Remedy } from './stage';

interface Remedied {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
}

/** Neither is looked through: whoever stores them sees whether they are valid. */
export function remedied(at: Remedied, { changes, enters = [] }: Pick<Remedy, 'changes' | 'enters'>): Remedied {
  const piece = produce(at.piece, (draft) => {
    for (const { path, value } of changes) {
      let into = draft as unknown as Record<string | number, unknown>;
      for (const key of path.slice(0, -1)) into = into[key] as Record<string | number, unknown>;
      into[path[path.length - 1]!] = value;
    }
  });
  const cupboard = produce(at.cupboard, (draft) => {
    for (const { lotId, moreG = 0, morePiles = [] } of enters) {
      const lot = draft.lots.find((l) => l.id === lotId);
      if (!lot) continue;
      lot.haveG += moreG;
      lot.piles.push(...morePiles);
    }
  });
  return { piece, cupboard };
}
