/** How firm the parts of a core are felted. */
import type { Hand } from '@/core/piece/hand';
import type { Part, Piece } from '@/core/piece/schema';

export type Firmness = keyof Hand['coreDensityMgCm3'];

export const firmnessOf = (piece: Pick<Piece, 'core'>, part: Part): Firmness =>
  piece.core.soft.find((s) => s.part === part.id)?.firmness ?? 'firm';
