/**
 * The build sheets: what every part of the core takes, the wires to cut, whether it stands, and the animal at true scale
 * from the left, the front and above, finished outline dashed and core drawn through, with its parts cut across. Makers
 * hold the work against them.
 */
import { buildEdges, type Mesh } from '@/core/geometry/mesh';
import { outline, type Outline } from '@/core/geometry/outline';
import type { Loop } from '@/core/geometry/slice';
import { SIDES } from '@/core/form/sides';
import type { Plan } from '@/core/plan';
import { format, type Units } from '@/units/units';
import { MARGIN, type Paper } from './paper';
import { BAR, joinMarks, OVERLAP, TILE_BOTTOM, TILE_TOP, tiles } from './tiling';

/** Wool and measures of every part of the core, where it is felted and not an own base. */
export function coreTable(paper: Paper, core: Plan['core'], u: Units): void {
  const mm = (value: number) => format({ kind: 'length', value }, u);
  const g = (value: number) => format({ kind: 'mass', value }, u);
  paper.heading(core.there ? 'Core: your own base' : 'Core: what to build', 'H2');
  if (core.there) {
    paper.paragraph(
      `The core is your own base, ${format({ kind: 'volume', value: core.volumeMm3 }, u)}; nothing of it is felted. The coat adds outward.`,
    );
    return;
  }
  paper.paragraph(
    core.skin
      ? `${g(core.massG)} of wool, between ${g(core.span.low)} and ${g(core.span.high)} as it is felted; ${format({ kind: 'volume', value: core.volumeMm3 }, u)}. ` +
          (core.school === 'under-built'
            ? 'Built smaller by the thickness of the coat, which brings it to its finished size.'
            : 'Built at full size, for a thin coat.')
      : core.undrawn
        ? 'The core could not be worked out for this coat.'
        : 'The coat is thicker than the animal: nothing of the core is left.',
  );
  paper.table(
    ['Part', 'Wool', 'Between', 'Start from', 'Felted', 'Make it long', 'Fringe', 'Collar', 'Core across'],
    [26, 20, 26, 18, 20, 18, 14, 14, 30],
    [false, true, true, true, false, true, true, true, true],
    core.parts.map((p) => [
      p.name,
      `${p.count === 2 ? '2 × ' : ''}${g(p.mass.value)}`,
      `${g(p.span.low)} to ${g(p.span.high)}`,
      format(p.loose, u),
      p.madeApart ? 'made apart' : p.firmness,
      p.length ? format(p.length, u) : mm(p.axisMm),
      p.fringe ? format(p.fringe, u) : '',
      p.collar ? format(p.collar, u) : '',
      p.sections.map((s) => (s.core ? mm((s.core.width + s.core.height) / 2) : 'fur')).join(', '),
    ]),
  );
  if (core.collarsG > 0) paper.paragraph(`Collars over the joints: ${g(core.collarsG)} of it.`, { size: 8.5 });
}

export function buildSheets(paper: Paper, plan: Plan, u: Units): void {
  const { core, frame, stands } = plan;
  const mm = (value: number) => format({ kind: 'length', value }, u);
  const g = (value: number) => format({ kind: 'mass', value }, u);
  paper.newPage();
  coreTable(paper, core, u);
  if (frame.runs.length > 0) {
    paper.heading('Wire to cut', 'H2');
    paper.table(
      ['Wire', 'Thickness', 'Cut'],
      [80, 30, 30],
      [false, true, true],
      frame.runs.map((r) => [r.name, mm(frame.thickMm), format(r.cut, u)]),
    );
    paper.paragraph(
      'Turn every end over twice, and again after cutting, so that it cannot stab. Cut ends fly: hold both sides of the cut and look away.',
      { size: 8.5 },
    );
  }
  if (stands.tipping) {
    paper.paragraph(
      stands.marginMm >= 0
        ? `It stands${stands.on ? ` on ${stands.on.name}` : ''}: the middle of its weight (${g(stands.massG)}) lies ${mm(stands.marginMm)} inside ${stands.on ? 'the edge' : 'its feet'}, and it falls when tipped by ${format(stands.tipping, u)}.`
        : `It does not stand on its own: the middle of its weight (${g(stands.massG)}) lies ${mm(-stands.marginMm)} beyond its feet. Fix it to a base.`,
    );
  }
  const { low } = stands;
  if (low)
    paper.paragraph(
      `Wrap ${g(low.massG)} of something heavy in wool and bind it low into the core, over the feet at the ${low.side}.`,
    );
  for (const s of Object.values(SIDES)) {
    const seen = (mesh: Mesh | null): Outline | null =>
      mesh && outline(mesh, buildEdges(mesh.triangles, mesh.positions.length / 3), s.from, s.up);
    view(paper, s.name, seen(plan.form.skin)!, seen(core.skin));
  }
  sections(paper, plan, u);
  patterns(paper, plan, u);
}

