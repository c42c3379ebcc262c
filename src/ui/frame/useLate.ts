'use client';
/** True once something has been under way for noticeable time, so that what ends at once is not announced. */
import { useEffect, useState } from 'react';

/** @param patienceMs how long it may take unsaid */
export function useLate(busy: boolean, patienceMs: number): boolean {
  const [late, setLate] = useState(false);
  useEffect(() => {
    if (!busy) return;
    const t = setTimeout(() => setLate(true), patienceMs);
    return () => {
      clearTimeout(t);
      setLate(false);
    };
  }, [busy, patienceMs]);
  return late;
}
