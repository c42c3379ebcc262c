/** Lids drawn over eyes that are set. */
import { decided } from '@/core/decision';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { add, scale } from '@/core/geometry/vec';
import { ref } from '@/core/ref';
import type { Operation, StepTie } from '@/core/stage';
import { fine, say } from '@/core/text';
import {
  atFace,
  eyesFirst,
  lotOf,
  NEEDLE_CAUTION,
  step,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';
import { ofLines } from '@/core/face/face-wool';
import { EYE_PLACES } from './eyes';

/** Lids are felted down so far outside the edge of the eye, mm. Ours. */
const EDGE_MM = 1.5;

export function lidSteps(x: FaceWorkInput): FaceSteps {
  const { face, eyes } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  const two = eyes.places.length > 1;
  const spec = EYE_SPECS[face.eyes.kind];
  const { lids } = face.eyes;
  if (face.eyes.kind !== 'closed' && lids.upper + lids.lower + lids.darkMm > 0) {
    put({
      id: 'face-lids',
      about: ref('feature', 'eyes'),
      restsOn: [decided('the lids', ['face', 'eyes', 'lids']), EYE_PLACES],
      does: say`Draw a little wool over ${two ? 'both eyes' : 'the eye'} from above${lids.lower > 0 ? ' and below' : ''}${lids.darkMm > 0 ? say`, with a dark line of ${fine(lids.darkMm)} beneath` : ''}; edges only, no fibre pointing into the eye`,
      passes:
        Math.abs(lids.innerMm) + Math.abs(lids.outerMm) > 0
          ? say`inner upper corner ${lids.innerMm >= 0 ? 'up' : 'down'} ${fine(Math.abs(lids.innerMm))}, outer lower corner ${lids.outerMm >= 0 ? 'down' : 'up'} ${fine(Math.abs(lids.outerMm))}`
          : null,
      materials: [lids.upper, lids.lower].flatMap((share) =>
        ofLines(
          lotOf(x, lids.lotId),
          eyes.places.length,
          (Math.PI / 2) * face.eyes.sizeMm,
          share * face.eyes.sizeMm,
          x.hand,
        ),
      ),
      needlework: atFace(
        x,
        'surface',
        // Along the edge of the eye, never over it.
        eyes.places.flatMap((e) => [1, -1].map((k) => add(e.at, scale(e.up, k * (face.eyes.sizeMm / 2 + EDGE_MM))))),
        10,
        0.6,
        face.eyes.sizeMm,
        lids.lotId,
      ),
      work: { faceLine: 1, compare: 1 },
      after: [eyesFirst(say`Lids close over eyes that are set.`)],
      caution:
        spec.made === 'bought'
          ? say`Slant the needle past the eye: one that meets glass or a stem breaks. ${NEEDLE_CAUTION}`
          : NEEDLE_CAUTION,
    });
  }
  return { operations, ties };
}
