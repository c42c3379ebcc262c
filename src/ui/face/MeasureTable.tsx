'use client';
/** Every landmark with its measures: by callipers and by thread to the nose and to its twin, and its height over nose, mouth and ear line. */
import { onRight } from '@/core/face/head/mark-names';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { useFace } from './face-store';

export function MeasureTable() {
  const f = useFace();
  const { q } = useUnits();
  if (!f?.plan) return null;
  const mm = (x: number | null) => (x === null ? '' : q({ kind: 'fine', value: x }));
  const rows = f.plan.measured.filter((m) => m.mark !== 'nose' && !onRight(m.mark));
  return (
    <>
      <SmallTable
        label="Measures to the tip of the nose"
        head={['From the nose', 'callipers', 'thread']}
        rows={rows.map((m) => [plain(m.name), mm(m.noseStraightMm), mm(m.noseOverMm)])}
      />
      <SmallTable
        label="Heights, the head held level"
        head={['Above', 'the nose', 'the mouth', 'the ear line']}
        rows={rows.map((m) => [plain(m.name), mm(m.aboveNoseMm), mm(m.aboveMouthMm), mm(m.aboveEarLineMm)])}
      />
      {!f.plan.oneSided && (
        <SmallTable
          label="Measures from side to side"
          head={['Left to right', 'callipers', 'thread', 'from midline']}
          rows={rows
            .filter((m) => m.twinStraightMm !== null)
            .map((m) => [plain(m.name), mm(m.twinStraightMm), mm(m.twinOverMm), mm(Math.abs(m.inHead[0]))])}
        />
      )}
    </>
  );
}

const plain = (name: string): string => name.replace(', left', '');
