'use client';
/** A few choices side by side, one of them taken. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEditable } from './Editable';
import { FIELD_LINE } from './field-line';

interface ChoiceRowProps<T extends string> {
  readonly label: string;
  readonly options: readonly { readonly value: T; readonly says: string }[];
  readonly value: T;
  readonly disabled?: boolean;
  /** Its label is seen too, where nothing above it says what is chosen. */
  readonly labelled?: boolean;
  readonly onChange: (value: T) => void;
}

export function ChoiceRow<T extends string>({
  label,
  options,
  value,
  disabled = false,
  labelled = false,
  onChange,
}: ChoiceRowProps<T>) {
  const editable = useEditable();
  const row = (
    <Box role="group" aria-label={label} sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
      {options.map((o) => (
        <Button
          key={o.value}
          variant={o.value === value ? 'contained' : 'outlined'}
          aria-pressed={o.value === value}
          disabled={disabled || !editable}
          onClick={() => onChange(o.value)}
          sx={{ minWidth: 0, px: 1.1, minHeight: 30, bgcolor: o.value === value ? undefined : 'background.paper' }}
        >
          {o.says}
        </Button>
      ))}
    </Box>
  );
  if (!labelled) return row;
  return (
    <Box sx={FIELD_LINE}>
      <span aria-hidden>{label}</span>
      {row}
    </Box>
  );
}
