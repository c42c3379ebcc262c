'use client';
/** The brows: length, height, thickness, arch and tilt. */
import Box from '@mui/material/Box';
import { browsSchema, type Face } from '@/core/piece/face';
import { setView } from '@/desk/store';
import { WoolField } from '@/ui/parts/WoolField';
import { type FeatureProps } from './feature-props';
import { editFace } from './face-store';
import { FaceField } from './FaceField';
import { EditButton } from '@/ui/parts/Editable';

export function BrowControls({ face }: FeatureProps) {
  const b = browsSchema.shape;
  if (!face.brows) return null;
  const { brows } = face;
  const set = (recipe: (x: NonNullable<Face['brows']>) => void) =>
    editFace((f) => {
      if (f.brows) recipe(f.brows);
    });
  return (
    <Box role="group" aria-label="Brows">
      <FaceField
        label="Length"
        value={brows.lengthMm}
        bounds={b.lengthMm}
        slide={[0.5, 30, 0.5]}
        onChange={(v) => set((x) => void (x.lengthMm = v))}
      />
      <FaceField
        label="Above the eye"
        value={brows.aboveMm}
        bounds={b.aboveMm}
        slide={[0, 15, 0.1]}
        onChange={(v) => set((x) => void (x.aboveMm = v))}
      />
      <FaceField
        label="Thick inside"
        value={brows.inMm}
        bounds={b.inMm}
        slide={[0.2, 5, 0.1]}
        onChange={(v) => set((x) => void (x.inMm = v))}
      />
      <FaceField
        label="Thick outside"
        value={brows.outMm}
        bounds={b.outMm}
        slide={[0, 5, 0.1]}
        onChange={(v) => set((x) => void (x.outMm = v))}
      />
      <FaceField
        label="Arch"
        value={brows.archMm}
        bounds={b.archMm}
        slide={[-4, 8, 0.1]}
        onChange={(v) => set((x) => void (x.archMm = v))}
      />
      <FaceField
        label="Outer end up"
        kind="angle"
        value={brows.tiltDeg}
        bounds={b.tiltDeg}
        slide={[-40, 40, 1]}
        onChange={(v) => set((x) => void (x.tiltDeg = v))}
      />
      <WoolField label="Wool" value={brows.lotId} none="no wool" onChange={(id) => set((x) => void (x.lotId = id))} />
      <EditButton
        onClick={() => {
          editFace((f) => void (f.brows = null));
          setView({ feature: 'eyes' });
        }}
      >
        Take the brows away
      </EditButton>
    </Box>
  );
}
