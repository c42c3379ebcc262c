'use client';
/** Which part of the plan figures come from: those that a change may move are dimmed at once, until they are worked out again. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { createContext, useContext, useMemo, type ReactNode } from 'react';
import type { PlanPart, Touched } from '@/core/touched';
import { useDesk } from '@/desk/store';
import { touchedNow } from '@/desk/touched-now';

interface From {
  readonly of: readonly PlanPart[];
  /** The area they are of, where they are of one. */
  readonly area?: string | null;
}

const Source = createContext<From>({ of: [] });

export function FiguresOf({ of, area = null, children }: From & { readonly children: ReactNode }) {
  const words = of.join(' ');
  const from = useMemo(() => ({ of: words.split(' ').filter(Boolean) as PlanPart[], area }), [words, area]);
  return <Source value={from}>{children}</Source>;
}

function moves(t: Touched, { of, area }: From): boolean {
  return of.some((p) => {
    const some = p === 'coat' ? t.coats : p === 'shade' ? t.colours : null;
    return some && area ? some === 'all' || some.has(area) : t.parts.has(p);
  });
}

/** What figures wear: dimmed while they may be old. @param from where that is not what the room says */
export function useOld(from?: From) {
  const room = useContext(Source);
  const old = useDesk((s) => moves(touchedNow(s), from ?? room));
  return old ? OLD : FRESH;
}

/** How it looks stands in the theme. */
const OLD = { 'data-old': '' } as const;
const FRESH = {} as const;

/** The answer as a sentence, before anything else. */
export function Sentence({ children }: { children: ReactNode }) {
  return (
    <Typography component="p" {...useOld()} sx={{ fontSize: 18, lineHeight: 1.5, my: 1 }}>
      {children}
    </Typography>
  );
}

/** Anything else worked out: a chart, a line of text. */
export function Dimmed({ of, area, children }: Partial<From> & { readonly children: ReactNode }) {
  return (
    <Box {...useOld(of ? { of, area: area ?? null } : undefined)} sx={{ display: 'flow-root', height: '100%' }}>
      {children}
    </Box>
  );
}
