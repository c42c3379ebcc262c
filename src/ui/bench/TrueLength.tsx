'use client';
/** A length at true size on the screen, in as many stretches as there is room for. */
import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';
import { useDesk } from '@/desk/store';
import { stretches } from './stretches';

/** Pixels of a style sheet to the millimetre, on a screen that keeps to them. */
export const PX_PER_MM = 96 / 25.4;

/** The same of this screen, as a card held to it has shown. */
export const usePxPerMm = (): number => useDesk((s) => s.settings.screen) * PX_PER_MM;

export function TrueLength({ mm }: { mm: number }) {
  const scale = usePxPerMm();
  const box = useRef<HTMLDivElement>(null);
  const [wide, setWide] = useState(0);
  useEffect(() => {
    const el = box.current;
    if (!el) return;
    const seen = new ResizeObserver(() => setWide(el.clientWidth));
    seen.observe(el);
    return () => seen.disconnect();
  }, []);
  const all = stretches(mm, wide / scale);
  return (
    <Box ref={box} role="img" aria-label="Its length at true size" sx={{ minHeight: 10, my: 0.5 }}>
      {all.map((length, i) => (
        <Box
          key={i}
          sx={{
            width: length * scale,
            height: 8,
            mb: 0.25,
            bgcolor: 'primary.main',
            borderRight: i === all.length - 1 ? 3 : 0,
            borderLeft: i === 0 ? 3 : 0,
            borderColor: 'text.primary',
            boxSizing: 'border-box',
          }}
        />
      ))}
    </Box>
  );
}
