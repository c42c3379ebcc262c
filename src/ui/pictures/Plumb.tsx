'use client';
/**
 * Where the weight of the animal lies over its feet, while a limb of it is in hand: a plumb line from the middle of the weight to the ground
 * and the area its feet enclose. About, while it is carried; what is worked out says it for good.
 */
import { useMemo } from 'react';
import { aboutStanding } from '@/core/build/about-weight';
import { makeBody, type Body } from '@/core/form/body';
import { useDesk } from '@/desk/store';
import { GOOD, HARM } from './colours';

interface PlumbProps {
  readonly body: Body;
  readonly at: (p: readonly number[]) => readonly [number, number];
}

export function Plumb({ body, at }: PlumbProps) {
  const stands = useDesk((s) => s.plan?.stands ?? null);
  const worked = useDesk((s) => s.answered?.piece.form ?? null);
  const was = useMemo(() => (worked && !worked.scan ? makeBody(worked) : null), [worked]);
  const about = useMemo(() => {
    if (!stands || !was || stands.case === 'hangs') return null;
    return aboutStanding(stands, was, body);
  }, [stands, was, body]);
  if (!about) return null;
  const { centre, feet, groundY, marginMm } = about;
  const over = marginMm >= 0;
  const [cx, cy] = at(centre);
  const [gx, gy] = at([centre[0], groundY, centre[2]]);
  const colour = over ? GOOD : HARM;
  return (
    <g
      data-plumb={over ? 'over its feet' : 'beside its feet'}
      role="img"
      aria-label={`The middle of its weight lies ${over ? 'over' : 'beside'} its feet`}
    >
      <polygon
        points={feet.map(([x, z]) => at([x, groundY, z]).join(',')).join(' ')}
        fill={colour}
        fillOpacity={0.14}
        stroke={colour}
        strokeWidth={1.5}
      />
      <line x1={cx} y1={cy} x2={gx} y2={gy} stroke={colour} strokeWidth={1.5} />
      <circle cx={cx} cy={cy} r={5} fill="none" stroke={colour} strokeWidth={2} />
      <circle cx={gx} cy={gy} r={3} fill={colour} />
      <text
        x={cx + 10}
        y={cy - 8}
        fill={colour}
        stroke="var(--mui-palette-desk-stage)"
        strokeWidth={4}
        paintOrder="stroke"
        fontSize={13}
      >
        {over ? 'weight over its feet' : 'it falls'}
      </text>
    </g>
  );
}
