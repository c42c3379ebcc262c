'use client';
/** A step that is done as a whole, read at arm's length: what, how, which needle how deep, its time, done. */
import { areaOf } from '@/core/ref';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef } from 'react';
import { woolIn } from '@/core/materials';
import { phaseInFull } from '@/core/needle/words';
import type { Step } from '@/core/order/order';
import { elapsed, isRunning, stepDone, stepUndone, toggleTimer } from '@/desk/bench';
import { setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { DepthPicture } from '@/ui/needles/DepthPicture';
import { useUnits } from '@/ui/parts/useUnits';
import { howToWeigh } from '@/core/wool/weighing';
import { woolName } from '@/units/wool-words';
import { clock, useNow } from './clock';
import { EditButton } from '@/ui/parts/Editable';

export function StepInHand({ step }: { step: Step }) {
  const plan = useDesk((s) => s.plan)!;
  const canEdit = useDesk((s) => s.canEdit);
  const timer = useDesk((s) => s.view.timer);
  const needles = useDesk((s) => s.cupboard.needles);
  const lots = useDesk((s) => s.cupboard.lots);
  const hand = useDesk((s) => s.hand);
  const { q, t, masses } = useUnits();
  const o = step.operation;
  const wool = woolIn(o);
  const grams = masses(wool.map((w) => w.massG));
  const p = plan.work.progress.find((x) => x.id === o.id)!;
  const done = p.share >= 1;
  const running = isRunning(timer, o.id);
  const now = useNow(running);
  const needle = plan.needles.steps.find((n) => n.operationId === o.id);
  const open = step.because.filter((b) => (plan.work.progress.find((x) => x.id === b.id)?.share ?? 0) < 1);

  const finish = () => {
    stepDone(o.id);
    const left = plan.work.sittings.flatMap((s) => s.stints.map((x) => x.id)).filter((id) => id !== o.id);
    const next = plan.work.steps.find((s) => s.operation.id === left[0]);
    if (next)
      setView({
        stepId: next.operation.id,
        ...(areaOf(next.operation) === null ? {} : { areaId: areaOf(next.operation) }),
      });
  };
  const latest = useRef({ finish, done, canEdit });
  useEffect(() => {
    latest.current = { finish, done, canEdit };
  });
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const el = e.target as HTMLElement;
      if (
        el.closest('input, textarea, select, [role="dialog"], [role="menu"], [role="combobox"]') ||
        e.ctrlKey ||
        e.metaKey ||
        e.altKey
      )
        return;
      if (!latest.current.canEdit) return;
      if (e.key === ' ' && el.closest('button, a') === null) {
        e.preventDefault();
        if (!e.repeat && !latest.current.done) latest.current.finish();
      } else if (e.key === 'Backspace') {
        e.preventDefault();
        if (latest.current.done) stepUndone(o.id);
      } else if (e.key.toLowerCase() === 't') toggleTimer(o.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [o.id]);

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
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1 }}>
        <Box sx={{ ...figures, fontSize: 40, lineHeight: 1 }} role="timer" aria-label="Time on this step">
          {clock(elapsed(timer, o.id, Math.max(now, running ? (timer?.startedAt ?? 0) : 0)))}
        </Box>
        <EditButton onClick={() => toggleTimer(o.id)} disabled={done} sx={{ minHeight: 44, px: 2 }}>
          {running ? 'Pause timer' : 'Start timer'}
        </EditButton>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 1, mb: 1 }}>
        <EditButton variant="contained" onClick={finish} disabled={done} sx={{ minHeight: 72, fontSize: 24 }}>
          {done ? 'Done' : 'Step done'}
        </EditButton>
        <EditButton onClick={() => stepUndone(o.id)} disabled={!done || p.implied} sx={{ minHeight: 72, fontSize: 18 }}>
          Back
        </EditButton>
      </Box>
      {o.wait && (
        <Box sx={{ fontSize: 15, mb: 1 }}>
          Then: {t(o.wait.says)} {q({ kind: 'time', value: o.wait.minutes })}. Do another part meanwhile.
        </Box>
      )}
      {o.caution && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>{t(o.caution)}</Typography>}
    </>
  );
}
