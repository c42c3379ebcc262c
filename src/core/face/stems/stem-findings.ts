/** Judgement of the stems: do they meet, come out, touch the wire, and the smallest change that clears them. */
import { ref } from '@/core/ref';
import type { Face } from '@/core/piece/face';
import type { Remedy } from '@/core/stage';
import { degrees, fine, say, type Text } from '@/core/text';
import { set, type Judging, type Put } from '@/core/face/judging';
import { STEM_ROOM, type StemChoice } from './stems';

export function ofStems({ face, plan }: Judging, put: Put): void {
  const { stems } = plan.eyes;
  if (!stems || stems.state.clear) return;
  const { state, clearing } = stems;
  const meets = state.gapMm !== null && state.gapMm < STEM_ROOM;
  const out = state.beyondMm < STEM_ROOM;
  const remedies: Remedy[] = clearing
    ? [
        {
          label: clearingWords(face.eyes.stem, clearing),
          effect: say`the smallest change that clears everything`,
          changes: [
            set(['eyes', 'stem', 'lengthMm'], clearing.lengthMm),
            set(['eyes', 'stem', 'inDeg'], clearing.inDeg),
            set(['eyes', 'stem', 'downDeg'], clearing.downDeg),
          ],
        },
      ]
    : [];
  const code = meets ? 'face-stems-meet' : out ? 'face-stems-out' : 'face-stems-wire';
  put({
    id: code,
    code,
    severity: (meets && state.gapMm! < 0) || state.beyondMm < 0 || state.wireMm < 0 ? 'stop' : 'caution',
    about: ref('feature', 'eyes'),
    says: meets
      ? state.gapMm! < 0
        ? say`The two stems meet inside the head.`
        : say`Only ${fine(state.gapMm!)} of wool is left between the stems.`
      : out
        ? state.beyondMm < 0
          ? say`The stems come out of the head again.`
          : say`Only ${fine(state.beyondMm)} of wool is left beyond the ends of the stems.`
        : state.wireMm < 0
          ? say`A stem runs into the wire.`
          : say`A stem passes the wire by only ${fine(state.wireMm)}.`,
    why: clearing
      ? say`At least ${fine(STEM_ROOM)} is wanted to each side.`
      : say`At least ${fine(STEM_ROOM)} is wanted, and no angle or shorter stem gives it here: sew beads on instead, or make wool eyes.`,
    remedies,
  });
}

function clearingWords(now: Face['eyes']['stem'], to: StemChoice): Text {
  const drill = say`rill ${degrees(to.inDeg)} in, ${degrees(to.downDeg)} down`;
  if (to.lengthMm === now.lengthMm) return say`D${drill}`;
  const turned = to.inDeg !== now.inDeg || to.downDeg !== now.downDeg;
  return turned ? say`Cut the stems to ${fine(to.lengthMm)} and d${drill}` : say`Cut the stems to ${fine(to.lengthMm)}`;
}
