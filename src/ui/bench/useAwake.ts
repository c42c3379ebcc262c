/** Keeps the screen awake while the bench is open and seen. @returns whether this browser cannot */
import { useEffect, useState } from 'react';

export function useAwake(): boolean {
  const [cannot, setCannot] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        if (!('wakeLock' in navigator)) throw new Error('no lock');
        const got = await navigator.wakeLock.request('screen');
        if (gone) void got.release();
        else {
          lock = got;
          setCannot(false);
        }
      } catch {
        if (!gone) setCannot(true);
      }
    };
    void ask();
    // A page that was hidden has lost it.
    document.addEventListener('visibilitychange', ask);
    return () => {
      gone = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, []);
  return cannot;
}
