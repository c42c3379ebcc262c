/** A coarse skin, quick enough to follow a hand: shown while a part is dragged, never planned with. */
import { polygonise } from '@/core/geometry/polygonise';
import type { Piece } from '@/core/piece/schema';
import { makeBody } from './body';

/** Side of its grid as a share of the animal's longest way across. */
const COARSE = 1 / 48;

export interface DraftSkin {
  readonly positions: Float64Array<ArrayBuffer>;
  readonly normals: Float64Array<ArrayBuffer>;
  readonly triangles: Uint32Array<ArrayBuffer>;
}

/** @throws when the body holds no surface */
export function draftSkin(form: Pick<Piece['form'], 'parts' | 'pose' | 'finishedLengthMm'>): DraftSkin {
  const body = makeBody(form);
  const { positions, normals, triangles } = polygonise(body.field, COARSE * body.largestMm);
  return {
    positions: Float64Array.from(positions),
    normals: Float64Array.from(normals),
    triangles: Uint32Array.from(triangles),
  };
}
