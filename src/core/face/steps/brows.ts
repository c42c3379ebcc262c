/** Brows, set by the eyes. */
import { decided } from '@/core/decision';
import { ref } from '@/core/ref';
import type { Operation, StepTie } from '@/core/stage';
import { fine, say } from '@/core/text';
import {
  atFace,
  eyesFirst,
  laidFirst,
  LINE_MM,
  lotOf,
  NEEDLE_CAUTION,
  step,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';
import { ofLines } from '@/core/face/face-wool';

export function browSteps(x: FaceWorkInput): FaceSteps {
  const { face, eyes, coat } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  const two = eyes.places.length > 1;
  if (face.brows) {
    const over =
      eyes.around && coat.areas.find((a) => a.id === eyes.around!.areaId)?.fur
        ? [laidFirst(eyes.around.areaId, say`Brows lie on the finished ground.`)]
        : [];
    put({
      id: 'face-brows',
      about: ref('feature', 'brows'),
      restsOn: [decided('the brows', ['face', 'brows'])],
      does: say`${two ? 'Felt both brows' : 'Felt the brow'}, ${fine(face.brows.lengthMm)} long, ${fine(face.brows.inMm)} thick inside and ${fine(face.brows.outMm)} outside, ${fine(face.brows.aboveMm)} above the eye`,
      materials: ofLines(
        lotOf(x, face.brows.lotId),
        x.brows.length,
        face.brows.lengthMm,
        (face.brows.inMm + face.brows.outMm) / 2,
        x.hand,
      ),
      needlework: atFace(
        x,
        'line',
        x.brows.map((b) => b.line[Math.floor(b.line.length / 2)]!),
        4,
        0.6,
        LINE_MM,
        face.brows.lotId,
      ),
      work: { faceLine: Math.max(1, eyes.places.length) / 2 },
      after: [eyesFirst(say`Brows are set by the eyes.`), ...over],
      caution: NEEDLE_CAUTION,
    });
  }
  return { operations, ties };
}
