/** Shade as a maker changes it: layers added, moved, taken away; markings made and placed. Each gives a new piece. */
import type { Lot } from '@/core/piece/cupboard';
import { layerMass } from '@/core/wool/fibre';
import { swapIn } from '@/core/wool/recipe';
import { lightness } from '@/core/colour/lab';
import type { Hand } from '@/core/piece/hand';
import type { Piece, Place } from '@/core/piece/schema';
import type { Layer, LayerWhere, MarkingShape, PieceMarking, Recipe } from '@/core/piece/shade';
import { arealOf, type Amount } from '@/core/shade/layers/amount';
import { freeId } from '@/core/shade/judging/layer-findings';

export const LAYER_KINDS = ['veil', 'flecks', 'raise', 'shadow', 'highlight', 'line'] as const;
export type LayerKind = (typeof LAYER_KINDS)[number];

interface BeginLayer {
  readonly lot: Lot;
  readonly hand: Hand;
  readonly recipe?: Recipe;
}

/** The wool a new layer begins with: one at hand that is not the coat's, the palest for a highlight; null in an empty cupboard. */
export function firstWool(lots: readonly Lot[], coatLotId: string | null, kind: LayerKind): Lot | null {
  const open = lots.filter((l) => l.id !== coatLotId && l.haveG > 0);
  const list = open.length > 0 ? open : lots;
  if (kind !== 'highlight') return list[0] ?? null;
  return [...list].sort((a, b) => lightness(b.colour) - lightness(a.colour))[0] ?? null;
}

/** A layer to begin with, of the wool given. */
function beginLayer(kind: LayerKind, id: string, { lot, hand, recipe }: BeginLayer): Layer {
  const where: LayerWhere = { kind: 'all' };
  const m1 = layerMass.of({ fineness: lot.finenessUm, cv: lot.finenessCv });
  const amount = (a: Amount) => arealOf(a, m1, hand.spread[lot.form]);
  const border: LayerWhere = { kind: 'edge', widthMm: 4 };
  if (kind === 'veil')
    return {
      kind,
      id,
      where,
      recipe: recipe ?? [{ lotId: lot.id, parts: 1 }],
      even: 1,
      arealMgCm2: amount('thin'),
      aim: 'let through',
    };
  if (kind === 'line') return { kind, id, where: border, lotId: lot.id, arealMgCm2: amount('medium') };
  if (kind === 'flecks') return { kind, id, where, lotId: lot.id, share: 0.1, texture: 'tufts' };
  if (kind === 'shadow')
    return { kind, id, where: border, lotId: lot.id, arealMgCm2: amount('medium'), veilMgCm2: amount('thin') };
  if (kind === 'highlight') return { kind, id, where: border, lotId: lot.id, share: 0.4, arealMgCm2: amount('thin') };
  return { kind, id, where, lotId: lot.id, share: 0.12, texture: 'tufts' };
}

const withLayers = (piece: Piece, areaId: string, change: (l: readonly Layer[]) => Layer[]): Piece => ({
  ...piece,
  areas: piece.areas.map((a) =>
    a.id === areaId ? { ...a, shade: { ...a.shade, layers: change(a.shade.layers) } } : a,
  ),
});

/** Layers with one wool in place of another wherever it stands. */
export const swapWool = (layers: readonly Layer[], from: string, to: string): Layer[] =>
  layers.map((l): Layer => {
    if (l.kind === 'coat') return l.blend ? { ...l, blend: swapIn(l.blend, from, to) } : l;
    if (l.kind === 'veil') return { ...l, recipe: swapIn(l.recipe, from, to) };
    return l.lotId === from ? { ...l, lotId: to } : l;
  });

/** Puts a new layer on top. */
export function addLayer(piece: Piece, areaId: string, kind: LayerKind, b: BeginLayer): { piece: Piece; id: string } {
  const layers = piece.areas.find((a) => a.id === areaId)!.shade.layers;
  const id = freeId(layers, kind);
  return { piece: withLayers(piece, areaId, (l) => [...l, beginLayer(kind, id, b)]), id };
}

export const removeLayer = (piece: Piece, areaId: string, id: string): Piece =>
  withLayers(piece, areaId, (l) => l.filter((x) => x.id !== id || x.kind === 'coat'));

/** Moves a layer to another place in the stack, counted from the bottom. */
export const moveLayer = (piece: Piece, areaId: string, id: string, to: number): Piece =>
  withLayers(piece, areaId, (l) => {
    const from = l.findIndex((x) => x.id === id);
    const rest = l.filter((x) => x.id !== id);
    return from < 0 ? [...l] : [...rest.slice(0, to), l[from]!, ...rest.slice(to)];
  });

