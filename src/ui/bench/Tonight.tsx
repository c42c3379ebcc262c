'use client';
/** How long there is at the bench today, and how far that gets: what to take out, where to stop. */
import Box from '@mui/material/Box';
import { tonightSchema } from '@/core/piece/work';
import { weekdayOf } from '@/core/order/dates';
import { dayOf } from '@/desk/settings';
import { editPiece, useDesk } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { useUnits } from '@/ui/parts/useUnits';
import { woolName } from '@/units/wool-words';

export function Tonight() {
  const plan = useDesk((s) => s.plan);
  const work = useDesk((s) => s.piece!.work);
  const week = useDesk((s) => s.hand.benchMinutes);
  const lots = useDesk((s) => s.cupboard.lots);
  const needles = useDesk((s) => s.cupboard.needles);
  const { t, masses } = useUnits();
  const { date } = dayOf(new Date());
  const asked = work.tonight?.on === date ? work.tonight.minutes : week[weekdayOf(date)]!;
  const first = plan?.work.sittings[0];
  const tonight = first?.date === date ? first : null;
  const grams = masses((tonight?.wool ?? []).map((w) => w.massG));
  return (
    <Box component="section" aria-label="Today" sx={{ px: 2, pt: 1.25, fontSize: 13 }}>
      <Fields
        schema={tonightSchema}
        value={{ on: date, minutes: asked }}
        keys={['minutes']}
        onChange={({ minutes = asked }) =>
          editPiece((d) => {
            d.work.tonight = { on: date, minutes: Math.round(minutes) };
            d.work.beginOn ??= date;
          })
        }
      />
      {work.tonight?.on === date && !tonight && <Box>That is too short to begin anything.</Box>}
      {tonight && (
        <>
          <Box>{t(tonight.stopsAt)}.</Box>
          <Box component="ul" aria-label="To take out" sx={{ m: 0, pl: 2.25, color: 'text.secondary' }}>
            {tonight.wool.map((w, i) => (
              <li key={w.lotId}>
                {grams[i]} {woolName(lots, w.lotId)}
              </li>
            ))}
            {tonight.needles.length > 0 && (
              <li>{tonight.needles.map((id) => needles.find((n) => n.id === id)?.name ?? id).join(', ')}</li>
            )}
            {tonight.things.map((x, i) => (
              <li key={i}>{t(x)}</li>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
