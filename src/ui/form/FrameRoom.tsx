'use client';
/** Frame: the wire inside, how it runs, how long to cut it, and whether it fits and is enough. */
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { wiresFor } from '@/core/build/frame';
import { frameSchema } from '@/core/piece/schema';
import { editPiece, useDesk } from '@/desk/store';
import { FactList } from '@/ui/parts/FactList';
import { Fields } from '@/ui/parts/Fields';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { Sentence } from '@/ui/parts/Figures';

export function FrameRoom({ findings }: { findings: ReactNode }) {
  const piece = useDesk((s) => s.piece)!;
  const frame = useDesk((s) => s.plan?.frame);
  const cupboard = useDesk((s) => s.cupboard);
  const { q } = useUnits();
  const f = piece.frame;
  return (
    <>
      {frame && (
        <Sentence>
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
        </Sentence>
      )}
      {findings}
      {frame && frame.runs.length > 0 && (
        <FactList
          label="Wires to cut"
          list={frame.runs.map((r) => ({ what: r.name, value: <OpenedFigure figure={r.cut} /> }))}
        />
      )}
      <Box role="group" aria-label="The frame" sx={{ display: 'grid', gap: 0.75 }}>
        <Fields
          schema={frameSchema}
          value={f}
          keys={f.kind === 'none' ? ['kind'] : ['kind', 'wireId', 'head', 'tail', 'turnedMm', 'wasteShare']}
          onChange={(change) =>
            editPiece((d) => {
              Object.assign(d.frame, change);
              // Another kind of frame is made of other wire; a wire that is not in this cupboard is kept otherwise.
              if (change.kind && !wiresFor(change.kind, cupboard).some((w) => w.id === d.frame.wireId))
                d.frame.wireId = null;
            })
          }
        />
        {f.kind !== 'none' && (
          <Typography variant="body2" sx={{ color: 'text.secondary' }}>
            Turn every end over twice, and again after cutting, so that it cannot stab. Cut ends fly: hold both sides
            and look away.
          </Typography>
        )}
      </Box>
    </>
  );
}
