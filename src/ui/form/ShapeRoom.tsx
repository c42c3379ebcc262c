'use client';
/** Shape: how large the animal is, and the part in hand: its length, its thicknesses, the bends at its joints. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState, type ReactNode } from 'react';
import { OwnBase } from './OwnBase';
import { LeafFields } from './LeafFields';
import { MoundFields } from './MoundFields';
import { TowardItsKind } from './TowardItsKind';
import { isLeaf } from '@/core/form/leaf';
import { bodyPlan, BODY_PLANS } from '@/core/form/plans/plans';
import { nodesOf } from '@/core/form/pose';
import { looked, lookOf } from '@/core/form/reach';
import { setStride, strideOf } from '@/core/form/stride';
import { asShown, turnSense } from '@/core/form/turn-sense';
import {
  jointsOf,
  limits,
  measuresOf,
  MIDDLE,
  middleOf,
  partLength,
  placeSays,
  setBend,
  setMiddle,
  setOval,
  setPartLength,
  setThickness,
  statedShare,
  thicknessesOf,
  unitMm,
} from '@/core/form/shape';
import { add, scale } from '@/core/geometry/vec';
import { eye } from '@/core/picture/lens';
import { boundsOf } from '@/core/piece/fields';
import {
  anyPartSchema,
  jointSchema,
  pieceSchema,
  toesSchema,
  type Joint,
  type Part,
  type Piece,
} from '@/core/piece/schema';
import { beginGesture, changePiece, editPiece, endGesture, setView, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { Fields } from '@/ui/parts/Fields';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { MeasureField } from '@/ui/parts/MeasureField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { PickField } from '@/ui/parts/PickField';
import type { Plan } from '@/core/plan';
import type { QuantityKind } from '@/core/text';
import { useMoved } from '@/ui/parts/useMoved';
import { useUnits } from '@/ui/parts/useUnits';
import { Sentence } from '@/ui/parts/Figures';

const FORM = pieceSchema.shape.form.shape;
const SIZE = { finished: boundsOf(FORM.finishedLengthMm), life: boundsOf(FORM.lifeLengthMm) };
type Side = Joint['side'];
/** Toes as they begin. Ours. */
const FIRST_TOES = { count: 4, spreadDeg: 50 } as const;
/** You stand so far off, in drawn units: beyond any animal. */
const FAR = 1e5;
/** No more digits than the work can use. */
const tenth = (mm: number): number => Math.round(mm * 10) / 10;

/** What the docket of the shape tells. */
const SIZES: readonly { readonly label: string; readonly kind: QuantityKind; readonly of: (plan: Plan) => number }[] = [
  { label: 'skin to cover', kind: 'area', of: (p) => p.form.areaMm2 },
  { label: 'volume with its fur', kind: 'volume', of: (p) => p.form.volumeMm3 },
  { label: 'long as posed', kind: 'length', of: (p) => p.form.lengthMm },
  { label: 'wide as posed', kind: 'length', of: (p) => p.form.widthMm },
];

export function ShapeRoom({ findings }: { findings: ReactNode }) {
  const piece = useDesk((s) => s.piece)!;
  const plan = useDesk((s) => s.plan);
  const canEdit = useDesk((s) => s.canEdit);
  const partId = useDesk((s) => s.view.partId);
  const { q } = useUnits();
  const moved = useMoved();
  const part = piece.form.parts.find((p) => p.id === partId) ?? null;
  const measures = measuresOf(piece.form.parts);
  const by = measures.some((m) => m.id === piece.form.measuredBy) ? piece.form.measuredBy : 'length';
  const share = statedShare(piece.form.parts, by);
  return (
    <>
      {plan && (
        <>
          <Sentence>
            <b>{q({ kind: 'length', value: piece.form.finishedLengthMm })}</b> nose to tail stretched out,{' '}
            <b>{q({ kind: 'length', value: plan.form.heightMm })}</b> to its highest point as posed, at 1 :{' '}
            <OpenedFigure figure={plan.form.scale} /> of life.
          </Sentence>
          <FigureGrid
            columns={2}
            list={SIZES.map(({ label, kind, of }) => {
              const now = { kind, value: of(plan) };
              return { label, value: q(now), moved: moved(now, (p) => ({ kind, value: of(p) })) };
            })}
          />
        </>
      )}
      {findings}
      <OwnBase />
      {part && !piece.form.scan && <PartControls key={part.id} piece={piece} part={part} />}
      <TowardItsKind form={piece.form} />
      <Box role="group" aria-label="Size" sx={{ mt: 1.5 }}>
        <Typography variant="h3" sx={{ mb: 0.5 }}>
          Whole animal
        </Typography>
        <PickField
          label="Measured by"
          value={by}
          options={measures.map((m) => ({ value: m.id, says: m.says }))}
          onChange={(v) => editPiece((d) => void (d.form.measuredBy = v))}
        />
        <MeasureField
          label={by === 'length' ? 'Finished length' : 'Finished'}
          kind="length"
          value={tenth(piece.form.finishedLengthMm * share)}
          min={SIZE.finished.least * share}
          max={SIZE.finished.most * share}
          slide={{ min: 80 * share, max: 500 * share, step: 1 }}
          onChange={(v) => editPiece((d) => void (d.form.finishedLengthMm = v / share))}
        />
        <MeasureField
          label={by === 'length' ? 'Length in life' : 'In life'}
          kind="length"
          value={tenth(piece.form.lifeLengthMm * share)}
          min={SIZE.life.least * share}
          max={SIZE.life.most * share}
          slide={{ min: 100 * share, max: 3000 * share, step: 5 }}
          onChange={(v) => editPiece((d) => void (d.form.lifeLengthMm = v / share))}
        />
        <Stride form={piece.form} />
        <Fields
          schema={pieceSchema}
          value={piece}
          keys={['name']}
          onChange={(change) => editPiece((d) => void Object.assign(d, change))}
        />
        <TextField
          label="Note"
          multiline
          minRows={2}
          maxRows={5}
          fullWidth
          value={piece.note}
          disabled={!canEdit}
          onFocus={beginGesture}
          onBlur={endGesture}
          onChange={(e) => editPiece((d) => void (d.note = e.target.value.slice(0, 4000)))}
          sx={{ mt: 1.5 }}
        />
      </Box>
    </>
  );
}

