'use client';
/** Markings: made, placed by hand or by numbers, measured over the skin and straight, with layers of their own. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import {
  borderSchema,
  dashesSchema,
  markingShapeSchema,
  pieceMarkingSchema,
  type PieceMarking,
} from '@/core/piece/shade';
import { addMarking, MARKING_KINDS, type MarkingKind } from '@/core/shade/shade-edits';
import { changePiece, setView, useDesk } from '@/desk/store';
import { BandFields } from '@/ui/parts/BandFields';
import { BrushWidth } from '@/ui/parts/BrushWidth';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { Patch } from '@/ui/parts/Patch';
import { FactList } from '@/ui/parts/FactList';
import { Fields, KindFields } from '@/ui/parts/Fields';
import { FindingList } from '@/ui/parts/FindingList';
import { useFindings } from '@/ui/parts/useFindings';
import { PickField } from '@/ui/parts/PickField';
import { Ticket, Tickets } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { MARKING_WORDS } from './layer-words';
import { Ends, LayerControls } from './LayerControls';
import { PlaceFields } from './PlaceFields';
import { editMarking, firstLot } from './shade-store';
import { EditButton } from '@/ui/parts/Editable';
import { UNCHOSEN } from '@/ui/pictures/colours';

/** The marking in hand, the first one when none is chosen. */
export function useMarking() {
  const id = useDesk((s) => s.view.markingId);
  const markings = useDesk((s) => s.piece?.markings);
  const doc = markings?.find((m) => m.id === id) ?? markings?.[0] ?? null;
  const plan = useDesk((s) => s.plan?.shade.markings.find((m) => m.id === doc?.id) ?? null);
  return { doc, plan };
}

export function MarkingList() {
  const markings = useDesk((s) => s.piece?.markings) ?? [];
  const plan = useDesk((s) => s.plan);
  const findings = useFindings();
  const { doc } = useMarking();
  return (
    <Tickets label="Markings" of={markings} none="No markings yet.">
      {(m) => (
        <Ticket
          on={m.id === doc?.id}
          onClick={() => setView({ markingId: m.id, brush: 'off' })}
          sample={
            <Patch hex={plan?.shade.markings.find((x) => x.id === m.id)?.seenHex ?? UNCHOSEN.marking} high={30} />
          }
          name={m.name}
          findings={findings.filter((f) => isAbout(f, 'marking', m.id))}
          words={`${MARKING_WORDS[m.shape.kind as MarkingKind].toLowerCase()}${m.mirrored ? ', both sides' : ''}`}
        />
      )}
    </Tickets>
  );
}

export function MarkingsRoom() {
  const { doc, plan } = useMarking();
  const piece = useDesk((s) => s.piece)!;
  const hand = useDesk((s) => s.hand);
  const findings = useFindings();
  const noWool = useDesk((s) => s.cupboard.lots.length === 0);
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const add = (kind: MarkingKind) => {
    setMenu(null);
    const lot = firstLot();
    if (!lot) return;
    const area = piece.areas.find((a) => a.id === useDesk.getState().view.areaId);
    const part = area?.where[0]?.parts[0] ?? piece.form.parts.find((p) => p.shape !== 'board')!.id;
    let id = '';
    changePiece((p) => {
      const made = addMarking(p, kind, part, { lot, hand });
      id = made.id;
      return made.piece;
    });
    setView({ markingId: id, brush: kind === 'painted' ? 'mark' : 'off' });
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 0.75, my: 1 }}>
        <EditButton
          variant="contained"
          disabled={noWool || piece.markings.length >= 60}
          aria-haspopup="menu"
          onClick={(e) => setMenu(e.currentTarget)}
        >
          Add a marking
        </EditButton>
        {doc && (
          <EditButton
            onClick={() => {
              changePiece((p) => ({ ...p, markings: p.markings.filter((m) => m.id !== doc.id) }));
              setView({ markingId: null, brush: 'off' });
            }}
          >
            Take away
          </EditButton>
        )}
      </Box>
      <Menu open={menu !== null} anchorEl={menu} onClose={() => setMenu(null)}>
        {MARKING_KINDS.map((k) => (
          <MenuItem key={k} onClick={() => add(k)}>
            {MARKING_WORDS[k]}
          </MenuItem>
        ))}
      </Menu>
      {noWool && <Typography sx={{ fontSize: 13 }}>There is no wool in the cupboard to lay a marking with.</Typography>}
      {!doc ? (
        <Typography sx={{ fontSize: 13 }}>
          Stripes, blazes, spots, masks, bars and socks are measured from the midline and mirrored; a patch can be
          painted. Each lies over the coat or under the pile and has layers of its own.
        </Typography>
      ) : (
        <>
          <Typography variant="h2">{doc.name}</Typography>
          {plan && <Measures doc={doc} plan={plan} />}
          <FindingList findings={findings.filter((f) => isAbout(f, 'marking', doc.id))} />
          <MarkingControls key={doc.id} doc={doc} />
        </>
      )}
    </>
  );
}

