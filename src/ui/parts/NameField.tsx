'use client';
/** A name to type. An empty one stays in the field with what was expected; the piece keeps its last name. */
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { beginGesture, endGesture } from '@/desk/store';
import { useEditable } from './Editable';

interface NameFieldProps {
  readonly label: string;
  readonly value: string;
  readonly longest: number;
  readonly onChange: (value: string) => void;
  readonly disabled?: boolean;
}

export function NameField({ label, value, longest, onChange, disabled = false }: NameFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const editable = useEditable();
  const text = typed ?? value;
  const problem =
    text.trim() === ''
      ? `${label} must not be empty`
      : text.trim().length > longest
        ? `${label} must not be longer than ${longest} letters`
        : null;
  return (
    <TextField
      label={label}
      fullWidth
      value={text}
      disabled={disabled || !editable}
      error={problem !== null}
      helperText={problem ?? undefined}
      onFocus={beginGesture}
      onBlur={() => {
        endGesture();
        if (!problem) setTyped(null);
      }}
      onChange={(e) => {
        setTyped(e.target.value);
        const t = e.target.value.trim();
        if (t !== '' && t.length <= longest) onChange(t);
      }}
      sx={{ mt: 1.5 }}
    />
  );
}
