'use client';
/** Wool weighed after laying, to be written into the log. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import InputAdornment from '@mui/material/InputAdornment';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { readField } from '@/units/units';
import { useEditable } from '@/ui/parts/Editable';
import { useUnits } from '@/ui/parts/useUnits';

const MOST_G = 2000;

export function WoolUsed({ onWrite }: { onWrite: (grams: number) => void }) {
  const disabled = !useEditable();
  const { units, q } = useUnits();
  const [text, setText] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <Box
      component="form"
      noValidate
      sx={{ display: 'flex', gap: 1, alignItems: 'flex-start' }}
      onSubmit={(e) => {
        e.preventDefault();
        const r = readField(text, 'mass', units);
        if (!r.ok) return setProblem(r.says);
        if (r.value <= 0 || r.value > MOST_G) {
          return setProblem(`Wool used must be more than nothing and at most ${q({ kind: 'mass', value: MOST_G })}`);
        }
        onWrite(r.value);
        setText('');
        setProblem(null);
      }}
    >
      <TextField
        label="Wool used"
        value={text}
        disabled={disabled}
        error={problem !== null}
        helperText={problem ?? undefined}
        onChange={(e) => {
          setText(e.target.value);
          setProblem(null);
        }}
        slotProps={{
          htmlInput: { inputMode: 'decimal' },
          input: { endAdornment: <InputAdornment position="end">{units.mass}</InputAdornment> },
        }}
        sx={{ flex: 1 }}
      />
      <Button type="submit" disabled={disabled} sx={{ minHeight: 40 }}>
        Write down
      </Button>
    </Box>
  );
}
