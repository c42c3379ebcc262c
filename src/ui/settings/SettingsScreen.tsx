'use client';
/** Settings: units, paper, light or dim surround, and the maker's own rates. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import { defaultHand } from '@/core/piece/hand';
import type { Settings } from '@/desk/settings';
import { editHand, useDesk } from '@/desk/store';
import { PlainPage } from '@/ui/frame/PlainPage';
import { useReady } from '@/ui/frame/ready';
import { useUndoKeys } from '@/ui/frame/useUndoKeys';
import { AtTheBench } from './AtTheBench';
import { Hands } from './Hands';
import { KeptHere } from './KeptHere';
import { Learnt } from './Learnt';
import { PaceTable } from './PaceTable';
import { Licences } from './Licences';
import { Rates } from './Rates';
import { Report } from './Report';
import { Trial } from './Trial';
import { ScreenSize } from './ScreenSize';
import { Weighing } from './Weighing';
import { Panel } from '@/ui/parts/Panel';

export function SettingsScreen() {
  const { ready, failed } = useReady();
  const settings = useDesk((s) => s.settings);
  const { mode, setMode } = useColorScheme();
  useUndoKeys();
  const set = (change: Partial<Settings>) => useDesk.setState((s) => ({ settings: { ...s.settings, ...change } }));
  return (
    <PlainPage title="Settings" busy={!ready && !failed}>
      {ready && (
        <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', md: '1fr 1fr' }, alignItems: 'start' }}>
          <Box sx={{ display: 'grid', gap: 3 }}>
            <Panel title="Units and paper" sx={{ display: 'grid', gap: 2 }}>
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
              <TextField
                select
                label="Contrast"
                value={settings.contrast}
                onChange={(e) => set({ contrast: e.target.value as Settings['contrast'] })}
                helperText="More makes every word at least seven to one against its ground, and lines darker."
              >
                <MenuItem value="system">As your system asks for</MenuItem>
                <MenuItem value="more">More</MenuItem>
              </TextField>
              <ScreenSize />
            </Panel>
            <AtTheBench />
            <KeptHere />
            <Panel title="If something goes wrong">
              <Report />
            </Panel>
            <Panel title="What ships with the program">
              <Licences />
            </Panel>
          </Box>
          <Panel title="Your hand">
            <Typography variant="body2" sx={{ mb: 1, color: 'text.secondary' }}>
              Rates the plan reckons with. The first values are a start; put in your own as you measure them.
            </Typography>
            <Hands />
            <Learnt />
            <Weighing />
            <Trial />
            <Rates />
            <Button
              sx={{ mt: 1 }}
              onClick={() => editHand(({ id, name, done, without }) => ({ ...defaultHand, id, name, done, without }))}
            >
              Back to the first values
            </Button>
            <PaceTable />
          </Panel>
        </Box>
      )}
    </PlainPage>
  );
}
