'use client';
/** The watch, done and back: always in view under what is to be done, worked with one thumb or one key. */
import Box from '@mui/material/Box';
import { useEffect, useState } from 'react';
import { elapsed, isRunning, overdue, takeBack, toggleTimer } from '@/desk/bench';
import { atWorkSince, leftToday } from '@/desk/bench-time';
import { setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { EditButton } from '@/ui/parts/Editable';
import { BarNote } from '@/ui/parts/Panel';
import { useUnits } from '@/ui/parts/useUnits';
import { Away, type Asked } from './Away';
import { clock, useNow } from './clock';
import { takeInHand } from './in-hand';
import { play } from './sounds';
import { useBenchKeys } from './useBenchKeys';
import { useSpoken } from './voice';
import { NOTE_FIELD } from './WriteDown';

interface BenchBarProps {
  /** What the watch runs for, and the step and row it is. */
  readonly timerOf: string;
  readonly operationId: string;
  readonly row: number | null;
  /** What is timed, in a word. */
  readonly one: string;
  /** What is in hand, in a line: read out where that is asked for, and seen where its place is taken. */
  readonly what: string;
  /** What the button of the next thing says. */
  readonly says: string;
  readonly open: boolean;
  /** Does the next thing; with minutes to write down in place of what the watch says. */
  readonly goOn: (took?: number) => void;
}

/** To the field for a note, wherever the focus is. */
function writeNote(): void {
  setView({ benchRoom: 'write' });
  requestAnimationFrame(() => document.getElementById(NOTE_FIELD)?.focus());
}

export function BenchBar({ timerOf, operationId, row, one, what, says, open, goOn }: BenchBarProps) {
  const timer = useDesk((s) => s.view.timer);
  const canEdit = useDesk((s) => s.canEdit);
  const plan = useDesk((s) => s.plan);
  const { keys, sounds, speaks } = useDesk((s) => s.settings.bench);
  const covered = useDesk((s) => s.view.benchRoom !== 'work');
  const done = useDesk((s) => s.piece?.log.some((e) => e.kind === 'row' || (e.kind === 'step' && !e.kept)) ?? false);
  const running = isRunning(timer, timerOf);
  const now = Math.max(useNow(running), timer?.startedAt ?? 0);
  const [asked, setAsked] = useState<Asked | null>(null);
  const next = () => {
    const late = open && timer?.areaId === timerOf ? overdue(timerOf, operationId, row) : null;
    if (late) setAsked({ ...late, answer: goOn });
    else if (open) {
      if (sounds.done) play('done');
      goOn();
    }
  };
  const back = () => {
    const id = takeBack();
    if (plan && id) takeInHand(plan, id);
  };
  const pause = () => {
    if (running && sounds.pause) play('pause');
    toggleTimer(timerOf);
  };
  useBenchKeys(keys, { canEdit, next, back, pause, note: writeNote });
  useSpoken(speaks ? what : null);
  return (
    <>
      <Due now={now} running={running} spentMs={elapsed(timer, timerOf, now)} />
      {covered && (
        <Box sx={{ display: { sm: 'none' }, fontSize: 15, fontWeight: 700, mb: 0.5, overflowWrap: 'anywhere' }}>
          {what}
        </Box>
      )}
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 1 }}>
        <Box sx={{ ...figures, fontSize: 40, lineHeight: 1 }} role="timer" aria-label={`Time on this ${one}`}>
          {clock(elapsed(timer, timerOf, now))}
        </Box>
        <EditButton onClick={pause} disabled={!open} sx={{ minHeight: 44, px: 2 }}>
          {running ? 'Pause timer' : 'Start timer'}
        </EditButton>
      </Box>
      <Box sx={{ display: 'grid', gridTemplateColumns: '2fr 1fr', gap: 1 }}>
        <EditButton variant="contained" onClick={next} disabled={!open} sx={{ minHeight: 64, fontSize: 24 }}>
          {says}
        </EditButton>
        <EditButton onClick={back} disabled={!done} sx={{ minHeight: 64, fontSize: 18 }}>
          Back
        </EditButton>
      </Box>
      <Away asked={asked} onClose={() => setAsked(null)} />
    </>
  );
}

/** What the clock says of the maker: the time for today is over, a stretch is due. Nothing of it stops the work. */
function Due({ now, running, spentMs }: { now: number; running: boolean; spentMs: number }) {
  const piece = useDesk((s) => s.piece!);
  const hand = useDesk((s) => s.hand);
  const timer = useDesk((s) => s.view.timer);
  const stopsAt = useDesk((s) => s.plan?.work.sittings[0]?.stopsAt);
  const { sounds, stretchMinutes } = useDesk((s) => s.settings.bench);
  const { q, t } = useUnits();
  const [rested, setRested] = useState(0);
  const leftMin = leftToday(piece, hand, new Date(now));
  const over = running && leftMin !== null && leftMin * 60_000 <= spentMs;
  const since = atWorkSince(piece.log, timer);
  const atWork = since === null ? 0 : (now - Math.max(since, rested)) / 60_000;
  const stretch = stretchMinutes !== null && atWork >= stretchMinutes;
  useEffect(() => {
    if (over && sounds.end) play('end');
  }, [over, sounds.end]);
  return (
    <Box role="status">
      {over && <BarNote of="warning">The time for today is over.{stopsAt ? ` ${t(stopsAt)}.` : ''}</BarNote>}
      {stretch && (
        <BarNote of="warning" sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Box sx={{ flex: 1 }}>
            {q({ kind: 'time', value: atWork })} at work: put the needle down, stretch hands and shoulders, look far
            away.
          </Box>
          <EditButton onClick={() => setRested(now)}>Stretched</EditButton>
        </BarNote>
      )}
    </Box>
  );
}
