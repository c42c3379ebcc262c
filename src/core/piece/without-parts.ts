/** What of a piece sat on parts that are gone is taken out with them: places, bands, strokes, markings, small parts, the face. */
import type { Face } from './face';
import { isWorn } from './things';
import type { Area, Comb, Piece, Selector } from './schema';
import { markingShapeParts, type Layer, type LayerWhere, type MarkingShape, type PieceMarking } from './shade';

type Gone = (part: string) => boolean;

const bands = (list: readonly Selector[], gone: Gone): Selector[] =>
  list.map((w) => ({ ...w, parts: w.parts.filter((p) => !gone(p)) })).filter((w) => w.parts.length > 0);

const strokes = <S extends { readonly places: readonly { readonly part: string }[] }>(
  list: readonly S[],
  gone: Gone,
): S[] => list.map((s) => ({ ...s, places: s.places.filter((q) => !gone(q.part)) })).filter((s) => s.places.length > 0);

function whereOf(w: LayerWhere, gone: Gone): LayerWhere {
  if (w.kind === 'fade') {
    return { ...w, from: w.from && gone(w.from.part) ? null : w.from, to: w.to && gone(w.to.part) ? null : w.to };
  }
  if (w.kind !== 'line') return w;
  const places = w.places.filter((p) => !gone(p.part));
  return places.length > 0 ? { ...w, places } : { kind: 'all' };
}

const layer = (l: Layer, gone: Gone): Layer => (l.kind === 'coat' ? l : { ...l, where: whereOf(l.where, gone) });

/** A marking without what is gone; null when nothing of it is left. */
function marking(m: PieceMarking, gone: Gone): PieceMarking | null {
  const parts = markingShapeParts(m.shape);
  if (!parts.some(gone)) return m;
  let shape: MarkingShape | null = null;
  if ('through' in m.shape) {
    const through = m.shape.through.filter((p) => !gone(p.part));
    shape = through.length > 1 ? { ...m.shape, through } : null;
  } else if ('where' in m.shape) {
    const [where] = bands([m.shape.where], gone);
    shape = where ? { ...m.shape, where } : null;
  } else if ('strokes' in m.shape) shape = { ...m.shape, strokes: strokes(m.shape.strokes, gone) };
  return shape && { ...m, shape };
}

/** A face without what sat on parts that are gone; null when head, nose or eyes went. */
function faceWithout(f: Face | null, gone: Gone): Face | null {
  if (!f || [f.head, f.nose.at.part, f.eyes.at.part].some(gone)) return null;
  return {
    ...f,
    eyes: { ...f.eyes, other: f.eyes.other && gone(f.eyes.other.part) ? null : f.eyes.other },
    ears: { ...f.ears, at: f.ears.at && gone(f.ears.at.part) ? null : f.ears.at },
    whiskers: f.whiskers.filter((w) => !gone(w.at.part)),
  };
}

/** Areas keep their place in the list; one that lay on these parts only goes with them. */
export function withoutParts(piece: Piece, gone: Gone): Piece {
  return {
    ...piece,
    areas: piece.areas
      .map((a): Area => ({
        ...a,
        where: bands(a.where, gone),
        strokes: strokes(a.strokes, gone),
        awayFrom: a.awayFrom && gone(a.awayFrom.part) ? null : a.awayFrom,
        coat:
          a.coat.method === 'sheet' && a.coat.slit !== null && gone(a.coat.slit) ? { ...a.coat, slit: null } : a.coat,
        shade: { ...a.shade, layers: a.shade.layers.map((l) => layer(l, gone)) },
      }))
      .filter((a) => a.where.length > 0 || a.strokes.some((s) => s.adds)),
    combs: piece.combs.flatMap((c): Comb[] => {
      if (c.kind === 'turn') {
        const [where] = bands([c.where], gone);
        return where ? [{ ...c, where }] : [];
      }
      const places = c.places.filter((p) => !gone(p.part));
      return places.length > 1 ? [{ ...c, places }] : [];
    }),
    markings: piece.markings.flatMap((m) => marking(m, gone) ?? []),
    smallParts: piece.smallParts.filter((s) => !gone(s.on)),
    things: piece.things.filter((t) => !isWorn(t) || !gone(t.on)),
    face: faceWithout(piece.face, gone),
  };
}
