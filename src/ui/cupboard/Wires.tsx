'use client';
/** Wire and pipe cleaners in the cupboard: thickness and how much of it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { WIRE_METALS, wireSchema, type Wire } from '@/core/piece/cupboard';
import { freshId } from '@/desk/files';
import { editCupboard } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';
import { NameField } from '@/ui/parts/NameField';
import { STOCK_ROW, StockSection } from './StockSection';

export function Wires({ wires }: { wires: readonly Wire[] }) {
  return (
    <StockSection
      id="c-wires"
      title="Wire"
      add="Add wire"
      empty={wires.length === 0 ? 'No wire yet. A hand-sized animal takes about a metre of 1.0 to 1.6 mm.' : null}
      onAdd={() =>
        editCupboard((d) => {
          d.wires.push({
            id: freshId('wire'),
            name: 'New wire',
            kind: 'wire',
            metal: 'steel',
            diameterMm: 1.2,
            haveMm: 1000,
          });
        })
      }
    >
      {wires.map((w) => {
        const set = (recipe: (x: Wire) => void) =>
          editCupboard((d) => {
            const x = d.wires.find((y) => y.id === w.id);
            if (x) recipe(x);
          });
        return (
          <Box key={w.id} role="group" aria-label={w.name} sx={STOCK_ROW}>
            <NameField label="Wire name" value={w.name} onChange={(v) => set((x) => void (x.name = v))} />
            <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
              <Select
                size="small"
                value={w.kind}
                inputProps={{ 'aria-label': 'Kind' }}
                onChange={(e) => set((x) => void (x.kind = e.target.value))}
                sx={{ fontSize: 13, flex: 1 }}
              >
                <MenuItem value="wire">wire</MenuItem>
                <MenuItem value="pipe cleaner">pipe cleaner</MenuItem>
              </Select>
              <Select
                size="small"
                value={w.metal}
                inputProps={{ 'aria-label': 'Metal' }}
                onChange={(e) => set((x) => void (x.metal = e.target.value))}
                sx={{ fontSize: 13, flex: 1 }}
              >
                {WIRE_METALS.map((m) => (
                  <MenuItem key={m} value={m}>
                    {m}
                  </MenuItem>
                ))}
              </Select>
              <Button
                variant="text"
                aria-label={`Remove ${w.name}`}
                onClick={() => editCupboard((d) => void (d.wires = d.wires.filter((x) => x.id !== w.id)))}
              >
                Remove
              </Button>
            </Box>
            <MeasureField
              label="Thickness"
              kind="length"
              value={w.diameterMm}
              min={wireSchema.shape.diameterMm.minValue!}
              max={wireSchema.shape.diameterMm.maxValue!}
              onChange={(v) => set((x) => void (x.diameterMm = v))}
            />
            <MeasureField
              label="At hand"
              kind="length"
              value={w.haveMm}
              min={0}
              max={wireSchema.shape.haveMm.maxValue!}
              onChange={(v) => set((x) => void (x.haveMm = v))}
            />
          </Box>
        );
      })}
    </StockSection>
  );
}
