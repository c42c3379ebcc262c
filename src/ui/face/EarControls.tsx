'use client';
/** The ears: when they are set, how they are turned, what joins them. */
import Box from '@mui/material/Box';
import { earsSchema } from '@/core/piece/face';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { type FeatureProps } from './feature-props';
import { editFace, useFace } from './face-store';
import { EditButton } from '@/ui/parts/Editable';

export function EarControls({ face }: FeatureProps) {
  const { ears } = face;
  const f = useFace();
  const { q } = useUnits();
  const plan = f?.plan?.ears;
  return (
    <Box role="group" aria-label="Ears">
      <Fields
        schema={earsSchema}
        value={ears}
        keys={['when', 'turnDeg', 'leanDeg']}
        onChange={(change) => editFace((x) => void Object.assign(x.ears, change))}
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
        <EditButton onClick={() => editFace((x) => void (x.ears.at = null))}>Back to where the ear is drawn</EditButton>
      )}
    </Box>
  );
}