/** A stride is no longer than this share of the animal. Ours. */
const LONGEST_STRIDE = 0.4;

/** Legs in a walk, the left and the right apart. */
function Stride({ form }: { form: Piece['form'] }) {
  const stride = form.scan ? null : strideOf(form);
  if (stride === null) return null;
  const k = unitMm(form);
  const most = Math.round(LONGEST_STRIDE * form.finishedLengthMm);
  return (
    <MeasureField
      label="Stride"
      kind="length"
      value={tenth(stride * k)}
      min={-most}
      max={most}
      slide={{ min: -most, max: most, step: 1 }}
      help="How far its left forefoot stands before the right one; hind feet the other way. Nothing lets them stand side by side."
      onChange={(v) => changePiece((p) => ({ ...p, form: setStride(p.form, v / k) }))}
    />
  );
}

const jointName = (part: Part, node: number): string => {
  const n = nodesOf(part).length;
  const root = part.root === 'start' ? 0 : n - 1;
  if (node === root) return part.on === null ? 'whole animal' : 'where it is joined';
  return `joint ${part.root === 'start' ? node : n - 1 - node}`;
};

function PartControls({ piece, part }: { piece: Piece; part: Part }) {
  const poseSide = useDesk((s) => s.view.poseSide);
  const side: Side = part.mirrored ? poseSide : 'both';
  const [node, setNode] = useState(() => jointsOf(part)[0] ?? 0);
  const k = unitMm(piece.form);
  const planned = BODY_PLANS.some((p) => p.id === piece.form.plan)
    ? bodyPlan(piece.form.plan).parts.find((p) => p.id === part.id)
    : undefined;
  const length = partLength(part);
  const lengthLimits = limits(piece.form, length, planned && partLength(planned));
  const joints = jointsOf(part);
  const bend = piece.form.pose.find((j) => j.part === part.id && j.node === node && j.side === side);
  const { nodDeg, turnDeg, tiltDeg } = bend ?? { nodDeg: 0, turnDeg: 0, tiltDeg: 0 };
  const sense = turnSense(part);
  const look = lookOf(piece.form, part);
  const canEdit = useDesk((s) => s.canEdit);
  const turns = asShown({ nodDeg, turnDeg, tiltDeg }, sense);
  const shape = (change: (form: Piece['form']) => Piece['form']) =>
    changePiece((p) => ({ ...p, form: change(p.form) }));
  const of = {
    schema: anyPartSchema,
    value: part,
    onChange: (change: Partial<Pick<Part, 'name' | 'role' | 'blend' | 'lie'>>) =>
      editPiece((d) => {
        const p = d.form.parts.find((x) => x.id === part.id);
        if (p) Object.assign(p, change);
      }),
  };
  return (
    <Box role="group" aria-label={`Shape of ${part.name}`} sx={{ mt: 1.5 }}>
      <Fields {...of} keys={part.shape === 'board' ? ['name'] : ['name', 'role']} />
      <MeasureField
        label="Length"
        kind="length"
        value={tenth(length * k)}
        {...lengthLimits}
        slide={{ ...lengthLimits, step: 0.5 }}
        disabled={part.shape === 'board'}
        onChange={(v) => shape((f) => setPartLength(f, part.id, v))}
      />
      {thicknessesOf(part).map((t) => {
        const was = planned && thicknessesOf(planned).find((x) => x.key === t.key)?.across;
        const l = limits(piece.form, t.across, was);
        return (
          <MeasureField
            key={t.key}
            label={`Across ${t.says}`}
            kind="length"
            value={tenth(t.across * k)}
            {...l}
            slide={{ ...l, step: 0.5 }}
            onChange={(v) => shape((f) => setThickness(f, part.id, t.key, v))}
          />
        );
      })}
      {part.shape === 'limb' && <Sections part={part} shape={shape} />}
      {part.shape === 'limb' && <ToesOf part={part} />}
      {isLeaf(part) && <LeafFields part={part} />}
      {part.shape === 'board' && <MoundFields board={part} mmPerUnit={k} />}
      {part.shape !== 'board' && <Fields {...of} keys={['blend', 'lie']} />}
      {joints.length > 0 && (
        <Box sx={{ mt: 1 }}>
          <Typography variant="h3" sx={{ mb: 0.5 }}>
            Pose
          </Typography>
          <Box sx={{ display: 'grid', gap: 0.75 }}>
            <ChoiceRow
              label="Joint"
              options={joints.map((n) => ({ value: String(n), says: jointName(part, n) }))}
              value={String(node)}
              onChange={(v) => setNode(Number(v))}
            />
            {part.mirrored && (
              <ChoiceRow
                label="Side"
                options={[
                  { value: 'both', says: 'both alike' },
                  { value: 'left', says: 'left only' },
                  { value: 'right', says: 'right only' },
                ]}
                value={side}
                onChange={(v) => setView({ poseSide: v })}
              />
            )}
          </Box>
          <Fields
            key={`${node}${side}`}
            schema={jointSchema}
            value={{ part: part.id, node, side, ...turns }}
            keys={['nodDeg', 'turnDeg', 'tiltDeg']}
            onChange={(change) =>
              shape((f) => setBend(f, { part: part.id, node, side }, asShown({ ...turns, ...change }, sense)))
            }
          />
          {look && (
            <Button
              variant="outlined"
              disabled={!canEdit}
              sx={{ mt: 0.5 }}
              onClick={() => shape((f) => looked(f, part, add(look.at, scale(eye(useDesk.getState().view).from, FAR))))}
            >
              Let it look at you
            </Button>
          )}
          <Typography variant="body2" sx={{ mt: 0.5 }}>
            {sense.lifts === 'up'
              ? 'Above 0 its end goes up, to the animal’s left, and its top leans to the left.'
              : 'Above 0 its end goes forward, its front turns to the animal’s left, and it leans to the left.'}
          </Typography>
        </Box>
      )}
    </Box>
  );
}

