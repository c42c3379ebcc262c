'use client';
/**
 * A photograph with landmarks pinned on it. The landmark to pin next is chosen beside it; a press puts it there, and every
 * pin is moved by hand, or by arrows when it has the focus.
 */
import Box from '@mui/material/Box';
import { marksFor, MARK_NAMES, type PinMark } from '@/core/face/head/mark-names';
import type { Midline } from '@/core/face/level/symmetry';
import { facePhotoSchema, type FacePhoto } from '@/core/piece/face';
import { setView, useDesk } from '@/desk/store';
import { Fields } from '@/ui/parts/Fields';
import { Handle, onDrawing } from '@/ui/parts/Handle';
import { editFace, useFace } from './face-store';
import { usePicture } from '@/ui/parts/usePicture';
import { EditButton } from '@/ui/parts/Editable';
import { CHOSEN, HARM, SHEET } from '@/ui/pictures/colours';

const editPhoto = (id: string, recipe: (p: FacePhoto) => void): void =>
  editFace((f) => {
    const p = f.photos.find((x) => x.id === id);
    if (p) recipe(p);
  });

const keep = (x: number): number => Math.max(-1, Math.min(2, Math.round(x * 1e5) / 1e5));

/** The landmark that is pinned by the next press: the one chosen, else the first that is missing. */
function nextMark(photo: FacePhoto, chosen: string | null): PinMark | null {
  const marks = marksFor(photo.of, photo.side);
  if (chosen && marks.includes(chosen as PinMark)) return chosen as PinMark;
  return marks.find((m) => !photo.pins.some((p) => p.mark === m)) ?? null;
}

/** @param line the fitted midline with its scale, drawn over the picture */
export function PhotoPins({
  photo,
  line,
}: {
  photo: FacePhoto;
  line?: { midline: Midline; mmPerWidth: number } | null;
}) {
  const f = useFace();
  const picture = usePicture(photo.id);
  const chosen = useDesk((s) => s.view.faceMark);
  const canEdit = f?.canEdit ?? false;
  const mark = nextMark(photo, chosen);
  const h = 1 / photo.aspect;
  const r = 0.011;
  const put = (id: PinMark, to: [number, number]) =>
    editPhoto(photo.id, (p) => {
      const pin = p.pins.find((x) => x.mark === id);
      if (pin) pin.at = to;
      else p.pins.push({ mark: id, at: to });
    });
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      {picture === null && (
        <Box
          role="note"
          sx={{ position: 'absolute', left: 12, top: 12, zIndex: 1, bgcolor: 'background.paper', p: 1, fontSize: 13 }}
        >
          The picture itself is not in this browser. Add the same file again; its pins stay.
        </Box>
      )}
      <Box
        component="svg"
        viewBox={`-0.03 ${-0.03 * h} 1.06 ${1.06 * h}`}
        role="group"
        aria-label={`${photo.name} with its landmarks`}
        data-photo={photo.id}
        sx={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          cursor: canEdit && mark ? 'crosshair' : 'default',
          color: 'text.primary',
        }}
        onClick={(e) => {
          // On another pin only a landmark that was chosen is put down: else that pin is meant.
          if (!canEdit || !mark || (chosen === null && (e.target as Element).closest('[data-pin]'))) return;
          const to = onDrawing(e.currentTarget as unknown as SVGSVGElement, e);
          if (!to) return;
          put(mark, [keep(to.x), keep(to.y * photo.aspect)]);
          setView({ faceMark: null });
        }}
      >
        {picture ? (
          <image href={picture} x={0} y={0} width={1} height={h} preserveAspectRatio="none" />
        ) : (
          <rect
            x={0}
            y={0}
            width={1}
            height={h}
            fill="none"
            stroke="currentColor"
            strokeWidth={0.003}
            strokeDasharray="0.01"
          />
        )}
        {line && (
          <line
            x1={(line.midline.at[0] - line.midline.along[0] * 1e3) / line.mmPerWidth}
            y1={-(line.midline.at[1] - line.midline.along[1] * 1e3) / line.mmPerWidth}
            x2={(line.midline.at[0] + line.midline.along[0] * 1e3) / line.mmPerWidth}
            y2={-(line.midline.at[1] + line.midline.along[1] * 1e3) / line.mmPerWidth}
            stroke={CHOSEN}
            strokeWidth={0.003}
            strokeDasharray="0.012 0.008"
          />
        )}
        {photo.pins.map((p) => {
          const out = line?.midline.outliers.some((o) => [o, `${o}-left`, `${o}-right`].includes(p.mark)) ?? false;
          return (
            <Handle
              key={p.mark}
              mark={p.mark}
              name={`Pin, ${MARK_NAMES[p.mark]}${out ? ': does not agree with the others' : ''}`}
              at={[p.at[0], p.at[1] * h]}
              px={r / 8}
              onArrow={(right, up) =>
                put(p.mark, [keep(p.at[0] + 0.002 * right), keep(p.at[1] - 0.002 * up * photo.aspect)])
              }
              onDrag={(x, y) => put(p.mark, [keep(x), keep(y * photo.aspect)])}
            >
              <circle cx={p.at[0]} cy={p.at[1] * h} r={r * 0.62} fill="none" stroke={SHEET} strokeWidth={0.006} />
              <circle
                cx={p.at[0]}
                cy={p.at[1] * h}
                r={r * 0.62}
                fill="none"
                stroke={out ? HARM : CHOSEN}
                strokeWidth={0.003}
              />
              <circle cx={p.at[0]} cy={p.at[1] * h} r={0.0018} fill={out ? HARM : CHOSEN} />
            </Handle>
          );
        })}
      </Box>
    </Box>
  );
}

/** Which landmark is pinned next, and which are. */
export function PinControls({ photo }: { photo: FacePhoto }) {
  const chosen = useDesk((s) => s.view.faceMark);
  const mark = nextMark(photo, chosen);
  return (
    <Box role="group" aria-label="Landmarks">
      {photo.of === 'animal' && (
        <Fields
          schema={facePhotoSchema}
          value={photo}
          keys={['side', 'strength']}
          onChange={(change) => editPhoto(photo.id, (p) => void Object.assign(p, change))}
        />
      )}
      <Box sx={{ fontSize: 13, my: 1 }} role="status">
        {mark ? (
          <>
            Press on the picture: <b>{MARK_NAMES[mark]}</b>.
          </>
        ) : (
          'All landmarks are pinned.'
        )}
      </Box>
      <Box component="ul" aria-label="Landmarks to pin" sx={{ listStyle: 'none', p: 0, m: 0 }}>
        {marksFor(photo.of, photo.side).map((m) => {
          const has = photo.pins.some((p) => p.mark === m);
          return (
            <Box component="li" key={m} sx={{ display: 'flex', gap: 0.5, mb: 0.25 }}>
              <EditButton
                variant={m === mark ? 'contained' : 'text'}
                aria-pressed={m === mark}
                onClick={() => setView({ faceMark: m })}
                sx={{ flex: 1, justifyContent: 'flex-start', minHeight: 26, py: 0 }}
              >
                {has ? '✓ ' : ''}
                {MARK_NAMES[m]}
              </EditButton>
              {has && (
                <EditButton
                  aria-label={`Take the pin of ${MARK_NAMES[m]} out`}
                  onClick={() => editPhoto(photo.id, (p) => void (p.pins = p.pins.filter((x) => x.mark !== m)))}
                  sx={{ minWidth: 0, px: 1, minHeight: 26, py: 0 }}
                >
                  ×
                </EditButton>
              )}
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
