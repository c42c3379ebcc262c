'use client';
/** Whiskers in hand: roots, rows, length, fan, thread, passes and glue. */
import Box from '@mui/material/Box';
import { WHISKER_GLUES, whiskerSetSchema, type WhiskerSet } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { NameField } from '@/ui/parts/NameField';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { WoolField } from '@/ui/parts/WoolField';
import { asOptions } from './feature-props';
import { editFace, useFace } from './face-store';
import { FaceField } from './FaceField';
import { EditButton } from '@/ui/parts/Editable';

/** The whiskers in hand; the first where none are chosen. */
export function useWhiskers(): WhiskerSet | null {
  const f = useFace();
  const id = useDesk((s) => s.view.whiskersId);
  return f?.face.whiskers.find((w) => w.id === id) ?? f?.face.whiskers[0] ?? null;
}

export function WhiskerControls() {
  const f = useFace();
  const w = useWhiskers();
  const threads = useDesk((s) => s.cupboard.threads);
  const { q } = useUnits();
  const b = whiskerSetSchema.shape;
  if (!f || !w) return <Box sx={{ fontSize: 13 }}>No whiskers yet. Add them on the left.</Box>;
  const plan = f.plan?.whiskers.find((x) => x.id === w.id);
  const set = (recipe: (x: WhiskerSet) => void) =>
    editFace((face) => {
      const x = face.whiskers.find((y) => y.id === w.id);
      if (x) recipe(x);
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
      <NameField label="Name of the whiskers" value={w.name} onChange={(v) => set((x) => void (x.name = v))} />
      <FaceField
        label="On a side"
        kind="count"
        value={w.perSide}
        bounds={b.perSide}
        slide={[1, 24, 1]}
        onChange={(v) => set((x) => void (x.perSide = Math.round(v)))}
      />
      <FaceField
        label="Rows"
        kind="count"
        value={w.rows}
        bounds={b.rows}
        slide={[1, 6, 1]}
        onChange={(v) => set((x) => void (x.rows = Math.round(v)))}
      />
      <FaceField
        label="Roots apart"
        value={w.alongMm}
        bounds={b.alongMm}
        slide={[0.3, 8, 0.1]}
        onChange={(v) => set((x) => void (x.alongMm = v))}
      />
      <FaceField
        label="Rows apart"
        value={w.rowsApartMm}
        bounds={b.rowsApartMm}
        slide={[0.3, 8, 0.1]}
        onChange={(v) => set((x) => void (x.rowsApartMm = v))}
      />
      <FaceField
        label="Longest"
        value={w.longestMm}
        bounds={b.longestMm}
        slide={[2, 80, 0.5]}
        onChange={(v) => set((x) => void (x.longestMm = v))}
      />
      <FaceField
        label="Foremost"
        kind="share"
        value={w.shortestShare}
        bounds={b.shortestShare}
        slide={[0.1, 1, 0.05]}
        onChange={(v) => set((x) => void (x.shortestShare = v))}
      />
      <FaceField
        label="Fan"
        kind="angle"
        value={w.fanDeg}
        bounds={b.fanDeg}
        slide={[0, 100, 1]}
        onChange={(v) => set((x) => void (x.fanDeg = v))}
      />
      <FaceField
        label="Droop"
        kind="angle"
        value={w.droopDeg}
        bounds={b.droopDeg}
        slide={[-40, 40, 1]}
        onChange={(v) => set((x) => void (x.droopDeg = v))}
      />
      <PickField
        label="Thread"
        value={w.threadId ?? ''}
        empty={threads.length === 0 ? 'None in the cupboard' : 'Choose one'}
        options={threads.map((t) => ({ value: t.id, says: `${t.name}, ${t.thickMm} mm` }))}
        disabled={threads.length === 0}
        onChange={(v) => set((x) => void (x.threadId = v))}
      />
      <FaceField
        label="Passes each"
        kind="count"
        value={w.passes}
        bounds={b.passes}
        slide={[1, 8, 1]}
        onChange={(v) => set((x) => void (x.passes = Math.round(v)))}
      />
      <ChoiceRow
        label="Glue"
        options={asOptions(WHISKER_GLUES).map((g) => ({ ...g, says: g.value === 'none' ? 'no glue' : g.says }))}
        value={w.glue}
        onChange={(v) => set((x) => void (x.glue = v))}
      />
      <WoolField
        label="Dashes"
        value={w.dashLotId}
        none="no dashes"
        onChange={(id) => set((x) => void (x.dashLotId = id))}
      />
      <EditButton onClick={() => editFace((face) => void (face.whiskers = face.whiskers.filter((x) => x.id !== w.id)))}>
        Take {w.name.toLowerCase()} away
      </EditButton>
    </Box>
  );
}
