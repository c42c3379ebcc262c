'use client';
/** Settings: units, paper, light or dim surround, and the maker's own rates. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import type { ReactNode } from 'react';
import { defaultHand, handSchema, type Hand } from '@/core/piece/hand';
import type { QuantityKind } from '@/core/text';
import type { Settings } from '@/desk/settings';
import { editHand, useDesk } from '@/desk/store';
import { PlainPage } from '@/ui/frame/PlainPage';
import { useReady } from '@/ui/frame/ready';
import { useUndoKeys } from '@/ui/frame/useUndoKeys';
import { MeasureField } from '@/ui/parts/MeasureField';
import { KeptHere } from './KeptHere';
import { PaceTable } from './PaceTable';
import { Licences } from './Licences';
import { Report } from './Report';
import { Weighing } from './Weighing';

type Rate = Exclude<
  keyof Hand,
  | 'kind'
  | 'schema'
  | 'spread'
  | 'coreDensityMgCm3'
  | 'blendModel'
  | 'benchMinutes'
  | 'times'
  | 'scalesStepG'
  | 'pinchMg'
>;

const RATES: readonly { key: Rate; label: string; kind: QuantityKind }[] = [
  { key: 'rootMm', label: 'Taken by fold and needling', kind: 'length' },
  { key: 'overShare', label: 'Left for trimming, share of length', kind: 'number' },
  { key: 'overLeastMm', label: 'Left for trimming, at least', kind: 'length' },
  { key: 'handlingLoss', label: 'Wool lost in handling, share', kind: 'number' },
  { key: 'stabsPerCm', label: 'Stabs per cm of row in a pass', kind: 'number' },
  { key: 'passesLine', label: 'Passes along the line', kind: 'number' },
  { key: 'passesFold', label: 'Passes along the fold', kind: 'number' },
  { key: 'loftDensityMgCm3', label: 'Density of laid fur', kind: 'density' },
  { key: 'looseDensityMgCm3', label: 'Density of loose wool', kind: 'density' },
  { key: 'coreStabsPerCm3', label: 'Stabs per cm³ of core', kind: 'number' },
  { key: 'wrapDensityMgCm3', label: 'Density of a wrap', kind: 'density' },
  { key: 'feltedDensityMgCm3', label: 'Density of felt', kind: 'density' },
  { key: 'surfaceStabsPerCm2', label: 'Stabs per cm² of top coat in a pass', kind: 'number' },
  { key: 'readyMinutes', label: 'Getting ready and clearing away, minutes', kind: 'number' },
  { key: 'glueMinutes', label: 'Minutes until glue has set', kind: 'number' },
  { key: 'dryMinutes', label: 'Minutes until wool is dry', kind: 'number' },
  { key: 'unevenness', label: 'Unevenness of laying', kind: 'number' },
];

const whole = (k: Rate) => k === 'passesLine' || k === 'passesFold';

function Sheet({ id, title, children }: { id: string; title: string; children: ReactNode }) {
  return (
    <Box
      component="section"
      aria-labelledby={id}
      sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 2.5 }}
    >
      <Typography id={id} variant="h2" sx={{ mb: 1 }}>
        {title}
      </Typography>
      {children}
    </Box>
  );
}

export function SettingsScreen() {
  const { ready, failed } = useReady();
  const settings = useDesk((s) => s.settings);
  const hand = useDesk((s) => s.hand);
  const { mode, setMode } = useColorScheme();
  useUndoKeys();
  const set = (change: Partial<Settings>) => useDesk.setState((s) => ({ settings: { ...s.settings, ...change } }));
  return (
    <PlainPage title="Settings" busy={!ready && !failed}>
      {ready && (
        <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, alignItems: 'start' }}>
          <Box sx={{ display: 'grid', gap: 3 }}>
            <Box
              component="section"
              aria-labelledby="s-units"
              sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 2.5, display: 'grid', gap: 2 }}
            >
              <Typography id="s-units" variant="h2">
                Units and paper
              </Typography>
              <TextField
                select
                label="Lengths"
                value={settings.length}
                onChange={(e) => set({ length: e.target.value as Settings['length'] })}
              >
                <MenuItem value="mm">Millimetres</MenuItem>
                <MenuItem value="in">Inches, in sixteenths</MenuItem>
              </TextField>
              <TextField
                select
                label="Weights"
                value={settings.mass}
                onChange={(e) => set({ mass: e.target.value as Settings['mass'] })}
              >
                <MenuItem value="g">Grams</MenuItem>
                <MenuItem value="oz">Ounces</MenuItem>
              </TextField>
              <TextField
                label="Sign for money"
                value={settings.currency}
                onChange={(e) => set({ currency: e.target.value.slice(0, 4) })}
              />
              <TextField
                select
                label="Paper"
                value={settings.paper}
                onChange={(e) => set({ paper: e.target.value as Settings['paper'] })}
              >
                <MenuItem value="a4">A4</MenuItem>
                <MenuItem value="letter">Letter</MenuItem>
              </TextField>
              <TextField
                select
                label="Picture of the animal"
                value={settings.picture}
                onChange={(e) => set({ picture: e.target.value as Settings['picture'] })}
                helperText="Plain is quicker to turn on a slow machine. Figures, charts and sheets are the same."
              >
                <MenuItem value="whole">Whole, with all its fur</MenuItem>
                <MenuItem value="plain">Plain, with few strands</MenuItem>
              </TextField>
              <TextField
                select
                label="Shape of the animal"
                value={settings.shape}
                onChange={(e) => set({ shape: e.target.value as Settings['shape'] })}
                helperText="Coarsely is quicker on a slow machine, on screen and on paper. Lengths and wool differ by a percent or two; very small areas, as rims of eyes, may be left out."
              >
                <MenuItem value="fine">Worked out finely</MenuItem>
                <MenuItem value="coarse">Worked out coarsely</MenuItem>
              </TextField>
              <TextField
                select
                label="Surround"
                value={mode ?? 'light'}
                onChange={(e) => setMode(e.target.value as 'light' | 'dark')}
              >
                <MenuItem value="light">Light grey</MenuItem>
                <MenuItem value="dark">Dim grey</MenuItem>
              </TextField>
            </Box>
            <KeptHere />
            <Sheet id="s-wrong" title="If something goes wrong">
              <Report />
            </Sheet>
            <Sheet id="s-licences" title="What ships with the program">
              <Licences />
            </Sheet>
          </Box>
          <Box
            component="section"
            aria-labelledby="s-hand"
            sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 2.5 }}
          >
            <Typography id="s-hand" variant="h2" sx={{ mb: 1 }}>
              Your hand
            </Typography>
            <Typography variant="body2" sx={{ mb: 1, color: 'text.secondary' }}>
              Rates the plan reckons with. The first values are a start; put in your own as you measure them.
            </Typography>
            <Weighing />
            {RATES.map((r) => {
              const b = handSchema.shape[r.key];
              return (
                <MeasureField
                  key={r.key}
                  label={r.label}
                  kind={r.kind}
                  value={hand[r.key]}
                  min={b.minValue ?? 0}
                  max={b.maxValue ?? 1e6}
                  onChange={(v) => editHand((d) => void (d[r.key] = whole(r.key) ? Math.round(v) : v))}
                />
              );
            })}
            <TextField
              select
              fullWidth
              label="School of blending"
              value={hand.blendModel}
              onChange={(e) => editHand((d) => void (d.blendModel = e.target.value as Hand['blendModel']))}
              sx={{ my: 1.5 }}
            >
              <MenuItem value="stearns-noechel">Stearns and Noechel, fitted to your blends</MenuItem>
              <MenuItem value="friele">Friele</MenuItem>
            </TextField>
            {(Object.keys(hand.coreDensityMgCm3) as (keyof Hand['coreDensityMgCm3'])[]).map((k) => (
              <MeasureField
                key={k}
                label={`Density of ${k === 'firm' ? 'a firm core' : k === 'with give' ? 'a core with give' : k === 'lofty pad' ? 'a lofty pad' : 'flat felt'}`}
                kind="density"
                value={hand.coreDensityMgCm3[k].usual}
                min={hand.coreDensityMgCm3[k].least}
                max={hand.coreDensityMgCm3[k].most}
                onChange={(v) => editHand((d) => void (d.coreDensityMgCm3[k].usual = v))}
              />
            ))}
            <Button sx={{ mt: 1 }} onClick={() => editHand(() => defaultHand)}>
              Back to the first values
            </Button>
            <PaceTable />
          </Box>
        </Box>
      )}
    </PlainPage>
  );
}
