'use client';
/** A small side view of a piece drawn straight from its parts, without working anything out. */
import Box from '@mui/material/Box';
import { posed } from '@/core/form/pose';
import type { Piece } from '@/core/piece/schema';

export function PieceOutline({ piece }: { piece: Piece }) {
  const marks: { x1: number; y1: number; x2: number; y2: number; w: number }[] = [];
  let lo = [Infinity, Infinity];
  let hi = [-Infinity, -Infinity];
  const reach = (z: number, y: number, r: number) => {
    lo = [Math.min(lo[0]!, z - r), Math.min(lo[1]!, y - r)];
    hi = [Math.max(hi[0]!, z + r), Math.max(hi[1]!, y + r)];
  };
  for (const p of posed(piece.form.parts, piece.form.pose).flatMap((x) =>
    (x.right ? [x.right, x.left] : [x.left]).map((s) => ({ part: x.part, nodes: s.nodes })),
  )) {
    if (p.part.shape === 'board') continue;
    const pad = p.part.shape === 'pad' ? p.part : null;
    const nodes =
      pad === null
        ? p.nodes
        : [0.25, 0.75].map((t) => ({
            at: [0, 1, 2].map((k) => p.nodes[0]!.at[k]! + t * (p.nodes[1]!.at[k]! - p.nodes[0]!.at[k]!)) as [
              number,
              number,
              number,
            ],
            radius: Math.min(pad.halfHeight, pad.halfWidth * 1.2),
          }));
    nodes.forEach((n, i) => {
      reach(n.at[2], n.at[1], n.radius);
      if (i === 0) return;
      const a = nodes[i - 1]!;
      // A swept ball drawn as a run of short strokes of changing width.
      for (let k = 0; k < 6; k++) {
        const t = k / 6;
        const u = (k + 1) / 6;
        const z = (s: number) => a.at[2] + s * (n.at[2] - a.at[2]);
        const y = (s: number) => a.at[1] + s * (n.at[1] - a.at[1]);
        marks.push({ x1: z(t), y1: y(t), x2: z(u), y2: y(u), w: a.radius + n.radius });
        marks[marks.length - 1]!.w = 2 * (a.radius + ((t + u) / 2) * (n.radius - a.radius));
      }
    });
  }
  return (
    <Box
      component="svg"
      viewBox={`${lo[0]} ${-hi[1]!} ${hi[0]! - lo[0]!} ${hi[1]! - lo[1]!}`}
      aria-hidden
      sx={{ width: '100%', height: '100%', color: 'text.secondary' }}
    >
      {marks.map((m, i) => (
        <line
          key={i}
          x1={m.x1}
          y1={-m.y1}
          x2={m.x2}
          y2={-m.y2}
          stroke="currentColor"
          strokeWidth={m.w}
          strokeLinecap="round"
        />
      ))}
    </Box>
  );
}
