'use client';
/** The few controls of an area: way of laying, wool, length, spacing, lay weight, lift, pinches. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { firstCoat } from '@/core/piece/new-piece';
import { foldOverSchema, type Area, type FoldOver } from '@/core/piece/schema';
import type { QuantityKind } from '@/core/text';
import { editPiece, useDesk } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';
import { useUnits } from '@/ui/parts/useUnits';

type Measure = 'lengthMm' | 'spacingMm' | 'liftDeg' | 'layMgCm' | 'pinchWidthMm' | 'pinchPitchMm';

const FIELDS: readonly {
  key: Measure;
  label: string;
  kind: QuantityKind;
  slide: { min: number; max: number; step: number };
}[] = [
  { key: 'lengthMm', label: 'Length', kind: 'length', slide: { min: 3, max: 60, step: 0.5 } },
  { key: 'spacingMm', label: 'Row spacing', kind: 'length', slide: { min: 1, max: 20, step: 0.5 } },
  { key: 'layMgCm', label: 'Lay weight', kind: 'linear', slide: { min: 0.5, max: 40, step: 0.5 } },
  { key: 'liftDeg', label: 'Lift', kind: 'angle', slide: { min: 0, max: 80, step: 1 } },
  { key: 'pinchWidthMm', label: 'Pinch width', kind: 'length', slide: { min: 1, max: 25, step: 0.5 } },
  { key: 'pinchPitchMm', label: 'Pinch to pinch', kind: 'length', slide: { min: 1, max: 40, step: 0.5 } },
];

const row = {
  display: 'grid',
  gridTemplateColumns: '92px minmax(0, 1fr)',
  gap: 1.5,
  alignItems: 'center',
  minHeight: 38,
  fontSize: 13,
} as const;

export function CoatControls({ area }: { area: Area }) {
  const lots = useDesk((s) => s.cupboard.lots);
  const hand = useDesk((s) => s.hand);
  const length = useDesk((s) => s.piece?.form.finishedLengthMm ?? 0);
  const mine = useDesk((s) => s.mine);
  const { q } = useUnits();
  const spec = area.coat.method === 'fold-over' ? area.coat : null;
  const change = (recipe: (a: Area) => void) =>
    editPiece((d) => {
      const a = d.areas.find((x) => x.id === area.id);
      if (a) recipe(a);
    });
  const set = <K extends keyof FoldOver>(key: K, value: FoldOver[K]) =>
    change((a) => {
      if (a.coat.method === 'fold-over') a.coat[key] = value;
    });
  const known = spec && lots.some((l) => l.id === spec.lotId);
  return (
    <Box role="group" aria-label={`How ${area.name} is laid`} sx={{ mt: 1 }}>
      <Box sx={row}>
        <span id="way">Way of laying</span>
        <Select
          size="small"
          value={area.coat.method}
          disabled={!mine}
          labelId="way"
          onChange={(e) =>
            change((a) => {
              a.coat = e.target.value === 'none' ? { method: 'none' } : firstCoat(a.id, length, lots, hand);
            })
          }
          sx={{ fontSize: 13 }}
        >
          <MenuItem value="fold-over">Folded rows</MenuItem>
          <MenuItem value="none">Left bare</MenuItem>
        </Select>
      </Box>
      {spec && (
        <>
          <Box sx={row}>
            <span id="wool">Wool</span>
            <Select
              size="small"
              value={known ? spec.lotId : ''}
              displayEmpty
              disabled={!mine}
              labelId="wool"
              onChange={(e) => set('lotId', e.target.value)}
              renderValue={(id) => {
                const l = lots.find((x) => x.id === id);
                return l ? `${l.name}, ${q({ kind: 'fineness', value: l.finenessUm })}` : 'Choose a wool';
              }}
              sx={{ fontSize: 13 }}
            >
              {lots.map((l) => (
                <MenuItem key={l.id} value={l.id} sx={{ gap: 1.5, fontSize: 13 }}>
                  <Box sx={{ width: 16, height: 16, bgcolor: l.colour, border: 1, borderColor: 'text.secondary' }} />
                  {l.name}, {q({ kind: 'fineness', value: l.finenessUm })}, staple{' '}
                  {q({ kind: 'length', value: l.stapleMm })}, {q({ kind: 'mass', value: l.haveG })}
                </MenuItem>
              ))}
            </Select>
          </Box>
          {FIELDS.map((f) => {
            const bounds = foldOverSchema.shape[f.key];
            return (
              <MeasureField
                key={`${area.id}-${f.key}`}
                label={f.label}
                kind={f.kind}
                value={spec[f.key]}
                min={bounds.minValue ?? 0}
                max={bounds.maxValue ?? 1e6}
                slide={f.slide}
                disabled={!mine}
                onChange={(v) => set(f.key, v)}
              />
            );
          })}
        </>
      )}
    </Box>
  );
}
