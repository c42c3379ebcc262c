/** How thick the wire of a frame is, all its strands together, and what it is wrapped with where no core is left round it. mm */
import type { Cupboard, Wire } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';

/** Reckoned with while no wire is chosen (1.0 to 1.6 for a hand-sized quadruped: common practice). */
const USUAL_MM = 1.2;
/** A pipe cleaner with its pile. From memory. */
const PIPE_CLEANER_MM = 3;
/** Wool wound tightly over a wire so that it cannot slip and fur has something to root in: so thick all round. Ours. */
export const WRAP_MM = 1;

export const wireOf = (piece: Piece, cupboard: Cupboard): Wire | null =>
  cupboard.wires.find((w) => w.id === piece.frame.wireId) ?? null;

export const wireThick = (piece: Piece, wire: Wire | null): number =>
  wire?.diameterMm ?? (piece.frame.kind === 'pipe cleaner' ? PIPE_CLEANER_MM : USUAL_MM);

/** One wire is folded in the middle and runs doubled. */
export const strandsOf = (piece: Piece): number =>
  piece.frame.kind === 'none' ? 0 : piece.frame.kind === 'one wire' ? 2 : 1;

/** Across the wire with its wrapping. */
export const wrappedAcross = (piece: Piece, cupboard: Cupboard): number =>
  strandsOf(piece) * wireThick(piece, wireOf(piece, cupboard)) + 2 * WRAP_MM;
