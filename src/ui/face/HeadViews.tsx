'use client';
/** Front, profile and three-quarter of the head at once, in the colours or the fur of the turntable's overlay. */
import Box from '@mui/material/Box';
import dynamic from 'next/dynamic';
import { useMemo, useSyncExternalStore, type ReactNode } from 'react';
import type { FacePlan } from '@/core/face/face';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import type { Size } from '@/ui/pictures/camera';
import { Refined, OVER_REFINED } from '@/ui/pictures/Refined';
import { useSize } from '@/ui/pictures/useSize';
import { drawing } from '@/ui/pictures/webgl';
import { useFace } from './face-store';
import { headLens } from './head-lens';

const Scene = dynamic(() => import('./HeadScene').then((m) => m.HeadScene), { ssr: false });

const HEAD_VIEWS = [
  { name: 'front', yaw: 0, pitch: 0 },
  { name: 'three-quarter', yaw: 40, pitch: 8 },
  { name: 'profile', yaw: 90, pitch: 0 },
] as const;

const nothing = () => () => undefined;

export function HeadViews() {
  const plan = useDesk((s) => s.plan);
  const f = useFace();
  const few = useDesk((s) => s.settings.picture === 'plain');
  const can = useSyncExternalStore(nothing, drawing, () => null);
  if (!plan || !f?.plan) return null;
  if (can === 'none' && few) {
    return (
      <Box sx={{ fontSize: 13 }}>
        The pictures stand still: this browser cannot draw in 3D. The chart and every figure work without it.
      </Box>
    );
  }
  return (
    <Views plan={plan} face={f.plan} few={few} software={can === 'software'} ready={can !== null && can !== 'none'} />
  );
}

interface ViewsProps {
  readonly plan: Plan;
  readonly face: FacePlan;
  readonly few: boolean;
  readonly software: boolean;
  readonly ready: boolean;
}

function Views({ plan, face, few, software, ready }: ViewsProps) {
  const [ref, size, shown] = useSize();
  const seen = size.width > 0;
  // The head may be turned by the pose: its pictures are taken in its own frame.
  const { z } = face.frame;
  const turn = (Math.atan2(z[0], z[2]) * 180) / Math.PI;
  const { at, perMm } = useMemo(() => headLens(face), [face]);
  const fur = useDesk((s) => s.view.overlay === 'fur');
  return (
    <Box
      ref={ref}
      sx={{ flex: 1, display: 'grid', gridTemplateColumns: 'repeat(3, minmax(0, 1fr))', gap: 1, minWidth: 0 }}
    >
      {HEAD_VIEWS.map((v) => (
        <HeadView key={v.name} name={v.name} busy={shown && ready}>
          {(each) => (
            <>
              {fur && !few && shown && each.width > 0 && (
                <Refined view={{ yaw: turn + v.yaw, pitch: v.pitch }} centre={at} perMm={perMm} size={each} />
              )}
              {ready && seen && <Scene plan={plan} yaw={turn + v.yaw} pitch={v.pitch} software={software} few={few} />}
            </>
          )}
        </HeadView>
      ))}
    </Box>
  );
}

function HeadView({ name, busy, children }: { name: string; busy: boolean; children: (size: Size) => ReactNode }) {
  const [ref, size] = useSize();
  return (
    <Box sx={{ position: 'relative', bgcolor: 'desk.stage', minHeight: 0 }}>
      <Box
        ref={ref}
        role="img"
        data-picture=""
        aria-busy={busy}
        aria-label={`The head from the ${name}`}
        sx={{ position: 'absolute', inset: 0, ...OVER_REFINED }}
      >
        {children(size)}
      </Box>
      <Box sx={{ position: 'absolute', left: 6, top: 3, fontSize: 13 }}>{name}</Box>
    </Box>
  );
}
