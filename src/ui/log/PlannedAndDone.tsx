'use client';
/** Planned against done: what was promised as the piece was begun, time by kind of work, areas by row and wool, what went wrong. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Kept } from '@/core/log/whole';
import { KINDS } from '@/core/time/elements';
import { useDesk } from '@/desk/store';
import { SmallTable } from '@/ui/parts/SmallTable';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { placeOf, type Telling } from '@/sheets/entry-words';

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

const insideOf = (within: boolean): string => (within ? 'inside' : 'outside');

interface WholeSaidProps {
  readonly kept: Kept;
  readonly of: string;
  readonly done: string;
  readonly say: (value: number) => string;
}

function WholeSaid({ kept: { said, done: so, comesTo, within }, of, done, say }: WholeSaidProps) {
  return (
    <Typography sx={{ my: 1 }}>
      As you began, {say(said.low)} to {say(said.high)} {of} were said.{' '}
      {so > 0 ? `${say(so)} are ${done}` : `None is ${done} yet`}; with what is left it comes to {say(comesTo)},{' '}
      {insideOf(within)} what was said.
    </Typography>
  );
}

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
          comes to {time(promised.comesTo.likely)}, {insideOf(promised.within)} what was said.
        </Typography>
      )}
      {log.wholeKept && (
        <>
          <WholeSaid kept={log.wholeKept.wool} of="of wool" done="weighed" say={mass} />
          <WholeSaid
            kept={log.wholeKept.rows}
            of="rows"
            done="laid"
            say={(n) => q({ kind: 'count', value: Math.round(n) })}
          />
        </>
      )}
      {log.kinds.length > 0 && (
        <SmallTable
          label="Time by kind of work"
          head={['Timed', 'planned', 'taken', 'entries']}
          rows={log.kinds.map((k) => [
            KINDS[k.kind],
            `${time(k.plannedMinutes)} (${time(k.said.low)} to ${time(k.said.high)})`,
            `${time(k.actualMinutes)}, ${insideOf(k.within)}`,
            String(k.entries),
          ])}
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
                <td className="n">
                  {mass(a.plannedG)}
                  {a.plannedG > 0 && ` (${mass(a.plannedSpanG.low)} to ${mass(a.plannedSpanG.high)})`}
                </td>
                <td className="n">
                  {a.actualG === null
                    ? 'not weighed'
                    : `${mass(a.actualG)}, ${insideOf(a.plannedSpanG.low <= a.actualG && a.actualG <= a.plannedSpanG.high)}`}
                </td>
              </tr>
            ))}
          </Table>
        </Box>
      )}
    </>
  );
}
