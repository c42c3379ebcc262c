/** The eyes, both together at every step, and the fur that has to wait for them. */
import { decided, type Decision } from '@/core/decision';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { madeReady } from '@/core/materials';
import { ref } from '@/core/ref';
import type { Material, Operation, StepTie } from '@/core/stage';
import { say } from '@/core/text';
import { CALLIPERS, GLUE } from '@/core/tools';
import {
  atFace,
  JOINED,
  NOSE_FIRST,
  step,
  TRIED,
  type FaceSteps,
  type FaceWorkInput,
  type StepOfFace,
} from '@/core/face/face-step';
import { woolOfEyes } from '@/core/face/face-wool';

/** Fur that comes so near the edge of an eye is laid round it, mm. Ours. */
const ROUND = 5;

const THE_EYES: Decision = { what: 'the eyes', at: [['face', 'eyes']], but: ['lids', 'at', 'other'] };
export const EYE_PLACES = decided('the place of the eyes', ['face', 'eyes', 'at'], ['face', 'eyes', 'other']);

export function eyeSteps(x: FaceWorkInput): FaceSteps {
  const { face, eyes, coat } = x;
  const operations: Operation[] = [];
  const ties: StepTie[] = [];
  const put = (o: StepOfFace) => void operations.push(step(x, o));
  const eyesAt = eyes.places.map((e) => e.at);
  // Eyes: both together at every step.
  const spec = EYE_SPECS[face.eyes.kind];
  const mass = 2 * (eyes.wool?.each.value ?? 0) * (eyes.places.length / 2);
  const made = spec.make && spec.made === 'wool';
  const wool = woolOfEyes(face.eyes, { ...eyes, lotId: eyes.wool?.lotId ?? null }, mass);
  /** Made first and set then, or laid in as they are set. */
  const eyeMaterials = (what: (typeof eyes.steps)[number]['what']): Material[] =>
    what === (made ? 'make' : 'set') ? wool : what === 'set' ? madeReady(wool) : [];
  const stock = x.cupboard.eyes.find((e) => e.id === face.eyes.stockId);
  const eyeTools = [CALLIPERS, ...(stock ? [say`${stock.name}`] : []), ...(face.eyes.kind === 'stem' ? [GLUE] : [])];
  for (const s of eyes.steps) {
    const id = `face-eyes-${s.what}`;
    put({
      id,
      about: ref('feature', 'eyes'),
      beforeEyes: true,
      tools: eyeTools,
      // Eyes can be made before anyone knows where they sit.
      restsOn: s.what === 'make' ? [THE_EYES] : [THE_EYES, EYE_PLACES],
      does: s.says,
      kind: s.what === 'make' ? 'make' : 'set',
      materials: eyeMaterials(s.what),
      needlework:
        spec.made === 'bought'
          ? null
          : atFace(x, 'surface', eyesAt, s.atNeedle, 1, face.eyes.sizeMm, eyes.wool?.lotId ?? null),
      work: s.work,
      ...(s.what === 'set' && face.eyes.kind === 'stem'
        ? {
            whole: true,
            wait: { minutes: x.hand.glueMinutes, says: say`The glue of the eyes sets; leave the head alone.` },
          }
        : s.what === 'make' && face.eyes.kind === 'rolled'
          ? { wait: { minutes: x.hand.dryMinutes, says: say`The wet-rolled eyes dry.` } }
          : {}),
      after:
        s.what === 'make'
          ? []
          : s.what === 'seat'
            ? [JOINED, NOSE_FIRST]
            : [
                ...(face.eyes.kind === 'stem' ? [TRIED] : []),
                {
                  id: 'face-eyes-seat',
                  why:
                    face.eyes.kind === 'stem'
                      ? say`A dry fit before the glue.`
                      : say`The sockets are pressed in first.`,
                  strength: Infinity,
                },
                ...(spec.make
                  ? [{ id: 'face-eyes-make', why: say`Both eyes are made first.`, strength: Infinity }]
                  : []),
              ],
      caution: spec.caution,
    });
  }
  // Fur round the eyes is laid once they are in.
  const around = new Set([
    ...(eyes.around ? [eyes.around.areaId] : []),
    ...eyes.fur.filter((f) => f.fibreMm < eyes.discMm / 2 + ROUND).map((f) => f.areaId),
  ]);
  for (const a of coat.areas) {
    if (!a.fur || !around.has(a.id)) continue;
    ties.push({
      operationId: `lay-${a.id}`,
      after: { id: 'face-eyes-set', why: say`The eyes are in before fur is laid round them.`, strength: 1e5 },
    });
  }
  return { operations, ties };
}
