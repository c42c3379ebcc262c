'use client';
/** Whether what is stored in this browser is kept for good, as the browser says. */
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { useOffline } from '@/desk/offline';
import { askToKeep, type Lasting } from '@/desk/lasting-store';
import { Panel } from '@/ui/parts/Panel';

const words = ({ kept, usedMb }: Lasting): string => {
  const much = usedMb === null ? '' : ` About ${Math.max(1, Math.round(usedMb))} MB are stored.`;
  if (kept === null) return `This browser does not say whether it keeps what is stored here.${much}`;
  return kept
    ? `The browser keeps what is stored here, also when it runs short of room.${much}`
    : `The browser may let go of what is stored here when it runs short of room. Save pieces to files, or add this page to your bookmarks and ask again.${much}`;
};

const COPY = {
  unknown: '',
  none: '',
  asked: 'A copy of the program is being put into this browser, so that it works without the server.',
  whole: 'The program itself is kept in this browser too: everything works without the server, sheets included.',
  unsafe:
    'This browser keeps no copy of the program, since the page did not come over a safe line (https, or this machine itself). It works as long as the server answers.',
  failed: 'The program could not be copied into this browser',
} as const;

export function KeptHere() {
  const { copy, why } = useOffline();
  const [lasting, setLasting] = useState<Lasting | null>(null);
  return (
    <Panel title="Kept in this browser">
      <Typography variant="body2" role="status" sx={{ mb: 1 }}>
        {lasting
          ? words(lasting)
          : 'Pieces, cupboard and rates are stored in this browser only. Ask it to keep them also when it runs short of room.'}
      </Typography>
      {COPY[copy] && (
        <Typography variant="body2" role="status" sx={{ mb: 1 }}>
          {COPY[copy]}
          {copy === 'failed' && ` (${why}). It is tried again when the page is loaded anew.`}
        </Typography>
      )}
      <Button onClick={() => void askToKeep().then(setLasting)}>Ask the browser to keep it</Button>
    </Panel>
  );
}
