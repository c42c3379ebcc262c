'use client';
/** Bench: one row at a time, read at arm's length, worked with one thumb or two keys. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { spacingAt } from '@/core/coat/rows/spacing';
import { canBegin } from '@/core/log/where-to-go-on';
import type { Plan } from '@/core/plan';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import type { AreaLog } from '@/core/log/log';
import { stepOn, writeNote, writeWool } from '@/desk/bench';
import { stepNeedleWords } from '@/core/needle/words';
import { setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { figures } from '@/ui/frame/theme';
import { AreaList } from '@/ui/coat/AreaList';
import { useSelectedArea } from '@/ui/coat/CoatStage';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { useUnits } from '@/ui/parts/useUnits';
import { LayChartPicture } from '@/ui/pictures/LayChartPicture';
import { Turntable } from '@/ui/pictures/Turntable';
import { Breakages, Counting } from '@/ui/needles/NeedleCare';
import { BenchBar } from './BenchBar';
import { GoneWrong } from './GoneWrong';
import { HeightMeasured } from './HeightMeasured';
import { nextAfter, takeInHand } from './in-hand';
import { NextSteps } from './NextSteps';
import { SpacingMeasured } from './SpacingMeasured';
import { StepInHand } from './StepInHand';
import { Tonight } from './Tonight';
import { TrueLength } from './TrueLength';
import { turned } from './turned';
import { useAwake } from './useAwake';
import { WoolUsed } from './WoolUsed';
import { EditButton } from '@/ui/parts/Editable';

/** The bench opens where the work is: at the step in hand where it can be done now, else where it goes on. */
function useWhereTheWorkIs(plan: Plan | null): void {
  const opened = useRef(false);
  useEffect(() => {
    if (!plan || opened.current) return;
    opened.current = true;
    const { stepId, timer } = useDesk.getState().view;
    const p = plan.work.progress.find((x) => x.id === stepId);
    if (timer || (p && p.share < 1 && canBegin(plan.work, p.id))) return;
    const on = plan.log.goOn;
    if (on) takeInHand(plan, on.operationId);
  }, [plan]);
}

export function BenchStage() {
  const { plan, area } = useSelectedArea();
  useWhereTheWorkIs(plan);
  const asleep = useAwake();
  // A broken needle's place is pressed on the animal.
  const where = useDesk((s) => s.view.brush === 'where');
  // A needle in the piece stops everything.
  const lost = useFindings().filter((f) => f.code === 'needle-lost');
  const log = plan?.log.areas.find((a) => a.areaId === area?.id) ?? null;
  const stepId = useDesk((x) => x.view.stepId);
  // A step that is not laid row by row is worked as a whole.
  const other = plan?.work.steps.find((x) => x.operation.id === stepId && x.operation.kind !== 'lay') ?? null;
  return (
    <ThreeColumns
      of={['work', 'log']}
      list="Steps"
      left={
        <>
          <Tonight />
          <NextSteps />
          <AreaList onlyFur onPick={(areaId) => setView({ areaId, stepId: `lay-${areaId}` })} />
        </>
      }
      middle={
        <>
          <Turntable litRow={log?.nextRow ?? null} compact {...(where ? { tool: 'needle' } : {})} />
          <Box
            component="section"
            aria-label="Lay chart"
            sx={{
              height: 190,
              flexShrink: 0,
              bgcolor: 'background.paper',
              borderTop: 1,
              borderColor: 'divider',
              px: 2,
              py: 1,
            }}
          >
            {area?.fur && log && <LayChartPicture area={area} nextRow={log.nextRow} done={new Set(log.rowsDone)} />}
          </Box>
        </>
      }
      right={
        // What has the focus comes into view above the bar that stays in view.
        <Box sx={{ '& *': { scrollMarginBottom: '150px', scrollMarginTop: '150px' } }}>
          <FindingList findings={lost} />
          {asleep && (
            <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
              This browser lets the screen go dark: set it to stay on while you work.
            </Typography>
          )}
          {other ? (
            <StepInHand key={other.operation.id} step={other} />
          ) : area?.fur && log ? (
            <RowInHand key={area.id} area={area} log={log} />
          ) : (
            <Typography>Choose an area that is laid in rows.</Typography>
          )}
          <Counting />
          <Breakages onAnimal />
        </Box>
      }
    />
  );
}

