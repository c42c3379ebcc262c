/** Holding a state of the piece to compare with, until it is let go or gone back to. */
import { editPiece, say, upToDate, useDesk } from './store';

/** @param picture the animal as it is seen now; null where it is not drawn */
export function hold(picture: string | null): void {
  const s = useDesk.getState();
  if (!s.piece || !s.plan || !upToDate(s)) return say('It is still being worked out; hold it when it is ready.');
  useDesk.setState({ held: { piece: s.piece, plan: s.plan, at: new Date().toISOString(), picture } });
}

export const letGo = (): void => useDesk.setState({ held: null });

/** The piece as it was held, as one change that can be undone. What was written down meanwhile stays. */
export function backToHeld(): void {
  const { held } = useDesk.getState();
  if (held) editPiece((d) => void Object.assign(d, { ...held.piece, log: d.log }));
}
