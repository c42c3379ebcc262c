'use client';
/** The watch, done and back: always in view under what is to be done, worked with one thumb or one key. */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { elapsed, isRunning, overdue, takeBack, toggleTimer } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { EditButton } from '@/ui/parts/Editable';
import { Away, type Asked } from './Away';
import { clock, useNow } from './clock';
import { takeInHand } from './in-hand';
import { useBenchKeys } from './useBenchKeys';

interface BenchBarProps {
  /** What the watch runs for, and the step and row it is. */
  readonly timerOf: string;
  readonly operationId: string;
  readonly row: number | null;
  /** What is timed, in a word. */
  readonly one: string;
  /** What the button of the next thing says; null where nothing is left to do. */
  readonly says: string;
  readonly open: boolean;
  /** Does the next thing; with minutes to write down in place of what the watch says. */
  readonly goOn: (took?: number) => void;
  readonly note?: () => void;
}

export function BenchBar({ timerOf, operationId, row, one, says, open, goOn, note }: BenchBarProps) {
  const timer = useDesk((s) => s.view.timer);
  const canEdit = useDesk((s) => s.canEdit);
  const plan = useDesk((s) => s.plan);
  const done = useDesk((s) => s.piece?.log.some((e) => e.kind === 'row' || (e.kind === 'step' && !e.kept)) ?? false);
  const running = isRunning(timer, timerOf);
  const now = useNow(running);
  const [asked, setAsked] = useState<Asked | null>(null);
  const next = () => {
    const late = open && timer?.areaId === timerOf ? overdue(timerOf, operationId, row) : null;
    if (late) setAsked({ ...late, answer: goOn });
    else goOn();
  };
  const back = () => {
    const id = takeBack();
    if (plan && id) takeInHand(plan, id);
  };
  useBenchKeys({ canEdit, next, back, pause: () => toggleTimer(timerOf), note: note ?? (() => undefined) });
  return (
    <Box
      sx={{
        position: 'sticky',
        // Above or below whatever is read meanwhile.
        top: 0,
        bottom: 0,
        zIndex: 2,
        bgcolor: 'background.paper',
        borderTop: 1,
        borderBottom: 1,
        borderColor: 'divider',
        py: 1,
        mb: 1,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, mb: 1 }}>
        <Box sx={{ ...figures, fontSize: 40, lineHeight: 1 }} role="timer" aria-label={`Time on this ${one}`}>
          {clock(elapsed(timer, timerOf, Math.max(now, running ? (timer?.startedAt ?? 0) : 0)))}
        </Box>
        <EditButton onClick={() => toggleTimer(timerOf)} disabled={!open} sx={{ minHeight: 44, px: 2 }}>
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
    </Box>
  );
}
