'use client';
/** Controls of the feature in hand. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import {
  browsSchema,
  faceSchema,
  mouthSchema,
  MOUTH_KINDS,
  noseSchema,
  NOSE_KINDS,
  NOSTRILS,
  WHISKER_GLUES,
  whiskerSetSchema,
  type Face,
  type WhiskerSet,
} from '@/core/piece/face';
import { setView, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { NameField } from '@/ui/parts/NameField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';
import { WoolField } from '@/ui/parts/WoolField';
import { editFace, setSmallWool, useFace } from './face-store';
import { FaceField } from './FaceField';

const plain = (list: readonly string[]) => list.map((value) => ({ value, says: value }));
const choices = <T extends string>(list: readonly T[]) => list.map((value) => ({ value, says: value }));

interface Props {
  readonly face: Face;
  readonly mine: boolean;
}

export function NoseControls({ face, mine }: Props) {
  const { nose } = face;
  const b = noseSchema.shape;
  const set = (recipe: (n: Face['nose']) => void) => editFace((f) => recipe(f.nose));
  const beak = nose.kind === 'beak';
  const kind = beak ? 'beak' : 'nose';
  const wool = useDesk((s) => s.piece?.smallParts.find((x) => x.kind === kind)?.recipe[0]?.lotId ?? null);
  const muzzle = useDesk((s) => s.piece?.form.parts.find((p) => p.id === nose.at.part)?.on !== null);
  return (
    <Box role="group" aria-label="Nose">
      <PickField
        label="Kind"
        value={nose.kind}
        options={plain(NOSE_KINDS)}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.kind = v as typeof n.kind))}
      />
      <FaceField
        label="Width"
        value={nose.widthMm}
        bounds={b.widthMm}
        slide={[0.5, 30, 0.1]}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.widthMm = v))}
      />
      <FaceField
        label="Height"
        value={nose.highMm}
        bounds={b.highMm}
        slide={[0.5, 30, 0.1]}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.highMm = v))}
      />
      <FaceField
        label="Tilt up"
        kind="angle"
        value={nose.tiltDeg}
        bounds={b.tiltDeg}
        slide={[-40, 40, 1]}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.tiltDeg = v))}
      />
      <PickField
        label="Nostrils"
        value={nose.nostrils}
        options={plain(NOSTRILS)}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.nostrils = v as typeof n.nostrils))}
      />
      {nose.nostrils !== 'none' && (
        <>
          <FaceField
            label="A nostril"
            value={nose.nostrilMm}
            bounds={b.nostrilMm}
            disabled={!mine}
            onChange={(v) => set((n) => void (n.nostrilMm = v))}
          />
          <FaceField
            label="Apart"
            value={nose.nostrilsApartMm}
            bounds={b.nostrilsApartMm}
            disabled={!mine}
            onChange={(v) => set((n) => void (n.nostrilsApartMm = v))}
          />
        </>
      )}
      <FaceField
        label="Left for the mouth"
        value={nose.philtrumMm}
        bounds={b.philtrumMm}
        slide={[0, 15, 0.1]}
        disabled={!mine}
        onChange={(v) => set((n) => void (n.philtrumMm = v))}
      />
      <WoolField
        label="Wool"
        value={wool}
        none="no wool"
        disabled={!mine}
        onChange={(id) => setSmallWool(kind, beak ? 'Beak' : 'Nose', nose.at.part, id)}
      />
      {muzzle && (
        <CheckField
          label="Made before the muzzle is joined"
          value={nose.beforeJoin}
          disabled={!mine}
          onChange={(v) => set((n) => void (n.beforeJoin = v))}
        />
      )}
    </Box>
  );
}

export function MouthControls({ face, mine }: Props) {
  const { mouth } = face;
  const b = mouthSchema.shape;
  const set = (recipe: (m: Face['mouth']) => void) => editFace((f) => recipe(f.mouth));
  return (
    <Box role="group" aria-label="Mouth">
      <ChoiceRow
        label="Kind of mouth"
        options={choices(MOUTH_KINDS)}
        value={mouth.kind}
        disabled={!mine}
        onChange={(v) => set((m) => void (m.kind = v))}
      />
      {mouth.kind !== 'none' && (
        <>
          <FaceField
            label="Each side"
            value={mouth.sideMm}
            bounds={b.sideMm}
            slide={[0.5, 40, 0.5]}
            disabled={!mine}
            onChange={(v) => set((m) => void (m.sideMm = v))}
          />
          <FaceField
            label="Thick in middle"
            value={mouth.thickMm}
            bounds={b.thickMm}
            slide={[0.3, 4, 0.1]}
            disabled={!mine}
            onChange={(v) => set((m) => void (m.thickMm = v))}
          />
          <FaceField
            label="At the corner"
            value={mouth.endMm}
            bounds={b.endMm}
            slide={[0, 4, 0.1]}
            disabled={!mine}
            onChange={(v) => set((m) => void (m.endMm = v))}
          />
          <FaceField
            label="Corner lifted"
            value={mouth.liftMm}
            bounds={b.liftMm}
            slide={[-6, 6, 0.1]}
            disabled={!mine}
            onChange={(v) => set((m) => void (m.liftMm = v))}
          />
          <FaceField
            label="Chin"
            value={mouth.chinMm}
            bounds={b.chinMm}
            slide={[0, 20, 0.5]}
            disabled={!mine}
            onChange={(v) => set((m) => void (m.chinMm = v))}
          />
          <WoolField
            label="Wool"
            value={mouth.lotId}
            none="no wool"
            disabled={!mine}
            onChange={(id) => set((m) => void (m.lotId = id))}
          />
        </>
      )}
    </Box>
  );
}

export function EarControls({ face, mine }: Props) {
  const { ears } = face;
  const b = faceSchema.shape.ears.shape;
  const f = useFace();
  const { q } = useUnits();
  const set = (recipe: (e: Face['ears']) => void) => editFace((x) => recipe(x.ears));
  const plan = f?.plan?.ears;
  return (
    <Box role="group" aria-label="Ears">
      <ChoiceRow
        label="When the ears are set"
        options={[
          { value: 'before the coat', says: 'before the coat' },
          { value: 'after the coat', says: 'after the coat' },
        ]}
        value={ears.when}
        disabled={!mine}
        onChange={(v) => set((e) => void (e.when = v))}
      />
      <FaceField
        label="Turned out"
        kind="angle"
        value={ears.turnDeg}
        bounds={b.turnDeg}
        slide={[-60, 110, 1]}
        disabled={!mine}
        onChange={(v) => set((e) => void (e.turnDeg = v))}
      />
      <FaceField
        label="Leaning back"
        kind="angle"
        value={ears.leanDeg}
        bounds={b.leanDeg}
        slide={[-40, 100, 1]}
        disabled={!mine}
        onChange={(v) => set((e) => void (e.leanDeg = v))}
      />
      {plan ? (
        <Box sx={{ fontSize: 13, my: 1 }}>
          {plan.flatId ? `Felted flat as ${plan.name}.` : 'No flat part is cut for it yet: see Form, Flat parts.'} Seat{' '}
          {q({ kind: 'fine', value: plan.acrossMm })} across, fringe <OpenedFigure figure={plan.fringe} />, a collar of{' '}
          <OpenedFigure figure={plan.collar} /> over each joint.
        </Box>
      ) : (
        <Box sx={{ fontSize: 13, my: 1 }}>This animal has no ear drawn or felted flat.</Box>
      )}
      {ears.at && (
        <Button disabled={!mine} onClick={() => set((e) => void (e.at = null))}>
          Back to where the ear is drawn
        </Button>
      )}
    </Box>
  );
}

export function BrowControls({ face, mine }: Props) {
  const b = browsSchema.shape;
  if (!face.brows) return null;
  const { brows } = face;
  const set = (recipe: (x: NonNullable<Face['brows']>) => void) =>
    editFace((f) => {
      if (f.brows) recipe(f.brows);
    });
  return (
    <Box role="group" aria-label="Brows">
      <FaceField
        label="Length"
        value={brows.lengthMm}
        bounds={b.lengthMm}
        slide={[0.5, 30, 0.5]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.lengthMm = v))}
      />
      <FaceField
        label="Above the eye"
        value={brows.aboveMm}
        bounds={b.aboveMm}
        slide={[0, 15, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.aboveMm = v))}
      />
      <FaceField
        label="Thick inside"
        value={brows.inMm}
        bounds={b.inMm}
        slide={[0.2, 5, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.inMm = v))}
      />
      <FaceField
        label="Thick outside"
        value={brows.outMm}
        bounds={b.outMm}
        slide={[0, 5, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.outMm = v))}
      />
      <FaceField
        label="Arch"
        value={brows.archMm}
        bounds={b.archMm}
        slide={[-4, 8, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.archMm = v))}
      />
      <FaceField
        label="Outer end up"
        kind="angle"
        value={brows.tiltDeg}
        bounds={b.tiltDeg}
        slide={[-40, 40, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.tiltDeg = v))}
      />
      <WoolField
        label="Wool"
        value={brows.lotId}
        none="no wool"
        disabled={!mine}
        onChange={(id) => set((x) => void (x.lotId = id))}
      />
      <Button
        disabled={!mine}
        onClick={() => {
          editFace((f) => void (f.brows = null));
          setView({ feature: 'eyes' });
        }}
      >
        Take the brows away
      </Button>
    </Box>
  );
}

/** The whiskers in hand; the first where none are chosen. */
export function useWhiskers(): WhiskerSet | null {
  const f = useFace();
  const id = useDesk((s) => s.view.whiskersId);
  return f?.face.whiskers.find((w) => w.id === id) ?? f?.face.whiskers[0] ?? null;
}

