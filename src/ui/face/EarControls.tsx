'use client';
/** The ears: when they are set, how they are turned, what joins them. */
import Box from '@mui/material/Box';
import { faceSchema, type Face } from '@/core/piece/face';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { type FeatureProps } from './feature-props';
import { editFace, useFace } from './face-store';
import { FaceField } from './FaceField';
import { EditButton } from '@/ui/parts/Editable';

export function EarControls({ face }: FeatureProps) {
  const { ears } = face;
  const b = faceSchema.shape.ears.shape;
  const f = useFace();
  const { q } = useUnits();
  const set = (recipe: (e: Face['ears']) => void) => editFace((x) => recipe(x.ears));
  const plan = f?.plan?.ears;
  return (
    <Box role="group" aria-label="Ears">
      <ChoiceRow
        label="When the ears are set"
        options={[
          { value: 'before the coat', says: 'before the coat' },
          { value: 'after the coat', says: 'after the coat' },
        ]}
        value={ears.when}
        onChange={(v) => set((e) => void (e.when = v))}
      />
      <FaceField
        label="Turned out"
        kind="angle"
        value={ears.turnDeg}
        bounds={b.turnDeg}
        slide={[-60, 110, 1]}
        onChange={(v) => set((e) => void (e.turnDeg = v))}
      />
      <FaceField
        label="Leaning back"
        kind="angle"
        value={ears.leanDeg}
        bounds={b.leanDeg}
        slide={[-40, 100, 1]}
        onChange={(v) => set((e) => void (e.leanDeg = v))}
      />
      {plan ? (
        <Box sx={{ fontSize: 13, my: 1 }}>
          {plan.flatId ? `Felted flat as ${plan.name}.` : 'No flat part is cut for it yet: see Form, Flat parts.'} Seat{' '}
          {q({ kind: 'fine', value: plan.acrossMm })} across, fringe <OpenedFigure figure={plan.fringe} />, a collar of{' '}
          <OpenedFigure figure={plan.collar} /> over each joint.
        </Box>
      ) : (
        <Box sx={{ fontSize: 13, my: 1 }}>This animal has no ear drawn or felted flat.</Box>
      )}
      {ears.at && (
        <EditButton onClick={() => set((e) => void (e.at = null))}>Back to where the ear is drawn</EditButton>
      )}
    </Box>
  );
}
