'use client';
/** How large this screen shows a millimetre, set by holding a card of known size to it (ISO/IEC 7810, ID-1: 53.98 mm high). */
import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import { useDesk } from '@/desk/store';
import { PX_PER_MM } from '@/ui/bench/TrueLength';

const CARD_MM = 53.98;

export function ScreenSize() {
  const screen = useDesk((s) => s.settings.screen);
  const wide = CARD_MM * PX_PER_MM * screen;
  return (
    <Box sx={{ minWidth: 0, overflow: 'hidden', px: 0.5 }}>
      <Typography variant="body2">
        At the bench a row is shown at true size. Hold the short side of a bank card against the bar and slide until
        both are as long.
      </Typography>
      <Box sx={{ overflow: 'hidden', maxWidth: '100%' }}>
        <Box
          sx={{ width: wide, height: 24, my: 1, border: 1, borderColor: 'text.primary', bgcolor: 'action.selected' }}
        />
      </Box>
      <Slider
        aria-label="Short side of a card on this screen"
        min={0.4}
        max={2}
        step={0.005}
        value={screen}
        valueLabelDisplay="off"
        onChange={(_, v) => useDesk.setState((s) => ({ settings: { ...s.settings, screen: v as number } }))}
      />
    </Box>
  );
}
