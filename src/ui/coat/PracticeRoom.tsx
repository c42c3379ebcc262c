'use client';
/**
 * Practice swatch: the coat of this area on a ball, to be tried small first. What came of it (covers or not, the loft by a
 * rule, a row weighed) corrects the figures of that wool everywhere.
 */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { z } from 'zod';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { COVERED_FROM_DEG } from '@/core/coat/practice';
import type { Lay } from '@/core/coat/way';
import { swatchSchema } from '@/core/piece/cupboard';
import type { Area } from '@/core/piece/schema';
import { freshId } from '@/desk/files';
import { practiceOn } from '@/desk/planner';
import { editCupboard, useDesk } from '@/desk/store';
import { BallPicture } from '@/ui/pictures/BallPicture';
import { FactList } from '@/ui/parts/FactList';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { EditButton } from '@/ui/parts/Editable';
import { Sentence } from '@/ui/parts/Figures';
import { Ruled } from '@/ui/parts/Panel';

const BALL = swatchSchema.pick({ diameterMm: true });

export function PracticeRoom({ area, doc }: { area: AreaPlan; doc: Area }) {
  const plan = useDesk((s) => s.plan);
  const [diameter, setDiameter] = useState(40);
  const [ball, setBall] = useState<Lay | null>(null);
  useEffect(() => {
    let gone = false;
    void practiceOn(area.id, diameter).then((b) => {
      if (!gone) setBall(b);
    });
    return () => {
      gone = true;
    };
  }, [area.id, diameter, plan]);
  if (doc.coat.method === 'none' || !area.fur) {
    return <Typography sx={{ my: 1.5 }}>This area is left bare: there is nothing to try out.</Typography>;
  }
  const rows = ball?.rows.rows.length ?? 0;
  const { unit } = area.fur.chart.dress;
  return (
    <>
      <Fields
        schema={BALL}
        value={{ diameterMm: diameter }}
        keys={['diameterMm']}
        onChange={(c) => setDiameter(c.diameterMm ?? diameter)}
      />
      <BallPicture areaId={area.id} name={area.name} diameterMm={diameter} />
      {ball && (
        <>
          <Sentence>
            Cover the ball up to {COVERED_FROM_DEG}° from its top:{' '}
            <b>
              {rows} {rows === 1 ? unit.one : unit.many}
            </b>
            , <OpenedFigure figure={ball.figures.mass} />, <OpenedFigure figure={ball.figures.minutes} />.
          </Sentence>
          <FactList
            list={[
              { what: 'of rows', value: <OpenedFigure figure={ball.figures.rowLength} /> },
              { what: 'should hide', value: <OpenedFigure figure={ball.figures.cover} /> },
              { what: 'should stand', value: <OpenedFigure figure={ball.figures.loft} /> },
            ]}
          />
        </>
      )}
      <Result key={area.id} area={area} doc={doc} diameter={diameter} />
      <Tried area={area} />
    </>
  );
}

const CAME = swatchSchema.pick({ verdict: true, loftMm: true, weighedMgCm: true });
type Came = z.infer<typeof CAME>;
const NOTHING: Came = { verdict: 'hidden', loftMm: null, weighedMgCm: null };

function Result({ area, doc, diameter }: { area: AreaPlan; doc: Area; diameter: number }) {
  const coat = doc.coat;
  const loft = area.fur!.figures.loft.value;
  const lay = 'layMgCm' in coat ? coat.layMgCm : null;
  const [result, setResult] = useState<Came>(NOTHING);
  const write = () => {
    editCupboard((d) => {
      d.swatches.push({
        id: freshId('swatch'),
        name: area.name,
        at: new Date().toISOString(),
        coat: structuredClone(coat),
        diameterMm: diameter,
        ...result,
      });
    });
    setResult(NOTHING);
  };
  return (
    <Ruled aria-label="What came of it">
      <Fields
        schema={CAME}
        value={result}
        keys={lay === null ? ['verdict', 'loftMm'] : ['verdict', 'loftMm', 'weighedMgCm']}
        begin={{ loftMm: Math.max(0.5, Math.round(loft * 2) / 2), weighedMgCm: lay }}
        onChange={(change) => setResult({ ...result, ...change })}
      />
      <EditButton variant="contained" onClick={write} sx={{ mt: 0.5 }}>
        Write down the swatch
      </EditButton>
    </Ruled>
  );
}

function Tried({ area }: { area: AreaPlan }) {
  const swatches = useDesk((s) => s.cupboard.swatches);
  const { q } = useUnits();
  const lotId = area.fur!.lotId;
  const here = swatches.filter((s) => s.coat.method !== 'none' && s.coat.lotId === lotId);
  return (
    <Ruled sx={{ fontSize: 13 }}>
      {here.length === 0 ? (
        <span>No swatch of {area.fur!.lotName} yet: its figures rest on our own values.</span>
      ) : (
        <>
          <span>
            {here.length === 1 ? 'One swatch' : `${here.length} swatches`} of {area.fur!.lotName} correct
            {here.length === 1 ? 's' : ''} its figures:
          </span>
          <Box component="ul" aria-label="Swatches of this wool" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {here.map((s) => (
              <Box
                component="li"
                key={s.id}
                sx={{ display: 'flex', justifyContent: 'space-between', gap: 1, py: 0.25 }}
              >
                <span>
                  {s.at.slice(0, 10)}, {s.name}: {s.verdict}
                  {s.loftMm !== null ? `, loft ${q({ kind: 'length', value: s.loftMm })}` : ''}
                  {s.weighedMgCm !== null ? `, ${q({ kind: 'linear', value: s.weighedMgCm })}` : ''}
                </span>
                <EditButton
                  aria-label={`Take away the swatch of ${s.at.slice(0, 10)}`}
                  onClick={() =>
                    editCupboard((d) => {
                      d.swatches = d.swatches.filter((x) => x.id !== s.id);
                    })
                  }
                  sx={{ minHeight: 24, px: 1 }}
                >
                  Take away
                </EditButton>
              </Box>
            ))}
          </Box>
        </>
      )}
    </Ruled>
  );
}
