'use client';
/** Things side by side in one line. Where they do not fit, the line is moved sideways: a button at its end says that more is there. */
import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type ReactNode } from 'react';

interface StripProps {
  readonly label: string;
  /** The thing in hand: brought into sight when it changes. */
  readonly inHand: string;
  /** What stays at its end. */
  readonly end?: ReactNode;
  readonly children: ReactNode;
}

/** How much of a width a press moves on: what was at the end is then at the beginning. */
const STEP = 0.7;

export function Strip({ label, inHand, end, children }: StripProps) {
  const line = useRef<HTMLDivElement>(null);
  const [more, setMore] = useState({ before: false, after: false });
  useEffect(() => {
    const el = line.current;
    if (!el) return;
    const look = () => {
      const before = el.scrollLeft > 1;
      const after = el.scrollLeft + el.clientWidth < el.scrollWidth - 1;
      setMore((m) => (m.before === before && m.after === after ? m : { before, after }));
    };
    const watch = new ResizeObserver(look);
    watch.observe(el);
    for (const child of el.children) watch.observe(child);
    el.addEventListener('scroll', look, { passive: true });
    return () => {
      watch.disconnect();
      el.removeEventListener('scroll', look);
    };
  }, []);
  useEffect(() => {
    const el = line.current;
    const on = el?.querySelector<HTMLElement>('[aria-current]:not([aria-current="false"])');
    if (el && on) el.scrollLeft = on.offsetLeft - (el.clientWidth - on.offsetWidth) / 2;
  }, [inHand]);
  const move = (way: 1 | -1) => line.current?.scrollBy({ left: way * STEP * line.current.clientWidth });
  return (
    <Box
      sx={{
        display: 'flex',
        flexShrink: 0,
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Box component="nav" aria-label={label} sx={{ position: 'relative', flex: 1, minWidth: 0 }}>
        <Box
          ref={line}
          sx={{
            position: 'relative',
            display: 'flex',
            px: 1.5,
            overflowX: 'auto',
            scrollbarWidth: 'none',
            scrollPaddingInline: '40px',
            // Inside it: beyond its edge nothing is drawn.
            '& > :focus-visible': { outlineOffset: '-3px' },
          }}
        >
          {children}
        </Box>
        {more.before && <More side="left" onClick={() => move(-1)} />}
        {more.after && <More side="right" onClick={() => move(1)} />}
      </Box>
      {end}
    </Box>
  );
}

/** Whoever works by key comes to everything by itself: only pointers need it. */
function More({ side, onClick }: { side: 'left' | 'right'; onClick: () => void }) {
  return (
    <Box
      component="button"
      type="button"
      tabIndex={-1}
      aria-hidden
      onClick={onClick}
      sx={{
        position: 'absolute',
        top: 0,
        bottom: 0,
        [side]: 0,
        width: 32,
        border: 0,
        [side === 'left' ? 'borderRight' : 'borderLeft']: '1px solid',
        borderColor: 'divider',
        bgcolor: 'background.paper',
        color: 'primary.main',
        font: 'inherit',
        fontSize: 18,
        cursor: 'pointer',
      }}
    >
      {side === 'left' ? '‹' : '›'}
    </Box>
  );
}
