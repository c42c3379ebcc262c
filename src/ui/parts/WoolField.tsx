'use client';
/** A wool out of the cupboard, with its colour, fineness, staple and what is at hand. */
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Select from '@mui/material/Select';
import { useId } from 'react';
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';

interface WoolFieldProps {
  readonly label: string;
  readonly value: string | null;
  readonly disabled?: boolean;
  /** Lots left out of the list. */
  readonly except?: readonly string[];
  /** A first choice that takes no wool. */
  readonly none?: string;
  readonly onChange: (lotId: string | null) => void;
}

const NONE = '';

export function WoolField({ label, value, disabled = false, except = [], none, onChange }: WoolFieldProps) {
  const lots = useDesk((s) => s.cupboard.lots);
  const { q } = useUnits();
  const id = useId();
  const known = value !== null && lots.some((l) => l.id === value);
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: '92px minmax(0, 1fr)',
        gap: 1.5,
        alignItems: 'center',
        minHeight: 38,
        fontSize: 13,
      }}
    >
      <span id={id}>{label}</span>
      <Select
        size="small"
        value={known ? value : NONE}
        displayEmpty
        disabled={disabled}
        labelId={id}
        onChange={(e) => onChange(e.target.value === NONE ? null : e.target.value)}
        renderValue={(v) => {
          const l = lots.find((x) => x.id === v);
          return l ? `${l.name}, ${q({ kind: 'fineness', value: l.finenessUm })}` : (none ?? 'Choose a wool');
        }}
        sx={{ fontSize: 13 }}
      >
        {none !== undefined && (
          <MenuItem value={NONE} sx={{ fontSize: 13 }}>
            {none}
          </MenuItem>
        )}
        {lots
          .filter((l) => !except.includes(l.id))
          .map((l) => (
            <MenuItem key={l.id} value={l.id} sx={{ gap: 1.5, fontSize: 13 }}>
              <Box sx={{ width: 16, height: 16, bgcolor: l.colour, border: 1, borderColor: 'text.secondary' }} />
              {l.name}, {l.form}, {q({ kind: 'fineness', value: l.finenessUm })}, staple{' '}
              {q({ kind: 'length', value: l.stapleMm })}, {q({ kind: 'mass', value: l.haveG })}
            </MenuItem>
          ))}
      </Select>
    </Box>
  );
}
