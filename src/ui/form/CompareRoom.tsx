'use client';
/** Compare: photographs behind the outline, landmarks pinned on both, differences in millimetres, proportions worst first. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { beginReference, sameReference } from '@/core/form/begin-reference';
import { referenceSchema, type Reference } from '@/core/piece/schema';
import { LIGHTINGS } from '@/core/picture/lighting';
import { BESIDE } from '@/desk/view';
import { freshId } from '@/desk/files';
import { changePiece, editPiece, setView, useDesk } from '@/desk/store';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { FileButton } from '@/ui/parts/FileButton';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { PickField } from '@/ui/parts/PickField';
import { keepPicture, shapeOfPicture } from '@/ui/parts/picture-size';
import { Table } from '@/ui/parts/Table';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { useCompared, useReference } from './Compared';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';

type Light = keyof typeof LIGHTINGS;
const BESIDE_WORDS: Readonly<Record<(typeof BESIDE)[number], string>> = {
  outline: 'outline',
  'side by side': 'side by side',
  over: 'under the photograph',
  line: 'up to a line',
};
const SIDE_WORDS = { left: 'from the left', front: 'from the front', above: 'from above' } as const;
export function changeReference(id: string, recipe: (r: Reference) => void): void {
  editPiece((d) => {
    const r = d.references.find((x) => x.id === id);
    if (r) recipe(r);
  });
}

export function ReferenceList() {
  const piece = useDesk((s) => s.piece);
  const chosen = useReference();
  if (!piece) return null;
  const take = async (file: File) => {
    const aspect = await shapeOfPicture(file);
    if (aspect === null) return;
    const missing = sameReference(piece.references, file.name, aspect);
    const id = missing?.id ?? freshId('photo');
    if (!(await keepPicture(piece.id, id, file))) return;
    if (!missing)
      changePiece((p) => ({
        ...p,
        references: [...p.references, beginReference(p, { id, name: file.name, aspect })],
      }));
    setView({ referenceId: id });
  };
  return (
    <Box>
      <Tickets label="Photographs" of={piece.references}>
        {(r) => (
          <Ticket
            on={r.id === chosen?.id}
            onClick={() => setView({ referenceId: r.id })}
            name={r.name}
            words={`${SIDE_WORDS[r.side]}, ${r.pins.length} pinned`}
          />
        )}
      </Tickets>
      <UnderTickets>
        <FileButton
          says="Add a photograph"
          label="Photograph to add"
          accept="image/*"
          disabled={piece.references.length >= 12}
          onFile={(file) => void take(file)}
        />
        <EditButton
          disabled={!chosen}
          onClick={() => changePiece((p) => ({ ...p, references: p.references.filter((r) => r.id !== chosen!.id) }))}
        >
          Take away
        </EditButton>
      </UnderTickets>
      <Box sx={{ px: 1.5, fontSize: 13, color: 'text.secondary' }}>
        Use photographs taken square on: from the side, the front, above. They stay in this browser and are not part of
        the piece file.
      </Box>
    </Box>
  );
}

export function CompareRoom({ findings }: { findings: ReactNode }) {
  const view = useCompared();
  const beside = useDesk((s) => s.view.beside);
  const besideLight = useDesk((s) => s.view.besideLight);
  const { q } = useUnits();
  if (!view) {
    return (
      <Typography sx={{ my: 1 }}>
        Put a photograph behind the animal to see where its proportions differ. Memory drifts toward the cartoon; a
        picture beside the work keeps it honest.
      </Typography>
    );
  }
  const { reference: r, compared, places } = view;
  const worst = compared.pins[0];
  const free = places.filter((p) => !r.pins.some((x) => x.landmark === p.landmark.id));
  const pin = (id: string) => {
    const at = places.find((p) => p.landmark.id === id)!.at;
    const w = compared.widthMm?.value ?? 100;
    const share = (x: number) => Math.max(-1, Math.min(2, Math.round(x * 1e5) / 1e5));
    // A new pin begins on the piece's own landmark; it is drawn from there to the photograph's.
    changeReference(r.id, (x) => {
      x.pins.push({
        landmark: id,
        at: [share((at[0] - compared.corner[0]) / w), share((compared.corner[1] - at[1]) / compared.heightMm)],
      });
    });
  };
  return (
    <>
      <Sentence>
        {worst ? (
          <>
            Furthest off is the <b>{worst.name}</b>, by <b>{q({ kind: 'length', value: worst.offMm })}</b>.
          </>
        ) : (
          'Set the two points, say how far apart they are in life, then pin landmarks.'
        )}
      </Sentence>
      {findings}
      {view.picture === null && (
        <Typography role="note" sx={{ fontSize: 13, my: 1 }}>
          The picture itself is not in this browser. Add the same file again and its pins and scale stay as they are.
        </Typography>
      )}
      <Box role="group" aria-label="The finished animal" sx={{ display: 'grid', gap: 0.5, mb: 1 }}>
        <ChoiceRow
          label="Held against it"
          labelled
          options={BESIDE.map((value) => ({ value, says: BESIDE_WORDS[value] }))}
          value={beside}
          onChange={(to) => setView({ beside: to })}
        />
        {beside !== 'outline' && (
          <ChoiceRow
            label="Light"
            labelled
            options={(Object.keys(LIGHTINGS) as Light[]).map((value) => ({ value, says: LIGHTINGS[value].name }))}
            value={besideLight}
            onChange={(to) => setView({ besideLight: to })}
          />
        )}
      </Box>
      <Box role="group" aria-label="The photograph" sx={{ display: 'grid', gap: 0.5 }}>
        <Fields
          schema={referenceSchema}
          value={r}
          keys={['side', 'knownMm', 'strength']}
          onChange={(change) => changeReference(r.id, (x) => void Object.assign(x, change))}
        />
        {compared.widthMm && (
          <Box sx={{ fontSize: 13 }}>
            The picture is <OpenedFigure figure={compared.widthMm} /> wide at the scale of the piece.
          </Box>
        )}
        <PickField
          label="Pin a landmark"
          value=""
          empty={free.length === 0 ? 'All are pinned' : 'Choose one'}
          options={free.map((p) => ({ value: p.landmark.id, says: p.landmark.name }))}
          disabled={free.length === 0}
          onChange={pin}
        />
      </Box>
      {compared.pins.length > 0 && (
        <Box sx={{ mt: 1.5, fontSize: 13, '& th, & td': { pr: '8px !important' } }}>
          <Table caption="Landmarks, furthest off first" head={['The piece’s', '=right', '=up', '=off', '']}>
            {compared.pins.map((p) => (
              <Box component="tr" key={p.id} sx={{ fontSize: 13 }}>
                <th scope="row">{p.name}</th>
                <td className="n">{q({ kind: 'length', value: p.piece[0] - p.photo[0] })}</td>
                <td className="n">{q({ kind: 'length', value: p.piece[1] - p.photo[1] })}</td>
                <td className="n">{q({ kind: 'length', value: p.offMm })}</td>
                <td>
                  <EditButton
                    aria-label={`Take the pin of ${p.name} out`}
                    onClick={() =>
                      changeReference(r.id, (x) => void (x.pins = x.pins.filter((y) => y.landmark !== p.id)))
                    }
                    sx={{ minWidth: 0, px: 1, minHeight: 24 }}
                  >
                    ×
                  </EditButton>
                </td>
              </Box>
            ))}
          </Table>
        </Box>
      )}
      {compared.proportions.length > 0 && (
        <Box sx={{ mt: 1.5 }}>
          <Table caption="Proportions, worst first" head={['Proportion', '=piece against photograph']}>
            {compared.proportions.map((p) => (
              <Box component="tr" key={p.name} sx={{ fontSize: 13 }}>
                <th scope="row">
                  {p.name} to {p.against.toLowerCase()}
                </th>
                <td className="n">
                  <OpenedFigure figure={p.off}>
                    {Math.abs(p.off.value) < 0.005
                      ? 'the same'
                      : `${q({ kind: 'share', value: Math.abs(p.off.value) })} ${p.off.value > 0 ? 'too long' : 'too short'}`}
                  </OpenedFigure>
                </td>
              </Box>
            ))}
          </Table>
        </Box>
      )}
    </>
  );
}