export function WhiskerControls({ mine }: { mine: boolean }) {
  const f = useFace();
  const w = useWhiskers();
  const threads = useDesk((s) => s.cupboard.threads);
  const { q } = useUnits();
  const b = whiskerSetSchema.shape;
  if (!f || !w) return <Box sx={{ fontSize: 13 }}>No whiskers yet. Add them on the left.</Box>;
  const plan = f.plan?.whiskers.find((x) => x.id === w.id);
  const set = (recipe: (x: WhiskerSet) => void) =>
    editFace((face) => {
      const x = face.whiskers.find((y) => y.id === w.id);
      if (x) recipe(x);
    });
  return (
    <Box role="group" aria-label={w.name}>
      {plan && (
        <Box sx={{ fontSize: 13, mb: 1 }}>
          {plan.ways.length} threads through the head,{' '}
          {plan.ways.length > 0 &&
            `${q({ kind: 'fine', value: Math.min(...plan.ways.map((x) => x.throughMm)) })} to ${q({ kind: 'fine', value: Math.max(...plan.ways.map((x) => x.throughMm)) })} each`}
          {plan.ways.some((x) => x.movedMm > 0 && x.clear) && ', some moved to pass eyes and wire'}.
        </Box>
      )}
      <NameField
        label="Name of the whiskers"
        value={w.name}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.name = v))}
      />
      <FaceField
        label="On a side"
        kind="count"
        value={w.perSide}
        bounds={b.perSide}
        slide={[1, 24, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.perSide = Math.round(v)))}
      />
      <FaceField
        label="Rows"
        kind="count"
        value={w.rows}
        bounds={b.rows}
        slide={[1, 6, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.rows = Math.round(v)))}
      />
      <FaceField
        label="Roots apart"
        value={w.alongMm}
        bounds={b.alongMm}
        slide={[0.3, 8, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.alongMm = v))}
      />
      <FaceField
        label="Rows apart"
        value={w.rowsApartMm}
        bounds={b.rowsApartMm}
        slide={[0.3, 8, 0.1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.rowsApartMm = v))}
      />
      <FaceField
        label="Longest"
        value={w.longestMm}
        bounds={b.longestMm}
        slide={[2, 80, 0.5]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.longestMm = v))}
      />
      <FaceField
        label="Foremost"
        kind="share"
        value={w.shortestShare}
        bounds={b.shortestShare}
        slide={[0.1, 1, 0.05]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.shortestShare = v))}
      />
      <FaceField
        label="Fan"
        kind="angle"
        value={w.fanDeg}
        bounds={b.fanDeg}
        slide={[0, 100, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.fanDeg = v))}
      />
      <FaceField
        label="Droop"
        kind="angle"
        value={w.droopDeg}
        bounds={b.droopDeg}
        slide={[-40, 40, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.droopDeg = v))}
      />
      <PickField
        label="Thread"
        value={w.threadId ?? ''}
        empty={threads.length === 0 ? 'None in the cupboard' : 'Choose one'}
        options={threads.map((t) => ({ value: t.id, says: `${t.name}, ${t.thickMm} mm` }))}
        disabled={!mine || threads.length === 0}
        onChange={(v) => set((x) => void (x.threadId = v))}
      />
      <FaceField
        label="Passes each"
        kind="count"
        value={w.passes}
        bounds={b.passes}
        slide={[1, 8, 1]}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.passes = Math.round(v)))}
      />
      <ChoiceRow
        label="Glue"
        options={choices(WHISKER_GLUES).map((g) => ({ ...g, says: g.value === 'none' ? 'no glue' : g.says }))}
        value={w.glue}
        disabled={!mine}
        onChange={(v) => set((x) => void (x.glue = v))}
      />
      <WoolField
        label="Dashes"
        value={w.dashLotId}
        none="no dashes"
        disabled={!mine}
        onChange={(id) => set((x) => void (x.dashLotId = id))}
      />
      <Button
        disabled={!mine}
        onClick={() => editFace((face) => void (face.whiskers = face.whiskers.filter((x) => x.id !== w.id)))}
      >
        Take {w.name.toLowerCase()} away
      </Button>
    </Box>
  );
}
