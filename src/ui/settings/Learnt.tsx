'use client';
/** What the logs of all pieces have taught the hand, and which pieces it learns from. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { WAYS } from '@/core/coat/ways';
import { handAtWork, NO_PIECE } from '@/core/rates/hand-at-work';
import { KINDS, KINDS_OF_WORK } from '@/core/time/elements';
import { OF_TIME } from '@/core/time/learning';
import { editHand, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { SmallTable } from '@/ui/parts/SmallTable';

const times = (x: number): string => `${Math.round(x * 100) / 100} ×`;

export function Learnt() {
  const hand = useDesk((s) => s.hand);
  // Of the piece on the desk by its log, of all others as kept with the hand.
  const piece = useDesk((s) => s.piece);
  const { slower, learnt, laying, learntFrom } = handAtWork(hand, piece ?? NO_PIECE);
  const ways = WAYS.filter((w) => laying[w.method]);
  const rate = (r: { readonly times: number; readonly entries: number } | null | undefined) =>
    r ? `${times(r.times)} (${r.entries})` : '';
  return (
    <Box component="section" aria-label="Learned from the log" sx={{ mb: 2 }}>
      <Typography variant="h3" sx={{ mt: 1 }}>
        Learned from the log
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        {learnt
          ? `Your time, from ${learntFrom.entries} rows and steps on ${learntFrom.pieces} ${learntFrom.pieces === 1 ? 'piece' : 'pieces'}, beside the first values. What you put in yourself below stays as it is.`
          : `Rows and steps timed at the bench teach the plan how quick you are, from ${OF_TIME.least} on; ${learntFrom.entries} so far.`}
      </Typography>
      {learnt && slower && (
        <SmallTable
          label="Time learned"
          head={['Kind of work', 'takes', 'from']}
          rows={KINDS_OF_WORK.flatMap((k) => {
            const n = learnt.kinds[k]?.entries ?? 0;
            return n > 0 ? [[KINDS[k], times(slower[k]), String(n)]] : [];
          })}
        />
      )}
      {ways.length > 0 && (
        <SmallTable
          label="Laying learned"
          head={['Laid by', 'wool', 'rows apart', 'stands']}
          rows={ways.map((w) => {
            const l = laying[w.method]!;
            return [w.title, rate(l.wool), rate(l.spacing), rate(l.loft)];
          })}
        />
      )}
      {hand.done.map((d) => (
        <CheckField
          key={d.pieceId}
          label={`learn from ${d.name} (${d.done.length})`}
          value={!hand.without.includes(d.pieceId)}
          onChange={(on) =>
            editHand((h) => {
              h.without = on ? h.without.filter((x) => x !== d.pieceId) : [...h.without, d.pieceId];
            })
          }
        />
      ))}
    </Box>
  );
}
