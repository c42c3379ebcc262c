/**
 * The printed sheets of a piece: what it takes, the cut list, the order, what to decide, and each area's lay chart at
 * true scale, tiled over as many pages as it needs with an overlap to join them by.
 */
import { judged, toDecide } from '@/core/known-findings';
import { isAbout } from '@/core/ref';
import { massOf, woolIn } from '@/core/materials';
import { stepNeedleWords } from '@/core/needle/words';
import type { AreaPlan } from '@/core/coat/coat-plan';
import { wayOf } from '@/core/coat/ways';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { between, format, masses, timeSpan, words, type Units } from '@/units/units';
import { woolWords } from '@/units/wool-words';
import { drawColumn, GUTTER, type ColumnDrawing } from './lay-chart-drawing';
import { buildSheets } from './build-sheets';
import { coatTables } from './coat-tables';
import { faceSheets } from './face-sheets';
import { markingSheets, shadeTables } from './shade-sheets';
import { MARGIN, Paper, type SheetOptions } from './paper';
import { BAR, TILE_BOTTOM, TILE_TOP, joinMarks, NO_JOINS, OVERLAP, tiles, type Joins, type TilePlace } from './tiling';

const GAP = 6;

export async function rowSheets(piece: Piece, plan: Plan, cupboard: Cupboard, o: SheetOptions): Promise<Uint8Array> {
  const u = o.units;
  const day = o.date.toISOString().slice(0, 10);
  const paper = new Paper(`${piece.name}: row sheets`, `${piece.name} · Fond Badger · ${day}`, o);
  const mm = (value: number) => format({ kind: 'length', value }, u);
  const g = (value: number) => format({ kind: 'mass', value }, u);

  paper.heading(piece.name, 'H1');
  paper.paragraph(
    `${mm(plan.form.finishedMm)} nose to tail, ${mm(plan.form.heightMm)} high, 1 : ${plan.form.scale.value.toFixed(1).replace(/\.0$/, '')} of life. ` +
      `${g(plan.stock.needG)} of wool (${between(plan.stock.span, 'mass', u)}), ${format({ kind: 'rowLength', value: plan.coat.totals.rowsMm }, u)} of rows, ` +
      `${timeSpan(plan.work.span)}, of work.`,
  );
  paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.y + 1), BAR);
  paper.y += 8;

  paper.heading('Cut list', 'H2');
  const lays = plan.work.steps.filter((s) => s.operation.kind === 'lay');
  paper.table(
    ['Area', 'How', 'Wool', 'Cut', 'Rows', 'Apart', 'Length of rows', 'Wool to take', 'Base hidden'],
    [27, 25, 27, 16, 12, 14, 19, 17, 16],
    [false, false, false, true, true, true, true, true, true],
    lays.map((s) => {
      const a = plan.coat.areas.find((x) => isAbout(s.operation, 'area', x.id))!;
      const spec = piece.areas.find((x) => x.id === a.id)!.coat;
      const f = a.fur!.figures;
      return [
        a.name,
        wayOf(a.fur!.method).title,
        woolWords(a.fur!.draws, cupboard.lots, (x) => masses(x, u)).join(', '),
        f.cutLength ? format(f.cutLength, u) : '',
        format(f.rows, u),
        'spacingMm' in spec ? mm(spec.spacingMm) : '',
        format(f.rowLength, u),
        g(massOf(a.fur!.draws)),
        format(f.cover, u),
      ];
    }),
  );

  coatTables(paper, plan, u);
  shadeTables(paper, plan, u);

  paper.heading('Wool from the cupboard', 'H2');
  paper.table(
    ['Wool', 'Needed', 'Between', 'Used', 'At hand', 'Short', 'Cost'],
    [46, 18, 28, 18, 18, 18, 18],
    [false, true, true, true, true, true, true],
    plan.stock.lots.map((l) => [
      l.name,
      g(l.needG),
      between(l.span, 'mass', u),
      l.usedG > 0 ? g(l.usedG) : '',
      g(l.haveG),
      l.shortG > 0 ? g(l.shortG) : 'no',
      l.cost ? format(l.cost, u) : 'no price',
    ]),
  );

  const open = judged(plan.findings, piece.known).filter(toDecide);
  if (open.length > 0) {
    paper.heading('To decide before cutting', 'H2');
    for (const f of open) {
      const where = plan.coat.areas.find((a) => isAbout(f, 'area', a.id))?.name;
      const mark = `${f.severity === 'stop' ? 'Stop' : 'Caution'}${where ? `, ${where}` : ''}`;
      paper.paragraph(`${mark}: ${words(f.says, u)} ${words(f.why, u)}`);
    }
    paper.y += 2;
  }

  paper.heading('Order of the work', 'H2');
  paper.table(
    ['', 'Step', 'Wool', 'Passes and needle', 'Time'],
    [6, 58, 16, 62, 16],
    [true, false, true, false, true],
    plan.work.steps.map((s) => [
      String(s.number),
      words(s.operation.does, u),
      woolIn(s.operation).length > 0 ? g(massOf(woolIn(s.operation))) : '',
      [s.operation.passes, stepNeedleWords(plan.needles, s.operation.id)]
        .flatMap((t) => (t ? [words(t, u)] : []))
        .join('. '),
      format({ kind: 'time', value: s.operation.minutes }, u),
    ]),
  );
  paper.paragraph(
    'Needles are barbed and break: eyes on the point, fingers flat or guarded, count your needles before and after, and never leave one in the piece. ' +
      'A realistic piece is a display piece, not a toy for a small child.',
    { size: 8.5 },
  );

  faceSheets(paper, piece, plan, cupboard, u);
  markingSheets(paper, piece, plan, u);
  buildSheets(paper, plan, u);
  layCharts(
    paper,
    plan,
    lays.map((s) => plan.coat.areas.find((a) => isAbout(s.operation, 'area', a.id))!),
    u,
  );
  return paper.bytes();
}

