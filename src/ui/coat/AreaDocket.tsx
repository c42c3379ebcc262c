'use client';
/** The answer for one area: a sentence with figures, then the figures one by one. Each opens how it was worked out. */
import Typography from '@mui/material/Typography';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { shows } from '@/core/coat/judgement';
import type { Figure } from '@/core/method/define';
import { spanOfFigure } from '@/core/method/span';
import { methodOf } from '@/core/methods';
import { knownOfHand } from '@/core/piece/hand-known';
import { useDesk } from '@/desk/store';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useMoved } from '@/ui/parts/useMoved';
import { useUnits } from '@/ui/parts/useUnits';
import { Sentence } from '@/ui/parts/Figures';

const SAID: ReadonlySet<Figure['kind']> = new Set(['mass', 'length', 'share']);

export function AreaDocket({ area }: { area: AreaPlan }) {
  const { q, span } = useUnits();
  const own = useDesk((s) => s.hand);
  const moved = useMoved();
  const fur = area.fur;
  if (!fur) {
    return (
      <Typography sx={{ my: 1.5 }}>This area of {q({ kind: 'area', value: area.areaMm2 })} is left bare.</Typography>
    );
  }
  /** Said where it decides: how much to buy, how thick the coat gets, whether the base shows. */
  const sure = (f: Figure) => {
    const found = SAID.has(f.kind) ? spanOfFigure(methodOf(f.method), f, knownOfHand(own)) : null;
    const far = f.kind === 'share' && found !== null && !shows(found.low);
    return found && !far ? { between: span(found, f.kind) } : {};
  };
  return (
    <>
      <Sentence>
        {fur.docket.sentence.map((s, i) =>
          typeof s === 'string' ? (
            <span key={i}>{s}</span>
          ) : 'figure' in s ? (
            <OpenedFigure key={i} figure={fur.figures[s.figure]!} />
          ) : (
            <b key={i}>{fur.docket.spacing.map((v) => q({ kind: 'length', value: v })).join(' to ')}</b>
          ),
        )}
      </Sentence>
      <FigureGrid
        columns={3}
        list={fur.docket.list.map(({ label, figure }) => ({
          label,
          value: <OpenedFigure figure={fur.figures[figure]!} />,
          ...sure(fur.figures[figure]!),
          moved: moved(
            fur.figures[figure]!,
            (plan) => plan.coat.areas.find((a) => a.id === area.id)?.fur?.figures[figure],
          ),
        }))}
      />
    </>
  );
}
