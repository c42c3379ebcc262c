'use client';
/** Care of needles: counted before and after a sitting, breakages written down with the step; in the rack and at the bench. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { needleSchema, type Needle } from '@/core/piece/cupboard';
import { boundsOf } from '@/core/piece/fields';
import { needleBroke, needlesCounted } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { MeasureField } from '@/ui/parts/MeasureField';
import { PickField } from '@/ui/parts/PickField';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { useRack } from './needle-store';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

const OWNED = boundsOf(needleSchema.shape.count);

/** Needles counted before and after a sitting, so that none stays in the piece. */
export function Counting() {
  const needles = useDesk((s) => s.cupboard.needles);
  const log = useDesk((s) => s.piece!.log);
  const owned = needles.filter((n) => n.count > 0);
  const [counts, setCounts] = useState<Readonly<Record<string, number>>>({});
  const last = [...log].reverse().find((e) => e.kind === 'needles');
  const open = last?.kind === 'needles' && last.when === 'before' ? last : null;
  const broken = open ? log.slice(log.indexOf(open)).filter((e) => e.kind === 'broken') : [];
  const now = (n: Needle) => counts[n.id] ?? n.count;
  const missing = open
    ? Object.entries(open.counts).flatMap(([id, before]) => {
        const n = needles.find((x) => x.id === id);
        const gone = broken.filter((e) => e.kind === 'broken' && e.needleId === id).length;
        const short = n ? before - gone - now(n) : 0;
        return n && short > 0 ? [`${short} × ${n.name}`] : [];
      })
    : [];
  const count = () => {
    needlesCounted(open ? 'after' : 'before', Object.fromEntries(owned.map((n) => [n.id, now(n)])));
    setCounts({});
  };
  return (
    <Ruled aria-label="Counting needles" title={open ? 'Count as you stop' : 'Count before you begin'}>
      {owned.map((n) => (
        <MeasureField
          key={n.id}
          label={n.name}
          kind="count"
          value={now(n)}
          min={OWNED.least}
          max={OWNED.most}
          onChange={(v) => setCounts((c) => ({ ...c, [n.id]: Math.round(v) }))}
        />
      ))}
      {missing.length > 0 && (
        <Box role="alert" sx={{ fontSize: 13, color: 'error.main', my: 0.5 }}>
          Missing: {missing.join(', ')}. Look for them before the piece is touched again: in it, in the mat, on the
          floor.
        </Box>
      )}
      <EditButton disabled={owned.length === 0} onClick={count} sx={{ mt: 0.5 }}>
        {open ? 'Counted, sitting ends' : 'Counted, sitting begins'}
      </EditButton>
    </Ruled>
  );
}

/** A needle that broke: which, at which step, whether its point was found; and those before it. */
export function Breakages() {
  const { needles, inHand } = useRack();
  const log = useDesk((s) => s.piece!.log);
  const steps = useDesk((s) => s.plan?.work.steps);
  const stepId = useDesk((s) => s.view.stepId);
  const { t } = useUnits();
  const [needleId, setNeedle] = useState<string | null>(null);
  const [found, setFound] = useState(true);
  const id = needleId ?? inHand?.id ?? '';
  const does = (op: string | null) => {
    const s = steps?.find((x) => x.operation.id === op);
    return s ? t(s.operation.does) : '';
  };
  const list = log.flatMap((e) => (e.kind === 'broken' ? [e] : [])).reverse();
  return (
    <Ruled aria-label="Broken needles" title="A needle broke">
      <PickField
        label="Which"
        value={id}
        options={needles.map((n) => ({ value: n.id, says: n.name }))}
        onChange={setNeedle}
      />
      <CheckField label="its point is found" value={found} onChange={setFound} />
      {!found && (
        <Box sx={{ fontSize: 13, color: 'error.main' }}>
          Find it before you go on: feel for it with a flat hand, look with a magnet; a point left in the piece comes
          out through the fur one day.
        </Box>
      )}
      <EditButton disabled={id === ''} onClick={() => needleBroke(id, stepId, found)}>
        Write the breakage down{stepId ? ', at the step in hand' : ''}
      </EditButton>
      {list.length > 0 && (
        <SmallTable
          label="Broken needles so far"
          head={['Needle', 'at', 'point']}
          rows={list
            .slice(0, 6)
            .map((e) => [
              needles.find((n) => n.id === e.needleId)?.name ?? e.needleId,
              does(e.operation).slice(0, 34),
              e.found ? 'found' : 'not found',
            ])}
        />
      )}
    </Ruled>
  );
}
