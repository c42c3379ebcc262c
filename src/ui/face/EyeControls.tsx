'use client';
/** The eyes on the chart: kind, size against life, where they look, what the cupboard has. */
import { useState } from 'react';
import Box from '@mui/material/Box';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { eyeInPhoto } from '@/core/face/eyes/eye-in-photo';
import { styleOf } from '@/core/face/eyes/eyes';
import { withStockEye } from '@/core/face/face-edits';
import { mirrorPlace } from '@/core/form/places';
import { EYE_KINDS, eyesSchema, type Eyes } from '@/core/piece/face';
import { setView, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { editFace, useFace } from './face-store';

const KINDS = Object.fromEntries(EYE_KINDS.map((k) => [k, EYE_SPECS[k].title]));

export const editEyes = (recipe: (e: Eyes) => void): void => editFace((f) => recipe(f.eyes));
export const changeEyes = (change: Partial<Eyes>): void => editEyes((e) => void Object.assign(e, change));

export function EyeControls() {
  const f = useFace();
  const { q } = useUnits();
  if (!f) return null;
  const { face, plan } = f;
  const { eyes } = face;
  const spec = EYE_SPECS[eyes.kind];
  const life = plan?.eyes.lifeMm ?? null;
  const of = { schema: eyesSchema, value: eyes, onChange: changeEyes };
  return (
    <Box role="group" aria-label="Eyes">
      <Fields {...of} keys={['kind']} words={{ kind: KINDS }} />
      <Box sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>
        Good for {spec.goodFor}; costs: {spec.costs}.
      </Box>
      <Fields {...of} keys={['sizeMm']} />
      <LifeField />
      {life !== null && <StyleScale life={life} size={eyes.sizeMm} />}
      {spec.made === 'bought' && <StockList />}
      <Fields {...of} keys={['sees', 'forwardDeg', 'slantDeg']} />
      {plan && !plan.oneSided && (
        <CheckField
          label="Right eye mirrors the left"
          value={eyes.other === null}
          onChange={(v) => editEyes((e) => void (e.other = v ? null : mirrorPlace(e.at)))}
        />
      )}
      {plan && (
        <Box sx={{ fontSize: 13, mt: 0.5 }}>
          Looks {q({ kind: 'angle', value: plan.eyes.places[0]?.sideDeg ?? 0 })} to the side; from the front{' '}
          {plan.eyes.frontShare.map((s) => q({ kind: 'share', value: s })).join(' and ')} of its disc is seen. Leave{' '}
          {q({ kind: 'fine', value: plan.clearMm })} clear of fur round its middle.
        </Box>
      )}
    </Box>
  );
}

/** Width of the eye in life: typed, or from a photograph on which eye and head are pinned. */
function LifeField() {
  const f = useFace()!;
  const scale = useDesk((s) => s.plan?.form.scale.value ?? 1);
  const { q } = useUnits();
  const { face, plan } = f;
  const pinned = face.photos.flatMap((p) => {
    const size = plan && p.of === 'animal' ? eyeInPhoto(p, plan.headWidthMm) : null;
    return size
      ? [{ photo: p, size, lifeMm: Math.max(0.5, Math.min(120, Math.round(10 * size.value * scale) / 10)) }]
      : [];
  })[0];
  const { lifeMm } = face.eyes;
  // Nothing is put in for the maker: a size of the app's own would always be life size.
  const [entering, setEntering] = useState(false);
  return (
    <>
      {lifeMm === null && !entering ? (
        <Box
          sx={{ display: 'flex', alignItems: 'center', justifyContent: 'space-between', minHeight: 38, fontSize: 13 }}
        >
          Width in life not known
          <EditButton onClick={() => setEntering(true)}>Enter it</EditButton>
        </Box>
      ) : (
        <Fields
          schema={eyesSchema}
          value={face.eyes}
          keys={['lifeMm']}
          focus={entering && lifeMm === null}
          onChange={changeEyes}
        />
      )}
      {pinned && (
        <Box sx={{ fontSize: 13 }}>
          On {pinned.photo.name} it would be <OpenedFigure figure={pinned.size} /> on this head.
          <EditButton onClick={() => editEyes((e) => void (e.lifeMm = pinned.lifeMm))}>
            Take {q({ kind: 'fine', value: pinned.lifeMm })} from {pinned.photo.name}
          </EditButton>
        </Box>
      )}
    </>
  );
}

const FROM = 0.7;
const TO = 1.8;

/** Where this piece stands between life-like and cute. */
function StyleScale({ life, size }: { life: number; size: number }) {
  const at = (f: number) => (100 * (Math.max(FROM, Math.min(TO, f)) - FROM)) / (TO - FROM);
  const factor = size / life;
  const bands = [
    [FROM, 0.9, 'smaller'],
    [0.9, 1.15, 'life-like'],
    [1.15, 1.4, 'softened'],
    [1.4, TO, 'cute'],
  ] as const;
  return (
    <Box
      role="img"
      aria-label={`The eye is ${factor.toFixed(2)} times life size: ${styleOf(factor)}`}
      sx={{ position: 'relative', height: 44, my: 0.5, fontSize: 13 }}
    >
      {bands.map(([a, b, name], i) => (
        <Box
          key={name}
          sx={{
            position: 'absolute',
            left: `${at(a)}%`,
            width: `${at(b) - at(a)}%`,
            top: 14,
            height: 28,
            borderTop: 2,
            borderLeft: i === 0 ? 0 : 1,
            borderColor: 'text.secondary',
            textAlign: 'center',
            pt: 0.5,
          }}
        >
          {name}
        </Box>
      ))}
      <Box
        sx={{
          position: 'absolute',
          left: `${at(factor)}%`,
          top: 0,
          ml: '-7px',
          lineHeight: 1,
          color: 'primary.main',
          fontSize: 15,
        }}
      >
        ▼
      </Box>
    </Box>
  );
}

/** Eyes of the cupboard that fit this kind, nearest to life first. */
function StockList() {
  const { face, plan } = useFace()!;
  const { q } = useUnits();
  if (!plan) return null;
  const { sizes } = plan.eyes;
  if (sizes.length === 0) {
    return (
      <Box sx={{ fontSize: 13, my: 0.5 }}>
        The cupboard has no {face.eyes.kind === 'stem' ? 'eyes on a stem' : 'beads'} yet. Enter them under Cupboard.
      </Box>
    );
  }
  return (
    <Box component="ul" aria-label="Eyes at hand" sx={{ listStyle: 'none', p: 0, my: 0.5 }}>
      {sizes.map((s) => {
        const on = s.eye.id === face.eyes.stockId;
        return (
          <Box component="li" key={s.eye.id} sx={{ mb: 0.5 }}>
            <EditButton
              variant={on ? 'contained' : 'outlined'}
              aria-pressed={on}
              sx={{ width: '100%', justifyContent: 'space-between', textAlign: 'left' }}
              onClick={() => {
                editFace((x) => void (x.eyes = withStockEye(x.eyes, s.eye)));
                setView({ feature: 'eyes' });
              }}
            >
              <span>{s.eye.name}</span>
              <span>
                {q({ kind: 'fine', value: s.eye.diameterMm })}
                {s.style ? `, ${s.style}` : ''}
                {s.enough ? '' : `, only ${s.eye.count}`}
              </span>
            </EditButton>
          </Box>
        );
      })}
    </Box>
  );
}
