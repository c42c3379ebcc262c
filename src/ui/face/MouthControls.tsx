'use client';
/** The mouth: length, thickness, lift of the corners, chin. */
import Box from '@mui/material/Box';
import { mouthSchema, MOUTH_KINDS, type Face } from '@/core/piece/face';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { WoolField } from '@/ui/parts/WoolField';
import { asOptions, type FeatureProps } from './feature-props';
import { editFace } from './face-store';
import { FaceField } from './FaceField';

export function MouthControls({ face }: FeatureProps) {
  const { mouth } = face;
  const b = mouthSchema.shape;
  const set = (recipe: (m: Face['mouth']) => void) => editFace((f) => recipe(f.mouth));
  return (
    <Box role="group" aria-label="Mouth">
      <ChoiceRow
        label="Kind of mouth"
        options={asOptions(MOUTH_KINDS)}
        value={mouth.kind}
        onChange={(v) => set((m) => void (m.kind = v))}
      />
      {mouth.kind !== 'none' && (
        <>
          <FaceField
            label="Each side"
            value={mouth.sideMm}
            bounds={b.sideMm}
            slide={[0.5, 40, 0.5]}
            onChange={(v) => set((m) => void (m.sideMm = v))}
          />
          <FaceField
            label="Thick in middle"
            value={mouth.thickMm}
            bounds={b.thickMm}
            slide={[0.3, 4, 0.1]}
            onChange={(v) => set((m) => void (m.thickMm = v))}
          />
          <FaceField
            label="At the corner"
            value={mouth.endMm}
            bounds={b.endMm}
            slide={[0, 4, 0.1]}
            onChange={(v) => set((m) => void (m.endMm = v))}
          />
          <FaceField
            label="Corner lifted"
            value={mouth.liftMm}
            bounds={b.liftMm}
            slide={[-6, 6, 0.1]}
            onChange={(v) => set((m) => void (m.liftMm = v))}
          />
          <FaceField
            label="Chin"
            value={mouth.chinMm}
            bounds={b.chinMm}
            slide={[0, 20, 0.5]}
            onChange={(v) => set((m) => void (m.chinMm = v))}
          />
          <WoolField
            label="Wool"
            value={mouth.lotId}
            none="no wool"
            onChange={(id) => set((m) => void (m.lotId = id))}
          />
        </>
      )}
    </Box>
  );
}
