'use client';
/** A note on what is in hand, to be read again in the log. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { writeNote } from '@/desk/bench';
import { EditButton, useEditable } from '@/ui/parts/Editable';

const LONGEST = 2000;

export function NoteField({ id, about }: { id: string; about: string }) {
  const disabled = !useEditable();
  const [note, setNote] = useState('');
  return (
    <Box
      component="form"
      sx={{ mt: 1, display: 'grid', gap: 1, justifyItems: 'start' }}
      onSubmit={(e) => {
        e.preventDefault();
        if (note.trim()) writeNote(about, note.trim());
        setNote('');
      }}
    >
      <TextField
        id={id}
        label="Note"
        multiline
        fullWidth
        value={note}
        disabled={disabled}
        onChange={(e) => setNote(e.target.value.slice(0, LONGEST))}
        onKeyDown={(e) => {
          if (e.key === 'Escape') (e.target as HTMLElement).blur();
        }}
      />
      <EditButton type="submit" disabled={note.trim() === ''}>
        Write the note down
      </EditButton>
    </Box>
  );
}
