/** How deep: skin, what lies on it, the needle at its angle with its barbs, least and most marked. To scale, mm. */
import type { NeedlePhase } from '@/core/needle/needle-plan';
import type { Needle } from '@/core/piece/cupboard';
import { NeedleShape } from './NeedleShape';
import { CARE, GOOD, HARM } from '@/ui/pictures/colours';

const LEAST = GOOD;
const MOST = HARM;

interface DepthPictureProps {
  readonly phase: NeedlePhase;
  readonly needle: Needle;
  readonly layerMm: number;
  readonly height?: number;
  /** Pixels to the millimetre, where it is to be as large as it is. */
  readonly perMm?: number;
}

export function DepthPicture({ phase: p, needle, layerMm, height: asked = 170, perMm }: DepthPictureProps) {
  const deep = Math.max(p.mostMm, p.strokeMm) + 4;
  const up = 16;
  const tilt = 90 - p.angleDeg;
  const w = 46;
  const height = perMm === undefined ? asked : (deep + up) * perMm;
  const px = (deep + up) / height;
  const s = Math.sin((p.angleDeg * Math.PI) / 180);
  const c = Math.cos((p.angleDeg * Math.PI) / 180);
  // The needle enters at the origin and leans to the left; down is into the felt.
  const along = (mm: number): [number, number] => [c * mm, s * mm];
  const mark = (mm: number, words: string, colour: string) => {
    const [x, y] = along(mm);
    return (
      <g key={words}>
        <line x1={x - 3 * s} y1={y + 3 * c} x2={x + 3 * s} y2={y - 3 * c} stroke={colour} strokeWidth={1.4 * px} />
        <text
          x={w / 2 - 1}
          y={y + (colour === LEAST ? -3 : 12) * px}
          fontSize={12 * px}
          textAnchor="end"
          fill="currentColor"
        >
          {words}
        </text>
        <line
          x1={x + 3 * s}
          y1={y - 3 * c}
          x2={w / 2 - 10}
          y2={y}
          stroke={colour}
          strokeWidth={0.6 * px}
          strokeDasharray={`${2 * px} ${2 * px}`}
        />
      </g>
    );
  };
  const [tx, ty] = along(p.strokeMm);
  return (
    <svg
      width={perMm === undefined ? '100%' : w * perMm}
      height={height}
      style={{ display: 'block' }}
      viewBox={`${-w / 2} ${-up} ${w} ${deep + up}`}
      role="img"
      aria-label={`${p.name} at ${p.angleDeg} degrees, ${p.strokeMm.toFixed(1)} mm deep along the needle`}
    >
      <rect x={-w / 2} y={layerMm} width={w} height={deep} fill="currentColor" opacity={0.13} />
      <rect x={-w / 2} y={0} width={w} height={layerMm} fill={CARE} opacity={0.25} />
      <line x1={-w / 2} x2={w / 2} y1={0} y2={0} stroke="currentColor" strokeWidth={1.2 * px} />
      <g transform={`translate(${tx} ${ty}) rotate(${-tilt})`}>
        <NeedleShape needle={needle} px={px} />
      </g>
      {mark(p.leastMm, `least ${p.leastMm.toFixed(1)}`, LEAST)}
      {mark(p.mostMm, `most ${p.mostMm.toFixed(1)}`, MOST)}
    </svg>
  );
}
