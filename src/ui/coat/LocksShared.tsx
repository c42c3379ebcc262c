'use client';
/** Which sorted locks go where on this area: best to the places most seen. */
import Box from '@mui/material/Box';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { useDesk } from '@/desk/store';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';

export function LocksShared({ area }: { area: AreaPlan }) {
  const plan = useDesk((s) => s.plan);
  const { q } = useUnits();
  const fur = area.fur;
  if (!plan || fur?.method !== 'locks') return null;
  const shared = plan.coat.locks.find((l) => l.lotId === fur.lotId);
  if (!shared) {
    return (
      <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
        Sort the locks of {fur.lotName} onto piles in the cupboard, and they are shared out: best to the places most
        seen.
      </Box>
    );
  }
  const ofArea = shared.allotment.shares.filter((s) => s.areaId === area.id);
  const piles = shared.piles.map((p, i) => {
    const here = ofArea.filter((s) => s.pile === i);
    const courses = here.map((s) => s.course);
    return { p, i, count: here.reduce((s, x) => s + x.count, 0), from: Math.min(...courses), to: Math.max(...courses) };
  });
  return (
    <SmallTable
      label="Locks from each pile"
      head={['Pile', 'locks', 'courses']}
      rows={piles
        .filter((x) => x.count > 0)
        .map((x) => [
          `${x.p.grade}, ${q({ kind: 'length', value: x.p.lengthMm })} by ${q({ kind: 'length', value: x.p.widthMm })}`,
          x.count,
          x.from === x.to ? x.from : `${x.from} to ${x.to}`,
        ])}
    />
  );
}
