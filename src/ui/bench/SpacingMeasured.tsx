'use client';
/** Rows measured with a rule: how far apart they really lie, and with one press the rest of the area planned from where they end. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { lyingOf } from '@/core/coat/rows/lying';
import type { AreaPlan } from '@/core/coat/coat-plan';
import type { AreaLog } from '@/core/log/log';
import { boundsOf } from '@/core/piece/fields';
import { MEASURED_MM } from '@/core/piece/log-entry';
import { spacingMeasured } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

/** Fewer rows than these say little of how far apart they are. */
const LEAST = 3;
const USUAL = 10;
const APART = boundsOf(MEASURED_MM);

/** @param askedMm how far apart they were to lie */
export function SpacingMeasured({ area, log, askedMm }: { area: AreaPlan; log: AreaLog; askedMm: number }) {
  const { q } = useUnits();
  const entries = useDesk((s) => s.piece!.log);
  const [open, setOpen] = useState(false);
  const [rows, setRows] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const known = lyingOf(entries, area.id).reduce((n, x) => n + x.rows, 0);
  const free = log.rowsLaid - known;
  if (free < LEAST) return null;
  const n = Math.min(rows ?? USUAL, free);
  const least = Math.min(LEAST, free);
  const fur = area.fur!;
  const apart = over === null ? null : over / n;
  const length = (value: number) => q({ kind: 'fine', value });
  const write = (anew: boolean) => {
    if (apart === null) return;
    spacingMeasured(log, Math.round(apart * 1000) / 1000, askedMm, fur.method, anew);
    setOpen(false);
    setOver(null);
  };
  if (!open) return <EditButton onClick={() => setOpen(true)}>Measure the spacing</EditButton>;
  return (
    <Ruled aria-label="Spacing measured" title="How far apart do they really lie?">
      <MeasureField
        label="So many rows"
        kind="count"
        value={n}
        min={least}
        max={free}
        onChange={(v) => setRows(Math.round(v))}
      />
      <MeasureField
        label="take"
        kind="length"
        value={over}
        min={APART.least * n}
        max={APART.most * n}
        help="Measured up the lie, from one root line to the same place of the last."
        autoFocus
        onChange={setOver}
      />
      {apart !== null && (
        <Box sx={{ fontSize: 13, my: 0.5 }}>
          {length(apart)} apart; {length(askedMm)} were planned.
        </Box>
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <EditButton variant="contained" disabled={apart === null} onClick={() => write(true)}>
          Plan the rest anew from here
        </EditButton>
        <EditButton disabled={apart === null} onClick={() => write(false)}>
          Only write it down
        </EditButton>
        <EditButton onClick={() => setOpen(false)}>Close</EditButton>
      </Box>
    </Ruled>
  );
}
