/** Changes of the shade as one step to undo each. */
import type { Piece } from '@/core/piece/schema';
import type { AreaShade, PieceMarking } from '@/core/piece/shade';
import { changeMarking, firstWool, type LayerKind } from '@/core/shade/shade-edits';
import { editPiece, useDesk } from '@/desk/store';

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

/** Wool a new layer begins with, for the area in hand. */
export function firstLot(kind: LayerKind = 'veil') {
  const { cupboard, piece, view } = useDesk.getState();
  const coat = piece?.areas.find((a) => a.id === view.areaId)?.coat;
  return firstWool(cupboard.lots, coat && coat.method !== 'none' ? coat.lotId : null, kind);
}
