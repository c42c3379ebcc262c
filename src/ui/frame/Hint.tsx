'use client';
/** A hint in place for whoever is new here: put away once, it never comes again. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { HINTS, type HintAt } from '@/desk/settings';
import { useDesk } from '@/desk/store';
import { useHere } from './way';

const SAYS: Record<HintAt, string> = {
  form: 'Here stands the answer first: what this room comes to. Every underlined figure opens how it was worked out. What needs a decision is counted at the stages above.',
  coat: 'Choose an area on the left, or press it on the animal. The sentence says what to cut and lay; change a measure below and watch the figures move.',
  bench:
    'One step at a time, to be read from an arm’s length. Space, or the large button, does the next thing; Backspace takes the last one back.',
};

export function Hint() {
  const here = useHere() ?? '';
  const hinted = useDesk((s) => s.settings.hinted);
  const at = HINTS.find((h) => here.endsWith(`/${h}`));
  if (!at || hinted.includes(at)) return null;
  const putAway = () => useDesk.setState((s) => ({ settings: { ...s.settings, hinted: [...s.settings.hinted, at] } }));
  return (
    <Box
      role="note"
      sx={{
        display: 'grid',
        justifyItems: 'start',
        gap: 0.75,
        mb: 1.5,
        p: 1.25,
        fontSize: 13,
        border: 1,
        borderColor: 'primary.main',
        borderRadius: '3px',
      }}
    >
      {SAYS[at]}
      <Button onClick={putAway}>Got it</Button>
    </Box>
  );
}
