/** How thick the coat is over every place of the animal, and how far the core has to give way to it. */
import type { CoatPlan, ShapedAreas } from '@/core/coat/coat-plan';
import { nearestParts, type FormWork } from '@/core/form/form';
import type { Piece } from '@/core/piece/schema';
import { firmnessOf } from './firmness';
import { underFur } from './under-fur';

/**
 * Thickness of the coat at every vertex, mm: of the area that has it, where its loft changes from hem to top by how far up it
 * lies; else the allowance.
 */
export function coatThickness(
  piece: Piece,
  coat: CoatPlan,
  shaped: Pick<ShapedAreas, 'owner' | 'shapes'>,
): Float64Array {
  const { owner } = shaped;
  const lofts = coat.areas.map((a) => a.fur?.figures.loft.value ?? piece.core.allowanceMm);
  const out = Float64Array.from(owner, (a) => (a < 0 ? piece.core.allowanceMm : lofts[a]!));
  coat.areas.forEach((a, i) => {
    const up = a.fur?.loftUp;
    const shape = shaped.shapes[i];
    if (!up || !shape) return;
    const { phi } = shape.field;
    const low = phi.reduce((m, x) => Math.min(m, x), Infinity);
    const { from } = shape.patch;
    // A vertex of the cut may have been moved onto it from either of two of the skin.
    for (let v = 0; v < phi.length; v++) {
      const at = Math.max(0, Math.min(1, (phi[v]! - low) / (shape.heightMm || 1))) * (up.length - 1);
      const k = Math.min(up.length - 2, Math.floor(at));
      const loft = up[k]! + (at - k) * (up[k + 1]! - up[k]!);
      for (const q of [from[2 * v]!, from[2 * v + 1]!]) if (owner[q] === i) out[q] = loft;
    }
  });
  return out;
}

/** How deep the core lies under the skin at every vertex: nowhere under flat felt, board and parts drawn without their fur. */
export function askedLoft(piece: Piece, w: FormWork, thickness: Float64Array): Float64Array {
  // What was scanned as the core is the core: the coat adds outward.
  if (piece.core.school === 'full-size' || piece.form.scan?.role === 'core') return new Float64Array(thickness.length);
  const part = nearestParts(w);
  const asDrawn = w.body.parts.map(
    ({ part: p }) => p.shape === 'board' || firmnessOf(piece, p) === 'flat felt' || underFur(piece, p) === 'as drawn',
  );
  // Round a wrapped wire there is no core: deeper than any part is thick.
  const wrapped = w.body.parts.map(({ part: p }) => underFur(piece, p) === 'wrapped wire');
  return thickness.map((t, v) => (asDrawn[part[v]!] ? 0 : wrapped[part[v]!] ? w.body.largestMm : t));
}
