/** What a window of the app consists of below its screens; bundled anew for each window, as a browser loads it (`windows.ts`). */
export { freshId, openPieceFile } from '@/desk/files';
export { beginAnew, goBack, keepCupboard, openCupboard, openPiece, putPieceBack, storeNow } from '@/desk/session';
export {
  loadEarlier,
  loadPiece,
  loadRemoved,
  loadShelf,
  loadThing,
  putBack,
  removePiece,
  savePiece,
  saveThing,
} from '@/desk/storage';
export { editCupboard, editHand, editPiece, redo, undo, useDesk } from '@/desk/store';
