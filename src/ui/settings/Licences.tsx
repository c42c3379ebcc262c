'use client';
/** What ships with the program and by which licences. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';

export function Licences() {
  const [text, setText] = useState<string | null>(null);
  const show = async () => {
    if (text !== null) return setText(null);
    const answer = await fetch('/licences.txt').catch(() => null);
    setText(answer?.ok ? await answer.text() : 'The list could not be read; try again when the server answers.');
  };
  return (
    <>
      <Button onClick={() => void show()} aria-expanded={text !== null}>
        {text === null ? 'Show the licences' : 'Hide the licences'}
      </Button>
      {text !== null && (
        <Box
          component="pre"
          tabIndex={0}
          role="region"
          aria-label="Licences"
          sx={{
            mt: 1.5,
            mb: 0,
            maxHeight: 420,
            overflow: 'auto',
            fontSize: 13,
            whiteSpace: 'pre-wrap',
            fontFamily: 'inherit',
          }}
        >
          {text}
        </Box>
      )}
    </>
  );
}
