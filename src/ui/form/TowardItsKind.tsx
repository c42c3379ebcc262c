'use client';
/** The animal changed toward its kind before single parts are: measures that move many parts together. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { bodyPlan, BODY_PLANS, proportionsOf } from '@/core/form/plans/plans';
import { PROPORTION, proportionOf, setProportion } from '@/core/form/proportions';
import type { Piece } from '@/core/piece/schema';
import { changePiece } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';

export function TowardItsKind({ form }: { form: Piece['form'] }) {
  if (form.scan || !BODY_PLANS.some((p) => p.id === form.plan)) return null;
  const plan = bodyPlan(form.plan);
  const offered = proportionsOf(plan).flatMap((p) => {
    const value = proportionOf(form, plan.parts, p);
    return value === null ? [] : [{ p, value }];
  });
  if (offered.length === 0) return null;
  return (
    <Box role="group" aria-label="Toward its kind" sx={{ mt: 1.5 }}>
      <Typography variant="h3">Toward its kind</Typography>
      <Typography variant="body2" sx={{ mb: 0.5 }}>
        Each moves many parts together; 100 % is as the body plan “{plan.name}” has it. Single parts come after.
      </Typography>
      {offered.map(({ p, value }) => {
        const now = Math.round(100 * value);
        // What was changed by hand beyond the range is shown as it is.
        const range = { min: Math.min(100 * PROPORTION.min, now), max: Math.max(100 * PROPORTION.max, now) };
        return (
          <MeasureField
            key={p.id}
            label={`${p.says}: ${p.less} to ${p.more}`}
            kind="number"
            unit="%"
            value={now}
            {...range}
            slide={{ ...range, step: 1 }}
            onChange={(v) => changePiece((x) => ({ ...x, form: setProportion(x.form, plan.parts, p, v / 100) }))}
          />
        );
      })}
    </Box>
  );
}
