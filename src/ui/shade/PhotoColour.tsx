'use client';
/** A colour taken from a photograph that is not kept: the wool beside a grey card. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { say } from '@/desk/store';
import { FileButton } from '@/ui/parts/FileButton';
import { PhotoPicker, type Card } from './PhotoPicker';
import { loadPixels, type Loaded } from './picture-file';

export function PhotoColour({ onPick }: { onPick: (hex: string) => void }) {
  const [loaded, setLoaded] = useState<(Loaded & { name: string }) | null>(null);
  const [card, setCard] = useState<Card | null>(null);
  useEffect(() => () => void (loaded && URL.revokeObjectURL(loaded.url)), [loaded]);
  return (
    <Box>
      <FileButton
        says="From a photograph"
        label="Photograph to take a colour from"
        accept="image/*"
        onFile={(file) =>
          void loadPixels(file)
            .then((l) => {
              setLoaded({ ...l, name: file.name });
              setCard(null);
            })
            .catch((x: Error) => say(`${file.name}: ${x.message}`))
        }
      />
      {loaded && (
        <>
          <PhotoPicker loaded={loaded} name={loaded.name} card={card} onCard={setCard} onPick={onPick} />
          <Button onClick={() => setLoaded(null)}>Put the photograph away</Button>
        </>
      )}
    </Box>
  );
}
