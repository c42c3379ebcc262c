'use client';
/** The maker's pace: every element of the work with its minutes, each to be put right by what the maker has measured. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { handAtWork, NO_PIECE, type HandAtWork } from '@/core/rates/hand-at-work';
import { ELEMENT_NAMES, ELEMENTS, minutesFor, type ElementName, type Minutes } from '@/core/time/elements';
import { editHand, useDesk } from '@/desk/store';
import { MeasureField } from '@/ui/parts/MeasureField';

const PARTS = [
  { key: 'low', label: 'One time in ten quicker than' },
  { key: 'likely', label: 'Usually' },
  { key: 'high', label: 'One time in ten slower than' },
] as const;
const LEAST = 0.001;
const MOST = 960;

/** Minutes as they are read: short ones to a hundredth. */
const read = (m: number): string => String(m < 1 ? Math.round(m * 100) / 100 : Math.round(m * 10) / 10);

/** A change of one of the three that keeps them in their order. */
const put = (t: Minutes, key: keyof Minutes, value: number): Minutes =>
  key === 'low'
    ? { low: value, likely: Math.max(value, t.likely), high: Math.max(value, t.high) }
    : key === 'high'
      ? { low: Math.min(value, t.low), likely: Math.min(value, t.likely), high: value }
      : { low: Math.min(value, t.low), likely: value, high: Math.max(value, t.high) };

function Row({ name, taught }: { name: ElementName; taught: HandAtWork }) {
  const hand = useDesk((s) => s.hand);
  const [open, setOpen] = useState(false);
  const t = minutesFor(taught, name);
  const own = hand.times[name] !== undefined;
  const { does } = ELEMENTS[name];
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider', py: 0.5 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'baseline' }}>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {does}
          <Box component="span" sx={{ display: 'block', color: 'text.secondary' }}>
            {read(t.low)} to {read(t.high)} min, usually {read(t.likely)}
            {own ? ', your own' : taught.learnt ? ', learned from your log' : ''}
          </Box>
        </Typography>
        <Button
          size="small"
          aria-expanded={open}
          aria-label={`${open ? 'Close' : 'Change'}: ${does}`}
          onClick={() => setOpen(!open)}
        >
          {open ? 'Close' : 'Change'}
        </Button>
      </Box>
      {open && (
        <Box>
          {PARTS.map((p) => (
            <MeasureField
              key={p.key}
              label={`${p.label}, minutes`}
              kind="number"
              value={t[p.key]}
              min={LEAST}
              max={MOST}
              onChange={(v) => editHand((d) => void (d.times[name] = put(t, p.key, v)))}
            />
          ))}
          {own && (
            <Button size="small" onClick={() => editHand((d) => void delete d.times[name])}>
              {taught.learnt ? 'Back to what was learned' : 'Back to the first value'}
            </Button>
          )}
        </Box>
      )}
    </Box>
  );
}

export function PaceTable() {
  const hand = useDesk((s) => s.hand);
  const piece = useDesk((s) => s.piece);
  const taught = useMemo(() => handAtWork(hand, piece ?? NO_PIECE), [hand, piece]);
  return (
    <>
      <Typography variant="h3" sx={{ mt: 3 }}>
        Your pace
      </Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary', mb: 1 }}>
        Every step of a plan is made up of these. Time yourself at any of them and put it in; all pieces follow.
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {ELEMENT_NAMES.map((name) => (
          <Row key={name} name={name} taught={taught} />
        ))}
      </Box>
    </>
  );
}
