/** The demo pieces and cupboard that ship with the app. */
import {
  alpacaCria,
  brownHare,
  cupboard as demoCupboard,
  kingfisher,
  pineMarten,
  pineMartenBegun,
} from '../../demo/load';
import { wayOf } from '@/core/coat/ways';
import type { Coat } from '@/core/piece/coat';
import type { Cupboard } from '@/core/piece/cupboard';
import { defaultHand, type Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Layer } from '@/core/piece/shade';
import { isFelted } from '@/core/piece/things';

export { demoCupboard };
export const demoPieces: readonly Piece[] = [pineMarten, alpacaCria, kingfisher, brownHare, pineMartenBegun];

/** Whoever worked the half-done one: set aside beside the maker's own hand, which learns nothing from it. */
export const demoHand: Hand = { ...defaultHand, id: 'demo-hand', name: 'Hand of the demo' };

/** Where the likeness a demo ships with is. */
export const demoLikeness = (piece: Pick<Piece, 'id'>): string => `/demo/likeness/${piece.id}.png`;

/** Where the photographs of a demo's log are, by the names of their entries. */
export const demoPhotographs = (piece: Piece): { readonly entry: string; readonly path: string }[] =>
  piece.log
    .filter((e) => e.kind === 'photo')
    .map((e, i) => ({ entry: e.id, path: `/demo/${pineMarten.id}-${i + 1}.jpg` }));

/** Every lot a coat draws on. */
const lotsOf = (c: Coat): string[] => {
  if (c.method === 'none') return [];
  return [c.lotId, ...(wayOf(c.method).moreLots?.(c) ?? [])];
};

const lotsOfLayer = (l: Layer): string[] => {
  if (l.kind === 'coat') return l.blend?.map((r) => r.lotId) ?? [];
  return l.kind === 'veil' ? l.recipe.map((r) => r.lotId) : [l.lotId];
};

/** The cupboard with the demo lots and wire a piece draws on, where they are missing. */
export function withDemoLots(cupboard: Cupboard, piece: Piece): Cupboard {
  const layered = [...piece.areas.map((a) => a.shade), ...piece.markings].flatMap((x) => x.layers);
  const used = new Set([
    ...piece.areas.flatMap((a) => lotsOf(a.coat)),
    ...layered.flatMap(lotsOfLayer),
    ...piece.smallParts.flatMap((s) => s.recipe.map((r) => r.lotId)),
    ...piece.flatParts.flatMap((f) => [f.lotId, f.liningLotId]),
    ...piece.things.map((t) => (isFelted(t) ? t.lotId : null)),
  ]);
  if (piece.core.lotId !== null) used.add(piece.core.lotId);
  const missing = demoCupboard.lots.filter((l) => used.has(l.id) && !cupboard.lots.some((m) => m.id === l.id));
  const wires = demoCupboard.wires.filter(
    (w) => w.id === piece.frame.wireId && !cupboard.wires.some((x) => x.id === w.id),
  );
  return missing.length + wires.length === 0
    ? cupboard
    : { ...cupboard, lots: [...cupboard.lots, ...missing], wires: [...cupboard.wires, ...wires] };
}
