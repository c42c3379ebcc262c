'use client';
/** Order: the steps by sitting, the time they take, and starting over. */
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { ORDER_ROOMS, type OrderRoom } from '@/desk/view';
import { orderRoomOf } from '@/ui/frame/finding-place';
import { RoomBar } from '@/ui/frame/RoomBar';
import { useFindings } from '@/ui/parts/useFindings';
import { OverRoom } from './OverRoom';
import { StepsRoom } from './StepsRoom';
import { TimeRoom } from './TimeRoom';

const WORDS: Record<OrderRoom, string> = { steps: 'Steps', time: 'Sittings and time', over: 'Start over' };

export function OrderStage() {
  const plan = useDesk((s) => s.plan);
  const room = useDesk((s) => s.view.orderRoom);
  const found = useFindings().filter((f) => f.stage === 'order');
  if (!plan)
    return (
      <Box component="main" sx={{ p: 3 }}>
        The order appears when the coat has been worked out.
      </Box>
    );
  const of = (r: OrderRoom) => found.filter((f) => orderRoomOf(f) === r);
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the order"
        rooms={ORDER_ROOMS.map((r) => ({
          room: r,
          says: WORDS[r],
          findings: of(r),
        }))}
        open={room}
        onOpen={(r) => setView({ orderRoom: r })}
      />
      {room === 'steps' && <StepsRoom findings={of('steps')} />}
      {room === 'time' && <TimeRoom findings={of('time')} />}
      {room === 'over' && <OverRoom />}
    </Box>
  );
}
