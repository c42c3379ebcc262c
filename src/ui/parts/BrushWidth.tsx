'use client';
/** How wide the brush or the comb is on the animal, edge to edge; kept in thousandths of its length, so that it grows with it. */
import { boundsOf } from '@/core/piece/fields';
import { strokeSchema } from '@/core/piece/places';
import { setView, useDesk } from '@/desk/store';
import { MeasureField } from './MeasureField';

const REACH = boundsOf(strokeSchema.shape.reach);
/** Wider than this nobody slides it. */
const SLID = 80;

export function BrushWidth({ label = 'Brush width' }: { label?: string }) {
  const reach = useDesk((s) => s.view.brushReach);
  const perThousandth = useDesk((s) => (2 * s.piece!.form.finishedLengthMm) / 1000);
  const least = REACH.least * perThousandth;
  return (
    <MeasureField
      label={label}
      kind="length"
      value={Math.round(10 * reach * perThousandth) / 10}
      min={least}
      max={REACH.most * perThousandth}
      slide={{ min: least, max: SLID * perThousandth, step: 0.5 }}
      onChange={(v) => setView({ brushReach: Math.max(REACH.least, Math.min(REACH.most, v / perThousandth)) })}
    />
  );
}
