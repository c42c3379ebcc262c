'use client';
/** An entry put right: its minutes, its grams, its words. What it said before is kept. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { z } from 'zod';
import { boundsOf, kindOf } from '@/core/piece/fields';
import { logEntrySchema, type LogEntry } from '@/core/piece/log-entry';
import { putRight } from '@/desk/bench';
import { EditButton } from '@/ui/parts/Editable';
import { MeasureField } from '@/ui/parts/MeasureField';

export const canBePutRight = (e: LogEntry): boolean =>
  'minutes' in e || e.kind === 'wool' || e.kind === 'note' || e.kind === 'wrong' || e.kind === 'searched';

export function PutRight({ e, onClose }: { e: LogEntry; onClose: () => void }) {
  const [number, setNumber] = useState<number>('minutes' in e ? e.minutes : 'grams' in e ? e.grams : 0);
  const [words, setWords] = useState('words' in e ? e.words : '');
  const bounds = (key: 'minutes' | 'grams') => {
    const { least, most } = boundsOf((kindOf(logEntrySchema, e).shape as Record<string, z.core.$ZodType>)[key]!);
    return { min: least, max: most };
  };
  const save = () => {
    if ('minutes' in e) putRight(e.id, { minutes: number });
    else if (e.kind === 'wool') putRight(e.id, { grams: number });
    else if ('words' in e && (words.trim() !== '' || e.kind !== 'note')) putRight(e.id, { words: words.trim() });
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
      <EditButton variant="contained" onClick={save}>
        Put right
      </EditButton>
      <EditButton onClick={onClose}>Leave it</EditButton>
    </Box>
  );
}
