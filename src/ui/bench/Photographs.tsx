'use client';
/** Photographs of how it stands, taken at the bench: kept beside the piece, the animal turned the same way and the reference beside them. */
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { lensFor } from '@/core/picture/viewpoints';
import type { LogEntry } from '@/core/piece/log-entry';
import { photographed } from '@/desk/photograph';
import { putRight, takeOut } from '@/desk/put-right';
import { setView, useDesk } from '@/desk/store';
import { EditButton } from '@/ui/parts/Editable';
import { FileButton } from '@/ui/parts/FileButton';
import { PickField } from '@/ui/parts/PickField';
import { shapeOfPicture, smaller } from '@/ui/parts/picture-size';
import { usePicture } from '@/ui/parts/usePicture';
import { useThrough } from '@/ui/parts/useThrough';
import { useUnits } from '@/ui/parts/useUnits';

type Photo = Extract<LogEntry, { kind: 'photo' }>;

const taken = (at: string) => new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });

export function Photographs({ operationId }: { operationId: string | null }) {
  const log = useDesk((s) => s.piece!.log);
  const references = useDesk((s) => s.piece!.references);
  const [busy, setBusy] = useState(false);
  const [beside, setBeside] = useState<string>('');
  const photos = log.flatMap((e) => (e.kind === 'photo' ? [e] : [])).reverse();
  const add = async (file: File) => {
    setBusy(true);
    try {
      if ((await shapeOfPicture(file)) === null) return;
      await photographed(operationId, await smaller(file));
    } finally {
      setBusy(false);
    }
  };
  return (
    <>
      <Typography variant="h2" component="h2" sx={{ mb: 1 }}>
        Photographs
      </Typography>
      <Typography sx={{ fontSize: 13, mb: 1 }}>
        Turn the animal as you hold the piece, then take it: later the two can be laid side by side again.
      </Typography>
      <FileButton
        says={busy ? 'Taking it in' : 'Take or choose a photograph'}
        label="Photograph of the piece"
        accept="image/*"
        disabled={busy}
        onFile={(f) => void add(f)}
      />
      {references.length > 0 && photos.length > 0 && (
        <PickField
          label="Reference beside them"
          value={beside}
          options={[{ value: '', says: 'none' }, ...references.map((r) => ({ value: r.id, says: r.name }))]}
          onChange={setBeside}
        />
      )}
      {photos.length === 0 && <Typography sx={{ fontSize: 13, mt: 1 }}>None yet.</Typography>}
      {beside !== '' && <Picture id={beside} says={references.find((r) => r.id === beside)?.name ?? ''} />}
      {photos.map((p) => (
        <One key={p.id} photo={p} />
      ))}
    </>
  );
}

function Picture({ id, says }: { id: string; says: string }) {
  const url = usePicture(id);
  if (url === null) return <Box sx={{ fontSize: 13, my: 0.5 }}>The picture is not in this browser.</Box>;
  return (
    <Box sx={{ my: 0.5, minHeight: 40 }}>
      {url && <Box component="img" src={url} alt={says} sx={{ maxWidth: '100%', maxHeight: 320, display: 'block' }} />}
    </Box>
  );
}

/** As large as a photograph is shown beside it, dots. */
const BESIDE = { width: 720, height: 540, zoom: 1.1 } as const;

/** The animal as it will be, turned as the piece was held when it was taken. */
function AsItWillBe({ seen }: { seen: NonNullable<Photo['seen']> }) {
  const plan = useDesk((s) => s.plan);
  const lens = useMemo(
    () => plan && lensFor(plan, { ...BESIDE, turned: { yaw: seen.yawDeg, pitch: seen.pitchDeg } }),
    [plan, seen.yawDeg, seen.pitchDeg],
  );
  const { url, finished } = useThrough(lens, 'window');
  return (
    <Box sx={{ my: 0.5, bgcolor: 'desk.stage', aspectRatio: `${BESIDE.width} / ${BESIDE.height}`, maxHeight: 320 }}>
      {url && (
        <Box
          component="img"
          src={url}
          alt="The animal as it will be, turned the same way"
          data-finished={finished}
          sx={{ maxWidth: '100%', maxHeight: 320, display: 'block' }}
        />
      )}
      {!finished && (
        <Box role="status" sx={{ p: 1, fontSize: 13 }}>
          It is being drawn, fibre by fibre.
        </Box>
      )}
    </Box>
  );
}

function One({ photo }: { photo: Photo }) {
  const { t } = useUnits();
  const step = useDesk((s) => s.plan?.work.steps.find((x) => x.operation.id === photo.operation)?.operation);
  const [words, setWords] = useState<string | null>(null);
  const [held, setHeld] = useState(false);
  const { seen } = photo;
  return (
    <Box
      component="figure"
      aria-label={`Photograph of ${taken(photo.at)}`}
      sx={{ m: 0, mt: 1.5, pt: 1, borderTop: 1, borderColor: 'divider', fontSize: 13 }}
    >
      {held && seen && <AsItWillBe seen={seen} />}
      <Picture id={photo.id} says={photo.words || `How it stood on ${taken(photo.at)}`} />
      <Box component="figcaption">
        {taken(photo.at)}
        {step ? `, at: ${t(step.does)}` : ''}
        {photo.words && words === null ? `. ${photo.words}` : ''}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5, alignItems: 'flex-start' }}>
        {seen && (
          <EditButton onClick={() => setView({ yaw: seen.yawDeg, pitch: seen.pitchDeg })}>
            Turn the animal so
          </EditButton>
        )}
        {seen && (
          <Button variant="outlined" aria-pressed={held} onClick={() => setHeld(!held)}>
            {held ? 'Without the finished animal' : 'Beside the finished animal'}
          </Button>
        )}
        {words === null ? (
          <EditButton onClick={() => setWords(photo.words)}>Write to it</EditButton>
        ) : (
          <TextField
            label="Words to it"
            fullWidth
            multiline
            autoFocus
            value={words}
            onChange={(e) => setWords(e.target.value.slice(0, 2000))}
            onBlur={() => {
              putRight(photo.id, { words: words.trim() });
              setWords(null);
            }}
          />
        )}
        <EditButton onClick={() => takeOut(photo.id)}>Remove</EditButton>
      </Box>
    </Box>
  );
}
