/**
 * The face card: front and profile at true size with pins to push through, calliper and thread tables, the hole angles as a
 * gauge to hold against the head, the eye from rim to light at true size and four times, whiskers and their thread.
 */
import { levelSays } from '@/core/face/level/level';
import { onRight } from '@/core/face/head/mark-names';
import { eyeColours, eyeShapes, type EyeShape } from '@/core/face/drawing/eye-drawing';
import { EYE_SPECS } from '@/core/face/eyes/eye-kinds';
import { faceDrawing, type FaceDrawing } from '@/core/face/drawing/face-drawing';
import { onChart, type ChartSide } from '@/core/face/face-edits';
import type { FacePlan } from '@/core/face/face';
import type { Cupboard } from '@/core/piece/cupboard';
import type { Face } from '@/core/piece/face';
import type { Piece } from '@/core/piece/schema';
import type { Plan } from '@/core/plan';
import { format, words, type Units } from '@/units/units';
import { MARGIN, Paper, type SheetOptions } from './paper';
import { BAR, TILE_BOTTOM } from './tiling';

/** The face card by itself. @throws when the piece has no face */
export async function faceCard(piece: Piece, plan: Plan, cupboard: Cupboard, o: SheetOptions): Promise<Uint8Array> {
  if (!piece.face || !plan.face) throw new Error('This piece has no face yet. Begin it under Face.');
  const day = o.date.toISOString().slice(0, 10);
  const paper = new Paper(`${piece.name}: face card`, `${piece.name} · Fond Badger · ${day}`, o);
  card(paper, piece, piece.face, plan, plan.face, cupboard, o.units);
  return paper.bytes();
}

/** The same pages bound into the sheets of the piece. */
export function faceSheets(paper: Paper, piece: Piece, plan: Plan, cupboard: Cupboard, u: Units): void {
  if (!piece.face || !plan.face) return;
  paper.newPage();
  card(paper, piece, piece.face, plan, plan.face, cupboard, u);
}

function card(paper: Paper, piece: Piece, face: Face, plan: Plan, of: FacePlan, cupboard: Cupboard, u: Units): void {
  const mm = (value: number) => format({ kind: 'fine', value }, u);
  const colours = eyeColours(face.eyes, cupboard, of.eyes.around?.hex ?? '#b9a98f');
  const eyes = of.eyes.ladder.eyes.map((e) => eyeShapes(face.eyes, of.eyes.ladder, e, of.eyes.discMm, colours));
  paper.heading(`${piece.name}: face card`, 'H1');
  paper.paragraph(
    `Head ${mm(of.headWidthMm)} wide, ${mm(of.headHeightMm)} high, ${mm(of.headLengthMm)} from the tip of the nose to the back. ` +
      `${EYE_SPECS[face.eyes.kind].title}, ${mm(face.eyes.sizeMm)}${of.eyes.style ? `, ${of.eyes.style}` : ''}. ${words(levelSays(of), u)}`,
  );
  paper.tagged('Figure', () => paper.checkBar(MARGIN, paper.y + 1), BAR);
  paper.y += 8;
  const drawing = (side: ChartSide) =>
    faceDrawing(of, face, side, {
      eyes,
      noseHex: '#3d332c',
      browHex: '#4a3a2c',
      whiskers: false,
      threads: false,
      stems: true,
      clear: true,
    });
  const [front, profile] = [drawing('front'), drawing('profile')];
  const wide = (d: FaceDrawing) => d.max[0] - d.min[0];
  const high = (d: FaceDrawing) => d.max[1] - d.min[1];
  // Side by side where they fit, else one after the other.
  const together = wide(front) + wide(profile) + 6 <= paper.innerWidth;
  paper.paragraph(
    'At true size. Lay it on the head, the tip of the nose on the nose, and push a pin through every ring.',
    { size: 9 },
  );
  if (together) {
    const tall = Math.max(high(front), high(profile));
    paper.room(tall + 6);
    const top = paper.y;
    template(paper, of, front, 'front', MARGIN, top);
    template(paper, of, profile, 'profile', MARGIN + wide(front) + 6, top);
    paper.y = top + tall + 4;
  } else {
    for (const [d, side] of [
      [front, 'front'],
      [profile, 'profile'],
    ] as const) {
      if (paper.y + high(d) > paper.height - TILE_BOTTOM) paper.newPage();
      if (wide(d) > paper.innerWidth || high(d) > paper.height - MARGIN - TILE_BOTTOM) {
        paper.paragraph('It is larger than the sheet: print on larger paper.', { size: 9 });
      }
      const top = paper.y;
      template(paper, of, d, side, MARGIN, top);
      paper.y = top + high(d) + 4;
    }
  }
  tables(paper, of, u);
  gauge(paper, face, of, u);
  ladderSheet(paper, face, of, eyes, u);
  whiskers(paper, face, of, u);
  steps(paper, face, of, u);
  const small = plan.findings.find((f) => f.code === 'face-small-part');
  if (small) paper.paragraph(`${words(small.says, u)} ${words(small.why, u)}`, { size: 9 });
}