/** One side of the animal, on one page or tiled over several. */
function view(paper: Paper, name: string, finished: Outline, core: Outline | null): void {
  const [x0, y0] = finished.min;
  const wide = finished.max[0] - x0;
  const high = finished.max[1] - y0;
  const w = paper.innerWidth;
  const h = paper.height - TILE_TOP - TILE_BOTTOM;
  const across = tiles(wide, w);
  const down = tiles(high, h);
  for (let j = 0; j < down; j++) {
    for (let i = 0; i < across; i++) {
      paper.newPage();
      paper.heading(`Build sheet, ${name}`, 'H2');
      paper.paragraph(
        `At true size. Drawn through: the core. Dashed: the finished animal under its coat.` +
          (across * down > 1
            ? ` Sheet ${i + 1 + across * j} of ${across * down}: lay the dashed lines over each other.`
            : ''),
        { size: 9 },
      );
      const place = { x: MARGIN, y: TILE_TOP, w, h, fromX: i * (w - OVERLAP), fromY: j * (h - OVERLAP) };
      const at = (x: number, y: number): [number, number] => [
        place.x + x - x0 - place.fromX,
        place.y + (finished.max[1] - y) - place.fromY,
      ];
      paper.tagged(
        'Figure',
        () => {
          paper.clipped(place.x - 0.3, place.y - 0.3, w + 0.6, h + 0.6, () => {
            for (const l of finished.lines) paper.polyline(pairs(l, at), 0.2, true);
            for (const l of core?.lines ?? []) paper.polyline(pairs(l, at), 0.35, false);
          });
          joinMarks(paper, place, { left: i > 0, right: i < across - 1, above: j > 0, below: j < down - 1 });
        },
        `The animal ${name} at true size: finished outline dashed, core drawn through`,
      );
      paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
    }
  }
}

const pairs = (l: Float64Array, at: (x: number, y: number) => [number, number]): [number, number][] =>
  Array.from({ length: l.length / 2 }, (_, i) => at(l[2 * i]!, l[2 * i + 1]!));

/** Parts cut across at their marks, side by side until a line is full. */
function sections(paper: Paper, plan: Plan, u: Units): void {
  const all = plan.core.parts.flatMap((p) => p.sections.map((s) => ({ p, s })));
  if (all.length === 0) return;
  paper.newPage();
  paper.heading('Build sheet, parts cut across', 'H2');
  paper.paragraph(
    'At true size, from their start to their end at 25, 50 and 75 % of the length. Drawn through: the core.',
    { size: 9 },
  );
  let x = MARGIN;
  let tall = 0;
  for (const { p, s } of all) {
    const box = bounds(s.finishedLoop);
    const wide = Math.max(box.x1 - box.x0, 26) + 4;
    const high = box.y1 - box.y0 + 12;
    if (x + wide > paper.width - MARGIN && x > MARGIN) {
      x = MARGIN;
      paper.y += tall + 3;
      tall = 0;
    }
    if (x === MARGIN) paper.room(high + 20);
    const left = x;
    const top = paper.y;
    paper.tagged(
      'Figure',
      () => {
        const at = (px: number, py: number): [number, number] => [left + px - box.x0 + 1, top + box.y1 - py];
        paper.polyline(closed(s.finishedLoop, at), 0.2, true);
        if (s.coreLoop) paper.polyline(closed(s.coreLoop, at), 0.35, false);
        paper.text(`${p.name} ${Math.round(100 * s.along)} %`, left, top + high - 11, { size: 7.5, width: wide });
        paper.text(
          s.core
            ? `${format({ kind: 'length', value: s.core.width }, u)} × ${format({ kind: 'length', value: s.core.height }, u)}`
            : 'fur only',
          left,
          top + high - 7.5,
          { size: 7.5, grey: true, width: wide },
        );
      },
      `${p.name} cut across at ${Math.round(100 * s.along)} % of its length, at true size`,
    );
    x += wide + 2;
    tall = Math.max(tall, high);
  }
  paper.y += tall + 4;
  paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
}

const closed = (l: Loop, at: (x: number, y: number) => [number, number]): [number, number][] => {
  const p = pairs(l, at);
  return [...p, p[0]!];
};

function bounds(l: Loop): { x0: number; x1: number; y0: number; y1: number } {
  const b = { x0: Infinity, x1: -Infinity, y0: Infinity, y1: -Infinity };
  for (let i = 0; i < l.length; i += 2) {
    b.x0 = Math.min(b.x0, l[i]!);
    b.x1 = Math.max(b.x1, l[i]!);
    b.y0 = Math.min(b.y0, l[i + 1]!);
    b.y1 = Math.max(b.y1, l[i + 1]!);
  }
  return b;
}

/** A piece of flat felt on the sheet. */
interface Pattern {
  readonly name: string;
  readonly outline: Float64Array;
  readonly pattern: Plan['flatParts'][number]['pattern'];
  readonly does: string;
  readonly also: string;
}

