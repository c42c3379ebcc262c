'use client';
/** What the worker is doing, how far it is, and a way to stop it. Appears when it takes longer than a blink. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import { saveReportFile } from '@/desk/files';
import { planAgain, stopPlanning } from '@/desk/planner';
import { useDesk } from '@/desk/store';
import { useLate } from './useLate';

const PATIENCE = 80;

export function PlanProgress() {
  const progress = useDesk((s) => s.progress);
  const stopped = useDesk((s) => s.stopped);
  const error = useDesk((s) => s.planError);
  const hasPlan = useDesk((s) => s.plan !== null);
  const late = useLate(progress !== null, PATIENCE);
  if (error) {
    return (
      <Notice role="alert">
        <span>The plan could not be worked out: {error}. Your piece is safe; undo the last change or try again.</span>
        <Button onClick={planAgain}>Try again</Button>
        <Button onClick={saveReportFile}>Save a report to a file</Button>
      </Notice>
    );
  }
  if (stopped) {
    return (
      <Notice role="status">
        <span>
          {hasPlan
            ? 'Stopped. The figures are those of the last finished plan.'
            : 'Stopped before the first plan was ready.'}
        </span>
        <Button onClick={planAgain}>Go on</Button>
      </Notice>
    );
  }
  if (!progress || !late) return null;
  return (
    <Notice role="status">
      <Box sx={{ width: 230 }}>
        {progress.doing}
        <LinearProgress
          variant="determinate"
          value={progress.share * 100}
          aria-label="Share of the plan worked out"
          sx={{ mt: 0.5, height: 3 }}
        />
      </Box>
      <Button onClick={stopPlanning}>Stop</Button>
    </Notice>
  );
}

function Notice({ role, children }: { role: 'status' | 'alert'; children: React.ReactNode }) {
  return (
    <Box
      role={role}
      sx={{
        position: 'absolute',
        left: '50%',
        bottom: 16,
        transform: 'translateX(-50%)',
        zIndex: 5,
        display: 'flex',
        gap: 2,
        alignItems: 'center',
        bgcolor: 'background.paper',
        border: 1,
        borderColor: 'divider',
        borderRadius: '3px',
        px: 2,
        py: 1,
        fontSize: 13,
      }}
    >
      {children}
    </Box>
  );
}
