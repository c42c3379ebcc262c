/**
 * Work of the whiskers: short dashes where they root, glue tried on a spare piece, the thread needled through. Last of all:
 * nothing is laid, trimmed or turned over after them.
 */
import type { After, Operation } from '@/core/stage';
import { count, fine, rowMm, say } from '@/core/text';
import { atFace, GLUE_CAUTION, NEEDLE_CAUTION, step, type FaceWorkInput } from './face-step';

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
          does: say`Felt short dark dashes in ${count(Math.min(decided.rows, decided.perSide))} rows where ${w.name} root, ${fine(decided.alongMm)} apart`,
          lotId: decided.dashLotId,
          needlework: atFace(
            x,
            'line',
            w.whiskers.slice(0, 8).map((h) => h.root),
            3,
            0.4,
            decided.dashLotId,
          ),
          minutes: Math.max(2, 0.3 * w.whiskers.length),
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
    if (decided.glue !== 'none') {
      operations.push(
        step(x, {
          id: `face-trial-${w.id}`,
          kind: 'check',
          does: say`Try the glue on a spare piece of the same wool and let it dry: it marks some wool for good`,
          minutes: 5,
          wait: { minutes: x.hand.glueMinutes, says: say`The glue on the trial piece dries.` },
          after: [],
          caution: GLUE_CAUTION,
        }),
      );
      after.push({
        id: `face-trial-${w.id}`,
        why: say`Glue is tried on a spare piece first.`,
        strength: Infinity,
        orderOnly: true,
      });
    }
    operations.push(
      step(x, {
        id: `face-whiskers-${w.id}`,
        kind: 'thread',
        does: say`Straighten ${count(w.ways.length)} lengths, together ${rowMm(w.need.value)}, and needle ${w.name} through ${w.kind === 'brow whiskers' ? 'from the brow out under the chin' : 'from side to side'}, ${count(decided.passes)} passes each at different angles; cut to ${fine(Math.min(...w.whiskers.map((h) => h.lengthMm)))} to ${fine(decided.longestMm)}`,
        passes:
          decided.glue === 'none'
            ? say`no glue; the passes hold it`
            : decided.glue === 'drawn in'
              ? say`a dot of glue on the thread, drawn in with the last pass`
              : say`a dab of glue at each root`,
        minutes: w.minutes,
        cutLengthMm: w.ways.length > 0 ? w.need.value / w.ways.length : null,
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
