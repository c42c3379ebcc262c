'use client';
/** Markings: made, placed by hand or by numbers, measured over the skin and straight, with layers of their own. */
import { isAbout } from '@/core/ref';
import Box from '@mui/material/Box';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PieceMarking } from '@/core/piece/shade';
import type { Selector } from '@/core/piece/schema';
import { addMarking, MARKING_KINDS, type MarkingKind } from '@/core/shade/shade-edits';
import { changePiece, setView, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { Patch } from '@/ui/parts/ColourField';
import { FactList } from '@/ui/parts/FactList';
import { FindingCard } from '@/ui/parts/FindingCard';
import { MeasureField } from '@/ui/parts/MeasureField';
import { NameField } from '@/ui/parts/NameField';
import { OpenMark } from '@/ui/parts/OpenMark';
import { PickField } from '@/ui/parts/PickField';
import { Ticket } from '@/ui/parts/Ticket';
import { useUnits } from '@/ui/parts/useUnits';
import { BorderFields } from './BorderFields';
import { MARKING_WORDS } from './layer-words';
import { Ends, LayerControls } from './LayerControls';
import { PlaceFields } from './PlaceFields';
import { editMarking, firstLot } from './shade-store';
import { EditButton } from '@/ui/parts/Editable';

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
  const { doc } = useMarking();
  return (
    <Box component="ul" aria-label="Markings" sx={{ listStyle: 'none', m: 0, py: 1, px: 0 }}>
      {markings.map((m) => {
        const p = plan?.shade.markings.find((x) => x.id === m.id);
        return (
          <li key={m.id}>
            <Ticket on={m.id === doc?.id} onClick={() => setView({ markingId: m.id, brush: 'off' })} columns="34px 1fr">
              <Patch hex={p?.seenHex ?? '#bfbfbd'} wide={34} high={30} />
              <span>
                <b>{m.name}</b>
                <OpenMark findings={plan?.findings.filter((f) => isAbout(f, 'marking', m.id)) ?? []} />
                <Box component="span" sx={{ display: 'block', fontSize: 13, color: 'text.secondary' }}>
                  {MARKING_WORDS[m.shape.kind as MarkingKind].toLowerCase()}
                  {m.mirrored ? ', both sides' : ''}
                </Box>
              </span>
            </Ticket>
          </li>
        );
      })}
      {markings.length === 0 && (
        <Box component="li" sx={{ px: 1.5, fontSize: 13 }}>
          No markings yet.
        </Box>
      )}
    </Box>
  );
}

