/** One needle drawn to scale, its point at the origin and its shank upward (y negative). */
import { halfWidthAt, needleDrawing } from '@/core/needle/needle-drawing';
import type { Needle } from '@/core/piece/cupboard';
import { CHOSEN, INK, QUIET_INK } from '@/ui/pictures/colours';

interface NeedleShapeProps {
  readonly needle: Pick<Needle, 'section' | 'thickMm' | 'tipMm' | 'barbs' | 'gapMm' | 'bladeMm'>;
  /** Width of a hair line, mm. */
  readonly px: number;
  readonly fill?: string;
  readonly barbFill?: string;
  /** Barbs to light, by number from the point. */
  readonly lit?: ReadonlySet<number>;
}

export function NeedleShape({ needle, px, fill = QUIET_INK, barbFill = INK, lit }: NeedleShapeProps) {
  const d = needleDrawing(needle);
  const right = d.edge.map(([u, w]) => `${w},${-u}`);
  const left = [...d.edge].reverse().map(([u, w]) => `${-w},${-u}`);
  return (
    <g aria-hidden>
      <polygon points={[...right, ...left].join(' ')} fill={fill} />
      {d.barbs.map((b, i) => {
        const w = halfWidthAt(d, b.at);
        const long = 0.9 * needle.thickMm;
        // A notch that opens toward the point takes fibre in; a reverse one opens toward the shank.
        const dir = d.reversed ? 1 : -1;
        const colour = lit?.has(i) ? CHOSEN : barbFill;
        if (b.side === 0)
          return <circle key={i} cx={0} cy={-b.at} r={Math.max(0.16 * needle.thickMm, 0.8 * px)} fill={colour} />;
        const x = b.side * w;
        const out = b.side * (w + b.outMm);
        return (
          <polygon
            key={i}
            points={`${x},${-b.at} ${out},${-(b.at + dir * -0.15 * long)} ${x},${-(b.at + dir * -long)}`}
            fill={colour}
            stroke={colour}
            strokeWidth={0.6 * px}
          />
        );
      })}
    </g>
  );
}
