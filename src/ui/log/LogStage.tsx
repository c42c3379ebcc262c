'use client';
/** Log: what was really done, by sitting, beside what was planned that day; every entry can be put right or taken out. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useState } from 'react';
import type { LogEntry } from '@/core/piece/log-entry';
import { takeOut } from '@/desk/bench';
import { useDesk } from '@/desk/store';
import { TextLink } from '@/ui/frame/TextLink';
import { EditButton } from '@/ui/parts/Editable';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { PlannedAndDone } from './PlannedAndDone';
import { PutRight, canBePutRight } from './PutRight';
import { entryWords, placeOf, wasWords, type Telling } from './entry-words';

/** So many are shown at first: all of a long log would be slow to draw. */
const SHOWN = 200;

export function LogStage() {
  const plan = useDesk((s) => s.plan);
  const piece = useDesk((s) => s.piece);
  const cupboard = useDesk((s) => s.cupboard);
  const { q, t } = useUnits();
  const [asked, setAsked] = useState('');
  const search = useDeferredValue(asked.trim().toLowerCase());
  const [most, setMost] = useState(SHOWN);
  const [right, setRight] = useState<string | null>(null);
  if (!piece) return null;
  const telling: Telling = { piece, plan, cupboard, q, t };
  const newest = [...piece.log].reverse();
  const found =
    search === ''
      ? newest
      : newest.filter((e) => `${placeOf(telling, e.areaId)} ${entryWords(telling, e)}`.toLowerCase().includes(search));
  const seen = found.slice(0, most);
  return (
    <Box component="main" tabIndex={0} sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper' }}>
      <Box sx={{ maxWidth: 1000, mx: 'auto', px: { xs: 2, sm: 3 }, py: 2 }}>
        <Typography variant="h2" component="h2">
          Planned and done
        </Typography>
        {piece.log.length === 0 ? (
          <Typography sx={{ my: 1 }}>
            Nothing has been done yet. Rows finished at the <TextLink href={`/piece/${piece.id}/bench`}>bench</TextLink>{' '}
            are written down here by themselves.
          </Typography>
        ) : (
          <PlannedAndDone telling={telling} />
        )}
        {newest.length > 0 && (
          <>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline', mt: 3, mb: 1 }}>
              <Typography variant="h2" component="h2" sx={{ flex: 1 }}>
                Entries
              </Typography>
              <TextField label="Search the log" value={asked} onChange={(e) => setAsked(e.target.value)} />
            </Box>
            {found.length === 0 && <Typography>No entry has that in it.</Typography>}
            {seen.length > 0 && (
              <Table caption="Entries" head={['When', 'Area', 'What', 'Change']}>
                {seen.map((e) => (
                  <Entry key={e.id} e={e} telling={telling} open={right === e.id} onOpen={setRight} />
                ))}
              </Table>
            )}
            {found.length > seen.length && (
              <EditButton sx={{ mt: 1 }} onClick={() => setMost(most + SHOWN)}>
                Show {Math.min(SHOWN, found.length - seen.length)} more of {found.length - seen.length}
              </EditButton>
            )}
          </>
        )}
      </Box>
    </Box>
  );
}

interface EntryProps {
  readonly e: LogEntry;
  readonly telling: Telling;
  readonly open: boolean;
  readonly onOpen: (id: string | null) => void;
}

function Entry({ e, telling, open, onOpen }: EntryProps) {
  const was = wasWords(e);
  const head = e.kind === 'sitting';
  return (
    <tr>
      <td>{new Date(e.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}</td>
      <td>{placeOf(telling, e.areaId)}</td>
      <Box component="td" sx={head ? { fontWeight: '700 !important' } : {}}>
        {entryWords(telling, e)}
        {was && <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{was}</Box>}
        {open && <PutRight e={e} onClose={() => onOpen(null)} />}
      </Box>
      <td className="n">
        {canBePutRight(e) && (
          <EditButton variant="text" aria-expanded={open} onClick={() => onOpen(open ? null : e.id)}>
            Put right
          </EditButton>
        )}
        <EditButton variant="text" onClick={() => takeOut(e.id)}>
          Remove
        </EditButton>
      </td>
    </tr>
  );
}
