/** The demo pieces and cupboard that ship with the app. */
import { alpacaCria, cupboard as demoCupboard, pineMarten } from '../../demo/load';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';

export { demoCupboard };
export const demoPieces: readonly Piece[] = [pineMarten, alpacaCria];

/** The cupboard with the demo lots a piece draws on, where they are missing. */
export function withDemoLots(cupboard: Cupboard, piece: Piece): Cupboard {
  const used = new Set(piece.areas.flatMap((a) => (a.coat.method === 'fold-over' ? [a.coat.lotId] : [])));
  const missing = demoCupboard.lots.filter((l) => used.has(l.id) && !cupboard.lots.some((m) => m.id === l.id));
  return missing.length === 0 ? cupboard : { ...cupboard, lots: [...cupboard.lots, ...missing] };
}
