'use client';
/** Sittings and time: the hours of the week, when it begins and ends, the longest chain, where the time goes, the calendar. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { z } from 'zod';
import { boundsOf } from '@/core/piece/fields';
import { handSchema } from '@/core/piece/hand';
import { workSchema } from '@/core/piece/work';
import type { Judged } from '@/core/known-findings';
import { saveSheet } from '@/desk/files';
import { dayOf } from '@/desk/settings';
import { editHand, editPiece, say, setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { FindingList } from '@/ui/parts/FindingList';
import { MeasureField } from '@/ui/parts/MeasureField';
import { timeSpan } from '@/units/units';
import { useUnits } from '@/ui/parts/useUnits';
import { dateWords, placeName, soonest, weekdayName } from './order-store';
import { Sentence } from '@/ui/parts/Figures';

const TimeCharts = dynamic(() => import('./TimeCharts').then((m) => m.TimeCharts), {
  ssr: false,
  loading: () => <Box aria-busy="true">The charts are being drawn.</Box>,
});

export function TimeRoom({ findings }: { findings: readonly Judged[] }) {
  const plan = useDesk((s) => s.plan)!;
  return (
    <ThreeColumns
      of={['work']}
      list="Hours"
      left={<Week />}
      middle={
        <Box
          sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper', p: 2 }}
          tabIndex={0}
          role="region"
          aria-label="Where time goes"
        >
          {plan.work.sittings.length === 0 ? (
            <Typography>Nothing is left to do.</Typography>
          ) : (
            <TimeCharts plan={plan} />
          )}
        </Box>
      }
      right={
        <>
          <Typography variant="h2">Sittings and time</Typography>
          <HowLong />
          <FindingList findings={findings} />
          <Calendar />
          <Trimming />
          <Chain />
        </>
      }
    />
  );
}

function HowLong() {
  const plan = useDesk((s) => s.plan)!;
  const { work } = plan;
  if (work.sittings.length === 0) return <Sentence>Nothing is left to do.</Sentence>;
  return (
    <Sentence>
      <b>{timeSpan(work.spanLeft)}</b> of work in <b>{work.sittings.length} sittings</b>
      {work.finishDate ? (
        <>
          , done on <b>{dateWords(work.finishDate)}</b>.
        </>
      ) : (
        <>
          , over <b>{work.sittings[work.sittings.length - 1]!.day + 1} days</b> from a Monday. Say when you begin for
          dates.
        </>
      )}{' '}
      {soonest(plan)}
    </Sentence>
  );
}

const A_DAY = boundsOf(handSchema.shape.benchMinutes.element);

function Week() {
  const hand = useDesk((s) => s.hand);
  return (
    <Box role="group" aria-label="Minutes at the bench" sx={{ p: 1.5 }}>
      <Typography variant="h3" component="h2">
        At the bench, minutes
      </Typography>
      {hand.benchMinutes.map((m, i) => (
        <MeasureField
          key={i}
          label={weekdayName(i)}
          kind="number"
          unit="min"
          value={m}
          min={A_DAY.least}
          max={A_DAY.most}
          onChange={(v) => editHand((d) => void (d.benchMinutes[i] = Math.round(v)))}
        />
      ))}
      <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
        Beside it
      </Typography>
      <Fields
        schema={handSchema}
        value={hand}
        keys={['readyMinutes', 'glueMinutes', 'dryMinutes']}
        onChange={(change) => editHand((d) => void Object.assign(d, change))}
      />
      <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
        These hours are yours for every piece. Glue: go by its label.
      </Box>
    </Box>
  );
}

function Calendar() {
  const beginOn = useDesk((s) => s.piece!.work.beginOn);
  const canEdit = useDesk((s) => s.canEdit);
  const [typed, setTyped] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const shown = typed ?? beginOn ?? '';
  const bad = typed !== null && typed !== '' && !z.iso.date().safeParse(typed).success;
  return (
    <Box role="group" aria-label="Calendar" sx={{ my: 1 }}>
      <TextField
        type="date"
        label="First sitting on"
        fullWidth
        value={shown}
        disabled={!canEdit}
        error={bad}
        helperText={bad ? 'Write a day, month and year' : undefined}
        slotProps={{ inputLabel: { shrink: true } }}
        onChange={(e) => {
          setTyped(e.target.value);
          if (z.iso.date().safeParse(e.target.value).success) editPiece((d) => void (d.work.beginOn = e.target.value));
          else if (e.target.value === '') editPiece((d) => void (d.work.beginOn = null));
        }}
        onBlur={() => !bad && setTyped(null)}
        sx={{ my: 1 }}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <EditButton onClick={() => editPiece((d) => void (d.work.beginOn = dayOf(new Date()).date))}>
          Plan what remains from today
        </EditButton>
        <Button
          disabled={busy || beginOn === null}
          onClick={() => {
            const { piece, cupboard, hand, settings } = useDesk.getState();
            if (!piece) return;
            setBusy(true);
            saveSheet('ics', { piece, cupboard, hand, settings })
              .catch((e: unknown) => say(e instanceof Error ? e.message : 'The calendar could not be made.'))
              .finally(() => setBusy(false));
          }}
        >
          {busy ? 'Making the calendar' : 'Calendar file'}
        </Button>
      </Box>
      {beginOn === null && (
        <Box sx={{ fontSize: 13, mt: 0.5 }}>A calendar file needs the day of the first sitting.</Box>
      )}
    </Box>
  );
}

/** As you go, or all at the end. */
function Trimming() {
  const work = useDesk((s) => s.piece!.work);
  return (
    <Box sx={{ my: 1.5 }}>
      <Fields
        schema={workSchema}
        value={work}
        keys={['trim']}
        onChange={(change) => editPiece((d) => void Object.assign(d.work, change))}
      />
      <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 0.5 }}>
        {work.trim === 'as you go'
          ? 'Each area is seen at its true length before the next one hangs over it; colours beside it are bagged each time.'
          : 'All lengths are judged together, and bagged once; what hangs over is in the way.'}
      </Box>
    </Box>
  );
}

function Chain() {
  const plan = useDesk((s) => s.plan)!;
  const { q, t } = useUnits();
  const { chain, minutes } = plan.work.critical;
  if (chain.length === 0) return null;
  return (
    <Box component="section" aria-label="The longest chain">
      <Typography variant="h3" component="h2">
        The longest chain
      </Typography>
      <Box sx={{ fontSize: 13, mb: 0.5 }}>
        {q({ kind: 'time', value: minutes })} with what has to set or dry between: put off one of these and all is
        later.
      </Box>
      <Box component="ol" sx={{ m: 0, pl: 2.5, fontSize: 13 }}>
        {chain.map((id) => {
          const s = plan.work.steps.find((x) => x.operation.id === id)!;
          return (
            <li key={id}>
              <Box
                component="button"
                type="button"
                onClick={() => setView({ orderRoom: 'steps', stepId: id })}
                sx={{
                  font: 'inherit',
                  border: 0,
                  bgcolor: 'transparent',
                  color: 'primary.main',
                  p: 0,
                  // Its number stands beside its first line.
                  verticalAlign: 'top',
                  textAlign: 'left',
                  cursor: 'pointer',
                }}
              >
                {placeName(plan, s.operation)}: {t(s.operation.does)}
              </Box>
              {s.operation.wait ? ` (then ${q({ kind: 'time', value: s.operation.wait.minutes })} to set)` : ''}
            </li>
          );
        })}
      </Box>
    </Box>
  );
}
