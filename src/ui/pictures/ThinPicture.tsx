'use client';
/** How thin a layer is: its fibres at true size on a small square of what lies below, drawn large. */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { thinFibres } from '@/core/shade/layers/thin-fibres';

const SIDE_MM = 5;

interface ThinPictureProps {
  readonly arealMgCm2: number;
  readonly finenessUm: number;
  readonly finenessCv: number;
  readonly hex: string;
  readonly groundHex: string;
  /** Of it that hides, in words. */
  readonly says: string;
}

export function ThinPicture({ arealMgCm2, finenessUm, finenessCv, hex, groundHex, says }: ThinPictureProps) {
  const { fibres, thickMm } = useMemo(
    () => thinFibres(arealMgCm2, { finenessUm, finenessCv }, SIDE_MM, 1),
    [arealMgCm2, finenessUm, finenessCv],
  );
  const d = fibres.map(([a, b, c, e]) => `M${a.toFixed(2)} ${b.toFixed(2)}L${c.toFixed(2)} ${e.toFixed(2)}`).join('');
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`How thin it is, half a centimetre drawn large: ${says}`}
      viewBox={`${-SIDE_MM / 2} ${-SIDE_MM / 2} ${SIDE_MM} ${SIDE_MM}`}
      sx={{ width: 96, height: 96, display: 'block', bgcolor: groundHex, border: 1, borderColor: 'divider' }}
    >
      <path d={d} stroke={hex} strokeWidth={thickMm} fill="none" />
    </Box>
  );
}
