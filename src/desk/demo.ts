/** The demo pieces and cupboard that ship with the app. */
import { alpacaCria, brownHare, cupboard as demoCupboard, kingfisher, pineMarten } from '../../demo/load';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';

export { demoCupboard };
export const demoPieces: readonly Piece[] = [pineMarten, alpacaCria, kingfisher, brownHare];

/** The cupboard with the demo lots and wire a piece draws on, where they are missing. */
export function withDemoLots(cupboard: Cupboard, piece: Piece): Cupboard {
  const used = new Set(piece.areas.flatMap((a) => (a.coat.method === 'fold-over' ? [a.coat.lotId] : [])));
  if (piece.core.lotId !== null) used.add(piece.core.lotId);
  const missing = demoCupboard.lots.filter((l) => used.has(l.id) && !cupboard.lots.some((m) => m.id === l.id));
  const wires = demoCupboard.wires.filter(
    (w) => w.id === piece.frame.wireId && !cupboard.wires.some((x) => x.id === w.id),
  );
  return missing.length + wires.length === 0
    ? cupboard
    : { ...cupboard, lots: [...cupboard.lots, ...missing], wires: [...cupboard.wires, ...wires] };
}
