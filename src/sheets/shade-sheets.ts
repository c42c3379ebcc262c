/**
 * The colours of a piece on paper: every area's layers from below, and each marking as a guide at true size to pin on.
 * Stripes are drawn straightened along their middle line with a tick every centimetre, ovals as they lie flat.
 */
import type { PieceMarking } from '@/core/piece/shade';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import type { MarkingPlan } from '@/core/shade/shade-plan';
import { format, type Units } from '@/units/units';
import { MARGIN, type Paper } from './paper';
import { BAR, TILE_BOTTOM } from './tiling';

const SAYS: Readonly<Record<string, string>> = {
  coat: 'coat',
  'deep line': 'deep line',
  'veil over the shadow': 'veil over it',
  raised: 'raised with the reverse needle',
};

export function shadeTables(paper: Paper, plan: Plan, u: Units): void {
  const layered = plan.shade.areas.filter((a) => a.layers.length > 1);
  if (layered.length > 0) {
    paper.heading('Layers of colour, from below', 'H2');
    paper.table(
      ['Area', 'Layer', 'Wool', 'On a cm²', 'Wool to take'],
      [32, 36, 62, 22, 22],
      [false, false, false, true, true],
      layered.flatMap((a) =>
        a.layers.map((l, i) => [
          i === 0 ? a.name : '',
          `${SAYS[l.says] ?? l.says}${l.amount ? `, ${l.amount}` : l.share !== null ? `, ${format({ kind: 'share', value: l.share }, u)}` : ''}`,
          l.wool,
          l.mass && l.share === null ? format({ kind: 'areal', value: l.arealMgCm2 }, u) : '',
          l.mass ? format(l.mass, u) : '',
        ]),
      ),
    );
  }
  const lost = plan.shade.judged.pairs.filter((p) => p.verdict === 'vanishes' && p.kind !== 'areas');
  for (const p of lost) {
    paper.paragraph(
      `${p.a.name} vanishes against ${p.b.name}${p.rim ? `: a thin ring of ${p.rim.name} brings it back` : ''}.`,
      { size: 9 },
    );
  }
}

type Pt = readonly [number, number];

/** Outline of a marking laid flat, mm; null where it has no flat shape (bands and painted patches). */
export function flatOutline(m: PieceMarking, plan: MarkingPlan): readonly Pt[] | null {
  const s = m.shape;
  if ('through' in s) {
    const l = plan.overSkinMm;
    if (l === null || l <= 0) return null;
    return [
      [0, -s.startMm / 2],
      [l, -s.endMm / 2],
      [l, s.endMm / 2],
      [0, s.startMm / 2],
    ];
  }
  if ('at' in s) {
    return Array.from({ length: 72 }, (_, i): Pt => {
      const t = (2 * Math.PI * i) / 72;
      return [(s.alongMm / 2) * Math.cos(t), (s.acrossMm / 2) * Math.sin(t)];
    });
  }
  return null;
}

export function markingSheets(paper: Paper, piece: Piece, plan: Plan, u: Units): void {
  if (piece.markings.length === 0) return;
  const mm = (value: number) => format({ kind: 'length', value }, u);
  paper.newPage();
  paper.heading('Markings, at true size', 'H2');
  paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
  piece.markings.forEach((m, i) => {
    const p = plan.shade.markings[i]!;
    const outline = flatOutline(m, p);
    const xs = outline?.map((q) => q[0]) ?? [0];
    const ys = outline?.map((q) => q[1]) ?? [0];
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const tall = y1 - y0;
    if (paper.y + tall + 30 > paper.height - TILE_BOTTOM) {
      paper.newPage();
      paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
    }
    paper.heading(`${m.name}${m.mirrored ? ', both sides' : ''}`, 'H2');
    paper.paragraph(words(m, p, mm, u), { size: 9 });
    if (!outline) return;
    const fits = x1 - x0 <= paper.innerWidth;
    if (!fits) paper.paragraph('It is longer than the sheet: print on larger paper.', { size: 9 });
    const top = paper.y + 2;
    const put = ([x, y]: Pt): [number, number] => [MARGIN + x - x0, top + y - y0];
    paper.tagged(
      'Figure',
      () =>
        paper.clipped(MARGIN - 1, top - 2, paper.innerWidth + 2, tall + 4, () => {
          const ring = [...outline, outline[0]!];
          paper.polyline(ring.map(put), 0.3, false);
          paper.polyline([put([x0, (y0 + y1) / 2]), put([x1, (y0 + y1) / 2])], 0.15, true);
          // A tick every centimetre along the middle line, to pin by.
          for (let x = Math.ceil(x0 / 10) * 10; x <= x1; x += 10) {
            const [px, py] = put([x, (y0 + y1) / 2]);
            paper.line(px, py - 1, px, py + 1, 0.15);
          }
        }),
      `${m.name} laid flat at true size, ${mm(x1 - x0)} by ${mm(tall)}`,
    );
    paper.y = top + tall + 6;
  });
}

function words(m: PieceMarking, p: MarkingPlan, mm: (v: number) => string, u: Units): string {
  const wool = p.layers.map((l) => l.wool).join(', ');
  const where = m.under ? 'Laid under the pile, before the coat.' : 'Laid over the coat.';
  const s = m.shape;
  const measures =
    'through' in s
      ? `${mm(p.overSkinMm ?? 0)} along the skin, ${mm(p.chordMm ?? 0)} by callipers; ${mm(s.startMm)} wide at the start, ${mm(s.endMm)} at the end${s.stopMm > 0 ? `, stopping ${mm(s.stopMm)} short` : ''}. From the midline ${(p.fromMidlineMm ?? [0, 0]).map(mm).join(' and ')}.`
      : 'at' in s
        ? `${mm(s.alongMm)} along the lie, ${mm(s.acrossMm)} across.`
        : 'count' in s
          ? `${s.count} bars.`
          : '';
  return `${[wool, format({ kind: 'mass', value: p.massG }, u)].filter(Boolean).join(', ')}. ${measures} ${where}${m.broken ? ` Broken into dashes of ${mm(m.broken.dashMm)} with gaps of ${mm(m.broken.gapMm)}.` : ''}`;
}
