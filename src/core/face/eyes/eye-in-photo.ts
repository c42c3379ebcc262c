/** The eye of a photograph at the size of the piece: eye and head pinned at both edges, compared in the picture's own widths. */
import { figure, type Figure } from '@/core/method/define';
import type { FacePhoto } from '@/core/piece/face';
import { eyeFromPicture } from '@/core/face/face-methods';

/** @param headWidthMm width of the head of the piece  @returns null until eye and head are pinned, apart from each other */
export function eyeInPhoto(photo: FacePhoto, headWidthMm: number): Figure | null {
  const at = (mark: string) => photo.pins.find((p) => p.mark === mark)?.at;
  const span = (a: string, b: string): number => {
    const [p, q] = [at(a), at(b)];
    return p && q ? Math.hypot(p[0] - q[0], (p[1] - q[1]) / photo.aspect) : 0;
  };
  const [eye, width] = [span('edge-a', 'edge-b'), span('head-a', 'head-b')];
  return eye > 1e-4 && width > 1e-4 ? figure(eyeFromPicture, { head: headWidthMm, eye, width }) : null;
}
