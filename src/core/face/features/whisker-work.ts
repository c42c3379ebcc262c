/**
 * Work of the whiskers: short dashes where they root, glue tried on a spare piece, the thread needled through. Last of all:
 * nothing is laid, trimmed or turned over after them.
 */
import { GLUE } from '@/core/tools';
import { ref } from '@/core/ref';
import { decided, the } from '@/core/decision';
import type { After, Operation } from '@/core/stage';
import { count, fine, mm, rowMm, say, type Text } from '@/core/text';
import {
  atFace,
  GLUE_CAUTION,
  LINE_MM,
  lotOf,
  NEEDLE_CAUTION,
  step,
  TRIED,
  type FaceWorkInput,
} from '@/core/face/face-step';
import { ofLines } from '@/core/face/face-wool';

const theWhiskers = (id: string) => decided('the whiskers', ['face', 'whiskers', the(id)]);

/** A dash where a whisker roots, mm. Ours. */
const DASH = { longMm: 2, thickMm: 0.6 };

/** One length where all are about as long, else from the shortest to the longest. */
const fromTo = (r: { readonly leastMm: number; readonly mostMm: number }): Text =>
  r.mostMm - r.leastMm < 1 ? say`${mm(r.mostMm)}` : say`${mm(r.leastMm)} to ${mm(r.mostMm)}`;

/**
 * @param faceIds steps of the face so far
 * @param first what of it must be done in any case
 */

export function whiskerWork(x: FaceWorkInput, faceIds: readonly string[], first: readonly After[]): Operation[] {
  const operations: Operation[] = [];
  const everything = x.coatWork.map((id) => ({
    id,
    why: say`Whiskers come last, when all fur lies and is trimmed.`,
    strength: Infinity,
    orderOnly: true,
  }));
  x.whiskers.forEach((w, i) => {
    const decided = x.face.whiskers[i]!;
    const after: After[] = [
      ...first,
      ...faceIds
        .filter((id) => ['face-mouth', 'face-lids', 'face-brows', 'face-ears-fix'].includes(id))
        .map((id) => ({
          id,
          why: say`Whiskers come last of the face: they stand in the way.`,
          strength: Infinity,
          orderOnly: true,
        })),
      ...everything,
    ];
    if (decided.dashLotId !== null) {
      operations.push(
        step(x, {
          id: `face-dashes-${w.id}`,
          about: ref('whiskers', w.id),
          restsOn: [theWhiskers(w.id)],
          does: say`Felt short dark dashes in ${count(Math.min(decided.rows, decided.perSide))} rows where ${w.name} root, ${fine(decided.alongMm)} apart`,
          materials: ofLines(lotOf(x, decided.dashLotId), w.whiskers.length, DASH.longMm, DASH.thickMm, x.hand),
          needlework: atFace(
            x,
            'line',
            w.whiskers.slice(0, 8).map((h) => h.root),
            3,
            0.4,
            LINE_MM,
            decided.dashLotId,
          ),
          work: { wisp: w.whiskers.length },
          after: [...after],
          caution: NEEDLE_CAUTION,
        }),
      );
      after.push({
        id: `face-dashes-${w.id}`,
        why: say`Dashes lie before whiskers stand in the way.`,
        strength: Infinity,
      });
    }
    if (decided.glue !== 'none') after.push(TRIED);
    operations.push(
      step(x, {
        id: `face-whiskers-${w.id}`,
        about: ref('whiskers', w.id),
        restsOn: [theWhiskers(w.id)],
        kind: 'thread',
        tools: [
          say`${x.cupboard.threads.find((t) => t.id === decided.threadId)?.name ?? 'Whisker thread'}`,
          ...(decided.glue === 'none' ? [] : [GLUE]),
        ],
        does: say`Cut ${count(w.ways.length)} threads ${fromTo(w.cut)} long, together ${rowMm(w.need.value)}, straighten them and needle ${w.name} through ${w.kind === 'brow whiskers' ? 'from the brow out under the chin' : 'from side to side'}, ${count(decided.passes)} passes each at different angles; at the end trim what shows to ${fromTo(w.shows)}`,
        passes:
          decided.glue === 'none'
            ? say`no glue; the passes hold it`
            : decided.glue === 'drawn in'
              ? say`a dot of glue on the thread, drawn in with the last pass`
              : say`a dab of glue at each root`,
        work: w.work,
        cutLengthMm: w.ways.length > 0 ? w.cut.mostMm : null,
        after,
        caution:
          decided.glue === 'none'
            ? say`Cut ends spring: look away as you snip. Straighten nylon only with the coolest iron, under a cloth.`
            : GLUE_CAUTION,
      }),
    );
  });
  return operations;
}
