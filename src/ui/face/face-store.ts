/** Changes of the face as one step to undo each, and what every room of it needs. */
import { useMemo } from 'react';
import { eyeColours, eyeShapes, type EyeColours, type EyeShape } from '@/core/face/drawing/eye-drawing';
import type { FacePlan } from '@/core/face/face';
import type { Face } from '@/core/piece/face';
import type { SmallPart } from '@/core/piece/shade';
import { freeId } from '@/core/shade/judging/layer-findings';
import { changePiece, editPiece, useDesk } from '@/desk/store';
import { UNCHOSEN } from '@/ui/pictures/colours';

/** While a slider is held the face is changed as it is; bounds are those of the fields. */
export const editFace = (recipe: (f: Face) => void): void =>
  editPiece((d) => {
    if (d.face) recipe(d.face);
  });

interface FaceInHand {
  readonly face: Face;
  /** Null until the first plan with this face is ready. */
  readonly plan: FacePlan | null;
  readonly canEdit: boolean;
}

/** @returns null while no face is begun */
export function useFace(): FaceInHand | null {
  const face = useDesk((s) => s.piece?.face ?? null);
  const plan = useDesk((s) => s.plan?.face ?? null);
  const canEdit = useDesk((s) => s.canEdit);
  return useMemo(() => (face ? { face, plan, canEdit } : null), [face, plan, canEdit]);
}

/** Colours of the eye's layers, and both eyes drawn square on. */
export function useEyeDrawing(): {
  readonly colours: EyeColours;
  readonly eyes: readonly (readonly EyeShape[])[];
} | null {
  const f = useFace();
  const cupboard = useDesk((s) => s.cupboard);
  return useMemo(() => {
    if (!f?.plan) return null;
    const { eyes } = f.plan;
    const colours = eyeColours(f.face.eyes, cupboard, eyes.around?.hex ?? UNCHOSEN.roundEye);
    return { colours, eyes: eyes.ladder.eyes.map((e) => eyeShapes(f.face.eyes, eyes.ladder, e, eyes.discMm, colours)) };
  }, [f, cupboard]);
}

/** Colour a small part is seen in, by its kind; null where there is none. */
export function useSmallHex(kind: SmallPart['kind']): string | null {
  const id = useDesk((s) => s.piece?.smallParts.find((x) => x.kind === kind)?.id);
  const palette = useDesk((s) => s.plan?.shade.judged.palette);
  return palette?.find((p) => p.id === id)?.hex ?? null;
}

/** Gives a small part another wool; makes it where there is none. */
export function setSmallWool(kind: SmallPart['kind'], name: string, on: string, lotId: string | null): void {
  changePiece((p) => {
    const rest = p.smallParts.filter((s) => s.kind !== kind);
    const now = p.smallParts.find((s) => s.kind === kind);
    if (lotId === null) return { ...p, smallParts: rest };
    const recipe = [{ lotId, parts: 1 }];
    return now
      ? { ...p, smallParts: p.smallParts.map((s) => (s.id === now.id ? { ...s, recipe } : s)) }
      : {
          ...p,
          smallParts: [
            ...p.smallParts,
            { id: freeId(p.smallParts, kind.replace(' ', '-')), name, kind, on, recipe, even: 1 },
          ],
        };
  });
}
