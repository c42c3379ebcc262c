'use client';
/** Wool weighed before and after, or what went in one figure, by lot; and what was cut off and is kept. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { logEntrySchema } from '@/core/piece/log-entry';
import { lotSchema } from '@/core/piece/cupboard';
import { boundsOf, kindOf } from '@/core/piece/fields';
import type { z } from 'zod';
import { keepOffcuts, lotsOf, writeWool } from '@/desk/bench-wool';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { woolName } from '@/units/wool-words';

const GRAMS = boundsOf((kindOf(logEntrySchema, { kind: 'wool' }).shape as Record<string, z.core.$ZodType>).grams!);
const STAPLE = boundsOf(lotSchema.shape.stapleMm);
/** Less than the least scales show is nothing. */
const LEAST_G = 0.01;

interface WoolUsedProps {
  readonly areaId: string;
  readonly operationId: string;
}

export function WoolUsed({ areaId, operationId }: WoolUsedProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const plan = useDesk((s) => s.plan);
  const { q } = useUnits();
  const mine = plan ? lotsOf(plan, operationId) : [];
  const [picked, setPicked] = useState<string | null>(null);
  const [before, setBefore] = useState<number | null>(null);
  const [after, setAfter] = useState<number | null>(null);
  const [used, setUsed] = useState<number | null>(null);
  const [offcuts, setOffcuts] = useState<number | null>(null);
  const [long, setLong] = useState<number | null>(null);
  const [keeping, setKeeping] = useState(false);
  const lotId = picked !== null && mine.includes(picked) ? picked : mine[0];
  if (lotId === undefined) return null;
  const lot = lots.find((l) => l.id === lotId);
  const gone = before !== null && after !== null ? before - after : used;
  const wrong = before !== null && after !== null && after >= before;
  const write = () => {
    if (gone === null || wrong) return;
    writeWool(areaId, lotId, Math.round(gone * 1000) / 1000, operationId);
    setBefore(null);
    setAfter(null);
    setUsed(null);
  };
  const keep = () => {
    if (offcuts === null) return;
    keepOffcuts(lotId, offcuts, long);
    setOffcuts(null);
    setLong(null);
    setKeeping(false);
  };
  const grams = { kind: 'mass', min: LEAST_G, max: GRAMS.most } as const;
  return (
    <Ruled title="Wool weighed">
      {mine.length > 1 && (
        <PickField
          label="Of which wool"
          value={lotId}
          options={mine.map((id) => ({ value: id, says: woolName(lots, id) }))}
          onChange={setPicked}
        />
      )}
      {mine.length === 1 && <Box sx={{ fontSize: 13 }}>{woolName(lots, lotId)}</Box>}
      <MeasureField
        label="Wool used"
        {...grams}
        value={before !== null && after !== null ? gone : used}
        onChange={setUsed}
      />
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', columnGap: 1 }}>
        <MeasureField label="or bag before" {...grams} value={before} onChange={setBefore} />
        <MeasureField label="and after" {...grams} min={GRAMS.least} value={after} onChange={setAfter} />
      </Box>
      {wrong && (
        <Box role="alert" sx={{ fontSize: 13, color: 'error.main' }}>
          After must be less than before, {q({ kind: 'mass', value: before })}.
        </Box>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <EditButton variant="contained" disabled={gone === null || wrong} onClick={write}>
          Write down
        </EditButton>
        {lot && (
          <EditButton aria-expanded={keeping} onClick={() => setKeeping(!keeping)}>
            Offcuts are kept
          </EditButton>
        )}
      </Box>
      {keeping && lot && (
        <Ruled aria-label="Offcuts kept" title={`Offcuts of ${lot.name}, as a wool of their own`}>
          <MeasureField label="Offcuts" {...grams} value={offcuts} onChange={setOffcuts} autoFocus />
          <MeasureField
            label="about so long"
            kind="length"
            value={long ?? lot.stapleMm}
            min={STAPLE.least}
            max={lot.stapleMm}
            onChange={setLong}
          />
          <EditButton disabled={offcuts === null} onClick={keep}>
            Put them in the cupboard
          </EditButton>
        </Ruled>
      )}
    </Ruled>
  );
}
