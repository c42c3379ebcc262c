'use client';
/** The layered eye built up: rim, iris, pupil, lights, gaze, lids; what the face says; sizes from rim to light. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { EXPRESSIONS } from '@/core/face/eyes/expression';
import { eyeLayersSchema, eyesSchema, LIGHTINGS, PUPILS, type Eyes } from '@/core/piece/face';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { PickField } from '@/ui/parts/PickField';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { WoolField } from '@/ui/parts/WoolField';
import { editEyes } from './EyeControls';
import { useFace } from './face-store';
import { FaceField } from './FaceField';

const L = eyeLayersSchema.shape;
const B = eyesSchema.shape;
const choices = <T extends string>(list: readonly T[]) => list.map((value) => ({ value, says: value }));

export function EyeRoom() {
  const f = useFace();
  const { q } = useUnits();
  if (!f) return null;
  const { face, plan } = f;
  const { eyes } = face;
  const l = eyes.layers;
  const layers = (recipe: (x: Eyes['layers']) => void) => editEyes((e) => recipe(e.layers));
  const lids = (recipe: (x: Eyes['lids']) => void) => editEyes((e) => recipe(e.lids));
  const { made } = EYE_SPECS[eyes.kind];
  const [bought, felted, closed] = [made === 'bought', made === 'wool', made === 'line'];
  const clock = plan?.eyes.ladder.eyes.map((e) => e.lights[0]?.hour).filter((h): h is number => h !== undefined) ?? [];
  return (
    <>
      {plan && (
        <>
          <Typography component="p" sx={{ fontSize: 18, lineHeight: 1.5, my: 1 }}>
            It looks <b>{plan.eyes.look.says}</b>
            {plan.eyes.look.because.length > 0 && <>: {plan.eyes.look.because.join(', ')}</>}.
          </Typography>
          <Box
            role="group"
            aria-label="What the face says"
            sx={{
              display: 'grid',
              gridTemplateColumns: '64px 1fr',
              gap: 0.5,
              fontSize: 13,
              mb: 1,
              alignItems: 'center',
            }}
          >
            {EXPRESSIONS.map((e) => (
              <Box key={e} sx={{ display: 'contents' }}>
                <span>{e}</span>
                <Box
                  role="meter"
                  aria-label={e}
                  aria-valuenow={Math.round(100 * plan.eyes.look.scores[e])}
                  aria-valuemin={0}
                  aria-valuemax={100}
                  sx={{ height: 8, bgcolor: 'action.selected' }}
                >
                  <Box sx={{ height: 8, width: `${100 * plan.eyes.look.scores[e]}%`, bgcolor: 'text.secondary' }} />
                </Box>
              </Box>
            ))}
          </Box>
          {plan.eyes.ladder.rungs.length > 0 && (
            <SmallTable
              label="Sizes from rim to light"
              head={['Layer', 'wide', 'high', '']}
              rows={plan.eyes.ladder.rungs.map((r) => [
                r.name,
                q({ kind: 'fine', value: r.widthMm }),
                q({ kind: 'fine', value: r.highMm }),
                r.tooSmall ? '! too small' : '✓',
              ])}
            />
          )}
          {clock.length > 0 && (
            <Box sx={{ fontSize: 13, mb: 1 }}>
              The light stands at {clock.map((h) => clockWords(h)).join(' and ')} on the clock
              {clock.length > 1 && ', left eye and right eye'}
              {plan.eyes.ladder.darkLineMm !== null && (
                <>, with {q({ kind: 'fine', value: plan.eyes.ladder.darkLineMm })} of dark beside it</>
              )}
              .
            </Box>
          )}
        </>
      )}
      <Box role="group" aria-label="Layers of the eye">
        <Typography variant="h3" component="h2">
          {closed ? 'The line' : 'Layers'}
        </Typography>
        {!closed && (
          <FaceField
            label="Rim"
            value={l.rimMm}
            bounds={L.rimMm}
            slide={[0, 4, 0.1]}
            onChange={(v) => layers((x) => void (x.rimMm = v))}
          />
        )}
        <WoolField
          label={closed ? 'Line of' : 'Rim of'}
          value={l.rimLotId}
          none="dark, not chosen"
          onChange={(id) => layers((x) => void (x.rimLotId = id))}
        />
        {closed && (
          <Box sx={{ fontSize: 13, my: 0.5 }}>A closed eye is one line between two lids; nothing lies behind it.</Box>
        )}
        {bought && <Box sx={{ fontSize: 13, my: 0.5 }}>Iris and pupil are as the eye was bought.</Box>}
        {felted && (
          <>
            <ChoiceRow
              label="Iris"
              options={[
                { value: 'ring', says: 'iris as a ring' },
                { value: 'disc', says: 'iris as a disc' },
                { value: 'none', says: 'no iris' },
              ]}
              value={l.iris}
              onChange={(v) => layers((x) => void (x.iris = v))}
            />
            {l.iris !== 'none' && (
              <>
                <WoolField
                  label="Iris of"
                  value={l.irisLotId}
                  none="not chosen"
                  onChange={(id) => layers((x) => void (x.irisLotId = id))}
                />
                <WoolField
                  label="Next to pupil"
                  value={l.innerLotId}
                  none="one colour"
                  onChange={(id) => layers((x) => void (x.innerLotId = id))}
                />
              </>
            )}
            <WoolField
              label="Pupil of"
              value={l.pupilLotId}
              none="dark, not chosen"
              onChange={(id) => layers((x) => void (x.pupilLotId = id))}
            />
            <PickField
              label="Pupil"
              value={l.pupil}
              options={PUPILS.map((p) => ({ value: p, says: p }))}
              onChange={(v) => layers((x) => void (x.pupil = v as typeof x.pupil))}
            />
            <ChoiceRow
              label="Light it is seen in"
              options={choices(LIGHTINGS)}
              value={l.lighting}
              onChange={(v) => layers((x) => void (x.lighting = v))}
            />
          </>
        )}
        {!closed && (
          <>
            <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
              Lights
            </Typography>
            <ChoiceRow
              label="Lights of the two eyes"
              options={[
                { value: 'one lamp', says: 'as one lamp gives' },
                { value: 'mirrored', says: 'mirrored' },
                { value: 'none', says: 'none' },
              ]}
              value={l.lights}
              onChange={(v) => layers((x) => void (x.lights = v))}
            />
            {l.lights !== 'none' && bought && (
              <Box sx={{ fontSize: 13, my: 0.5 }}>
                A bought eye shines by itself: the picture shows where a lamp is seen in it.
              </Box>
            )}
            {l.lights !== 'none' && (
              <>
                <FaceField
                  label="Lamp to the right"
                  kind="angle"
                  value={l.lampSideDeg}
                  bounds={L.lampSideDeg}
                  slide={[-90, 90, 5]}
                  onChange={(v) => layers((x) => void (x.lampSideDeg = v))}
                />
                <FaceField
                  label="Lamp above"
                  kind="angle"
                  value={l.lampHeightDeg}
                  bounds={L.lampHeightDeg}
                  slide={[-30, 90, 5]}
                  onChange={(v) => layers((x) => void (x.lampHeightDeg = v))}
                />
                {!bought && (
                  <>
                    <FaceField
                      label="Size"
                      value={l.lightMm}
                      bounds={L.lightMm}
                      slide={[0.2, 4, 0.1]}
                      onChange={(v) => layers((x) => void (x.lightMm = v))}
                    />
                    <CheckField
                      label="A second light, a quarter of it"
                      value={l.secondLight}
                      onChange={(v) => layers((x) => void (x.secondLight = v))}
                    />
                    <FaceField
                      label="Dark line"
                      value={l.darkLineMm}
                      bounds={L.darkLineMm}
                      slide={[0, 2, 0.1]}
                      onChange={(v) => layers((x) => void (x.darkLineMm = v))}
                    />
                    <WoolField
                      label="Light of"
                      value={l.lightLotId}
                      none="white, not chosen"
                      onChange={(id) => layers((x) => void (x.lightLotId = id))}
                    />
                  </>
                )}
              </>
            )}
          </>
        )}
        {felted && (
          <>
            <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
              Where it looks
            </Typography>
            <FaceField
              label="To its left"
              kind="angle"
              value={eyes.gazeSideDeg}
              bounds={B.gazeSideDeg}
              slide={[-30, 30, 1]}
              onChange={(v) => editEyes((e) => void (e.gazeSideDeg = v))}
            />
            <FaceField
              label="Up"
              kind="angle"
              value={eyes.gazeUpDeg}
              bounds={B.gazeUpDeg}
              slide={[-30, 30, 1]}
              onChange={(v) => editEyes((e) => void (e.gazeUpDeg = v))}
            />
            <CheckField
              label="Both turn in toward one thing"
              value={eyes.converge}
              onChange={(v) => editEyes((e) => void (e.converge = v))}
            />
          </>
        )}
        <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
          Lids
        </Typography>
        {!closed && (
          <>
            <FaceField
              label="Upper lid"
              kind="share"
              value={eyes.lids.upper}
              bounds={B.lids.shape.upper}
              slide={[0, 1, 0.01]}
              onChange={(v) => lids((x) => void (x.upper = v))}
            />
            <FaceField
              label="Lower lid"
              kind="share"
              value={eyes.lids.lower}
              bounds={B.lids.shape.lower}
              slide={[0, 1, 0.01]}
              onChange={(v) => lids((x) => void (x.lower = v))}
            />
          </>
        )}
        <FaceField
          label="Inner corner up"
          value={eyes.lids.innerMm}
          bounds={B.lids.shape.innerMm}
          slide={[-3, 3, 0.1]}
          onChange={(v) => lids((x) => void (x.innerMm = v))}
        />
        <FaceField
          label="Outer one down"
          value={eyes.lids.outerMm}
          bounds={B.lids.shape.outerMm}
          slide={[-3, 3, 0.1]}
          onChange={(v) => lids((x) => void (x.outerMm = v))}
        />
        {!closed && (
          <FaceField
            label="Dark below"
            value={eyes.lids.darkMm}
            bounds={B.lids.shape.darkMm}
            slide={[0, 3, 0.1]}
            onChange={(v) => lids((x) => void (x.darkMm = v))}
          />
        )}
        <WoolField
          label="Lids of"
          value={eyes.lids.lotId}
          none="as round the eye"
          onChange={(id) => lids((x) => void (x.lotId = id))}
        />
      </Box>
    </>
  );
}

/** An hour of the clock as it is said: to the half. */
function clockWords(h: number): string {
  const half = Math.round(2 * h) / 2;
  const hour = Math.floor(half) === 0 ? 12 : Math.floor(half);
  return half % 1 === 0 ? `${hour} o’clock` : `half past ${hour}`;
}
