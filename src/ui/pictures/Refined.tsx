'use client';
/**
 * The finished picture, under the quick one, which fades from it once the animal rests: fibre by fibre as the plan has it, through the same
 * lens. At the first turn the quick one is back; it is what the hand works on, and what is said of it stays before both.
 */
import Box from '@mui/material/Box';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Turned } from '@/core/picture/lens';
import { drawLikeness } from '@/desk/likeness';
import { refine } from '@/desk/refining';
import { upToDate, useDesk } from '@/desk/store';
import type { Refined as Made } from '@/worker/refine.worker';
import { lensOver, type Size } from './camera';
import { LIT } from './colours';

interface RefinedProps {
  readonly view: Turned;
  /** What is in the middle of the picture. */
  readonly centre: readonly [number, number, number];
  readonly perMm: number;
  readonly size: Size;
  /** Steps of the trim plan already taken; null for the finished coat. */
  readonly trimStep?: number | null;
  /** The row pointed out, in the area in hand. */
  readonly litRow?: number | null;
  /** What is pointed out on the quick picture for a moment when it changes, as the area in hand. */
  readonly pointedOut?: string | null;
}

/** So long after the last turn it is begun, ms. */
const REST_MS = 450;
/** What was pointed out is seen for so long, ms. */
const POINTED_MS = 1600;

/** Of the box round both pictures: the quick one fades once the finished one has come. */
export const OVER_REFINED = {
  '&[data-fine] canvas:not([data-refined])': {
    opacity: 0,
    transition: 'opacity 250ms',
    '@media (prefers-reduced-motion: reduce)': { transition: 'none' },
  },
} as const;

export function Refined({
  view: { yaw, pitch },
  centre: [x, y, z],
  perMm,
  size,
  trimStep = null,
  litRow = null,
  pointedOut = null,
}: RefinedProps) {
  const plan = useDesk((s) => s.plan);
  // A plan that was stopped before the last change is not drawn as if it were of it.
  const ready = useDesk(
    (s) => upToDate(s) && s.draft === null && s.answered?.piece === s.piece && s.answered?.cupboard === s.cupboard,
  );
  const canvas = useRef<HTMLCanvasElement>(null);
  const [seen, setSeen] = useState<'not yet' | 'rough' | 'finished'>('not yet');
  const dots = Math.min(2, typeof devicePixelRatio === 'number' ? devicePixelRatio : 1);
  const lens = useMemo(
    () => lensOver({ yaw, pitch }, [x, y, z], perMm, size, dots),
    [yaw, pitch, x, y, z, perMm, size, dots],
  );
  const litArea = litRow === null ? null : pointedOut;
  useEffect(() => {
    if (!ready || !plan) return;
    let stop: () => void = () => undefined;
    const rest = setTimeout(() => {
      const told = ({ picture, finished }: Made) => {
        const at = canvas.current;
        const on = at?.getContext('bitmaprenderer');
        if (!on) return picture.close();
        at!.width = picture.width;
        at!.height = picture.height;
        on.transferFromImageBitmap(picture);
        setSeen(finished ? 'finished' : 'rough');
        if (finished && litRow === null) drawLikeness();
      };
      const lit = litRow === null || litArea === null ? null : { areaId: litArea, row: litRow, hex: LIT };
      stop = refine(lens, told, { how: { lighting: 'window', trimStep, lit } });
    }, REST_MS);
    return () => {
      clearTimeout(rest);
      stop();
      setSeen('not yet');
    };
  }, [plan, ready, lens, trimStep, litRow, litArea]);

  const [pointing, setPointing] = useState(false);
  const before = useRef(pointedOut);
  useEffect(() => {
    if (before.current === pointedOut) return;
    before.current = pointedOut;
    setPointing(pointedOut !== null);
    const end = setTimeout(() => setPointing(false), POINTED_MS);
    return () => clearTimeout(end);
  }, [pointedOut]);

  const shown = seen !== 'not yet' && !pointing;
  // What stands out further on the quick picture would be seen round the finished one.
  useEffect(() => {
    const at = canvas.current?.closest('[data-picture]');
    at?.toggleAttribute('data-fine', shown);
    return () => at?.removeAttribute('data-fine');
  }, [shown]);
  return (
    <Box
      component="canvas"
      ref={canvas}
      aria-hidden
      data-refined={seen}
      sx={{
        position: 'absolute',
        inset: 0,
        width: '100%',
        height: '100%',
        pointerEvents: 'none',
        opacity: shown ? 1 : 0,
      }}
    />
  );
}
