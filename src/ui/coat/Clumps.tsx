'use client';
/** The clumps of a strip made off the piece, one by one from its hem end. */
import type { AreaPlan } from '@/core/coat/coat-plan';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';

export function Clumps({ area }: { area: AreaPlan }) {
  const { q } = useUnits();
  const strip = area.fur?.strip;
  if (!strip || strip.clumps.length === 0) return null;
  const mm = (value: number) => q({ kind: 'length', value });
  return (
    <SmallTable
      label="Clumps of the strip"
      head={['Clump', 'at', 'cut', 'finished']}
      rows={strip.clumps.map((c) => [c.number, mm(c.atMm), mm(c.cutMm), mm(c.lengthMm)])}
    />
  );
}
