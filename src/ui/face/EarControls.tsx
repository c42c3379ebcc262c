'use client';
/** The ears: when they are set, how they are turned, what joins them. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { isEar } from '@/core/face/head/head';
import { isLeaf } from '@/core/form/leaf';
import { earsSchema } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { LeafFields } from '@/ui/form/LeafFields';
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
  const parts = useDesk((s) => s.piece?.form.parts);
  const leaves = parts?.filter((p) => isEar(p)).filter(isLeaf) ?? [];
  return (
    <Box role="group" aria-label="Ears">
      <Fields
        schema={earsSchema}
        value={ears}
        keys={leaves.length > 0 ? ['when'] : ['when', 'turnDeg', 'leanDeg']}
        onChange={(change) => editFace((x) => void Object.assign(x.ears, change))}
      />
      {leaves.map((part) => (
        <Box key={part.id} role="group" aria-label={part.name}>
          {leaves.length > 1 && (
            <Typography variant="h3" sx={{ mt: 1 }}>
              {part.name}
            </Typography>
          )}
          <LeafFields part={part} />
        </Box>
      ))}
      {plan ? (
        <Box sx={{ fontSize: 13, my: 1 }}>
          {plan.flatId ? `Felted flat as ${plan.name}.` : 'No flat part is cut for it yet: see Form, Flat parts.'} Seat{' '}
          {q({ kind: 'fine', value: plan.acrossMm })} across, fringe <OpenedFigure figure={plan.fringe} />, a collar of{' '}
          <OpenedFigure figure={plan.collar} /> over each joint.
        </Box>
      ) : (
        <Box sx={{ fontSize: 13, my: 1 }}>This animal has no ear drawn or felted flat.</Box>
      )}
      {ears.at && leaves.length === 0 && (
        <EditButton onClick={() => editFace((x) => void (x.ears.at = null))}>Back to where the ear is drawn</EditButton>
      )}
    </Box>
  );
}
