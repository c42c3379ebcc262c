'use client';
/** The bench as the maker wants it: keys, sounds, spoken lines, a stretch now and then, the surround. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import {
  BENCH_KEY_WORDS,
  BENCH_KEYS,
  benchSettingsSchema,
  keyWords,
  SOUND_WORDS,
  SOUNDS,
  STRETCH,
  USUAL_KEYS,
  withKey,
  withoutKey,
  type BenchKey,
  type BenchSettings,
} from '@/desk/bench-settings';
import { useDesk } from '@/desk/store';
import { useCanSpeak } from '@/ui/bench/voice';
import { play } from '@/ui/bench/sounds';
import { CheckField } from '@/ui/parts/CheckField';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';
import { Panel } from '@/ui/parts/Panel';

export function AtTheBench() {
  const bench = useDesk((s) => s.settings.bench);
  const set = (change: Partial<BenchSettings>) =>
    useDesk.setState((s) => ({ settings: { ...s.settings, bench: { ...s.settings.bench, ...change } } }));
  const speaks = useCanSpeak();
  return (
    <Panel title="At the bench" sx={{ display: 'grid', gap: 1 }}>
      <Typography variant="h3">Keys</Typography>
      <Typography variant="body2" sx={{ color: 'text.secondary' }}>
        A pedal or a clicker types keys: press it once where it is to be learned.
      </Typography>
      {BENCH_KEYS.map((k) => (
        <KeysOf key={k} of={k} keys={bench.keys} onKeys={(keys) => set({ keys })} />
      ))}
      <Box>
        <EditButton
          onClick={() => set({ keys: benchSettingsSchema.shape.keys.parse(JSON.parse(JSON.stringify(USUAL_KEYS))) })}
        >
          Back to the usual keys
        </EditButton>
      </Box>
      <Typography variant="h3">Sounds</Typography>
      {SOUNDS.map((s) => (
        <CheckField
          key={s}
          label={`a sound when ${SOUND_WORDS[s]}`}
          value={bench.sounds[s]}
          onChange={(on) => {
            set({ sounds: { ...bench.sounds, [s]: on } });
            if (on) play(s);
          }}
        />
      ))}
      <Typography variant="h3">Voice</Typography>
      {speaks ? (
        <CheckField
          label="the next row or step is read out"
          value={bench.speaks}
          onChange={(on) => set({ speaks: on })}
        />
      ) : (
        <Typography variant="body2">This browser has no voice of its own that reads out without the net.</Typography>
      )}
      <Typography variant="h3">Rest and light</Typography>
      <CheckField
        label="say when a stretch is due"
        value={bench.stretchMinutes !== null}
        onChange={(on) => set({ stretchMinutes: on ? STRETCH.usual : null })}
      />
      {bench.stretchMinutes !== null && (
        <MeasureField
          label="After so many minutes at work"
          kind="count"
          value={bench.stretchMinutes}
          min={STRETCH.least}
          max={STRETCH.most}
          onChange={(v) => set({ stretchMinutes: Math.round(v) })}
        />
      )}
      <CheckField label="a dim surround at the bench" value={bench.dim} onChange={(on) => set({ dim: on })} />
    </Panel>
  );
}

interface KeysOfProps {
  readonly of: BenchKey;
  readonly keys: BenchSettings['keys'];
  readonly onKeys: (keys: BenchSettings['keys']) => void;
}

function KeysOf({ of, keys, onKeys }: KeysOfProps) {
  const [learning, setLearning] = useState(false);
  const [no, setNo] = useState<string | null>(null);
  const words = BENCH_KEY_WORDS[of];
  return (
    <Box role="group" aria-label={words} sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center' }}>
      <Box sx={{ fontSize: 13, minWidth: 190 }}>{words}</Box>
      {keys[of].map((key) => (
        <EditButton
          key={key}
          disabled={keys[of].length === 1}
          aria-label={`${keyWords(key)}: take away`}
          onClick={() => onKeys(withoutKey(keys, of, key))}
        >
          {keyWords(key)}
          {keys[of].length > 1 ? ' ×' : ''}
        </EditButton>
      ))}
      <EditButton
        variant={learning ? 'contained' : 'text'}
        aria-pressed={learning}
        onClick={() => {
          setLearning(!learning);
          setNo(null);
        }}
        onKeyDown={(e) => {
          if (!learning || e.key === 'Tab' || e.key === 'Shift') return;
          e.preventDefault();
          e.stopPropagation();
          setLearning(false);
          if (e.key === 'Escape') return;
          const r = withKey(keys, of, e.key);
          if (r.ok) onKeys(r.keys);
          setNo(r.ok ? null : r.says);
        }}
        onKeyUp={(e) => e.preventDefault()}
        onBlur={() => setLearning(false)}
      >
        {learning ? 'Press the key' : 'Another key'}
      </EditButton>
      {no && (
        <Box role="alert" sx={{ fontSize: 13, color: 'error.main', flexBasis: '100%' }}>
          {no}
        </Box>
      )}
    </Box>
  );
}
