/** Areas as a maker changes them: made, split in two, joined, painted. Each takes a piece and gives a new one. */
import type { Coat } from '@/core/piece/coat';
import { plainShade } from '@/core/piece/shade';
import type { Area, Part, Piece, Selector, Stroke } from '@/core/piece/schema';

const fresh = (piece: Piece, stem: string): string => {
  let id = stem;
  for (let k = 2; piece.areas.some((a) => a.id === id); k++) id = `${stem}-${k}`;
  return id;
};

/** An area with nothing decided but its place and its coat. */
export const plainArea = (id: string, name: string, where: Selector[], coat: Coat = { method: 'none' }): Area => ({
  id,
  name,
  where,
  strokes: [],
  awayFrom: null,
  evenness: 0,
  branching: false,
  seam: 'none',
  coat,
  shade: plainShade(),
});

/** A new area last in the list, so it has what it claims. @returns the piece and the id of the area */
export function addArea(piece: Piece, name: string, where: Selector[]): { piece: Piece; id: string } {
  const stem =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 50) || 'area';
  const id = fresh(piece, stem);
  const area = plainArea(id, name, where);
  return { piece: { ...piece, areas: [...piece.areas, area] }, id };
}

export type SplitWay = 'along' | 'around' | 'sides' | 'faces';

/** The middle of a band. */
const middle = (b: { from: number; to: number }) => (b.from + b.to) / 2;

/** Whether a place lies on a board alone. */
export const onBoard = (parts: readonly Part[], s: Pick<Selector, 'parts'>): boolean =>
  s.parts.every((id) => parts.find((p) => p.id === id)?.shape === 'board');

function half(s: Selector, way: SplitWay, second: boolean, board: boolean): Selector {
  // Of a board the upper part from the lower.
  if (board && way === 'around') {
    const { from, to } = s.upward ?? { from: 0, to: 1 };
    const at = (from + to) / 2;
    return { ...s, upward: second ? { from, to: at } : { from: at, to } };
  }
  if (way === 'sides') return { ...s, side: second ? 'right' : 'left' };
  if (way === 'faces') return { ...s, face: second ? 'hollow' : 'back' };
  const whole = way === 'along' ? (s.along ?? { from: 0, to: 1 }) : (s.around ?? { from: 0, to: 180 });
  const cut = second ? { from: middle(whole), to: whole.to } : { from: whole.from, to: middle(whole) };
  return way === 'along' ? { ...s, along: cut } : { ...s, around: cut };
}

/**
 * Splits an area in two: across its parts, round them, into left and right, or the back of a leaf from its hollow. Both keep its coat and what was painted
 * away; what was painted on goes to the first.
 */
export function splitArea(piece: Piece, id: string, way: SplitWay): { piece: Piece; id: string } {
  const i = piece.areas.findIndex((a) => a.id === id);
  const area = piece.areas[i]!;
  const second: Area = {
    ...area,
    id: fresh(piece, `${id}-2`.slice(0, 60)),
    name: `${area.name} 2`.slice(0, 80),
    where: area.where.map((s) => half(s, way, true, onBoard(piece.form.parts, s))),
    strokes: area.strokes.filter((s) => !s.adds),
  };
  const first: Area = { ...area, where: area.where.map((s) => half(s, way, false, onBoard(piece.form.parts, s))) };
  return {
    piece: { ...piece, areas: [...piece.areas.slice(0, i), first, second, ...piece.areas.slice(i + 1)] },
    id: second.id,
  };
}

/** Joins another area to one: its places and strokes come along, its coat goes, what was logged for it stays. */
export function mergeAreas(piece: Piece, into: string, other: string): Piece {
  const gone = piece.areas.find((a) => a.id === other)!;
  return {
    ...piece,
    areas: piece.areas
      .filter((a) => a.id !== other)
      .map((a) =>
        a.id === into
          ? { ...a, where: [...a.where, ...gone.where], strokes: [...gone.strokes.filter((s) => s.adds), ...a.strokes] }
          : a,
      ),
  };
}

export const removeArea = (piece: Piece, id: string): Piece => ({
  ...piece,
  areas: piece.areas.filter((a) => a.id !== id),
});

export const addStroke = (piece: Piece, id: string, stroke: Stroke): Piece => ({
  ...piece,
  areas: piece.areas.map((a) => (a.id === id ? { ...a, strokes: [...a.strokes, stroke] } : a)),
});
