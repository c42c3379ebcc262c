/** Changes of the shade as one step to undo each. */
import type { Piece } from '@/core/piece/schema';
import type { AreaShade, PieceMarking } from '@/core/piece/shade';
import { changeMarking } from '@/core/shade/shade-edits';
import { editPiece } from '@/desk/store';
import { useDesk } from '@/desk/store';

/** While a slider is held the piece is changed as it is; a whole check comes with `changePiece`. */
export const editShade = (areaId: string, recipe: (s: AreaShade) => AreaShade): void =>
  editPiece((d) => {
    const a = d.areas.find((x) => x.id === areaId);
    if (a) a.shade = recipe(a.shade as AreaShade);
  });

export const editMarking = (marking: PieceMarking): void =>
  editPiece((d) => {
    d.markings = changeMarking(d as Piece, marking).markings;
  });

/** Wool a new layer begins with: one that differs from the coat, else any. */
export function firstLot(preferPale = false) {
  const { cupboard, piece, view } = useDesk.getState();
  const coat = piece?.areas.find((a) => a.id === view.areaId)?.coat;
  const own = coat && coat.method !== 'none' ? coat.lotId : null;
  const others = cupboard.lots.filter((l) => l.id !== own && l.haveG > 0);
  const list = others.length > 0 ? others : cupboard.lots;
  if (!preferPale) return list[0] ?? null;
  return [...list].sort((a, b) => (a.colour < b.colour ? 1 : -1))[0] ?? null;
}
