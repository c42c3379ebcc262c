'use client';
/** The lay chart on screen: rows at true length over each other, the hem at the bottom, the next row lit. */
import Box from '@mui/material/Box';
import { memo, type MouseEvent } from 'react';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { drawColumn, GUTTER } from '@/sheets/lay-chart-drawing';
import { figures } from '@/ui/frame/theme';
import { useUnits } from '@/ui/parts/useUnits';

const GAP = 12;

interface LayChartPictureProps {
  readonly area: AreaPlan;
  readonly nextRow: number | null;
  readonly done: ReadonlySet<number>;
  /** The row in hand; lit instead of the next one. */
  readonly row?: number | null;
  /** A press on a row; by key the table beside it serves. */
  readonly onRow?: (row: number) => void;
}

/** Drawn again only when its area, the next row or what is done has changed. */
export const LayChartPicture = memo(function LayChartPicture({
  area,
  nextRow: coming,
  done,
  row = null,
  onRow,
}: LayChartPictureProps) {
  const { q } = useUnits();
  const fur = area.fur;
  const nextRow = row ?? coming;
  if (!fur || fur.chart.columns.length === 0) return null;
  const columns = fur.chart.columns.map((c) => ({ c, d: drawColumn(c, fur.chart.spacingMm, fur.chart.dress) }));
  const high = Math.max(...columns.map(({ d }) => d.heightMm));
  const wide = columns.reduce((s, { d }) => s + d.widthMm, 0) + GAP * (columns.length - 1);
  // Marks are in millimetres; type and lines keep their size on screen whatever the scale of the chart.
  const unit = Math.max(wide / 620, high / 136);
  const foot = 15 * unit;
  const places = columns.map((_, i) => columns.slice(0, i).reduce((s, { d }) => s + d.widthMm + GAP, 0));
  const next = fur.rows.rows.find((r) => r.number === nextRow);
  const { unit: laid } = fur.chart.dress;
  return (
    <Box
      component="svg"
      viewBox={`${-2 * unit} 0 ${wide + 4 * unit} ${high + foot}`}
      role="img"
      aria-label={`Lay chart of ${area.name}: ${fur.rows.rows.length} ${fur.rows.rows.length === 1 ? laid.one : laid.many} from ${q({ kind: 'length', value: fur.rows.rows[0]!.lengthMm })} at the hem${next ? `, ${laid.one} ${next.number} ${row === null ? 'next' : 'in hand'}, ${q({ kind: 'rowLength', value: next.lengthMm })} long` : ''}`}
      preserveAspectRatio="xMidYMid meet"
      // Rows are no things of their own for who hears the screen: the table is.
      onClick={(e: MouseEvent) => {
        const pressed = (e.target as Element).closest('[data-row]')?.getAttribute('data-row');
        if (pressed) onRow?.(Number(pressed));
      }}
      sx={{
        width: '100%',
        height: '100%',
        display: 'block',
        ...figures,
        color: 'text.primary',
        ...(onRow ? { '& [data-row]': { cursor: 'pointer' } } : {}),
      }}
    >
      {columns.map(({ c, d }, i) => (
        <g key={i} transform={`translate(${places[i]} ${high - d.heightMm})`}>
          {d.rows.map((r) => {
            const lit = r.number === nextRow;
            const over = done.has(r.number);
            const near = nextRow !== null && Math.abs(r.number - nextRow) * fur.chart.spacingMm < 11 * unit;
            const every =
              r.numbered && !near && (fur.chart.spacingMm / unit >= 11 || r.number === 1 || r.number % 5 === 0);
            return (
              <g
                key={r.number}
                style={{ color: lit ? 'var(--mui-palette-primary-main)' : undefined }}
                opacity={over ? 0.45 : 1}
                data-row={r.number}
              >
                {onRow && (
                  <line
                    x1={0}
                    x2={d.widthMm}
                    y1={r.y}
                    y2={r.y}
                    stroke="transparent"
                    strokeWidth={Math.max(fur.chart.spacingMm, 3 * unit)}
                  />
                )}
                {r.stretches.map((s, k) => (
                  <line
                    key={k}
                    x1={s.x1}
                    x2={s.x2}
                    y1={r.y}
                    y2={r.y}
                    stroke="currentColor"
                    strokeWidth={unit * (lit ? 3 : 1)}
                    strokeDasharray={over ? `${2 * unit} ${2 * unit}` : undefined}
                  />
                ))}
                {/* Tufts too small to tell apart on screen are left to the print. */}
                {(fur.chart.dress.tuft?.pitchMm ?? 0) > 2.5 * unit &&
                  r.tufts.map((b, k) =>
                    d.tallMm > 0 ? (
                      <rect
                        key={`t${k}`}
                        x={b.x1}
                        y={r.y}
                        width={b.x2 - b.x1}
                        height={d.tallMm}
                        fill="none"
                        stroke="currentColor"
                        strokeWidth={0.5 * unit}
                      />
                    ) : (
                      <line
                        key={`t${k}`}
                        x1={b.x1}
                        x2={b.x2}
                        y1={r.y}
                        y2={r.y}
                        stroke="currentColor"
                        strokeWidth={2.4 * unit}
                      />
                    ),
                  )}
                {r.carries &&
                  (r.carries.spots === null
                    ? r.stretches.map((s, k) => (
                        <line
                          key={`m${k}`}
                          x1={s.x1}
                          x2={s.x2}
                          y1={r.y}
                          y2={r.y}
                          stroke={r.carries!.colour}
                          strokeWidth={3.5 * unit}
                        />
                      ))
                    : r.carries.spots.map((x, k) => (
                        <circle key={`m${k}`} cx={x} cy={r.y} r={2.4 * unit} fill={r.carries!.colour} />
                      )))}
                {(every || lit) && (
                  <text
                    x={Math.max(Math.min(...r.stretches.map((s) => s.x1)), GUTTER) - 4 * unit}
                    y={r.y + 3.5 * unit}
                    fontSize={10.5 * unit}
                    textAnchor="end"
                    fill="currentColor"
                    fontWeight={lit ? 700 : 400}
                  >
                    {r.number}
                  </text>
                )}
              </g>
            );
          })}
          <text
            x={GUTTER + (d.widthMm - GUTTER) / 2}
            y={d.heightMm + 11.5 * unit}
            fontSize={11 * unit}
            textAnchor="middle"
            fill="currentColor"
            style={{ fontFamily: 'var(--font-text)', wordSpacing: 0 }}
          >
            {c.label ? `hem · ${c.label}` : 'hem'}
          </text>
        </g>
      ))}
    </Box>
  );
});
