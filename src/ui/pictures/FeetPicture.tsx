'use client';
/** The ground seen from above: the area the feet enclose, the middle of the weight, the holes of a base. To scale. */
import Box from '@mui/material/Box';
import type { StandsPlan } from '@/core/build/stands';

export function FeetPicture({ stands }: { stands: StandsPlan }) {
  const all = [
    ...stands.feet,
    ...(stands.on?.outline ?? []),
    [stands.centre[0], stands.centre[2]] as const,
    ...stands.holes.map((h) => h.at),
    ...(stands.low ? [[stands.low.at[0], stands.low.at[2]] as const] : []),
  ];
  const lo = [0, 1].map((k) => Math.min(...all.map((p) => p[k]!)));
  const hi = [0, 1].map((k) => Math.max(...all.map((p) => p[k]!)));
  const pad = 0.12 * Math.max(hi[0]! - lo[0]!, hi[1]! - lo[1]!, 1);
  // The front of the animal points up the page, its left lies to the left of the page.
  const at = (p: readonly [number, number] | readonly number[]): [number, number] => [-p[0]!, -p[1]!];
  const dot = pad / 5;
  const [cx, cy] = at([stands.centre[0], stands.centre[2]]);
  return (
    <Box
      component="svg"
      role="img"
      aria-label={`Seen from above, front at the top: ${stands.on ? `it stands on ${stands.on.name}` : 'the feet enclose an area'}; the middle of the weight lies ${stands.marginMm >= 0 ? 'inside' : 'outside'} it${stands.low ? '; a square marks the weight put low into it' : ''}`}
      viewBox={`${-hi[0]! - pad} ${-hi[1]! - pad} ${hi[0]! - lo[0]! + 2 * pad} ${hi[1]! - lo[1]! + 2 * pad}`}
      sx={{ width: '100%', maxHeight: 260, my: 1, color: 'text.primary', bgcolor: 'desk.stage' }}
    >
      {stands.on && (
        <polygon
          points={stands.on.outline.map((p) => at(p).join(',')).join(' ')}
          fill="none"
          stroke="currentColor"
          strokeWidth={dot / 3}
        />
      )}
      <polygon
        points={stands.feet.map((p) => at(p).join(',')).join(' ')}
        fill="currentColor"
        fillOpacity={0.12}
        stroke="currentColor"
        strokeWidth={dot / 4}
      />
      {stands.holes.map((h) => {
        const [x, y] = at(h.at);
        return (
          <circle key={h.name} cx={x} cy={y} r={dot * 0.7} fill="none" stroke="currentColor" strokeWidth={dot / 4} />
        );
      })}
      <path
        d={`M${cx - 2 * dot} ${cy}H${cx + 2 * dot}M${cx} ${cy - 2 * dot}V${cy + 2 * dot}`}
        stroke="currentColor"
        strokeWidth={dot / 2}
      />
      <circle cx={cx} cy={cy} r={dot} fill="currentColor" />
      {stands.low && (
        <rect
          x={-stands.low.at[0] - dot}
          y={-stands.low.at[2] - dot}
          width={2 * dot}
          height={2 * dot}
          fill="currentColor"
        />
      )}
    </Box>
  );
}
