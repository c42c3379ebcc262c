'use client';
/** How far the maker may go: the widest spacing, the least wool, the shortest fur that still cover. */
import Box from '@mui/material/Box';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { FactList } from '@/ui/parts/FactList';
import { useUnits } from '@/ui/parts/useUnits';

export function Margins({ area }: { area: AreaPlan }) {
  const { q } = useUnits();
  const margins = area.fur?.margins ?? [];
  if (margins.length === 0) return null;
  return (
    <Box sx={{ mt: 1, fontSize: 13 }}>
      Still covers with
      <FactList
        label="Still covers with"
        list={margins.map((m) => ({
          what: `${m.what}, ${m.bound}`,
          value: m.limit === null ? 'nothing would do' : q({ kind: m.kind, value: m.limit }),
        }))}
      />
    </Box>
  );
}
