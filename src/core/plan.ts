/**
 * plan = makePlan(piece, cupboard, hand)
 *
 *   form ─► coat ─► shade ─► build ─► face ─► needle ─► order ─► stock ─► log
 *    ▲       │                                 ▲         │
 *    └─loft──┘ (`askedLoft`, `workCore`)       └─────────┘ (`putInOrder`)
 *
 * Every stage is `plan(context, before) -> { result, findings, operations, ties }`.
 *
 * A pure function of what the maker decided, what the maker has and how the maker works. `planSteps` is the same as a
 * generator that pauses between pieces of work, so a worker can report progress and stop.
 */
import { planCoat } from './coat/coat';
import { shapeAreas } from '@/core/coat/rows/shaped';
import type { CoatPlan, ShapedAreas } from './coat/coat-plan';
import { planFace, type FacePlan } from './face/face';
import { askedLoft, coatThickness } from '@/core/build/asked-loft';
import { planCore, workCore } from '@/core/build/core';
import type { CorePlan } from '@/core/build/core-plan';
import type { CoreSkin } from '@/core/build/core-skin';
import { COARSE_SHARE, EDGE_SHARE, FIRST_SHARE } from './form/fineness';
import { planForm, workForm, type FormPlan, type FormWork } from './form/form';
import { lieOf } from './form/lie';
import { handAtWork, type HandAtWork } from './rates/hand-at-work';
import { planLog, type LogPlan } from './log/log';
import { REFERENCE_MM, resizeForm } from './form/resize';
import { planFlatParts, type FlatPartPlan } from '@/core/build/flat-parts';
import { planFrame, type FramePlan } from '@/core/build/frame';
import { measureThings } from '@/core/build/things/measure-things';
import { planThings } from '@/core/build/things/things';
import type { ThingPlan } from '@/core/build/things/thing-plan';
import { planStands, type StandsPlan } from '@/core/build/stands';
import { alike } from './alike';
import { Memo } from './memo';
import type { Cupboard } from './piece/cupboard';
import type { Hand } from './piece/hand';
import type { Piece } from './piece/schema';
import { RANK, type Context, type Finding, type Operation, type Stage, type Today } from './stage';
import { planShade } from './shade/shade';
import type { ShadePlan } from './shade/shade-plan';
import { planStock, type StockPlan } from './stock/stock';
import { eyesIn, groundOf } from './needle/ground';
import type { NeedlePlan } from './needle/needle-plan';
import { photographs, withFinish } from '@/core/order/finish-work';
import { putInOrder } from '@/core/order/in-order';
import { afterCore, afterPhotographs, tied } from '@/core/order/across-stages';
import type { WorkPlan } from '@/core/order/work';

export interface Plan {
  readonly pieceId: string;
  readonly form: FormPlan;
  readonly coat: CoatPlan;
  readonly shade: ShadePlan;
  /** Null until the face is begun. */
  readonly face: FacePlan | null;
  readonly core: CorePlan;
  readonly frame: FramePlan;
  readonly stands: StandsPlan;
  readonly flatParts: readonly FlatPartPlan[];
  /** What it wears, stands on or hangs in. */
  readonly things: readonly ThingPlan[];
  readonly needles: NeedlePlan;
  readonly work: WorkPlan;
  readonly stock: StockPlan;
  readonly log: LogPlan;
  /** The hand it was worked out with: the maker's rates, and what the log has taught. */
  readonly hand: HandAtWork;
  readonly findings: readonly Finding[];
}

export interface Progress {
  readonly doing: string;
  /** Share done, 0..1. */
  readonly share: number;
  /** A plan to go on with: all but the core, which is as it was before; or, of another shape, all of it from a coarse skin. */
  readonly early?: Plan;
  /** It is from a coarse skin: every figure will still move a little. */
  readonly rough?: true;
}

export interface PlanOptions {
  /** Side of the skin's grid as a share of the finished length. */
  readonly edgeShare?: number;
  /** What has not been done by today is done from today on. */
  readonly today?: Today;
}