export function MarkingsRoom() {
  const { doc, plan } = useMarking();
  const piece = useDesk((s) => s.piece)!;
  const hand = useDesk((s) => s.hand);
  const findings = useDesk((s) => s.plan?.findings);
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
          {(findings ?? [])
            .filter((f) => isAbout(f, 'marking', doc.id))
            .map((f) => (
              <FindingCard key={f.id} finding={f} />
            ))}
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
  const reach = useDesk((s) => s.view.brushReach);
  const finished = useDesk((s) => s.piece!.form.finishedLengthMm);
  const { shape } = doc;
  const set = (change: Partial<PieceMarking>) => editMarking({ ...doc, ...change });
  const put = (s: PieceMarking['shape']) => set({ shape: s });
  const length = (
    label: string,
    value: number,
    min: number,
    max: number,
    slideTo: number,
    onChange: (v: number) => void,
  ) => (
    <MeasureField
      label={label}
      kind="length"
      value={value}
      min={min}
      max={max}
      slide={{ min, max: slideTo, step: 0.5 }}
      onChange={onChange}
    />
  );
  const bandOf = (where: Selector) => where.along ?? { from: 0, to: 1 };
  return (
    <Box role="group" aria-label={`How ${doc.name} is made`}>
      <NameField label="Name of the marking" value={doc.name} onChange={(name) => set({ name })} />
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
      {'through' in shape && (
        <>
          {length('Width, start', shape.startMm, 0.3, 400, 40, (startMm) => put({ ...shape, startMm }))}
          {length('Width, end', shape.endMm, 0, 400, 40, (endMm) => put({ ...shape, endMm }))}
          {length('Stops short', shape.stopMm, 0, 200, 40, (stopMm) => put({ ...shape, stopMm }))}
          <Ends places={shape.through} onChange={(through) => put({ ...shape, through })} />
          <CheckField
            label="broken into dashes with the reverse needle"
            value={doc.broken !== null}
            onChange={(on) => set({ broken: on ? { dashMm: 3, gapMm: 2 } : null })}
          />
          {doc.broken && (
            <>
              {length('Dash', doc.broken.dashMm, 0.5, 60, 15, (dashMm) => set({ broken: { ...doc.broken!, dashMm } }))}
              {length('Gap', doc.broken.gapMm, 0.5, 60, 15, (gapMm) => set({ broken: { ...doc.broken!, gapMm } }))}
            </>
          )}
        </>
      )}
      {'at' in shape && (
        <>
          {length('Along the lie', shape.alongMm, 0.3, 400, 80, (alongMm) => put({ ...shape, alongMm }))}
          {length('Across the lie', shape.acrossMm, 0.3, 400, 80, (acrossMm) => put({ ...shape, acrossMm }))}
          <PlaceFields label="Middle" place={shape.at} onChange={(at) => put({ ...shape, at })} />
        </>
      )}
      {'where' in shape && (
        <>
          <PickField
            label="Part"
            value={shape.where.parts.length === 1 ? shape.where.parts[0]! : ''}
            empty={shape.where.parts.join(', ')}
            options={parts.map((p) => ({ value: p.id, says: p.name }))}
            onChange={(part) => put({ ...shape, where: { ...shape.where, parts: [part] } })}
          />
          {(['from', 'to'] as const).map((k) => {
            const band = bandOf(shape.where);
            return (
              <MeasureField
                key={k}
                label={k === 'from' ? 'From, along' : 'To, along'}
                kind="share"
                value={band[k]}
                min={k === 'from' ? 0 : band.from + 0.01}
                max={k === 'from' ? band.to - 0.01 : 1}
                slide={{ min: 0, max: 1, step: 0.01 }}
                onChange={(v) =>
                  put({
                    ...shape,
                    where: {
                      ...shape.where,
                      along: {
                        ...band,
                        [k]: k === 'from' ? Math.min(v, band.to - 0.01) : Math.max(v, band.from + 0.01),
                      },
                    },
                  })
                }
              />
            );
          })}
          {shape.kind === 'bars' && (
            <>
              <MeasureField
                label="Bars"
                kind="count"
                value={shape.count}
                min={1}
                max={40}
                slide={{ min: 1, max: 20, step: 1 }}
                onChange={(v) => put({ ...shape, count: Math.max(1, Math.round(v)) })}
              />
              <MeasureField
                label="Bar to gap"
                kind="share"
                value={shape.share}
                min={0.05}
                max={0.95}
                slide={{ min: 0.05, max: 0.95, step: 0.05 }}
                onChange={(share) => put({ ...shape, share })}
              />
            </>
          )}
        </>
      )}
      {'strokes' in shape && (
        <Box sx={{ fontSize: 13 }}>
          <MeasureField
            label="Brush width"
            kind="length"
            value={Math.round((20 * reach * finished) / 1000) / 10}
            min={(4 * finished) / 1000}
            max={(600 * finished) / 1000}
            slide={{ min: (4 * finished) / 1000, max: (120 * finished) / 1000, step: 0.5 }}
            onChange={(v) => setView({ brushReach: (v * 1000) / finished / 2 })}
          />
          {shape.strokes.length === 0 ? 'Not painted yet. ' : `${shape.strokes.length} strokes. `}
          <EditButton
            disabled={shape.strokes.length === 0}
            onClick={() => put({ ...shape, strokes: shape.strokes.slice(0, -1) })}
          >
            Take the last stroke back
          </EditButton>
        </Box>
      )}
      <CheckField label="both sides alike" value={doc.mirrored} onChange={(mirrored) => set({ mirrored })} />
      <ChoiceRow
        label="Over or under the coat"
        value={doc.under ? 'under' : 'over'}
        options={[
          { value: 'over', says: 'over the coat' },
          { value: 'under', says: 'under the pile' },
        ]}
        onChange={(v) => set({ under: v === 'under' })}
      />
      <BorderFields border={doc.border} onChange={(border) => set({ border })} />
      {doc.layers.map((l) => (
        <LayerControls
          key={l.id}
          layer={l}
          plan={plan?.layers.filter((x) => x.layerId === l.id).at(-1) ?? null}
          groundHex={plan?.hostHex ?? '#808080'}
          places={false}
          onChange={(layer) => set({ layers: doc.layers.map((x) => (x.id === layer.id ? layer : x)) })}
        />
      ))}
    </Box>
  );
}
