'use client';
/**
 * The desk's three columns: what there is on the left, its picture in the middle, the answer and controls on the right. On a
 * tablet the answer stands below the other two; on a phone they are seen in turn.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { PlanPart } from '@/core/touched';
import { setView, upToDate, useDesk } from '@/desk/store';
import { PANES, type Pane } from '@/desk/view';
import { FiguresOf } from '@/ui/parts/Figures';
import { Hint } from './Hint';

interface ThreeColumnsProps {
  readonly left: ReactNode;
  readonly middle: ReactNode;
  readonly right: ReactNode;
  /** What the left column is a list of, where it is seen in turn. */
  readonly list?: string;
  /** Which part of the plan its figures come from, and of which area. */
  readonly of?: readonly PlanPart[];
  readonly area?: string | null;
}

export function ThreeColumns({ left, middle, right, list = 'List', of = [], area = null }: ThreeColumnsProps) {
  // Controls that stood alone would jump aside under the hand once the answer appears above them.
  const waiting = useDesk((s) => s.plan === null && !upToDate(s));
  const pane = useDesk((s) => s.view.pane);
  const shown = (p: Pane) => ({ xs: pane === p ? 'block' : 'none', sm: 'block' });
  // On a tablet all move together; side by side, and in turn, each on its own.
  const side = {
    bgcolor: 'background.paper',
    overflow: { xs: 'auto', sm: 'visible', md: 'auto' },
    minHeight: { xs: 0, sm: 'auto', md: 0 },
    minWidth: 0,
  } as const;
  return (
    <FiguresOf of={of} area={area}>
      <Box
        component="main"
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gridTemplateColumns: {
            xs: 'minmax(0, 1fr)',
            sm: 'minmax(0, 220px) minmax(0, 1fr)',
            md: '248px minmax(0, 1fr) 356px',
          },
          gridTemplateRows: { xs: 'minmax(0, 1fr)', sm: '520px max-content', md: 'minmax(0, 1fr)' },
          overflow: { xs: 'hidden', sm: 'auto', md: 'hidden' },
        }}
      >
        <Box
          sx={{
            ...side,
            overflow: 'auto',
            display: shown('list'),
            borderRight: { sm: 1 },
            borderColor: { sm: 'divider' },
          }}
        >
          {left}
        </Box>
        <Box
          sx={{
            minHeight: 0,
            minWidth: 0,
            display: { xs: pane === 'picture' ? 'flex' : 'none', sm: 'flex' },
            flexDirection: 'column',
          }}
        >
          {middle}
        </Box>
        <Box
          component="section"
          aria-label="Docket"
          tabIndex={0}
          sx={{
            ...side,
            display: shown('docket'),
            gridColumn: { sm: '1 / -1', md: 'auto' },
            borderLeft: { md: 1 },
            borderTop: { xs: 0, sm: 1, md: 0 },
            borderColor: { xs: 'divider', md: 'divider' },
            p: 2.25,
            '& > *': { maxWidth: { sm: 720 } },
          }}
        >
          <Hint />
          {waiting ? (
            <Typography sx={{ color: 'text.secondary' }}>
              The docket appears as soon as the animal has been worked out.
            </Typography>
          ) : (
            right
          )}
        </Box>
      </Box>
      <InTurn pane={pane} list={list} />
    </FiguresOf>
  );
}

/** On a phone: which of the three is seen, within reach of the thumb. */
function InTurn({ pane, list }: { pane: Pane; list: string }) {
  const words: Record<Pane, string> = { list, picture: 'Picture', docket: 'Docket' };
  return (
    <Box
      component="nav"
      aria-label="What is seen"
      sx={{
        display: { xs: 'grid', sm: 'none' },
        gridTemplateColumns: 'repeat(3, 1fr)',
        gap: 0.75,
        px: 1.5,
        py: 0.5,
        bgcolor: 'background.paper',
        borderTop: 1,
        borderColor: 'divider',
        '@media print': { display: 'none' },
      }}
    >
      {PANES.map((p) => (
        <Button
          key={p}
          variant={p === pane ? 'contained' : 'outlined'}
          aria-pressed={p === pane}
          onClick={() => setView({ pane: p })}
          sx={{ minHeight: 44 }}
        >
          {words[p]}
        </Button>
      ))}
    </Box>
  );
}
