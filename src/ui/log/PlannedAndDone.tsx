'use client';
/** Planned against done: what was promised as the piece was begun, time by kind of work, areas by row and wool, what went wrong. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { KINDS } from '@/core/time/elements';
import { useDesk } from '@/desk/store';
import { SmallTable } from '@/ui/parts/SmallTable';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { placeOf, type Telling } from '@/sheets/entry-words';

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

export function PlannedAndDone({ telling }: { telling: Telling }) {
  const log = useDesk((s) => s.plan?.log);
  const { q, span } = useUnits();
  if (!log) return null;
  const time = (value: number) => q({ kind: 'time', value });
  const mass = (value: number) => q({ kind: 'mass', value });
  const worked = log.areas.filter((a) => a.rowsLaid > 0 || a.actualG !== null);
  const { promised } = log;
  return (
    <>
      {promised && (
        <Typography sx={{ my: 1 }}>
          As you began, {span(promised.said, 'time')} were said. {time(promised.spent)} are done; with what is left it
          comes to {time(promised.comesTo.likely)}, {promised.within ? 'inside' : 'outside'} what was said.
        </Typography>
      )}
      {log.kinds.length > 0 && (
        <SmallTable
          label="Time by kind of work"
          head={['Timed', 'planned', 'taken', 'entries']}
          rows={log.kinds.map((k) => [KINDS[k.kind], time(k.plannedMinutes), time(k.actualMinutes), String(k.entries)])}
        />
      )}
      {log.wrongs.length > 0 && (
        <Typography sx={{ my: 1 }}>
          Gone wrong:{' '}
          {log.wrongs
            .map((w) => `${w.why} ${times(w.times)}${w.pulledOff > 0 ? `, pulled off ${times(w.pulledOff)}` : ''}`)
            .join('; ')}
          .
        </Typography>
      )}
      {worked.length > 0 && (
        <Box sx={{ mt: 2 }}>
          <Table
            caption="Planned and done"
            head={['Area', '=rows done', '=time planned', '=time taken', '=wool planned', '=wool used']}
          >
            {worked.map((a) => (
              <tr key={a.areaId}>
                <th scope="row">{placeOf(telling, a.areaId)}</th>
                <td className="n">
                  {a.rowsLaid === a.rowsDone.length
                    ? `${a.rowsDone.length} of ${a.rows}`
                    : `${a.rowsLaid} laid, ${a.rows - a.rowsDone.length} to go`}
                </td>
                <td className="n">{time(a.plannedMinutes)}</td>
                <td className="n">{time(a.actualMinutes)}</td>
                <td className="n">{mass(a.plannedG)}</td>
                <td className="n">{a.actualG === null ? 'not weighed' : mass(a.actualG)}</td>
              </tr>
            ))}
          </Table>
        </Box>
      )}
    </>
  );
}
