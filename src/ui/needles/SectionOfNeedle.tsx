'use client';
/** The section in the plane of the stab, to scale: skin, layers, felt, wire, stems, and the needle with its barbs; its point is a handle. */
import Box from '@mui/material/Box';
import type { Loop } from '@/core/geometry/slice';
import type { InsideView } from '@/core/needle/inside';
import { needleSchema, type Needle } from '@/core/piece/cupboard';
import { useDesk } from '@/desk/store';
import { boundsOf, intoRange } from '@/core/piece/fields';
import { chosenSchema } from '@/core/piece/work';
import { Handle } from '@/ui/parts/Handle';
import { useUnits } from '@/ui/parts/useUnits';
import { NeedleShape } from './NeedleShape';
import { CARE, CHOSEN, FELT, GOOD, HARM, INK, QUIET_INK, SHEET } from '@/ui/pictures/colours';

interface SectionOfNeedleProps {
  readonly view: InsideView;
  readonly needle: Needle;
  readonly onDrag: (strokeMm: number, angleDeg: number) => void;
}

const path = (l: Loop): string => {
  let d = '';
  for (let i = 0; i < l.length; i += 2) d += `${i === 0 ? 'M' : 'L'}${l[i]!.toFixed(2)} ${(-l[i + 1]!).toFixed(2)}`;
  return `${d}Z`;
};

const angleOf = (deg: number): number => intoRange(chosenSchema.shape.angleDeg, deg);
/** As deep as the longest blade, or not at all. */
const strokeOf = (mm: number): number => Math.max(0, Math.min(boundsOf(needleSchema.shape.bladeMm).most, mm));

export function SectionOfNeedle({ view: v, needle, onDrag }: SectionOfNeedleProps) {
  const { q } = useUnits();
  const open = useDesk((s) => s.piece !== null);
  const s = Math.sin((v.angleDeg * Math.PI) / 180);
  const c = Math.cos((v.angleDeg * Math.PI) / 180);
  // Where the point meets the wool: above the ground by the layers.
  const over = v.layersMm / s;
  const tip: [number, number] = [c * (v.strokeMm - over), -s * (v.strokeMm - over)];
  const deep = Math.max(10, Math.min(v.throughMm + 6, 60), v.strokeMm + 4);
  const up = Math.max(9, v.loftMm + 5, v.layersMm + 6);
  const h = deep + up;
  const w = h * 2.1;
  const px = h / 330;
  const hit = v.says.length > 0;
  return (
    <Box
      component="svg"
      viewBox={`${-w / 2} ${-up} ${w} ${h}`}
      role="group"
      aria-label="Section along the needle, to scale"
      sx={{ width: '100%', height: '100%', color: 'text.primary', overflow: 'hidden' }}
    >
      <g aria-hidden>
        {v.skin.map((l, i) => (
          <path
            key={i}
            d={path(l)}
            fill={FELT.firm}
            fillOpacity={0.25}
            stroke="currentColor"
            strokeWidth={0.8 * px}
            strokeDasharray={`${4 * px} ${3 * px}`}
          />
        ))}
        {v.felt.map((l, i) => (
          <path key={i} d={path(l)} fill={FELT.loose} stroke="currentColor" strokeWidth={1.3 * px} />
        ))}
        {v.layers.map((l, i) => {
          const y = -v.layers.slice(0, i + 1).reduce((m, x) => m + x.thickMm, 0);
          return (
            <rect
              key={l.name + y}
              x={-14 * px * 3}
              y={y}
              width={28 * px * 3}
              height={l.thickMm}
              fill={l.hex}
              stroke={INK}
              strokeWidth={0.3 * px}
            />
          );
        })}
        {v.obstacles.map((o, i) => {
          const same = Math.hypot(o.from[0] - o.to[0], o.from[1] - o.to[1]) < 1e-6;
          const colour = o.what === 'wire' ? CARE : HARM;
          return same ? (
            <circle key={i} cx={o.from[0]} cy={-o.from[1]} r={o.radiusMm} fill={colour} opacity={0.45} />
          ) : (
            <line
              key={i}
              x1={o.from[0]}
              y1={-o.from[1]}
              x2={o.to[0]}
              y2={-o.to[1]}
              stroke={colour}
              strokeWidth={2 * o.radiusMm}
              strokeLinecap="round"
              opacity={o.what === 'wire' ? 0.6 : 0.35}
            />
          );
        })}
        {(
          [
            [v.window.leastMm, GOOD, 'least'],
            [v.window.mostMm, HARM, 'most'],
          ] as const
        ).map(([mm, colour, word]) => {
          const x = c * (mm - over);
          const y = s * (mm - over);
          return (
            <g key={word}>
              <line
                x1={x - 3.2 * s}
                y1={y + 3.2 * c}
                x2={x + 3.2 * s}
                y2={y - 3.2 * c}
                stroke={colour}
                strokeWidth={1.6 * px}
              />
              <text x={x + 3.6 * s} y={y - 3.4 * c + 4 * px} fontSize={12 * px} fill="currentColor">
                {word} {q({ kind: 'fine', value: mm })}
              </text>
            </g>
          );
        })}
        <g transform={`translate(${tip[0]} ${-tip[1]}) rotate(${-(90 - v.angleDeg)})`}>
          <NeedleShape
            needle={needle}
            px={px}
            fill={hit ? HARM : QUIET_INK}
            lit={new Set(v.barbs.flatMap((b, i) => (b.belowMm > 0 ? [i] : [])))}
          />
        </g>
      </g>
      <Handle
        name={`Point of the needle: stroke ${q({ kind: 'fine', value: v.strokeMm })}, ${Math.round(v.angleDeg)} degrees to the skin`}
        at={[tip[0], -tip[1]]}
        px={px}
        can={open}
        onArrow={(right, upward) => {
          if (right !== 0) onDrag(v.strokeMm, angleOf(v.angleDeg - right));
          else onDrag(strokeOf(v.strokeMm - upward * 0.5), v.angleDeg);
        }}
        onDrag={(x, y) => {
          const stroke = Math.hypot(x, y) + over;
          const angle = (Math.atan2(Math.max(0.01, y), Math.max(0, x)) * 180) / Math.PI;
          onDrag(strokeOf(stroke), angleOf(angle));
        }}
      >
        <circle cx={tip[0]} cy={-tip[1]} r={4 * px} fill={SHEET} stroke={CHOSEN} strokeWidth={1.6 * px} />
      </Handle>
      <g aria-hidden transform={`translate(${-w / 2 + 10 * px} ${deep - 10 * px})`}>
        <line x1={0} x2={10} y1={0} y2={0} stroke="currentColor" strokeWidth={1.6 * px} />
        <text x={0} y={-4 * px} fontSize={12 * px} fill="currentColor">
          10 mm
        </text>
      </g>
    </Box>
  );
}
