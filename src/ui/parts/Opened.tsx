'use client';
/** A figure that opens how it was worked out: formula, letters with this piece's numbers, result and source. */
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { useId, useState, type ReactNode } from 'react';
import type { Figure } from '@/core/method/define';
import { DOUBTS, sharpened } from '@/core/method/doubt';
import { spanOfFigure } from '@/core/method/span';
import { methodOf } from '@/core/methods';
import { knownOfHand } from '@/core/piece/hand-known';
import { spanOf } from '@/core/time/work-time';
import { ELEMENT_NAMES, ELEMENTS, minutesFor } from '@/core/time/elements';
import { useHandAtWork } from './useHandAtWork';
import { figures } from '@/ui/frame/theme';
import { useUnits } from './useUnits';

const BASIS = {
  published: 'Published',
  'common practice': 'Common practice',
  'from memory': 'Handbook value, cited from memory',
  ours: 'Our own',
} as const;

/** Formula, letters and source of a method, with the numbers of a figure where there is one. */
export function Working({ figure, method }: { figure?: Figure; method: string }) {
  const m = methodOf(method);
  const { q } = useUnits();
  return (
    <Box>
      <Typography sx={{ ...figures, fontSize: 13, mb: 1, whiteSpace: 'pre-wrap' }}>{m.formula}</Typography>
      <Box
        component="table"
        aria-label={`Letters of: ${m.title}`}
        sx={{
          borderCollapse: 'collapse',
          width: '100%',
          fontSize: 13,
          '& td, & th': { py: 0.25, pr: 1.5, verticalAlign: 'top', textAlign: 'left', fontWeight: 400 },
        }}
      >
        <tbody>
          {Object.entries(m.inputs).map(([name, l]) => (
            <tr key={name}>
              <Box component="th" scope="row" sx={{ ...figures, whiteSpace: 'nowrap' }}>
                {l.letter}
              </Box>
              <td>{l.meaning}</td>
              {figure && (
                <Box component="td" sx={{ ...figures, textAlign: 'right !important', whiteSpace: 'nowrap' }}>
                  {q({ kind: l.kind, value: figure.inputs[name]! })}
                </Box>
              )}
            </tr>
          ))}
          <Box component="tr" sx={{ borderTop: 1, borderColor: 'divider', '& > *': { fontWeight: '700 !important' } }}>
            <Box component="th" scope="row" sx={{ ...figures }}>
              {m.result.letter}
            </Box>
            <td>{m.result.meaning}</td>
            {figure && (
              <Box component="td" sx={{ ...figures, textAlign: 'right !important', whiteSpace: 'nowrap' }}>
                {q(figure)}
              </Box>
            )}
          </Box>
        </tbody>
      </Box>
      {figure?.work && <Elements work={figure.work} />}
      {figure && <HowSure figure={figure} />}
      <Typography variant="body2" sx={{ mt: 1, color: 'text.secondary' }}>
        {BASIS[m.basis]}. {m.source}
      </Typography>
    </Box>
  );
}

/** What a figure may come to, what of it is not known, and what to measure to know it better. */
function HowSure({ figure }: { figure: Figure }) {
  const hand = useHandAtWork();
  const { spanWords } = useUnits();
  const m = methodOf(figure.method);
  const own = knownOfHand(hand);
  const found = figure.work
    ? { ...spanOf(hand, figure.work), doubts: [{ name: 'pace' as const, measured: own.pace ?? 0 }] }
    : spanOfFigure(m, figure, own);
  const learnt = figure.work && 'learntFrom' in hand && hand.learnt ? hand.learntFrom : null;
  if (!found || found.likely <= 0) return null;
  return (
    <Box sx={{ mt: 1, fontSize: 13 }}>
      <b>It may come to {spanWords(found, figure.kind)}.</b>
      <Box component="ul" aria-label="What is not known for sure" sx={{ m: 0, pl: 2.25 }}>
        {found.doubts.map(({ name, measured }) => (
          <li key={name}>
            {DOUBTS[name].of}:{' '}
            {learnt && name === 'pace'
              ? learntWords(learnt)
              : measured > 0
                ? `yours, measured ${times(measured)}`
                : 'a first value of ours'}
            . {learnt && name === 'pace' ? '' : sharpened(name)}
          </li>
        ))}
      </Box>
    </Box>
  );
}

/** What a rate was learned from. */
const learntWords = ({ entries, pieces }: { readonly entries: number; readonly pieces: number }): string =>
  `learned from ${entries} rows and steps on ${pieces} ${pieces === 1 ? 'piece' : 'pieces'}`;

const times = (n: number): string => (n === 1 ? 'once' : n === 2 ? 'twice' : `${n} times`);

/** What a time is made up of: every element, how often, and what it takes each time. */
function Elements({ work }: { work: NonNullable<Figure['work']> }) {
  const hand = useHandAtWork();
  const list = ELEMENT_NAMES.filter((e) => (work[e] ?? 0) > 0);
  const hundredth = (n: number) => Math.round(n * 100) / 100;
  const often = (n: number) => (n < 10 ? String(Math.round(n * 10) / 10) : String(Math.round(n)));
  return (
    <Box
      component="table"
      aria-label="Elements of this work"
      sx={{
        mt: 1,
        borderCollapse: 'collapse',
        width: '100%',
        fontSize: 13,
        '& td, & th': { pr: 1.5, textAlign: 'left', fontWeight: 400 },
      }}
    >
      <tbody>
        {list.map((e) => {
          const t = minutesFor(hand, e);
          return (
            <tr key={e}>
              <th scope="row">{ELEMENTS[e].does}</th>
              <Box component="td" sx={{ ...figures, whiteSpace: 'nowrap', textAlign: 'right !important' }}>
                {often(work[e]!)} × {hundredth(t.low)} to {hundredth(t.high)} min
              </Box>
            </tr>
          );
        })}
      </tbody>
    </Box>
  );
}

export function OpenedFigure({ figure, children }: { figure: Figure; children?: ReactNode }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const { q } = useUnits();
  const id = useId();
  const m = methodOf(figure.method);
  return (
    <>
      <ButtonBase
        data-inline=""
        onClick={(e) => setAt(e.currentTarget)}
        aria-haspopup="dialog"
        aria-expanded={at !== null}
        title={`How ${m.title.toLowerCase()} is worked out`}
        sx={{
          font: 'inherit',
          fontWeight: 700,
          color: 'inherit',
          verticalAlign: 'baseline',
          borderBottom: '1px dotted',
          borderColor: 'primary.main',
          lineHeight: 1.25,
          '&:hover': { color: 'primary.main' },
        }}
      >
        {children ?? q(figure)}
      </ButtonBase>
      <Popover
        open={at !== null}
        anchorEl={at}
        onClose={() => setAt(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{
          paper: {
            role: 'dialog',
            'aria-labelledby': id,
            sx: { p: 2, maxWidth: 440, border: 1, borderColor: 'divider' },
          },
        }}
      >
        <Typography id={id} variant="h3" sx={{ mb: 1 }}>
          {m.title}
        </Typography>
        <Working figure={figure} method={figure.method} />
      </Popover>
    </>
  );
}
