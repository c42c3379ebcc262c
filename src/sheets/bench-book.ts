/**
 * The bench book: every step left in the order of the sittings, with its figures, where on the animal it is, needle and
 * depth as a drawing, its caution; then the lay charts at true size and the face card bound in.
 */
import { shareOf, woolIn } from '@/core/materials';
import { halfWidthAt, needleDrawing } from '@/core/needle/needle-drawing';
import { limitWords, type NeedlePhase } from '@/core/needle/needle-plan';
import { phaseInFull, stabsWords } from '@/core/needle/words';
import type { Cupboard, Needle } from '@/core/piece/cupboard';
import type { Hand } from '@/core/piece/hand';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import type { Step } from '@/core/order/order';
import type { Sitting } from '@/core/order/work';
import { between, format, timeSpan, words, type Units } from '@/units/units';
import { weighed, woolWords } from '@/units/wool-words';
import { faceSheets } from './face-sheets';
import { MARGIN, Paper, type SheetOptions } from './paper';
import { layCharts } from './row-sheets';
import { whereOnAnimal, type WherePicture } from './where-picture';

const WHERE_W = 36;
const NEEDLE_W = 34;
const PICTURE_H = 26;
const LEAST_H = 30;

export async function benchBook(
  piece: Piece,
  plan: Plan,
  cupboard: Cupboard,
  hand: Hand,
  o: SheetOptions,
): Promise<Uint8Array> {
  const u = o.units;
  const day = o.date.toISOString().slice(0, 10);
  const paper = new Paper(`${piece.name}: bench book`, `${piece.name} · bench book · Fond Badger · ${day}`, o);
  const { work } = plan;
  const done = work.progress.filter((p) => p.share >= 1).length;
  paper.heading(`${piece.name}: bench book`, 'H1');
  paper.paragraph(
    `${work.steps.length - done} steps left${done > 0 ? `, ${done} done` : ''}, ${timeSpan(work.spanLeft)}, in ${work.sittings.length} sittings` +
      `${work.finishDate ? `, done on ${work.finishDate}` : ''}. ${format({ kind: 'mass', value: plan.stock.needG }, u)} of wool (${between(plan.stock.span, 'mass', u)}).`,
  );
  paper.paragraph(
    'Needles are barbed and break: eyes on the point, fingers flat or guarded, count your needles before and after every sitting, and never leave one in the piece. ' +
      'A realistic piece is a display piece, not a toy for a small child.',
    { size: 9 },
  );
  if (work.sittings.length === 0) paper.paragraph('Nothing is left to do.');
  const where = whereOnAnimal(piece, plan);
  for (const s of work.sittings) {
    sittingHead(paper, s, cupboard, hand, u);
    for (const x of s.stints) {
      const step = work.steps.find((y) => y.operation.id === x.id)!;
      stepBlock(paper, plan, cupboard, hand, step, x.from, x.to, x.minutes, where(step.operation), u);
    }
    paper.paragraph(`${words(s.stopsAt, u)}.`, { size: 9, bold: true });
    for (const t of s.softAtEnd) paper.paragraph(words(t, u), { size: 9 });
    paper.paragraph('Needles counted:  before ______   after ______', { size: 9 });
  }
  faceSheets(paper, piece, plan, cupboard, u);
  const left = new Set(work.progress.filter((p) => p.share < 1).map((p) => p.id));
  layCharts(
    paper,
    plan,
    plan.coat.areas.filter((a) => a.fur && left.has(`lay-${a.id}`)),
    u,
  );
  return paper.bytes();
}

function sittingHead(paper: Paper, s: Sitting, cupboard: Cupboard, hand: Hand, u: Units): void {
  paper.room(40);
  paper.y += 2;
  paper.heading(
    `Sitting ${s.number}${s.date ? `, ${s.date}` : ''}: ${format({ kind: 'time', value: s.minutes }, u)}`,
    'H2',
  );
  const out = [
    ...woolWords(s.wool, cupboard.lots, (g) => weighed(g, hand, u)),
    ...s.needles.map((id) => cupboard.needles.find((n) => n.id === id)?.name ?? id),
    ...s.things.map((t) => words(t, u)),
  ];
  paper.paragraph(`${words(s.startsAt, u)}. Take out: ${out.join(', ') || 'nothing'}.`, { size: 9 });
  for (const t of s.softAtStart) paper.paragraph(words(t, u), { size: 9 });
}

