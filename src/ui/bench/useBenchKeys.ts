/**
 * The keys of the bench: hands are busy, so one key does the next thing wherever the focus is, and one takes the last thing back. A pedal
 * or a clicker types them. No other key writes into the log.
 */
import { useEffect, useRef } from 'react';

const NEXT = new Set([' ', 'PageDown']);
const BACK = new Set(['Backspace', 'PageUp']);

interface BenchActions {
  readonly canEdit: boolean;
  readonly next: () => void;
  readonly back: () => void;
  readonly pause: () => void;
  readonly note: () => void;
}

/** Where letters are typed, or a question is asked, keys belong there. */
const typing = (el: HTMLElement): boolean =>
  el.closest(
    'input:not([type="checkbox"]):not([type="range"]), textarea, select, [role="dialog"], [role="menu"], [role="listbox"], [role="combobox"]',
  ) !== null;

export function useBenchKeys(actions: BenchActions): void {
  const latest = useRef(actions);
  useEffect(() => {
    latest.current = actions;
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const el = e.target as HTMLElement;
      if (typing(el) || e.ctrlKey || e.metaKey || e.altKey || !latest.current.canEdit) return;
      const { next, back, pause, note } = latest.current;
      // Enter presses what is in focus; with nothing in focus it goes on.
      if (NEXT.has(e.key) || (e.key === 'Enter' && el.closest('button, a, summary, [tabindex="0"]') === null)) {
        e.preventDefault();
        e.stopPropagation();
        if (!e.repeat) next();
      } else if (BACK.has(e.key)) {
        e.preventDefault();
        e.stopPropagation();
        if (!e.repeat) back();
      } else if (e.key.toLowerCase() === 't') pause();
      else if (e.key.toLowerCase() === 'n') {
        e.preventDefault();
        note();
      }
    };
    // A button in focus presses itself as Space is let go.
    const onUp = (e: KeyboardEvent) => {
      if (NEXT.has(e.key) && !typing(e.target as HTMLElement)) e.preventDefault();
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('keyup', onUp, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('keyup', onUp, true);
    };
  }, []);
}
