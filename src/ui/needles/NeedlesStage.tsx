'use client';
/**
 * Needles: the rack on the left; in the middle the needles to scale, the plan for every step, the section along a needle, or
 * the finish of what stays in sight; on the right the answer, what needs a decision and the controls.
 */
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { NEEDLE_ROOMS, type NeedleRoom } from '@/desk/view';
import { needleRoomOf } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { useFindings } from '@/ui/parts/useFindings';
import { FinishRoom } from './FinishRoom';
import { InsideRoom } from './InsideRoom';
import { NeedlePlanRoom } from './NeedlePlanRoom';
import { RackRoom } from './RackRoom';

const WORDS: Record<NeedleRoom, string> = {
  rack: 'Rack',
  plan: 'For every step',
  inside: 'Look inside',
  finish: 'Finish',
};

export function NeedlesStage() {
  const room = useDesk((s) => s.view.needleRoom);
  const found = useFindings().filter((f) => f.stage === 'needle');
  const of = (r: NeedleRoom) => found.filter((f) => needleRoomOf(f) === r);
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the needles"
        rooms={NEEDLE_ROOMS.map((r) => ({
          room: r,
          says: WORDS[r],
          findings: of(r),
        }))}
        open={room}
        onOpen={(r) => setView({ needleRoom: r })}
      />
      {room === 'rack' && <RackRoom findings={of('rack')} />}
      {room === 'plan' && <NeedlePlanRoom findings={of('plan')} />}
      {room === 'inside' && <InsideRoom />}
      {room === 'finish' && <FinishRoom />}
    </Box>
  );
}
