'use client';
/** Is it level? The photograph pinned or calliper measures entered, judged at once, taken down, and all earlier ones. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { levelOf, type LevelPlan } from '@/core/face/level/level';
import { MARK_NAMES, type PinMark } from '@/core/face/head/mark-names';
import { CALLIPER_FROM, CALLIPER_MARKS, faceCheckSchema, type FaceCheck } from '@/core/piece/face';
import { boundsOf } from '@/core/piece/fields';
import { freshId } from '@/desk/files';
import { changePiece, setView, useDesk } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { useFace } from './face-store';
import { PinControls } from './PhotoPins';
import { usePhoto } from './PhotoList';
import { EditButton } from '@/ui/parts/Editable';
import { Ruled } from '@/ui/parts/Panel';

/** What the pins of the photograph in hand say now. */
export function useLevelNow(): LevelPlan | null {
  const f = useFace();
  const photo = usePhoto('piece');
  return useMemo(() => {
    if (!f?.plan || !photo || photo.pins.length === 0) return null;
    const check: FaceCheck = {
      id: 'now',
      at: '2000-01-01T00:00:00Z',
      kind: 'photograph',
      name: photo.name,
      aspect: photo.aspect,
      eyeMm: f.plan.eyes.discMm,
      pins: photo.pins,
    };
    return levelOf(check, f.plan.measured, f.plan.eyes.places, { frame: f.plan.frame, widthMm: f.plan.headWidthMm });
  }, [f, photo]);
}

const take = (check: FaceCheck) =>
  changePiece((p) => (p.face ? { ...p, face: { ...p.face, checks: [...p.face.checks, check] } } : p));

export function LevelRoom() {
  const f = useFace();
  const photo = usePhoto('piece');
  const now = useLevelNow();
  const over = useDesk((s) => s.view.photoOver);
  const { q } = useUnits();
  if (!f?.plan) return null;
  const { face, plan } = f;
  const last = plan.levels[plan.levels.length - 1];
  const shown = now ?? last ?? null;
  if (plan.oneSided) {
    return (
      <Typography sx={{ my: 1 }}>A picture in relief shows one side of the head; there is nothing to level.</Typography>
    );
  }
  return (
    <>
      <Typography component="p" sx={{ fontSize: 18, lineHeight: 1.5, my: 1 }} role="status">
        {!shown ? (
          'Pin the real face on a photograph, or enter what the callipers say.'
        ) : shown.problem ? (
          shown.problem
        ) : shown.pairs.every((p) => p.level) ? (
          <>
            <b>Level</b> within <OpenedFigure figure={shown.tolerance} />.
          </>
        ) : (
          <Moves level={shown} />
        )}
      </Typography>
      {shown && !shown.problem && <LevelTable level={shown} />}
      {photo && (
        <>
          <Box sx={{ display: 'flex', gap: 0.75, flexWrap: 'wrap', my: 1 }}>
            <EditButton
              disabled={!now || now.problem !== null || face.checks.length >= 200}
              onClick={() =>
                take({
                  id: freshId('check'),
                  at: new Date().toISOString(),
                  kind: 'photograph',
                  name: photo.name,
                  aspect: photo.aspect,
                  eyeMm: plan.eyes.discMm,
                  pins: photo.pins,
                })
              }
            >
              Take this measure down
            </EditButton>
            <Button
              variant={over ? 'contained' : 'outlined'}
              aria-pressed={over}
              onClick={() => setView({ photoOver: !over })}
            >
              Lay it over the chart
            </Button>
          </Box>
          <Box sx={{ fontSize: 13, mb: 1 }}>
            The scale comes from the eye: {q({ kind: 'fine', value: plan.eyes.discMm })} between its edges.
          </Box>
          <PinControls photo={photo} />
        </>
      )}
      <Callipers full={face.checks.length >= 200} />
    </>
  );
}

function Moves({ level }: { level: LevelPlan }) {
  const { t } = useUnits();
  const words = level.pairs.flatMap((p) => (p.move ? [t(p.move)] : []));
  const says = words.join('; ');
  return <>{says.charAt(0).toUpperCase() + says.slice(1)}.</>;
}

function LevelTable({ level }: { level: LevelPlan }) {
  const { q, units } = useUnits();
  const inches = units.length === 'in';
  // The unit stands in the head of the column.
  const signed = (x: number | null, kind: 'fine' | 'angle') => {
    if (x === null) return '';
    const size =
      kind === 'angle' ? Math.abs(x).toFixed(0) : inches ? (Math.abs(x) / 25.4).toFixed(3) : Math.abs(x).toFixed(1);
    return Number(size) === 0 ? '0' : `${x > 0 ? '+' : '−'}${size}`;
  };
  const { midline } = level;
  return (
    <>
      <SmallTable
        label="Left against right"
        head={['Left', `higher, ${units.length}`, 'wider', 'slant, °', '']}
        rows={level.pairs.map((p) => [
          p.what === 'eye' ? 'Eyes' : p.what === 'ear' ? 'Ears' : 'Mouth',
          signed(p.higherMm, 'fine'),
          signed(p.widerMm, 'fine'),
          signed(p.slantDeg, 'angle'),
          p.level ? '✓ level' : '! off',
        ])}
      />
      {midline && (
        <Box sx={{ fontSize: 13 }}>
          The midline leans {q({ kind: 'angle', value: Math.abs(midline.leanDeg) })} in the picture; that is taken out.{' '}
          {midline.outliers.length > 0 && (
            <b>
              Left out of the midline, as it does not agree with the rest:{' '}
              {midline.outliers.map((o) => (o in MARK_NAMES ? MARK_NAMES[o as PinMark] : `the ${o}s`)).join('; ')}.
              Check the pin first.
            </b>
          )}
        </Box>
      )}
    </>
  );
}

