/** Wool the face takes, by lot: a nose blended from several, an eye of several layers by the area each is seen on. */
import type { Eyes } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import type { Operation } from '@/core/stage';
import type { Ladder } from './ladder';

export interface FaceDraw {
  readonly lotId: string;
  readonly massG: number;
}

/** Shares of a flat eye by the wool of its layers; they add up to 1 where every wool is chosen. */
export function layerShares(
  { layers: l }: Pick<Eyes, 'layers'>,
  ladder: Ladder,
  discMm: number,
): { lotId: string | null; share: number }[] {
  const all = discMm ** 2;
  const iris = l.iris === 'none' ? 0 : ladder.irisMm ** 2;
  const inner = ladder.innerMm === null ? 0 : ladder.innerMm ** 2;
  const pupil = ladder.pupilMm[0] * ladder.pupilMm[1];
  const light = (ladder.eyes[0]?.lights ?? []).reduce((s, x) => s + x.sizeMm ** 2, 0);
  return [
    { lotId: l.rimLotId, share: (all - Math.max(iris, pupil)) / all },
    { lotId: l.irisLotId, share: Math.max(0, iris - Math.max(inner, pupil)) / all },
    { lotId: l.innerLotId, share: Math.max(0, inner - pupil) / all },
    // A light lies over the pupil, or over what is darkest beside it.
    { lotId: l.pupilLotId, share: Math.max(0, pupil - light) / all },
    { lotId: l.lightLotId, share: Math.min(pupil, light) / all },
  ].filter((x) => x.share > 0);
}

/** @param operations the work of the face; each says its wool in one lot, which is shared out here */
export function faceDraws(
  piece: Piece,
  operations: readonly Operation[],
  eyes: { ladder: Ladder; discMm: number },
): FaceDraw[] {
  const kind = piece.face?.eyes.kind;
  const flat = kind === 'layered' || kind === 'disc';
  return operations.flatMap((o): FaceDraw[] => {
    if (o.massG <= 0) return [];
    if (o.id === 'face-nose') {
      const recipe = piece.smallParts.find((s) => s.kind === 'nose')?.recipe ?? [];
      const parts = recipe.reduce((s, r) => s + r.parts, 0);
      return recipe.map((r) => ({ lotId: r.lotId, massG: (o.massG * r.parts) / parts }));
    }
    if (flat && (o.id === 'face-eyes-make' || o.id === 'face-eyes-set')) {
      return layerShares(piece.face!.eyes, eyes.ladder, eyes.discMm).flatMap((x) =>
        x.lotId === null ? [] : [{ lotId: x.lotId, massG: o.massG * x.share }],
      );
    }
    return o.lotId === null ? [] : [{ lotId: o.lotId, massG: o.massG }];
  });
}
