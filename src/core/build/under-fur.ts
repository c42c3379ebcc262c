/**
 * What a maker does where the fur is as thick as the part: the core gives way to it, the part is taken as drawn and its fur
 * stands out over it, or the wire is wrapped thinly and the fur makes the bush.
 */
import type { Part, Piece, UNDER_FUR } from '@/core/piece/schema';

export type UnderFur = 'gives way' | (typeof UNDER_FUR)[number];

export const underFur = (piece: Pick<Piece, 'core'>, part: Pick<Part, 'id'>): UnderFur =>
  piece.core.under.find((u) => u.part === part.id)?.way ?? 'gives way';
