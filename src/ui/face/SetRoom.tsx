'use client';
/** Setting the eyes: socket, how far they stand out, the holes for the stems, what they run into, the steps. */
import { faceTime } from '@/core/face/face-step';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { eyesSchema, eyeStemSchema } from '@/core/piece/face';
import { useDesk } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { changeEyes, editEyes } from './EyeControls';
import { useFace } from './face-store';
import { Sentence } from '@/ui/parts/Figures';

export function SetRoom() {
  const f = useFace();
  const hand = useDesk((s) => s.hand);
  const { q, t } = useUnits();
  if (!f) return null;
  const { face, plan } = f;
  const { eyes } = face;
  const spec = EYE_SPECS[eyes.kind];
  const p = plan?.eyes;
  return (
    <>
      {p && (
        <>
          <Sentence>
            {eyes.kind === 'stem' ? (
              <>
                Drill <b>{q({ kind: 'angle', value: eyes.stem.inDeg })}</b> in and{' '}
                <b>{q({ kind: 'angle', value: eyes.stem.downDeg })}</b> down along the hole, cut the stems to{' '}
                <b>{q({ kind: 'fine', value: eyes.stem.lengthMm })}</b>.
              </>
            ) : (
              <>
                A socket <b>{q({ kind: 'fine', value: eyes.socketMm })}</b> deep and{' '}
                <b>{q({ kind: 'fine', value: eyes.sizeMm })}</b> across.
              </>
            )}
          </Sentence>
          <FigureGrid
            columns={3}
            list={[
              {
                label: 'seen wide',
                value: p.seen ? <OpenedFigure figure={p.seen} /> : q({ kind: 'fine', value: p.discMm }),
              },
              {
                label: 'stands out',
                value: p.out ? <OpenedFigure figure={p.out} /> : q({ kind: 'fine', value: p.outMm }),
              },
              ...(p.wool ? [{ label: 'wool each', value: <OpenedFigure figure={p.wool.each} /> }] : []),
              ...(p.wool?.before ? [{ label: 'rolled to', value: <OpenedFigure figure={p.wool.before} /> }] : []),
              ...(p.stems?.gap ? [{ label: 'between stems', value: <OpenedFigure figure={p.stems.gap} /> }] : []),
              ...(p.stems && !p.stems.gap && p.stems.state.gapMm !== null
                ? [{ label: 'between stems', value: q({ kind: 'fine', value: p.stems.state.gapMm }) }]
                : []),
              ...(p.stems
                ? [{ label: 'beyond the end', value: q({ kind: 'fine', value: p.stems.state.beyondMm }) }]
                : []),
              ...(p.stems && Number.isFinite(p.stems.state.wireMm)
                ? [{ label: 'to the wire', value: q({ kind: 'fine', value: p.stems.state.wireMm }) }]
                : []),
              ...(p.stems?.longestMm
                ? [{ label: 'longest that fits', value: q({ kind: 'fine', value: p.stems.longestMm }) }]
                : []),
              ...(p.stems?.gap
                ? [
                    {
                      label: 'they touch at',
                      value: p.stems.touch ? <OpenedFigure figure={p.stems.touch} /> : 'never',
                    },
                  ]
                : []),
            ]}
          />
        </>
      )}
      <Box role="group" aria-label="Setting the eyes" sx={{ mt: 1 }}>
        {spec.dome !== 'line' && <Fields schema={eyesSchema} value={eyes} keys={['socketMm']} onChange={changeEyes} />}
        {eyes.kind === 'stem' && (
          <Fields
            schema={eyeStemSchema}
            value={eyes.stem}
            keys={['lengthMm', 'thickMm', 'inDeg', 'downDeg']}
            onChange={(change) => editEyes((e) => void Object.assign(e.stem, change))}
          />
        )}
      </Box>
      {p && (
        <>
          <Typography variant="h3" component="h2" sx={{ mt: 1.5 }}>
            Steps
          </Typography>
          <Box component="ol" sx={{ fontSize: 13, pl: 2.5, my: 0.5, '& li': { mb: 0.75 } }}>
            {p.steps.map((s) => (
              <li key={s.what}>
                {t(s.says)}. About {q({ kind: 'time', value: faceTime(hand, s.work).minutes })}.
              </li>
            ))}
          </Box>
          <Box sx={{ fontSize: 13, color: 'text.secondary' }}>{t(spec.caution)}</Box>
        </>
      )}
    </>
  );
}
