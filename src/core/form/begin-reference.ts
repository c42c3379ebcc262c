/** A photograph as it is laid behind the animal before anything is marked on it: on the side that has none yet, as long as the animal in life. */
import type { Piece, Reference } from '@/core/piece/schema';

/** Longest name a photograph keeps. */
const NAME = 120;
const SIDES = ['left', 'front', 'above'] as const;

/** @param aspect width over height of the picture */
export function beginReference(
  piece: Pick<Piece, 'references' | 'form'>,
  { id, name, aspect }: { readonly id: string; readonly name: string; readonly aspect: number },
): Reference {
  return {
    id,
    name: name.slice(0, NAME) || 'photograph',
    side: SIDES.find((s) => !piece.references.some((r) => r.side === s)) ?? 'left',
    aspect,
    a: [0.15, 0.9],
    b: [0.85, 0.9],
    knownMm: Math.min(10000, Math.max(1, Math.round(piece.form.lifeLengthMm))),
    strength: 0.6,
    pins: [],
    grey: null,
  };
}

/** The one of this name and shape whose picture is no longer in this browser: its marks stay when it is brought again. */
export const sameReference = (references: readonly Reference[], name: string, aspect: number): Reference | undefined =>
  references.find((r) => r.name === name.slice(0, NAME) && Math.abs(r.aspect - aspect) < 0.01);
