'use client';
/** A box to tick, with its words. */
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';

interface CheckFieldProps {
  readonly label: string;
  readonly value: boolean;
  readonly disabled?: boolean;
  readonly onChange: (value: boolean) => void;
}

export function CheckField({ label, value, disabled = false, onChange }: CheckFieldProps) {
  return (
    <FormControlLabel
      control={<Checkbox checked={value} disabled={disabled} onChange={(e) => onChange(e.target.checked)} />}
      label={label}
    />
  );
}
