'use client';
/** Whiskers in hand: roots, rows, length, fan, thread, passes and glue. */
import Box from '@mui/material/Box';
import { whiskerSetSchema, type WhiskerSet } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { useUnits } from '@/ui/parts/useUnits';
import { editFace, useFace } from './face-store';

/** The whiskers in hand; the first where none are chosen. */
export function useWhiskers(): WhiskerSet | null {
  const f = useFace();
  const id = useDesk((s) => s.view.whiskersId);
  return f?.face.whiskers.find((w) => w.id === id) ?? f?.face.whiskers[0] ?? null;
}

export function WhiskerControls() {
  const f = useFace();
  const w = useWhiskers();
  const { q } = useUnits();
  if (!f || !w) return <Box sx={{ fontSize: 13 }}>No whiskers yet. Add them on the left.</Box>;
  const plan = f.plan?.whiskers.find((x) => x.id === w.id);
  const set = (change: Partial<WhiskerSet>) =>
    editFace((face) => {
      const x = face.whiskers.find((y) => y.id === w.id);
      if (x) Object.assign(x, change);
    });
  return (
    <Box role="group" aria-label={w.name}>
      {plan && (
        <Box sx={{ fontSize: 13, mb: 1 }}>
          {plan.ways.length} threads through the head,{' '}
          {plan.ways.length > 0 &&
            `${q({ kind: 'fine', value: Math.min(...plan.ways.map((x) => x.throughMm)) })} to ${q({ kind: 'fine', value: Math.max(...plan.ways.map((x) => x.throughMm)) })} each`}
          {plan.ways.some((x) => x.movedMm > 0 && x.clear) && ', some moved to pass eyes and wire'}.
        </Box>
      )}
      <Fields
        schema={whiskerSetSchema}
        value={w}
        keys={[
          'name',
          'perSide',
          'rows',
          'alongMm',
          'rowsApartMm',
          'longestMm',
          'shortestShare',
          'fanDeg',
          'droopDeg',
          'threadId',
          'passes',
          'glue',
          'dashLotId',
        ]}
        onChange={set}
      />
      <EditButton onClick={() => editFace((face) => void (face.whiskers = face.whiskers.filter((x) => x.id !== w.id)))}>
        Take {w.name.toLowerCase()} away
      </EditButton>
    </Box>
  );
}