/** The animal and the shapes of its areas, from what is remembered where nothing changed. */
export function* shapeSteps(
  piece: Piece,
  memo: Memo,
  options: PlanOptions = {},
): Generator<Progress, { readonly work: FormWork; readonly shaped: ShapedAreas }> {
  const { parts, pose, scan, finishedLengthMm } = piece.form;
  const drawn = { parts, pose, scan };
  yield { doing: 'Shaping the animal', share: 0 };
  const uncombed = memo.keep('form', [drawn, options.edgeShare ?? EDGE_SHARE], (d, edgeShare) =>
    workForm({ ...d, finishedLengthMm: REFERENCE_MM }, edgeShare),
  );
  if (piece.combs.length > 0) yield { doing: 'Combing the fur', share: 0.45 };
  const atReference = memo.keep('lie', [uncombed, piece.combs], combed);
  const work = memo.keep('size', [atReference, { ...drawn, finishedLengthMm }], resizeForm);
  const shaping = shapeAreas(piece, uncombed, atReference, memo);
  let at = shaping.next();
  for (let i = 0; !at.done; i++) {
    yield { doing: `Finding the rows: ${at.value.name}`, share: 0.5 + (0.45 * i) / piece.areas.length };
    at = shaping.next();
  }
  return { work, shaped: at.value };
}

/** The form with the lie the maker combed; itself where nothing is combed. */
const combed = (form: FormWork, combs: Piece['combs']): FormWork =>
  combs.length === 0 ? form : { ...form, lie: lieOf(form.body, form.skin, form.distance, combs) };

/** What is known before the core is built. */
interface Known {
  readonly work: FormWork;
  readonly shaped: ShapedAreas;
  readonly form: Stage<FormPlan>;
  readonly coat: Stage<CoatPlan>;
  readonly shade: Stage<ShadePlan>;
  /** Of the coat, at every vertex of the skin, mm. */
  readonly thickness: Float64Array;
}

/** The rest of the plan, by the core as it is or as it was. */
function finish(x: Context, known: Known, inside: CoreSkin): Plan {
  const { work, shaped, form, coat, shade, thickness } = known;
  const core = planCore(x, { work, inside, thickness });
  const frame = planFrame(x, { work, core: core.result });
  const measured = x.memo.keep(
    'things',
    [x.piece.things, work, x.hand.coreDensityMgCm3['flat felt'].usual],
    measureThings,
  );
  const stands = planStands(x, {
    work,
    core: core.result,
    coat: coat.result,
    frame: frame.result,
    things: measured,
  });
  const flat = planFlatParts(x);
  const operations = tied([...coat.operations, ...shade.operations], shade.ties);
  const laid = withFinish({ ...x, coat: coat.result, operations });
  const face = planFace(x, {
    work,
    form: form.result,
    core: core.result,
    frame: frame.result,
    coat: coat.result,
    shade: shade.result,
    coatWork: laid.map((o) => o.id),
  });
  const things = planThings(x, { work, measured, stands: stands.result, finished: lastOf(laid) });
  const building = [frame, core, stands, flat, face, things].flatMap((s) => s.operations);
  const ordered = putInOrder(x, {
    coat: coat.result,
    shade: shade.result,
    ground: groundOf(work, coat.result, core.result, frame.result, shaped.owner, x.memo),
    eyes: eyesIn(face.result?.zones ?? []),
    operations: tied(afterPhotographs([photographs(x.hand), ...building, ...afterCore(laid)]), [
      ...face.ties,
      ...stands.ties,
    ]),
  });
  const { needles, sorted, sittings } = ordered;
  const stock = planStock(x, { coat: coat.result, operations: ordered.operations });
  const log = planLog(x, { coat: coat.result, work: sittings.result });
  return {
    pieceId: x.piece.id,
    form: form.result,
    coat: coat.result,
    shade: shade.result,
    face: face.result,
    core: core.result,
    frame: frame.result,
    stands: stands.result,
    flatParts: flat.result,
    things: things.result,
    needles: needles.result,
    work: sittings.result,
    stock: stock.result,
    log: log.result,
    hand: x.hand,
    findings: inWeight(
      [form, core, frame, stands, flat, things, coat, shade, face, needles, sorted, sittings, stock, log].flatMap(
        (s) => s.findings,
      ),
    ),
  };
}

