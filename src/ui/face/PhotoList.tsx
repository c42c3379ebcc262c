'use client';
/** Photographs of the face: of the animal, laid behind the chart; or of the piece, to see whether it is level. */
import Box from '@mui/material/Box';
import type { FacePhoto } from '@/core/piece/face';
import { freshId } from '@/desk/files';
import { changePiece, setView, useDesk } from '@/desk/store';
import { keepPicture, shapeOfPicture } from '@/ui/parts/picture-size';
import { FileButton } from '@/ui/parts/FileButton';
import { Ticket, Tickets, UnderTickets } from '@/ui/parts/Ticket';
import { useFace } from './face-store';
import { EditButton } from '@/ui/parts/Editable';

const WORDS = { animal: 'Photographs of the animal', piece: 'Photographs of the piece' } as const;

/** The photograph in hand of one kind; the first where none is chosen. */
export function usePhoto(of: FacePhoto['of']): FacePhoto | null {
  const f = useFace();
  const id = useDesk((s) => s.view.facePhotoId);
  const own = f?.face.photos.filter((p) => p.of === of) ?? [];
  return own.find((p) => p.id === id) ?? own[0] ?? null;
}

export function PhotoList({ of }: { of: FacePhoto['of'] }) {
  const f = useFace();
  const chosen = usePhoto(of);
  const pieceId = useDesk((s) => s.piece?.id);
  if (!f || !pieceId) return null;
  const own = f.face.photos.filter((p) => p.of === of);
  const take = async (file: File) => {
    const aspect = await shapeOfPicture(file);
    if (aspect === null) return;
    const name = file.name.slice(0, 120) || 'photograph';
    // The same picture again brings back one that this browser had lost; its pins stay.
    const missing = own.find((r) => r.name === name && Math.abs(r.aspect - aspect) < 0.01);
    const id = missing?.id ?? freshId('face-photo');
    if (!(await keepPicture(pieceId, id, file))) return;
    if (!missing) {
      const side = of === 'piece' || !own.some((p) => p.side === 'front') ? 'front' : 'profile';
      changePiece((p) =>
        p.face
          ? {
              ...p,
              face: { ...p.face, photos: [...p.face.photos, { id, name, of, side, aspect, strength: 0.6, pins: [] }] },
            }
          : p,
      );
    }
    setView({ facePhotoId: id, faceMark: null });
  };
  return (
    <Box sx={{ borderTop: 1, borderColor: 'divider', pt: 1 }}>
      <Box component="h2" sx={{ px: 1.5, m: 0, fontSize: 13, fontWeight: 700 }}>
        {WORDS[of]}
      </Box>
      <Tickets label={WORDS[of]} of={own}>
        {(r) => (
          <Ticket
            on={r.id === chosen?.id}
            onClick={() => setView({ facePhotoId: r.id, faceMark: null })}
            name={r.name}
            words={`${r.side === 'front' ? 'from the front' : 'in profile'}, ${r.pins.length} pinned`}
          />
        )}
      </Tickets>
      <UnderTickets>
        <FileButton
          says="Add a photograph"
          label={`Photograph of the ${of} to add`}
          accept="image/*"
          disabled={f.face.photos.length >= 12}
          onFile={(file) => void take(file)}
        />
        {chosen && (
          <EditButton
            onClick={() =>
              changePiece((p) =>
                p.face ? { ...p, face: { ...p.face, photos: p.face.photos.filter((x) => x.id !== chosen.id) } } : p,
              )
            }
          >
            Take away
          </EditButton>
        )}
      </UnderTickets>
      <Box sx={{ px: 1.5, pb: 1, fontSize: 13, color: 'text.secondary' }}>
        {of === 'piece'
          ? 'Taken level, from at least 60 cm away, the nose pointing at the lens.'
          : 'Square on from the front or the side. They stay in this browser and are not part of the piece file.'}
      </Box>
    </Box>
  );
}
