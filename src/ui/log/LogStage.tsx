'use client';
/** Log: what was really done beside what was planned for the same rows. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { LogEntry } from '@/core/piece/log-entry';
import { editPiece, useDesk } from '@/desk/store';
import { TextLink } from '@/ui/frame/TextLink';
import { Table } from '@/ui/parts/Table';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton } from '@/ui/parts/Editable';

export function LogStage() {
  const plan = useDesk((s) => s.plan);
  const piece = useDesk((s) => s.piece);
  const needles = useDesk((s) => s.cupboard.needles);
  const { q, t } = useUnits();
  if (!piece) return null;
  const PLACES: Record<string, string> = {
    face: 'Face',
    core: 'Core',
    frame: 'Wire',
    form: 'Photographs',
    finish: 'Finish',
    piece: '',
  };
  const name = (id: string) =>
    piece.areas.find((a) => a.id === id)?.name ??
    piece.form.parts.find((p) => p.id === id)?.name ??
    piece.markings.find((m) => m.id === id)?.name ??
    PLACES[id] ??
    id;
  const needle = (id: string) => needles.find((n) => n.id === id)?.name ?? id;
  const does = (id: string | null) => {
    const step = plan?.work.steps.find((s) => s.operation.id === id);
    return step ? t(step.operation.does) : 'a step that is no longer planned';
  };
  const said = (e: LogEntry): string => {
    switch (e.kind) {
      case 'row':
        return `Row ${e.row}, ${q({ kind: 'time', value: e.minutes })}`;
      case 'wool':
        return `Used ${q({ kind: 'mass', value: e.grams })}`;
      case 'note':
        return e.words;
      case 'step':
        return e.kept
          ? `Kept as it is: ${does(e.operation)}`
          : `Done: ${does(e.operation)}, ${q({ kind: 'time', value: e.minutes })}`;
      case 'start-over':
        return `Started over: ${does(e.operations[0]!)}${e.operations.length > 1 ? ` and ${e.operations.length - 1} more` : ''}${e.words ? `. ${e.words}` : ''}`;
      case 'broken':
        return `Broken: ${needle(e.needleId)}${e.operation ? `, at: ${does(e.operation)}` : ''}; its point ${e.found ? 'found' : 'not found'}`;
      case 'needles':
        return `Needles counted ${e.when} the sitting: ${Object.entries(e.counts)
          .map(([id, n]) => `${n} × ${needle(id)}`)
          .join(', ')}`;
    }
  };
  const worked = plan?.log.areas.filter((a) => a.rowsLaid > 0 || a.actualG !== null) ?? [];
  const entries = [...piece.log].reverse();
  return (
    <Box component="main" tabIndex={0} sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: 'background.paper' }}>
      <Box sx={{ maxWidth: 1000, mx: 'auto', px: 3, py: 2 }}>
        <Typography variant="h2" component="h2">
          Planned and done
        </Typography>
        {worked.length === 0 && (
          <Typography sx={{ my: 1 }}>
            Nothing has been done yet. Rows finished at the <TextLink href={`/piece/${piece.id}/bench`}>bench</TextLink>{' '}
            are written down here by themselves.
          </Typography>
        )}
        {worked.length > 0 && (
          <Table
            caption="Planned and done"
            head={['Area', '=rows done', '=time planned', '=time taken', '=wool planned', '=wool used']}
          >
            {worked.map((a) => (
              <tr key={a.areaId}>
                <th scope="row">{name(a.areaId)}</th>
                <td className="n">
                  {a.rowsLaid === a.rowsDone.length
                    ? `${a.rowsDone.length} of ${a.rows}`
                    : `${a.rowsLaid} laid, ${a.rows - a.rowsDone.length} to go`}
                </td>
                <td className="n">{q({ kind: 'time', value: a.plannedMinutes })}</td>
                <td className="n">{q({ kind: 'time', value: a.actualMinutes })}</td>
                <td className="n">{q({ kind: 'mass', value: a.plannedG })}</td>
                <td className="n">{a.actualG === null ? 'not weighed' : q({ kind: 'mass', value: a.actualG })}</td>
              </tr>
            ))}
          </Table>
        )}
        {entries.length > 0 && (
          <>
            <Typography variant="h2" component="h2" sx={{ mt: 3, mb: 1 }}>
              Entries
            </Typography>
            <Table caption="Entries" head={['When', 'Area', 'What', 'Take out']}>
              {entries.slice(0, 300).map((e) => (
                <tr key={e.id}>
                  <td>{new Date(e.at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' })}</td>
                  <td>{name(e.areaId)}</td>
                  <td>{said(e)}</td>
                  <td className="n">
                    <EditButton
                      variant="text"
                      onClick={() => editPiece((d) => void (d.log = d.log.filter((x) => x.id !== e.id)))}
                    >
                      Remove
                    </EditButton>
                  </td>
                </tr>
              ))}
            </Table>
          </>
        )}
      </Box>
    </Box>
  );
}
