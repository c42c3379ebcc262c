/**
 * The keys of the bench: hands are busy, so one key does the next thing wherever the focus is, and one takes the last thing back. A pedal
 * or a clicker types them; the maker may set them. No other key writes into the log.
 */
import { useEffect, useRef } from 'react';
import { keyOf, type BenchKey, type BenchSettings } from '@/desk/bench-settings';

type BenchActions = { readonly canEdit: boolean } & Readonly<Record<BenchKey, () => void>>;

/** Where letters are typed, or a question is asked, keys belong there. */
const typing = (el: HTMLElement): boolean =>
  el.closest(
    'input:not([type="checkbox"]):not([type="range"]), textarea, select, [role="dialog"], [role="menu"], [role="listbox"], [role="combobox"]',
  ) !== null;

const PRESSED = 'button, a, summary, [tabindex="0"]';

export function useBenchKeys(keys: BenchSettings['keys'], actions: BenchActions): void {
  const latest = useRef({ keys, actions });
  useEffect(() => {
    latest.current = { keys, actions };
  });
  useEffect(() => {
    const taken = (e: KeyboardEvent) => {
      e.preventDefault();
      e.stopPropagation();
    };
    const does = (e: KeyboardEvent): BenchKey | null => {
      const key = keyOf(e.key);
      return (['next', 'back', 'pause', 'note'] as const).find((k) => latest.current.keys[k].includes(key)) ?? null;
    };
    const onKey = (e: KeyboardEvent) => {
      const el = e.target as HTMLElement;
      const { actions: act } = latest.current;
      if (typing(el) || e.ctrlKey || e.metaKey || e.altKey || !act.canEdit) return;
      // Enter presses what is in focus; with nothing in focus it goes on.
      const k = does(e) ?? (e.key === 'Enter' && el.closest(PRESSED) === null ? 'next' : null);
      if (!k) return;
      taken(e);
      if (!e.repeat) act[k]();
    };
    // A button in focus presses itself as Space is let go.
    const onUp = (e: KeyboardEvent) => {
      if (does(e) && !typing(e.target as HTMLElement)) e.preventDefault();
    };
    window.addEventListener('keydown', onKey, true);
    window.addEventListener('keyup', onUp, true);
    return () => {
      window.removeEventListener('keydown', onKey, true);
      window.removeEventListener('keyup', onUp, true);
    };
  }, []);
}
