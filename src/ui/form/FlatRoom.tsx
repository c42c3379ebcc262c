'use client';
/** Flat parts: ears, wings, feathers, beaks, claws felted flat: outline, layers, lining, fringe, seat. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { shrinks, USUAL_SHRINK } from '@/core/rates/shrunk';
import { beginFlat, FLAT_OUTLINES } from '@/core/form/begin-flat';
import { asStanding, isLeaf } from '@/core/form/leaf';
import { withLeaf, withOutline } from '@/core/form/leaf-edits';
import { unitMm } from '@/core/form/shape';
import { intoRange } from '@/core/piece/fields';
import { flatPartSchema, type FlatPart } from '@/core/piece/schema';
import { changePiece, setView, useDesk } from '@/desk/store';
import { changeLeaf, LeafFields } from './LeafFields';
import { Fields } from '@/ui/parts/Fields';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { OpenedFigure } from '@/ui/parts/Opened';
import { PickField } from '@/ui/parts/PickField';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';

/** The flat part in hand, with the outline it has on the animal. */
export function useFlatPart(): FlatPart | null {
  const piece = useDesk((s) => s.piece);
  const id = useDesk((s) => s.view.flatId);
  const f = piece?.flatParts.find((x) => x.id === id) ?? piece?.flatParts[0];
  return piece && f ? asStanding(piece, f, unitMm(piece.form)) : null;
}

/** An id no flat part has yet. */
function unusedId(all: readonly FlatPart[]): string {
  let id = 'flat-part';
  for (let k = 2; all.some((f) => f.id === id); k++) id = `flat-part-${k}`;
  return id;
}

/** Changes a flat part, all in one to undo; outline and thickness of one that stands for a leaf are the leaf's. */
export function changeFlat(id: string, { outline, thicknessMm, ...rest }: Partial<FlatPart>): void {
  changePiece((p) => {
    const part = p.form.parts.find((x) => x.id === id);
    const sheet = { ...(outline && { outline }), ...(thicknessMm !== undefined && { thicknessMm }) };
    const leaf = part && isLeaf(part) ? part : null;
    const flatParts = p.flatParts.map((f) => (f.id === id ? { ...f, ...rest, ...(leaf ? {} : sheet) } : f));
    if (!leaf || Object.keys(sheet).length === 0) return { ...p, flatParts };
    const half = thicknessMm === undefined ? leaf.halfHeight : thicknessMm / 2 / unitMm(p.form);
    const next = outline ? withOutline(leaf, outline, half) : { ...leaf, halfHeight: half };
    return { ...p, flatParts, form: withLeaf(p.form, next) };
  });
}

/** Lets a flat part stand for another drawn part, or none: it keeps the outline and thickness it had on the animal. */
const standFor = (f: FlatPart, id: string): void =>
  changePiece((p) => ({
    ...p,
    flatParts: p.flatParts.map((x) =>
      x.id === f.id ? { ...x, ...f, id, thicknessMm: intoRange(flatPartSchema.shape.thicknessMm, f.thicknessMm) } : x,
    ),
  }));

export function FlatList() {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const chosen = useFlatPart();
  const { q } = useUnits();
  if (!piece) return null;
  const add = () => {
    const id = unusedId(piece.flatParts);
    changePiece((p) => ({
      ...p,
      flatParts: [
        ...p.flatParts,
        beginFlat({
          id,
          name: `Ear ${p.flatParts.length + 1}`,
          kind: 'ear',
          paired: true,
          // As it shrinks in this maker's hands, once that is known.
          shrinkShare: (plan && shrinks(plan.hand)?.share) ?? USUAL_SHRINK,
          lotId: p.core.lotId,
          seat: p.form.parts.find((x) => x.role === 'head')?.id ?? p.form.parts[0]!.id,
        }),
      ],
    }));
    setView({ flatId: id });
  };
  return (
    <Box>
      <Tickets label="Flat parts" of={piece.flatParts}>
        {(f) => {
          const p = plan?.flatParts.find((x) => x.id === f.id);
          return (
            <Ticket
              on={f.id === chosen?.id}
              onClick={() => setView({ flatId: f.id })}
              name={f.name}
              words={f.paired ? `${f.kind}, a pair` : f.kind}
              figure={p && q({ kind: 'mass', value: p.count * (p.mass.value + (p.liningMass?.value ?? 0)) })}
            />
          );
        }}
      </Tickets>
      <UnderTickets>
        <EditButton disabled={piece.flatParts.length >= 40} onClick={add}>
          Add a flat part
        </EditButton>
        <EditButton
          disabled={!chosen}
          onClick={() => changePiece((p) => ({ ...p, flatParts: p.flatParts.filter((f) => f.id !== chosen!.id) }))}
        >
          Take away
        </EditButton>
      </UnderTickets>
    </Box>
  );
}