const FROM_WORDS = { nose: 'tip of the nose', crown: 'crown', chin: 'chin' } as const;

type Cell = `${(typeof CALLIPER_MARKS)[number]}-${(typeof CALLIPER_FROM)[number]}-${'left' | 'right'}`;

const READ = boundsOf(faceCheckSchema.options[0].shape.readings.element.shape.leftMm);

/** What the callipers say, left and right, filled in with the planned measure to begin with. */
function Callipers({ full }: { full: boolean }) {
  const f = useFace()!;
  const [open, setOpen] = useState(false);
  const [what, setWhat] = useState<(typeof CALLIPER_MARKS)[number]>('eye');
  const [typed, setTyped] = useState<Partial<Record<Cell, number>>>({});
  const plan = f.plan!;
  const at = new Map(plan.measured.map((m) => [m.mark as string, m.inHead]));
  const from = CALLIPER_FROM.filter((x) => at.has(x) && at.has(`${what}-left`));
  const planned = (x: string) => {
    const [a, b] = [at.get(`${what}-left`)!, at.get(x)!];
    return Math.round(10 * Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])) / 10;
  };
  const value = (x: (typeof CALLIPER_FROM)[number], side: 'left' | 'right') =>
    typed[`${what}-${x}-${side}`] ?? planned(x);
  if (!open) {
    return (
      <Button sx={{ mt: 1.5 }} onClick={() => setOpen(true)}>
        Enter calliper measures
      </Button>
    );
  }
  const shown = CALLIPER_MARKS.filter((m) => at.has(`${m}-left`));
  return (
    <Ruled aria-label="Calliper measures">
      <Box sx={{ display: 'flex', gap: 0.5, mb: 0.5 }} role="group" aria-label="What is measured">
        {shown.map((m) => (
          <Button
            key={m}
            variant={m === what ? 'contained' : 'outlined'}
            aria-pressed={m === what}
            onClick={() => setWhat(m)}
            sx={{ minWidth: 0, px: 1.1, minHeight: 30 }}
          >
            {m === 'mouth' ? 'mouth corner' : m}
          </Button>
        ))}
      </Box>
      {from.map((x) => (
        <Box key={x}>
          {(['left', 'right'] as const).map((side) => (
            <MeasureField
              key={`${what}-${side}`}
              label={`From the ${FROM_WORDS[x]}, ${side}`}
              kind="fine"
              value={value(x, side)}
              min={READ.least}
              max={READ.most}
              onChange={(v) => setTyped({ ...typed, [`${what}-${x}-${side}`]: v })}
            />
          ))}
        </Box>
      ))}
      <Box sx={{ fontSize: 13, my: 0.5 }}>
        They begin at the planned measure. With two starting points it says which way to move.
      </Box>
      <EditButton
        disabled={full || from.length === 0}
        onClick={() => {
          take({
            id: freshId('check'),
            at: new Date().toISOString(),
            kind: 'callipers',
            readings: from.map((x) => ({ mark: what, from: x, leftMm: value(x, 'left'), rightMm: value(x, 'right') })),
          });
          setTyped({});
        }}
      >
        Take these measures down
      </EditButton>
    </Ruled>
  );
}

/** Earlier measures, the newest first. */
export function LevelHistory() {
  const f = useFace();
  const { t, q } = useUnits();
  if (!f?.plan) return null;
  const list = [...f.plan.levels].reverse();
  if (list.length === 0) return <Box sx={{ fontSize: 13 }}>No measure has been taken down yet.</Box>;
  return (
    <Box
      component="ul"
      aria-label="Measures taken"
      tabIndex={0}
      sx={{ listStyle: 'none', m: 0, p: 0, overflow: 'auto', flex: 1, fontSize: 13 }}
    >
      {list.map((l) => (
        <Box
          component="li"
          key={l.id}
          sx={{
            display: 'grid',
            gridTemplateColumns: '132px 92px 1fr auto',
            gap: 1.5,
            py: 0.4,
            borderBottom: 1,
            borderColor: 'divider',
            alignItems: 'center',
          }}
        >
          <span>{l.at.slice(0, 16).replace('T', ' ')}</span>
          <span>{l.kind}</span>
          <span>
            {l.problem ??
              (l.pairs.every((p) => p.level)
                ? `✓ level within ${q({ kind: 'fine', value: l.tolerance.value })}`
                : `! ${l.pairs.flatMap((p) => (p.move ? [t(p.move)] : [])).join('; ')}`)}
          </span>
          <EditButton
            aria-label={`Remove the measure of ${l.at.slice(0, 16).replace('T', ' ')}`}
            sx={{ minWidth: 0, px: 1, minHeight: 24, py: 0 }}
            onClick={() =>
              changePiece((p) =>
                p.face ? { ...p, face: { ...p.face, checks: p.face.checks.filter((c) => c.id !== l.id) } } : p,
              )
            }
          >
            ×
          </EditButton>
        </Box>
      ))}
    </Box>
  );
}