/** Patterns of flat parts and small things: cut on the outer line, finished inner line dashed, the seat along the bottom. */
function patterns(paper: Paper, plan: Plan, u: Units): void {
  const flats = plan.flatParts.map((p): Pattern => ({
    ...p,
    does: `${format(p.mass, u)} of wool${p.liningMass ? ` and ${format(p.liningMass, u)} of lining` : ''} each.`,
    also: p.count === 2 ? ', two, one turned over' : '',
  }));
  const things = plan.things.flatMap((t) =>
    t.panels.map((x): Pattern => ({
      name: `${t.name}, ${x.name.toLowerCase()}`,
      outline: x.outline,
      pattern: t.pattern!,
      does: `${format(x.mass, u)} of wool${x.count > 1 ? ' each' : ''}.`,
      also: x.count > 1 ? `, ${x.count}` : '',
    })),
  );
  [...flats, ...things].forEach((p, i) => {
    const k = p.pattern.value;
    const larger = p.outline.map((v) => v * k);
    trueSize(
      paper,
      `Pattern: ${p.name}${p.also}`,
      `At true size. Lay the wool to the outer line, ${format({ kind: 'number', value: k }, u)} times the finished one, and felt it in to the dashed line. ${p.does}`,
      bounds(larger),
      (put) => {
        paper.polyline(closed(larger, put), 0.35, false);
        paper.polyline(closed(p.outline, put), 0.2, true);
      },
      i === 0,
    );
  });
  template(paper, plan, u, flats.length + things.length === 0);
}

/** The top of a base with the holes for the wires of its feet, seen from above with the front up the page. */
function template(paper: Paper, { stands, things }: Plan, u: Units, begin: boolean): void {
  const base = things.find((t) => t.id === stands.on?.baseId);
  if (!stands.on || !base) return;
  // The animal's left lies to the left of the page.
  const onPage = (list: readonly (readonly [number, number])[]) => Float64Array.from(list.flatMap(([x, z]) => [-x, z]));
  const edge = onPage(stands.on.outline);
  const holes = stands.on.twigId === null && stands.holeMm > 0 ? stands.holes : [];
  const across = format({ kind: 'fine', value: stands.holeMm }, u);
  trueSize(
    paper,
    `Template: ${base.name}`,
    `At true size, seen from above, the front of the animal up the page.${
      holes.length > 0 ? ` Bore ${holes.length} holes of ${across}: ${holes.map((h) => h.name).join('; ')}.` : ''
    } Crossed lines: under the middle of its feet.`,
    bounds(edge),
    (put) => {
      paper.polyline(closed(edge, put), 0.35, false);
      const [mx, mz] = stands.on!.middle;
      paper.polyline([put(-mx - 4, mz), put(-mx + 4, mz)], 0.2, false);
      paper.polyline([put(-mx, mz - 4), put(-mx, mz + 4)], 0.2, false);
      for (const { at } of holes)
        paper.polyline(
          Array.from({ length: 25 }, (_, i) => {
            const q = (2 * Math.PI * i) / 24;
            return put(-at[0] + (stands.holeMm / 2) * Math.cos(q), at[1] + (stands.holeMm / 2) * Math.sin(q));
          }),
          0.25,
          false,
        );
    },
    begin,
  );
}

/** A drawing at true size, below what is on the page where there is room; what is larger than the sheet in strips that overlap. */
function trueSize(
  paper: Paper,
  title: string,
  words: string,
  box: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number },
  draw: (put: (x: number, y: number) => [number, number]) => void,
  begin: boolean,
): void {
  const most = paper.height - TILE_TOP - TILE_BOTTOM;
  const [wide, tall] = [box.x1 - box.x0, box.y1 - box.y0];
  const across = tiles(wide, paper.innerWidth);
  const down = tiles(tall, most);
  const page = () => {
    paper.newPage();
    paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.height - 18), BAR);
  };
  const room = (high: number) => paper.y + high <= paper.height - TILE_BOTTOM;
  if (begin || !room(Math.min(tall, most) + 34)) page();
  paper.heading(title, 'H2');
  paper.paragraph(
    words + (across * down > 1 ? ` In ${across * down} strips: lay the dashed lines over each other.` : ''),
    { size: 9 },
  );
  for (let j = 0; j < down; j++)
    for (let i = 0; i < across; i++) {
      const fromX = i * (paper.innerWidth - OVERLAP);
      const fromY = j * (most - OVERLAP);
      const [w, h] = [Math.min(paper.innerWidth, wide - fromX), Math.min(most, tall - fromY)];
      if ((i > 0 || j > 0) && !room(h + 4)) {
        page();
        paper.y = TILE_TOP;
      }
      const top = paper.y;
      const place = { x: MARGIN, y: top, w, h, fromX, fromY };
      paper.tagged(
        'Figure',
        () => {
          paper.clipped(MARGIN - 0.3, top - 0.3, w + 0.6, h + 0.6, () =>
            draw((x, y) => [MARGIN + x - box.x0 - fromX, top + box.y1 - y - fromY]),
          );
          joinMarks(paper, place, { left: i > 0, right: i < across - 1, above: j > 0, below: j < down - 1 });
        },
        `${title} at true size${across * down > 1 ? `, strip ${i + 1 + across * j} of ${across * down}` : ''}`,
      );
      paper.y += h + 8;
    }
}
