'use client';
/** The layered eye built up: rim, iris, pupil, lights, gaze, lids; what the face says; sizes from rim to light. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { EXPRESSIONS } from '@/core/face/eyes/expression';
import { eyeLayersSchema, eyeLidsSchema, eyesSchema, type Eyes } from '@/core/piece/face';
import { Fields } from '@/ui/parts/Fields';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';
import { changeEyes, editEyes } from './EyeControls';
import { useFace } from './face-store';
import { Sentence } from '@/ui/parts/Figures';

export function EyeRoom() {
  const f = useFace();
  const { q } = useUnits();
  if (!f) return null;
  const { face, plan } = f;
  const { eyes } = face;
  const l = eyes.layers;
  const ofLayers = {
    schema: eyeLayersSchema,
    value: l,
    onChange: (change: Partial<Eyes['layers']>) => editEyes((e) => void Object.assign(e.layers, change)),
  };
  const { made } = EYE_SPECS[eyes.kind];
  const [bought, felted, closed] = [made === 'bought', made === 'wool', made === 'line'];
  const clock = plan?.eyes.ladder.eyes.map((e) => e.lights[0]?.hour).filter((h): h is number => h !== undefined) ?? [];
  return (
    <>
      {plan && (
        <>
          <Sentence>
            It looks <b>{plan.eyes.look.says}</b>
            {plan.eyes.look.because.length > 0 && <>: {plan.eyes.look.because.join(', ')}</>}.
          </Sentence>
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
              The light stands at {lightWords(clock)}
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
        <Fields {...ofLayers} keys={closed ? ['rimLotId'] : ['rimMm', 'rimLotId']} />
        {closed && (
          <Box sx={{ fontSize: 13, my: 0.5 }}>A closed eye is one line between two lids; nothing lies behind it.</Box>
        )}
        {bought && <Box sx={{ fontSize: 13, my: 0.5 }}>Iris and pupil are as the eye was bought.</Box>}
        {felted && (
          <Fields
            {...ofLayers}
            keys={[
              'iris',
              ...(l.iris === 'none' ? [] : (['irisLotId', 'innerLotId'] as const)),
              'pupilLotId',
              'pupil',
              'lighting',
            ]}
          />
        )}
        {!closed && (
          <>
            <Heading>Lights</Heading>
            <Fields {...ofLayers} keys={['lights']} />
            {l.lights !== 'none' && bought && (
              <Box sx={{ fontSize: 13, my: 0.5 }}>
                A bought eye shines by itself: the picture shows where a lamp is seen in it.
              </Box>
            )}
            {l.lights !== 'none' && (
              <Fields
                {...ofLayers}
                keys={[
                  'lampSideDeg',
                  'lampHeightDeg',
                  ...(bought ? [] : (['lightMm', 'secondLight', 'darkLineMm', 'lightLotId'] as const)),
                ]}
              />
            )}
          </>
        )}
        {felted && (
          <>
            <Heading>Where it looks</Heading>
            <Fields
              schema={eyesSchema}
              value={eyes}
              keys={['gazeSideDeg', 'gazeUpDeg', 'converge']}
              onChange={changeEyes}
            />
          </>
        )}
        <Heading>Lids</Heading>
        <Fields
          schema={eyeLidsSchema}
          value={eyes.lids}
          keys={closed ? ['innerMm', 'outerMm', 'lotId'] : ['upper', 'lower', 'innerMm', 'outerMm', 'darkMm', 'lotId']}
          onChange={(change) => editEyes((e) => void Object.assign(e.lids, change))}
        />
      </Box>
    </>
  );
}

const Heading = ({ children }: { children: string }) => (
  <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
    {children}
  </Typography>
);

/** An hour of the clock as it is said: to the half. */
function clockWords(h: number): string {
  const half = Math.round(2 * h) / 2;
  const hour = Math.floor(half) === 0 ? 12 : Math.floor(half);
  return half % 1 === 0 ? `${hour} o’clock` : `half past ${hour}`;
}

/** Where the light stands in one eye, in both alike, or in each, as on the face of a clock. */
function lightWords(clock: readonly number[]): string {
  const [left, right] = clock.map(clockWords);
  if (right === undefined) return left!;
  return left === right ? `${left} in both eyes` : `${left} in its left eye and ${right} in its right`;
}
