/** How large a picture is shown, nothing until it is in sight, and whether it is in sight just now. */
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import type { Size } from './camera';

export function useSize(): [ref: RefObject<HTMLDivElement | null>, size: Size, shown: boolean] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  const [shown, setShown] = useState(false);
  useLayoutEffect(() => {
    const el = ref.current;
    if (!el) return;
    const measured = (r: Size) => {
      // Out of sight it keeps the size it had, so that it need not be begun anew.
      const is = r.width > 0 && r.height > 0;
      setShown(is);
      if (is) setSize({ width: r.width, height: r.height });
    };
    // Before it is seen at all: what waits for a picture must not take it for one that is not there.
    measured({ width: el.clientWidth, height: el.clientHeight });
    const watch = new ResizeObserver(([entry]) => measured(entry!.contentRect));
    watch.observe(el);
    return () => watch.disconnect();
  }, []);
  return [ref, size, shown];
}
