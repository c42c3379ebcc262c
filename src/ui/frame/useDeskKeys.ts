'use client';
/** The keys of the desk. Keys typed into a field stay there. */
import { useEffect, useRef } from 'react';
import { FEATURES, INSIDES, OVERLAYS } from '@/desk/view';
import { setView, useDesk } from '@/desk/store';
import { undoKey } from './useUndoKeys';

interface DeskKeyActions {
  readonly help: () => void;
  readonly stage: (index: number) => void;
  /** At the bench Space, Backspace, + and - belong to the rows. */
  readonly bench: boolean;
  /** In Face the list is of features, not areas. */
  readonly face: boolean;
}

/** Viewpoints: turn about the upright (0 from the front) and tilt from above, degrees. */
export const VIEWPOINTS = [
  { key: 'F', name: 'front', yaw: 0, pitch: 0 },
  { key: 'L', name: 'left', yaw: 90, pitch: 0 },
  { key: 'R', name: 'right', yaw: -90, pitch: 0 },
  { key: 'B', name: 'back', yaw: 180, pitch: 0 },
  { key: 'A', name: 'above', yaw: -90, pitch: 90 },
  { key: 'S', name: 'aslant', yaw: -45, pitch: 20 },
] as const;

/** How far Shift with an arrow moves the picture, mm at its first size. */
const MOVES = 12;

const typing = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement &&
  (t.isContentEditable ||
    t instanceof HTMLTextAreaElement ||
    t instanceof HTMLSelectElement ||
    (t instanceof HTMLInputElement && !['range', 'checkbox', 'radio', 'button'].includes(t.type)) ||
    t.getAttribute('role') === 'combobox' ||
    t.closest('[role="dialog"], [role="listbox"], [role="menu"]') !== null);

/** A list just chosen from: nothing is typed into it, so a choice can be taken back at once. */
const closedList = (t: EventTarget | null): boolean =>
  t instanceof HTMLElement && t.getAttribute('role') === 'combobox' && t.getAttribute('aria-expanded') !== 'true';

export function useDeskKeys(actions: DeskKeyActions): void {
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (typing(e.target)) {
        if (closedList(e.target)) undoKey(e);
        return;
      }
      const { help, stage } = latest.current;
      const done = () => e.preventDefault();
      if (undoKey(e)) return;
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const slider = e.target instanceof HTMLInputElement && e.target.type === 'range';
      if (/^[1-8]$/.test(e.key)) return stage(Number(e.key) - 1);
      if (e.key === '?') return help();
      const { view, plan } = useDesk.getState();
      if ((e.key === ',' || e.key === '.') && latest.current.face) {
        const n = FEATURES.length;
        return setView({ feature: FEATURES[(FEATURES.indexOf(view.feature) + (e.key === '.' ? 1 : -1) + n) % n]! });
      }
      const areas = plan?.coat.areas ?? [];
      if ((e.key === ',' || e.key === '.') && areas.length > 0) {
        const at = areas.findIndex((a) => a.id === view.areaId);
        const next = (at + (e.key === '.' ? 1 : -1) + areas.length) % areas.length;
        return setView({ areaId: areas[at < 0 ? 0 : next]!.id });
      }
      if (!slider && !latest.current.bench) {
        const turn: Record<string, [number, number]> = {
          ArrowLeft: [-15, 0],
          ArrowRight: [15, 0],
          ArrowUp: [0, 15],
          ArrowDown: [0, -15],
        };
        const d = turn[e.key];
        if (d && e.shiftKey) {
          done();
          const step = MOVES / view.zoom;
          return setView({ pan: [view.pan[0] + Math.sign(d[0]) * step, view.pan[1] + Math.sign(d[1]) * step] });
        }
        if (d) {
          done();
          return setView({ yaw: wrap(view.yaw + d[0]), pitch: Math.max(-90, Math.min(90, view.pitch + d[1])) });
        }
        if (e.key === 'Home') return setView({ yaw: -62, pitch: 12, zoom: 1, pan: [0, 0] });
        const times = { '+': 1.25, '=': 1.25, '-': 0.8 }[e.key];
        if (times !== undefined) return setView({ zoom: Math.max(0.5, Math.min(16, view.zoom * times)) });
      }
      if (e.key.toLowerCase() === 'z') return void document.dispatchEvent(new CustomEvent('fond-badger:frame'));
      const point = VIEWPOINTS.find((v) => v.key === e.key.toUpperCase());
      if (point) return setView({ yaw: point.yaw, pitch: point.pitch });
      if (e.key.toLowerCase() === 'g') return setView({ graticule: !view.graticule });
      if (e.key.toLowerCase() === 'c') {
        return setView({ inside: INSIDES[(INSIDES.indexOf(view.inside) + 1) % INSIDES.length]! });
      }
      if (e.key.toLowerCase() === 'o') {
        return setView({ overlay: OVERLAYS[(OVERLAYS.indexOf(view.overlay) + 1) % OVERLAYS.length]! });
      }
      if (e.key.toLowerCase() === 'p') {
        done();
        document.dispatchEvent(new CustomEvent('fond-badger:print'));
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}

export const wrap = (deg: number): number => ((((deg + 180) % 360) + 360) % 360) - 180;
