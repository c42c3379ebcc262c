'use client';
/** Which screen is shown at which address. The page that comes from the server is the same for all of them. */
import Box from '@mui/material/Box';
import { lazy, Suspense, useEffect, type ReactNode } from 'react';
import { unseen } from '@/ui/parts/unseen';
import { NotFound } from './NotFound';
import { ROOMS, roomTitle, type RoomPath } from './rooms';
import { STAGES } from './stages';
import { StageBoundary } from './StageBoundary';
import { useHere } from './way';

const Shelf = lazy(async () => ({ default: (await import('@/ui/shelf/Shelf')).Shelf }));
const Cupboard = lazy(async () => ({ default: (await import('@/ui/cupboard/CupboardScreen')).CupboardScreen }));
const Handbook = lazy(async () => ({ default: (await import('@/ui/handbook/Handbook')).Handbook }));
const Settings = lazy(async () => ({ default: (await import('@/ui/settings/SettingsScreen')).SettingsScreen }));
const Desk = lazy(async () => ({ default: (await import('./StageScreen')).StageScreen }));

interface Screen {
  readonly title: string | null;
  readonly shows: ReactNode;
}

const SHOWS: Readonly<Record<RoomPath, ReactNode>> = {
  '/': <Shelf />,
  '/cupboard': <Cupboard />,
  '/handbook': <Handbook />,
  '/settings': <Settings />,
};

function screenAt(here: string): Screen {
  const room = ROOMS.find((r) => r.path === here);
  if (room) return { title: roomTitle(room.path), shows: SHOWS[room.path] };
  const [, piece, id, path, ...more] = here.split('/');
  const stage = STAGES.find((s) => s.path === path);
  if (piece !== 'piece' || !id || !stage || more.length > 0) return { title: 'Nothing here', shows: <NotFound /> };
  return { title: stage.name, shows: <Desk id={id} stage={stage.path} /> };
}

export function Screens() {
  const here = useHere();
  const screen = here === null ? null : screenAt(here);
  const title = screen && (screen.title === null ? 'Fond Badger' : `${screen.title} · Fond Badger`);
  useEffect(() => {
    if (title !== null) document.title = title;
  }, [title]);
  return (
    <>
      {/* Whoever hears the screen is told that it is another one. */}
      <Box aria-live="polite" sx={unseen}>
        {title}
      </Box>
      {screen && (
        <StageBoundary what="This screen" resetKey={here}>
          <Suspense fallback={null}>{screen.shows}</Suspense>
        </StageBoundary>
      )}
    </>
  );
}
