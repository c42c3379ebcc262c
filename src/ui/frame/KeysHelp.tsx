'use client';
/** The keys, shown under ?. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { BENCH_KEY_WORDS, BENCH_KEYS, keyWords, type BenchSettings } from '@/desk/bench-settings';
import { useDesk } from '@/desk/store';
import { figures } from './theme';
import { STAGES } from './stages';
import { VIEWPOINTS } from './useDeskKeys';

const GROUPS: readonly [string, readonly (readonly [string, string])[]][] = [
  [
    'Everywhere',
    [
      [`1 to ${STAGES.length}`, STAGES.map((s) => s.name).join(', ')],
      [', .', 'previous, next area (in Face: feature)'],
      ['Ctrl+Z', 'undo'],
      ['Ctrl+Shift+Z', 'redo'],
      ['P', 'print sheets'],
      ['?', 'these keys'],
    ],
  ],
  [
    'Turntable',
    [
      ['← → ↑ ↓', 'turn the piece'],
      ['Shift with ← → ↑ ↓', 'move the picture'],
      ['Home', 'turn and move it back'],
      ['Z', 'frame the area or the part in hand'],
      [VIEWPOINTS.map((v) => v.key).join(' '), VIEWPOINTS.map((v) => v.name).join(', ')],
      ['O', 'next overlay'],
      ['G', 'millimetre graticule'],
      ['C', 'finished, core, cut open (in Form)'],
      ['+ −', 'nearer, further'],
    ],
  ],
  [
    'Handles on a drawing',
    [
      ['Tab', 'to the next handle'],
      ['← → ↑ ↓', 'move it: half a millimetre, one degree'],
    ],
  ],
];

/** As the maker has set them. */
const ofBench = (keys: BenchSettings['keys']): (typeof GROUPS)[number] => [
  'Bench',
  BENCH_KEYS.map((k) => [keys[k].map(keyWords).join(', '), BENCH_KEY_WORDS[k]]),
];

export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  const keys = useDesk((s) => s.settings.bench.keys);
  return (
    <Dialog open={open} onClose={onClose} aria-labelledby="keys-title" maxWidth="md">
      <DialogTitle id="keys-title">Keys</DialogTitle>
      <DialogContent sx={{ display: 'flex', gap: 4, flexWrap: 'wrap' }}>
        {[...GROUPS, ofBench(keys)].map(([name, keys]) => (
          <Box key={name}>
            <Typography variant="h3" sx={{ mb: 1 }}>
              {name}
            </Typography>
            <Box
              component="dl"
              sx={{ m: 0, display: 'grid', gridTemplateColumns: 'auto auto', columnGap: 2, rowGap: 0.5 }}
            >
              {keys.map(([key, what]) => (
                <Box key={key} sx={{ display: 'contents' }}>
                  <Box component="dt" sx={{ ...figures, fontSize: 13 }}>
                    {key}
                  </Box>
                  <Box component="dd" sx={{ m: 0, fontSize: 13 }}>
                    {what}
                  </Box>
                </Box>
              ))}
            </Box>
          </Box>
        ))}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose} autoFocus>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