/** What stands over every chart. */
function chartHead(paper: Paper, plan: Plan, area: AreaPlan, u: Units, part: string, more: string): void {
  paper.heading(`${area.name}: lay chart${part}`, 'H2');
  paper.paragraph(`${chartWords(area, area.fur!.lotName, u)}${more}`, { size: 9 });
}

/** What a chart shows, in a sentence or two. */
function chartWords(area: AreaPlan, wool: string, u: Units): string {
  const fur = area.fur!;
  const { unit } = fur.chart.dress;
  const n = fur.rows.rows.length;
  const apart = fur.docket.spacing.map((v) => format({ kind: 'length', value: v }, u)).join(' to ');
  const cut = fur.figures.cutLength;
  const what = `${n} ${n === 1 ? unit.one : unit.many}${apart && n > 1 ? `, ${apart} apart` : ''}, at true size. Begin at the hem, at the bottom. `;
  if (wayOf(fur.method).takes === 'locks') return `${what}Set locks of ${wool} at least ${format(cut!, u)} long.`;
  if (wayOf(fur.method).takes === 'feathers')
    return `${what}Cut feathers ${format(cut!, u)} long out of a felted sheet of ${wool}.`;
  return cut ? `${what}Cut ${format(cut, u)} lengths of ${wool}.` : `${what}${wool}.`;
}

const altText = (area: AreaPlan): string =>
  `Lay chart of ${area.name}: ${area.fur!.rows.rows.length} ${area.fur!.chart.dress.unit.many} at true length, hem at the bottom`;

/** Charts that fit share pages, several to a page; a larger one is tiled. */
export function layCharts(paper: Paper, plan: Plan, areas: readonly AreaPlan[], u: Units): void {
  let open = false;
  for (const area of areas) {
    const drawings = area.fur!.chart.columns.map((c) => ({
      c,
      d: drawColumn(c, area.fur!.chart.spacingMm, area.fur!.chart.dress),
    }));
    const wide = drawings.reduce((s, { d }) => s + d.widthMm, 0) + GAP * (drawings.length - 1);
    const high = Math.max(...drawings.map(({ d }) => d.heightMm));
    const fits = wide <= paper.innerWidth && high <= paper.height - TILE_TOP - TILE_BOTTOM - 6;
    if (!fits) {
      tiledChart(paper, plan, area, u);
      open = false;
      continue;
    }
    if (!open || paper.y + high + 30 > paper.height - TILE_BOTTOM) {
      paper.newPage();
      paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
      open = true;
    }
    chartHead(paper, plan, area, u, '', '');
    paper.tagged(
      'Figure',
      () => {
        let x = MARGIN;
        for (const { c, d } of drawings) {
          const y = paper.y + high - d.heightMm;
          tile(paper, d, { x, y, w: d.widthMm, h: d.heightMm, fromX: 0, fromY: 0 }, NO_JOINS);
          if (c.label) paper.text(c.label, x, paper.y + high, { size: 8, grey: true, width: Math.max(d.widthMm, 30) });
          x += d.widthMm + GAP;
        }
      },
      altText(area),
    );
    paper.y += high + 10;
  }
}

