'use client';
/** A marking in cut pile: none, a stripe or spots, its wool, its width, and which rows carry it. */
import Box from '@mui/material/Box';
import { markingSchema, type Marking } from '@/core/piece/coat';
import type { Lot } from '@/core/piece/cupboard';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { KindFields } from '@/ui/parts/Fields';

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
      <ChoiceRow
        labelled
        label="Marking"
        value={m.kind}
        disabled={lots.length === 0}
        options={[
          { value: 'none', says: 'none' },
          { value: 'stripe', says: 'stripe' },
          { value: 'spot', says: 'spots' },
        ]}
        onChange={choose}
      />
      {m.kind !== 'none' && <KindFields key={m.kind} of={markingSchema} value={m} onChange={onChange} />}
    </Box>
  );
}
