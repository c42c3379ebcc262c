'use client';
/** A label and a list to choose one from. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { useId, type ReactNode } from 'react';
import { useEditable } from './Editable';
import { FIELD_LINE } from './field-line';

interface PickFieldProps {
  readonly label: string;
  readonly value: string;
  /** What is taken, in words; what the list shows of it, where that is more. */
  readonly options: readonly { readonly value: string; readonly says: string; readonly shows?: ReactNode }[];
  /** Shown while nothing of the list is taken. */
  readonly empty?: string;
  readonly disabled?: boolean;
  readonly onChange: (value: string) => void;
}

export function PickField({ label, value, options, empty = 'Choose', disabled = false, onChange }: PickFieldProps) {
  const id = useId();
  const editable = useEditable();
  const known = options.some((o) => o.value === value);
  return (
    <Box sx={FIELD_LINE}>
      <span id={id}>{label}</span>
      <Select
        size="small"
        value={known ? value : ''}
        displayEmpty
        disabled={disabled || !editable}
        labelId={id}
        onChange={(e) => onChange(e.target.value)}
        renderValue={(v) => options.find((o) => o.value === v)?.says ?? empty}
        sx={{ fontSize: 13, lineHeight: 1.3, minWidth: 0, '& .MuiSelect-select': { whiteSpace: 'normal !important' } }}
      >
        {options.map((o) => (
          <MenuItem key={o.value} value={o.value} sx={{ gap: 1.5, fontSize: 13 }}>
            {o.shows ?? o.says}
          </MenuItem>
        ))}
      </Select>
    </Box>
  );
}
