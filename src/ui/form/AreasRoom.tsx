'use client';
/**
 * Areas: where each lies. Painted on the turntable with a brush, or said by part and bands along and round it; named,
 * made, split, joined.
 */
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState, type ReactNode } from 'react';
import { bareBoard, layGround } from '@/core/coat/ground-area';
import { addArea, onBoard, mergeAreas, removeArea, splitArea, type SplitWay } from '@/core/form/area-edits';
import { isLeaf } from '@/core/form/leaf';
import { areaSchema, type Area, type Part, type Selector } from '@/core/piece/schema';
import { changePiece, editPiece, setView, useDesk } from '@/desk/store';
import { useSelectedArea } from '@/ui/coat/CoatStage';
import { BandFields, type Band } from '@/ui/parts/BandFields';
import { BrushWidth } from '@/ui/parts/BrushWidth';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { Fields } from '@/ui/parts/Fields';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';
import { Ruled } from '@/ui/parts/Panel';

export function AreasRoom({ findings }: { findings: ReactNode }) {
  const { plan, area, doc } = useSelectedArea();
  const piece = useDesk((s) => s.piece)!;
  const view = useDesk((s) => s.view);
  const { q } = useUnits();
  const [menu, setMenu] = useState<{ at: HTMLElement; what: 'split' | 'join' } | null>(null);
  const make = () => {
    const first = piece.form.parts.find((p) => p.shape !== 'board') ?? piece.form.parts[0]!;
    const part = piece.form.parts.find((p) => p.id === view.partId) ?? first;
    const made = addArea(piece, `New area ${piece.areas.length + 1}`, [
      { parts: [part.id], along: { from: 0.4, to: 0.6 } },
    ]);
    changePiece(() => made.piece);
    setView({ areaId: made.id });
  };
  const ground = () => {
    const { cupboard, hand } = useDesk.getState();
    const made = layGround(piece, cupboard, hand);
    if (!made) return;
    changePiece(() => made.piece);
    setView({ areaId: made.id });
  };
  return (
    <>
      <Sentence>
        {area ? (
          <>
            {area.name} covers <b>{q({ kind: 'area', value: area.areaMm2 })}</b>
            {area.components.length > 1 ? ` in ${area.components.length} places` : ''}.
          </>
        ) : (
          'An area is a place that gets its own wool and way of laying.'
        )}
        {plan && plan.coat.undecided.mm2 > 0 && (
          <>
            {' '}
            <b>{q({ kind: 'area', value: plan.coat.undecided.mm2 })}</b> of the skin are undecided; they are hatched on
            the animal.
          </>
        )}
      </Sentence>
      {findings}
      <Box role="group" aria-label="Brush" sx={{ display: 'grid', gap: 0.75 }}>
        <ChoiceRow
          label="Brush"
          options={[
            { value: 'off', says: 'turn the animal' },
            { value: 'paint', says: 'paint' },
            { value: 'erase', says: 'erase' },
          ]}
          value={view.brush}
          disabled={!doc}
          onChange={(brush) => setView({ brush })}
        />
        <BrushWidth />
        <CheckField label="both sides alike" value={view.brushBoth} onChange={(brushBoth) => setView({ brushBoth })} />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, my: 1 }}>
        <EditButton onClick={make}>New area</EditButton>
        {bareBoard(piece) !== null && <EditButton onClick={ground}>Lay the ground</EditButton>}
        <EditButton
          disabled={!doc}
          onClick={(e) => setMenu({ at: e.currentTarget, what: 'split' })}
          aria-haspopup="menu"
        >
          Split
        </EditButton>
        <EditButton
          disabled={!doc || piece.areas.length < 2}
          onClick={(e) => setMenu({ at: e.currentTarget, what: 'join' })}
          aria-haspopup="menu"
        >
          Join another to it
        </EditButton>
        <EditButton
          disabled={!doc}
          onClick={() => {
            changePiece((p) => removeArea(p, doc!.id));
            setView({ areaId: null });
          }}
        >
          Take away
        </EditButton>
      </Box>
      <Menu open={menu !== null} anchorEl={menu?.at ?? null} onClose={() => setMenu(null)}>
        {menu?.what === 'split'
          ? (
              [
                ['along', 'Across its parts, half way along'],
                [
                  'around',
                  doc?.where.every((s) => onBoard(piece.form.parts, s))
                    ? 'Its upper part from its lower'
                    : 'Round its parts, top from underside',
                ],
                ['sides', 'Left from right'],
                ...(doc && onLeaf(piece.form.parts, doc.where) ? [['faces', 'Its back from its hollow']] : []),
              ] as [SplitWay, string][]
            ).map(([way, says]) => (
              <MenuItem
                key={way}
                onClick={() => {
                  setMenu(null);
                  changePiece((p) => splitArea(p, doc!.id, way).piece);
                }}
              >
                {says}
              </MenuItem>
            ))
          : piece.areas
              .filter((a) => a.id !== doc?.id)
              .map((a) => (
                <MenuItem
                  key={a.id}
                  onClick={() => {
                    setMenu(null);
                    changePiece((p) => mergeAreas(p, doc!.id, a.id));
                  }}
                >
                  {a.name}
                </MenuItem>
              ))}
      </Menu>
      {doc && <Places key={doc.id} area={doc} />}
    </>
  );
}

