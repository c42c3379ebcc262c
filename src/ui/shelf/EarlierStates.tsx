'use client';
/** How a piece was before: states kept now and then while it is worked on, to look at beside it or to go back to. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { Piece } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { inWords, loadEarlier, savePiece } from '@/desk/storage';
import { goBack } from '@/desk/session';
import { say } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';

const when = (at: string) => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

interface EarlierStatesProps {
  readonly piece: Piece;
  readonly onClose: () => void;
  /** Something on the shelf has changed. */
  readonly onChange: () => void;
}

export function EarlierStates({ piece, onClose, onChange }: EarlierStatesProps) {
  const [states, setStates] = useState<Awaited<ReturnType<typeof loadEarlier>> | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const { q } = useUnits();
  useEffect(() => {
    loadEarlier(piece.id)
      .then(setStates)
      .catch((e: unknown) => setWrong(inWords(e)));
  }, [piece.id]);
  const doing = async (work: () => Promise<void>, says: string) => {
    try {
      await work();
      onChange();
      onClose();
      say(says);
    } catch (e) {
      setWrong(inWords(e));
    }
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="earlier-title">
      <DialogTitle id="earlier-title">Earlier states of {piece.name}</DialogTitle>
      <DialogContent>
        {wrong && <Typography sx={{ color: 'error.main' }}>They cannot be read: {wrong}.</Typography>}
        {!states && !wrong && <Typography role="status">Looking for them</Typography>}
        {states?.length === 0 && (
          <Typography>
            None yet. While a piece is worked on its state is kept every few minutes: the last hour closely, older days
            one by one.
          </Typography>
        )}
        <Box component="ul" aria-label="Earlier states" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {states?.map((s) => (
            <Box
              component="li"
              key={s.at}
              sx={{
                display: 'flex',
                flexWrap: 'wrap',
                gap: 1,
                alignItems: 'center',
                py: 1,
                borderTop: 1,
                borderColor: 'divider',
              }}
            >
              <Box sx={{ flex: 1, minWidth: 200 }}>
                <b>{when(s.at)}</b>
                <Typography variant="body2" sx={{ color: 'text.secondary' }}>
                  {q({ kind: 'length', value: s.piece.form.finishedLengthMm })},{' '}
                  {s.piece.areas.filter((a) => a.coat.method !== 'none').length} areas laid, {s.piece.log.length}{' '}
                  entries in the log
                </Typography>
              </Box>
              <Button
                aria-label={`Put the state of ${when(s.at)} beside it`}
                onClick={() =>
                  void doing(
                    () =>
                      savePiece({
                        ...s.piece,
                        id: freshId(s.piece.id),
                        name: `${s.piece.name} (${when(s.at)})`.slice(0, 80),
                      }),
                    'Put on the shelf beside it.',
                  )
                }
              >
                Put it beside
              </Button>
              <Button
                aria-label={`Go back to the state of ${when(s.at)}`}
                onClick={() =>
                  void doing(() => goBack(s), 'Gone back. How it was until now is among the earlier states.')
                }
              >
                Go back to it
              </Button>
            </Box>
          ))}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}