const VIEW = { front: 'front', profile: 'profile, from its left' } as const;

function template(paper: Paper, of: FacePlan, d: FaceDrawing, side: ChartSide, x0: number, y0: number): void {
  const at = ([x, y]: readonly [number, number]): [number, number] => [x0 + x - d.min[0], y0 + d.max[1] - y];
  const marks = of.measured.filter((m) => side === 'front' || !onRight(m.mark));
  paper.tagged(
    'Figure',
    () => {
      paper.clipped(
        x0 - 0.3,
        y0 - 0.3,
        d.max[0] - d.min[0] + 0.6,
        Math.min(d.max[1] - d.min[1], paper.height - TILE_BOTTOM - y0) + 0.6,
        () => {
          // A centimetre grid in the back.
          for (let x = Math.ceil(d.min[0] / 10) * 10; x <= d.max[0]; x += 10) {
            paper.line(...at([x, d.min[1]]), ...at([x, d.max[1]]), 0.05);
          }
          for (let y = Math.ceil(d.min[1] / 10) * 10; y <= d.max[1]; y += 10) {
            paper.line(...at([d.min[0], y]), ...at([d.max[0], y]), 0.05);
          }
          for (const it of d.items) {
            // Eyes as rings, so that a pin is seen in them.
            if (it.kind === 'line') paper.polyline(it.points.map(at), Math.max(0.15, it.thickMm), it.dashed);
            else if (it.name === 'rim' || it.name === 'nose' || it.what === 'brow')
              paper.polyline([...it.ring, it.ring[0]!].map(at), 0.2, false);
          }
          for (const m of marks) paper.pin(...at(onChart(m.inHead, side)));
        },
      );
      paper.text(VIEW[side], x0, y0 + 0.5, { size: 8, grey: true });
      if (side === 'front') {
        const foot = y0 + d.max[1] - d.min[1] - 3;
        paper.text('its right', x0, foot, { size: 8, grey: true });
        paper.text('its left', x0 + d.max[0] - d.min[0] - 10, foot, { size: 8, grey: true });
      }
    },
    `The face, ${VIEW[side]}, at true size with ${marks.length} places to pin`,
  );
}

function tables(paper: Paper, of: FacePlan, u: Units): void {
  const mm = (x: number | null) => (x === null ? '' : format({ kind: 'fine', value: x }, u));
  const rows = of.measured.filter((m) => m.mark !== 'nose' && !onRight(m.mark));
  paper.heading('Callipers and thread', 'H2');
  paper.table(
    [
      'Place',
      'To the nose, callipers',
      'To the nose, thread',
      'Left to right, callipers',
      'Left to right, thread',
      'Above the nose',
      'Above the mouth',
      'Above the ear line',
    ],
    [38, 22, 22, 22, 22, 18, 18, 18],
    [false, true, true, true, true, true, true, true],
    rows.map((m) => [
      m.name.replace(', left', ''),
      mm(m.noseStraightMm),
      mm(m.noseOverMm),
      mm(m.twinStraightMm),
      mm(m.twinOverMm),
      mm(m.aboveNoseMm),
      mm(m.aboveMouthMm),
      mm(m.aboveEarLineMm),
    ]),
  );
}

