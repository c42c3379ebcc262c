'use client';
/**
 * Lie: which way the fur points. Combed on the turntable or turned by an angle on a part or band; how evenly rows may run
 * against it; where it grows from, parts, and meets itself; where neighbours point different ways.
 */
import Box from '@mui/material/Box';
import Slider from '@mui/material/Slider';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { addTurn, removeComb } from '@/core/form/comb-edits';
import { placeSchema } from '@/core/piece/places';
import { combTurnSchema, type Area, type Comb, type Piece } from '@/core/piece/schema';
import { beginDrag, changePiece, editPiece, endGesture, setView, useDesk } from '@/desk/store';
import { BandFields, type Band } from '@/ui/parts/BandFields';
import { BrushWidth } from '@/ui/parts/BrushWidth';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { FactList } from '@/ui/parts/FactList';
import { Fields } from '@/ui/parts/Fields';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton, useEditable } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

export function LieRoom({ area, doc }: { area: AreaPlan; doc: Area }) {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const view = useDesk((s) => s.view);
  if (!piece || !plan) return null;
  return (
    <>
      <ChoiceRow
        label="What a drag on the animal does"
        value={view.brush === 'comb' ? 'comb' : 'turn'}
        options={[
          { value: 'turn', says: 'turn the animal' },
          { value: 'comb', says: 'comb' },
        ]}
        onChange={(v) => setView({ brush: v === 'comb' ? 'comb' : 'off', ...(v === 'comb' ? { overlay: 'lie' } : {}) })}
      />
      <BrushWidth label="Comb width" />
      <CheckField label="both sides alike" value={view.brushBoth} onChange={(brushBoth) => setView({ brushBoth })} />
      <TurnForm piece={piece} />
      <CombList piece={piece} />
      <Evenness area={area} doc={doc} />
      <AwayFrom doc={doc} piece={piece} />
      <Marks area={area} />
    </>
  );
}

const TURN = combTurnSchema.pick({ turnDeg: true });

/** Turns the fur of a part or band by typing: the same as the comb, without a hand on the picture. */
function TurnForm({ piece }: { piece: Piece }) {
  const first = piece.form.parts.find((p) => p.shape !== 'board')?.id ?? piece.form.parts[0]!.id;
  const [part, setPart] = useState(first);
  const [band, setBand] = useState<Band>();
  const [turnDeg, setTurn] = useState(30);
  const known = piece.form.parts.some((p) => p.id === part) ? part : first;
  return (
    <Ruled aria-label="Turn the fur of a part">
      <PickField
        label="Part"
        value={known}
        options={piece.form.parts.map((p) => ({ value: p.id, says: p.name }))}
        onChange={setPart}
      />
      <BandFields way="along" band={band} onChange={(b) => setBand(b ?? undefined)} />
      <Fields schema={TURN} value={{ turnDeg }} keys={['turnDeg']} onChange={(c) => setTurn(c.turnDeg ?? turnDeg)} />
      <EditButton
        disabled={turnDeg === 0}
        onClick={() =>
          changePiece((p) => addTurn(p, { parts: [known], ...(band ? { along: band } : {}) }, Math.round(turnDeg)))
        }
        sx={{ mt: 0.5 }}
      >
        Turn the fur
      </EditButton>
    </Ruled>
  );
}

function combWords(c: Comb, piece: Piece): string {
  const name = (id: string) => piece.form.parts.find((p) => p.id === id)?.name ?? id;
  if (c.kind === 'turn') {
    const band = c.where.along ? `, ${c.where.along.from} to ${c.where.along.to} along` : '';
    return `${c.where.parts.map(name).join(', ')}${band}: turned ${c.turnDeg}°`;
  }
  const parts = [...new Set(c.places.map((q) => name(q.part)))];
  return `stroke on ${parts.join(', ')}${c.mirrored ? ', both sides' : ''}`;
}

function CombList({ piece }: { piece: Piece }) {
  if (piece.combs.length === 0) {
    return (
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mt: 1 }}>
        Nothing is combed: the fur lies as the body gives it.
      </Typography>
    );
  }
  return (
    <Box component="ul" aria-label="Combed" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1, fontSize: 13 }}>
      {piece.combs.map((c, i) => (
        <Box component="li" key={i} sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, py: 0.25 }}>
          <span>{combWords(c, piece)}</span>
          <EditButton
            onClick={() => changePiece((p) => removeComb(p, i))}
            aria-label={`Take away: ${combWords(c, piece)}`}
            sx={{ minHeight: 24, px: 1 }}
          >
            Take away
          </EditButton>
        </Box>
      ))}
    </Box>
  );
}

