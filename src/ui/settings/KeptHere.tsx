'use client';
/** Whether what is stored in this browser is kept for good, as the browser says. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { askToKeep, type Lasting } from '@/desk/lasting-store';

const words = ({ kept, usedMb }: Lasting): string => {
  const much = usedMb === null ? '' : ` About ${Math.max(1, Math.round(usedMb))} MB are stored.`;
  if (kept === null) return `This browser does not say whether it keeps what is stored here.${much}`;
  return kept
    ? `The browser keeps what is stored here, also when it runs short of room.${much}`
    : `The browser may let go of what is stored here when it runs short of room. Save pieces to files, or add this page to your bookmarks and ask again.${much}`;
};

export function KeptHere() {
  const [lasting, setLasting] = useState<Lasting | null>(null);
  return (
    <Box
      component="section"
      aria-labelledby="s-kept"
      sx={{ bgcolor: 'background.paper', border: 1, borderColor: 'divider', p: 2.5 }}
    >
      <Typography id="s-kept" variant="h2" sx={{ mb: 1 }}>
        Kept in this browser
      </Typography>
      <Typography variant="body2" role="status" sx={{ mb: 1 }}>
        {lasting
          ? words(lasting)
          : 'Pieces, cupboard and rates are stored in this browser only. Ask it to keep them also when it runs short of room.'}
      </Typography>
      <Button onClick={() => void askToKeep().then(setLasting)}>Ask the browser to keep it</Button>
    </Box>
  );
}
