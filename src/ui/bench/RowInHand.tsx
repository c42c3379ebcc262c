'use client';
/** A row at the bench: which, how long, what to take, with which needle how deep; laid, and the next one. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, type ReactNode } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { rowList } from '@/core/coat/rows/row-list';
import { wayOf } from '@/core/coat/ways';
import type { AreaLog } from '@/core/log/log';
import { howToWeigh } from '@/core/wool/weighing';
import { stepOn } from '@/desk/bench';
import { setView, useDesk } from '@/desk/store';
import { useUnits } from '@/ui/parts/useUnits';
import { BenchBar } from './BenchBar';
import { UnderWork, Work } from './BenchFrame';
import { BigFigure, BigFigures } from './BigFigure';
import { GoneWrong } from './GoneWrong';
import { nextAfter, takeInHand } from './in-hand';
import { NeedleNow } from './NeedleNow';
import { Onward } from './Onward';
import { TrueLength } from './TrueLength';
import { turned } from './turned';

export function RowInHand({ area, log, above }: { area: AreaPlan; log: AreaLog; above: ReactNode }) {
  const fur = area.fur!;
  const { q, t } = useUnits();
  const timer = useDesk((s) => s.view.timer);
  const plan = useDesk((s) => s.plan)!;
  const hand = useDesk((s) => s.hand);
  const layId = `lay-${area.id}`;
  const step = plan.work.steps.find((x) => x.operation.id === layId)?.operation;
  const at = fur.rows.rows.findIndex((r) => r.number === log.nextRow);
  const row = fur.rows.rows[at] ?? null;
  const following = fur.rows.rows.slice(at + 1).find((r) => !log.rowsDone.includes(r.number)) ?? null;
  const before = useDesk((s) => s.piece?.log.findLast((e) => e.kind === 'row' && e.areaId === area.id));
  const begun = timer?.areaId === area.id;
  const stepId = useDesk((s) => s.view.stepId);
  useEffect(() => {
    // Only once it is the step in hand: the bench may open at another.
    if (!row || stepId !== layId) return;
    const to = turned(row, useDesk.getState().view);
    if (to) setView(to);
  }, [row, stepId, layId]);
  const { unit } = fur.chart.dress;
  const Unit = unit.one.charAt(0).toUpperCase() + unit.one.slice(1);
  const length = (mm: number) => q({ kind: 'length', value: mm });
  // As the table and the printed sheets have it.
  const list = useMemo(() => rowList(area), [area]);
  const line = list.find((r) => r.number === log.nextRow) ?? null;
  const massG = line?.massG ?? 0;
  const how = massG > 0 ? howToWeigh(massG, hand) : null;
  const done = `${log.rowsDone.length} of ${log.rows} ${log.rows === 1 ? unit.one : unit.many}`;
  const what = row ? `${Unit} ${row.number}, ${length(row.lengthMm)}` : `${Unit} laid`;

  const goOn = (took?: number) => {
    if (stepOn(log, Date.now(), took) !== 'finished') return;
    // After the last row the next step, once the plan knows of it.
    const next = nextAfter(plan, layId);
    if (next) takeInHand(plan, next);
  };

  return (
    <>
      <Work>
        {above}
        <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
          {log.rowsLaid === log.rowsDone.length
            ? done
            : `${log.rowsLaid} laid by an earlier plan, ${log.rows - log.rowsDone.length} to go`}
          {before?.kind === 'row' && log.rowsLaid > 0
            ? `; the last in ${q({ kind: 'time', value: before.minutes })}`
            : ''}
        </Box>
        <Typography variant="h2" component="h2" sx={{ fontSize: 24 }}>
          {area.name}
        </Typography>
        <Box aria-live="polite">
          {row ? (
            <>
              <Box sx={{ fontSize: { xs: 40, lg: 56 }, fontWeight: 700, lineHeight: 1.1 }}>
                {Unit} {row.number}{' '}
                <Box component="span" sx={{ fontSize: 24, fontWeight: 400, color: 'text.secondary' }}>
                  of {log.rows}
                </Box>
              </Box>
              <TrueLength mm={row.lengthMm} />
              <BigFigures>
                <BigFigure value={length(row.lengthMm)} label="long, on the skin" />
                {line?.cutMm != null && (
                  <BigFigure value={length(line.cutMm)} label={`${wayOf(fur.method).takes} of ${fur.lotName}`} />
                )}
                {massG > 0 && (
                  <BigFigure
                    value={q({ kind: 'mass', value: massG })}
                    label={`wool for this ${unit.one}`}
                    more={how ? t(how) : undefined}
                  />
                )}
              </BigFigures>
            </>
          ) : (
            <Box sx={{ fontSize: 40, fontWeight: 700, lineHeight: 1.2 }}>
              {log.rows === 1 ? `${Unit} laid` : `All ${log.rows} ${unit.many} laid`}
            </Box>
          )}
        </Box>
        {line && line.special.length > 0 && (
          <Typography sx={{ fontSize: 15 }}>To know: {line.special.map(t).join('; ')}.</Typography>
        )}
        {step?.passes && row && <Typography sx={{ fontSize: 15 }}>{t(step.passes)}.</Typography>}
        {row && <NeedleNow operationId={layId} />}
        {step?.caution && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>{t(step.caution)}</Typography>}
        <Onward
          plan={plan}
          operationId={layId}
          row={row && following ? `${unit.one} ${following.number}, ${length(following.lengthMm)}` : null}
          last={following === null}
        />
        <GoneWrong log={log} one={unit.one} />
      </Work>
      <UnderWork>
        <BenchBar
          timerOf={area.id}
          operationId={layId}
          row={log.nextRow}
          one={unit.one}
          what={`${area.name}: ${what}`}
          says={begun ? `${Unit} done` : `Begin ${unit.one}`}
          open={row !== null}
          goOn={goOn}
        />
      </UnderWork>
    </>
  );
}
