'use client';
/** Frame: the wire inside, how it runs, how long to cut it, and whether it fits and is enough. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { wiresFor } from '@/core/build/frame';
import { FRAME_KINDS, frameSchema } from '@/core/piece/schema';
import { editPiece, useDesk } from '@/desk/store';
import { CheckField } from '@/ui/parts/CheckField';
import { ChoiceRow } from '@/ui/parts/ChoiceRow';
import { FactList } from '@/ui/parts/FactList';
import { MeasureField } from '@/ui/parts/MeasureField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { PickField } from '@/ui/parts/PickField';
import { useUnits } from '@/ui/parts/useUnits';

const WORDS = {
  'one wire': 'one wire, doubled',
  'separate wires': 'separate wires',
  'pipe cleaner': 'pipe cleaners',
  none: 'none',
} as const;

export function FrameRoom({ findings }: { findings: ReactNode }) {
  const piece = useDesk((s) => s.piece)!;
  const frame = useDesk((s) => s.plan?.frame);
  const cupboard = useDesk((s) => s.cupboard);
  const { q } = useUnits();
  const f = piece.frame;
  const wires = wiresFor(f.kind, cupboard);
  return (
    <>
      {frame && (
        <Typography component="p" sx={{ fontSize: 18, lineHeight: 1.5, my: 1 }}>
          {frame.runs.length === 0 ? (
            'No wire inside: the felt alone must hold it up.'
          ) : (
            <>
              Cut <b>{q({ kind: 'rowLength', value: frame.totalMm })}</b> of{' '}
              {frame.wire ? frame.wire.name : `${q({ kind: 'length', value: frame.thickMm })} wire`}
              {frame.runs.length > 1 ? ` in ${frame.runs.length} pieces` : ' in one piece'}.
              {frame.room && (
                <>
                  {' '}
                  It leaves <OpenedFigure figure={frame.room} /> of wool on each side in {frame.roomPart?.toLowerCase()}
                  .
                </>
              )}
            </>
          )}
        </Typography>
      )}
      {findings}
      {frame && frame.runs.length > 0 && (
        <FactList
          label="Wires to cut"
          list={frame.runs.map((r) => ({ what: r.name, value: <OpenedFigure figure={r.cut} /> }))}
        />
      )}
      <Box role="group" aria-label="The frame" sx={{ display: 'grid', gap: 0.75 }}>
        <ChoiceRow
          label="Kind of frame"
          options={FRAME_KINDS.map((k) => ({ value: k, says: WORDS[k] }))}
          value={f.kind}
          onChange={(k) =>
            editPiece((d) => {
              d.frame.kind = k;
              if (!wiresFor(k, cupboard).some((w) => w.id === d.frame.wireId)) d.frame.wireId = null;
            })
          }
        />
        {f.kind !== 'none' && (
          <>
            <PickField
              label={f.kind === 'pipe cleaner' ? 'Pipe cleaner' : 'Wire'}
              value={f.wireId ?? ''}
              empty={wires.length === 0 ? 'None in the cupboard' : 'Choose a wire'}
              options={wires.map((w) => ({
                value: w.id,
                says: `${w.name}, ${q({ kind: 'rowLength', value: w.haveMm })}`,
              }))}
              disabled={wires.length === 0}
              onChange={(v) => editPiece((d) => void (d.frame.wireId = v))}
            />
            <Box>
              <CheckField
                label="into the head"
                value={f.head}
                onChange={(v) => editPiece((d) => void (d.frame.head = v))}
              />
              <CheckField
                label="into the tail"
                value={f.tail}
                onChange={(v) => editPiece((d) => void (d.frame.tail = v))}
              />
            </Box>
            <MeasureField
              label="Turned over at each end"
              kind="length"
              value={f.turnedMm}
              min={frameSchema.shape.turnedMm.minValue!}
              max={frameSchema.shape.turnedMm.maxValue!}
              onChange={(v) => editPiece((d) => void (d.frame.turnedMm = v))}
            />
            <MeasureField
              label="Waste"
              kind="share"
              value={f.wasteShare}
              min={0}
              max={0.5}
              onChange={(v) => editPiece((d) => void (d.frame.wasteShare = v))}
            />
            <Typography variant="body2" sx={{ color: 'text.secondary' }}>
              Turn every end over twice, and again after cutting, so that it cannot stab. Cut ends fly: hold both sides
              and look away.
            </Typography>
          </>
        )}
      </Box>
    </>
  );
}
