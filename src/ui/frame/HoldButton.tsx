'use client';
/** Holds the piece as it is, to compare figures and picture with until it is let go. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { backToHeld, hold, letGo } from '@/desk/hold';
import { useDesk } from '@/desk/store';
import { clockTime } from '@/ui/parts/clock-time';
import { EditButton } from '@/ui/parts/Editable';
import { snapshot } from '@/ui/pictures/snapshot';

export function HoldButton() {
  const at = useDesk((s) => s.held?.at ?? null);
  const ready = useDesk((s) => s.plan !== null);
  if (!ready) return null;
  return (
    <Box component="section" aria-label="Compare" sx={{ display: 'flex', alignItems: 'center', px: 0.5, fontSize: 13 }}>
      {at === null ? (
        <Button variant="text" onClick={() => hold(snapshot())} sx={{ minHeight: 28 }}>
          Hold this
        </Button>
      ) : (
        <>
          <Box component="span" role="status" sx={{ px: 0.75, display: { xs: 'none', sm: 'inline' } }}>
            Compared with {clockTime(at)}
          </Box>
          <EditButton variant="text" onClick={backToHeld} sx={{ minHeight: 28 }}>
            Back to it
          </EditButton>
          <Button variant="text" onClick={letGo} sx={{ minHeight: 28 }}>
            Let go
          </Button>
        </>
      )}
    </Box>
  );
}
