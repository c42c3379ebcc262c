'use client';
/** What went wrong in this window, to be saved as a file. */
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { saveReportFile } from '@/desk/files';
import { useWrongs } from '@/desk/report';

export function Report() {
  const wrongs = useWrongs((s) => s.wrongs);
  return (
    <>
      <Typography variant="body2" role="status" sx={{ mb: 1 }}>
        {wrongs.length === 0
          ? 'Nothing has gone wrong in this window.'
          : `${wrongs.length === 1 ? 'Once' : `${wrongs.length} times`} something went wrong in this window, last: ${wrongs.at(-1)!.says}`}
      </Typography>
      <Typography variant="body2" sx={{ mb: 1, color: 'text.secondary' }}>
        A report says what went wrong and in which browser. Your pieces, names and photographs are not in it, and
        nothing is sent: it is a file for you to hand on, or not.
      </Typography>
      <Button onClick={saveReportFile}>Save a report to a file</Button>
    </>
  );
}
