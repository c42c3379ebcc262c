'use client';
/** Look inside: a place picked on the animal or the face chart, and the section along the needle there. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { makeBody } from '@/core/form/body';
import { placeAt, pointOf } from '@/core/form/places';
import { LEANS, type Lean } from '@/core/needle/ground';
import type { InsideView } from '@/core/needle/inside';
import { limitWords } from '@/core/needle/needle-plan';
import { chosenSchema } from '@/core/piece/work';
import type { Needlework } from '@/core/stage';
import { insideAlong } from '@/desk/planner';
import { setView, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { Fields } from '@/ui/parts/Fields';
import { MeasureField } from '@/ui/parts/MeasureField';
import { PickField } from '@/ui/parts/PickField';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { FaceChart } from '@/ui/face/FaceChart';
import { Turntable } from '@/ui/pictures/Turntable';
import { RackList } from './RackList';
import { SectionOfNeedle } from './SectionOfNeedle';
import { useNeedledStep, useRack } from './needle-store';
import { MARK } from '@/ui/pictures/colours';
import { Sentence } from '@/ui/parts/Figures';
import { BarNote } from '@/ui/parts/Panel';

const ANGLE = chosenSchema.pick({ angleDeg: true });

const KINDS: readonly { value: Needlework['kind']; says: string }[] = [
  { value: 'through', says: 'felting the core' },
  { value: 'root', says: 'rooting fur' },
  { value: 'surface', says: 'a thin layer' },
  { value: 'line', says: 'a line' },
  { value: 'deep', says: 'fixing deep' },
  { value: 'raise', says: 'raising a colour' },
];

export function InsideRoom() {
  const form = useDesk((s) => s.piece?.form);
  const plan = useDesk((s) => s.plan);
  const place = useDesk((s) => s.view.insideAt);
  const pickOn = useDesk((s) => s.view.pickOn);
  const hasFace = useDesk((s) => s.plan?.face != null);
  const { inHand: needle } = useRack();
  const inHandStep = useNeedledStep();
  const body = useMemo(() => (form ? makeBody(form) : null), [form]);
  const [kind, setKind] = useState<Needlework['kind'] | null>(null);
  const [angleDeg, setAngle] = useState<number | null>(null);
  const [lean, setLean] = useState<Lean>('along the lie');
  const [strokeMm, setStroke] = useState<number | null>(null);
  const [view, setInside] = useState<{ of: string; view: InsideView | null } | null>(null);
  const { q, t } = useUnits();

  // The step in hand where it is done with this needle, else the first that is.
  const uses = (id: string) =>
    plan?.needles.steps.find((x) => x.operationId === id)?.phases.some((p) => p.needleId === needle?.id);
  const stepId =
    inHandStep && uses(inHandStep.step.operationId)
      ? inHandStep.step.operationId
      : plan?.needles.steps.find((x) => uses(x.operationId))?.operationId;
  const needled = plan?.needles.steps.find((x) => x.operationId === stepId);
  const work = plan?.work.steps.find((x) => x.operation.id === stepId);
  const phase = needled?.phases.find((p) => p.needleId === needle?.id);
  const doing =
    kind ??
    (needle?.section === 'reverse'
      ? 'raise'
      : needled?.kind === 'flat' || needled?.kind === 'join'
        ? 'through'
        : (needled?.kind ?? 'root'));
  const angle = angleDeg ?? phase?.angleDeg ?? 75;
  const at = body && place ? pointOf(body, place) : null;
  const asked = needle && place ? JSON.stringify([place, needle, doing, angle, lean, strokeMm]) : null;

  useEffect(() => {
    if (!asked || !needle || !place || !plan) return;
    let gone = false;
    void insideAlong({ place, needle, kind: doing, angleDeg: angle, lean, strokeMm }).then((v) => {
      if (!gone) setInside({ of: asked, view: v });
    });
    return () => {
      gone = true;
    };
    // The question in one string stands for its parts.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [asked, plan]);

  const shown = view?.view ?? null;
  return (
    <ThreeColumns
      of={['needles']}
      list="Rack"
      left={<RackList />}
      middle={
        <>
          {pickOn === 'face' && hasFace ? (
            <FaceChart onPick={(p) => body && setView({ insideAt: placeAt(body, p) })} dot={at} />
          ) : (
            <Turntable
              tool="needle"
              dots={at ? [{ at, colour: MARK, radiusMm: Math.max(0.8, (plan?.form.lengthMm ?? 100) / 120) }] : []}
            />
          )}
          <Box
            component="section"
            aria-label="Section along the needle"
            sx={{
              // On a phone the animal has the room until a place on it is pressed.
              height: place === null ? { xs: 'auto', sm: '54%' } : '54%',
              minHeight: place === null ? { xs: 0, sm: 240 } : 240,
              flexShrink: 0,
              bgcolor: 'background.paper',
              borderTop: 1,
              borderColor: 'divider',
              display: 'flex',
            }}
          >
            {shown && needle ? (
              <SectionOfNeedle
                view={shown}
                needle={needle}
                onDrag={(stroke, degrees) => {
                  setStroke(stroke);
                  setAngle(degrees);
                }}
              />
            ) : (
              <Box sx={{ m: 'auto', p: 2, fontSize: 13, textAlign: 'center' }}>
                {place === null
                  ? 'Press a place on the animal to look inside there.'
                  : view && view.of === asked && view.view === null
                    ? 'Nothing is felted below that place: only fur, or the edge of a part. Press another one.'
                    : 'Looking inside'}
              </Box>
            )}
          </Box>
        </>
      }
      right={
        <>
          <Typography variant="h2">Look inside</Typography>
          {shown ? (
            <Sentence>
              {shown.area ? `${shown.area}, ${shown.part.toLowerCase()}` : shown.part}:{' '}
              <b>{q({ kind: 'fine', value: shown.throughMm })}</b> of felt straight through
              {shown.wireMm !== null && (
                <>
                  , the wire after <b>{q({ kind: 'fine', value: shown.wireMm })}</b>
                </>
              )}
              {shown.eyeMm !== null && (
                <>
                  , a set eye after <b>{q({ kind: 'fine', value: shown.eyeMm })}</b>
                </>
              )}
              . {shown.window.open ? 'From' : 'It catches from'}{' '}
              <b>{q({ kind: 'fine', value: shown.window.leastMm })}</b>
              {shown.window.open ? ' to ' : ', but no more than '}
              <b>{q({ kind: 'fine', value: shown.window.mostMm })}</b>
              {shown.window.open ? '.' : ` is safe: ${limitWords(shown.window.limit)}.`}
            </Sentence>
          ) : (
            <Typography sx={{ my: 1, fontSize: 15 }}>
              Press any place. Skin, layers, core, wire, stems and the other side are cut open along the needle.
            </Typography>
          )}
          {shown?.says.map((w) => (
            <BarNote of="error" key={w} role="alert">
              <b>{w}</b>
            </BarNote>
          ))}
          <ChoiceRow
            label="Pick on"
            value={pickOn}
            options={[
              { value: 'animal', says: 'Turntable' },
              { value: 'face', says: 'Face chart' },
            ]}
            disabled={!hasFace}
            onChange={(v) => setView({ pickOn: v })}
          />
          <PickField label="Doing" value={doing} options={KINDS} onChange={(v) => setKind(v as Needlework['kind'])} />
          <Fields
            schema={ANGLE}
            value={{ angleDeg: angle }}
            keys={['angleDeg']}
            onChange={(c) => setAngle(c.angleDeg ?? angle)}
          />
          <MeasureField
            label="Stroke"
            kind="fine"
            value={Math.round(10 * (strokeMm ?? shown?.window.plannedMm ?? 8)) / 10}
            min={0}
            max={70}
            slide={{ min: 0, max: needle?.bladeMm ?? 25, step: 0.1 }}
            onChange={setStroke}
          />
          <PickField
            label="Leaning"
            value={lean}
            options={LEANS.map((l) => ({ value: l, says: l }))}
            onChange={(v) => setLean(v as Lean)}
          />
          {(strokeMm !== null || angleDeg !== null) && (
            <Box
              component="button"
              type="button"
              onClick={() => {
                setStroke(null);
                setAngle(null);
              }}
              sx={{
                font: 'inherit',
                fontSize: 13,
                color: 'primary.main',
                bgcolor: 'transparent',
                border: 0,
                p: 0,
                textDecoration: 'underline',
                cursor: 'pointer',
              }}
            >
              As planned
            </Box>
          )}
          {shown && (
            <SmallTable
              label="What every barb does"
              head={['Barb', 'from point', 'below ground', 'does']}
              rows={shown.barbs
                .slice(0, 9)
                .map((b, i) => [
                  i + 1,
                  q({ kind: 'fine', value: b.at }),
                  b.belowMm <= 0 ? '' : q({ kind: 'fine', value: b.belowMm }),
                  b.catches,
                ])}
            />
          )}
          {work && (
            <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
              Step {work.number}: {t(work.operation.does)}
            </Box>
          )}
        </>
      }
    />
  );
}
