'use client';
/** A step that is done as a whole, read at arm's length: what, how, which needle how deep, its time, done. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, type ReactNode } from 'react';
import { woolIn } from '@/core/materials';
import type { Step } from '@/core/order/order';
import { stepDone } from '@/desk/bench';
import { setView, useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { howToWeigh } from '@/core/wool/weighing';
import { woolName } from '@/units/wool-words';
import { BenchBar } from './BenchBar';
import { UnderWork, Work } from './BenchFrame';
import { BigFigure, BigFigures } from './BigFigure';
import { nextAfter, takeInHand } from './in-hand';
import { NeedleNow } from './NeedleNow';
import { Onward } from './Onward';
import { turnedTo } from './turned';

export function StepInHand({ step, above }: { step: Step; above: ReactNode }) {
  const plan = useDesk((s) => s.plan)!;
  const lots = useDesk((s) => s.cupboard.lots);
  const hand = useDesk((s) => s.hand);
  const { q, t, masses } = useUnits();
  const o = step.operation;
  const wool = woolIn(o);
  const grams = masses(wool.map((w) => w.massG));
  const p = plan.work.progress.find((x) => x.id === o.id)!;
  const done = p.share >= 1;
  const open = step.because.filter((b) => (plan.work.progress.find((x) => x.id === b.id)?.share ?? 0) < 1);

  const turnedFor = useRef<string | null>(null);
  useEffect(() => {
    // Once, as it is taken in hand.
    if (turnedFor.current === o.id) return;
    turnedFor.current = o.id;
    const { piece, view } = useDesk.getState();
    const to = piece && turnedTo(plan, piece.form, o, view);
    if (to) setView(to);
  }, [plan, o]);

  const goOn = (took?: number) => {
    if (!done) stepDone(o.id, Date.now(), took);
    const next = nextAfter(plan, o.id);
    if (next) takeInHand(plan, next);
  };

  return (
    <>
      <Work>
        {above}
        <Typography variant="h2" component="h2" sx={{ fontSize: 24 }}>
          Step {step.number}
        </Typography>
        <Box
          aria-live="polite"
          sx={{ fontSize: { xs: 24, md: 32 }, fontWeight: 700, lineHeight: 1.2, my: 0.5, overflowWrap: 'anywhere' }}
        >
          {t(o.does)}
        </Box>
        {open.length > 0 && !done && (
          <Box sx={{ fontSize: 15, color: 'warning.main', mb: 1 }}>Not yet: {open.map((b) => t(b.why)).join(' ')}</Box>
        )}
        <BigFigures>
          {wool.map((w, i) => {
            const how = howToWeigh(w.massG, hand);
            return (
              <BigFigure
                key={w.lotId}
                value={grams[i]!}
                label={woolName(lots, w.lotId)}
                more={how ? t(how) : undefined}
              />
            );
          })}
          {o.cutLengthMm !== null && <BigFigure value={q({ kind: 'length', value: o.cutLengthMm })} label="cut" />}
          <BigFigure value={q({ kind: 'time', value: o.minutes })} label="planned" />
        </BigFigures>
        {o.passes && <Typography sx={{ fontSize: 15, mb: 1 }}>{t(o.passes)}.</Typography>}
        <NeedleNow operationId={o.id} />
        {o.wait && (
          <Box sx={{ fontSize: 15, mb: 1 }}>
            Then: {t(o.wait.says)} {q({ kind: 'time', value: o.wait.minutes })}. Do another part meanwhile.
          </Box>
        )}
        {o.caution && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>{t(o.caution)}</Typography>}
        <Onward plan={plan} operationId={o.id} last />
      </Work>
      <UnderWork>
        <BenchBar
          timerOf={o.id}
          operationId={o.id}
          row={null}
          one="step"
          what={`Step ${step.number}: ${t(o.does)}`}
          says={done ? 'Done: the next step' : 'Step done'}
          open={!done || nextAfter(plan, o.id) !== null}
          goOn={goOn}
        />
      </UnderWork>
    </>
  );
}
