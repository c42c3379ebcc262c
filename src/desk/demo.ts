/** The demo pieces and cupboard that ship with the app. */
import { alpacaCria, brownHare, cupboard as demoCupboard, kingfisher, pineMarten } from '../../demo/load';
import type { Coat } from '@/core/piece/coat';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';

export { demoCupboard };
export const demoPieces: readonly Piece[] = [pineMarten, alpacaCria, kingfisher, brownHare];

/** Every lot a coat draws on. */
const lotsOf = (c: Coat): string[] => {
  if (c.method === 'none') return [];
  if (c.method === 'strip' && c.anchorLotId !== null) return [c.lotId, c.anchorLotId];
  if (c.method === 'standing' && c.marking.kind !== 'none') return [c.lotId, c.marking.lotId];
  return [c.lotId];
};

/** The cupboard with the demo lots and wire a piece draws on, where they are missing. */
export function withDemoLots(cupboard: Cupboard, piece: Piece): Cupboard {
  const used = new Set(piece.areas.flatMap((a) => lotsOf(a.coat)));
  if (piece.core.lotId !== null) used.add(piece.core.lotId);
  const missing = demoCupboard.lots.filter((l) => used.has(l.id) && !cupboard.lots.some((m) => m.id === l.id));
  const wires = demoCupboard.wires.filter(
    (w) => w.id === piece.frame.wireId && !cupboard.wires.some((x) => x.id === w.id),
  );
  return missing.length + wires.length === 0
    ? cupboard
    : { ...cupboard, lots: [...cupboard.lots, ...missing], wires: [...cupboard.wires, ...wires] };
}
