'use client';
/** Everything found in the piece in one list, worst first: what is to be decided, the way there, its remedies, what is known. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { toDecide, type Judged } from '@/core/known-findings';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import { setView, useDesk } from '@/desk/store';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { placeOfFinding } from './finding-place';
import { STAGES } from './stages';
import { go } from './way';

const TITLE = 'findings-title';

export function FindingsButton() {
  const [open, setOpen] = useState(false);
  const piece = useDesk((s) => s.piece);
  const planned = useDesk((s) => s.plan !== null);
  const cupboard = useDesk((s) => s.cupboard);
  const findings = useFindings();
  if (!piece || !planned) return null;
  const count = findings.filter(toDecide).length;
  const jump = (f: Judged) => {
    const place = placeOfFinding(f, piece);
    setOpen(false);
    setView({ ...place.view, pane: 'docket', brush: 'off' });
    go(`/piece/${piece.id}/${place.stage}`);
  };
  const stage = (f: Judged) => STAGES.find((s) => s.path === placeOfFinding(f, piece).stage)!.name;
  const name = (f: Judged) => nameOf(f, piece, cupboard);
  return (
    <Box
      component="section"
      aria-label="Findings"
      sx={{ display: 'flex', alignItems: 'center', px: 1, borderLeft: 1, borderColor: 'divider' }}
    >
      <Button variant="text" aria-haspopup="dialog" onClick={() => setOpen(true)}>
        {count === 0 ? 'All decided' : `${count} to decide`}
      </Button>
      <Drawer
        anchor="right"
        open={open}
        onClose={() => setOpen(false)}
        slotProps={{
          paper: {
            role: 'dialog',
            'aria-labelledby': TITLE,
            sx: { width: 440, maxWidth: '100%', p: 2.25, borderLeft: 1, borderColor: 'divider' },
          },
        }}
      >
        <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'start', gap: 1 }}>
          <Typography id={TITLE} variant="h2">
            {says(count, findings)}
          </Typography>
          <Button onClick={() => setOpen(false)}>Close</Button>
        </Box>
        <FindingList
          findings={findings}
          more={(f) => (
            <Button variant="text" onClick={() => jump(f)}>
              Go to {name(f) === null ? stage(f) : `${name(f)} in ${stage(f)}`}
            </Button>
          )}
        />
      </Drawer>
    </Box>
  );
}

/** What a finding is about, by the name it has; null where it is about the whole piece. */
function nameOf({ about }: Judged, piece: Piece, cupboard: Cupboard): string | null {
  const lists: Partial<Record<NonNullable<typeof about>['kind'], readonly { id: string; name: string }[]>> = {
    area: piece.areas,
    part: piece.form.parts,
    'flat part': piece.flatParts,
    marking: piece.markings,
    'small part': piece.smallParts,
    'small thing': piece.things,
    whiskers: piece.face?.whiskers ?? [],
    lot: cupboard.lots,
  };
  return about ? (lists[about.kind]?.find((x) => x.id === about.id)?.name ?? null) : null;
}

function says(open: number, findings: readonly Judged[]): string {
  if (findings.length === 0) return 'Nothing to decide in the whole piece';
  const notes = findings.filter((f) => f.known === null && f.severity === 'note').length;
  const decide = open === 0 ? 'Nothing to decide' : `${open} to decide`;
  return notes === 0 ? decide : `${decide}, ${notes} to know of`;
}
