'use client';
/** Eyes, sockets and stems inside the head, from above and from the front, with the zone no needle may enter. */
import Box from '@mui/material/Box';
import type { ReactNode } from 'react';
import { intoHead } from '@/core/face/head/head';
import type { Outline } from '@/core/geometry/outline';
import type { Vec3 } from '@/core/geometry/vec';
import { useDesk } from '@/desk/store';
import { stretchesIn } from '@/core/geometry/in-box';
import { roundHead } from '@/core/face/head/round-head';
import { intoRange } from '@/core/piece/fields';
import { eyeStemSchema } from '@/core/piece/face';
import { Handle } from '@/ui/parts/Handle';
import { editEyes } from './EyeControls';
import { useFace } from './face-store';
import { CARE, CHOSEN, HARM, NO_NEEDLE, SHEET, UNCHOSEN } from '@/ui/pictures/colours';

type Flat = readonly [number, number];
const VIEWS = {
  above: { name: 'from above', flat: (p: Vec3): Flat => [-p[0], p[2]] },
  front: { name: 'from the front', flat: (p: Vec3): Flat => [p[0], p[1]] },
} as const;
const GAP = 8;

export function SettingPicture() {
  const f = useFace();
  const frame = useDesk((s) => s.plan?.frame);
  if (!f?.plan) return <Box sx={{ flex: 1, bgcolor: 'desk.stage' }} />;
  const { plan, face } = f;
  const { eyes } = plan;
  const outlines: Record<keyof typeof VIEWS, Outline> = { above: plan.above, front: plan.front };
  const shift = { above: [0, 0], front: [plan.above.max[0] + GAP - plan.front.min[0], 0] } as const;
  const lo = [plan.above.min[0] - 5, Math.min(plan.above.min[1], plan.front.min[1]) - 5] as const;
  const hi = [shift.front[0] + plan.front.max[0] + 5, Math.max(plan.above.max[1], plan.front.max[1]) + 5] as const;
  const box = { w: hi[0] - lo[0], h: hi[1] - lo[1] };
  const px = Math.max(box.w / 640, box.h / 380);
  const local = (p: Vec3) => intoHead(plan.frame, p);
  const stem = face.eyes.stem;
  const wires = (frame?.runs ?? []).flatMap((r) =>
    r.paths.flatMap((path) => stretchesIn(path.map(local), roundHead(plan))),
  );

  const panel = (view: keyof typeof VIEWS): ReactNode => {
    const { flat, name } = VIEWS[view];
    const o = outlines[view];
    // Above and front lie on different levels of the sheet: each is centred by height.
    const rise = (hi[1] + lo[1]) / 2 - (o.max[1] + o.min[1]) / 2;
    return (
      <g transform={`translate(${shift[view][0]} ${-rise})`}>
        <text x={o.min[0]} y={-o.max[1] - 2 * px} fontSize={11 * px} fill="currentColor">
          {name}
        </text>
        {o.lines.map((l, i) => (
          <polyline
            key={i}
            points={Array.from({ length: l.length / 2 }, (_, k) => `${l[2 * k]},${-l[2 * k + 1]!}`).join(' ')}
            fill="none"
            stroke="currentColor"
            strokeWidth={1.4 * px}
          />
        ))}
        <line
          x1={0}
          x2={0}
          y1={-o.min[1]}
          y2={-o.max[1]}
          stroke="currentColor"
          strokeWidth={0.7 * px}
          strokeDasharray={`${4 * px} ${3 * px}`}
          opacity={0.6}
        />
        {wires.map((w, i) => (
          <polyline
            key={i}
            points={w
              .map((q) => flat(q))
              .map(([x, y]) => `${x},${-y}`)
              .join(' ')}
            fill="none"
            stroke={CARE}
            strokeWidth={Math.max(frame?.thickMm ?? 0, px)}
            strokeLinejoin="round"
            opacity={0.75}
          />
        ))}
        {plan.zones.map((z, i) => {
          const [a, b] = [flat(local(z.a)), flat(local(z.b))];
          return a[0] === b[0] && a[1] === b[1] ? (
            <circle key={i} cx={a[0]} cy={-a[1]} r={z.radiusMm} fill={HARM} opacity={0.16} />
          ) : (
            <line
              key={i}
              x1={a[0]}
              y1={-a[1]}
              x2={b[0]}
              y2={-b[1]}
              stroke={HARM}
              strokeWidth={2 * z.radiusMm}
              strokeLinecap="round"
              opacity={0.16}
            />
          );
        })}
        {eyes.places.map((e) => {
          // The ball as it sits: its middle lies half its width less the socket out of the skin.
          const R = face.eyes.sizeMm / 2;
          const c = flat(
            local([0, 1, 2].map((k) => e.at[k]! + e.axis[k]! * (R - face.eyes.socketMm)) as unknown as Vec3),
          );
          return <circle key={e.side} cx={c[0]} cy={-c[1]} r={R} fill={UNCHOSEN.eye} opacity={0.85} />;
        })}
        {eyes.stems?.state.lines.map((s) => {
          const b = flat(local(s.b));
          return (
            <g key={s.side}>
              <line
                x1={flat(local(s.a))[0]}
                y1={-flat(local(s.a))[1]}
                x2={b[0]}
                y2={-b[1]}
                stroke={CHOSEN}
                strokeWidth={Math.max(stem.thickMm, 1.2 * px)}
                strokeLinecap="round"
              />
              <Handle
                mark={`stem-${s.side}-${view}`}
                name={`End of the ${s.side} stem, ${name}: ${stem.inDeg}° in, ${stem.downDeg}° down`}
                at={[b[0], -b[1]]}
                px={px}
                // From above the left stem runs to the right as it goes further in.
                onArrow={(right, up) => {
                  if (view === 'above' ? right === 0 : up === 0) return false;
                  return turn(
                    view === 'above'
                      ? { in: stem.inDeg + (s.side === 'left' ? right : -right) }
                      : { down: stem.downDeg - up },
                  );
                }}
                onDrag={(px0, py) => {
                  const x = px0 - shift[view][0];
                  const y = -(py + rise);
                  const a = flat(local(s.a));
                  if (view === 'above')
                    return turn({ in: deg(Math.atan2((s.side === 'left' ? 1 : -1) * (x - a[0]), a[1] - y)) });
                  // From the front only the drop is read; how far in stays as it is.
                  const drop = (a[1] - y) / stem.lengthMm;
                  return turn({ down: deg(Math.asin(Math.max(-0.98, Math.min(0.98, drop)))) });
                }}
              >
                <circle cx={b[0]} cy={-b[1]} r={3.5 * px} fill={SHEET} stroke={CHOSEN} strokeWidth={1.5 * px} />
              </Handle>
            </g>
          );
        })}
      </g>
    );
  };
  return (
    <Box sx={{ position: 'relative', flex: 1, minHeight: 0, bgcolor: 'desk.stage' }}>
      <Box
        component="svg"
        viewBox={`${lo[0]} ${-hi[1]} ${box.w} ${box.h}`}
        role="group"
        aria-label="Eyes and stems inside the head"
        sx={{
          position: 'absolute',
          inset: 0,
          width: '100%',
          height: '100%',
          color: 'text.primary',
          overflow: 'hidden',
        }}
      >
        {panel('above')}
        {panel('front')}
      </Box>
      <Box sx={{ position: 'absolute', left: 12, bottom: 8, display: 'flex', gap: 2, fontSize: 13 }}>
        {face.eyes.kind === 'stem' && <Key colour={CHOSEN} words="stem" />}
        {plan.zones.length > 0 && <Key colour={NO_NEEDLE} words="no needle here" />}
        {(frame?.runs.length ?? 0) > 0 && <Key colour={CARE} words="wire" />}
      </Box>
    </Box>
  );
}

