'use client';
/** The rack as tickets: ordinary needles, then the reverse ones apart; how many, and what each is used for in this piece. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { usualNeedle } from '@/core/piece/usual-needle';
import type { Needle } from '@/core/piece/cupboard';
import { freshId } from '@/desk/files';
import { editCupboard, setView, useDesk } from '@/desk/store';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { useRack } from './needle-store';

export function RackList() {
  const { needles, inHand } = useRack();
  const use = useDesk((s) => s.plan?.needles.use);
  const { q } = useUnits();
  const order = [...needles].sort((a, b) => a.gauge - b.gauge || a.section.localeCompare(b.section));
  const ticket = (n: Needle) => {
    const u = use?.find((x) => x.needleId === n.id);
    return (
      <Ticket
        on={n.id === inHand?.id}
        onClick={() => setView({ needleId: n.id })}
        name={n.name}
        words={
          u
            ? `${u.steps} ${u.steps === 1 ? 'step' : 'steps'}, ${q({ kind: 'time', value: u.minutes })}`
            : n.count === 0
              ? 'none left'
              : 'not used here'
        }
        figure={n.count}
      />
    );
  };
  const reverse = order.filter((n) => n.section === 'reverse');
  return (
    <>
      <Tickets label="Needles" of={order.filter((n) => n.section !== 'reverse')}>
        {ticket}
      </Tickets>
      {reverse.length > 0 && (
        <>
          <Box sx={{ px: 2, pt: 1, fontSize: 13, color: 'text.secondary', borderTop: 1, borderColor: 'divider' }}>
            Kept apart: they pull fibre out
          </Box>
          <Tickets label="Reverse needles" of={reverse}>
            {ticket}
          </Tickets>
        </>
      )}
      <Box sx={{ px: 1.5, py: 1 }}>
        <Button
          fullWidth
          onClick={() => {
            const id = freshId('needle');
            editCupboard((d) => {
              d.needles.push({
                id,
                name: '38 triangle',
                gauge: 38,
                section: 'triangle',
                count: 1,
                ...usualNeedle({ gauge: 38, section: 'triangle' }),
              });
            });
            setView({ needleId: id });
          }}
        >
          Add a needle
        </Button>
      </Box>
    </>
  );
}
