/** How large a picture is shown, nothing until it is in sight, and whether it is in sight just now. */
import { useEffect, useRef, useState, type RefObject } from 'react';
import type { Size } from './camera';

export function useSize(): [ref: RefObject<HTMLDivElement | null>, size: Size, shown: boolean] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size>({ width: 0, height: 0 });
  const [shown, setShown] = useState(false);
  useEffect(() => {
    const el = ref.current;
    if (!el) return;
    const watch = new ResizeObserver(([entry]) => {
      const r = entry!.contentRect;
      // Out of sight it keeps the size it had, so that it need not be begun anew.
      const is = r.width > 0 && r.height > 0;
      setShown(is);
      if (is) setSize({ width: r.width, height: r.height });
    });
    watch.observe(el);
    return () => watch.disconnect();
  }, []);
  return [ref, size, shown];
}
