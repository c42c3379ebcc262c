'use client';
/** The brows: length, height, thickness, arch and tilt. */
import Box from '@mui/material/Box';
import { browsSchema } from '@/core/piece/face';
import { setView } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import type { FeatureProps } from './feature-props';
import { editFace } from './face-store';

export function BrowControls({ face: { brows } }: FeatureProps) {
  if (!brows) return null;
  return (
    <Box role="group" aria-label="Brows">
      <Fields
        schema={browsSchema}
        value={brows}
        keys={['lengthMm', 'aboveMm', 'inMm', 'outMm', 'archMm', 'tiltDeg', 'lotId']}
        onChange={(change) => editFace((f) => f.brows && void Object.assign(f.brows, change))}
      />
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
