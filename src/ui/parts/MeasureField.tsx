'use client';
/**
 * A measure to type or to slide. What is typed is read in the maker's units; what cannot be used stays in the field with
 * what was expected beside it, and the piece keeps its last sound value. A slide is one change to undo.
 */
import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import TextField from '@mui/material/TextField';
import InputAdornment from '@mui/material/InputAdornment';
import Tooltip from '@mui/material/Tooltip';
import { useId, useState } from 'react';
import type { QuantityKind } from '@/core/text';
import { beginDrag, beginGesture, endGesture } from '@/desk/store';
import { format, forField, readField, unitOf } from '@/units/units';
import { useEditable } from './Editable';
import { useUnits } from './useUnits';

/** Where a measure comes to an end though its field goes on, and why. */
export interface FieldStop {
  readonly at: number;
  readonly bound: 'at most' | 'at least';
  readonly why: string;
}

interface MeasureFieldProps {
  readonly label: string;
  readonly kind: QuantityKind;
  /** Null where nothing is known yet: the field is empty until something is typed. */
  readonly value: number | null;
  readonly min: number;
  readonly max: number;
  readonly onChange: (value: number) => void;
  /** Left empty: what is not known may be left out. */
  readonly onEmpty?: () => void;
  /** The unit of a plain number. */
  readonly unit?: string;
  /** What the number includes, said with its range while the field is in hand. */
  readonly help?: string;
  /** Range and step of the slider; none without it. */
  readonly slide?: { readonly min: number; readonly max: number; readonly step: number };
  /** Marked on the slider, which holds there, and said below it. */
  readonly stops?: readonly FieldStop[];
  readonly disabled?: boolean;
  readonly autoFocus?: boolean;
}

export function MeasureField(p: MeasureFieldProps) {
  const editable = useEditable();
  const disabled = p.disabled === true || !editable;
  const { units } = useUnits();
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = typed ?? (p.value === null ? '' : forField(p.kind, p.value, units));
  const say = (value: number) => `${format({ kind: p.kind, value }, units)}${p.unit ? ` ${p.unit}` : ''}`;
  const within = p.slide ?? p;
  const stops = (p.stops ?? []).filter((s) => s.at >= within.min && s.at <= within.max);
  const told = [p.help, `From ${say(p.min)} to ${say(p.max)}.`].filter(Boolean).join(' ');

  const check = (text: string): string | null => {
    if (p.onEmpty && text.trim() === '') return null;
    const r = readField(text, p.kind, units);
    if (!r.ok) return r.says;
    if (r.value < p.min - 1e-9 || r.value > p.max + 1e-9) {
      return `${p.label} must be between ${say(p.min)} and ${say(p.max)}`;
    }
    return null;
  };

  const problem = typed === null ? null : check(typed);
  const type = (text: string) => {
    setTyped(text);
    const r = readField(text, p.kind, units);
    if (r.ok && check(text) === null) p.onChange(r.value);
  };

  const field = (
    <Tooltip title={told} placement="top-end" disableHoverListener disableInteractive describeChild>
      <TextField
        id={id}
        value={shown}
        disabled={disabled}
        autoFocus={p.autoFocus ?? false}
        onChange={(e) => type(e.target.value)}
        onFocus={() => beginGesture()}
        onBlur={() => {
          if (typed?.trim() === '') p.onEmpty?.();
          endGesture();
          if (problem === null) setTyped(null);
        }}
        error={problem !== null}
        helperText={problem ?? undefined}
        slotProps={{
          htmlInput: {
            inputMode: 'decimal',
            'aria-label': p.label,
            'aria-description': told,
            style: { textAlign: 'right' },
          },
          input: {
            endAdornment: <InputAdornment position="end">{p.unit ?? unitOf(p.kind, units)}</InputAdornment>,
            sx: { fontSize: 13, pr: 1 },
          },
          formHelperText: { sx: { mx: 0 } },
        }}
        sx={{ width: p.kind === 'linear' || p.kind === 'fineness' ? 124 : 104, '& input': { py: 0.6, pl: 1, pr: 0 } }}
      />
    </Tooltip>
  );
  return (
    <Box
      sx={{
        display: 'grid',
        gridTemplateColumns: p.slide ? '92px minmax(0, 1fr) auto' : '1fr auto',
        gap: 1.5,
        alignItems: 'center',
        minHeight: 38,
      }}
    >
      <Box component="label" htmlFor={id} sx={{ fontSize: 13 }}>
        {p.label}
      </Box>
      {p.slide && (
        <Slider
          aria-label={`${p.label}, slider`}
          value={Math.min(p.slide.max, Math.max(p.slide.min, p.value ?? p.slide.min))}
          min={p.slide.min}
          max={p.slide.max}
          step={p.slide.step}
          marks={stops.map((s) => ({ value: s.at }))}
          disabled={disabled}
          getAriaValueText={(v) => format({ kind: p.kind, value: v }, units)}
          onChange={(e, v) => {
            setTyped(null);
            beginDrag();
            // By key every step is meant.
            const drawn = /^(mouse|touch|pointer)/.test(e.type);
            p.onChange(drawn ? heldAt(v as number, stops, p.slide!) : (v as number));
          }}
          onChangeCommitted={() => endGesture()}
          sx={{ '& .MuiSlider-mark': { width: 3, height: 14, bgcolor: 'text.primary', opacity: 1 } }}
        />
      )}
      {field}
      {stops.length > 0 && (
        <Box sx={{ gridColumn: '1 / -1', fontSize: 13, color: 'text.secondary', mt: -1 }}>
          {stops.map((s) => `${s.bound} ${say(s.at)} ${s.why}`).join('; ')}
        </Box>
      )}
    </Box>
  );
}

/** A slider drawn past a stop holds there a little. */
function heldAt(
  value: number,
  stops: readonly FieldStop[],
  { min, max, step }: { min: number; max: number; step: number },
) {
  const near = Math.max(step, (max - min) / 40);
  return stops.find((s) => Math.abs(s.at - value) <= near)?.at ?? value;
}
