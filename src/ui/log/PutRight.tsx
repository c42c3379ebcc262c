'use client';
/** An entry put right: when it was, its minutes, its grams, its words. What it said before is kept. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { z } from 'zod';
import { boundsOf, kindOf } from '@/core/piece/fields';
import { logEntrySchema, type LogEntry } from '@/core/piece/log-entry';
import { wrongTime } from '@/core/log/when';
import { putRight } from '@/desk/put-right';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';

/** What begins a sitting is written down by itself. */
export const canBePutRight = (e: LogEntry): boolean => e.kind !== 'sitting';

/** An instant as a field for date and time has it, where the maker is; and back. */
const forDate = (at: string): string => {
  const d = new Date(at);
  return new Date(d.getTime() - d.getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
};

export function PutRight({ e, onClose }: { e: LogEntry; onClose: () => void }) {
  const [number, setNumber] = useState<number>('minutes' in e ? e.minutes : 'grams' in e ? e.grams : 0);
  const [words, setWords] = useState('words' in e ? e.words : '');
  const [when, setWhen] = useState(forDate(e.at));
  const [late, setLate] = useState<string | null>(null);
  const bounds = (key: 'minutes' | 'grams') => {
    const { least, most } = boundsOf((kindOf(logEntrySchema, e).shape as Record<string, z.core.$ZodType>)[key]!);
    return { min: least, max: most };
  };
  const save = () => {
    if (late) return;
    putRight(e.id, {
      ...(when === forDate(e.at) ? {} : { at: new Date(when).toISOString() }),
      ...('minutes' in e ? { minutes: number } : {}),
      ...(e.kind === 'wool' ? { grams: number } : {}),
      ...('words' in e && (words.trim() !== '' || e.kind !== 'note') ? { words: words.trim() } : {}),
    });
    onClose();
  };
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start', my: 1 }}>
      {'minutes' in e && (
        <MeasureField
          label="It took"
          kind="time"
          value={number}
          {...bounds('minutes')}
          onChange={setNumber}
          autoFocus
        />
      )}
      {e.kind === 'wool' && (
        <MeasureField
          label="Wool used"
          kind="mass"
          value={number}
          {...bounds('grams')}
          onChange={setNumber}
          autoFocus
        />
      )}
      {'words' in e && (
        <TextField
          label="Words"
          multiline
          fullWidth
          autoFocus
          value={words}
          onChange={(x) => setWords(x.target.value.slice(0, 2000))}
        />
      )}
      <TextField
        label="When"
        type="datetime-local"
        value={when}
        error={late !== null}
        helperText={late}
        onChange={(x) => {
          setWhen(x.target.value);
          setLate(wrongTime(new Date(x.target.value).getTime(), Date.now()));
        }}
        slotProps={{ inputLabel: { shrink: true } }}
      />
      <EditButton variant="contained" onClick={save}>
        Put right
      </EditButton>
      <EditButton onClick={onClose}>Leave it</EditButton>
    </Box>
  );
}