/** An angle with arms 50 mm long, to hold against the head. */
function gauge(paper: Paper, face: Face, of: FacePlan, u: Units): void {
  if (!of.eyes.stems) return;
  const { stem } = face.eyes;
  const angles = [
    ['Inward, seen from above', (stem.inDeg * Math.PI) / 180],
    ['Down, along the hole', (stem.downDeg * Math.PI) / 180],
  ] as const;
  paper.room(62);
  paper.heading('Holes for the stems', 'H2');
  paper.paragraph(
    `Cut both stems to ${format({ kind: 'fine', value: stem.lengthMm }, u)}; holes ${format({ kind: 'angle', value: stem.inDeg }, u)} inward, ${format({ kind: 'angle', value: stem.downDeg }, u)} down. Turn inward first: dashed is straight back from the nose. Then slope down along that line: dashed is level. Never stab toward a set stem.`,
    { size: 9 },
  );
  const top = paper.y + 4;
  paper.tagged(
    'Figure',
    () =>
      angles.forEach(([name, r], i) => {
        const x = MARGIN + 2 + i * 78;
        paper.polyline(
          [
            [x, top],
            [x + 55, top],
          ],
          0.2,
          true,
        );
        paper.polyline(
          [
            [x, top],
            [x + 50 * Math.cos(r), top + 50 * Math.sin(r) * (r >= 0 ? 1 : 1)],
          ],
          0.5,
          false,
        );
        paper.text(`${name}: ${Math.round((r * 180) / Math.PI)}°`, x, top - 4.5, { size: 8 });
      }),
    'Two angles to hold against the head',
  );
  paper.y = top + Math.max(8, ...angles.map(([, r]) => 50 * Math.sin(r))) + 4;
}

function ladderSheet(paper: Paper, face: Face, of: FacePlan, eyes: readonly (readonly EyeShape[])[], u: Units): void {
  const mm = (value: number) => format({ kind: 'fine', value }, u);
  const size = of.eyes.discMm;
  paper.room(4 * size + 30);
  paper.heading('The eye, from rim to light', 'H2');
  if (face.eyes.kind !== 'closed') {
    paper.table(
      ['Layer', 'Wide', 'High', ''],
      [70, 30, 30, 50],
      [false, true, true, false],
      of.eyes.ladder.rungs.map((r) => [r.name, mm(r.widthMm), mm(r.highMm), r.tooSmall ? 'too small to felt' : '']),
    );
  }
  paper.room(4 * size + 12);
  const top = paper.y + 5;
  paper.tagged(
    'Figure',
    () => {
      // The animal's right eye is met on the left.
      const shown = [...eyes].reverse();
      let x = MARGIN;
      for (const [k, name] of [
        [1, 'true size'],
        [4, 'four times'],
      ] as const) {
        paper.text(name, x, top - 4.5, { size: 8, grey: true });
        shown.forEach((shapes, i) => {
          const [cx, cy] = [x + (k * size) / 2 + i * (k * size + 3), top + (k * size) / 2];
          for (const s of shapes) {
            if (s.name.endsWith('lid')) continue;
            paper.polygon(
              s.ring.map(([a, b]) => [cx + k * a, cy - k * b] as const),
              s.hex,
            );
          }
          // Lids are drawn as lines, so that what they cover is still seen.
          for (const s of shapes.filter((q) => q.name.endsWith('lid'))) {
            paper.polyline(
              s.ring.slice(s.ring.length / 2).map(([a, b]) => [cx + k * a, cy - k * b] as const),
              0.2,
              true,
            );
          }
        });
        x += shown.length * (k * size + 3) + 10;
      }
    },
    'The eyes at true size and four times as large',
  );
  paper.y = top + 4 * size + 5;
}

function whiskers(paper: Paper, face: Face, of: FacePlan, u: Units): void {
  if (of.whiskers.length === 0) return;
  paper.room(30);
  paper.heading('Whiskers', 'H2');
  paper.table(
    ['Whiskers', 'Threads', 'Longest', 'Shortest', 'Through the head', 'Passes', 'Thread in all', 'Glue'],
    [30, 16, 20, 20, 26, 16, 24, 20],
    [false, true, true, true, true, true, true, false],
    of.whiskers.map((w, i) => [
      w.name,
      String(w.ways.length),
      format({ kind: 'fine', value: Math.max(0, ...w.whiskers.map((h) => h.lengthMm)) }, u),
      format({ kind: 'fine', value: Math.min(...w.whiskers.map((h) => h.lengthMm)) }, u),
      w.ways.length > 0 ? format({ kind: 'fine', value: Math.max(...w.ways.map((x) => x.throughMm)) }, u) : '',
      String(face.whiskers[i]!.passes),
      format({ kind: 'rowLength', value: w.need.value }, u),
      face.whiskers[i]!.glue,
    ]),
  );
}

function steps(paper: Paper, face: Face, of: FacePlan, u: Units): void {
  paper.room(30);
  paper.heading('Setting the eyes', 'H2');
  of.eyes.steps.forEach((s, i) => paper.paragraph(`${i + 1}. ${words(s.says, u)}.`, { size: 9 }));
  paper.paragraph(words(EYE_SPECS[face.eyes.kind].caution, u), { size: 9 });
}
