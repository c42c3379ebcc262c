'use client';
/** What the maker's scales show at least, and what a pinch of the maker weighs: how small amounts are told. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { handSchema, SCALES_G } from '@/core/piece/hand';
import { editHand, useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { MeasureField } from '@/ui/parts/MeasureField';

const { minValue: LEAST_MG, maxValue: MOST_MG } = handSchema.shape.pinchMg.unwrap();
/** Ten pinches are weighed together, so mg of one are hundredths of a gram of ten. */
const TEN = 100;

export function Weighing() {
  const { scalesStepG, pinchMg } = useDesk((s) => s.hand);
  return (
    <Box role="group" aria-label="Weighing" sx={{ my: 1 }}>
      <ChoiceRow
        labelled
        label="Your scales show"
        options={SCALES_G.map((g) => ({ value: String(g), says: `${g} g` }))}
        value={String(scalesStepG)}
        onChange={(v) => editHand((d) => void (d.scalesStepG = SCALES_G.find((g) => String(g) === v)!))}
      />
      <MeasureField
        label="Ten of your pinches weigh"
        kind="mass"
        value={pinchMg === null ? null : pinchMg / TEN}
        min={LEAST_MG! / TEN}
        max={MOST_MG! / TEN}
        onChange={(v) => editHand((d) => void (d.pinchMg = v * TEN))}
      />
      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
        {pinchMg === null
          ? 'Not weighed yet. Until then amounts below what the scales show are told as parts of the least they do.'
          : 'Amounts below what the scales show are told in your pinches.'}
        {pinchMg !== null && <Button onClick={() => editHand((d) => void (d.pinchMg = null))}>Forget it</Button>}
      </Box>
    </Box>
  );
}
