'use client';
/** What to do when the colour has come out wrong, by the maker's school. */
import Box from '@mui/material/Box';
import { correction } from '@/core/shade/matching/correct';
import type { ShadedArea } from '@/core/shade/layers/area-shade';
import { useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';

export function Corrections({ shaded }: { shaded: ShadedArea }) {
  const school = useDesk((s) => s.piece!.correction);
  const cupboard = useDesk((s) => s.cupboard);
  const hand = useDesk((s) => s.hand);
  const areaMm2 = useDesk((s) => s.plan?.coat.areas.find((a) => a.id === shaded.id)?.areaMm2 ?? 0);
  const { t } = useUnits();
  const steps = correction(school, shaded, areaMm2, cupboard, hand);
  if (steps.length === 0) return null;
  return (
    <Box component="section" aria-label="Putting it right" sx={{ mt: 1, fontSize: 13 }}>
      <b>Putting it right</b>
      <Box component="ol" sx={{ m: 0, pl: 2.5 }}>
        {steps.map((s, i) => (
          <li key={i}>{t(s)}</li>
        ))}
      </Box>
    </Box>
  );
}