/** The same by keyboard: part, band along it, band round it, side. */
function Places({ area }: { area: Area }) {
  const parts = useDesk((s) => s.piece!.form.parts);
  const change = (recipe: (a: Area) => void) =>
    editPiece((d) => {
      const a = d.areas.find((x) => x.id === area.id);
      if (a) recipe(a);
    });
  const set = (i: number, recipe: (s: Selector) => void) => change((a) => recipe(a.where[i]!));
  return (
    <Box role="group" aria-label={`Where ${area.name} lies`}>
      <Fields
        schema={areaSchema}
        value={area}
        keys={['name']}
        onChange={(named) => change((a) => void Object.assign(a, named))}
      />
      {area.where.map((s, i) => (
        <Ruled key={i} aria-label={`Place ${i + 1}`}>
          <PickField
            label={s.parts.length > 1 ? `${s.parts.length} parts` : 'Part'}
            value={s.parts.length === 1 ? s.parts[0]! : ''}
            empty={s.parts.map((id) => parts.find((p) => p.id === id)?.name ?? id).join(', ')}
            options={parts.map((p) => ({ value: p.id, says: p.name }))}
            onChange={(v) => set(i, (x) => void (x.parts = [v]))}
          />
          <BandFields way="along" band={s.along} onChange={(b) => set(i, (x) => put(x, 'along', b))} />
          {onBoard(parts, s) ? (
            <BandFields way="upward" band={s.upward} onChange={(b) => set(i, (x) => put(x, 'upward', b))} />
          ) : (
            <BandFields way="round" band={s.around} onChange={(b) => set(i, (x) => put(x, 'around', b))} />
          )}
          <ChoiceRow
            label={`Side of place ${i + 1}`}
            options={[
              { value: 'both', says: 'both sides' },
              { value: 'left', says: 'left' },
              { value: 'right', says: 'right' },
            ]}
            value={s.side ?? 'both'}
            onChange={(v) =>
              set(i, (x) => {
                if (v === 'both') delete x.side;
                else x.side = v;
              })
            }
          />
          {(s.face || onLeaf(parts, [s])) && (
            <ChoiceRow
              label={`Face of place ${i + 1}`}
              options={[
                { value: 'both', says: 'back and hollow' },
                { value: 'back', says: 'back' },
                { value: 'hollow', says: 'hollow' },
              ]}
              value={s.face ?? 'both'}
              onChange={(v) =>
                set(i, (x) => {
                  if (v === 'both') delete x.face;
                  else x.face = v;
                })
              }
            />
          )}
          <EditButton
            disabled={area.where.length < 2 && !area.strokes.some((q) => q.adds)}
            onClick={() => change((a) => void a.where.splice(i, 1))}
          >
            Take this place away
          </EditButton>
        </Ruled>
      ))}
      <EditButton
        disabled={area.where.length >= 40}
        sx={{ mt: 1 }}
        onClick={() => change((a) => void a.where.push({ parts: [parts[0]!.id] }))}
      >
        Add a place
      </EditButton>
      {area.strokes.length > 0 && (
        <Box sx={{ mt: 1, fontSize: 13 }}>
          {area.strokes.length === 1 ? 'One stroke is' : `${area.strokes.length} strokes are`} painted over these
          places.{' '}
          <EditButton disabled={area.where.length === 0} onClick={() => change((a) => void (a.strokes = []))}>
            Take the paint away
          </EditButton>
        </Box>
      )}
    </Box>
  );
}

/** Whether a place lies on a leaf, which has a back and a hollow. */
const onLeaf = (parts: readonly Part[], where: readonly Selector[]): boolean =>
  parts.some((p) => isLeaf(p) && where.some((s) => s.parts.includes(p.id)));

function put(s: Selector, key: 'along' | 'around' | 'upward', band: Band | null): void {
  if (band) s[key] = band;
  else delete s[key];
}
