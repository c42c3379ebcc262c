'use client';
/** Stack: the layers of an area from the top down; dragged or moved by keys to another place; one in hand is changed below. */
import { DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors, type DragEndEvent } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { pieceSchema, type Area } from '@/core/piece/schema';
import { areaShadeSchema, borderSchema, type Layer } from '@/core/piece/shade';
import type { LayerPlan, ShadedArea } from '@/core/shade/layers/area-shade';
import { addLayer, LAYER_KINDS, moveLayer, removeLayer } from '@/core/shade/shade-edits';
import { colourName } from '@/core/shade/words';
import { labOf } from '@/core/colour/lab';
import { changePiece, editPiece, setView, useDesk } from '@/desk/store';
import { figures } from '@/ui/frame/theme';
import { Patch } from '@/ui/parts/Patch';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { Corrections } from './Corrections';
import { ADD_WORDS, LAYER_WORDS } from './layer-words';
import { LayerControls } from './LayerControls';
import { editShade, firstLot } from './shade-store';
import { UNCHOSEN } from '@/ui/pictures/colours';
import { Ruled } from '@/ui/parts/Panel';

export function StackRoom({ shaded, doc }: { shaded: ShadedArea; doc: Area }) {
  const canEdit = useDesk((s) => s.canEdit);
  const hand = useDesk((s) => s.hand);
  const layerId = useDesk((s) => s.view.layerId);
  const noWool = useDesk((s) => s.cupboard.lots.length === 0);
  const bare = doc.coat.method === 'none';
  const layers = doc.shade.layers.filter((l) => !(bare && l.kind === 'coat'));
  const chosen = layers.find((l) => l.id === layerId) ?? layers[layers.length - 1] ?? null;
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const planOf = (id: string) => shaded.layers.filter((l) => l.layerId === id);
  const top = [...layers].reverse();
  const place = (id: string | number) => top.findIndex((l) => l.id === id) + 1;
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const to = doc.shade.layers.findIndex((l) => l.id === over.id);
    changePiece((p) => moveLayer(p, doc.id, String(active.id), to));
  };
  // What lies nowhere takes no colour.
  if (shaded.field === null)
    return (
      <Typography sx={{ fontSize: 13, my: 1 }}>
        {doc.name} lies nowhere on the animal yet; give it a place in Form, under Areas.
      </Typography>
    );
  return (
    <>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, my: 1 }} role="group" aria-label="Add a layer on top">
        {LAYER_KINDS.map((kind) => (
          <EditButton
            key={kind}
            disabled={layers.length >= 24 || noWool}
            onClick={() => {
              const lot = firstLot(kind);
              if (!lot) return;
              let id = '';
              changePiece((p) => {
                const made = addLayer(p, doc.id, kind, { lot, hand });
                id = made.id;
                return made.piece;
              });
              setView({ layerId: id });
            }}
            sx={{ minWidth: 0, px: 1, minHeight: 28 }}
          >
            + {ADD_WORDS[kind]}
          </EditButton>
        ))}
      </Box>
      {noWool && <Typography sx={{ fontSize: 13 }}>There is no wool in the cupboard to lay a layer with.</Typography>}
      {layers.length === 0 && (
        <Typography sx={{ fontSize: 13 }}>No colour is planned here: bare core. Add a layer.</Typography>
      )}
      <DndContext
        sensors={sensors}
        onDragEnd={dropped}
        accessibility={{
          screenReaderInstructions: {
            draggable: 'Space lifts a layer, arrows move it, Space puts it down, Escape puts it back.',
          },
          announcements: {
            onDragStart: ({ active }) => `Lifted, place ${place(active.id)} from the top.`,
            onDragOver: ({ over }) => (over ? `At place ${place(over.id)} from the top.` : 'Beside the list.'),
            onDragEnd: ({ over }) => (over ? `Put down at place ${place(over.id)} from the top.` : 'Put back.'),
            onDragCancel: () => 'Put back.',
          },
        }}
      >
        <SortableContext items={top.map((l) => l.id)} strategy={verticalListSortingStrategy}>
          <Box component="ol" aria-label="Layers, the top one first" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {top.map((l, i) => (
              <Line
                key={l.id}
                layer={l}
                plans={planOf(l.id)}
                on={l.id === chosen?.id}
                canEdit={canEdit}
                up={i > 0}
                down={i < top.length - 1}
                onPick={() => setView({ layerId: l.id, brush: 'off' })}
                onMove={(by) => {
                  const at = doc.shade.layers.findIndex((x) => x.id === l.id);
                  changePiece((p) => moveLayer(p, doc.id, l.id, at + by));
                }}
              />
            ))}
          </Box>
        </SortableContext>
      </DndContext>
      {chosen && (
        <Ruled aria-label="The layer in hand">
          <Box sx={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center' }}>
            <Typography variant="h3">{layerTitle(chosen)}</Typography>
            {chosen.kind !== 'coat' && (
              <EditButton
                onClick={() => {
                  changePiece((p) => removeLayer(p, doc.id, chosen.id));
                  setView({ layerId: null, brush: 'off' });
                }}
              >
                Take away
              </EditButton>
            )}
          </Box>
          <LayerControls
            key={chosen.id}
            layer={chosen}
            plan={planOf(chosen.id).at(-1) ?? null}
            groundHex={shaded.groundHex}
            onChange={(layer) =>
              editShade(doc.id, (s) => ({ ...s, layers: s.layers.map((x) => (x.id === layer.id ? layer : x)) }))
            }
          />
        </Ruled>
      )}
      <Ruled aria-label="The whole area">
        <Fields
          key={`${doc.id}-wanted`}
          schema={areaShadeSchema}
          value={doc.shade}
          keys={['wanted']}
          begin={{ wanted: shaded.meanHex }}
          onChange={(change) => editShade(doc.id, (s) => ({ ...s, ...change }))}
        />
        <Fields
          key={doc.id}
          schema={borderSchema}
          value={doc.shade.border}
          keys={['raggedMm', 'softMm']}
          onChange={(change) => editShade(doc.id, (x) => ({ ...x, border: { ...x.border, ...change } }))}
        />
      </Ruled>
      <School />
      <Corrections shaded={shaded} />
    </>
  );
}

