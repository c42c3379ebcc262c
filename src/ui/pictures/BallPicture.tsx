'use client';
/** An area's coat on a practice ball, as it will be: the finished picture of a ball planned like an animal. */
import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import { workOutBall } from '@/desk/still';
import { upToDate, useDesk } from '@/desk/store';

/** Pixels; as large on the page. */
const SIZE = { width: 480, height: 360 } as const;
/** So long after the last change it is begun, ms. */
const REST_MS = 500;

export function BallPicture({ areaId, name, diameterMm }: { areaId: string; name: string; diameterMm: number }) {
  const plan = useDesk((s) => s.plan);
  const ready = useDesk(upToDate);
  const [seen, setSeen] = useState<
    { readonly url: string; readonly wrong?: never } | { readonly wrong: string } | null
  >(null);
  useEffect(() => {
    if (!plan || !ready) return;
    let stop: () => void = () => undefined;
    let gone = false;
    const rest = setTimeout(() => {
      const job = workOutBall(areaId, diameterMm, { from: 'aslant', light: 'window', ...SIZE, named: null });
      if (!job) return;
      stop = job.stop;
      job.done.then(
        (blob) => {
          if (blob && !gone) setSeen({ url: URL.createObjectURL(blob) });
        },
        (e: unknown) => {
          if (!gone) setSeen({ wrong: e instanceof Error ? e.message : String(e) });
        },
      );
    }, REST_MS);
    return () => {
      gone = true;
      clearTimeout(rest);
      stop();
    };
  }, [areaId, diameterMm, plan, ready]);
  const url = seen && 'url' in seen ? seen.url : null;
  useEffect(() => (url ? () => URL.revokeObjectURL(url) : undefined), [url]);
  return (
    <Box sx={{ aspectRatio: `${SIZE.width} / ${SIZE.height}`, bgcolor: 'desk.stage', my: 1, display: 'grid' }}>
      {url ? (
        <Box
          component="img"
          src={url}
          alt={`${name} on the ball, as it should come out`}
          sx={{ width: '100%', height: '100%', objectFit: 'cover' }}
        />
      ) : (
        <Box role="status" sx={{ placeSelf: 'center', fontSize: 13 }}>
          {seen && 'wrong' in seen ? `The ball could not be drawn: ${seen.wrong}` : 'The ball is being drawn.'}
        </Box>
      )}
    </Box>
  );
}
