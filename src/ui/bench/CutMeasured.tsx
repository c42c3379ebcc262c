'use client';
/** Wool that was cut to another length than planned: what the fur comes to, and with one press the area planned with it. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { lengthFor } from '@/core/coat/cut-otherwise';
import { methodOf } from '@/core/methods';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { boundsOf } from '@/core/piece/fields';
import { MEASURED_MM } from '@/core/piece/log-entry';
import { cutOtherwise } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

const { least, most } = boundsOf(MEASURED_MM);

export function CutMeasured({ area }: { area: AreaPlan }) {
  const { q } = useUnits();
  const hand = useDesk((s) => s.hand);
  const fur = area.fur!;
  const cut = fur.figures.cutLength;
  const [open, setOpen] = useState(false);
  const [actual, setActual] = useState<number | null>(null);
  if (!cut || lengthFor(cut, methodOf(cut.method), hand, cut.value) === null) return null;
  if (!open) return <EditButton onClick={() => setOpen(true)}>Cut to another length</EditButton>;
  const lengthMm = actual === null ? null : lengthFor(cut, methodOf(cut.method), hand, actual);
  const length = (value: number) => q({ kind: 'length', value });
  const write = (anew: boolean) => {
    if (actual !== null) cutOtherwise(area.id, actual, cut.value, fur.method, anew ? lengthMm : null);
    setOpen(false);
    setActual(null);
  };
  return (
    <Ruled aria-label="Cut to another length" title="How long were they cut?">
      <MeasureField
        label="Cut"
        kind="length"
        value={actual}
        min={least}
        max={most}
        help="As it lies on the table, drawn straight."
        autoFocus
        onChange={setActual}
      />
      <Box sx={{ fontSize: 13, my: 0.5 }}>
        {length(cut.value)} are planned.
        {actual !== null &&
          (lengthMm === null
            ? ' That is too short for any fur to stand out of the fold.'
            : ` The fur comes to ${length(lengthMm)}; wool, cover and what lies under it follow.`)}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <EditButton variant="contained" disabled={lengthMm === null} onClick={() => write(true)}>
          Plan the area with it
        </EditButton>
        <EditButton disabled={actual === null} onClick={() => write(false)}>
          Only write it down
        </EditButton>
        <EditButton onClick={() => setOpen(false)}>Close</EditButton>
      </Box>
    </Ruled>
  );
}
