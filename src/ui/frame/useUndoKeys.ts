'use client';
/** Undo and redo by key, away from the desk. A field being typed in keeps its own. */
import { useEffect } from 'react';
import { doAgain, takeBack } from '@/desk/undo';

/** Handles Ctrl+Z, Ctrl+Shift+Z and Ctrl+Y. @returns true when the key was one of them */
export function undoKey(e: KeyboardEvent): boolean {
  if (!(e.ctrlKey || e.metaKey)) return false;
  const key = e.key.toLowerCase();
  if (key !== 'z' && key !== 'y') return false;
  e.preventDefault();
  if (key === 'y' || e.shiftKey) doAgain();
  else takeBack();
  return true;
}

export function useUndoKeys(): void {
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      if (!(e.target instanceof HTMLInputElement)) undoKey(e);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
}
