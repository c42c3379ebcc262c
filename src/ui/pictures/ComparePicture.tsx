'use client';
/**
 * A photograph behind the outline of the animal, both at the scale of the piece: the two points of known distance, and
 * the pins. Everything on it is moved by hand, or by arrows when it has the focus: half a millimetre a press.
 */
import Box from '@mui/material/Box';
import { onPicture, type Flat } from '@/core/form/compare';
import type { Reference } from '@/core/piece/schema';
import { changeReference } from '@/ui/form/CompareRoom';
import { useCompared, useReference } from '@/ui/form/Compared';
import { Handle } from '@/ui/parts/Handle';
import type { FlatBox } from '@/core/picture/side-lens';
import { setView, useDesk } from '@/desk/store';
import { useFinished, type Finished } from '@/ui/form/useFinished';
import { CHOSEN, HARM, INK, SHEET, STAGE } from './colours';
import { InsteadOfPicture } from '@/ui/parts/Panel';

const clamp = (x: number): number => Math.max(-1, Math.min(2, Math.round(x * 1e5) / 1e5));

export function ComparePicture() {
  const view = useCompared();
  const laid = useReference();
  const beside = useDesk((s) => s.view.beside);
  const besideLight = useDesk((s) => s.view.besideLight);
  const besideAt = useDesk((s) => s.view.besideAt);
  const finished = useFinished(laid?.side ?? null, view?.outline ?? null, besideLight, beside !== 'outline');
  if (!view) {
    return (
      <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', bgcolor: 'desk.stage', p: 4 }}>
        <InsteadOfPicture>
          {laid
            ? `${laid.name} is laid behind the outline as soon as the animal has been worked out.`
            : 'No photograph yet. Add one on the left; it is laid behind the outline at the scale of the piece.'}
        </InsteadOfPicture>
      </Box>
    );
  }
  const { reference: r, compared, outline, picture } = view;
  const w = compared.widthMm?.value ?? 100;
  const h = compared.heightMm;
  const [cx, cy] = compared.corner;
  // Side by side the finished one stands to the right of the photograph, as high.
  const aside = beside === 'side by side' && finished ? cx + w + 0.02 * w - finished.box.min[0] : 0;
  const lo = [Math.min(cx, outline?.min[0] ?? cx), Math.min(cy - h, outline?.min[1] ?? cy - h)] as const;
  const hi = [
    Math.max(cx + w, (aside !== 0 && finished ? finished.box.max[0] : (outline?.max[0] ?? cx + w)) + aside),
    Math.max(cy, outline?.max[1] ?? cy),
  ] as const;
  const pad = 0.04 * Math.max(hi[0] - lo[0], hi[1] - lo[1]);
  const box = { x: lo[0] - pad, y: -hi[1] - pad, w: hi[0] - lo[0] + 2 * pad, h: hi[1] - lo[1] + 2 * pad };
  const line = box.w / 320;
  const lineAt = finished ? finished.box.min[0] + besideAt * sizeOf(finished.box).width : 0;
  /** Moves one thing of the picture to a place in mm. */
  const put = (recipe: (r: Reference, at: [number, number]) => void, at: Flat) =>
    changeReference(r.id, (x) => recipe(x, [clamp((at[0] - cx) / w), clamp((cy - at[1]) / h)]));
  const held = (at: Flat, recipe: (r: Reference, at: [number, number]) => void) => ({
    at: [at[0], -at[1]] as const,
    px: line / 1.5,
    onArrow: (right: number, up: number) => put(recipe, [at[0] + right / 2, at[1] + up / 2]),
    onDrag: (x: number, y: number) => put(recipe, [x, -y]),
  });
  const a = onPicture(compared, r.a);
  const b = onPicture(compared, r.b);
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      <Box
        component="svg"
        viewBox={`${box.x} ${box.y} ${box.w} ${box.h}`}
        aria-label={`${r.name} behind the outline of the animal`}
        sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', color: 'text.primary' }}
      >
        {finished && beside === 'over' && <FinishedImage of={finished} />}
        {picture ? (
          <image
            href={picture}
            x={cx}
            y={-cy}
            width={w}
            height={h}
            opacity={beside === 'outline' || beside === 'over' ? r.strength : 1}
            preserveAspectRatio="none"
          />
        ) : (
          <rect
            x={cx}
            y={-cy}
            width={w}
            height={h}
            fill="none"
            stroke="currentColor"
            strokeDasharray={line * 4}
            strokeWidth={line}
          />
        )}
        {finished && beside === 'side by side' && (
          <g transform={`translate(${aside} 0)`}>
            <FinishedImage of={finished} />
          </g>
        )}
        {finished?.url && beside === 'line' && (
          <>
            <clipPath id="up-to-the-line">
              <rect x={box.x} y={box.y} width={lineAt - box.x} height={box.h} />
            </clipPath>
            <g clipPath="url(#up-to-the-line)">
              {/* The photograph is not seen through it. */}
              <rect x={box.x} y={box.y} width={lineAt - box.x} height={box.h} fill={STAGE} />
              <FinishedImage of={finished} />
            </g>
            <Handle
              mark="between"
              name={`Line between the finished animal and the photograph: ${Math.round(100 * besideAt)} %`}
              at={[lineAt, box.y + box.h / 2]}
              px={line / 1.5}
              can
              onArrow={(right) => setView({ besideAt: share(besideAt + 0.02 * right) })}
              onDrag={(x) => setView({ besideAt: share((x - finished.box.min[0]) / sizeOf(finished.box).width) })}
            >
              <line x1={lineAt} x2={lineAt} y1={box.y} y2={box.y + box.h} stroke={INK} strokeWidth={1.5 * line} />
              <rect
                x={lineAt - 3 * line}
                y={box.y + box.h / 2 - 9 * line}
                width={6 * line}
                height={18 * line}
                fill={SHEET}
                stroke={INK}
                strokeWidth={line}
              />
            </Handle>
          </>
        )}
        {beside === 'outline' &&
          outline?.lines.map((l, i) => (
            <polyline
              key={i}
              points={Array.from({ length: l.length / 2 }, (_, k) => `${l[2 * k]},${-l[2 * k + 1]!}`).join(' ')}
              fill="none"
              stroke={CHOSEN}
              strokeWidth={1.6 * line}
            />
          ))}
        <line
          x1={a[0]}
          y1={-a[1]}
          x2={b[0]}
          y2={-b[1]}
          stroke="currentColor"
          strokeWidth={line}
          strokeDasharray={`${3 * line}`}
        />
        {(
          [
            ['First point of known distance', a, 'a'],
            ['Second point of known distance', b, 'b'],
          ] as const
        ).map(([name, at, key]) => (
          <Handle key={key} mark={key} name={name} {...held(at, (x, p) => void (x[key] = p))}>
            <rect
              x={at[0] - 4 * line}
              y={-at[1] - 4 * line}
              width={8 * line}
              height={8 * line}
              fill={SHEET}
              stroke={INK}
              strokeWidth={line}
            />
          </Handle>
        ))}
        {compared.pins.map((p) => (
          <g key={p.id}>
            <line
              x1={p.piece[0]}
              y1={-p.piece[1]}
              x2={p.photo[0]}
              y2={-p.photo[1]}
              stroke={HARM}
              strokeWidth={1.5 * line}
            />
            <circle cx={p.piece[0]} cy={-p.piece[1]} r={2 * line} fill={CHOSEN} />
            <Handle
              mark={p.id}
              name={`Pin, ${p.name}: ${p.offMm.toFixed(1)} mm off`}
              {...held(p.photo, (x, at) => {
                const pin = x.pins.find((y) => y.landmark === p.id);
                if (pin) pin.at = at;
              })}
            >
              <circle
                cx={p.photo[0]}
                cy={-p.photo[1]}
                r={4 * line}
                fill={SHEET}
                stroke={HARM}
                strokeWidth={1.5 * line}
              />
            </Handle>
          </g>
        ))}
      </Box>
      {beside !== 'outline' && (finished?.rough ?? true) && (
        <Box
          role="status"
          sx={{ position: 'absolute', left: 8, bottom: 8, px: 1, py: 0.5, fontSize: 13, bgcolor: 'background.paper' }}
        >
          The finished animal is being drawn, fibre by fibre.
        </Box>
      )}
    </Box>
  );
}

const share = (x: number): number => Math.max(0, Math.min(1, Math.round(x * 1000) / 1000));
const sizeOf = ({ min, max }: FlatBox) => ({ width: max[0] - min[0], height: max[1] - min[1] });

function FinishedImage({ of: { box, url } }: { of: Finished }) {
  return url ? (
    <image href={url} x={box.min[0]} y={-box.max[1]} {...sizeOf(box)} preserveAspectRatio="none" data-finished="" />
  ) : null;
}
