'use client';
/** The sheet to felt, to scale: its outline with the anchoring round the surface it covers, and the slit. */
import Box from '@mui/material/Box';
import type { SheetCut } from '@/core/coat/techniques/sheet/sheet-cut';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';

export function SheetPicture({ sheet, name }: { sheet: SheetCut; name: string }) {
  const { q } = useUnits();
  const gap = 40;
  const wide = sheet.pieces.reduce((s, p) => s + p.acrossMm + gap, -gap);
  const high = Math.max(...sheet.pieces.map((p) => p.alongMm));
  const unit = Math.max(wide / 560, high / 140);
  const places = sheet.pieces.map((_, i) => sheet.pieces.slice(0, i).reduce((s, p) => s + p.acrossMm + gap, 0));
  return (
    <Box
      component="svg"
      viewBox={`${-2 * unit} ${-2 * unit} ${wide + 4 * unit} ${high + 20 * unit}`}
      role="img"
      aria-label={`Sheet for ${name}: ${sheet.pieces.map((p) => `${p.count === 2 ? 'two of ' : ''}${q({ kind: 'length', value: p.acrossMm })} by ${q({ kind: 'length', value: p.alongMm })}`).join(', ')}`}
      preserveAspectRatio="xMidYMid meet"
      sx={{ width: '100%', height: '100%', display: 'block', ...figures, color: 'text.primary' }}
    >
      {sheet.pieces.map((p, i) => {
        const a = sheet.anchorMm;
        const middle = p.acrossMm / 2;
        const y = (at: number) => high - a - at;
        const side = (s: number) => p.widths.map((w) => `${middle + (s * w.widthMm) / 2} ${y(w.atMm)}`);
        return (
          <g key={i} transform={`translate(${places[i]} 0)`}>
            <rect
              x={0}
              y={high - p.alongMm}
              width={p.acrossMm}
              height={p.alongMm}
              fill="none"
              stroke="currentColor"
              strokeWidth={unit}
            />
            <path
              d={`M${[...side(-1), ...side(1).reverse()].join('L')}Z`}
              fill="currentColor"
              fillOpacity={0.08}
              stroke="currentColor"
              strokeWidth={0.7 * unit}
              strokeDasharray={`${4 * unit} ${3 * unit}`}
            />
            {sheet.slit && i === 0 && (
              <line
                x1={middle}
                x2={middle}
                y1={high - sheet.slit.fromEdgeMm}
                y2={high - sheet.slit.fromEdgeMm - sheet.slit.lengthMm}
                stroke="currentColor"
                strokeWidth={2.5 * unit}
              />
            )}
            <text
              x={middle}
              y={high + 13 * unit}
              fontSize={10.5 * unit}
              textAnchor="middle"
              fill="currentColor"
              style={{ fontFamily: 'var(--font-text)', wordSpacing: 0 }}
            >
              {p.count === 2 ? '2 of ' : ''}
              {q({ kind: 'length', value: p.acrossMm })} × {q({ kind: 'length', value: p.alongMm })}
            </text>
          </g>
        );
      })}
    </Box>
  );
}
