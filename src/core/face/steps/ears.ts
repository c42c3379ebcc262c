/** The ears: both tacked before either is fixed, before the coat or after it, as the school says. */
import { decided } from '@/core/decision';
import { outOf } from '@/core/materials';
import type { Face } from '@/core/piece/face';
import { ref } from '@/core/ref';
import type { Operation, TieChoice, StepTie } from '@/core/stage';
import { fine, grams, say } from '@/core/text';
import {
  atFace,
  eyesFirst,
  JOINED,
  laidFirst,
  LINE_MM,
  lotOf,
  NEEDLE_CAUTION,
  NOSE_FIRST,
  step,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';

const THE_EARS = decided('the ears', ['face', 'ears']);

/** Where the ears come in the order is a school; this is the other one. */
const earsChoice = (instead: Face['ears']['when']): TieChoice => ({
  school: say`${instead === 'before the coat' ? 'ears after the coat' : 'ears before the coat'}`,
  instead: {
    label: say`Seat the ears ${instead}`,
    effect: say`${instead === 'before the coat' ? 'the face is seen early' : 'they are not crushed while fur is laid'}`,
    changes: [{ path: ['face', 'ears', 'when'], value: instead }],
  },
});

export function earSteps(x: FaceWorkInput): FaceSteps {
  const { face, ears } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  if (ears) {
    const earsAt = ears.places.map((p) => p.at);
    const before = face.ears.when === 'before the coat';
    const flat = ears.flatId
      ? [{ id: `flat-${ears.flatId}`, why: say`The ears are felted flat first.`, strength: Infinity }]
      : [];
    put({
      id: 'face-ears-tack',
      about: ref('feature', 'ears'),
      restsOn: [THE_EARS],
      does: say`Place the first ear, fringe spread by ${fine(ears.fringe.value)}, and tack it; place the second by callipers from nose and eye, and tack it`,
      needlework: atFace(x, 'join', earsAt, 4 * ears.places.length, 1, LINE_MM, null),
      work: { ear: ears.places.length },
      after: [
        JOINED,
        { ...NOSE_FIRST, why: say`Ears are placed by nose and eyes.` },
        eyesFirst(say`Ears are placed by the eyes.`),
        ...flat,
        ...(before
          ? []
          : ears.near.map((n) => ({
              ...laidFirst(n.areaId, say`Ears after the coat, so that they are not crushed.`),
              choice: earsChoice('before the coat'),
            }))),
      ],
      caution: NEEDLE_CAUTION,
    });
    put({
      id: 'face-ears-fix',
      about: ref('feature', 'ears'),
      restsOn: [THE_EARS],
      does: say`Fix both ears and cover each joint with a collar of ${grams(ears.collar.value)} that smooths out`,
      needlework: atFace(x, 'join', earsAt, 5 * ears.places.length, 1.5, LINE_MM, x.core.lotId),
      materials: outOf(lotOf(x, x.core.lotId), ears.places.length * ears.collar.value, 'collar'),
      work: { ear: ears.places.length },
      after: [{ id: 'face-ears-tack', why: say`Both are tacked before either is fixed.`, strength: Infinity }],
      caution: say`A deep needle goes through a thin ear: hold it by its tip. ${NEEDLE_CAUTION}`,
    });
    if (before) {
      for (const n of ears.near) {
        ties.push({
          operationId: `lay-${n.areaId}`,
          after: {
            id: 'face-ears-fix',
            why: say`Ears before the coat, to see the face.`,
            strength: 1e5,
            choice: earsChoice('after the coat'),
          },
        });
      }
    }
  }
  return { operations, ties };
}
