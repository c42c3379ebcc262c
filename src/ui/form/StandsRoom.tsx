'use client';
/** Stands: the middle of its weight over its feet, how far it can be tipped, and what a base would need. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { StandsPlan } from '@/core/build/stands';
import { OPPOSITE } from '@/core/build/balance';
import { weightSchema } from '@/core/piece/schema';
import { editPiece, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { Fields } from '@/ui/parts/Fields';
import { Ruled } from '@/ui/parts/Panel';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useMoved } from '@/ui/parts/useMoved';
import { useUnits } from '@/ui/parts/useUnits';
import { ReliefProfile } from '@/ui/pictures/ReliefProfile';
import { FeetPicture } from '@/ui/pictures/FeetPicture';
import { Sentence } from '@/ui/parts/Figures';

/** What a weight begins with, g: a few nuts, a spoon of shot. */
const BEGINS_G = 10;

const TOWARDS = { front: 'forward', back: 'backward', left: 'to its left', right: 'to its right' } as const;

export function StandsRoom({ findings }: { findings: ReactNode }) {
  const stands = useDesk((s) => s.plan?.stands);
  const { q } = useUnits();
  const moved = useMoved();
  if (!stands) return <Typography sx={{ my: 1 }}>It is being worked out.</Typography>;
  return (
    <>
      <Sentence>
        {stands.case === 'hangs' ? (
          <>
            A relief hangs on the wall; it weighs <b>{q({ kind: 'mass', value: stands.massG })}</b> without its board.
          </>
        ) : stands.tipping && stands.marginMm >= 0 ? (
          <>
            {stands.on ? `On ${stands.on.name} it stands` : 'It stands'}
            {stands.leansOn.length > 0 ? `, leaning on ${stands.leansOn.join(' and ')}` : ''}. It falls first{' '}
            {TOWARDS[stands.towards]}, when tipped by <OpenedFigure figure={stands.tipping} />.
          </>
        ) : (
          <>{stands.on ? `With ${stands.on.name} it does not stand.` : 'It does not stand on its own.'}</>
        )}
      </Sentence>
      {findings}
      {stands.relief && <ReliefDepth relief={stands.relief} />}
      {stands.case !== 'hangs' && (
        <>
          <FigureGrid
            columns={2}
            list={[
              {
                label: stands.on ? 'weight with what it stands on' : 'weight with coat and wire',
                value: q({ kind: 'mass', value: stands.massG }),
                moved: moved({ kind: 'mass', value: stands.massG }, (p) => ({ kind: 'mass', value: p.stands.massG })),
              },
              {
                label: stands.on ? `inside the edge of ${stands.on.name} by` : 'inside its feet by',
                value: q({ kind: 'length', value: stands.marginMm }),
                moved: moved({ kind: 'length', value: stands.marginMm }, (p) => ({
                  kind: 'length',
                  value: p.stands.marginMm,
                })),
              },
              {
                label: 'middle of its weight, above ground',
                value: q({ kind: 'length', value: stands.centre[1] - (stands.on?.level ?? stands.groundY) }),
              },
              ...(stands.holeMm > 0
                ? [{ label: 'holes for a base', value: q({ kind: 'length', value: stands.holeMm }) }]
                : []),
            ]}
          />
          <FeetPicture stands={stands} />
          <WeightLow />
          {stands.holes.length > 1 && (
            <Box component="ul" sx={{ fontSize: 13, pl: 2.5 }} aria-label="Holes for a base">
              {stands.holes.slice(1).map((h, i) => (
                <li key={h.name}>
                  {stands.holes[i]!.name} to {h.name.toLowerCase()}:{' '}
                  {q({
                    kind: 'length',
                    value: Math.hypot(h.at[0] - stands.holes[i]!.at[0], h.at[1] - stands.holes[i]!.at[1]),
                  })}
                </li>
              ))}
            </Box>
          )}
        </>
      )}
    </>
  );
}

/** How deep a relief is, and the whole of it seen from the side. */
function ReliefDepth({ relief }: { relief: NonNullable<StandsPlan['relief']> }) {
  const { q } = useUnits();
  const moved = useMoved();
  const of = (value: number) => ({ kind: 'length', value }) as const;
  return (
    <>
      <FigureGrid
        columns={2}
        list={[
          {
            label: `stands out of its board, ${relief.part.toLowerCase()}`,
            value: q(of(relief.outMm)),
            moved: moved(of(relief.outMm), (p) => p.stands.relief && of(p.stands.relief.outMm)),
          },
          {
            label: 'deep with board and frame',
            value: q(of(relief.deepMm)),
            moved: moved(of(relief.deepMm), (p) => p.stands.relief && of(p.stands.relief.deepMm)),
          },
        ]}
      />
      <ReliefProfile />
    </>
  );
}

/** Something heavy put low into it, so that it stands. */
function WeightLow() {
  const weight = useDesk((s) => s.piece!.core.weight);
  const towards = useDesk((s) => s.plan!.stands.towards);
  return (
    <Ruled aria-label="Weight low in it">
      <CheckField
        label="a weight low in it"
        value={weight !== null}
        onChange={(on) =>
          editPiece((d) => void (d.core.weight = on ? { massG: BEGINS_G, side: OPPOSITE[towards] } : null))
        }
      />
      {weight && (
        <Fields
          schema={weightSchema}
          value={weight}
          keys={['massG', 'side']}
          onChange={(change) => editPiece((d) => d.core.weight && void Object.assign(d.core.weight, change))}
        />
      )}
    </Ruled>
  );
}
