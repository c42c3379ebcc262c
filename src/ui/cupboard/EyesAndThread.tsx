'use client';
/** Eyes bought ready and whisker thread in the cupboard. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { stockEyeSchema, threadSchema, type StockEye, type Thread } from '@/core/piece/cupboard';
import { freshId } from '@/desk/files';
import { editCupboard } from '@/desk/store';
import { ColourField } from '@/ui/parts/ColourField';
import { MeasureField } from '@/ui/parts/MeasureField';
import { NameField } from '@/ui/parts/NameField';
import { STOCK_ROW, StockSection } from './StockSection';

const E = stockEyeSchema.shape;
const T = threadSchema.shape;

export function StockEyes({ eyes }: { eyes: readonly StockEye[] }) {
  return (
    <StockSection
      id="c-eyes"
      title="Eyes"
      add="Add eyes"
      empty={eyes.length === 0 ? 'No eyes yet. Hand-sized animals take stems of 3 to 5 mm, or small beads.' : null}
      onAdd={() =>
        editCupboard((d) => {
          d.eyes.push({
            id: freshId('eye'),
            name: 'New eyes',
            kind: 'stem',
            diameterMm: 4,
            stemMm: 16,
            stemThickMm: 1,
            colour: '#17120f',
            count: 2,
          });
        })
      }
    >
      {eyes.map((w) => {
        const set = (recipe: (x: StockEye) => void) =>
          editCupboard((d) => {
            const x = d.eyes.find((y) => y.id === w.id);
            if (x) recipe(x);
          });
        return (
          <Box key={w.id} role="group" aria-label={w.name} sx={STOCK_ROW}>
            <NameField label="Name of the eyes" value={w.name} onChange={(v) => set((x) => void (x.name = v))} />
            <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
              <Select
                size="small"
                value={w.kind}
                inputProps={{ 'aria-label': 'Kind of eye' }}
                onChange={(e) =>
                  set((x) => {
                    x.kind = e.target.value;
                    if (x.kind === 'bead') x.stemMm = 0;
                  })
                }
                sx={{ fontSize: 13, flex: 1 }}
              >
                <MenuItem value="stem">on a stem</MenuItem>
                <MenuItem value="bead">bead</MenuItem>
              </Select>
              <Button
                variant="text"
                aria-label={`Remove ${w.name}`}
                onClick={() => editCupboard((d) => void (d.eyes = d.eyes.filter((x) => x.id !== w.id)))}
              >
                Remove
              </Button>
            </Box>
            <MeasureField
              label="Diameter"
              kind="fine"
              value={w.diameterMm}
              min={E.diameterMm.minValue!}
              max={E.diameterMm.maxValue!}
              onChange={(v) => set((x) => void (x.diameterMm = v))}
            />
            <MeasureField
              label="How many"
              kind="count"
              value={w.count}
              min={0}
              max={E.count.maxValue!}
              onChange={(v) => set((x) => void (x.count = Math.round(v)))}
            />
            {w.kind === 'stem' && (
              <>
                <MeasureField
                  label="Stem long"
                  kind="fine"
                  value={w.stemMm}
                  min={0}
                  max={E.stemMm.maxValue!}
                  onChange={(v) => set((x) => void (x.stemMm = v))}
                />
                <MeasureField
                  label="Stem thick"
                  kind="fine"
                  value={w.stemThickMm}
                  min={E.stemThickMm.minValue!}
                  max={E.stemThickMm.maxValue!}
                  onChange={(v) => set((x) => void (x.stemThickMm = v))}
                />
              </>
            )}
            <ColourField label="Colour" value={w.colour} onChange={(v) => set((x) => void (x.colour = v))} />
          </Box>
        );
      })}
    </StockSection>
  );
}

export function Threads({ threads }: { threads: readonly Thread[] }) {
  return (
    <StockSection
      id="c-threads"
      title="Whisker thread"
      add="Add thread"
      empty={threads.length === 0 ? 'No thread yet. Nylon of 0.15 to 0.3 mm, or horsehair, makes whiskers.' : null}
      onAdd={() =>
        editCupboard((d) => {
          d.threads.push({
            id: freshId('thread'),
            name: 'New thread',
            kind: 'nylon',
            thickMm: 0.2,
            colour: '#f1efe8',
            haveMm: 5000,
          });
        })
      }
    >
      {threads.map((w) => {
        const set = (recipe: (x: Thread) => void) =>
          editCupboard((d) => {
            const x = d.threads.find((y) => y.id === w.id);
            if (x) recipe(x);
          });
        return (
          <Box key={w.id} role="group" aria-label={w.name} sx={STOCK_ROW}>
            <NameField label="Name of the thread" value={w.name} onChange={(v) => set((x) => void (x.name = v))} />
            <Box sx={{ display: 'flex', gap: 1, mt: 1.5 }}>
              <Select
                size="small"
                value={w.kind}
                inputProps={{ 'aria-label': 'Kind of thread' }}
                onChange={(e) => set((x) => void (x.kind = e.target.value))}
                sx={{ fontSize: 13, flex: 1 }}
              >
                {T.kind.options.map((k) => (
                  <MenuItem key={k} value={k}>
                    {k}
                  </MenuItem>
                ))}
              </Select>
              <Button
                variant="text"
                aria-label={`Remove ${w.name}`}
                onClick={() => editCupboard((d) => void (d.threads = d.threads.filter((x) => x.id !== w.id)))}
              >
                Remove
              </Button>
            </Box>
            <MeasureField
              label="Thickness"
              kind="fine"
              value={w.thickMm}
              min={T.thickMm.minValue!}
              max={T.thickMm.maxValue!}
              onChange={(v) => set((x) => void (x.thickMm = v))}
            />
            <MeasureField
              label="At hand"
              kind="fine"
              value={w.haveMm}
              min={0}
              max={T.haveMm.maxValue!}
              onChange={(v) => set((x) => void (x.haveMm = v))}
            />
            <ColourField label="Colour" value={w.colour} onChange={(v) => set((x) => void (x.colour = v))} />
          </Box>
        );
      })}
    </StockSection>
  );
}