function Measures({ doc, plan }: { doc: PieceMarking; plan: NonNullable<ReturnType<typeof useMarking>['plan']> }) {
  const { q } = useUnits();
  const mm = (v: number) => q({ kind: 'length', value: v });
  return (
    <FactList
      label={`Measures of ${doc.name}`}
      list={[
        { what: 'covers', value: q({ kind: 'area', value: plan.areaMm2 }) },
        { what: 'wool', value: q({ kind: 'mass', value: plan.massG }) },
        { what: 'along the skin', value: plan.overSkinMm === null ? null : mm(plan.overSkinMm) },
        { what: 'straight, by callipers', value: plan.chordMm === null ? null : mm(plan.chordMm) },
        {
          what: 'from the midline, start and end',
          value: plan.fromMidlineMm === null ? null : plan.fromMidlineMm.map(mm).join(', '),
        },
        { what: 'contrast with its ground', value: plan.contrast === null ? null : plan.contrast.toFixed(0) },
      ]}
    />
  );
}

function MarkingControls({ doc }: { doc: PieceMarking }) {
  const { plan } = useMarking();
  const parts = useDesk((s) => s.piece!.form.parts);
  const brush = useDesk((s) => s.view.brush);
  const { shape } = doc;
  const set = (change: Partial<PieceMarking>) => editMarking({ ...doc, ...change });
  const put = (s: PieceMarking['shape']) => set({ shape: s });
  return (
    <Box role="group" aria-label={`How ${doc.name} is made`}>
      <Fields schema={pieceMarkingSchema} value={doc} keys={['name']} onChange={set} />
      {'where' in shape ? null : (
        <Box sx={{ my: 1 }}>
          <EditButton
            aria-pressed={brush === 'mark'}
            variant={brush === 'mark' ? 'contained' : 'outlined'}
            onClick={() => setView({ brush: brush === 'mark' ? 'off' : 'mark', markingId: doc.id })}
          >
            {'through' in shape
              ? 'Draw it on the animal'
              : 'at' in shape
                ? 'Set it on the animal'
                : 'Paint it on the animal'}
          </EditButton>
        </Box>
      )}
      <KindFields key={shape.kind} of={markingShapeSchema} value={shape} onChange={put} />
      {'through' in shape && (
        <>
          <Ends places={shape.through} onChange={(through) => put({ ...shape, through })} />
          <CheckField
            label="broken into dashes with the reverse needle"
            value={doc.broken !== null}
            onChange={(on) => set({ broken: on ? { dashMm: 3, gapMm: 2 } : null })}
          />
          {doc.broken && (
            <Fields
              schema={dashesSchema}
              value={doc.broken}
              keys={['dashMm', 'gapMm']}
              onChange={(change) => set({ broken: { ...doc.broken!, ...change } })}
            />
          )}
        </>
      )}
      {'at' in shape && <PlaceFields label="Middle" place={shape.at} onChange={(at) => put({ ...shape, at })} />}
      {'where' in shape && (
        <>
          <PickField
            label="Part"
            value={shape.where.parts.length === 1 ? shape.where.parts[0]! : ''}
            empty={shape.where.parts.join(', ')}
            options={parts.map((p) => ({ value: p.id, says: p.name }))}
            onChange={(part) => put({ ...shape, where: { ...shape.where, parts: [part] } })}
          />
          <BandFields
            way="along"
            band={shape.where.along}
            onChange={(along) => {
              const { along: _, ...where } = shape.where;
              put({ ...shape, where: along ? { ...where, along } : where });
            }}
          />
        </>
      )}
      {'strokes' in shape && (
        <Box sx={{ fontSize: 13 }}>
          <BrushWidth />
          {shape.strokes.length === 0 ? 'Not painted yet. ' : `${shape.strokes.length} strokes. `}
          <EditButton
            disabled={shape.strokes.length === 0}
            onClick={() => put({ ...shape, strokes: shape.strokes.slice(0, -1) })}
          >
            Take the last stroke back
          </EditButton>
        </Box>
      )}
      <Fields schema={pieceMarkingSchema} value={doc} keys={['mirrored']} onChange={set} />
      <ChoiceRow
        label="Over or under the coat"
        value={doc.under ? 'under' : 'over'}
        options={[
          { value: 'over', says: 'over the coat' },
          { value: 'under', says: 'under the pile' },
        ]}
        onChange={(v) => set({ under: v === 'under' })}
      />
      <Fields
        schema={borderSchema}
        value={doc.border}
        keys={['raggedMm', 'softMm']}
        onChange={(change) => set({ border: { ...doc.border, ...change } })}
      />
      {doc.layers.map((l) => (
        <LayerControls
          key={l.id}
          layer={l}
          plan={plan?.layers.filter((x) => x.layerId === l.id).at(-1) ?? null}
          groundHex={plan?.hostHex ?? UNCHOSEN.ground}
          places={false}
          onChange={(layer) => set({ layers: doc.layers.map((x) => (x.id === layer.id ? layer : x)) })}
        />
      ))}
    </Box>
  );
}
