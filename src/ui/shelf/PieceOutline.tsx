'use client';
/** A small side view of a piece drawn straight from its parts, without working anything out; a measure marked on it, at its size. */
import Box from '@mui/material/Box';
import { drawnLength } from '@/core/form/body';
import { posed, type PartNode } from '@/core/form/pose';
import { ROUND } from '@/core/geometry/oval-cone';
import type { Piece } from '@/core/piece/schema';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';

interface Stroke {
  readonly part: string;
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
  readonly w: number;
}
interface Drawn {
  readonly strokes: readonly Stroke[];
  readonly left: number;
  readonly top: number;
  readonly wide: number;
  readonly high: number;
}

/** Strokes of a swept ball of changing width. */
const RUN = 6;

/** The animal from its left, in drawn units, up as up on paper. */
function drawn({ parts, pose }: Pick<Piece['form'], 'parts' | 'pose'>): Drawn {
  const strokes: Stroke[] = [];
  let lo = [Infinity, Infinity];
  let hi = [-Infinity, -Infinity];
  const reach = (z: number, y: number, r: number) => {
    lo = [Math.min(lo[0]!, z - r), Math.min(lo[1]!, y - r)];
    hi = [Math.max(hi[0]!, z + r), Math.max(hi[1]!, y + r)];
  };
  for (const p of posed(parts, pose).flatMap((x) =>
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
            section: ROUND,
          }));
    nodes.forEach((n, i) => {
      reach(n.at[2], n.at[1], halfHigh(n));
      if (i === 0) return;
      const a = nodes[i - 1]!;
      const z = (s: number) => a.at[2] + s * (n.at[2] - a.at[2]);
      const y = (s: number) => a.at[1] + s * (n.at[1] - a.at[1]);
      for (let k = 0; k < RUN; k++) {
        const [t, u] = [k / RUN, (k + 1) / RUN];
        const w = 2 * (halfHigh(a) + ((t + u) / 2) * (halfHigh(n) - halfHigh(a)));
        strokes.push({ part: p.part.id, x1: z(t), y1: -y(t), x2: z(u), y2: -y(u), w });
      }
    });
  }
  return { strokes, left: lo[0]!, top: -hi[1]!, wide: hi[0]! - lo[0]!, high: hi[1]! - lo[1]! };
}

/** Half of its height, as it is seen from the side. */
const halfHigh = ({ radius, section }: PartNode): number => (radius * (section.over + section.under)) / 2;

interface PieceOutlineProps {
  readonly form: Pick<Piece['form'], 'parts' | 'pose'>;
  readonly colour?: string;
  /** A measure to mark: of the whole animal, or the name of a part. */
  readonly mark?: string;
  /** Nose to tail: then it is drawn at its size beside a scale, as large as there is room for. */
  readonly lengthMm?: number;
}

/** The room of an animal drawn at its size, mm, up to where it shrinks to fit. */
const ROOM = 260;

export function PieceOutline({ form, colour, mark, lengthMm }: PieceOutlineProps) {
  const { q } = useUnits();
  const d = drawn(form);
  const ink = colour ?? 'currentColor';
  const lines = d.strokes.map((m, i) => (
    <line
      key={i}
      x1={m.x1}
      y1={m.y1}
      x2={m.x2}
      y2={m.y2}
      stroke={mark === m.part ? 'var(--mui-palette-primary-main)' : ink}
      strokeWidth={m.w}
      strokeLinecap="round"
    />
  ));
  if (lengthMm === undefined) {
    return (
      <Box
        component="svg"
        viewBox={`${d.left} ${d.top} ${d.wide} ${d.high}`}
        aria-hidden
        sx={{ width: '100%', height: '100%', color: 'text.secondary' }}
      >
        {lines}
      </Box>
    );
  }
  // Millimetres of a drawn unit, and of the room, which is a square that the animal grows in until it fills it.
  const k = lengthMm / drawnLength([...form.parts]);
  const room = Math.max(ROOM, 1.22 * k * Math.max(d.wide, d.high));
  const u = room / ROOM;
  const [wide, high] = [k * d.wide, k * d.high];
  const x = (room - wide) / 2;
  const y = room - 34 * u - high;
  const bar = [10, 20, 50, 100, 200, 500, 1000].findLast((mm) => mm <= room / 3) ?? 10;
  const arrow = 'var(--mui-palette-primary-main)';
  return (
    <Box
      component="svg"
      viewBox={`0 0 ${room} ${room}`}
      role="img"
      aria-label={`The animal at its size, ${q({ kind: 'length', value: lengthMm })} nose to tail`}
      sx={{
        width: '100%',
        aspectRatio: '1',
        bgcolor: 'desk.stage',
        color: 'text.primary',
        display: 'block',
        ...figures,
      }}
    >
      <g transform={`translate(${x - k * d.left} ${y - k * d.top}) scale(${k})`}>{lines}</g>
      {mark === 'length' && (
        <path
          d={`M${x} ${y + high + 8 * u}h${wide}m0 ${-4 * u}v${8 * u}M${x} ${y + high + 4 * u}v${8 * u}`}
          stroke={arrow}
          strokeWidth={1.6 * u}
          fill="none"
        />
      )}
      {mark === 'height' && (
        <path
          d={`M${x - 8 * u} ${y}v${high}m${-4 * u} 0h${8 * u}M${x - 12 * u} ${y}h${8 * u}`}
          stroke={arrow}
          strokeWidth={1.6 * u}
          fill="none"
        />
      )}
      <path
        d={`M${8 * u} ${room - 10 * u}v${4 * u}h${bar}v${-4 * u}`}
        stroke="currentColor"
        strokeWidth={1.2 * u}
        fill="none"
      />
      <text x={8 * u + bar + 5 * u} y={room - 5 * u} fontSize={11 * u} fill="currentColor">
        {q({ kind: 'length', value: bar })}
      </text>
    </Box>
  );
}
