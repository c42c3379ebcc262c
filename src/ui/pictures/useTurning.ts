'use client';
/** The hand on the turntable: one finger or button turns it, two fingers, the right button or Shift move it, the wheel and two fingers near it. */
import { useCallback, useEffect, useRef, type PointerEvent as Pointer, type RefObject } from 'react';
import { setView, useDesk } from '@/desk/store';
import { wrap } from '@/ui/frame/useDeskKeys';
import { wholeOf } from '@/core/picture/whole';
import { pixelsPerMm } from './camera';
import { moved, nearer } from './framing';

/** Degrees a pixel of a drag turns it. */
const TURNS = 0.45;
/** A drag begins after so many pixels; before it is a press. */
const PRESS = 4;

type At = readonly [number, number];
const middle = ([a, b]: readonly [At, At]): At => [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
const apart = ([a, b]: readonly [At, At]): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/**
 * @param ref what is turned @param perMm pixels a millimetre is now
 * @param paintingRef a stroke of the brush is under way: the animal stands still
 */
export function useTurning(ref: RefObject<HTMLElement | null>, perMm: number, paintingRef: RefObject<boolean>) {
  const fingers = useRef(new Map<number, At>());
  const drag = useRef<{ readonly at: At; readonly begun: boolean } | null>(null);

  /** Nearer or further, the place under a point of the screen left where it is. */
  const zoomAt = useCallback(
    (times: number, [x, y]: At) => {
      const box = ref.current?.getBoundingClientRect();
      const { view: now, plan } = useDesk.getState();
      if (!box || !plan) return;
      const at = [x - box.left - box.width / 2, box.top + box.height / 2 - y] as const;
      setView(nearer(now, times, at, pixelsPerMm(box, wholeOf(plan), now.zoom)));
    },
    [ref],
  );
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const onWheel = (e: WheelEvent) => {
      e.preventDefault();
      zoomAt(Math.exp(-e.deltaY * 0.0015), [e.clientX, e.clientY]);
    };
    el.addEventListener('wheel', onWheel, { passive: false });
    return () => el.removeEventListener('wheel', onWheel);
  }, [ref, zoomAt]);

  const letGo = (e: Pointer) => {
    fingers.current.delete(e.pointerId);
    drag.current = null;
  };
  return {
    onPointerDown: (e: Pointer) => {
      fingers.current.set(e.pointerId, [e.clientX, e.clientY]);
      drag.current = { at: [e.clientX, e.clientY], begun: false };
    },
    onPointerMove: (e: Pointer) => {
      const d = drag.current;
      if (!d || e.buttons === 0 || paintingRef.current) return;
      const now = useDesk.getState().view;
      const here: At = [e.clientX, e.clientY];
      if (fingers.current.size === 2 && fingers.current.has(e.pointerId)) {
        // Two fingers move and near it together.
        const was = [...fingers.current.values()] as unknown as readonly [At, At];
        fingers.current.set(e.pointerId, here);
        const is = [...fingers.current.values()] as unknown as readonly [At, At];
        const [a, b] = [middle(was), middle(is)];
        setView(moved(now, [b[0] - a[0], a[1] - b[1]], perMm));
        if (apart(was) > 1) zoomAt(apart(is) / apart(was), b);
        drag.current = { at: here, begun: true };
        return;
      }
      const [dx, dy] = [here[0] - d.at[0], here[1] - d.at[1]];
      if (!d.begun && Math.hypot(dx, dy) < PRESS) return;
      if (!d.begun) e.currentTarget.setPointerCapture(e.pointerId);
      drag.current = { at: here, begun: true };
      // The right button, or Shift, moves it instead of turning it.
      if (e.buttons === 2 || e.shiftKey) return setView(moved(now, [dx, -dy], perMm));
      setView({ yaw: wrap(now.yaw - dx * TURNS), pitch: Math.max(-90, Math.min(90, now.pitch + dy * TURNS)) });
    },
    onPointerUp: letGo,
    onPointerCancel: letGo,
  };
}
