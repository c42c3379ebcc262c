'use client';
/** Whose hand is at work, where several makers share a computer; hands saved to files and read from them. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { handSchema, type Hand } from '@/core/piece/hand';
import { saveRecordFile } from '@/desk/files';
import { newHand, openHandFile, otherHands, workAs } from '@/desk/hands';
import { inWords } from '@/desk/storage';
import { editHand, say, useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { Fields } from '@/ui/parts/Fields';
import { FileButton } from '@/ui/parts/FileButton';
import { PickField } from '@/ui/parts/PickField';

export function Hands() {
  const hand = useDesk((s) => s.hand);
  const [others, setOthers] = useState<readonly Hand[]>([]);
  const [fresh, setFresh] = useState<string | null>(null);
  useEffect(() => {
    let gone = false;
    void otherHands()
      .then((all) => !gone && setOthers(all))
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [hand.id]);
  const done = (work: Promise<unknown>) => void work.catch((e: unknown) => say(`It could not be kept: ${inWords(e)}.`));
  const begin = () => {
    const name = fresh?.trim().slice(0, 40) ?? '';
    if (name !== '') done(newHand(name));
    setFresh(null);
  };
  return (
    <Box component="section" aria-label="Whose hand">
      <Fields
        schema={handSchema}
        value={hand}
        keys={['name']}
        onChange={(change) => editHand((d) => void Object.assign(d, change))}
      />
      {others.length > 0 && (
        <PickField
          label="At work"
          value={hand.id}
          options={[hand, ...others].map((h) => ({ value: h.id, says: h.name }))}
          onChange={(id) => id !== hand.id && done(workAs(id))}
        />
      )}
      {fresh !== null && (
        <TextField
          label="Name of the other maker"
          value={fresh}
          autoFocus
          fullWidth
          sx={{ mt: 1 }}
          onChange={(e) => setFresh(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter') begin();
            if (e.key === 'Escape') setFresh(null);
          }}
        />
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, my: 1 }}>
        {fresh === null ? (
          <EditButton onClick={() => setFresh('')}>Another maker</EditButton>
        ) : (
          <EditButton variant="contained" disabled={fresh.trim() === ''} onClick={begin}>
            Begin with first values
          </EditButton>
        )}
        <EditButton onClick={() => saveRecordFile(`fond-badger-${hand.id}`, hand)}>Save this hand to a file</EditButton>
        <FileButton
          says="Read a hand from a file"
          label="Hand file"
          accept="application/json,.json"
          onFile={(file) =>
            done(
              file
                .text()
                .then(openHandFile)
                .then((read) => {
                  if (!read.ok) say(`The hand was not taken: ${read.problems[0]!.where}: ${read.problems[0]!.says}`);
                }),
            )
          }
        />
      </Box>
    </Box>
  );
}
