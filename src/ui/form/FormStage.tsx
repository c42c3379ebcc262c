'use client';
/** Form: how large the finished animal is, at what scale, and what it measures. */
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { pieceSchema } from '@/core/piece/schema';
import { beginGesture, editPiece, endGesture, useDesk } from '@/desk/store';
import { ThreeColumns } from '@/ui/frame/ThreeColumns';
import { figures } from '@/ui/frame/theme';
import { FigureGrid } from '@/ui/parts/FigureGrid';
import { FindingCard } from '@/ui/parts/FindingCard';
import { MeasureField } from '@/ui/parts/MeasureField';
import { NameField } from '@/ui/parts/NameField';
import { OpenedFigure } from '@/ui/parts/Opened';
import { useUnits } from '@/ui/parts/useUnits';
import { Turntable } from '@/ui/pictures/Turntable';

const bounds = pieceSchema.shape.form.shape;

export function FormStage() {
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const mine = useDesk((s) => s.mine);
  const { q } = useUnits();
  if (!piece) return null;
  const findings = plan?.findings.filter((f) => f.stage === 'form') ?? [];
  const unit = plan ? piece.form.finishedLengthMm / 1000 : 0;
  return (
    <ThreeColumns
      left={
        <Box sx={{ p: 2 }}>
          <Typography variant="h3" component="h2" sx={{ mb: 1 }}>
            Parts
          </Typography>
          <Box
            component="table"
            sx={{
              width: '100%',
              fontSize: 13,
              borderCollapse: 'collapse',
              '& th, & td': { textAlign: 'left', py: 0.6, fontWeight: 400, borderBottom: 1, borderColor: 'divider' },
              '& td': { ...figures, textAlign: 'right' },
            }}
          >
            <thead>
              <tr>
                <th scope="col">Part</th>
                <Box component="th" scope="col" sx={{ textAlign: 'right !important' }}>
                  widest
                </Box>
              </tr>
            </thead>
            <tbody>
              {piece.form.parts.map((p) => (
                <tr key={p.id}>
                  <th scope="row">
                    {p.name}
                    {p.mirrored ? ', both sides' : ''}
                  </th>
                  <td>
                    {q({
                      kind: 'length',
                      value:
                        2 *
                        unit *
                        (p.shape === 'limb'
                          ? Math.max(...p.nodes.map((n) => n.radius))
                          : Math.max(p.halfWidth, p.halfHeight)),
                    })}
                  </td>
                </tr>
              ))}
            </tbody>
          </Box>
        </Box>
      }
      middle={<Turntable />}
      right={
        <>
          <Typography variant="h2">{piece.name}</Typography>
          {plan && (
            <>
              <Typography component="p" sx={{ fontSize: 18, lineHeight: 1.5, my: 1 }}>
                <b>{q({ kind: 'length', value: piece.form.finishedLengthMm })}</b> nose to tail,{' '}
                <b>{q({ kind: 'length', value: plan.form.heightMm })}</b> high, at 1 :{' '}
                <OpenedFigure figure={plan.form.scale} /> of life.
              </Typography>
              <FigureGrid
                columns={2}
                list={[
                  { label: 'skin to cover', value: q({ kind: 'area', value: plan.form.areaMm2 }) },
                  { label: 'volume', value: q({ kind: 'volume', value: plan.form.volumeMm3 }) },
                  { label: 'wide', value: q({ kind: 'length', value: plan.form.widthMm }) },
                  { label: 'wool for the coat', value: q({ kind: 'mass', value: plan.stock.needG }) },
                ]}
              />
            </>
          )}
          {findings.map((f) => (
            <FindingCard key={f.id} finding={f} />
          ))}
          <Box role="group" aria-label="Size" sx={{ mt: 1 }}>
            <MeasureField
              label="Finished length"
              kind="length"
              value={piece.form.finishedLengthMm}
              min={bounds.finishedLengthMm.minValue!}
              max={bounds.finishedLengthMm.maxValue!}
              slide={{ min: 80, max: 500, step: 5 }}
              disabled={!mine}
              onChange={(v) => editPiece((d) => void (d.form.finishedLengthMm = v))}
            />
            <MeasureField
              label="Length in life"
              kind="length"
              value={piece.form.lifeLengthMm}
              min={bounds.lifeLengthMm.minValue!}
              max={bounds.lifeLengthMm.maxValue!}
              slide={{ min: 100, max: 3000, step: 10 }}
              disabled={!mine}
              onChange={(v) => editPiece((d) => void (d.form.lifeLengthMm = v))}
            />
            <NameField
              label="Name of the piece"
              value={piece.name}
              disabled={!mine}
              onChange={(v) => editPiece((d) => void (d.name = v))}
            />
            <TextField
              label="Note"
              multiline
              minRows={2}
              maxRows={5}
              fullWidth
              value={piece.note}
              disabled={!mine}
              onFocus={beginGesture}
              onBlur={endGesture}
              onChange={(e) => editPiece((d) => void (d.note = e.target.value.slice(0, 4000)))}
              sx={{ mt: 1.5 }}
            />
          </Box>
        </>
      }
    />
  );
}
