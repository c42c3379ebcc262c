'use client';
/** A marking in cut pile: none, a stripe or spots, its wool, its width, and which rows carry it. */
import Box from '@mui/material/Box';
import type { Marking } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { MeasureField } from '@/ui/parts/MeasureField';
import { WoolField } from '@/ui/parts/WoolField';

interface MarkingProps {
  readonly marking: Marking;
  readonly lots: readonly Lot[];
  readonly onChange: (m: Marking) => void;
}

export function MarkingControls({ marking: m, lots, onChange }: MarkingProps) {
  const carrying =
    m.kind === 'none'
      ? { lotId: lots[0]?.id ?? 'none', from: 0, to: 1, every: 1 }
      : { lotId: m.lotId, from: m.from, to: m.to, every: m.every };
  const choose = (kind: Marking['kind']) => {
    if (kind === 'none') onChange({ kind: 'none' });
    else if (kind === 'stripe') onChange({ kind: 'stripe', ...carrying, share: 0.33, cut: 'flat' });
    else onChange({ kind: 'spot', ...carrying, pinchMgMm: 1, pinchWidthMm: 6, pitchMm: 20 });
  };
  return (
    <Box role="group" aria-label="Marking">
      <Box
        sx={{ display: 'grid', gridTemplateColumns: '92px 1fr', gap: 1.5, alignItems: 'center', fontSize: 13, my: 0.5 }}
      >
        <span>Marking</span>
        <ChoiceRow
          label="Kind of marking"
          value={m.kind}
          disabled={lots.length === 0}
          options={[
            { value: 'none', says: 'none' },
            { value: 'stripe', says: 'stripe' },
            { value: 'spot', says: 'spots' },
          ]}
          onChange={choose}
        />
      </Box>
      {m.kind !== 'none' && (
        <>
          <WoolField label="Its wool" value={m.lotId} onChange={(id) => id !== null && onChange({ ...m, lotId: id })} />
          {m.kind === 'stripe' && (
            <>
              <MeasureField
                label="Share of lay"
                kind="number"
                value={m.share}
                min={0.05}
                max={0.95}
                slide={{ min: 0.05, max: 0.95, step: 0.05 }}
                onChange={(share) => onChange({ ...m, share })}
              />
              <ChoiceRow
                label="How it is cut"
                value={m.cut}
                options={[
                  { value: 'flat', says: 'cut flat' },
                  { value: 'domed', says: 'cut domed' },
                ]}
                onChange={(cut) => onChange({ ...m, cut })}
              />
            </>
          )}
          {m.kind === 'spot' && (
            <>
              <MeasureField
                label="Pinch, mg a mm"
                kind="number"
                value={m.pinchMgMm}
                min={0.05}
                max={20}
                slide={{ min: 0.1, max: 5, step: 0.1 }}
                onChange={(pinchMgMm) => onChange({ ...m, pinchMgMm })}
              />
              <MeasureField
                label="Pinch width"
                kind="length"
                value={m.pinchWidthMm}
                min={0.5}
                max={60}
                slide={{ min: 1, max: 20, step: 0.5 }}
                onChange={(pinchWidthMm) => onChange({ ...m, pinchWidthMm })}
              />
              <MeasureField
                label="Spot to spot"
                kind="length"
                value={m.pitchMm}
                min={2}
                max={200}
                slide={{ min: 4, max: 60, step: 1 }}
                onChange={(pitchMm) => onChange({ ...m, pitchMm })}
              />
            </>
          )}
          {(
            [
              ['from', 'From, way up'],
              ['to', 'To, way up'],
            ] as const
          ).map(([key, label]) => (
            <MeasureField
              key={key}
              label={label}
              kind="number"
              value={m[key]}
              min={0}
              max={1}
              slide={{ min: 0, max: 1, step: 0.05 }}
              onChange={(v) => onChange({ ...m, [key]: v })}
            />
          ))}
          <MeasureField
            label="Every row"
            kind="count"
            value={m.every}
            min={1}
            max={50}
            slide={{ min: 1, max: 10, step: 1 }}
            onChange={(v) => onChange({ ...m, every: Math.round(v) })}
          />
        </>
      )}
    </Box>
  );
}
