'use client';
/** A colour to type (#b0622a) or to pick, with its name beside it. What cannot be read stays in the field and is said. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useId, useState } from 'react';
import { labOf } from '@/core/colour/lab';
import { colourName } from '@/core/shade/words';
import { beginGesture, endGesture } from '@/desk/store';
import { useEditable } from './Editable';

interface ColourFieldProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (hex: string) => void;
}

const HEX = /^#?([0-9a-f]{6})$/i;

export function ColourField({ label, value, onChange }: ColourFieldProps) {
  const id = useId();
  const disabled = !useEditable();
  const [typed, setTyped] = useState<string | null>(null);
  const problem = typed !== null && !HEX.test(typed.trim()) ? `${label} must be written like #b0622a` : null;
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '92px minmax(0, 1fr) auto 104px',
        gap: 1,
        alignItems: 'center',
        minHeight: 38,
      }}
    >
      <Box component="label" htmlFor={id} sx={{ fontSize: 13 }}>
        {label}
      </Box>
      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{colourName(labOf(value))}</Box>
      <input
        type="color"
        aria-label={`${label}, picked`}
        value={value}
        disabled={disabled}
        onFocus={beginGesture}
        onBlur={endGesture}
        onChange={(e) => {
          setTyped(null);
          onChange(e.target.value.toLowerCase());
        }}
        style={{ width: 34, height: 28, padding: 0 }}
      />
      <TextField
        id={id}
        value={typed ?? value}
        disabled={disabled}
        error={problem !== null}
        helperText={problem ?? undefined}
        onFocus={beginGesture}
        onBlur={() => {
          endGesture();
          if (!problem) setTyped(null);
        }}
        onChange={(e) => {
          setTyped(e.target.value);
          const m = HEX.exec(e.target.value.trim());
          if (m) onChange(`#${m[1]!.toLowerCase()}`);
        }}
        slotProps={{ htmlInput: { 'aria-label': label }, formHelperText: { sx: { mx: 0 } } }}
        sx={{ '& input': { py: 0.6, px: 1, fontSize: 13 } }}
      />
    </Box>
  );
}
