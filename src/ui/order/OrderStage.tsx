'use client';
/** Order: the steps by sitting, the time they take, and starting over. */
import type { FindingCode } from '@/core/finding-codes';
import Box from '@mui/material/Box';
import { setView, useDesk } from '@/desk/store';
import { ORDER_ROOMS, type OrderRoom } from '@/desk/view';
import { RoomBar } from '@/ui/frame/RoomBar';
import { OverRoom } from './OverRoom';
import { StepsRoom } from './StepsRoom';
import { TimeRoom } from './TimeRoom';

const WORDS: Record<OrderRoom, string> = { steps: 'Steps', time: 'Sittings and time', over: 'Start over' };

const TIME: ReadonlySet<FindingCode> = new Set<FindingCode>(['order-no-time', 'order-over']);

export function OrderStage() {
  const plan = useDesk((s) => s.plan);
  const room = useDesk((s) => s.view.orderRoom);
  if (!plan)
    return (
      <Box component="main" sx={{ p: 3 }}>
        The order appears when the coat has been worked out.
      </Box>
    );
  const found = plan.findings.filter((f) => f.stage === 'order');
  const of = (r: OrderRoom) =>
    found.filter((f) =>
      r === 'over'
        ? f.code === 'order-changed'
        : r === 'time'
          ? TIME.has(f.code)
          : f.code !== 'order-changed' && !TIME.has(f.code),
    );
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex', flexDirection: 'column' }}>
      <RoomBar
        label="Rooms of the order"
        rooms={ORDER_ROOMS.map((r) => ({
          room: r,
          says: WORDS[r],
          findings: of(r).filter((f) => f.severity !== 'note'),
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