function Key({ colour, words }: { colour: string; words: string }) {
  return (
    <span style={{ display: 'inline-flex', alignItems: 'center', gap: 6 }}>
      <span style={{ width: 16, height: 8, background: colour, display: 'inline-block' }} />
      {words}
    </span>
  );
}

const deg = (r: number): number => Math.round((r * 180) / Math.PI);

function turn(to: { in?: number; down?: number }): void {
  editEyes((e) => {
    if (to.in !== undefined) e.stem.inDeg = intoRange(eyeStemSchema.shape.inDeg, to.in);
    if (to.down !== undefined) e.stem.downDeg = intoRange(eyeStemSchema.shape.downDeg, to.down);
  });
}

/** The hole angles as a gauge to hold against the head. */
export function HoleGauge() {
  const f = useFace();
  if (!f?.plan || f.face.eyes.kind !== 'stem') {
    return <Box sx={{ fontSize: 13 }}>Hole angles are shown here for eyes on a stem.</Box>;
  }
  const { stem } = f.face.eyes;
  return (
    <Box sx={{ display: 'flex', flexWrap: { xs: 'wrap', sm: 'nowrap' }, gap: 3, fontSize: 13, alignItems: 'center' }}>
      <Angle name="inward, seen from above" degrees={Math.round(stem.inDeg)} />
      <Angle name="down, along the hole" degrees={Math.round(stem.downDeg)} />
      <Box sx={{ maxWidth: 260 }}>
        Turn inward first, from straight back of the nose; then let the awl slope down from level along that line. Leave
        it in so that the hole does not close, and look from the front before you glue.
      </Box>
    </Box>
  );
}

function Angle({ name, degrees }: { name: string; degrees: number }) {
  const r = (degrees * Math.PI) / 180;
  const L = 100;
  return (
    <Box>
      <svg width={150} height={112} viewBox="-10 -12 150 112" role="img" aria-label={`${name}: ${degrees}°`}>
        <line x1={0} y1={0} x2={L + 20} y2={0} stroke="currentColor" strokeWidth={1} strokeDasharray="4 3" />
        <line
          x1={0}
          y1={0}
          x2={L * Math.cos(r)}
          y2={L * Math.sin(r)}
          stroke={CHOSEN}
          strokeWidth={4}
          strokeLinecap="round"
        />
        <path
          d={`M40 0A40 40 0 0 ${r >= 0 ? 1 : 0} ${40 * Math.cos(r)} ${40 * Math.sin(r)}`}
          fill="none"
          stroke="currentColor"
        />
        <text x={48} y={r >= 0 ? 16 : -4} fontSize={13} fill="currentColor">
          {degrees}°
        </text>
      </svg>
      <Box>{name}</Box>
    </Box>
  );
}
