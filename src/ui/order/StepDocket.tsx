'use client';
/** The step in hand: what it is, its figures, what must be done before it and what waits for it, and moving it. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { WayTo } from '@/ui/frame/WayTo';
import Typography from '@mui/material/Typography';
import { woolIn } from '@/core/materials';
import { phaseInFull } from '@/core/needle/words';
import type { Tie } from '@/core/order/ties';
import { stepDone, stepUndone } from '@/desk/bench';
import { editPiece, setView, useDesk } from '@/desk/store';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { useUnits } from '@/ui/parts/useUnits';
import { woolName } from '@/units/wool-words';
import { isDone, moveOnto, progressOf, useStep } from './order-store';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';

export function StepDocket() {
  const { plan, step } = useStep()!;
  const pieceId = useDesk((s) => s.piece!.id);
  const moves = useDesk((s) => s.piece!.work.moves);
  const lots = useDesk((s) => s.cupboard.lots);
  const { q, t, weighed } = useUnits();
  const o = step.operation;
  const wool = woolIn(o);
  const grams = weighed(wool.map((w) => w.massG));
  const { steps, ties } = plan.work;
  const p = progressOf(plan, o.id);
  const before = ties.filter((x) => x.after === o.id);
  const after = ties.filter((x) => x.before === o.id);
  const at = steps.indexOf(step);
  const phases = plan.needles.steps.find((n) => n.operationId === o.id)?.phases ?? [];
  const slack = plan.work.slack[o.id];
  const bound = (which: 'earliest' | 'latest') => {
    const b = step[which];
    const held = steps.find((s) => s.operation.id === b.because?.id);
    return held ? `step ${held.number}: ${t(b.because!.why)}` : null;
  };
  return (
    <>
      <Typography variant="h2" sx={{ fontSize: 18 }}>
        Step {step.number} of {steps.length}
      </Typography>
      <Sentence>{t(o.does)}.</Sentence>
      <FigureGrid
        columns={3}
        list={[
          { label: 'time', value: q({ kind: 'time', value: o.minutes }) },
          ...wool.map((w, i) => ({ label: woolName(lots, w.lotId).toLowerCase(), value: grams[i]! })),
          ...(o.cutLengthMm !== null ? [{ label: 'cut', value: q({ kind: 'length', value: o.cutLengthMm }) }] : []),
          ...(o.rows > 0 ? [{ label: 'rows', value: String(o.rows) }] : []),
          ...(slack !== undefined
            ? [{ label: 'can be put off', value: slack < 1 ? 'not at all' : q({ kind: 'time', value: slack }) }]
            : []),
        ]}
      />
      {o.passes && <Box sx={{ fontSize: 13, mt: 1 }}>{t(o.passes)}.</Box>}
      {phases.map((x, i) => (
        <Box key={i} sx={{ fontSize: 13, mt: 0.5 }}>
          {t(phaseInFull(x))}.
        </Box>
      ))}
      {o.wait && (
        <Box sx={{ fontSize: 13, mt: 0.5 }}>
          <b>{t(o.wait.says)}</b> {q({ kind: 'time', value: o.wait.minutes })} before anything that rests on it.
        </Box>
      )}
      {o.caution && <Box sx={{ fontSize: 13, mt: 0.5, color: 'warning.main' }}>{t(o.caution)}</Box>}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', my: 1.5 }}>
        <EditButton
          variant="contained"
          disabled={p.implied}
          onClick={() => (isDone(plan, o.id) ? stepUndone(o.id) : stepDone(o.id))}
        >
          {isDone(plan, o.id) ? 'Not done after all' : 'Done'}
        </EditButton>
        <Button component={WayTo} href={`/piece/${pieceId}/bench`}>
          To the bench
        </Button>
        {isDone(plan, o.id) && <Button onClick={() => setView({ orderRoom: 'over' })}>Start over from here</Button>}
      </Box>
      <Typography variant="h3">Its place</Typography>
      <Box sx={{ display: 'flex', gap: 1, my: 0.75 }}>
        <EditButton disabled={at === 0} onClick={() => moveOnto(o.id, steps[at - 1]!.operation.id)}>
          Earlier
        </EditButton>
        <EditButton disabled={at === steps.length - 1} onClick={() => moveOnto(o.id, steps[at + 1]!.operation.id)}>
          Later
        </EditButton>
        {moves.some((m) => m.operation === o.id) && (
          <EditButton
            onClick={() => editPiece((d) => void (d.work.moves = d.work.moves.filter((m) => m.operation !== o.id)))}
          >
            Put back
          </EditButton>
        )}
      </Box>
      <Box sx={{ fontSize: 13 }}>
        {bound('earliest') ? `No earlier than after ${bound('earliest')}` : 'It can come as early as you like.'}
      </Box>
      <Box sx={{ fontSize: 13, mb: 1 }}>
        {bound('latest') ? `No later than before ${bound('latest')}` : 'It can come as late as you like.'}
      </Box>
      {step.paleAfterDark && (
        <Box sx={{ fontSize: 13, mb: 1 }}>Pale after dark, so keep a clean mat: {t(step.paleAfterDark)}</Box>
      )}
      <TieList title="Must be done before this" ties={before} other="before" none="Nothing." />
      <TieList title="Waits for this" ties={after} other="after" none="Nothing." />
    </>
  );
}

function TieList({
  title,
  ties,
  other,
  none,
}: {
  title: string;
  ties: readonly Tie[];
  other: 'before' | 'after';
  none: string;
}) {
  const { plan } = useStep()!;
  const { t } = useUnits();
  const steps = plan.work.steps;
  const rows = ties
    .flatMap((x) => {
      const s = steps.find((y) => y.operation.id === x[other]);
      return s ? [{ s, why: x.why }] : [];
    })
    .sort((a, b) => a.s.number - b.s.number);
  return (
    <Box component="section" aria-label={title} sx={{ mt: 1 }}>
      <Typography variant="h3">{title}</Typography>
      {rows.length === 0 && <Box sx={{ fontSize: 13 }}>{none}</Box>}
      <Box
        component="ul"
        sx={{ listStyle: 'none', m: 0, p: 0, maxHeight: 220, overflow: 'auto' }}
        tabIndex={rows.length > 6 ? 0 : undefined}
      >
        {rows.map(({ s, why }, i) => (
          <Box component="li" key={i} sx={{ fontSize: 13, py: 0.4, borderBottom: 1, borderColor: 'divider' }}>
            <Box
              component="button"
              type="button"
              onClick={() => setView({ stepId: s.operation.id })}
              sx={{
                font: 'inherit',
                border: 0,
                bgcolor: 'transparent',
                color: 'primary.main',
                p: 0,
                textAlign: 'left',
                cursor: 'pointer',
              }}
            >
              {isDone(plan, s.operation.id) ? '✓ ' : ''}
              {s.number}. {t(s.operation.does)}
            </Box>
            <Box sx={{ color: 'text.secondary' }}>{t(why)}</Box>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