/** The line a layer follows, as it was drawn; nearly the same places left out. */
export function lineDrawn(
  piece: Piece,
  areaId: string,
  layerId: string | null,
  places: Place[],
  mirrored: boolean,
): Piece {
  return withLayers(piece, areaId, (l) =>
    l.map((x) => {
      if (x.id !== layerId || x.kind === 'coat') return x;
      const widthMm = x.where.kind === 'line' || x.where.kind === 'edge' ? Math.min(40, x.where.widthMm) : 2;
      return { ...x, where: { kind: 'line' as const, places: places.slice(0, 200), widthMm, mirrored } };
    }),
  );
}

export const MARKING_KINDS = ['stripe', 'blaze', 'spot', 'mask', 'bars', 'sock', 'painted'] as const;
export type MarkingKind = (typeof MARKING_KINDS)[number];

/** A shape to begin with on a part, as large as suits the animal. */
function beginShape(kind: MarkingKind, part: string, finishedMm: number): MarkingShape {
  const at = (along: number, up: number, out: number): Place => ({ part, side: 'left', along, up, out });
  const mm = (share: number) => Math.max(1, Math.round(finishedMm * share * 2) / 2);
  if (kind === 'stripe' || kind === 'blaze')
    return {
      kind,
      through: kind === 'stripe' ? [at(0.2, 0.7, 0.7), at(0.8, 0.7, 0.7)] : [at(0.2, 1, 0), at(0.9, 1, 0)],
      startMm: mm(0.03),
      endMm: mm(0.012),
      stopMm: 0,
    };
  if (kind === 'spot' || kind === 'mask')
    return {
      kind,
      at: at(0.5, 0.5, 0.85),
      alongMm: mm(kind === 'spot' ? 0.03 : 0.09),
      acrossMm: mm(kind === 'spot' ? 0.03 : 0.06),
    };
  if (kind === 'bars') return { kind, where: { parts: [part] }, count: 4, share: 0.4 };
  if (kind === 'sock') return { kind, where: { parts: [part], along: { from: 0.65, to: 1 } } };
  return { kind, strokes: [] };
}

/** A new marking on top of the others. */
export function addMarking(piece: Piece, kind: MarkingKind, part: string, b: BeginLayer): { piece: Piece; id: string } {
  const id = freeId(piece.markings, kind);
  const n = piece.markings.filter((m) => m.shape.kind === kind).length + 1;
  const name = kind === 'painted' ? 'Painted patch' : `${kind[0]!.toUpperCase()}${kind.slice(1)}`;
  const veil = beginLayer('veil', 'veil', b) as Extract<Layer, { kind: 'veil' }>;
  const m1 = layerMass.of({ fineness: b.lot.finenessUm, cv: b.lot.finenessCv });
  const marking: PieceMarking = {
    id,
    name: n > 1 ? `${name} ${n}` : name,
    shape: beginShape(kind, part, piece.form.finishedLengthMm),
    mirrored: true,
    under: false,
    broken: null,
    border: { raggedMm: 0, softMm: 0 },
    layers: [{ ...veil, aim: 'hide', arealMgCm2: arealOf('full', m1, b.hand.spread[b.lot.form]) }],
  };
  return { piece: { ...piece, markings: [...piece.markings, marking] }, id };
}

export const changeMarking = (piece: Piece, marking: PieceMarking): Piece => ({
  ...piece,
  markings: piece.markings.map((m) => (m.id === marking.id ? marking : m)),
});

/** Far fewer places than dabs make a line; about so many are kept. */
const PLACES = 12;

/** Touching or stroking the animal with a marking in hand: a stripe runs where it was drawn, a spot sits where it was set. */
export function markTouched(piece: Piece, id: string | null, places: Place[], reach: number): Piece {
  const m = piece.markings.find((x) => x.id === id);
  const last = places[places.length - 1];
  if (!m || !last) return piece;
  const s = m.shape;
  if ('through' in s) {
    if (places.length < 2)
      return changeMarking(piece, { ...m, shape: { ...s, through: [...s.through, last].slice(-40) } });
    const step = Math.max(1, Math.ceil(places.length / PLACES));
    const through = places.filter((_, i) => i % step === 0 || i === places.length - 1);
    return changeMarking(piece, { ...m, shape: { ...s, through } });
  }
  if ('at' in s) return changeMarking(piece, { ...m, shape: { ...s, at: last } });
  if ('where' in s) return changeMarking(piece, { ...m, shape: { ...s, where: { ...s.where, parts: [last.part] } } });
  const stroke = { adds: true, mirrored: m.mirrored, reach, places };
  return changeMarking(piece, { ...m, shape: { ...s, strokes: [...s.strokes, stroke] } });
}
