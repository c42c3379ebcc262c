'use client';
/** Form: the finished animal, the core under it, the frame inside it, whether it stands, and where its areas lie. */
import { isAbout } from '@/core/ref';
import type { Finding } from '@/core/stage';
import type { CodeOf, FindingCode } from '@/core/finding-codes';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { setView, useDesk } from '@/desk/store';
import { FORM_ROOMS, type FormRoom } from '@/desk/view';
import { RoomBar } from '@/ui/frame/RoomBar';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { FindingCard } from '@/ui/parts/FindingCard';
import { Turntable } from '@/ui/pictures/Turntable';
import { AreaList } from '@/ui/coat/AreaList';
import { ComparePicture } from '@/ui/pictures/ComparePicture';
import { FlatPicture } from '@/ui/pictures/FlatPicture';
import { AreasRoom } from './AreasRoom';
import { ComparedProvider } from './Compared';
import { CompareRoom, ReferenceList } from './CompareRoom';
import { CoreRoom } from './CoreRoom';
import { CorePartsTable } from './CorePartsTable';
import { FlatList, FlatRoom } from './FlatRoom';
import { FrameRoom } from './FrameRoom';
import { PartList } from './PartList';
import { ShapeRoom } from './ShapeRoom';
import { StandsRoom } from './StandsRoom';

const WORDS: Record<FormRoom, string> = {
  shape: 'Shape',
  compare: 'Compare',
  core: 'Core',
  frame: 'Frame',
  stands: 'Stands',
  flat: 'Flat parts',
  areas: 'Areas',
};

/** Findings of the form stage by the room that decides them. */
const ROOMS: Readonly<Record<CodeOf<'form'>, FormRoom>> = {
  'form-apart': 'shape',
  'form-thin': 'shape',
  'form-swallowed': 'core',
  'form-core-apart': 'core',
  'form-core-undrawn': 'core',
  'form-core-no-wool': 'core',
  'form-through': 'flat',
  'form-wire-none': 'frame',
  'form-wire-short': 'frame',
  'form-wire-thick': 'frame',
  'form-wire-bare': 'frame',
  'form-falls': 'stands',
  'form-leans': 'stands',
};
const roomOf = (f: Finding): FormRoom =>
  // Too little of its wool is answered where that is chosen.
  f.stage === 'stock' ? 'core' : ((ROOMS as Partial<Record<FindingCode, FormRoom>>)[f.code] ?? 'shape');

const SCREENS = {
  shape: ShapeRoom,
  compare: CompareRoom,
  core: CoreRoom,
  frame: FrameRoom,
  stands: StandsRoom,
  flat: FlatRoom,
  areas: AreasRoom,
} as const;

export function FormStage() {
  const piece = useDesk((s) => s.piece);
  const all = useDesk((s) => s.plan?.findings);
  const room = useDesk((s) => s.view.room);
  if (!piece) return null;
  const found = (all ?? []).filter(
    (f) => f.stage === 'form' || (piece.core.lotId !== null && isAbout(f, 'lot', piece.core.lotId)),
  );
  const Screen = SCREENS[room];
  const columns = (
    <ThreeColumns
      left={
        room === 'areas' ? (
          <AreaList />
        ) : room === 'compare' ? (
          <ReferenceList />
        ) : room === 'flat' ? (
          <FlatList />
        ) : (
          <PartList />
        )
      }
      middle={
        <>
          {room === 'compare' ? <ComparePicture /> : room === 'flat' ? <FlatPicture /> : <Turntable tool={room} />}
          {room === 'core' && <CorePartsTable />}
        </>
      }
      right={
        <>
          <Typography variant="h2">{room === 'shape' ? piece.name : WORDS[room]}</Typography>
          <Screen
            findings={found
              .filter((f) => roomOf(f) === room)
              .map((f) => (
                <FindingCard key={f.id} finding={f} />
              ))}
          />
        </>
      }
    />
  );
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the form"
        rooms={FORM_ROOMS.map((r) => ({ room: r, says: WORDS[r], findings: found.filter((f) => roomOf(f) === r) }))}
        open={room}
        onOpen={(r) => setView({ room: r, ...(r === 'areas' ? {} : { brush: 'off' as const }), ...insideOf(r) })}
      />
      {room === 'compare' ? <ComparedProvider>{columns}</ComparedProvider> : columns}
    </Box>
  );
}

/** What each room shows of the inside when it is entered. */
const insideOf = (r: FormRoom) =>
  r === 'core' || r === 'frame' ? { inside: 'cut' as const } : { inside: 'finished' as const };
