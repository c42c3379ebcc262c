/**
 * Measures the computation side by side with a named baseline in the same run: one multiplication of the area system's
 * matrix with a vector (a sparse matvec) on the same mesh. Ratios say how many such products a piece of work costs; they
 * hold on any machine. Prints a table and writes docs/performance.md.
 *   npm run bench
 */
import { median } from './median';
import { putDocument } from './section';
import { areaDepth } from '../src/core/form/areas';
import { workForm } from '../src/core/form/form';
import { makeBody } from '../src/core/form/body';
import { lieOf } from '../src/core/form/lie';
import { rowField, rowSystem, againstLie } from '../src/core/coat/rows/row-field';
import { measureRows } from '../src/core/coat/rows/rows';
import { allotLocks, qualityOf } from '../src/core/coat/techniques/locks/lock-allotment';
import type { LockSeat } from '../src/core/coat/techniques/locks/lock-seats';
import { strands } from '../src/core/shade/layers/strands';
import { solve } from '../src/core/geometry/cholesky';
import { cutPatch, directionsOnPatch } from '../src/core/geometry/cut';
import { polygonise } from '../src/core/geometry/polygonise';
import { cotangents } from '../src/core/geometry/weights';
import { coreSkin, evenLoft } from '../src/core/build/core-skin';
import type { FoldOver } from '../src/core/piece/coat';
import type { Pile } from '../src/core/piece/cupboard';
import { makePlan, Memo, planSteps, type Piece } from '../src/core';
import { cupboard, hand, pineMarten, SIZES } from './mesh-plan';
import { orderReport } from './order';
import { shadeReport } from './shade';

/** The whole animal but its head as one area: most of the skin, as large an area as there is. */
const everything = { strokes: [], where: [{ parts: ['trunk', 'neck', 'tail', 'foreleg', 'hindleg'] }] };
const spacing = (p: Piece, s: number): Piece => ({
  ...p,
  areas: p.areas.map((a) => (a.id === 'flanks' ? { ...a, coat: { ...(a.coat as FoldOver), spacingMm: s } } : a)),
});

/** The pine marten with its eye further along the head. */
const movedEye = (by: number): Piece => ({
  ...pineMarten,
  face: pineMarten.face && {
    ...pineMarten.face,
    eyes: { ...pineMarten.face.eyes, at: { ...pineMarten.face.eyes.at, along: 0.3 + (by % 0.1) } },
  },
});

interface Line {
  readonly size: string;
  readonly triangles: number;
  readonly inArea: number;
  readonly matvec: number;
  readonly ms: Record<string, number>;
}

const WORKS = [
  'skin',
  'lie',
  'row system',
  'row field',
  're-solve',
  'isolines',
  'even rows',
  'combing',
  'core',
  'whole plan',
  'new docket',
  'new plan',
  'moved eye',
] as const;

/** Steps of a plan until its figures can be shown; the core is then still as it was. */
function docket(piece: Piece, memo: Memo, edgeShare: number): void {
  for (const s of planSteps(piece, cupboard, hand, memo, { edgeShare })) if (s.early) return;
}

function line(name: string, edgeShare: number): Line {
  const runs = edgeShare < 1 / 200 ? 3 : 5;
  const body = makeBody(pineMarten.form);
  const form = workForm(pineMarten.form, edgeShare);
  const depth = areaDepth(form.body, form.skin, form.distance, everything);
  const patch = cutPatch(form.skin, form.skin.edges, depth, 1)!;
  const lie = directionsOnPatch(patch, form.lie);
  const normal = directionsOnPatch(patch, form.skin.normals);
  const against = againstLie(patch, lie);
  const system = rowSystem(patch);
  const field = rowField(patch, system, against);
  const n = patch.positions.length / 3;
  const x = Float64Array.from({ length: n }, (_, i) => Math.sin(i));

  // The baseline: y = K x with the cotangent weights edge by edge.
  const { edge } = cotangents(patch, patch.edges);
  const y = new Float64Array(n);
  const matvec =
    median(() => {
      for (let r = 0; r < 20; r++) {
        y.fill(0);
        for (let e = 0; e < patch.edges.count; e++) {
          const u = patch.edges.ends[2 * e]!;
          const v = patch.edges.ends[2 * e + 1]!;
          const f = edge[e]! * (x[u]! - x[v]!);
          y[u]! += f;
          y[v]! -= f;
        }
      }
    }, 9) / 20;

  const loft = new Float64Array(form.skin.positions.length / 3).fill(0.02 * body.lengthMm);
  const memo = new Memo();
  makePlan(pineMarten, cupboard, hand, memo, { edgeShare });
  let s = 3;
  return {
    size: name,
    triangles: form.skin.triangles.length / 3,
    inArea: patch.triangles.length / 3,
    matvec,
    ms: {
      skin: median(() => polygonise(body.field, edgeShare * body.largestMm), runs),
      lie: median(() => lieOf(form.body, form.skin, form.distance), runs),
      'row system': median(() => rowSystem(patch), runs),
      'row field': median(() => rowField(patch, system, against), runs),
      're-solve': median(() => solve(system.factor, x), runs),
      isolines: median(() => measureRows(patch, field, 3, normal, lie), runs),
      'even rows': median(() => rowField(patch, system, against, 1), runs),
      combing: median(() => lieOf(form.body, form.skin, form.distance, STROKES), runs),
      core: median(() => coreSkin(form.skin, evenLoft(form.skin, loft)), 3),
      'whole plan': median(() => makePlan(pineMarten, cupboard, hand, new Memo(), { edgeShare }), runs),
      'new docket': median(() => docket(spacing(pineMarten, (s += 0.1)), memo, edgeShare), runs),
      'new plan': median(() => makePlan(spacing(pineMarten, (s += 0.1)), cupboard, hand, memo, { edgeShare }), 3),
      'moved eye': median(() => makePlan(movedEye((s += 0.001)), cupboard, hand, memo, { edgeShare }), runs),
    },
  };
}