function stepBlock(
  paper: Paper,
  plan: Plan,
  cupboard: Cupboard,
  hand: Hand,
  step: Step,
  from: number,
  to: number,
  minutes: number,
  where: WherePicture | null,
  u: Units,
): void {
  const { number, operation: o } = step;
  const needle = plan.needles.steps.find((n) => n.operationId === o.id);
  const first = needle?.phases[needle.phases.length - 1];
  const owned = cupboard.needles.find((n) => n.id === first?.needleId);
  const pictures = (where ? WHERE_W : 0) + (first && owned ? NEEDLE_W : 0);
  const width = paper.innerWidth - pictures - 4 - 10;
  const part =
    to - from < 0.999 && o.rows > 1
      ? `Rows ${Math.round(from * o.rows) + 1} to ${Math.round(to * o.rows)} of ${o.rows}. `
      : to - from < 0.999
        ? `${from > 0 ? 'The rest' : 'A part'} of it. `
        : '';
  const figures = [
    format({ kind: 'time', value: minutes }, u),
    ...woolWords(shareOf(woolIn(o), to - from), cupboard.lots, (g) => weighed(g, hand, u)),
    o.cutLengthMm !== null ? `cut ${format({ kind: 'length', value: o.cutLengthMm }, u)}` : '',
    o.rows > 1 ? `${o.rows} rows` : '',
  ].filter(Boolean);
  const lines: { s: string; size: number; bold?: boolean; grey?: boolean }[] = [
    { s: words(o.does, u), size: 10.5, bold: true },
    { s: `${part}${figures.join(', ')}.`, size: 9 },
    ...(o.passes ? [{ s: `${words(o.passes, u)}.`, size: 9 }] : []),
    ...(step.paleAfterDark
      ? [{ s: `Pale after dark, so keep a clean mat: ${words(step.paleAfterDark, u)}`, size: 9 }]
      : []),
    ...(needle?.phases ?? []).flatMap((p) => [
      { s: `${words(phaseInFull(p), u)}. ${words(stabsWords(p), u)}.`, size: 9 },
      ...p.tight.map((t) => ({ s: `${words(t, u)}.`, size: 8.5 })),
    ]),
    ...(o.needlework && !first ? [{ s: 'No needle in the rack can do this.', size: 9, bold: true }] : []),
    ...(o.wait
      ? [{ s: `${words(o.wait.says, u)} ${format({ kind: 'time', value: o.wait.minutes }, u)}.`, size: 9 }]
      : []),
    ...(o.caution ? [{ s: words(o.caution, u), size: 8, grey: true }] : []),
  ];
  const high = lines.reduce(
    (h, l) => h + paper.lines(l.s, width, l.size, l.bold).length * ((l.size * 1.32 * 25.4) / 72) + 0.5,
    0,
  );
  const block = Math.max(high, pictures > 0 ? PICTURE_H + 3 : 0, pictures > 0 ? LEAST_H : 8) + 3;
  paper.room(block);
  const top = paper.y;
  paper.tagged('P', () => {
    paper.text(String(number), MARGIN, top, { size: 10.5, bold: true, width: 8, align: 'right' });
    let y = top;
    for (const l of lines)
      y += paper.text(l.s, MARGIN + 10, y, { size: l.size, bold: l.bold ?? false, grey: l.grey ?? false, width }) + 0.5;
  });
  paper.artifact(() => {
    // A box to tick.
    const x = MARGIN + 3;
    const y = top + 6;
    for (const [a, b, c, d] of [
      [0, 0, 4, 0],
      [4, 0, 4, 4],
      [4, 4, 0, 4],
      [0, 4, 0, 0],
    ] as const)
      paper.line(x + a, y + b, x + c, y + d, 0.25);
  });
  let x = paper.width - MARGIN - pictures;
  if (where) {
    paper.tagged(
      'Figure',
      () => drawWhere(paper, where, x, top, WHERE_W - 3, PICTURE_H),
      `Where on the animal: step ${number}, seen from ${where.side === 'left' ? 'its left' : where.side === 'front' ? 'the front' : 'above'}`,
    );
    x += WHERE_W;
  }
  if (first && owned)
    paper.tagged(
      'Figure',
      () =>
        drawDepth(
          paper,
          first,
          owned,
          needle!.kind === 'through' ? 0 : needle!.layerMm,
          x,
          top,
          NEEDLE_W - 2,
          PICTURE_H,
          u,
        ),
      `${first.name} at ${first.angleDeg} degrees to the skin, ${format({ kind: 'fine', value: first.strokeMm }, u)} along the needle; ${limitWords(first.limit)} after ${format({ kind: 'fine', value: first.mostMm }, u)}`,
    );
  paper.y = top + block - 2;
  paper.artifact(() => paper.line(MARGIN, paper.y, paper.width - MARGIN, paper.y, 0.1));
  paper.y += 2;
}

