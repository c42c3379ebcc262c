'use client';
/** A flat part measured across once it is felted: by how much it shrank, and what to do where it is larger or smaller than drawn. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { widthOf, type FlatPartPlan } from '@/core/build/flat-parts';
import { boundsOf } from '@/core/piece/fields';
import { LONG_MM } from '@/core/piece/log-entry';
import { shrinkMeasured } from '@/desk/bench';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

const LONG = boundsOf(LONG_MM);
/** Nearer than so much nobody could tell with a rule. Ours. */
const TOLD = 0.03;

export function ShrinkMeasured({ part }: { part: FlatPartPlan }) {
  const { q } = useUnits();
  const [open, setOpen] = useState(false);
  const [across, setAcross] = useState<number | null>(null);
  if (!open) return <EditButton onClick={() => setOpen(true)}>Measure it across</EditButton>;
  const finished = widthOf(part);
  const pattern = finished * part.pattern.value;
  const length = (value: number) => q({ kind: 'fine', value });
  const share = (value: number) => q({ kind: 'share', value });
  const off = across === null ? 0 : across / finished - 1;
  const write = () => {
    if (across !== null) shrinkMeasured(part.id, pattern, across);
    setOpen(false);
    setAcross(null);
  };
  return (
    <Ruled aria-label="Width measured" title={`How wide did ${part.name} come out?`}>
      <MeasureField
        label="Across"
        kind="fine"
        value={across}
        min={LONG.least}
        max={Math.min(LONG.most, pattern)}
        help="At its widest, felted and lying flat."
        autoFocus
        onChange={setAcross}
      />
      <Box sx={{ fontSize: 13, my: 0.5 }}>
        {length(finished)} are planned, from a pattern {length(pattern)} across.
        {across !== null &&
          ` It has shrunk by ${share(1 - across / pattern)}; ${share(1 - finished / pattern)} were planned.`}
        {off > TOLD && ` Felt on until it is ${length(finished)} across.`}
        {off < -TOLD && ' It is smaller than drawn: draw it so, or felt another from a larger pattern.'}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <EditButton variant="contained" disabled={across === null} onClick={write}>
          Write the width down
        </EditButton>
        <EditButton onClick={() => setOpen(false)}>Close</EditButton>
      </Box>
    </Ruled>
  );
}
