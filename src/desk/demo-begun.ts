/** What comes with a demo that is half done: its photographs and the hand that worked it. */
import type { Piece } from '@/core/piece/schema';
import { demoHand, demoPhotographs } from './demo';
import { setAside } from './hands';
import { savePicture } from './storage';

/** A photograph that does not come is said where it is missed; the piece opens all the same. */
export async function bringBegun(piece: Piece): Promise<void> {
  await setAside(demoHand);
  await Promise.all(
    demoPhotographs(piece).map(async ({ entry, path }) => {
      const answer = await fetch(path).catch(() => null);
      if (answer?.ok) await savePicture(piece.id, entry, await answer.blob());
    }),
  );
}