/** Steps nothing of the coat comes after. */
const lastOf = (laid: readonly Operation[]): string[] => {
  const before = new Set(laid.flatMap((o) => o.after.map((a) => a.id)));
  return laid.flatMap((o) => (before.has(o.id) ? [] : [o.id]));
};

/** What stops the work first; of equal weight in the order of the stages. */
const inWeight = (findings: readonly Finding[]): Finding[] =>
  findings
    .map((f, i) => ({ f, i }))
    .sort((a, b) => RANK[a.f.severity] - RANK[b.f.severity] || a.i - b.i)
    .map((x) => x.f);

/** Whether what is remembered is of another shape of this animal, and a finer skin is wanted than first figures need. */
function reshaped({ form }: Piece, memo: Memo, { edgeShare = EDGE_SHARE }: PlanOptions): boolean {
  if (edgeShare >= COARSE_SHARE) return false;
  const was = memo.last<[Pick<Piece['form'], 'parts' | 'pose' | 'scan'>, number], FormWork>('form');
  const { parts, pose, scan } = form;
  return was !== undefined && scan === null && !alike(was.from[0], { parts, pose, scan });
}

/** How far the whole is when the coarse skin is done. */
const ROUGHLY = 0.2;

/** A plan from a coarse skin, as the beginning of another. */
function* roughly(steps: Generator<Progress, Plan>): Generator<Progress, Plan> {
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
    yield { doing: s.value.doing, share: ROUGHLY * s.value.share };
  }
}

export function* planSteps(
  piece: Piece,
  cupboard: Cupboard,
  hand: Hand,
  memo: Memo = new Memo(),
  options: PlanOptions = {},
): Generator<Progress, Plan> {
  const x: Context = { piece, cupboard, hand: handAtWork(hand, piece), today: options.today ?? null, memo };
  if (reshaped(piece, memo, options)) {
    const first = yield* roughly(
      planSteps(piece, cupboard, hand, memo.beside(), { ...options, edgeShare: FIRST_SHARE }),
    );
    yield { doing: 'Shaping the animal finely', share: ROUGHLY, early: first, rough: true };
  }
  const { work, shaped } = yield* shapeSteps(piece, memo, options);
  const form = planForm(x, { work });
  yield { doing: 'Working out wool, cover and time', share: 0.95 };
  const coat = planCoat(x, { work, shaped });
  const shade = planShade(x, { work, shaped, coat: coat.result });
  const thickness = coatThickness(piece, coat.result, shaped);
  const planned = (inside: CoreSkin) => finish(x, { work, shaped, form, coat, shade, thickness }, inside);
  const asked = askedLoft(piece, work, thickness);
  // The core takes its time: until it is built anew the docket goes by the core as it was, of the same animal.
  const was = memo.last<[FormWork, Float64Array], CoreSkin>('core');
  const early = was && was.from[0] === work && !alike(was.from[1], asked) ? planned(was.value) : undefined;
  yield { doing: 'Building the core', share: 0.96, ...(early ? { early } : {}) };
  const plan = planned(memo.keep('core', [work, asked], workCore));
  memo.letGo();
  return plan;
}

/** The whole plan at once. Same inputs, same plan, to the byte. */
export function makePlan(piece: Piece, cupboard: Cupboard, hand: Hand, memo?: Memo, options?: PlanOptions): Plan {
  const steps = planSteps(piece, cupboard, hand, memo, options);
  for (;;) {
    const s = steps.next();
    if (s.done) return s.value;
  }
}