/** One slider between the two wishes, with what each costs. */
function Evenness({ area, doc }: { area: AreaPlan; doc: Area }) {
  const editable = useEditable();
  const { q } = useUnits();
  const rows = area.fur?.rows;
  const set = (evenness: number) =>
    editPiece((d) => {
      const a = d.areas.find((x) => x.id === doc.id);
      if (a) a.evenness = evenness;
    });
  return (
    <Ruled sx={{ fontSize: 13 }}>
      <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <span>rows square to the fur</span>
        <span>rows evenly spaced</span>
      </Box>
      <Slider
        aria-label="Rows: square to the fur or evenly spaced"
        value={doc.evenness}
        min={0}
        max={1}
        step={0.1}
        disabled={!editable}
        onChange={(_e, v) => {
          beginDrag();
          set(v as number);
        }}
        onChangeCommitted={() => endGesture()}
      />
      {rows && rows.rows.length > 1 && (
        <FactList
          list={[
            {
              what: 'Spacing',
              value: `${q({ kind: 'length', value: rows.spacingMm.p5 })} to ${q({ kind: 'length', value: rows.spacingMm.p95 })}`,
            },
            { what: 'Fur off square to the row, at most', value: q({ kind: 'angle', value: rows.strayDeg.p95 }) },
          ]}
        />
      )}
    </Ruled>
  );
}

/** An eye the fur of this area points away from. */
function AwayFrom({ doc, piece }: { doc: Area; piece: Piece }) {
  const brush = useDesk((s) => s.view.brush);
  const edit = (recipe: (a: Area) => void) =>
    editPiece((d) => {
      const a = d.areas.find((x) => x.id === doc.id);
      if (a) recipe(a);
    });
  const at = doc.awayFrom;
  const part = piece.form.parts.find((p) => p.role === 'head') ?? piece.form.parts[0]!;
  return (
    <Ruled>
      <CheckField
        label="fur points away from an eye"
        value={at !== null}
        onChange={(on) =>
          edit((a) => {
            a.awayFrom = on ? { part: part.id, side: 'left', along: 0.6, up: 0.3, out: 0.9 } : null;
          })
        }
      />
      {at && (
        <>
          <EditButton
            aria-pressed={brush === 'away'}
            variant={brush === 'away' ? 'contained' : 'outlined'}
            onClick={() => setView({ brush: brush === 'away' ? 'off' : 'away' })}
          >
            Press where the eye is
          </EditButton>
          <Fields
            schema={placeSchema}
            value={at}
            keys={['along', 'up', 'out']}
            onChange={(change) => edit((a) => a.awayFrom && void Object.assign(a.awayFrom, change))}
          />
        </>
      )}
    </Ruled>
  );
}

/** What the special places are called, and the sign each has on the animal. */
const KINDS = {
  crown: { says: 'crown: the fur grows out from it', sign: <circle cx="6" cy="6" r="5" /> },
  whirl: {
    says: 'whirl: the fur turns round it',
    sign: <circle cx="6" cy="6" r="4" fill="none" stroke="currentColor" strokeWidth="2.5" />,
  },
  meeting: { says: 'the fur runs together here', sign: <rect x="1.5" y="1.5" width="9" height="9" /> },
  saddle: { says: 'the fur comes from two sides and leaves to two others', sign: <path d="M6 0l6 6-6 6-6-6z" /> },
  parting: { says: 'parting: the fur falls to both sides of it', sign: <rect x="4.5" width="3" height="12" /> },
} as const;

function Marks({ area }: { area: AreaPlan }) {
  const plan = useDesk((s) => s.plan);
  const { q } = useUnits();
  if (!plan) return null;
  const here = plan.coat.lieMarks.filter((m) => m.areaId === area.id);
  const corners = plan.coat.corners
    .map((c) => ({ ...c, names: [plan.coat.areas[c.a], plan.coat.areas[c.b]] as const }))
    .filter((c) => c.names.some((a) => a?.id === area.id));
  return (
    <Ruled sx={{ fontSize: 13 }}>
      <Box component="h3" sx={{ fontSize: 13, m: 0 }}>
        Special places of {area.name}
      </Box>
      {here.length + corners.length === 0 ? (
        <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
          None: the fur flows through without a crown, a parting or a corner.
        </Typography>
      ) : (
        <Box component="ul" aria-label="Special places" sx={{ m: 0, pl: 2.5 }}>
          {here.map((m, i) => (
            <li key={i}>
              <svg
                width="12"
                height="12"
                viewBox="0 0 12 12"
                fill="currentColor"
                aria-hidden
                style={{ marginRight: 6 }}
              >
                {KINDS[m.kind].sign}
              </svg>
              {KINDS[m.kind].says}
              {m.lengthMm > 0 ? `, ${q({ kind: 'length', value: m.lengthMm })} long` : ''}
            </li>
          ))}
          {corners.map((c) => (
            <li key={`${c.a}-${c.b}`}>
              corner with {c.names.find((a) => a?.id !== area.id)?.name}: {q({ kind: 'angle', value: c.angleDeg })} over{' '}
              {q({ kind: 'length', value: c.borderMm })}
            </li>
          ))}
        </Box>
      )}
    </Ruled>
  );
}
