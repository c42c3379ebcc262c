'use client';
/**
 * The desk round a piece: opens it, keeps it saved and planned, shows its name, size, wool and hours, the path of
 * stages, and listens to the keys that work on every stage.
 */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useEffect, useState, type ReactNode } from 'react';
import { startPlanner } from '@/desk/planner';
import { saveRecordFile } from '@/desk/files';
import { keepView, openPiece, type Opened } from '@/desk/session';
import { upToDate, useDesk } from '@/desk/store';
import { KeysHelp } from './KeysHelp';
import { NewerEdition } from './NewerEdition';
import { Path } from './Path';
import { PlainPage } from './PlainPage';
import { PlanProgress } from './PlanProgress';
import { useReady } from './ready';
import { STAGES } from './stages';
import { StoreTrouble } from './StoreTrouble';
import { TextLink } from './TextLink';
import { TopBar } from './TopBar';
import { useDeskKeys } from './useDeskKeys';
import { go, useHere } from './way';

export function DeskFrame({ id, children }: { id: string; children: ReactNode }) {
  const { ready, failed } = useReady();
  const [opened, setOpened] = useState<Opened | null>(null);
  const onDesk = useDesk((s) => s.piece?.id);
  useEffect(() => {
    if (!ready) return;
    let gone = false;
    const ends: (() => void)[] = [];
    openPiece(id)
      .then((o) => {
        if (gone) return;
        setOpened(o);
        if (o.ok) ends.push(keepView(id), startPlanner());
      })
      .catch((e: unknown) =>
        setOpened({
          ok: false,
          says: `The browser's store cannot be read: ${e instanceof Error ? e.message : String(e)}`,
          problems: [],
        }),
      );
    return () => {
      gone = true;
      for (const end of ends) end();
    };
  }, [id, ready]);

  if (failed || (opened && !opened.ok)) {
    return (
      <PlainPage title="The piece cannot be opened">
        <Typography sx={{ mb: 2 }}>
          {failed ? `The browser's store cannot be opened: ${failed}` : opened && !opened.ok && opened.says}
        </Typography>
        {opened && !opened.ok && opened.problems.length > 0 && (
          <Box component="ul">
            {opened.problems.map((p) => (
              <li key={p.where + p.says}>
                {p.where}: {p.says}
              </li>
            ))}
          </Box>
        )}
        {opened && !opened.ok && opened.raw !== undefined && (
          <Button sx={{ mb: 2 }} onClick={() => saveRecordFile(id, opened.raw)}>
            Save what is stored to a file
          </Button>
        )}
        <div>
          <TextLink href="/">Back to the shelf</TextLink>
        </div>
      </PlainPage>
    );
  }
  if (!opened || onDesk !== id) {
    return (
      <Box sx={{ height: '100dvh', display: 'grid', placeItems: 'center' }} role="status">
        <Typography>Taking the piece from the shelf</Typography>
      </Box>
    );
  }
  return <Desk id={id}>{children}</Desk>;
}

function Desk({ id, children }: { id: string; children: ReactNode }) {
  const busy = useDesk((s) => !upToDate(s));
  const [help, setHelp] = useState(false);
  const path = useHere() ?? '';
  const bench = path.endsWith('/bench');
  // Nothing but the work, where that is asked for.
  const bare = useDesk((s) => s.view.bare) && bench;
  useDeskKeys({
    help: () => setHelp(true),
    stage: (n) => {
      const s = STAGES[n];
      if (s) go(`/piece/${id}/${s.path}`);
    },
    bench,
    face: path.endsWith('/face'),
  });
  return (
    <Box
      sx={{
        height: '100dvh',
        minHeight: 520,
        display: 'flex',
        flexDirection: 'column',
        overflow: 'hidden',
        '@media print': { height: 'auto' },
      }}
    >
      {!bare && (
        <>
          <TopBar onHelp={() => setHelp(true)} />
          <Path id={id} />
        </>
      )}
      <StoreTrouble />
      <NewerEdition />
      <Box
        aria-busy={busy}
        sx={{ flex: 1, minHeight: 0, position: 'relative', display: 'flex', flexDirection: 'column' }}
      >
        {children}
        <PlanProgress />
      </Box>
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </Box>
  );
}
