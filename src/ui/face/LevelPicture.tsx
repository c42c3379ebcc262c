'use client';
/** The photograph of the real face: pinned, or laid over the chart by its pins beside the chart alone. */
import Box from '@mui/material/Box';
import { useDesk } from '@/desk/store';
import { Drawn, useFaceDrawings } from './FaceChart';
import { useFace } from './face-store';
import { Laid } from './LaidPhoto';
import { useLevelNow } from './LevelRoom';
import { PhotoPins } from './PhotoPins';
import { usePhoto } from './PhotoList';
import { InsteadOfPicture } from '@/ui/parts/Panel';

export function LevelPicture() {
  const f = useFace();
  const photo = usePhoto('piece');
  const drawings = useFaceDrawings();
  const now = useLevelNow();
  const over = useDesk((s) => s.view.photoOver);
  if (!f?.plan) return <Box sx={{ flex: 1, bgcolor: 'desk.stage' }} />;
  if (!photo) {
    return (
      <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', bgcolor: 'desk.stage', p: 4 }}>
        <InsteadOfPicture>
          No photograph of the piece yet. Take one level and straight from the front, from at least 60 cm away, and add
          it on the left. Or enter calliper measures on the right.
        </InsteadOfPicture>
      </Box>
    );
  }
  if (!over || !drawings) {
    const line = now?.midline && now.mmPerWidth ? { midline: now.midline, mmPerWidth: now.mmPerWidth } : null;
    return <PhotoPins photo={photo} line={line} />;
  }
  const d = photo.side === 'front' ? drawings.front : drawings.profile;
  const w = d.max[0] - d.min[0];
  const h = d.max[1] - d.min[1];
  const px = w / 300;
  const panels = [
    { name: 'the photograph over the chart', photo: true, chart: true },
    { name: 'the photograph', photo: true, chart: false },
    { name: 'the chart', photo: false, chart: true },
  ];
  return (
    <Box
      sx={{
        flex: 1,
        minHeight: 0,
        display: 'grid',
        gridTemplateColumns: 'repeat(3, minmax(0, 1fr))',
        gap: 1,
        bgcolor: 'desk.stage',
        p: 1,
      }}
    >
      {panels.map((p) => (
        <Box key={p.name} sx={{ position: 'relative', minHeight: 0, border: 1, borderColor: 'divider' }}>
          <Box
            component="svg"
            viewBox={`${d.min[0]} ${-d.max[1]} ${w} ${h}`}
            role="img"
            aria-label={p.name}
            sx={{
              position: 'absolute',
              inset: 0,
              width: '100%',
              height: '100%',
              color: 'text.primary',
              overflow: 'hidden',
            }}
          >
            {p.photo && <Laid photo={{ ...photo, strength: p.chart ? 0.65 : 1 }} plan={f.plan!} />}
            {p.chart && <Drawn drawing={d} px={px} />}
          </Box>
          <Box sx={{ position: 'absolute', left: 6, top: 3, fontSize: 13 }}>{p.name}</Box>
        </Box>
      ))}
      {photo.pins.length < 2 && (
        <Box role="note" sx={{ gridColumn: '1 / -1', fontSize: 13 }}>
          Pin at least two landmarks, so that it can be laid over.
        </Box>
      )}
    </Box>
  );
}
