'use client';
/** Name, size and scale, wool, hours, saved state; undo, file and print. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { savePieceFile } from '@/desk/files';
import { redo, undo, useDesk } from '@/desk/store';
import { timeSpan } from '@/units/units';
import { useUnits } from '@/ui/parts/useUnits';
import { PrintButton } from './PrintButton';
import { SavedMark } from './SavedMark';
import { figures } from './theme';
import { WayTo } from './WayTo';

export function TopBar({ onHelp }: { onHelp: () => void }) {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const savedAt = useDesk((s) => s.savedAt);
  const canEdit = useDesk((s) => s.canEdit);
  const coarse = useDesk((s) => s.settings.shape === 'coarse');
  const { q } = useUnits();
  const past = useDesk((s) => s.past.length);
  const future = useDesk((s) => s.future.length);
  if (!piece) return null;
  const facts = plan
    ? [
        `${q({ kind: 'length', value: piece.form.finishedLengthMm })} nose to tail`,
        `1 : ${q(plan.form.scale)} of life`,
        `wool ${q({ kind: 'mass', value: plan.stock.needG })}`,
        plan.log.minutesLeft > 0 ? `${timeSpan(plan.work.spanLeft)} left` : 'all done',
        ...(coarse ? ['shape worked out coarsely'] : []),
      ]
    : [];
  return (
    <Box
      component="header"
      sx={{
        minHeight: 48,
        px: 2.5,
        display: 'flex',
        alignItems: 'center',
        gap: 2.5,
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Box component={WayTo} href="/" sx={{ color: 'primary.main', fontSize: 13, fontWeight: 600 }}>
        Shelf
      </Box>
      <Box
        component="h1"
        sx={{
          m: 0,
          fontSize: 18,
          fontWeight: 700,
          whiteSpace: 'nowrap',
          overflow: 'hidden',
          textOverflow: 'ellipsis',
          minWidth: 60,
          maxWidth: 280,
        }}
      >
        {piece.name}
      </Box>
      <Box
        sx={{
          display: 'flex',
          gap: 2.5,
          fontSize: 13,
          color: 'text.secondary',
          whiteSpace: 'nowrap',
          overflow: 'hidden',
          flex: 1,
          minWidth: 0,
        }}
        aria-label="Piece in figures"
      >
        {facts.map((f) => (
          <span key={f}>{f}</span>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center', flexShrink: 0 }}>
        <Button onClick={undo} disabled={past === 0 || !canEdit}>
          Undo
        </Button>
        <Button onClick={redo} disabled={future === 0 || !canEdit}>
          Redo
        </Button>
        <Button onClick={() => savePieceFile(piece)}>Save to file</Button>
        <PrintButton />
        <Button onClick={onHelp} aria-label="Keys" sx={{ minWidth: 32, ...figures }}>
          ?
        </Button>
      </Box>
      <SavedMark at={savedAt} />
    </Box>
  );
}
