'use client';
/** Both eyes square on: large to judge by, and beside them at life size. The lamp is dragged, or moved by arrows. */
import Box from '@mui/material/Box';
import { browRing, type EyeShape } from '@/core/face/drawing/eye-drawing';
import { useDesk } from '@/desk/store';
import { editEyes } from './EyeControls';
import { useEyeDrawing, useFace } from './face-store';
import { CHOSEN, SHEET, UNCHOSEN } from '@/ui/pictures/colours';
import { Handle, onDrawing } from '@/ui/parts/Handle';
import { useSize } from '@/ui/pictures/useSize';
import { OnPicture } from '@/ui/parts/Panel';

/** CSS pixels of a millimetre: a screen pixel is a ninety-sixth of an inch. */
const PX_PER_MM = 96 / 25.4;

export function EyePicture() {
  const f = useFace();
  const drawing = useEyeDrawing();
  const [box, size] = useSize();
  const wide = size.width || 600;
  const plan = f?.plan;
  const browLot = f?.face.brows?.lotId;
  const browHex = useDesk((s) => s.cupboard.lots.find((l) => l.id === browLot)?.colour ?? UNCHOSEN.brow);
  return (
    <Box
      ref={box}
      sx={{
        position: 'relative',
        flex: 1,
        minHeight: 0,
        bgcolor: plan?.eyes.around?.hex ?? 'desk.stage',
        display: 'flex',
        alignItems: 'center',
        justifyContent: 'center',
        gap: { xs: 1, sm: 5 },
        overflow: 'hidden',
      }}
    >
      {f && plan && drawing && (
        <>
          {[...drawing.eyes].reverse().map((shapes, i, all) => {
            // The animal's right eye is met on the left.
            const side = all.length === 1 || i === 1 ? 'left' : 'right';
            const { brows, eyes } = f.face;
            const brow = brows && browRing(brows, plan.eyes.discMm, side);
            const wide2 = Math.max(plan.eyes.discMm * 1.25, (brows?.lengthMm ?? 0) * 1.1);
            const top = Math.max(plan.eyes.discMm * 0.625, ...(brow ?? []).map((p) => p[1] + 0.5));
            const high = top + plan.eyes.discMm * 0.625;
            const px = Math.min(Math.max(wide - 120, 0.8 * wide) / all.length, 300);
            return (
              <svg
                key={side}
                width={px}
                height={(px * high) / wide2}
                viewBox={`${-wide2 / 2} ${-top} ${wide2} ${high}`}
                role="img"
                aria-label={`${all.length === 1 ? 'The eye' : side === 'left' ? 'Left eye' : 'Right eye'}, square on`}
              >
                <g transform={`rotate(${(side === 'left' ? -1 : 1) * eyes.slantDeg})`}>
                  <EyeShapes shapes={shapes} />
                  {brow && <polygon points={brow.map(([x, y]) => `${x},${-y}`).join(' ')} fill={browHex} />}
                </g>
              </svg>
            );
          })}
          <OnPicture sx={{ right: 12, top: 10 }}>
            life size
            <Box
              sx={{
                display: 'flex',
                gap: 1,
                mt: 0.5,
                bgcolor: plan.eyes.around?.hex ?? 'desk.stage',
                p: 0.75,
                justifyContent: 'center',
              }}
            >
              {[...drawing.eyes].reverse().map((shapes, i) => {
                const view = plan.eyes.discMm * 1.1;
                return (
                  <svg
                    key={i}
                    width={view * PX_PER_MM}
                    height={view * PX_PER_MM}
                    viewBox={`${-view / 2} ${-view / 2} ${view} ${view}`}
                    aria-hidden
                  >
                    <EyeShapes shapes={shapes} />
                  </svg>
                );
              })}
            </Box>
          </OnPicture>
          {f.face.eyes.layers.lights !== 'none' && f.face.eyes.kind !== 'closed' && <Lamp />}
        </>
      )}
    </Box>
  );
}

function EyeShapes({ shapes }: { shapes: readonly EyeShape[] }) {
  return (
    <>
      {shapes.map((s, i) => (
        <polygon key={i} points={s.ring.map(([x, y]) => `${x},${-y}`).join(' ')} fill={s.hex} />
      ))}
    </>
  );
}

const PAD = 132;
const HIGH = 88;
const step = (x: number, lo: number, hi: number) => Math.max(lo, Math.min(hi, Math.round(x)));

/** The lamp on a little map: to the left or right of the viewer, and how high. */
function Lamp() {
  const f = useFace()!;
  const { lampSideDeg: side, lampHeightDeg: high } = f.face.eyes.layers;
  const put = (s: number, h: number) =>
    editEyes((e) => {
      e.layers.lampSideDeg = step(s, -90, 90);
      e.layers.lampHeightDeg = step(h, -30, 90);
    });
  const putAt = (toX: number, toY: number) => put((toX / PAD) * 180 - 90, 90 - (toY / HIGH) * 120);
  const x = ((side + 90) / 180) * PAD;
  const y = ((90 - high) / 120) * HIGH;
  return (
    <OnPicture sx={{ left: 12, top: 10 }}>
      lamp, as you stand in front
      <svg
        width={PAD}
        height={HIGH}
        style={{ display: 'block', marginTop: 4, touchAction: 'none' }}
        onPointerDown={(e) => {
          const p = onDrawing(e.currentTarget, e);
          if (p && f.canEdit) putAt(p.x, p.y);
        }}
      >
        <rect x={0.5} y={0.5} width={PAD - 1} height={HIGH - 1} fill="none" stroke="currentColor" opacity={0.5} />
        <path
          d={`M${PAD / 2} 0V${HIGH}M0 ${(90 / 120) * HIGH}H${PAD}`}
          stroke="currentColor"
          opacity={0.3}
          strokeDasharray="3 3"
        />
        <Handle
          mark="lamp"
          name={`Lamp: ${Math.abs(side)}° to the ${side < 0 ? 'left' : 'right'}, ${high}° high`}
          at={[x, y]}
          px={1}
          onArrow={(right, up) => put(side + 5 * right, high + 5 * up)}
          onDrag={putAt}
        >
          <circle cx={x} cy={y} r={6} fill={SHEET} stroke={CHOSEN} strokeWidth={2} />
        </Handle>
      </svg>
    </OnPicture>
  );
}
