'use client';
/**
 * Section through a row that carries a marking: the pile fanning up from the line it is felted along, the band or pinch in
 * its own colour, the cut surface above and the width that shows. To scale.
 */
import Box from '@mui/material/Box';
import { halfAtTop, topAt, type Sandwich } from '@/core/coat/techniques/standing/sandwich';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';

const FIBRES = 61;

export function SandwichPicture({ sandwich: s, name }: { sandwich: Sandwich; name: string }) {
  const { q } = useUnits();
  const h = s.heightMm;
  const half = halfAtTop(s);
  const wide = Math.max(2 * half, s.widthMm) + 6;
  const unit = Math.max(wide / 180, (h + 9) / 150);
  // Wide enough for its words.
  const frame = Math.max(wide, 180 * unit);
  return (
    <Box
      component="svg"
      viewBox={`${-frame / 2} ${-h - 5 * unit - 2} ${frame} ${h + 26 * unit}`}
      role="img"
      aria-label={`Section through a ${s.kind} row of ${name}: ${q({ kind: 'length', value: s.widthMm })} wide at the top of a pile ${q({ kind: 'length', value: h })} high`}
      preserveAspectRatio="xMidYMid meet"
      sx={{ width: '100%', height: '100%', display: 'block', ...figures, color: 'text.primary' }}
    >
      {Array.from({ length: FIBRES }, (_, i) => {
        const x = ((i - (FIBRES - 1) / 2) / ((FIBRES - 1) / 2)) * half;
        const band = Math.abs(x) <= s.widthMm / 2;
        return (
          <line
            key={i}
            x1={x * 0.08}
            y1={0}
            x2={x}
            y2={-topAt(s, x)}
            stroke={band ? s.markingColour : s.groundColour}
            strokeWidth={(2 * half) / FIBRES}
          />
        );
      })}
      <line x1={-wide / 2} x2={wide / 2} y1={0} y2={0} stroke="currentColor" strokeWidth={1.2 * unit} />
      <path
        d={`M${-s.widthMm / 2} ${-h - 1.5 * unit}v${-3 * unit}H${s.widthMm / 2}v${3 * unit}`}
        fill="none"
        stroke="currentColor"
        strokeWidth={unit}
      />
      <text
        x={0}
        y={12 * unit}
        fontSize={10.5 * unit}
        textAnchor="middle"
        fill="currentColor"
        style={{ fontFamily: 'var(--font-text)', wordSpacing: 0 }}
      >
        {q({ kind: 'length', value: s.widthMm })} wide, edges over {q({ kind: 'length', value: s.blurMm })}
      </text>
    </Box>
  );
}