export function FlatRoom({ findings }: { findings: ReactNode }) {
  const f = useFlatPart();
  const plan = useDesk((s) => s.plan);
  const form = useDesk((s) => s.piece!.form);
  const { parts } = form;
  const all = useDesk((s) => s.piece!.flatParts);
  const { q } = useUnits();
  const p = plan?.flatParts.find((x) => x.id === f?.id);
  if (!f) {
    return (
      <Typography sx={{ my: 1 }}>
        Ears, wings, tail feathers, beaks and claws are felted flat by themselves. Add one to draw its outline and print
        its pattern.
      </Typography>
    );
  }
  const part = parts.find((x) => x.id === f.id);
  const leaf = part && isLeaf(part) ? part : null;
  const k = unitMm(form);
  // A flat part may stand for one drawn part, which is then not built a second time.
  const drawn = parts.filter((x) => x.shape !== 'board' && (x.id === f.id || !all.some((y) => y.id === x.id)));
  const of = {
    schema: flatPartSchema,
    value: f,
    // Another kind has another outline to begin with.
    onChange: (change: Partial<FlatPart>) =>
      changeFlat(f.id, {
        ...change,
        ...(change.kind && { outline: FLAT_OUTLINES[change.kind].map(([a, b]): [number, number] => [a, b]) }),
      }),
  };
  return (
    <>
      {p && (
        <>
          <Sentence>
            {p.count === 2 ? 'Make two alike: ' : 'Make one: '}
            <OpenedFigure figure={p.mass} />
            {p.liningMass ? (
              <>
                {' '}
                and <OpenedFigure figure={p.liningMass} /> of lining
              </>
            ) : null}{' '}
            each, in {f.layers} layers of <b>{q({ kind: 'mass', value: p.layerG })}</b>. Cut the pattern{' '}
            <OpenedFigure figure={p.pattern} /> times as large.
          </Sentence>
          <FigureGrid
            columns={2}
            list={[
              { label: 'finished area', value: q({ kind: 'area', value: p.areaMm2 }) },
              ...(p.through ? [{ label: 'of the lining shows', value: <OpenedFigure figure={p.through} /> }] : []),
            ]}
          />
        </>
      )}
      {findings}
      <Box role="group" aria-label={`How ${f.name} is made`} sx={{ mt: 1 }}>
        <Fields
          key={f.id}
          {...of}
          keys={[
            'name',
            'kind',
            'paired',
            'thicknessMm',
            'layers',
            'shrinkShare',
            'fringeMm',
            ...(leaf ? [] : (['bendDeg'] as const)),
            'lotId',
            'liningLotId',
            ...(f.liningLotId === null ? [] : (['liningMm'] as const)),
          ]}
        />
        <PickField
          label="Stands for"
          value={drawn.some((x) => x.id === f.id) ? f.id : 'none'}
          options={[{ value: 'none', says: 'no drawn part' }, ...drawn.map((x) => ({ value: x.id, says: x.name }))]}
          onChange={(v) => {
            const id = v === 'none' ? unusedId(all) : v;
            standFor(f, id);
            setView({ flatId: id });
          }}
        />
        {leaf && <LeafFields part={leaf} />}
        {part?.shape === 'pad' && !leaf && (
          <>
            <Typography variant="body2" sx={{ mt: 1 }}>
              {part.name} is drawn as a pad, {q({ kind: 'length', value: 2 * part.halfHeight * k })} thick; its pattern
              is another shape.
            </Typography>
            <EditButton onClick={() => changeLeaf(withOutline(part, f.outline, f.thicknessMm / 2 / k))}>
              Draw {part.name} as this pattern
            </EditButton>
          </>
        )}
        <Fields {...of} keys={['seat']} />
        <Typography variant="body2" sx={{ color: 'text.secondary', mt: 1 }}>
          Felt it flat, turn the edge, clean the edge between two cards so that no finger is near the needle. Small
          parts come off: a realistic piece is a display piece, not a toy for a small child.
        </Typography>
      </Box>
    </>
  );
}
