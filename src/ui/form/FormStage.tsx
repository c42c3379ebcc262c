'use client';
/** Form: the finished animal, the core under it, the frame inside it, whether it stands, and where its areas lie. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { PlanPart } from '@/core/touched';
import { setView, useDesk } from '@/desk/store';
import { FORM_ROOMS, type FormRoom } from '@/desk/view';
import { formRoomOf, placeOfFinding } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
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
import { ThingList, ThingsRoom } from './ThingsRoom';

const WORDS: Record<FormRoom, string> = {
  shape: 'Shape',
  compare: 'Compare',
  core: 'Core',
  frame: 'Frame',
  stands: 'Stands',
  flat: 'Flat parts',
  things: 'Small things',
  areas: 'Areas',
};

/** Where the figures of each room come from. */
const OF: Record<FormRoom, readonly PlanPart[]> = {
  shape: ['form'],
  compare: ['form'],
  core: ['core'],
  frame: ['frame'],
  stands: ['stands'],
  flat: ['flatParts'],
  things: ['things', 'stands'],
  areas: ['coat'],
};

const SCREENS = {
  shape: ShapeRoom,
  compare: CompareRoom,
  core: CoreRoom,
  frame: FrameRoom,
  stands: StandsRoom,
  flat: FlatRoom,
  things: ThingsRoom,
  areas: AreasRoom,
} as const;

export function FormStage() {
  const piece = useDesk((s) => s.piece);
  const all = useFindings();
  const room = useDesk((s) => s.view.room);
  if (!piece) return null;
  const found = all.filter(
    (f) =>
      placeOfFinding(f, piece).stage === 'form' || (piece.core.lotId !== null && isAbout(f, 'lot', piece.core.lotId)),
  );
  const Screen = SCREENS[room];
  const columns = (
    <ThreeColumns
      of={OF[room]}
      list={
        room === 'areas' ? 'Areas' : room === 'compare' ? 'Photographs' : room === 'things' ? 'Small things' : 'Parts'
      }
      left={
        room === 'areas' ? (
          <AreaList />
        ) : room === 'compare' ? (
          <ReferenceList />
        ) : room === 'flat' ? (
          <FlatList />
        ) : room === 'things' ? (
          <ThingList />
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
          <Screen findings={<FindingList findings={found.filter((f) => formRoomOf(f) === room)} />} />
        </>
      }
    />
  );
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the form"
        rooms={FORM_ROOMS.map((r) => ({ room: r, says: WORDS[r], findings: found.filter((f) => formRoomOf(f) === r) }))}
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
