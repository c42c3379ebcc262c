'use client';
/** What the logs of all pieces have taught the hand, and which pieces it learns from. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { alike } from '@/core/alike';
import { WAYS } from '@/core/coat/ways';
import { handAtWork, NO_PIECE, wayOfCore } from '@/core/rates/hand-at-work';
import { shrinks } from '@/core/rates/shrunk';
import { ELEMENT_NAMES, ELEMENTS, KINDS, KINDS_OF_WORK, type KindOfWork } from '@/core/time/elements';
import { OF_TIME } from '@/core/time/learning';
import { editHand, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { EditButton } from '@/ui/parts/Editable';
import { SmallTable } from '@/ui/parts/SmallTable';

const times = (x: number): string => `${Math.round(x * 100) / 100} ×`;

export function Learnt() {
  const hand = useDesk((s) => s.hand);
  // Of the piece on the desk by its log, of all others as kept with the hand.
  const piece = useDesk((s) => s.piece);
  const { slower, learnt, laying, learntFrom, readyFrom } = handAtWork(hand, piece ?? NO_PIECE);
  const cores = (Object.keys(hand.coreDensityMgCm3) as (keyof typeof hand.coreDensityMgCm3)[]).flatMap((k) => {
    const wool = laying[wayOfCore(k)]?.wool;
    return wool ? [{ says: `core, ${k}`, wool }] : [];
  });
  const own = shrinks({ laying });
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
          head={['Kind of work', 'takes', 'from', '']}
          rows={KINDS_OF_WORK.flatMap((k) => {
            const n = learnt.kinds[k]?.entries ?? 0;
            return n > 0 ? [[KINDS[k], times(slower[k]), String(n), <SetBack key={k} of={k} />]] : [];
          })}
        />
      )}
      {readyFrom && (
        <Typography variant="body2">
          Getting ready and clearing away: {readyFrom.minutes} min, from the counting of needles in {readyFrom.sittings}{' '}
          sittings.
        </Typography>
      )}
      {own && (
        <Typography variant="body2">
          Flat felt shrinks by {Math.round(100 * own.share)} %, from {own.entries} flat parts measured across.
        </Typography>
      )}
      {ways.length + cores.length > 0 && (
        <SmallTable
          label="Laying learned"
          head={['Laid by', 'wool', 'rows apart', 'stands']}
          rows={[
            ...cores.map((c) => [c.says, rate(c.wool), '', '']),
            ...ways.map((w) => {
              const l = laying[w.method]!;
              return [w.title, rate(l.wool), rate(l.spacing), rate(l.loft)];
            }),
          ]}
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

/** First values for one kind of work, whatever the log says of it: put in as the maker's own, so that they stay. */
function SetBack({ of }: { of: KindOfWork }) {
  const own = useDesk((s) => s.hand.times);
  const mine = ELEMENT_NAMES.filter((e) => ELEMENTS[e].kind === of);
  const back = mine.every((e) => own[e] !== undefined);
  const change = () =>
    editHand((d) => {
      for (const e of mine) {
        const { low, likely, high } = ELEMENTS[e];
        // What the maker timed stays.
        if (!back) d.times[e] ??= { low, likely, high };
        else if (alike(d.times[e], { low, likely, high })) delete d.times[e];
      }
    });
  return (
    <EditButton
      variant="text"
      size="small"
      onClick={change}
      aria-label={`${back ? 'Learn again' : 'Set back'}: ${KINDS[of]}`}
    >
      {back ? 'Learn again' : 'Set back'}
    </EditButton>
  );
}