/** Three strokes of the comb on the trunk. */
const STROKES = [0.2, 0.45, 0.7].map((along) => ({
  kind: 'stroke' as const,
  mirrored: true,
  reach: 40,
  places: [0, 1, 2, 3, 4].map((i) => ({
    part: 'trunk',
    side: 'left' as const,
    along: along + 0.02 * i,
    up: 0.2 * i - 0.4,
    out: 0.9,
  })),
}));

/** 2,000 locks on 12 piles, and 160 courses that want 1,900 of them. */
const GRADES = ['best', 'good', 'plain'] as const;
const PILES: Pile[] = Array.from({ length: 12 }, (_, i) => ({
  lengthMm: 14 + 4 * (i % 6),
  widthMm: 2 + (i % 4),
  grade: GRADES[i % 3]!,
  count: i < 8 ? 167 : 166,
}));
const SEATS: LockSeat[] = Array.from({ length: 160 }, (_, i) => ({
  areaId: `area-${i % 7}`,
  course: i,
  count: i < 140 ? 12 : 11,
  needMm: 12 + (i % 9),
  widestMm: i % 5 === 0 ? 3 : 1e6,
  seen: ((i * 37) % 100) / 100,
}));

const lines = SIZES.map((s) => line(s.name, s.edgeShare));
const small = lines.find((l) => l.size === '10k')!;
const large = lines.find((l) => l.size === '96k')!;
const growth = (w: string) => Math.log(large.ms[w]! / small.ms[w]!) / Math.log(large.inArea / small.inArea);

const plan = makePlan(pineMarten, cupboard, hand);
const strandMs = [100_000, 300_000].map((n) => median(() => strands(pineMarten, plan.coat, n), 3));
const allotMs = median(() => allotLocks(PILES, SEATS), 5);
const sortMs = median(() => {
  // The same 2,000 locks dealt out by sorting both sides, which is right only where every lock fits every seat.
  const locks = PILES.flatMap((p, i) => Array.from({ length: p.count }, () => i)).sort(
    (a, b) => qualityOf(PILES[b]!) - qualityOf(PILES[a]!),
  );
  const places = SEATS.flatMap((s, i) => Array.from({ length: s.count }, () => i)).sort(
    (a, b) => SEATS[b]!.seen - SEATS[a]!.seen,
  );
  return places.map((_, i) => locks[i]);
}, 5);
const demo = lines[0]!;

const round = (x: number) => (x >= 100 ? Math.round(x).toLocaleString('en') : x.toPrecision(2));
const rows = WORKS.map(
  (w) => `| ${w} | ${lines.map((l) => `${round(l.ms[w]! / l.matvec)}`).join(' | ')} | ${growth(w).toFixed(2)} |`,
);
const table = [
  `| work | ${lines.map((l) => `${l.size} (${l.inArea.toLocaleString('en')} in the area)`).join(' | ')} | growth |`,
  `| --- | ${lines.map(() => '---:').join(' | ')} | ---: |`,
  ...rows,
].join('\n');

const report = `# Performance

Made by \`npm run bench\`. Every number is a ratio to the baseline measured in the same run on the same mesh: **one product of
the area's sparse matrix with a vector**. Growth is the exponent between the 10k and the 96k skin: 1 is linear in triangles.

${table}

- *skin*: distance field to closed mesh. *lie*: default directions spread over the skin. *row system*: cotangent matrix and its
  factor. *row field*: right-hand side, solve, hem, slopes. *re-solve*: the kept factor alone. *isolines*: all rows at 3 mm.
- *whole plan*: the demo piece from nothing. *new docket*: the demo piece again with one area's spacing changed and everything
  else remembered, until its figures can be shown; this is what a maker waits for after a change. *new plan*: the same with the
  core built anew. *core*: the core's skin under a coat of 2 % of the length.
- *even rows*: the row field with rows kept evenly spaced, eight rounds on the kept factor. *combing*: the lie with three strokes of the
  comb on it.
- 100,000 strands placed for the turntable: ${round(strandMs[0]! / demo.matvec)} products; 300,000: ${round(strandMs[1]! / demo.matvec)}.
- 2,000 sorted locks on 12 piles shared out over 160 courses, best to the most seen under their limits of length and width:
  ${round(allotMs / sortMs)} times the baseline of **dealing them out by sorting**, which minds no limits (${round(allotMs / demo.matvec)} products).

On the machine of this run (Node ${process.versions.node}) one product on the demo animal took ${demo.matvec.toFixed(3)} ms; the whole plan of
the demo piece ${Math.round(demo.ms['whole plan']!)} ms, a new docket ${demo.ms['new docket']!.toFixed(1)} ms.

${shadeReport()}
${orderReport()}`;
console.log(report);
putDocument(report);
