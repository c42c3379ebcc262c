'use client';
/** One small picture of the head: skin, areas in their colours or with fur, and the face. */
import { useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState } from 'react';
import type { Plan } from '@/core/plan';
import { useDesk } from '@/desk/store';
import { AreaOnAnimal } from '@/ui/pictures/AreaOnAnimal';
import { FaceOnAnimal } from '@/ui/pictures/FaceOnAnimal';
import { LastingCanvas } from '@/ui/pictures/LastingCanvas';
import { Awaited, Settled } from '@/ui/pictures/Settled';
import { Fur, Rig, SkinMaterial, standsOn, useSkin, useStandingFur } from '@/ui/pictures/TurntableScene';
import { untouched } from '@/ui/pictures/turntable-geometry';
import type { StandingFur } from '@/worker/plan.worker';
import { headLens } from './head-lens';

interface HeadSceneProps {
  readonly plan: Plan;
  readonly yaw: number;
  readonly pitch: number;
  readonly software: boolean;
  /** Few strands, one point of the screen each. */
  readonly few: boolean;
}

const STRANDS = { plain: 1_500, software: 20_000, card: 60_000 } as const;

export function HeadScene({ plan, yaw, pitch, software, few }: HeadSceneProps) {
  const [awaited] = useState(() => new Awaited());
  const view = useDesk((s) => s.view);
  const { at, perMm } = useMemo(() => headLens(plan.face!), [plan.face]);
  const place = useMemo(() => ({ yaw, pitch }), [yaw, pitch]);
  const fur = view.overlay === 'fur';
  const strands = useStandingFur(
    plan,
    few ? STRANDS.plain : software ? STRANDS.software : STRANDS.card,
    null,
    awaited,
    fur,
  );
  const shown = useMemo(() => ({ ...view, overlay: fur ? ('fur' as const) : ('colour' as const) }), [view, fur]);
  return (
    <LastingCanvas coarse={software || few}>
      <Rig view={place} perMm={perMm} plan={plan} at={at} />
      <Skin plan={plan} fur={fur ? strands : null} />
      {plan.coat.areas.map(
        (a) =>
          a.surface && (
            <AreaOnAnimal
              key={a.id}
              area={a}
              shaded={plan.shade.areas.find((x) => x.id === a.id)}
              surfaceOf={a.surface}
              standsOn={fur ? standsOn(strands, a.id) : null}
              view={shown}
              tint={null}
              selected={false}
              litRow={null}
              raise={plan.form.lengthMm * 0.0016}
            />
          ),
      )}
      <FaceOnAnimal plan={plan} />
      {fur && strands && <Fur fur={strands} />}
      <Settled awaited={awaited} />
    </LastingCanvas>
  );
}

function Skin({ plan, fur }: { plan: Plan; fur: StandingFur | null }) {
  const g = useSkin(plan.form.skin, fur);
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate());
  return (
    <mesh geometry={g} raycast={untouched}>
      <SkinMaterial g={g} />
    </mesh>
  );
}
