/** The mouth, from the middle to both sides. */
import { decided } from '@/core/decision';
import { ref } from '@/core/ref';
import type { Operation, StepTie } from '@/core/stage';
import { fine, say } from '@/core/text';
import {
  atFace,
  JOINED,
  LINE_MM,
  lotOf,
  NEEDLE_CAUTION,
  NOSE_FIRST,
  step,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';
import { ofLines } from '@/core/face/face-wool';

export function mouthSteps(x: FaceWorkInput): FaceSteps {
  const { face } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  if (x.mouth) {
    put({
      id: 'face-mouth',
      about: ref('feature', 'mouth'),
      restsOn: [decided('the mouth', ['face', 'mouth'])],
      does: say`Felt the mouth from the middle, one side then the other, ${fine(face.mouth.sideMm)} each over the skin, ${fine(face.mouth.thickMm)} thick in the middle tapering to ${fine(face.mouth.endMm)}`,
      passes:
        face.mouth.kind === 'lips'
          ? say`lower lip first, then the line, then the upper lip; corners lifted ${fine(face.mouth.liftMm)}`
          : say`corners lifted ${fine(face.mouth.liftMm)}; measure both halves with a thread`,
      materials: ofLines(
        lotOf(x, face.mouth.lotId),
        2,
        face.mouth.sideMm,
        (face.mouth.thickMm + face.mouth.endMm) / 2,
        x.hand,
      ),
      needlework: atFace(
        x,
        'line',
        x.mouth.halves.flatMap((h) => [h[0]!, h[Math.floor(h.length / 2)]!]),
        8,
        0.8,
        LINE_MM,
        face.mouth.lotId,
      ),
      work: { faceLine: face.mouth.kind === 'lips' ? 1.5 : 1 },
      after: [JOINED, { ...NOSE_FIRST, why: say`The mouth hangs from the nose.` }],
      caution: NEEDLE_CAUTION,
    });
  }
  return { operations, ties };
}
