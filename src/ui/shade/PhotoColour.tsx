'use client';
/** A colour taken from a photograph that is not kept: the wool beside a grey card. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { say } from '@/desk/store';
import { PhotoPicker, type Card } from './PhotoPicker';
import { loadPixels, type Loaded } from './picture-file';

export function PhotoColour({ disabled = false, onPick }: { disabled?: boolean; onPick: (hex: string) => void }) {
  const input = useRef<HTMLInputElement>(null);
  const [loaded, setLoaded] = useState<(Loaded & { name: string }) | null>(null);
  const [card, setCard] = useState<Card | null>(null);
  useEffect(() => () => void (loaded && URL.revokeObjectURL(loaded.url)), [loaded]);
  return (
    <Box>
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        From a photograph
      </Button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        aria-label="Photograph to take a colour from"
        hidden
        onChange={(e) => {
          const file = e.target.files?.[0];
          e.target.value = '';
          if (!file) return;
          loadPixels(file)
            .then((l) => {
              setLoaded({ ...l, name: file.name });
              setCard(null);
            })
            .catch((x: Error) => say(`${file.name}: ${x.message}`));
        }}
      />
      {loaded && (
        <>
          <PhotoPicker
            loaded={loaded}
            name={loaded.name}
            card={card}
            disabled={disabled}
            onCard={setCard}
            onPick={onPick}
          />
          <Button onClick={() => setLoaded(null)}>Put the photograph away</Button>
        </>
      )}
    </Box>
  );
}
