'use client';
/** Compare ways: this area under two to four ways of laying side by side; one of them taken with one press. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import type { Compared } from '@/core/coat/compare-ways';
import { WAYS } from '@/core/coat/ways';
import type { Laid } from '@/core/piece/coat';
import type { Area } from '@/core/piece/schema';
import { comparedWays } from '@/desk/planner';
import { changePiece, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { SwatchPicture } from '@/ui/pictures/SwatchPicture';
import { EditButton } from '@/ui/parts/Editable';

const LEAST = 2;
const MOST = 4;

export function WaysRoom({ area, doc }: { area: AreaPlan; doc: Area }) {
  const plan = useDesk((s) => s.plan);
  const progress = useDesk((s) => s.progress);
  const now = doc.coat.method === 'none' ? null : doc.coat.method;
  const [chosen, setChosen] = useState<readonly Laid['method'][]>(() => first(now));
  const [result, setResult] = useState<{ readonly key: unknown; readonly list: readonly Compared[] } | null>(null);
  const enough = chosen.length >= LEAST;
  useEffect(() => {
    if (!enough || progress !== null || !plan) return;
    let gone = false;
    void comparedWays(area.id, chosen).then((list) => {
      if (!gone && list) setResult({ key: plan, list });
    });
    return () => {
      gone = true;
    };
  }, [area.id, chosen, enough, plan, progress]);
  const toggle = (m: Laid['method'], on: boolean) =>
    setChosen((c) => (on ? [...c, m].slice(-MOST) : c.filter((x) => x !== m)));
  return (
    <>
      <Typography sx={{ fontSize: 13, color: 'text.secondary', mb: 0.5 }}>
        Choose two to four ways; each begins with the length, the lift and the wool this area has, where it serves.
      </Typography>
      <Box
        role="group"
        aria-label="Ways to compare"
        sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', '& label': { mr: 0 } }}
      >
        {WAYS.map((w) => (
          <CheckField
            key={w.method}
            label={w.title}
            value={chosen.includes(w.method)}
            onChange={(on) => toggle(w.method, on)}
          />
        ))}
      </Box>
      {!enough ? (
        <Typography sx={{ mt: 1 }}>Choose one more way to compare with.</Typography>
      ) : result === null ? (
        <Typography sx={{ mt: 1 }}>Working it out…</Typography>
      ) : (
        <Table list={result.list.filter((r) => chosen.includes(r.coat.method))} now={now} area={doc} />
      )}
    </>
  );
}

/** The way in use and one that differs from it. */
function first(now: Laid['method'] | null): Laid['method'][] {
  if (now === null || now === 'fold-over') return ['fold-over', 'wisps'];
  return ['fold-over', now];
}

function Table({ list, now, area }: { list: readonly Compared[]; now: Laid['method'] | null; area: Area }) {
  const { q } = useUnits();
  const take = (coat: Laid) =>
    changePiece((p) => ({ ...p, areas: p.areas.map((a) => (a.id === area.id ? { ...a, coat } : a)) }));
  const line = (label: string, cell: (c: Compared) => React.ReactNode) => (
    <tr>
      {label === '' ? (
        <td />
      ) : (
        <Box component="th" scope="row" sx={{ color: 'text.secondary' }}>
          {label}
        </Box>
      )}
      {list.map((c) => (
        <td key={c.coat.method}>{cell(c)}</td>
      ))}
    </tr>
  );
  const wide = list.length > 3 ? 58 : 76;
  return (
    <Box
      component="table"
      aria-label={`${area.name} under several ways of laying`}
      sx={{
        mt: 1,
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 13,
        tableLayout: 'fixed',
        '& th, & td': { textAlign: 'left', verticalAlign: 'top', py: 0.35, pr: 0.75, fontWeight: 400 },
        '& thead th': { fontWeight: 700 },
      }}
    >
      <thead>
        <tr>
          <Box component="td" sx={{ width: 60 }} />
          {list.map((c) => (
            <th key={c.coat.method} scope="col">
              {c.title}
              {c.coat.method === now ? ' (now)' : ''}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {line('Look', (c) => (
          <SwatchPicture
            label={`Swatch of ${c.title.toLowerCase()}`}
            pile={c.pile}
            lotId={c.coat.lotId}
            arealMgCm2={c.areal.value}
            spacingMm={c.spacingMm}
            widePx={wide}
            highPx={64}
          />
        ))}
        {line('Wool', (c) => (
          <>
            <OpenedFigure figure={c.mass} /> {c.lotName.toLowerCase()}
          </>
        ))}
        {line('Cost', (c) => (c.cost === null ? 'no price' : q({ kind: 'money', value: c.cost })))}
        {line('Time', (c) => (
          <OpenedFigure figure={c.minutes} />
        ))}
        {line('Hidden', (c) => (
          <OpenedFigure figure={c.cover} />
        ))}
        {line('Aslant', (c) => (
          <OpenedFigure figure={c.slant} />
        ))}
        {line('Waste', (c) => (
          <OpenedFigure figure={c.waste} />
        ))}
        {line('Loft', (c) => (
          <OpenedFigure figure={c.loft} />
        ))}
        {line('Open', (c) =>
          c.stops + c.cautions === 0
            ? 'nothing'
            : [c.stops > 0 ? `${c.stops} stop` : '', c.cautions > 0 ? `${c.cautions} caution` : '']
                .filter(Boolean)
                .join(', '),
        )}
        {line('', (c) =>
          c.coat.method === now ? null : (
            <EditButton
              onClick={() => take(c.coat)}
              aria-label={`Use ${c.title.toLowerCase()}`}
              sx={{ minWidth: 0, px: 1 }}
            >
              Use
            </EditButton>
          ),
        )}
      </tbody>
    </Box>
  );
}
