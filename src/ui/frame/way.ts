'use client';
/**
 * The way from screen to screen: the address in the bar is changed without asking the server, so screens change at once, what
 * was done in this window stays, and everything works with the server gone.
 */
import { useSyncExternalStore } from 'react';

const MOVED = 'fond-badger:moved';

function hear(moved: () => void): () => void {
  window.addEventListener('popstate', moved);
  window.addEventListener(MOVED, moved);
  return () => {
    window.removeEventListener('popstate', moved);
    window.removeEventListener(MOVED, moved);
  };
}

/** Without a stroke at its end. */
const address = (): string => location.pathname.replace(/(.)\/+$/, '$1');

/** The address of the screen shown; null where the page is made, before there is a window. */
export const useHere = (): string | null => useSyncExternalStore(hear, address, () => null);

/** Goes to another screen of the program. */
export function go(path: string): void {
  if (path === address()) return;
  history.pushState(null, '', path);
  window.scrollTo(0, 0);
  window.dispatchEvent(new Event(MOVED));
}
