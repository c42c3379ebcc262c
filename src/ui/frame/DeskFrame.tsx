'use client';
/**
 * The desk round a piece: opens it, keeps it saved and planned, shows its name, size, wool and hours, the path of
 * stages, and listens to the keys that work on every stage.
 */
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { startPlanner } from '@/desk/planner';
import { keepPiece, openPiece, workHere, type Opened } from '@/desk/session';
import { upToDate, useDesk } from '@/desk/store';
import { KeysHelp } from './KeysHelp';
import { Path } from './Path';
import { PlainPage } from './PlainPage';
import { PlanProgress } from './PlanProgress';
import { useReady } from './ready';
import { STAGES } from './stages';
import { TextLink } from './TextLink';
import { TopBar } from './TopBar';
import { useDeskKeys } from './useDeskKeys';

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
        if (o.ok) ends.push(keepPiece(id), startPlanner());
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
        <TextLink href="/">Back to the shelf</TextLink>
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
  const canEdit = useDesk((s) => s.canEdit);
  const saveError = useDesk((s) => s.saveError);
  const busy = useDesk((s) => !upToDate(s));
  const [help, setHelp] = useState(false);
  const router = useRouter();
  const path = usePathname();
  useDeskKeys({
    help: () => setHelp(true),
    stage: (n) => {
      const s = STAGES[n];
      if (s) router.push(`/piece/${id}/${s.path}`);
    },
    bench: path.endsWith('/bench'),
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
      <TopBar onHelp={() => setHelp(true)} />
      <Path id={id} />
      {!canEdit && (
        <Alert severity="warning" square action={<Button onClick={workHere}>Work here instead</Button>}>
          This piece is open in another window. Here it can be looked at; it follows what is changed there.
        </Alert>
      )}
      {saveError && (
        <Alert severity="error" square>
          The last change could not be saved in this browser ({saveError}). Save the piece to a file from the bar above
          so that nothing is lost.
        </Alert>
      )}
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
