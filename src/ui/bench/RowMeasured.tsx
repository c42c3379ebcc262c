'use client';
/** The row in hand is longer or shorter on the felt than planned, or took more or fewer pieces: with one press the rest is planned with it. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { rowList } from '@/core/coat/rows/row-list';
import type { AreaLog } from '@/core/log/log';
import { boundsOf } from '@/core/piece/fields';
import { LONG_MM } from '@/core/piece/log-entry';
import { mostOnRow, rowOtherwise } from '@/desk/bench';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Ruled } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';

const { least, most } = boundsOf(LONG_MM);
/** A row has a piece at least. */
const ONE = 1;
/** Further off than so many times another row was measured. Ours. */
const TIMES = 2.5;

export function RowMeasured({ area, log }: { area: AreaPlan; log: AreaLog }) {
  const { q } = useUnits();
  const [open, setOpen] = useState(false);
  const [long, setLong] = useState<number | null>(null);
  const [pieces, setPieces] = useState<number | null>(null);
  const fur = area.fur!;
  const { unit } = fur.chart.dress;
  // The row in hand; once all lie, the last one.
  const row = fur.rows.rows.find((r) => r.number === log.nextRow) ?? fur.rows.rows[fur.rows.rows.length - 1];
  const line = open && row ? rowList(area).find((r) => r.number === row.number) : null;
  if (!row || fur.sheet) return null;
  if (!open) return <EditButton onClick={() => setOpen(true)}>{`This ${unit.one} is otherwise`}</EditButton>;
  const close = () => {
    setOpen(false);
    setLong(null);
    setPieces(null);
  };
  const write = (anew: boolean) => {
    rowOtherwise(area, row, { longMm: long, pieces }, anew);
    close();
  };
  const limit = mostOnRow(area, row);
  const length = (value: number) => q({ kind: 'length', value });
  const nothing = long === null && pieces === null;
  return (
    <Ruled aria-label={`${unit.one} measured`} title={`How is ${unit.one} ${row.number} really?`}>
      <MeasureField
        label="It is long"
        kind="length"
        value={long}
        min={Math.max(least, row.lengthMm / TIMES)}
        max={Math.min(most, row.lengthMm * TIMES)}
        help="Along the skin, by thread or tape."
        autoFocus
        onChange={setLong}
      />
      {limit !== null && line?.pieces != null && (
        <MeasureField
          label="Pieces on it"
          kind="count"
          value={pieces}
          min={ONE}
          max={limit}
          onChange={(n) => setPieces(Math.round(n))}
        />
      )}
      <Box sx={{ fontSize: 13, my: 0.5 }}>
        {length(row.lengthMm)} are planned
        {line?.pieces != null ? `, with ${line.pieces} ${line.pieces === 1 ? 'piece' : 'pieces'}` : ''}.
        {long !== null &&
          ` Planned with it, ${unit.many} from here on are ${q({ kind: 'share', value: long / row.lengthMm })} as long.`}
        {pieces !== null &&
          ` That is one every ${length((long ?? row.lengthMm) / pieces)}; the area is planned with that.`}
      </Box>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <EditButton variant="contained" disabled={nothing} onClick={() => write(true)}>
          Plan the rest with it
        </EditButton>
        <EditButton disabled={nothing} onClick={() => write(false)}>
          Only write it down
        </EditButton>
        <EditButton onClick={close}>Close</EditButton>
      </Box>
    </Ruled>
  );
}