function RowInHand({ area, log }: { area: AreaPlan; log: AreaLog }) {
  const fur = area.fur!;
  const { q, t } = useUnits();
  const timer = useDesk((s) => s.view.timer);
  const plan = useDesk((s) => s.plan);
  const step = useDesk((s) => s.plan?.work.steps.find((x) => x.operation.id === `lay-${area.id}`)?.operation);
  const needles = useDesk((s) => s.plan?.needles);
  const needle = needles ? stepNeedleWords(needles, `lay-${area.id}`) : null;
  const [note, setNote] = useState<string | null>(null);
  const row = fur.rows.rows.find((r) => r.number === log.nextRow) ?? null;
  const begun = timer?.areaId === area.id;
  const layId = `lay-${area.id}`;
  const stepId = useDesk((s) => s.view.stepId);
  useEffect(() => {
    // Only once it is the step in hand: the bench may open at another.
    if (!row || stepId !== layId) return;
    const to = turned(row, useDesk.getState().view);
    if (to) setView(to);
  }, [row, stepId, layId]);
  const { unit } = fur.chart.dress;
  const Unit = unit.one.charAt(0).toUpperCase() + unit.one.slice(1);

  const goOn = (took?: number) => {
    if (stepOn(log, Date.now(), took) !== 'finished') return;
    // After the last row the next step, once the plan knows of it.
    const next = plan ? nextAfter(plan, layId) : null;
    if (plan && next) takeInHand(plan, next);
  };
  const coat = useDesk((x) => x.piece?.areas.find((a) => a.id === area.id)?.coat);
  const askedMm =
    coat && 'spacingMm' in coat
      ? spacingAt(
          { hemMm: coat.spacingMm, topMm: ('topSpacingMm' in coat ? coat.topSpacingMm : null) ?? coat.spacingMm },
          log.rowsDone.length / Math.max(1, log.rows) / 2,
        )
      : null;

  return (
    <>
      <Typography variant="h2">{area.name}</Typography>
      <Box aria-live="polite" sx={{ my: 1 }}>
        {row ? (
          <>
            <Box sx={{ fontSize: 40, fontWeight: 700, lineHeight: 1.15 }}>
              {Unit} {row.number}{' '}
              <Box component="span" sx={{ fontSize: 18, fontWeight: 400, color: 'text.secondary' }}>
                of {log.rows}
              </Box>
            </Box>
            <Big label="long, on the skin" value={q({ kind: 'length', value: row.lengthMm })} />
            <TrueLength mm={row.lengthMm} />
            {fur.figures.cutLength && (
              <Big label={`${wayOf(fur.method).takes} of ${fur.lotName}`} value={q(fur.figures.cutLength)} />
            )}
          </>
        ) : (
          <Box sx={{ fontSize: 40, fontWeight: 700, lineHeight: 1.2 }}>
            {log.rows === 1 ? `${Unit} laid` : `All ${log.rows} ${unit.many} laid`}
          </Box>
        )}
      </Box>
      {step?.passes && row && (
        <Typography sx={{ fontSize: 15, mb: 1 }}>
          {t(step.passes)}. {needle ? `${t(needle)}.` : ''}
        </Typography>
      )}
      <BenchBar
        timerOf={area.id}
        operationId={layId}
        row={log.nextRow}
        one={unit.one}
        says={begun ? `${Unit} done` : `Begin ${unit.one}`}
        open={row !== null}
        goOn={goOn}
        note={() => setNote((x) => x ?? '')}
      />
      {step?.caution && <Typography sx={{ fontSize: 13, color: 'warning.main' }}>{t(step.caution)}</Typography>}
      <Box
        component="dl"
        sx={{
          m: 0,
          my: 1,
          py: 1,
          borderTop: 1,
          borderBottom: 1,
          borderColor: 'divider',
          display: 'grid',
          gridTemplateColumns: '1fr auto auto',
          rowGap: 0.5,
          columnGap: 2,
          fontSize: 13,
          '& dd': { m: 0, ...figures, textAlign: 'right' },
        }}
      >
        <Box component="dt" sx={{ color: 'text.secondary' }}>
          {log.rowsLaid === log.rowsDone.length
            ? `${log.rowsDone.length} of ${log.rows} ${log.rows === 1 ? unit.one : unit.many}`
            : `${log.rowsLaid} ${log.rowsLaid === 1 ? unit.one : unit.many} laid by an earlier plan, ${log.rows - log.rowsDone.length} to go`}
        </Box>
        <dd>planned</dd>
        <dd>done</dd>
        <dt>Time</dt>
        <dd>{q({ kind: 'time', value: log.plannedMinutes })}</dd>
        <dd>{q({ kind: 'time', value: log.actualMinutes })}</dd>
        <dt>Wool</dt>
        <dd>{q({ kind: 'mass', value: log.plannedG })}</dd>
        <dd>{log.actualG === null ? 'not weighed' : q({ kind: 'mass', value: log.actualG })}</dd>
      </Box>
      <WoolUsed onWrite={(grams) => writeWool(area.id, fur.lotId, grams)} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1, alignItems: 'flex-start' }}>
        <GoneWrong log={log} one={unit.one} />
        {askedMm !== null && <SpacingMeasured area={area} log={log} askedMm={askedMm} />}
        {log.rowsLaid > 0 && <HeightMeasured area={area} />}
      </Box>
      {note === null ? (
        <EditButton onClick={() => setNote('')} sx={{ mt: 1 }}>
          Write a note
        </EditButton>
      ) : (
        <Box
          component="form"
          onSubmit={(e) => {
            e.preventDefault();
            if (note.trim()) writeNote(area.id, note.trim().slice(0, 2000));
            setNote(null);
          }}
          sx={{ mt: 1 }}
        >
          <TextField
            label="Note"
            multiline
            fullWidth
            autoFocus
            value={note}
            onChange={(e) => setNote(e.target.value)}
            onKeyDown={(e) => {
              if (e.key === 'Escape') setNote(null);
            }}
          />
          <Button type="submit" sx={{ mt: 1 }}>
            Write down
          </Button>
        </Box>
      )}
    </>
  );
}

function Big({ value, label }: { value: string; label: string }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1 }}>
      <Box sx={{ ...figures, fontSize: 32, lineHeight: 1.25, whiteSpace: 'nowrap' }}>{value}</Box>
      <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{label}</Box>
    </Box>
  );
}
