'use client';
/** Name, size and scale, wool, hours, saved state; undo, file and print. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import type { PlanPart } from '@/core/touched';
import { savePieceFile } from '@/desk/files';
import { useDesk } from '@/desk/store';
import { timeSpan } from '@/units/units';
import { useOld } from '@/ui/parts/Figures';
import { useMoved } from '@/ui/parts/useMoved';
import { useUnits } from '@/ui/parts/useUnits';
import { PrintButton } from './PrintButton';
import { SavedMark } from './SavedMark';
import { figures } from './theme';
import { UndoButtons } from './UndoButtons';
import { WayTo } from './WayTo';

export function TopBar({ onHelp }: { onHelp: () => void }) {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const savedAt = useDesk((s) => s.savedAt);
  const coarse = useDesk((s) => s.settings.shape === 'coarse');
  const { q } = useUnits();
  const moved = useMoved();
  if (!piece) return null;
  const wool =
    plan && moved({ kind: 'mass', value: plan.stock.needG }, (p) => ({ kind: 'mass', value: p.stock.needG }));
  const facts: readonly { readonly of: readonly PlanPart[]; readonly says: string }[] = plan
    ? [
        { of: [], says: `${q({ kind: 'length', value: piece.form.finishedLengthMm })} nose to tail` },
        { of: ['form'], says: `1 : ${q(plan.form.scale)} of life` },
        { of: ['stock'], says: `wool ${q({ kind: 'mass', value: plan.stock.needG })}${wool ? ` (${wool.by})` : ''}` },
        {
          of: ['work', 'log'],
          says: plan.log.minutesLeft > 0 ? `${timeSpan(plan.work.spanLeft)} left` : 'all done',
        },
        ...(coarse ? [{ of: [], says: 'shape worked out coarsely' }] : []),
      ]
    : [];
  const wide = { xs: 'none', sm: 'inline-flex' } as const;
  return (
    <Box
      component="header"
      sx={{
        minHeight: 48,
        px: { xs: 1.5, sm: 2.5 },
        py: { xs: 0.5, md: 0 },
        display: 'flex',
        flexWrap: { xs: 'wrap', md: 'nowrap' },
        alignItems: 'center',
        columnGap: { xs: 1.5, sm: 2.5 },
        bgcolor: 'background.paper',
        borderBottom: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      <Box
        component={WayTo}
        href="/"
        sx={{ color: 'primary.main', fontSize: 13, fontWeight: 600, alignContent: 'center' }}
      >
        Shelf
      </Box>
      <Box
        component="h1"
        sx={{
          m: 0,
          fontSize: 18,
          lineHeight: 1.2,
          fontWeight: 700,
          overflowWrap: 'anywhere',
          minWidth: 60,
          maxWidth: 280,
        }}
      >
        {piece.name}
      </Box>
      <Box
        sx={{
          display: 'flex',
          flexWrap: 'wrap',
          columnGap: { xs: 1.5, md: 2.5 },
          fontSize: 13,
          lineHeight: 1.3,
          color: 'text.secondary',
          flex: { xs: '1 1 60%', md: 1 },
          order: { xs: 1, md: 0 },
          minWidth: 0,
        }}
        role="group"
        aria-label="Piece in figures"
      >
        {facts.map(({ of, says }) => (
          <Fact key={says} of={of}>
            {says}
          </Fact>
        ))}
      </Box>
      <Box sx={{ display: 'flex', gap: 0.75, alignItems: 'center', flexShrink: 0, ml: 'auto' }}>
        <UndoButtons />
        <Button onClick={() => void savePieceFile(piece)} sx={{ display: wide }}>
          Save to file
        </Button>
        <PrintButton says="Print sheets" display={wide} />
        <PrintButton
          says="More"
          display={{ xs: 'inline-flex', sm: 'none' }}
          more={[
            { says: 'Save to file', onClick: () => void savePieceFile(piece) },
            { says: 'Keys', onClick: onHelp },
          ]}
        />
        <Button onClick={onHelp} aria-label="Keys" sx={{ minWidth: 32, display: wide, ...figures }}>
          ?
        </Button>
      </Box>
      <Box sx={{ order: { xs: 2, md: 0 } }}>
        <SavedMark at={savedAt} />
      </Box>
    </Box>
  );
}

function Fact({ of, children }: { of: readonly PlanPart[]; children: ReactNode }) {
  return <span {...useOld({ of })}>{children}</span>;
}
