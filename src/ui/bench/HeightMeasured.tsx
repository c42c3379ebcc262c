'use client';
/** Fur measured with a rule: how high it really stands; the plan learns it for this way of laying. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { boundsOf } from '@/core/piece/fields';
import { MEASURED_MM } from '@/core/piece/log-entry';
import { heightMeasured } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

const { least, most } = boundsOf(MEASURED_MM);

export function HeightMeasured({ area }: { area: AreaPlan }) {
  const { q } = useUnits();
  const fur = area.fur!;
  // What is learned goes by what was planned before anything was.
  const learnt = useDesk((s) => s.plan?.hand.laying[fur.method]?.loft?.times ?? 1);
  const [open, setOpen] = useState(false);
  const [stands, setStands] = useState<number | null>(null);
  const planned = fur.figures.loft.value;
  if (!open) return <EditButton onClick={() => setOpen(true)}>Measure the height</EditButton>;
  const write = () => {
    if (stands !== null) heightMeasured(area.id, stands, planned / learnt, fur.method);
    setOpen(false);
    setStands(null);
  };
  return (
    <Ruled aria-label="Height measured" title="How high does the fur stand?">
      <MeasureField
        label="It stands"
        kind="length"
        value={stands}
        min={least}
        max={most}
        help="A rule set on the skin, the fur fluffed and not pressed."
        autoFocus
        onChange={setStands}
      />
      <Box sx={{ fontSize: 13, my: 0.5 }}>{q({ kind: 'length', value: planned })} are planned.</Box>
      <Box sx={{ display: 'flex', gap: 1 }}>
        <EditButton variant="contained" disabled={stands === null} onClick={write}>
          Write the height down
        </EditButton>
        <EditButton onClick={() => setOpen(false)}>Close</EditButton>
      </Box>
    </Ruled>
  );
}
