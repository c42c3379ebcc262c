'use client';
/** Log: what was really done, by sitting, beside what was planned that day; every entry can be put right or taken out. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { Fragment, useDeferredValue, useState } from 'react';
import { sittingsDone } from '@/core/log/sittings-done';
import type { LogEntry } from '@/core/piece/log-entry';
import { takeOut } from '@/desk/put-right';
import { useDesk } from '@/desk/store';
import { TextLink } from '@/ui/frame/TextLink';
import { useSheets } from '@/ui/frame/useSheets';
import { EditButton } from '@/ui/parts/Editable';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { FileButton } from '@/ui/parts/FileButton';
import { DaysChart } from './DaysChart';
import { PlannedAndDone } from './PlannedAndDone';
import { readBack, WhatWasRead, type ReadBack } from './ReadBack';
import { WrongOverAll } from './WrongOverAll';
import { PutRight, canBePutRight } from './PutRight';
import { entryWords, placeOf, sittingWords, wasWords, type Telling } from '@/sheets/entry-words';

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
  const { make } = useSheets();
  const [read, setRead] = useState<ReadBack | null>(null);
  const [right, setRight] = useState<string | null>(null);
  if (!piece) return null;
  const telling: Telling = { piece, plan, cupboard, q, t };
  const has = (e: LogEntry) =>
    search === '' || `${placeOf(telling, e.areaId)} ${entryWords(telling, e)}`.toLowerCase().includes(search);
  const sittings = sittingsDone(piece.log).reverse();
  const found = sittings.flatMap((s) => s.entries.filter((e) => e.kind !== 'sitting' && has(e)).reverse());
  const seen = new Set(found.slice(0, most));
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
          <>
            <PlannedAndDone telling={telling} />
            <DaysChart log={piece.log} />
            <WrongOverAll />
          </>
        )}
        {piece.log.length > 0 && (
          <>
            <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 2, alignItems: 'baseline', mt: 3, mb: 1 }}>
              <Typography variant="h2" component="h2" sx={{ flex: 1 }}>
                Entries
              </Typography>
              <EditButton onClick={() => void make('story')}>Print as a story</EditButton>
              <EditButton onClick={() => void make('log')}>Save as CSV</EditButton>
              <FileButton
                says="Read CSV"
                label="Log as CSV"
                accept=".csv,text/csv"
                onFile={(f) => void readBack(f).then(setRead)}
              />
              <TextField label="Search the log" value={asked} onChange={(e) => setAsked(e.target.value)} />
            </Box>
            <WhatWasRead read={read} onClose={() => setRead(null)} />
            {found.length === 0 && <Typography>No entry has that in it.</Typography>}
            {seen.size > 0 && (
              <Table caption="Entries" head={['When', 'Area', 'What', 'Change']}>
                {sittings.map((x) => {
                  const shown = x.entries.filter((e) => seen.has(e)).reverse();
                  if (shown.length === 0) return null;
                  return (
                    <Fragment key={x.from}>
                      <tr>
                        <Box
                          component="th"
                          scope="rowgroup"
                          colSpan={4}
                          sx={{ fontWeight: '700 !important', pt: '20px !important' }}
                        >
                          {sittingWords(telling, x)}
                        </Box>
                      </tr>
                      {shown.map((e) => (
                        <Entry key={e.id} e={e} telling={telling} open={right === e.id} onOpen={setRight} />
                      ))}
                    </Fragment>
                  );
                })}
              </Table>
            )}
            {found.length > seen.size && (
              <EditButton sx={{ mt: 1 }} onClick={() => setMost(most + SHOWN)}>
                Show {Math.min(SHOWN, found.length - seen.size)} more of {found.length - seen.size}
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
  return (
    <tr>
      <td>{new Date(e.at).toLocaleTimeString([], { timeStyle: 'short' })}</td>
      <td>{placeOf(telling, e.areaId)}</td>
      <td>
        {entryWords(telling, e)}
        {was && <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{was}</Box>}
        {open && <PutRight e={e} onClose={() => onOpen(null)} />}
      </td>
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
