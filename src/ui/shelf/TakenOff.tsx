'use client';
/** Pieces that were taken off the shelf: each can be put back as it was last, or let go for good. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { forgetRemoved, inWords, putBack, type EarlierState } from '@/desk/storage';
import { say } from '@/desk/store';

const nameOf = ({ id, doc }: EarlierState): string => {
  const { name } = (doc ?? {}) as { name?: unknown };
  return typeof name === 'string' && name !== '' ? name.slice(0, 80) : id;
};

export function TakenOff({ list, onChange }: { list: readonly EarlierState[]; onChange: () => void }) {
  const doing = (work: Promise<void>) =>
    void work.then(onChange).catch((e: unknown) => say(`That could not be done: ${inWords(e)}.`));
  return (
    <Box component="section" aria-labelledby="taken-off" sx={{ mt: 4 }}>
      <Typography id="taken-off" variant="h2">
        Taken off the shelf
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 760 }}>
        {list.map((s) => (
          <Box
            component="li"
            key={s.id}
            sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'center', py: 0.5 }}
          >
            <Box sx={{ flex: 1, minWidth: 200 }}>
              {nameOf(s)},{' '}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                as of {new Date(s.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}
              </Box>
            </Box>
            <Button
              aria-label={`Put ${nameOf(s)} back on the shelf`}
              onClick={() => doing(putBack({ id: s.id, raw: s.doc }))}
            >
              Put back
            </Button>
            <Button
              variant="text"
              aria-label={`Let ${nameOf(s)} go for good`}
              onClick={() => doing(forgetRemoved(s.id))}
            >
              Let go for good
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
