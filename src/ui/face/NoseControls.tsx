'use client';
/** The nose: kind, size, tilt, nostrils, what it leaves for the mouth, its wool. */
import Box from '@mui/material/Box';
import { noseSchema } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { WoolField } from '@/ui/parts/WoolField';
import type { FeatureProps } from './feature-props';
import { editFace, setSmallWool } from './face-store';

export function NoseControls({ face }: FeatureProps) {
  const { nose } = face;
  const beak = nose.kind === 'beak';
  const kind = beak ? 'beak' : 'nose';
  const wool = useDesk((s) => s.piece?.smallParts.find((x) => x.kind === kind)?.recipe[0]?.lotId ?? null);
  const muzzle = useDesk((s) => s.piece?.form.parts.find((p) => p.id === nose.at.part)?.on !== null);
  const of = {
    schema: noseSchema,
    value: nose,
    onChange: (change: Partial<typeof nose>) => editFace((f) => void Object.assign(f.nose, change)),
  };
  return (
    <Box role="group" aria-label="Nose">
      <Fields
        {...of}
        keys={[
          'kind',
          'widthMm',
          'highMm',
          'tiltDeg',
          'nostrils',
          ...(nose.nostrils === 'none' ? [] : (['nostrilMm', 'nostrilsApartMm'] as const)),
          'philtrumMm',
        ]}
      />
      <WoolField
        label="Wool"
        value={wool}
        none="no wool"
        onChange={(id) => setSmallWool(kind, beak ? 'Beak' : 'Nose', nose.at.part, id)}
      />
      {muzzle && <Fields {...of} keys={['beforeJoin']} />}
    </Box>
  );
}
