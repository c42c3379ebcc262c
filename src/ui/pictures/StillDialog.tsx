'use client';
/** The finished animal worked out fibre by fibre: from which side, by which light, how large; seen, and saved as PNG. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { LIGHTINGS } from '@/core/picture/lighting';
import { saveBlob } from '@/desk/files';
import { workOutStill } from '@/desk/still';
import { useDesk } from '@/desk/store';
import type { View } from '@/desk/view';
import { InsteadOfPicture } from '@/ui/parts/Panel';
import { CheckField } from '@/ui/parts/CheckField';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';

const FROM = {
  seen: 'as it is turned now',
  aslant: 'aslant from the front',
  left: 'the left',
  right: 'the right',
  front: 'the front',
  above: 'above',
  face: 'the face, near',
  sheet: 'all sides, on one sheet',
} as const;
type From = keyof typeof FROM;
const SIZES = { screen: [1200, 900], paper: [1600, 1200], large: [2400, 1800] } as const;
const SIZE_WORDS = { screen: '1200 × 900', paper: '1600 × 1200', large: '2400 × 1800, slow' } as const;
type Size = keyof typeof SIZES;
type Light = keyof typeof LIGHTINGS;

interface Made {
  readonly url: string;
  readonly blob: Blob;
  readonly says: string;
}

export function StillDialog({ view, onClose }: { view: Pick<View, 'yaw' | 'pitch'>; onClose: () => void }) {
  const plan = useDesk((s) => s.plan);
  const piece = useDesk((s) => s.piece);
  const [from, setFrom] = useState<From>('seen');
  const [light, setLight] = useState<Light>('window');
  const [size, setSize] = useState<Size>('screen');
  const [named, setNamed] = useState(false);
  const { units } = useUnits();
  const [share, setShare] = useState<number | null>(null);
  const [made, setMade] = useState<Made | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), []);
  useEffect(() => () => (made ? URL.revokeObjectURL(made.url) : undefined), [made]);
  if (!piece || !plan) return null;

  const work = async () => {
    const [width, height] = SIZES[size];
    setWrong(null);
    setShare(0);
    const job = workOutStill(
      {
        from: from === 'seen' ? { yaw: view.yaw, pitch: view.pitch } : from,
        width,
        height,
        light,
        named: named ? units : null,
      },
      setShare,
    );
    if (!job) return;
    stop.current = job.stop;
    try {
      const blob = await job.done;
      if (blob)
        setMade({
          blob,
          url: URL.createObjectURL(blob),
          says: `${piece.name}${from === 'seen' || from === 'sheet' ? ',' : ' from'} ${FROM[from]}, ${LIGHTINGS[light].name}`,
        });
    } catch (e) {
      setWrong(e instanceof Error ? e.message : String(e));
    }
    setShare(null);
  };
  const pick = <T extends string>(label: string, words: Readonly<Record<T, string>>, value: T, on: (v: T) => void) => (
    <PickField
      label={label}
      value={value}
      options={(Object.keys(words) as T[])
        .filter((k) => k !== 'face' || plan.face)
        .map((k) => ({ value: k, says: words[k] }))}
      disabled={share !== null}
      onChange={(v) => on(v as T)}
    />
  );
  const lights = Object.fromEntries(Object.entries(LIGHTINGS).map(([k, l]) => [k, l.name])) as Record<Light, string>;
  return (
    <Dialog open onClose={onClose} maxWidth="lg" fullWidth aria-labelledby="still-title">
      <DialogTitle id="still-title">Picture of the finished animal</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: '1fr 1fr 1fr' }, columnGap: 3 }}>
          {pick('Seen from', FROM, from, setFrom)}
          {pick('Light', lights, light, setLight)}
          {pick('Size', SIZE_WORDS, size, setSize)}
        </Box>
        <CheckField label="with its name and a scale bar" value={named} disabled={share !== null} onChange={setNamed} />
        <Box
          aria-busy={share !== null}
          sx={{
            aspectRatio: '4 / 3',
            maxHeight: '56vh',
            mx: 'auto',
            my: 1,
            bgcolor: 'desk.stage',
            display: 'grid',
            placeItems: 'center',
          }}
        >
          {share !== null ? (
            <Box sx={{ width: '60%' }}>
              <LinearProgress variant="determinate" value={100 * share} aria-label="Working the picture out" />
            </Box>
          ) : made ? (
            // A picture made here: nothing to be fetched or sized by the framework.
            // eslint-disable-next-line @next/next/no-img-element
            <img src={made.url} alt={made.says} style={{ maxWidth: '100%', maxHeight: '56vh' }} />
          ) : (
            <InsteadOfPicture sx={{ p: 2 }}>
              Every fibre is drawn as the plan lays it: its length, its lift, its colours. It takes about half a minute.
            </InsteadOfPicture>
          )}
        </Box>
        {wrong && (
          <Typography role="alert" sx={{ color: 'error.main' }}>
            It could not be worked out: {wrong}.
          </Typography>
        )}
      </DialogContent>
      <DialogActions sx={{ flexWrap: 'wrap', gap: 1 }}>
        <Button onClick={onClose}>Close</Button>
        {made && share === null && (
          <Button onClick={() => saveBlob(`${piece.id}-${from === 'seen' ? 'picture' : from}.png`, made.blob)}>
            Save as PNG
          </Button>
        )}
        {share !== null ? (
          <Button variant="contained" onClick={() => stop.current()}>
            Stop
          </Button>
        ) : (
          <Button variant="contained" onClick={() => void work()}>
            {made ? 'Work it out anew' : 'Work it out'}
          </Button>
        )}
      </DialogActions>
    </Dialog>
  );
}
