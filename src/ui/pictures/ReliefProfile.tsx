'use client';
/** A relief seen along its board, from above and from its front end: how far what stands out of it does, with its frame. To scale. */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import { buildEdges } from '@/core/geometry/mesh';
import { outline } from '@/core/geometry/outline';
import { cross, type Vec3 } from '@/core/geometry/vec';
import { useDesk } from '@/desk/store';

/** Out of the board is up the picture. */
const WAYS: readonly { readonly says: string; readonly from: Vec3 }[] = [
  { says: 'from above', from: [0, 1, 0] },
  { says: 'from its front end', from: [0, 0, 1] },
];
const OUT: Vec3 = [1, 0, 0];

const path = (l: ArrayLike<number>): string => {
  let d = '';
  for (let i = 0; i < l.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${l[i]!.toFixed(2)} ${(-l[i + 1]!).toFixed(2)}`;
  return d;
};

export function ReliefProfile() {
  const skin = useDesk((s) => s.plan?.form.skin ?? null);
  const framed = useDesk((s) => s.plan?.things.find((t) => t.framed) ?? null);
  const views = useMemo(() => {
    if (!skin) return [];
    const edges = buildEdges(skin.triangles, skin.positions.length / 3);
    return WAYS.map((w) => ({ ...w, seen: outline(skin, edges, w.from, OUT) }));
  }, [skin]);
  if (views.length === 0) return null;
  const bars =
    framed?.framed && framed.thing.kind === 'frame' ? { ...framed.framed, wide: framed.thing.profileMm } : null;
  return (
    <Box sx={{ display: 'grid', gap: 1, my: 1 }}>
      {views.map(({ says, seen }, i) => {
        // Which way the board runs on the picture.
        const half = bars && (i === 0 ? bars.halfLong : bars.halfHigh) + bars.wide;
        const mid = bars ? (i === 0 ? bars.middle[2] : bars.middle[1]) : 0;
        const right = cross(OUT, WAYS[i]!.from);
        const across = (x: number) => x * (i === 0 ? right[2] : right[1]);
        const [x0, x1] = bars
          ? [Math.min(seen.min[0], across(mid) - half!), Math.max(seen.max[0], across(mid) + half!)]
          : [seen.min[0], seen.max[0]];
        const [y0, y1] = [Math.min(seen.min[1], bars?.backX ?? 0), Math.max(seen.max[1], bars?.frontX ?? 0)];
        const pad = 0.03 * (x1 - x0);
        const line = (x1 - x0) / 260;
        return (
          <Box
            key={says}
            component="svg"
            role="img"
            aria-label={`The relief seen ${says}, its board below`}
            viewBox={`${x0 - pad} ${-y1 - pad} ${x1 - x0 + 2 * pad} ${y1 - y0 + 2 * pad}`}
            sx={{ width: '100%', maxHeight: 120, color: 'text.primary', bgcolor: 'desk.stage' }}
          >
            {seen.lines.map((l, k) => (
              <path key={k} d={path(l)} fill="none" stroke="currentColor" strokeWidth={line} />
            ))}
            {bars &&
              [-1, 1].map((s) => (
                <rect
                  key={s}
                  x={across(mid) + (s < 0 ? -half! : half! - bars.wide)}
                  y={-bars.frontX}
                  width={bars.wide}
                  height={bars.frontX - bars.backX}
                  fill="currentColor"
                  fillOpacity={0.25}
                  stroke="currentColor"
                  strokeWidth={line}
                />
              ))}
            <path d={`M${x0} 0H${x1}`} stroke="currentColor" strokeWidth={line / 2} strokeDasharray={3 * line} />
          </Box>
        );
      })}
    </Box>
  );
}