function drawWhere(paper: Paper, p: WherePicture, x: number, y: number, w: number, h: number): void {
  const { min, max, lines } = p.outline;
  const k = Math.min(w / (max[0] - min[0]), h / (max[1] - min[1]));
  const dx = x + (w - k * (max[0] - min[0])) / 2;
  const at = (px: number, py: number): [number, number] => [dx + k * (px - min[0]), y + h - k * (py - min[1])];
  for (const l of lines) {
    const points: [number, number][] = [];
    for (let i = 0; i < l.length; i += 2) points.push(at(l[i]!, l[i + 1]!));
    if (points.length > 1) paper.polyline(points, 0.15, false);
  }
  for (const l of p.lines)
    paper.polyline(
      l.map(([a, b]) => at(a, b)),
      0.9,
      false,
    );
  for (const [a, b] of p.dots) {
    const [cx, cy] = at(a, b);
    const r = p.dots.length > 20 ? 0.32 : 0.7;
    paper.polygon(
      [
        [cx - r, cy],
        [cx, cy - r],
        [cx + r, cy],
        [cx, cy + r],
      ],
      '#1f4b73',
    );
  }
}

/** The needle at its angle in the felt, one and a half times life size at most; least and most marked. */
function drawDepth(
  paper: Paper,
  p: NeedlePhase,
  n: Needle,
  layerMm: number,
  x: number,
  y: number,
  w: number,
  h: number,
  u: Units,
): void {
  const deep = Math.max(p.mostMm, p.strokeMm) + 2;
  const up = 9;
  const k = Math.min(1.5, h / (deep + up));
  const cx = x + w * 0.36;
  const cy = y + up * k;
  const s = Math.sin((p.angleDeg * Math.PI) / 180);
  const c = Math.cos((p.angleDeg * Math.PI) / 180);
  const inFelt = (along: number, side: number): [number, number] => [
    cx + k * (c * along + s * side),
    cy + k * (s * along - c * side),
  ];
  paper.clipped(x, y, w, h, () => {
    paper.polygon(
      [
        [x, cy + k * layerMm],
        [x + w, cy + k * layerMm],
        [x + w, y + h],
        [x, y + h],
      ],
      '#e4e2dd',
    );
    if (layerMm > 0.05)
      paper.polygon(
        [
          [x, cy],
          [x + w, cy],
          [x + w, cy + k * layerMm],
          [x, cy + k * layerMm],
        ],
        '#cdbb98',
      );
    paper.line(x, cy, x + w, cy, 0.25);
    const d = needleDrawing(n);
    const edge = (side: 1 | -1) => d.edge.map(([v, half]) => inFelt(p.strokeMm - v, side * half));
    paper.polygon([...edge(1), ...edge(-1).reverse()], '#54595b');
    for (const b of d.barbs) {
      const half = halfWidthAt(d, b.at);
      const a = p.strokeMm - b.at;
      const side = b.side === 0 ? 1 : b.side;
      paper.polygon(
        [inFelt(a, side * half), inFelt(a + 0.5, side * (half + b.outMm)), inFelt(a - 0.4, side * half)],
        '#1c2022',
      );
    }
    for (const [along, word] of [
      [p.leastMm, 'least'],
      [p.mostMm, 'most'],
    ] as const) {
      const [a, b] = [inFelt(along, 2), inFelt(along, -2)];
      paper.line(a[0], a[1], b[0], b[1], 0.35);
      paper.text(
        `${word} ${format({ kind: 'fine', value: along }, u)}`,
        x + w - 15,
        inFelt(along, 0)[1] - (word === 'least' ? 2.6 : 0.2),
        { size: 6, width: 15, align: 'right' },
      );
    }
  });
}
