'use client';
/** A new piece: name, body plan, finished length and length in life. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { newPiece } from '@/core/piece/new-piece';
import { pieceSchema } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { savePiece } from '@/desk/storage';
import { useDesk } from '@/desk/store';
import { forField, format, readField } from '@/units/units';
import { useUnits } from '@/ui/parts/useUnits';

const bounds = pieceSchema.shape.form.shape;

export function NewPieceDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { units } = useUnits();
  const [name, setName] = useState('');
  const [finished, setFinished] = useState(() => forField('length', 180, units));
  const [life, setLife] = useState(() => forField('length', 900, units));
  const [tried, setTried] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);

  const lengthProblem = (
    text: string,
    label: string,
    b: { minValue: number | null; maxValue: number | null },
  ): string | null => {
    const r = readField(text, 'length', units);
    if (!r.ok) return r.says;
    if (r.value < b.minValue! || r.value > b.maxValue!) {
      return `${label} must be between ${format({ kind: 'length', value: b.minValue! }, units)} and ${format({ kind: 'length', value: b.maxValue! }, units)}`;
    }
    return null;
  };
  const problems = {
    name:
      name.trim() === ''
        ? 'Give the piece a name'
        : name.trim().length > 80
          ? 'The name must not be longer than 80 letters'
          : null,
    finished: lengthProblem(finished, 'Finished length', bounds.finishedLengthMm),
    life: lengthProblem(life, 'Length in life', bounds.lifeLengthMm),
  };
  const make = async () => {
    setTried(true);
    if (problems.name || problems.finished || problems.life) return;
    const value = (t: string) => {
      const r = readField(t, 'length', units);
      return r.ok ? r.value : 0;
    };
    const { cupboard, hand } = useDesk.getState();
    const piece = newPiece(
      {
        id: freshId(name),
        name: name.trim(),
        finishedLengthMm: value(finished),
        lifeLengthMm: value(life),
        seed: crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1,
      },
      cupboard,
      hand,
    );
    try {
      await savePiece(piece);
      router.push(`/piece/${piece.id}/coat`);
    } catch (e) {
      setTrouble(`The piece could not be kept in this browser: ${e instanceof Error ? e.message : String(e)}`);
    }
  };
  const show = (p: string | null, always: boolean) => (p && (tried || always) ? p : undefined);
  return (
    <Dialog open onClose={onClose} aria-labelledby="new-title" fullWidth maxWidth="xs">
      <Box
        component="form"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void make();
        }}
      >
        <DialogTitle id="new-title">New piece</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
          <TextField
            label="Name of the piece"
            autoFocus
            value={name}
            onChange={(e) => setName(e.target.value)}
            error={!!show(problems.name, false)}
            helperText={show(problems.name, false)}
          />
          <TextField
            label="Body plan"
            select
            value="standing-quadruped"
            helperText="Four legs, standing; its proportions are a start"
          >
            <MenuItem value="standing-quadruped">Standing quadruped</MenuItem>
          </TextField>
          <TextField
            label={`Finished length, nose to tail tip (${units.length})`}
            value={finished}
            onChange={(e) => setFinished(e.target.value)}
            error={!!show(problems.finished, true)}
            helperText={show(problems.finished, true)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          <TextField
            label={`Length in life (${units.length})`}
            value={life}
            onChange={(e) => setLife(e.target.value)}
            error={!!show(problems.life, true)}
            helperText={show(problems.life, true)}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
          {trouble && <Box role="alert">{trouble}</Box>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            Begin
          </Button>
        </DialogActions>
      </Box>
    </Dialog>
  );
}
