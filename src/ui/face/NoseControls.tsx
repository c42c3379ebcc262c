'use client';
/** The nose: its kind, size, nostrils and wool, the room left for the mouth. */
import Box from '@mui/material/Box';
import { noseSchema, NOSE_KINDS, NOSTRILS, type Face } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { PickField } from '@/ui/parts/PickField';
import { WoolField } from '@/ui/parts/WoolField';
import { asOptions, type FeatureProps } from './feature-props';
import { editFace, setSmallWool } from './face-store';
import { FaceField } from './FaceField';

export function NoseControls({ face }: FeatureProps) {
  const { nose } = face;
  const b = noseSchema.shape;
  const set = (recipe: (n: Face['nose']) => void) => editFace((f) => recipe(f.nose));
  const beak = nose.kind === 'beak';
  const kind = beak ? 'beak' : 'nose';
  const wool = useDesk((s) => s.piece?.smallParts.find((x) => x.kind === kind)?.recipe[0]?.lotId ?? null);
  const muzzle = useDesk((s) => s.piece?.form.parts.find((p) => p.id === nose.at.part)?.on !== null);
  return (
    <Box role="group" aria-label="Nose">
      <PickField
        label="Kind"
        value={nose.kind}
        options={asOptions(NOSE_KINDS)}
        onChange={(v) => set((n) => void (n.kind = v as typeof n.kind))}
      />
      <FaceField
        label="Width"
        value={nose.widthMm}
        bounds={b.widthMm}
        slide={[0.5, 30, 0.1]}
        onChange={(v) => set((n) => void (n.widthMm = v))}
      />
      <FaceField
        label="Height"
        value={nose.highMm}
        bounds={b.highMm}
        slide={[0.5, 30, 0.1]}
        onChange={(v) => set((n) => void (n.highMm = v))}
      />
      <FaceField
        label="Tilt up"
        kind="angle"
        value={nose.tiltDeg}
        bounds={b.tiltDeg}
        slide={[-40, 40, 1]}
        onChange={(v) => set((n) => void (n.tiltDeg = v))}
      />
      <PickField
        label="Nostrils"
        value={nose.nostrils}
        options={asOptions(NOSTRILS)}
        onChange={(v) => set((n) => void (n.nostrils = v as typeof n.nostrils))}
      />
      {nose.nostrils !== 'none' && (
        <>
          <FaceField
            label="A nostril"
            value={nose.nostrilMm}
            bounds={b.nostrilMm}
            onChange={(v) => set((n) => void (n.nostrilMm = v))}
          />
          <FaceField
            label="Apart"
            value={nose.nostrilsApartMm}
            bounds={b.nostrilsApartMm}
            onChange={(v) => set((n) => void (n.nostrilsApartMm = v))}
          />
        </>
      )}
      <FaceField
        label="Left for the mouth"
        value={nose.philtrumMm}
        bounds={b.philtrumMm}
        slide={[0, 15, 0.1]}
        onChange={(v) => set((n) => void (n.philtrumMm = v))}
      />
      <WoolField
        label="Wool"
        value={wool}
        none="no wool"
        onChange={(id) => setSmallWool(kind, beak ? 'Beak' : 'Nose', nose.at.part, id)}
      />
      {muzzle && (
        <CheckField
          label="Made before the muzzle is joined"
          value={nose.beforeJoin}
          onChange={(v) => set((n) => void (n.beforeJoin = v))}
        />
      )}
    </Box>
  );
}