function tiledChart(paper: Paper, plan: Plan, area: AreaPlan, u: Units): void {
  const fur = area.fur!;
  fur.chart.columns.forEach((column, index) => {
    const d = drawColumn(column, fur.chart.spacingMm, fur.chart.dress);
    const w = paper.innerWidth;
    const h = paper.height - TILE_TOP - TILE_BOTTOM;
    const across = tiles(d.widthMm, w);
    const down = tiles(d.heightMm, h);
    const which = [fur.chart.columns.length > 1 ? `${index + 1} of ${fur.chart.columns.length}` : '', column.label];
    const part = which.some(Boolean) ? ` (${which.filter(Boolean).join(', ')})` : '';
    // Tiles that nothing falls on are not printed.
    const sheets = Array.from({ length: across * down }, (_, n) => ({ i: n % across, j: Math.floor(n / across) }))
      .map((t) => ({ ...t, fromX: t.i * (w - OVERLAP), fromY: t.j * (h - OVERLAP) }))
      .filter((t) => touches(d, t.fromX, t.fromY, w, h));
    sheets.forEach(({ i, j, fromX, fromY }, n) => {
      paper.newPage();
      const more =
        sheets.length > 1 ? ` Sheet ${n + 1} of ${sheets.length}: lay the dashed lines over each other.` : '';
      chartHead(paper, plan, area, u, part, more);
      paper.tagged(
        'Figure',
        () => {
          const joins = { left: i > 0, right: i < across - 1, above: j > 0, below: j < down - 1 };
          tile(paper, d, { x: MARGIN, y: TILE_TOP, w, h, fromX, fromY }, joins);
          paper.checkBar(MARGIN, paper.height - 18);
        },
        altText(area),
      );
    });
  });
}

/** Does any stretch of row fall on this part of the drawing. */
const touches = (d: ColumnDrawing, x: number, y: number, w: number, h: number): boolean =>
  d.rows.some((r) => r.y >= y && r.y <= y + h && r.stretches.some((s) => s.x2 >= x && s.x1 <= x + w));

function tile(paper: Paper, d: ColumnDrawing, p: TilePlace, joins: Joins): void {
  const at = (x: number, y: number): [number, number] => [p.x + x - p.fromX, p.y + y - p.fromY];
  paper.clipped(p.x - 0.3, p.y - 0.3, p.w + 0.6, p.h + 0.6, () => {
    for (const r of d.rows) {
      if (r.y < p.fromY - 2 || r.y > p.fromY + p.h + 2) continue;
      for (const s of r.stretches) {
        const [x1, y] = at(s.x1, r.y);
        const [x2] = at(s.x2, r.y);
        paper.line(x1, y, x2, y, 0.3);
        if (r.carries && r.carries.spots === null) paper.line(x1, y - 0.6, x2, y - 0.6, 0.9);
        // A tick every 10 mm helps to space the pinches.
        if (r.tufts.length === 0) for (let t = 10; t < s.x2 - s.x1; t += 10) paper.line(x1 + t, y, x1 + t, y - 1, 0.15);
      }
      for (const b of r.tufts) {
        const [x1, y] = at(b.x1, r.y);
        const [x2] = at(b.x2, r.y);
        if (d.tallMm > 0) {
          for (const [u, v, w, z] of [
            [x1, y, x1, y + d.tallMm],
            [x2, y, x2, y + d.tallMm],
            [x1, y + d.tallMm, x2, y + d.tallMm],
          ] as const)
            paper.line(u, v, w, z, 0.12);
        } else paper.line(x1, y, x2, y, 0.7);
      }
      for (const x of r.carries?.spots ?? []) {
        const [cx, cy] = at(x, r.y);
        paper.line(cx - 1, cy, cx + 1, cy, 1.6);
      }
      if (!r.numbered) continue;
      const begin = Math.max(Math.min(...r.stretches.map((s) => s.x1)), p.fromX + GUTTER);
      const [x, y] = at(begin, r.y);
      paper.text(String(r.number), x - 8.5, y - 1.3, { size: 6.5, width: 7.5, align: 'right' });
    }
  });
  joinMarks(paper, p, joins);
}
