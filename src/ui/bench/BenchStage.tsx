'use client';
/** Bench: one row or step at a time, read at arm's length, worked with one thumb or two keys; everything else one press away. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useRef } from 'react';
import { canBegin } from '@/core/log/where-to-go-on';
import type { Plan } from '@/core/plan';
import { upToDate, setView, useDesk } from '@/desk/store';
import { BENCH_ROOMS, type BenchRoom } from '@/desk/view';
import { AreaList } from '@/ui/coat/AreaList';
import { useSelectedArea } from '@/ui/coat/CoatStage';
import { Hint } from '@/ui/frame/Hint';
import { RoomBar } from '@/ui/frame/RoomBar';
import { SavedMark } from '@/ui/frame/SavedMark';
import { Breakages, Counting } from '@/ui/needles/NeedleCare';
import { FindingList } from '@/ui/parts/FindingList';
import { FiguresOf } from '@/ui/parts/Figures';
import { useFindings } from '@/ui/parts/useFindings';
import { LayChartPicture } from '@/ui/pictures/LayChartPicture';
import { Turntable } from '@/ui/pictures/Turntable';
import { toggleBare, useBare, useDim } from './bare';
import { BenchFrame, Work } from './BenchFrame';
import { takeInHand } from './in-hand';
import { LeftOff } from './LeftOff';
import { NextSteps } from './NextSteps';
import { Photographs } from './Photographs';
import { RowInHand } from './RowInHand';
import { StepInHand } from './StepInHand';
import { Tonight } from './Tonight';
import { useAwake } from './useAwake';
import { WriteDown } from './WriteDown';

const ROOM_WORDS: Readonly<Record<BenchRoom, string>> = {
  work: 'Only the work',
  steps: 'Steps and areas',
  chart: 'Lay chart',
  write: 'Write down',
  needles: 'Needles',
  photographs: 'Photographs',
};

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
  const bare = useBare();
  useDim();
  const room = useDesk((s) => s.view.benchRoom);
  const savedAt = useDesk((s) => s.savedAt);
  const name = useDesk((s) => s.piece?.name ?? '');
  const waiting = useDesk((s) => s.plan === null && !upToDate(s));
  // A broken needle's place is pressed on the animal.
  const where = useDesk((s) => s.view.brush === 'where');
  // A needle in the piece stops everything.
  const lost = useFindings().filter((f) => f.code === 'needle-lost');
  const log = plan?.log.areas.find((a) => a.areaId === area?.id) ?? null;
  const stepId = useDesk((x) => x.view.stepId);
  // A step that is not laid row by row is worked as a whole.
  const other = plan?.work.steps.find((x) => x.operation.id === stepId && x.operation.kind !== 'lay') ?? null;
  const rows = !other && area?.fur && log ? { area, log } : null;
  const above = (
    <>
      <Hint />
      <FindingList findings={lost} />
      <LeftOff />
      {asleep && (
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          This browser lets the screen go dark: set it to stay on while you work.
        </Typography>
      )}
    </>
  );
  return (
    <FiguresOf of={['work', 'log']} area={null}>
      {bare && (
        <Box
          component="header"
          sx={{ position: 'absolute', width: 1, height: '1px', overflow: 'hidden', clipPath: 'inset(50%)' }}
        >
          <Typography variant="h1">{name}</Typography>
        </Box>
      )}
      <RoomBar
        label="Rooms of the bench"
        rooms={BENCH_ROOMS.map((r) => ({ room: r, says: ROOM_WORDS[r], findings: [] }))}
        open={room}
        onOpen={(benchRoom) => setView({ benchRoom })}
        end={
          <>
            {bare && <SavedMark at={savedAt} />}
            <Button variant="text" onClick={toggleBare} aria-pressed={bare} sx={{ minHeight: 28, flexShrink: 0 }}>
              {bare ? 'Show the desk' : 'Full screen'}
            </Button>
          </>
        }
      />
      <BenchFrame
        picture={<Turntable litRow={rows?.log.nextRow ?? null} compact {...(where ? { tool: 'needle' } : {})} />}
        pressed={where}
        beside={
          room === 'work' ? null : { label: ROOM_WORDS[room], holds: <Beside room={room} rows={rows} other={other} /> }
        }
      >
        {waiting ? (
          <Work>
            <Typography sx={{ color: 'text.secondary' }}>
              What to do appears as soon as the animal has been worked out.
            </Typography>
          </Work>
        ) : other ? (
          <StepInHand key={other.operation.id} step={other} above={above} />
        ) : rows ? (
          <RowInHand key={rows.area.id} {...rows} above={above} />
        ) : (
          <Work>
            {above}
            <Typography>Choose a step, or an area that is laid in rows, under “Steps and areas”.</Typography>
          </Work>
        )}
      </BenchFrame>
    </FiguresOf>
  );
}

type InHand = Parameters<typeof WriteDown>[0];

function Beside({
  room,
  rows,
  other,
}: {
  room: BenchRoom;
  rows: Pick<Parameters<typeof RowInHand>[0], 'area' | 'log'> | null;
  other: InHand['step'];
}) {
  switch (room) {
    case 'work':
      return null;
    case 'steps':
      return (
        <>
          <Tonight />
          <NextSteps />
          <AreaList onlyFur onPick={(areaId) => setView({ areaId, stepId: `lay-${areaId}` })} />
        </>
      );
    case 'chart':
      return rows ? (
        <LayChartPicture area={rows.area} nextRow={rows.log.nextRow} done={new Set(rows.log.rowsDone)} />
      ) : (
        <Typography>The step in hand is not laid in rows.</Typography>
      );
    case 'write':
      return <WriteDown area={rows?.area ?? null} log={rows?.log ?? null} step={other} />;
    case 'needles':
      return (
        <>
          <Typography variant="h2" component="h2">
            Needles
          </Typography>
          <Counting />
          <Breakages onAnimal />
        </>
      );
    case 'photographs':
      return <Photographs operationId={other?.operation.id ?? (rows ? `lay-${rows.area.id}` : null)} />;
  }
}
