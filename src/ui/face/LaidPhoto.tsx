'use client';
/** A photograph laid behind the chart by its pins, turned and scaled to fit the planned landmarks. */
import { useMemo } from 'react';
import { onChart, type ChartSide } from '@/core/face/face-edits';
import type { FacePlan } from '@/core/face/face';
import { fitPhoto, type Fitted } from '@/core/face/level/photo-fit';
import type { FacePhoto } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { usePicture } from '@/ui/parts/usePicture';
import { useFace } from './face-store';

export function fitOf(photo: FacePhoto, plan: FacePlan): Fitted | null {
  const at = new Map(plan.measured.map((m) => [m.mark as string, onChart(m.inHead, photo.side)]));
  return fitPhoto(
    photo.pins.flatMap((p) => {
      const chart = at.get(p.mark);
      return chart ? [{ mark: p.mark, picture: [p.at[0], -p.at[1] / photo.aspect] as const, chart }] : [];
    }),
  );
}

export function LaidPhoto({ side }: { side: ChartSide }) {
  const f = useFace();
  const chosen = useDesk((s) => s.view.facePhotoId);
  const own = f?.face.photos.filter((p) => p.of === 'animal' && p.side === side) ?? [];
  const photo = own.find((p) => p.id === chosen) ?? own[0] ?? null;
  return photo && f?.plan ? <Laid key={photo.id} photo={photo} plan={f.plan} /> : null;
}

export function Laid({ photo, plan }: { photo: FacePhoto; plan: FacePlan }) {
  const picture = usePicture(photo.id);
  const fit = useMemo(() => fitOf(photo, plan), [photo, plan]);
  if (!picture || !fit) return null;
  return (
    <g
      opacity={photo.strength}
      transform={`translate(${fit.corner[0]} ${-fit.corner[1]}) rotate(${-fit.turnDeg}) scale(${fit.mmPerWidth})`}
    >
      <image href={picture} x={0} y={0} width={1} height={1 / photo.aspect} preserveAspectRatio="none" />
    </g>
  );
}
