'use client';
/** How a border runs: how far it strays, over how much it is softened with the reverse needle. */
import { borderSchema, type Border } from '@/core/piece/shade';
import { MeasureField } from '@/ui/parts/MeasureField';

const FIELDS = [
  { key: 'raggedMm', label: 'Border strays' },
  { key: 'softMm', label: 'Softened over' },
] as const;

export function BorderFields({ border, onChange }: { border: Border; onChange: (border: Border) => void }) {
  return FIELDS.map(({ key, label }) => (
    <MeasureField
      key={key}
      label={label}
      kind="length"
      value={border[key]}
      min={borderSchema.shape[key].minValue ?? 0}
      max={borderSchema.shape[key].maxValue ?? 15}
      slide={{ min: 0, max: 10, step: 0.5 }}
      onChange={(v) => onChange({ ...border, [key]: v })}
    />
  ));
}
