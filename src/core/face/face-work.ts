/**
 * Work of the face: nose before eyes, both eyes together, dry fit before glue, ears tacked before either is fixed, lids and
 * brows after, whiskers last of all. What of the coat has to wait for it, and the other way round.
 */
import { whiskerWork } from '@/core/face/features/whisker-work';
import { say } from '@/core/text';
import { eyesFirst, glueTrial, NOSE_FIRST, type FaceSteps, type FaceWorkInput } from './face-step';
import { browSteps } from './steps/brows';
import { earSteps } from './steps/ears';
import { eyeSteps } from './steps/eyes';
import { lidSteps } from './steps/lids';
import { mouthSteps } from './steps/mouth';
import { noseSteps } from './steps/nose';

/** Every feature makes its own steps. */
const FEATURES = [noseSteps, mouthSteps, eyeSteps, lidSteps, earSteps, browSteps];

export function faceWork(x: FaceWorkInput): FaceSteps {
  const made = FEATURES.map((steps) => steps(x));
  const before = [...glueTrial(x), ...made.flatMap((m) => m.operations)];
  const whiskers = whiskerWork(
    x,
    before.map((o) => o.id),
    [NOSE_FIRST, eyesFirst(say`Whiskers come after the eyes.`)],
  );
  return { operations: [...before, ...whiskers], ties: made.flatMap((m) => m.ties) };
}