/** Whether a limb is round or oval, and where the middle of each oval place sits. */
function Sections({
  part,
  shape,
}: {
  part: Extract<Part, { shape: 'limb' }>;
  shape: (change: (form: Piece['form']) => Piece['form']) => void;
}) {
  const oval = part.nodes.some((n) => n.section);
  return (
    <>
      <CheckField
        label="oval: wider than high, or higher"
        value={oval}
        onChange={(on) => shape((f) => setOval(f, part.id, on))}
      />
      {part.nodes.map(
        (n, i) =>
          n.section && (
            <MeasureField
              key={i}
              label={`Below its middle ${placeSays(part, i)}`}
              kind="share"
              value={middleOf(n.section)}
              {...MIDDLE}
              slide={{ ...MIDDLE, step: 0.01 }}
              onChange={(v) => shape((f) => setMiddle(f, part.id, i, v))}
            />
          ),
      )}
    </>
  );
}

/** Whether its last stretch ends in toes, how many and how far apart. */
function ToesOf({ part }: { part: Extract<Part, { shape: 'limb' }> }) {
  const change = (recipe: (limb: Extract<Part, { shape: 'limb' }>) => void) =>
    editPiece((d) => {
      const p = d.form.parts.find((x) => x.id === part.id);
      if (p?.shape === 'limb') recipe(p);
    });
  return (
    <>
      <CheckField
        label="ends in toes"
        value={part.toes !== undefined}
        onChange={(on) =>
          change((p) => {
            if (on) p.toes = { ...FIRST_TOES };
            else delete p.toes;
          })
        }
      />
      {part.toes && (
        <Fields
          schema={toesSchema}
          value={part.toes}
          keys={['count', 'spreadDeg']}
          onChange={(to) => change((p) => void (p.toes && Object.assign(p.toes, to)))}
        />
      )}
    </>
  );
}
