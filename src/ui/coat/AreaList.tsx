'use client';
/** The areas as tickets: wool, number, name, way of laying, grams, and a mark where something is to be decided. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import { setView, useDesk } from '@/desk/store';
import { AreaTicket } from '@/ui/parts/AreaTicket';
import { Tickets } from '@/ui/parts/Ticket';
import { useFindings } from '@/ui/parts/useFindings';
import { useUnits } from '@/ui/parts/useUnits';

/** How an area is laid, in two or three words. */
function laidWords(fur: NonNullable<AreaPlan['fur']>): string {
  const way = wayOf(fur.method);
  return way.inShort?.(fur.rows.rows.length) ?? way.title.toLowerCase();
}

interface AreaListProps {
  readonly onlyFur?: boolean;
  readonly onPick?: (areaId: string) => void;
}

export function AreaList({ onlyFur = false, onPick = (areaId) => setView({ areaId }) }: AreaListProps) {
  const plan = useDesk((s) => s.plan);
  const selected = useDesk((s) => s.view.areaId);
  const findings = useFindings();
  const { q } = useUnits();
  if (!plan) return <Box sx={{ p: 2, fontSize: 13 }}>The areas appear when the animal has been worked out.</Box>;
  return (
    <Tickets label="Areas" of={plan.coat.areas.filter((a) => a.fur || !onlyFur)}>
      {(a) => (
        <AreaTicket
          area={a.id}
          of="coat"
          number={plan.coat.areas.indexOf(a) + 1}
          name={a.name}
          on={a.id === selected}
          onClick={() => onPick(a.id)}
          hex={a.colour}
          words={a.fur ? laidWords(a.fur) : 'bare'}
          grams={a.fur ? q({ kind: 'mass', value: a.fur.draws.reduce((s, d) => s + d.massG, 0) }) : ''}
          findings={findings.filter((f) => isAbout(f, 'area', a.id))}
        />
      )}
    </Tickets>
  );
}
