'use client';
/** Names of the areas on the animal, each where most of it is seen. */
import Box from '@mui/material/Box';
import { useMemo } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import type { Plan } from '@/core/plan';
import type { View } from '@/desk/view';
import { eye, seenAt, type Size } from './camera';

interface AreaNamesProps {
  readonly plan: Plan;
  readonly centre: readonly number[];
  readonly size: Size;
  readonly perMm: number;
  readonly view: View;
}

/** Places turned to the eye by less than this are seen too slantwise to carry a name. */
const FACES = 0.35;

/** The place nearest to the middle of all that is seen of an area; null where none of it is. */
function placeOf({ surface }: AreaPlan, from: readonly number[]): [number, number, number] | null {
  if (!surface) return null;
  const { positions: p, normals: n } = surface;
  const seen: number[] = [];
  const mid = [0, 0, 0];
  for (let v = 0; v < p.length; v += 3) {
    if (n[v]! * from[0]! + n[v + 1]! * from[1]! + n[v + 2]! * from[2]! < FACES) continue;
    seen.push(v);
    for (let k = 0; k < 3; k++) mid[k]! += p[v + k]!;
  }
  if (seen.length < 6) return null;
  const off = (v: number) => Math.hypot(...[0, 1, 2].map((k) => p[v + k]! - mid[k]! / seen.length));
  const best = seen.reduce((a, b) => (off(b) < off(a) ? b : a));
  return [p[best]!, p[best + 1]!, p[best + 2]!];
}

export function AreaNames({ plan, centre, size, perMm, view }: AreaNamesProps) {
  const { yaw, pitch } = view;
  const places = useMemo(() => {
    const { from } = eye({ yaw, pitch });
    return plan.coat.areas.flatMap((a, i) => {
      const at = placeOf(a, from);
      return at ? [{ id: a.id, says: `${i + 1} ${a.name}`, at }] : [];
    });
  }, [plan.coat.areas, yaw, pitch]);
  return (
    <Box aria-hidden sx={{ position: 'absolute', inset: 0, overflow: 'hidden', pointerEvents: 'none' }}>
      {places.map(({ id, says, at }) => {
        const [x, y] = seenAt(at, centre, view, size, perMm);
        return (
          <Box
            key={id}
            sx={{
              position: 'absolute',
              left: x,
              top: y,
              transform: 'translate(-50%, -50%)',
              px: 0.5,
              fontSize: 13,
              lineHeight: 1.3,
              whiteSpace: 'nowrap',
              bgcolor: 'background.paper',
              border: 1,
              borderColor: id === view.areaId ? 'primary.main' : 'divider',
            }}
          >
            {says}
          </Box>
        );
      })}
    </Box>
  );
}
