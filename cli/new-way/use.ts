/** Run in a copy of the sources that has one more way of laying: an area of the marten laid by it, and what every place says. */
import { readFileSync } from 'node:fs';
import { compareWays } from '@/core/coat/compare-ways';
import { practiceBall } from '@/core/coat/practice';
import { WAYS } from '@/core/coat/ways';
import { methodOf } from '@/core/methods';
import { Memo } from '@/core/memo';
import { coatSchema, type Laid } from '@/core/piece/coat';
import { askedOf, boundsOf, kindOf, saysOf } from '@/core/piece/fields';
import { defaultHand } from '@/core/piece/hand';
import { readCupboard, readPiece } from '@/core/piece/read';
import { makePlan, shapeSteps } from '@/core/plan';
import { strands } from '@/core/shade/layers/strands';
import { cutListCsv } from '@/sheets/cut-list';

const [pieceFile, cupboardFile] = process.argv.slice(2);
const json = (f: string): unknown => JSON.parse(readFileSync(f, 'utf8'));
const raw = json(pieceFile!) as { areas: { id: string; name: string; coat: unknown; shade: { layers: unknown[] } }[] };
const area = raw.areas.find((a) => a.id === 'flanks')!;
area.coat = { method: 'curls', lotId: 'fawn-top', lengthMm: 8, spacingMm: 4, pitchMm: 4, curlMg: 0.4 };
const read = readPiece(raw);
const box = readCupboard(json(cupboardFile!));
if (!read.ok || !box.ok) throw new Error(JSON.stringify(read.ok ? box : read));
const { value: piece } = read;
const { value: cupboard } = box;
const options = { edgeShare: 1 / 60 };
const memo = new Memo();
const plan = makePlan(piece, cupboard, defaultHand, memo, options);
const index = piece.areas.findIndex((a) => a.id === 'flanks');
const steps = shapeSteps(piece, memo, options);
let s = steps.next();
while (!s.done) s = steps.next();
const { work, shaped } = s.value;
const coat = piece.areas[index]!.coat as Laid;
const refused = readPiece({
  ...raw,
  areas: raw.areas.map((a) => (a === area ? { ...a, coat: { ...coat, curlMg: 0 } } : a)),
});
const mine = plan.work.steps.filter((x) => x.operation.about.id === 'flanks').map((x) => x.operation);
const fur = plan.coat.areas[index]!.fur!;
process.stdout.write(
  JSON.stringify({
    offered: WAYS.map((w) => w.title),
    figures: Object.fromEntries(Object.entries(fur.figures).map(([k, f]) => [k, f.value])),
    areaMm2: plan.coat.areas[index]!.areaMm2,
    rows: fur.rows.rows.length,
    charted: fur.chart.dress.unit.many,
    margins: fur.margins.map((m) => [m.key, m.limit]),
    steps: mine.map((o) => ({
      kind: o.kind,
      materials: o.materials,
      needle: plan.needles.steps.find((n) => n.operationId === o.id)?.phases[0]?.name ?? null,
      restsOn: o.restsOn.length,
    })),
    needG: plan.stock.lots.find((l) => l.lotId === 'fawn-top')?.needG,
    tookG: plan.work.steps
      .flatMap((x) => x.operation.materials)
      .reduce((g, m) => g + (m.lotId === 'fawn-top' && m.from === 'cupboard' ? m.massG : 0), 0),
    findings: plan.findings.filter((f) => f.about?.id === 'flanks').map((f) => f.code),
    remedies: plan.findings
      .filter((f) => f.code === 'coat-base-shows')
      .flatMap((f) => f.remedies.flatMap((r) => r.changes)),
    asked: askedOf(kindOf(coatSchema, coat)),
    bounds: boundsOf(kindOf(coatSchema, coat).shape.curlMg!),
    label: saysOf(kindOf(coatSchema, coat).shape.curlMg!)!.label,
    refused: refused.ok ? null : refused.problems,
    compared: compareWays(piece, index, [coat.method, 'wisps'], cupboard, plan.hand, shaped, work, new Memo()).map(
      (c) => c.title,
    ),
    ball: practiceBall(piece.areas[index]!, coat, 60, cupboard, plan.hand)!.figures.curls!.value,
    strands: strands(piece, plan.coat, 2000, null, plan.shade).colours.length > 0,
    formula: methodOf('curl-wool').title,
    cutList: cutListCsv(piece, plan, cupboard.lots),
  }),
);
