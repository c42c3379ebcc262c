'use client';
/** Pieces of flat felt a thing is cut from, below each other on one scale: finished line, and the pattern round it dashed. */
import Box from '@mui/material/Box';
import type { ThingPlan } from '@/core/build/things/thing-plan';

interface Box2 {
  readonly x0: number;
  readonly x1: number;
  readonly y0: number;
  readonly y1: number;
}

function boxOf(l: Float64Array): Box2 {
  const xs = l.filter((_, i) => i % 2 === 0);
  const ys = l.filter((_, i) => i % 2 === 1);
  return { x0: Math.min(...xs), x1: Math.max(...xs), y0: Math.min(...ys), y1: Math.max(...ys) };
}

export function PanelPicture({ p }: { p: ThingPlan }) {
  const k = p.pattern?.value ?? 1;
  const boxes = p.panels.map((x) => boxOf(x.outline.map((v) => v * k)));
  const wide = Math.max(...boxes.map((b) => b.x1 - b.x0));
  const gap = 0.04 * wide;
  const high = (b: Box2) => b.y1 - b.y0 + gap;
  const down = boxes.reduce((sum, b) => sum + high(b), 0);
  const placed = p.panels.map((x, i) => {
    const b = boxes[i]!;
    const above = boxes.slice(0, i).reduce((sum, c) => sum + high(c), 0);
    return { x, left: -(b.x0 + b.x1) / 2, top: above + b.y1 };
  });
  const path = (l: Float64Array, s: number, left: number, top: number) => {
    let d = '';
    for (let i = 0; i < l.length; i += 2)
      d += `${i === 0 ? 'M' : 'L'}${(l[i]! * s + left).toFixed(2)} ${(top - l[i + 1]! * s).toFixed(2)}`;
    return `${d}Z`;
  };
  const line = wide / 320;
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Pieces ${p.name} is cut from: ${p.panels.map((x) => x.name.toLowerCase()).join(', ')}`}
      viewBox={`${-wide / 2 - gap} ${-gap} ${wide + 2 * gap} ${down + gap}`}
      sx={{ width: '100%', maxHeight: 220, my: 1, color: 'text.primary', bgcolor: 'desk.stage' }}
    >
      {placed.map(({ x, left, top }) => (
        <g key={x.name}>
          <path
            d={path(x.outline, k, left, top)}
            fill="none"
            stroke="currentColor"
            strokeWidth={line}
            strokeDasharray={4 * line}
          />
          <path
            d={path(x.outline, 1, left, top)}
            fill="currentColor"
            fillOpacity={0.12}
            stroke="currentColor"
            strokeWidth={line}
          />
        </g>
      ))}
    </Box>
  );
}
