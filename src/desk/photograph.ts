/** A photograph of how the piece stands: the picture is kept first, then the log says that it is there. */
import { pictureOfEntry, written } from './write-log';
import { savePicture } from './storage';
import { editPiece, say, useDesk } from './store';

/** @param operation the step in hand; what goes wrong is said. @returns whether it was kept */
export async function photographed(operation: string | null, picture: Blob): Promise<boolean> {
  const { piece, plan, view } = useDesk.getState();
  if (!piece) return false;
  const step = plan?.work.steps.find((s) => s.operation.id === operation)?.operation;
  const entries = written({
    kind: 'photo',
    areaId: step?.about.id ?? 'piece',
    operation: step?.id ?? null,
    seen: { yawDeg: Math.round(view.yaw), pitchDeg: Math.round(view.pitch) },
    words: '',
  });
  try {
    await savePicture(piece.id, pictureOfEntry(entries), picture);
  } catch (e) {
    say(`The picture could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}`);
    return false;
  }
  // Another piece may have come onto the desk meanwhile.
  if (useDesk.getState().piece?.id !== piece.id) return false;
  editPiece((d) => void d.log.push(...entries));
  return true;
}
