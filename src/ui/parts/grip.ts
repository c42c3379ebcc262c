/**
 * What makes a mark on a drawing a handle: dragged by mouse or finger, moved by arrows when it has the focus, said aloud by
 * its name. Positions are in the units of the drawing, y downward as drawn.
 */
import type { KeyboardEvent, PointerEvent } from 'react';
import { beginDrag, endGesture } from '@/desk/store';

interface Grip {
  readonly name: string;
  /** Whether this window may change the piece. */
  readonly canEdit: boolean;
  /** An arrow: one step to the right and up; false where this handle has nothing to do with it. */
  readonly onArrow: (right: number, up: number) => boolean | void;
  readonly onDrag: (x: number, y: number) => void;
  readonly onTake?: () => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** A place of the screen in the units of a drawing; null while it is not shown. */
export function onDrawing(svg: SVGSVGElement | null, e: { clientX: number; clientY: number }): DOMPoint | null {
  const m = svg?.getScreenCTM();
  return m ? new DOMPoint(e.clientX, e.clientY).matrixTransform(m.inverse()) : null;
}

export const grip = ({ name, canEdit, onArrow, onDrag, onTake }: Grip) => ({
  tabIndex: canEdit ? 0 : -1,
  role: 'button' as const,
  'aria-label': name,
  ...(onTake ? { onFocus: onTake } : {}),
  onKeyDown: (e: KeyboardEvent) => {
    const to = ARROWS[e.key];
    if (!to || !canEdit || onArrow(to[0], to[1]) === false) return;
    e.preventDefault();
    e.stopPropagation();
  },
  onPointerDown: (e: PointerEvent) => {
    if (!canEdit) return;
    e.currentTarget.setPointerCapture(e.pointerId);
    onTake?.();
  },
  onPointerMove: (e: PointerEvent) => {
    if (!canEdit || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const p = onDrawing((e.currentTarget as SVGElement).ownerSVGElement, e);
    if (!p) return;
    beginDrag();
    onDrag(p.x, p.y);
  },
  onPointerUp: () => endGesture(),
  style: { cursor: canEdit ? 'grab' : 'default', touchAction: 'none' },
});
