/** What some ways of laying need on paper beside the chart: locks pile by pile, clumps of a strip, sheets, cuts of the trim plan. */
import type { Plan } from '@/core/plan';
import { format, words, type Units } from '@/units/units';
import type { Paper } from './paper';

export function coatTables(paper: Paper, plan: Plan, u: Units): void {
  const mm = (value: number) => format({ kind: 'length', value }, u);
  const g = (value: number) => format({ kind: 'mass', value }, u);
  const nameOf = (id: string) => plan.coat.areas.find((a) => a.id === id)?.name ?? id;
  for (const { lotName, piles, allotment } of plan.coat.locks) {
    paper.heading(`${lotName}, pile by pile`, 'H2');
    const groups = new Map<string, { areaId: string; pile: number; count: number; courses: number[] }>();
    for (const s of allotment.shares) {
      const key = `${s.areaId} ${s.pile}`;
      const had = groups.get(key) ?? { areaId: s.areaId, pile: s.pile, count: 0, courses: [] };
      had.count += s.count;
      had.courses.push(s.course);
      groups.set(key, had);
    }
    paper.table(
      ['Area', 'Pile', 'Locks', 'Courses'],
      [40, 60, 20, 30],
      [false, false, true, true],
      [...groups.values()].map((x) => {
        const p = piles[x.pile]!;
        const [from, to] = [Math.min(...x.courses), Math.max(...x.courses)];
        return [
          nameOf(x.areaId),
          `${p.grade}, ${mm(p.lengthMm)} by ${mm(p.widthMm)}`,
          String(x.count),
          from === to ? String(from) : `${from} to ${to}`,
        ];
      }),
    );
  }
  for (const a of plan.coat.areas) {
    const strip = a.fur?.strip;
    if (strip && strip.clumps.length > 0) {
      paper.heading(`Strip for ${a.name}: ${mm(strip.lengthMm)}, from the hem end`, 'H2');
      paper.table(
        ['Clump', 'At', 'Cut', 'Finished', 'Wool'],
        [20, 25, 25, 25, 25],
        [true, true, true, true, true],
        strip.clumps.map((c) => [String(c.number), mm(c.atMm), mm(c.cutMm), mm(c.lengthMm), g(c.massMg / 1000)]),
      );
      if (strip.anchor) {
        paper.paragraph(
          `Two anchor strips ${mm(strip.anchor.lengthMm)} by ${mm(strip.anchor.widthMm)}, ${g(strip.anchor.massG)} together. Trimmed to ${Math.round(strip.leftShare * 100)} % on the left, ${Math.round(strip.rightShare * 100)} % on the right.`,
        );
      }
    }
    const sheet = a.fur?.sheet;
    if (sheet) {
      paper.heading(`Sheet for ${a.name}`, 'H2');
      for (const p of sheet.pieces) {
        paper.paragraph(
          `${p.count === 2 ? 'Two sheets' : 'A sheet'} ${mm(p.acrossMm)} by ${mm(p.alongMm)}, ${mm(sheet.anchorMm)} of it on every side for anchoring.`,
        );
      }
      if (sheet.slit) {
        paper.paragraph(
          `Slit it ${mm(sheet.slit.lengthMm)} for ${sheet.slit.part}, ${mm(sheet.slit.fromEdgeMm)} from the edge.`,
        );
      }
      if (sheet.inspect.length > 0) {
        paper.paragraph(`Look for bare core at ${sheet.inspect.map((t) => words(t, u)).join('; ')}.`);
      }
    }
  }
  const trimmed = plan.coat.areas.filter((a) => a.fur?.trim);
  if (trimmed.length > 0) {
    paper.heading('Trimming', 'H2');
    paper.table(
      ['Area', 'Laid', 'Free length after every cut', 'Falls', 'Worth keeping'],
      [34, 18, 76, 18, 24],
      [false, true, false, true, true],
      trimmed.map((a) => {
        const t = a.fur!.trim!;
        return [
          a.name,
          mm(t.laidMm),
          t.steps.map((s) => mm(s.leavesMm)).join(', '),
          g(t.wasteG),
          t.keepG > 0 ? g(t.keepG) : 'no',
        ];
      }),
    );
    paper.paragraph('It cannot be put back: tease, cut little by little, comb down and look again.', { size: 8.5 });
  }
}
