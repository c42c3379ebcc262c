/** Nothing but the work on the screen: full screen where the browser has it, else without the bars above; with a dim surround where asked for. */
import { useEffect } from 'react';
import { setView, useDesk } from '@/desk/store';

export function toggleBare(): void {
  const bare = !useDesk.getState().view.bare;
  setView({ bare });
  const root = document.documentElement;
  if (bare) root.requestFullscreen?.().catch(() => undefined);
  else if (document.fullscreenElement) document.exitFullscreen().catch(() => undefined);
}

/** Whoever leaves full screen by the browser's own key has the desk back. */
export function useBare(): boolean {
  useEffect(() => {
    const onChange = () => {
      if (!document.fullscreenElement) setView({ bare: false });
    };
    document.addEventListener('fullscreenchange', onChange);
    return () => {
      document.removeEventListener('fullscreenchange', onChange);
      if (document.fullscreenElement) document.exitFullscreen().catch(() => undefined);
      setView({ bare: false });
    };
  }, []);
  return useDesk((s) => s.view.bare);
}

/** The surround dim while the bench is open, whatever it is elsewhere. */
export function useDim(): void {
  const dim = useDesk((s) => s.settings.bench.dim);
  useEffect(() => {
    const root = document.documentElement;
    if (!dim || !root.hasAttribute('data-light')) return;
    root.removeAttribute('data-light');
    root.setAttribute('data-dark', '');
    return () => {
      root.removeAttribute('data-dark');
      root.setAttribute('data-light', '');
    };
  }, [dim]);
}
