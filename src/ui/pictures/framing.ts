/** What the turntable looks at: moved along the picture, nearer to the pointer, or filled with the thing in hand. */
import { makeBody } from '@/core/form/body';
import type { Plan } from '@/core/plan';
import type { Piece } from '@/core/piece/schema';
import type { View } from '@/desk/view';
import { wholeOf } from '@/core/picture/whole';
import { across, pixelsPerMm, type Size } from './camera';

type Angles = Pick<View, 'yaw' | 'pitch'>;
type Seen = Pick<View, 'zoom' | 'pan'>;

export const ZOOM = { least: 0.5, most: 16 } as const;
const within = (zoom: number): number => Math.max(ZOOM.least, Math.min(ZOOM.most, zoom));
/** How much of the picture a framed thing takes. */
const FILLS = 0.72;

const along = (p: readonly number[], v: readonly number[]) => p[0]! * v[0]! + p[1]! * v[1]! + p[2]! * v[2]!;

/** The place in the middle of the picture. @param centre middle of the animal */
export function lookedAt(centre: readonly number[], view: Angles & Pick<View, 'pan'>): [number, number, number] {
  const { right, up } = across(view);
  return [0, 1, 2].map((k) => centre[k]! + view.pan[0] * right[k]! + view.pan[1] * up[k]!) as [number, number, number];
}

/** So many times nearer, with the place under the pointer left where it is. @param at from the middle of the picture, px right and up */
export function nearer(view: Seen, times: number, at: readonly [number, number], perMm: number): Seen {
  const zoom = within(view.zoom * times);
  const k = (1 - view.zoom / zoom) / perMm;
  return { zoom, pan: [view.pan[0] + at[0] * k, view.pan[1] + at[1] * k] };
}

/** Moved so that what is under the hand goes along with it. @param by px right and up */
export const moved = (view: Seen, by: readonly [number, number], perMm: number): Pick<View, 'pan'> => ({
  pan: [view.pan[0] - by[0] / perMm, view.pan[1] - by[1] / perMm],
});

/** Places of the area in hand, else of the part; null where nothing is in hand. */
function placesOf(plan: Plan, piece: Piece, view: View, of: 'part' | 'area'): number[][] | null {
  if (of === 'area') {
    const p = plan.coat.areas.find((a) => a.id === view.areaId)?.surface?.positions;
    return p ? Array.from({ length: p.length / 3 }, (_, i) => [p[3 * i]!, p[3 * i + 1]!, p[3 * i + 2]!]) : null;
  }
  const part = makeBody(piece.form).parts.find((x) => x.part.id === view.partId);
  return part ? [...part.left, ...(part.right ?? [])].flatMap((s) => [[...s.a], [...s.b]]) : null;
}

/** The thing in hand in the middle of the picture, filling it. */
export function framed(plan: Plan, piece: Piece, view: View, size: Size, of: 'part' | 'area'): Seen | null {
  const places = placesOf(plan, piece, view, of);
  if (!places || places.length === 0) return null;
  const centre = wholeOf(plan).middle;
  const { right, up } = across(view);
  const box = [right, up].map((v) => {
    const all = places.map((p) => along(p, v) - along(centre, v));
    return { low: all.reduce((a, b) => Math.min(a, b)), high: all.reduce((a, b) => Math.max(a, b)) };
  });
  const one = pixelsPerMm(size, wholeOf(plan), 1);
  const fits = [size.width, size.height].map((px, i) => (FILLS * px) / one / Math.max(box[i]!.high - box[i]!.low, 1));
  return { zoom: within(Math.min(...fits)), pan: [(box[0]!.low + box[0]!.high) / 2, (box[1]!.low + box[1]!.high) / 2] };
}
