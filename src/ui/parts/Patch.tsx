'use client';
/** A patch of colour, its name for those who cannot tell it by eye; dashed where there is no colour yet. */
import Box from '@mui/material/Box';
import type { SxProps } from '@mui/material/styles';
import { colourName } from '@/core/shade/words';
import { labOf } from '@/core/colour/lab';

interface PatchProps {
  readonly hex: string | null;
  readonly wide?: number | string;
  readonly high?: number;
  /** What it is called; null where what stands beside it says so. */
  readonly label?: string | null;
  readonly sx?: SxProps;
}

export function Patch({ hex, wide = 34, high = 26, label, sx }: PatchProps) {
  return (
    <Box
      component="span"
      {...(label === null || hex === null
        ? { 'aria-hidden': true }
        : { role: 'img', 'aria-label': label ?? `${colourName(labOf(hex))}, ${hex}` })}
      sx={{
        display: 'inline-block',
        width: wide,
        height: high,
        bgcolor: hex ?? 'transparent',
        border: 1,
        borderStyle: hex ? 'solid' : 'dashed',
        borderColor: 'text.secondary',
        flexShrink: 0,
        ...sx,
      }}
    />
  );
}
