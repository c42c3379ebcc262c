/** The nose: the guide for the eyes, easier before the muzzle is joined. */
import type { CorePlan } from '@/core/build/core-plan';
import { decided } from '@/core/decision';
import type { Face } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import { ref } from '@/core/ref';
import type { Operation, StepTie } from '@/core/stage';
import { fine, say } from '@/core/text';
import {
  atFace,
  JOINED,
  NEEDLE_CAUTION,
  step,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';
import { smallPartWool } from '@/core/face/face-wool';

/** Whether that part is joined to another one, so that the nose can be made before it is. */
export const noseApart = (piece: Piece, face: Face, core: CorePlan): boolean =>
  piece.form.parts.some((p) => p.id === face.nose.at.part && p.on !== null) &&
  core.parts.some((p) => p.id === face.nose.at.part);

const NOSE_WORDS: Readonly<Record<Face['nose']['kind'], string>> = {
  ball: 'Roll and felt a ball for the nose',
  'shaped pad': 'Shape a pad for the nose',
  'gathered disc': 'Gather a felt disc round its edge for the nose and sew it on',
  stitched: 'Stitch the nose',
  wool: 'Felt the nose straight on',
  beak: 'Felt the beak firm and close its seam',
};

/** Minutes (ours). */
const NOSE_WORK = { ball: 0.8, 'shaped pad': 1, 'gathered disc': 1.5, stitched: 1.6, wool: 0.7, beak: 1 } as const;
/** Of a usual nose, minutes at the needle. Ours. */
const AT_NEEDLE = 12;

export function noseSteps(x: FaceWorkInput): FaceSteps {
  const { face, piece } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  const small = (kind: string) => piece.smallParts.find((s) => s.kind === kind);
  // Nose: the guide for the eyes; easier before the muzzle is joined.
  const apart = face.nose.beforeJoin && noseApart(piece, face, x.core);
  const noseOf = small(face.nose.kind === 'beak' ? 'beak' : 'nose')?.recipe ?? [];
  const noseLot = noseOf[0]?.lotId ?? null;
  const noseG =
    face.nose.kind === 'beak' || face.nose.kind === 'stitched'
      ? 0
      : (((Math.PI / 6) * face.nose.widthMm * face.nose.highMm * Math.min(face.nose.widthMm, face.nose.highMm)) /
          1000) *
        (x.hand.coreDensityMgCm3['flat felt'].usual / 1000);
  put({
    id: 'face-nose',
    about: ref('feature', 'nose'),
    beforeEyes: true,
    restsOn: [decided('the nose', ['face', 'nose'])],
    does: say`${NOSE_WORDS[face.nose.kind]}, ${fine(face.nose.widthMm)} wide and ${fine(face.nose.highMm)} high; leave ${fine(face.nose.philtrumMm)} under it for the mouth`,
    passes:
      face.nose.nostrils === 'none'
        ? null
        : say`lower edge first, then the nostrils, ${fine(face.nose.nostrilsApartMm)} apart, then the join`,
    materials: smallPartWool(noseOf, noseG),
    needlework:
      face.nose.kind === 'stitched'
        ? null
        : atFace(x, 'surface', [x.nose.tip], AT_NEEDLE * NOSE_WORK[face.nose.kind], 2, face.nose.widthMm, noseLot),
    work: { nose: NOSE_WORK[face.nose.kind] },
    after: [
      apart ? { id: `core-${face.nose.at.part}`, why: say`The muzzle is felted first.`, strength: Infinity } : JOINED,
    ],
    caution:
      face.nose.kind === 'stitched' || face.nose.kind === 'gathered disc'
        ? say`Push the sewing needle against cork, not a finger.`
        : NEEDLE_CAUTION,
  });
  if (apart) {
    ties.push({
      operationId: 'core-join',
      after: {
        id: 'face-nose',
        why: say`The nose is easier before the muzzle is joined.`,
        strength: 1e6,
        choice: {
          school: say`make the nose before the muzzle is joined`,
          instead: {
            label: say`Make the nose after joining`,
            effect: say`it is made on the finished head`,
            changes: [{ path: ['face', 'nose', 'beforeJoin'], value: false }],
          },
        },
      },
    });
  }
  return { operations, ties };
}
