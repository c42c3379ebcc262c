'use client';
/** A box to tick, with its words. */
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { useEditable } from './Editable';

interface CheckFieldProps {
  readonly label: string;
  readonly value: boolean;
  readonly disabled?: boolean;
  readonly onChange: (value: boolean) => void;
}

export function CheckField({ label, value, disabled = false, onChange }: CheckFieldProps) {
  const editable = useEditable();
  return (
    <FormControlLabel
      control={
        <Checkbox checked={value} disabled={disabled || !editable} onChange={(e) => onChange(e.target.checked)} />
      }
      label={label}
      sx={{ display: 'flex', '& .MuiFormControlLabel-label': { fontSize: 13 } }}
    />
  );
}
