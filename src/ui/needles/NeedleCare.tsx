'use client';
/** Care of needles: counted before and after a sitting, breakages written down with the step; in the rack and at the bench. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { needleSchema, type Needle } from '@/core/piece/cupboard';
import { boundsOf } from '@/core/piece/fields';
import type { LogEntry } from '@/core/piece/log-entry';
import { lostNeedles, openPoints } from '@/core/needle/lost';
import type { Place } from '@/core/piece/places';
import { needleBroke, needlesCounted, needleSearched } from '@/desk/bench';
import { putRight } from '@/desk/put-right';
import { setView, useDesk } from '@/desk/store';
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
  const known = lostNeedles(log);
  const now = (n: Needle) => counts[n.id] ?? known.get(n.id)?.there ?? n.count;
  // As it would be if it were counted now.
  const at = {
    id: 'now',
    at: '',
    areaId: 'piece',
    by: '',
    was: [],
    kind: 'needles' as const,
    when: open ? ('after' as const) : ('before' as const),
  } satisfies Partial<LogEntry>;
  const lost = [
    ...lostNeedles([...log, { ...at, counts: Object.fromEntries(owned.map((n) => [n.id, now(n)])) }]),
  ].flatMap(([id, { missing: n }]) => {
    const needle = needles.find((x) => x.id === id);
    return needle ? [{ needle, n }] : [];
  });
  const searched = (n: Needle) => needleSearched(n.id, now(n), 'Felt over, magnet, low light.');
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
      {lost.length > 0 && (
        <Box role="alert" sx={{ fontSize: 13, color: 'error.main', my: 0.5 }}>
          Missing: {lost.map((x) => `${x.n} × ${x.needle.name}`).join(', ')}. Look for them before the piece is touched
          again: a flat hand and a magnet over the piece, the mat and the floor, the glint against a low light. Count
          again where one is found.
        </Box>
      )}
      {lost.map(({ needle }) => (
        <EditButton key={needle.id} sx={{ mr: 1, mb: 0.5 }} onClick={() => searched(needle)}>
          Searched, {needle.name} not found
        </EditButton>
      ))}
      <EditButton disabled={owned.length === 0} onClick={count} sx={{ mt: 0.5 }}>
        {open ? 'Counted, sitting ends' : 'Counted, sitting begins'}
      </EditButton>
    </Ruled>
  );
}

/** A needle that broke: which, at which step, whether its point was found; and those before it. */
/** @param onAnimal the animal is beside it, to be pressed where it was */
export function Breakages({ onAnimal = false }: { onAnimal?: boolean }) {
  const { needles, inHand } = useRack();
  const log = useDesk((s) => s.piece!.log);
  const steps = useDesk((s) => s.plan?.work.steps);
  const stepId = useDesk((s) => s.view.stepId);
  const { t } = useUnits();
  const parts = useDesk((s) => s.piece!.form.parts);
  const picking = useDesk((s) => s.view.brush === 'where');
  const at = useDesk((s) => s.view.insideAt);
  const place = picking ? at : null;
  const part = (x: Place) => parts.find((p) => p.id === x.part)?.name ?? x.part;
  const [needleId, setNeedle] = useState<string | null>(null);
  const [found, setFound] = useState(true);
  const id = needleId ?? inHand?.id ?? '';
  const does = (op: string | null) => {
    const s = steps?.find((x) => x.operation.id === op);
    return s ? t(s.operation.does) : '';
  };
  const list = log.flatMap((e) => (e.kind === 'broken' ? [e] : [])).reverse();
  const called = (n: string) => needles.find((x) => x.id === n)?.name ?? n;
  const left = (n: string) => needles.find((x) => x.id === n)?.count ?? 0;
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
      {onAnimal && (
        <EditButton
          aria-pressed={picking}
          sx={{ mr: 1 }}
          onClick={() => setView({ brush: picking ? 'off' : 'where', insideAt: null })}
        >
          {!picking ? 'Show where on the animal' : place ? `At ${part(place)}` : 'Press the place on the animal'}
        </EditButton>
      )}
      <EditButton
        disabled={id === ''}
        onClick={() => {
          needleBroke(id, stepId, found, place);
          if (picking) setView({ brush: 'off', insideAt: null });
        }}
      >
        Write the breakage down{stepId ? ', at the step in hand' : ''}
      </EditButton>
      {openPoints(log).map((e) => (
        <Box key={e.id} role="group" aria-label={`Point of ${called(e.needleId)}`} sx={{ fontSize: 13, mt: 1 }}>
          Not found yet: the point of {called(e.needleId)}
          {e.place ? `, at ${part(e.place)}` : ''}.{' '}
          <EditButton onClick={() => putRight(e.id, { found: true })}>Found now</EditButton>{' '}
          <EditButton onClick={() => needleSearched(e.needleId, left(e.needleId), 'Felt over, magnet, low light.')}>
            Searched, not found
          </EditButton>
        </Box>
      ))}
      {list.length > 0 && (
        <SmallTable
          label="Broken needles so far"
          head={['Needle', 'at', 'point']}
          rows={list
            .slice(0, 6)
            .map((e) => [
              called(e.needleId),
              [e.place ? part(e.place) : '', does(e.operation).slice(0, 34)].filter(Boolean).join(', '),
              e.found ? 'found' : 'not found',
            ])}
        />
      )}
    </Ruled>
  );
}