const layerTitle = (l: Layer): string => (l.kind === 'coat' ? 'Coat' : ADD_WORDS[l.kind]);

function School() {
  const piece = useDesk((s) => s.piece)!;
  return (
    <Fields
      schema={pieceSchema}
      value={piece}
      keys={['correction']}
      onChange={(change) => editPiece((d) => void Object.assign(d, change))}
    />
  );
}

interface LineProps {
  readonly layer: Layer;
  readonly plans: readonly LayerPlan[];
  readonly on: boolean;
  readonly canEdit: boolean;
  readonly up: boolean;
  readonly down: boolean;
  readonly onPick: () => void;
  readonly onMove: (by: number) => void;
}

/** One layer of the list: its colour, what is seen after it, its wool and weight; a grip to drag it by. */
function Line({ layer, plans, on, canEdit, up, down, onPick, onMove }: LineProps) {
  const { q } = useUnits();
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({
    id: layer.id,
    disabled: !canEdit,
  });
  const last = plans[plans.length - 1];
  const first = plans[0];
  const title = layerTitle(layer);
  return (
    <Box
      component="li"
      ref={setNodeRef}
      sx={{
        display: 'grid',
        gridTemplateColumns: '22px 26px minmax(0, 1fr) auto auto',
        gap: 0.75,
        alignItems: 'center',
        py: 0.4,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: on ? 'action.selected' : 'background.paper',
        fontSize: 13,
      }}
      style={{
        transform: transform ? `translate3d(0, ${Math.round(transform.y)}px, 0)` : undefined,
        transition,
      }}
    >
      <Box
        component="button"
        type="button"
        {...attributes}
        {...listeners}
        aria-label={`Move ${title}`}
        sx={{
          border: 0,
          bgcolor: 'transparent',
          color: 'text.secondary',
          cursor: 'grab',
          touchAction: 'none',
          font: 'inherit',
          height: 30,
        }}
      >
        ⋮⋮
      </Box>
      <Patch
        hex={last?.seenHex ?? UNCHOSEN.ground}
        wide={26}
        label={last ? `then seen ${colourName(labOf(last.seenHex))}` : 'not worked out'}
      />
      <Box
        component="button"
        type="button"
        onClick={onPick}
        aria-pressed={on}
        sx={{
          border: 0,
          bgcolor: 'transparent',
          color: 'inherit',
          font: 'inherit',
          textAlign: 'left',
          cursor: 'pointer',
          p: 0.25,
          minWidth: 0,
        }}
      >
        <b>{first && layer.kind !== 'coat' ? `${LAYER_WORDS[first.says]}` : title}</b>{' '}
        {first ? first.wool : 'wool missing'}
        {first?.amount ? `, ${first.amount} ${q({ kind: 'areal', value: first.arealMgCm2 })}` : ''}
      </Box>
      <Box sx={figures}>{first?.mass ? <OpenedFigure figure={first.mass} /> : ''}</Box>
      <Box sx={{ display: 'flex' }}>
        {(
          [
            ['↑', 'up', up, 1],
            ['↓', 'down', down, -1],
          ] as const
        ).map(([mark, way, may, by]) => (
          <EditButton
            key={way}
            variant="text"
            disabled={!may}
            aria-label={`Move ${title} ${way}`}
            onClick={() => onMove(by)}
            sx={{ minWidth: 22, px: 0, minHeight: 26 }}
          >
            {mark}
          </EditButton>
        ))}
      </Box>
    </Box>
  );
}
