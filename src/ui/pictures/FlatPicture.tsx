'use client';
/**
 * The outline of a flat part: its drawn points, the smooth finished line through them, and the pattern to cut round it.
 * Points are moved by hand, or by arrows when they have the focus: half a millimetre a press.
 */
import Box from '@mui/material/Box';
import { useState } from 'react';
import { unitMm } from '@/core/form/shape';
import { useDesk } from '@/desk/store';
import { changeFlat, useFlatPart } from '@/ui/form/FlatRoom';
import { Handle } from '@/ui/parts/Handle';
import { useUnits } from '@/ui/parts/useUnits';
import { scaleBar } from './camera';
import { EditButton } from '@/ui/parts/Editable';
import { CHOSEN, SHEET } from './colours';
import { InsteadOfPicture } from '@/ui/parts/Panel';

const clamp = (x: number): number => Math.max(-1000, Math.min(1000, Math.round(x * 10) / 10));

export function FlatPicture() {
  const f = useFlatPart();
  const piece = useDesk((s) => s.piece);
  const plan = useDesk((s) => s.plan);
  const [chosen, setChosen] = useState(0);
  const { q } = useUnits();
  const p = plan?.flatParts.find((x) => x.id === f?.id);
  if (!f || !piece || !p) {
    return (
      <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', bgcolor: 'desk.stage', p: 4 }}>
        <InsteadOfPicture>No flat part yet. Add one on the left to draw its outline.</InsteadOfPicture>
      </Box>
    );
  }
  const k = unitMm(piece.form);
  const big = p.pattern.value;
  const line = Array.from(
    { length: p.outline.length / 2 },
    (_, i) => [p.outline[2 * i]!, -p.outline[2 * i + 1]!] as const,
  );
  const xs = line.map((x) => x[0] * big);
  const ys = line.map((x) => x[1] * big);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys, f.fringeMm)];
  const pad = 0.12 * Math.max(x1 - x0, y1 - y0);
  const dot = Math.max(x1 - x0, y1 - y0) / 70;
  const bar = scaleBar(1, Math.max(5, (x1 - x0 + 2 * pad) / 2));
  const move = (i: number, x: number, y: number) =>
    changeFlat(f.id, { outline: f.outline.with(i, [clamp(x / k), clamp(y / k)]) });
  const at = (i: number): [number, number] => [f.outline[i]![0] * k, f.outline[i]![1] * k];
  const path = (s: number) => `M${line.map(([x, y]) => `${x * s} ${y * s}`).join('L')}Z`;
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      <Box
        component="svg"
        viewBox={`${x0 - pad} ${y0 - pad} ${x1 - x0 + 2 * pad} ${y1 - y0 + 2 * pad}`}
        aria-label={`Outline of ${f.name}, finished ${q({ kind: 'area', value: p.areaMm2 })}, with the pattern to cut round it`}
        sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', color: 'text.primary' }}
      >
        <path d={path(big)} fill="none" stroke="currentColor" strokeWidth={dot / 4} strokeDasharray={dot} />
        <path d={path(1)} fill="currentColor" fillOpacity={0.12} stroke="currentColor" strokeWidth={dot / 3} />
        <path
          d={`M${x0} 0H${x1}M${x0} ${f.fringeMm}H${x1}`}
          stroke="currentColor"
          strokeWidth={dot / 6}
          strokeDasharray={dot / 2}
        />
        {f.outline.map((_, i) => {
          const [x, y] = at(i);
          return (
            <Handle
              key={i}
              name={`Point ${i + 1} of ${f.outline.length}`}
              at={[x, -y]}
              px={dot / 7}
              onTake={() => setChosen(i)}
              onArrow={(right, up) => move(i, x + right / 2, y + up / 2)}
              onDrag={(toX, toY) => move(i, toX, -toY)}
            >
              <circle
                cx={x}
                cy={-y}
                r={dot}
                fill={i === chosen ? CHOSEN : SHEET}
                stroke={CHOSEN}
                strokeWidth={dot / 3}
              />
            </Handle>
          );
        })}
        <path d={`M${x0 - pad / 2} ${y1 + pad * 0.6}h${bar.mm}`} stroke="currentColor" strokeWidth={dot / 2} />
        <text x={x0 - pad / 2} y={y1 + pad * 0.5} fontSize={dot * 2.6} fill="currentColor">
          {q({ kind: 'length', value: bar.mm })}
        </text>
      </Box>
      <Box sx={{ position: 'absolute', left: 12, top: 12, display: 'flex', gap: 0.75 }}>
        <EditButton
          disabled={f.outline.length >= 24}
          sx={{ bgcolor: 'background.paper' }}
          onClick={() => {
            const i = Math.min(chosen, f.outline.length - 1);
            const [a, b] = [f.outline[i]!, f.outline[(i + 1) % f.outline.length]!];
            changeFlat(f.id, { outline: f.outline.toSpliced(i + 1, 0, [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2]) });
          }}
        >
          Add a point
        </EditButton>
        <EditButton
          disabled={f.outline.length <= 3}
          sx={{ bgcolor: 'background.paper' }}
          onClick={() => {
            changeFlat(f.id, { outline: f.outline.toSpliced(Math.min(chosen, f.outline.length - 1), 1) });
            setChosen(0);
          }}
        >
          Take the point away
        </EditButton>
      </Box>
    </Box>
  );
}
