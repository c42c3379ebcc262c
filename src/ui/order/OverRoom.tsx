'use client';
/** Starting over: what doing a step again undoes of what is done, and what it costs; steps planned otherwise since. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { massOf } from '@/core/materials';
import { startOver } from '@/core/order/start-over';
import { keepAsItIs, startAgain } from '@/desk/bench';
import { say, setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { Table } from '@/ui/parts/Table';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { woolWords } from '@/units/wool-words';
import { progressOf } from './order-store';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';

export function OverRoom() {
  const plan = useDesk((s) => s.plan)!;
  const stepId = useDesk((s) => s.view.stepId);
  const lots = useDesk((s) => s.cupboard.lots);
  const { q, t, masses } = useUnits();
  const [words, setWords] = useState('');
  const { steps, ties, progress, changed } = plan.work;
  const begun = steps.filter((s) => progressOf(plan, s.operation.id).share > 0);
  const from =
    begun.find((s) => s.operation.id === stepId) ?? begun.find((s) => s.operation.id === changed[0]?.id) ?? null;
  const over = from
    ? startOver(
        [from.operation.id],
        steps.map((s) => s.operation),
        ties,
        new Map(progress.map((p) => [p.id, p])),
      )
    : null;
  const stepOf = (id: string) => steps.find((s) => s.operation.id === id)!;
  const why = changed.find((c) => c.id === from?.operation.id);
  return (
    <ThreeColumns
      of={['work']}
      list="Steps"
      left={
        <Tickets
          label="Steps begun or done"
          of={begun.map((s) => ({ id: s.operation.id, s }))}
          none="Nothing is done yet. What is done at the bench or ticked off appears here."
        >
          {({ s }) => {
            const p = progressOf(plan, s.operation.id);
            return (
              <Ticket
                on={s.operation.id === from?.operation.id}
                onClick={() => setView({ stepId: s.operation.id })}
                small
                number={s.number}
                name={t(s.operation.does)}
                words={
                  p.changed.length > 0 ? (
                    <Box sx={{ color: 'warning.main' }}>changed since: {p.changed.join(', ')}</Box>
                  ) : p.implied ? (
                    'taken as done'
                  ) : p.share < 1 ? (
                    q({ kind: 'share', value: p.share })
                  ) : (
                    'done'
                  )
                }
              />
            );
          }}
        </Tickets>
      }
      middle={
        <Box
          sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper', p: 2 }}
          tabIndex={0}
          role="region"
          aria-label="What it undoes"
        >
          {over && from && over.undone.length > 0 ? (
            <>
              <Typography variant="h3" component="h2">
                Undone, to do again
              </Typography>
              <Table caption="Steps undone" head={['Step', 'Because', '=done', '=take off', '=again', '=wool']}>
                {over.undone.map((u) => (
                  <tr key={u.id}>
                    <th scope="row">
                      {stepOf(u.id).number}. {t(stepOf(u.id).operation.does)}
                    </th>
                    <td>{u.restsOn ? `goes with step ${stepOf(u.restsOn).number}` : 'begun with'}</td>
                    <td className="n">{q({ kind: 'share', value: u.share })}</td>
                    <td className="n">{u.offMinutes > 0 ? q({ kind: 'time', value: u.offMinutes }) : ''}</td>
                    <td className="n">{q({ kind: 'time', value: u.againMinutes })}</td>
                    <td className="n">{massOf(u.wool) > 0 ? q({ kind: 'mass', value: massOf(u.wool) }) : ''}</td>
                  </tr>
                ))}
              </Table>
              {over.look.length > 0 && (
                <>
                  <Typography variant="h3" component="h2" sx={{ mt: 2 }}>
                    Stays, but look at it
                  </Typography>
                  <Box component="ul" sx={{ fontSize: 13, pl: 2.5 }}>
                    {over.look.map((id) => (
                      <li key={id}>
                        {stepOf(id).number}. {t(stepOf(id).operation.does)}
                      </li>
                    ))}
                  </Box>
                </>
              )}
            </>
          ) : (
            <Typography sx={{ fontSize: 15 }}>
              {begun.length === 0
                ? 'Once something is done, this shows what doing it again would take with it.'
                : 'Take a step on the left in hand to see what doing it again would undo.'}
            </Typography>
          )}
        </Box>
      }
      right={
        <>
          <Typography variant="h2">Start over</Typography>
          {from && over && over.undone.length > 0 ? (
            <>
              <Sentence>
                Doing step {from.number} again undoes{' '}
                <b>{over.undone.length === 1 ? 'that step only' : `${over.undone.length} steps`}</b> and costs about{' '}
                <b>{q({ kind: 'time', value: over.minutes })}</b>
                {over.wool.length > 0 && (
                  <>
                    {' '}
                    and <b>{woolWords(over.wool, lots, masses).join(', ')}</b>
                  </>
                )}
                .
              </Sentence>
              {why && (
                <Box
                  sx={{
                    borderLeft: 4,
                    borderColor: 'warning.main',
                    bgcolor: 'action.hover',
                    p: 1.25,
                    my: 1,
                    fontSize: 13,
                  }}
                >
                  <b>Planned otherwise since it was done:</b> {why.what.join(', ')}.
                  <EditButton onClick={() => keepAsItIs(from.operation.id)} sx={{ mt: 0.75, display: 'block' }}>
                    Keep it as it is
                  </EditButton>
                </Box>
              )}
              <TextField
                label="Why (kept in the log)"
                fullWidth
                multiline
                value={words}
                onChange={(e) => setWords(e.target.value.slice(0, 2000))}
                sx={{ my: 1 }}
              />
              <EditButton
                variant="contained"
                onClick={() => {
                  startAgain(
                    over.undone.map((u) => u.id),
                    words,
                  );
                  setWords('');
                  say('Written down. These steps are to do again; undo brings their marks back.');
                }}
              >
                Start over from here
              </EditButton>
              <Box sx={{ fontSize: 13, color: 'text.secondary', mt: 1.5 }}>
                Wool taken off is mostly good for cores. Loosen it with the reverse needle and pull it away with
                tweezers, eyes on the points.
              </Box>
            </>
          ) : (
            <Typography sx={{ my: 1, fontSize: 15 }}>
              A mistake, or a decision changed after the work was done: take the step in hand, and see what rests on it
              before anything is taken off.
            </Typography>
          )}
        </>
      }
    />
  );
}
