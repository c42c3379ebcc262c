'use client';
/** A trial of half an hour on a practice ball: guided, timed by the watch beside it, and all rates it yields set at once. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { heldIn, nothingTried, TRIAL_PIECE, trialOf, trialSchema, type TrialDone } from '@/core/coat/hand-trial';
import { editHand, say, useDesk } from '@/desk/store';
import { clock, useNow } from '@/ui/bench/clock';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { Ruled } from '@/ui/parts/Panel';
import { SmallTable } from '@/ui/parts/SmallTable';
import { useUnits } from '@/ui/parts/useUnits';

type Key = keyof TrialDone;
interface TrialStep {
  readonly title: string;
  readonly how: string;
  readonly keys: readonly Key[];
  /** What the watch fills in. */
  readonly timed?: 'minutes' | 'blendMinutes';
}

const STEPS: readonly TrialStep[] = [
  {
    title: 'A pinch',
    how: 'From combed top, draw off ten pinches as you would for a row, and weigh them together.',
    keys: ['tenPinchesG'],
  },
  {
    title: 'A fold',
    how: 'Cut one lock even, lay its middle over a line on the ball, needle it in, fold it and needle the fold. Measure one side.',
    keys: ['cutMm', 'standsMm'],
  },
  {
    title: 'Five rows',
    how: 'Draw five lines on the ball. Start the watch, lay a row on each as on a piece, felt and tug at it, stop the watch.',
    keys: ['rows', 'rowMm', 'pinches', 'minutes'],
    timed: 'minutes',
  },
  {
    title: 'How they lie',
    how: 'Measure from the first root line to the last, tug at every row once more, fluff the fur and measure its height; weigh what is left of the wool.',
    keys: ['spacingMm', 'takeMm', 'loose', 'woolG', 'heightMm'],
  },
  { title: 'Stabs', how: 'Count your stabs along one centimetre of a row, once over it.', keys: ['stabs'] },
  {
    title: 'A blend',
    how: 'Two wools for a small area: start the watch, pull them apart and together until no streak is left.',
    keys: ['blendMinutes'],
    timed: 'blendMinutes',
  },
];

export function Trial() {
  const hand = useDesk((s) => s.hand);
  const { q } = useUnits();
  const [open, setOpen] = useState(false);
  const [tried, setTried] = useState<TrialDone>(nothingTried);
  const set = (change: Partial<TrialDone>) => setTried((t) => ({ ...t, ...change }));
  if (!open)
    return (
      <EditButton sx={{ mt: 1 }} onClick={() => setOpen(true)}>
        Try your hand: half an hour on a practice ball
      </EditButton>
    );
  const { hand: next, yields } = trialOf(hand, tried);
  const held = heldIn(tried);
  const setAll = () => {
    editHand(() => ({
      ...next,
      done:
        held === null
          ? hand.done
          : [
              ...hand.done.filter((d) => d.pieceId !== TRIAL_PIECE),
              {
                pieceId: TRIAL_PIECE,
                name: 'Trial on a ball',
                at: new Date().toISOString(),
                done: [{ of: 'spacing', way: 'fold-over', work: null, asked: tried.spacingMm, actual: held }],
              },
            ],
    }));
    say(`${yields.length} ${yields.length === 1 ? 'rate is' : 'rates are'} set from the trial. Undo takes them back.`);
    setTried(nothingTried);
    setOpen(false);
  };
  return (
    <Ruled aria-label="Trial" title="Half an hour on a practice ball">
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        Take a felted ball of a fist’s size, combed top, your usual needle, scales and a rule. Needles are sharp: stab
        away from the hand that holds the ball. What you leave out stays as it is.
      </Typography>
      {STEPS.map((s, i) => (
        <Ruled key={s.title} title={`${i + 1}. ${s.title}`}>
          <Typography variant="body2">{s.how}</Typography>
          {s.timed && <Watch of={s.title} onStop={(minutes) => set({ [s.timed!]: minutes })} />}
          <Fields schema={trialSchema} value={tried} keys={s.keys} onChange={set} />
        </Ruled>
      ))}
      {held !== null && (
        <Typography variant="body2" sx={{ my: 1 }}>
          Your rows lie {q({ kind: 'fine', value: held })} apart where {q({ kind: 'fine', value: tried.spacingMm })}{' '}
          were meant. It counts as one measure of your spacing: from three on, here and at the bench, the plan learns
          it.
        </Typography>
      )}
      {yields.length > 0 && (
        <SmallTable
          label="What the trial yields"
          head={['Rate', 'was', 'is']}
          rows={yields.map((y) => [
            y.says,
            y.was === null ? 'not known' : q({ kind: y.kind, value: y.was }),
            q({ kind: y.kind, value: y.is }),
          ])}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1, mt: 1 }}>
        <EditButton variant="contained" disabled={yields.length === 0 && held === null} onClick={setAll}>
          Set them all
        </EditButton>
        <EditButton onClick={() => setOpen(false)}>Close</EditButton>
      </Box>
    </Ruled>
  );
}

function Watch({ of, onStop }: { of: string; onStop: (minutes: number) => void }) {
  const [since, setSince] = useState<number | null>(null);
  const now = useNow(since !== null);
  const stop = () => {
    if (since !== null) onStop(Math.max(0.5, Math.round((Date.now() - since) / 6000) / 10));
    setSince(null);
  };
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', my: 0.5 }}>
      <EditButton onClick={() => (since === null ? setSince(Date.now()) : stop())}>
        {since === null ? `Start the watch: ${of.toLowerCase()}` : 'Stop the watch'}
      </EditButton>
      {since !== null && <span role="timer">{clock(Math.max(0, now - since))}</span>}
    </Box>
  );
}
