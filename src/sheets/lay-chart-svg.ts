/** A lay chart as an SVG file at true scale (1 unit = 1 mm), all its columns side by side. */
import type { AreaPlan } from '@/core/coat/coat-plan';
import { drawColumn } from './lay-chart-drawing';

const escape = (s: string): string =>
  s.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c]!);
const n = (x: number): string => String(Math.round(x * 100) / 100);

/** @returns null for an area without rows */
export function layChartSvg(area: AreaPlan): string | null {
  if (!area.fur || area.fur.chart.columns.length === 0) return null;
  const chart = area.fur.chart;
  const top = 14;
  const gap = 12;
  let x = 6;
  let tallest = 0;
  const body: string[] = [];
  const columns = chart.columns.map((c) => ({ c, d: drawColumn(c, chart.spacingMm, chart.dress) }));
  for (const { d } of columns) tallest = Math.max(tallest, d.heightMm);
  for (const { c, d } of columns) {
    const y = top + tallest - d.heightMm;
    const rows = d.rows.map((r) => {
      const lines = r.stretches.map((s) => `<path d="M${n(s.x1)} ${n(r.y)}H${n(s.x2)}"/>`).join('');
      const label = r.numbered
        ? `<text x="${n(Math.min(...r.stretches.map((s) => s.x1)) - 1)}" y="${n(r.y + 0.8)}">${r.number}</text>`
        : '';
      const tufts = r.tufts
        .map((b) =>
          d.tallMm > 0
            ? `<path class="b" d="M${n(b.x1)} ${n(r.y)}v${n(d.tallMm)}H${n(b.x2)}v${n(-d.tallMm)}"/>`
            : `<path class="u" d="M${n(b.x1)} ${n(r.y)}H${n(b.x2)}"/>`,
        )
        .join('');
      const marks = !r.carries
        ? ''
        : r.carries.spots === null
          ? r.stretches
              .map(
                (s) =>
                  `<path style="stroke:${r.carries!.colour};stroke-width:.9" d="M${n(s.x1)} ${n(r.y - 0.6)}H${n(s.x2)}"/>`,
              )
              .join('')
          : r.carries.spots
              .map((x) => `<circle fill="${r.carries!.colour}" cx="${n(x)}" cy="${n(r.y)}" r="1"/>`)
              .join('');
      return lines + tufts + marks + label;
    });
    body.push(
      `<g transform="translate(${n(x)} ${n(y)})">${rows.join('')}</g>`,
      c.label ? `<text class="c" x="${n(x + d.widthMm / 2)}" y="${n(top + tallest + 5)}">${c.label}</text>` : '',
    );
    x += d.widthMm + gap;
  }
  const width = Math.max(x - gap + 6, 62);
  const height = top + tallest + 16;
  const bar = height - 5;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}">
<title>${escape(`${area.name}: lay chart, hem at the bottom`)}</title>
<style>path{stroke:#000;stroke-width:.25;fill:none}text{font:2.4px sans-serif;text-anchor:end}.b{stroke-width:.12}.u{stroke-width:.7}.c{text-anchor:middle}.t{font-size:4px;text-anchor:start}</style>
<text class="t" x="6" y="8">${escape(area.name)}: ${area.fur.rows.rows.length} ${area.fur.rows.rows.length === 1 ? chart.dress.unit.one : chart.dress.unit.many}, hem at the bottom</text>
${body.join('\n')}
<path d="M6 ${n(bar)}H56M6 ${n(bar - 1.5)}v3M56 ${n(bar - 1.5)}v3"/><text class="t" style="font-size:2.4px" x="58" y="${n(bar + 0.8)}">50 mm</text>
</svg>
`;
}
