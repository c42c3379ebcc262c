'use client';
/** The mouth: length, thickness, lift of the corners, chin. */
import Box from '@mui/material/Box';
import { mouthSchema } from '@/core/piece/face';
import { Fields } from '@/ui/parts/Fields';
import type { FeatureProps } from './feature-props';
import { editFace } from './face-store';

export function MouthControls({ face: { mouth } }: FeatureProps) {
  return (
    <Box role="group" aria-label="Mouth">
      <Fields
        schema={mouthSchema}
        value={mouth}
        keys={mouth.kind === 'none' ? ['kind'] : ['kind', 'sideMm', 'thickMm', 'endMm', 'liftMm', 'chinMm', 'lotId']}
        onChange={(change) => editFace((f) => void Object.assign(f.mouth, change))}
      />
    </Box>
  );
}
