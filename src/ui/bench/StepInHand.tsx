'use client';
/** A step that is done as a whole, read at arm's length: what, how, which needle how deep, its time, done. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { woolIn } from '@/core/materials';
import { phaseInFull } from '@/core/needle/words';
import type { Step } from '@/core/order/order';
import { stepDone } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { DepthPicture } from '@/ui/needles/DepthPicture';
import { useUnits } from '@/ui/parts/useUnits';
import { howToWeigh } from '@/core/wool/weighing';
import { woolName } from '@/units/wool-words';
import { BenchBar } from './BenchBar';
import { nextAfter, takeInHand } from './in-hand';

export function StepInHand({ step }: { step: Step }) {
  const plan = useDesk((s) => s.plan)!;
  const needles = useDesk((s) => s.cupboard.needles);
  const lots = useDesk((s) => s.cupboard.lots);
  const hand = useDesk((s) => s.hand);
  const { q, t, masses } = useUnits();
  const o = step.operation;
  const wool = woolIn(o);
  const grams = masses(wool.map((w) => w.massG));
  const p = plan.work.progress.find((x) => x.id === o.id)!;
  const done = p.share >= 1;
  const needle = plan.needles.steps.find((n) => n.operationId === o.id);
  const open = step.because.filter((b) => (plan.work.progress.find((x) => x.id === b.id)?.share ?? 0) < 1);

  const goOn = (took?: number) => {
    if (!done) stepDone(o.id, Date.now(), took);
    const next = nextAfter(plan, o.id);
    if (next) takeInHand(plan, next);
  };

  return (
    <>
      <Typography variant="h2">Step {step.number}</Typography>
      <Box aria-live="polite" sx={{ fontSize: 24, fontWeight: 700, lineHeight: 1.3, my: 1 }}>
        {t(o.does)}
      </Box>
      {open.length > 0 && !done && (
        <Box sx={{ fontSize: 13, color: 'warning.main', mb: 1 }}>Not yet: {open.map((b) => t(b.why)).join(' ')}</Box>
      )}
      <Box sx={{ display: 'flex', gap: 2.5, alignItems: 'baseline', flexWrap: 'wrap', mb: 1 }}>
        {wool.map((w, i) => {
          const how = howToWeigh(w.massG, hand);
          return (
            <Box key={w.lotId}>
              <Box sx={{ ...figures, fontSize: 32, lineHeight: 1.2 }}>{grams[i]}</Box>
              <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{woolName(lots, w.lotId)}</Box>
              {how && <Box sx={{ fontSize: 13 }}>{t(how)}</Box>}
            </Box>
          );
        })}
        {o.cutLengthMm !== null && (
          <Box>
            <Box sx={{ ...figures, fontSize: 32, lineHeight: 1.2 }}>{q({ kind: 'length', value: o.cutLengthMm })}</Box>
            <Box sx={{ fontSize: 13, color: 'text.secondary' }}>cut</Box>
          </Box>
        )}
        <Box>
          <Box sx={{ ...figures, fontSize: 32, lineHeight: 1.2 }}>{q({ kind: 'time', value: o.minutes })}</Box>
          <Box sx={{ fontSize: 13, color: 'text.secondary' }}>planned</Box>
        </Box>
      </Box>
      {o.passes && <Typography sx={{ fontSize: 15, mb: 1 }}>{t(o.passes)}.</Typography>}
      {needle?.phases.map((x, i) => {
        const n = needles.find((y) => y.id === x.needleId);
        return (
          <Box key={i} sx={{ mb: 1 }}>
            <Typography sx={{ fontSize: 15 }}>{t(phaseInFull(x))}.</Typography>
            {n && (
              <DepthPicture
                phase={x}
                needle={n}
                layerMm={needle.kind === 'through' ? 0 : needle.layerMm}
                height={130}
              />
            )}
          </Box>
        );
      })}
      <BenchBar
        timerOf={o.id}
        operationId={o.id}
        row={null}
        one="step"
        says={done ? 'Done: the next step' : 'Step done'}
        open={!done || nextAfter(plan, o.id) !== null}
        goOn={goOn}
      />
      {o.wait && (
        <Box sx={{ fontSize: 15, mb: 1 }}>
          Then: {t(o.wait.says)} {q({ kind: 'time', value: o.wait.minutes })}. Do another part meanwhile.
        </Box>
      )}
      {o.caution && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>{t(o.caution)}</Typography>}
    </>
  );
}
