/**
 * The worker: holds what need not be worked out again, runs the plan step by step, reports progress and can be stopped.
 * A newer request makes an older one give up at its next step.
 */
import { alike } from '@/core/alike';
import * as Comlink from 'comlink';
import { z } from 'zod';
import { compareWays, type Compared } from '@/core/coat/compare-ways';
import { practiceBall } from '@/core/coat/practice';
import { strands, type Strands } from '@/core/shade/layers/strands';
import type { Lay } from '@/core/coat/way';
import { neutraliser } from '@/core/colour/adapt';
import { toXyz } from '@/core/colour/rgb';
import type { Triple } from '@/core/colour/lab';
import { paletteOf, type Palette, type Picture } from '@/core/colour/picture';
import { matchFor, type MatchQuestion, type MatchResult } from '@/core/shade/matching/ask';
import { linearOf } from '@/core/colour/rgb';
import { draftSkin, type DraftSkin } from '@/core/form/draft';
import { SIDES } from '@/core/form/sides';
import { buildEdges } from '@/core/geometry/mesh';
import { outline, type Outline } from '@/core/geometry/outline';
import { areasOfSkin, bareSkin } from '@/core/picture/bare-skin';
import { rooted } from '@/core/picture/rooted';
import { shared } from '@/core/share';
import { repair, type RepairReport } from '@/core/geometry/repair';
import { eyesIn, groundOf, withEyes } from '@/core/needle/ground';
import { lookInside, type InsideQuestion, type InsideView } from '@/core/needle/inside';
import { readScan } from './scan-file';
import {
  Memo,
  type Cupboard,
  type Hand,
  type Lasting,
  type Piece,
  type Plan,
  type PlanOptions,
  type Progress,
} from '@/core';
import type { Laid } from '@/core/piece/coat';
import { makePlan, planSteps, shapeSteps } from '@/core/plan';
import type { SheetKind } from '@/sheets/make-sheet';
import type { SheetOptions } from '@/sheets/paper';
import { sheetFonts } from './sheet-fonts';

z.config({ jitless: true });

const memo = new Memo();
let newest = 0;
let newestScan = 0;
let newestMatch = 0;
interface Inputs {
  readonly piece: Piece;
  readonly cupboard: Cupboard;
  readonly hand: Hand;
}
/** The last plan worked out, `whole` unless its core is still to come, and what it was worked out from. */
let last: (Inputs & { readonly options: PlanOptions; readonly plan: Plan; readonly whole: boolean }) | null = null;

/** The piece the memory is of, and the shapes that were stored of it last. */
let remembers: string | null = null;
let stored: readonly unknown[] = [];
const SHAPES: readonly string[] = ['form', 'lie', 'depth', 'shape'];
/** What tells one set of shapes from another. Rows and figures are found again soon, and are stored along with shapes only. */
const shapesIn = (lasting: Lasting): readonly unknown[] =>
  lasting.flatMap(([slot, { value }]) => (SHAPES.includes(slot.split(':')[0]!) ? [value] : []));

/** What came last, so that parts of what comes next that are equal keep their object and nothing is compared twice. */
let came: Inputs | null = null;
const taken = (now: Inputs): Inputs => (came = shared(came, now));

/** Lets waiting messages in, so that a newer request or a stop is seen. */
const breathe = (): Promise<void> => new Promise((r) => setTimeout(r, 0));

/** Strands, and where the skin and the surfaces of areas are that they stand on, stride 3. */
export interface StandingFur extends Strands {
  readonly skin: Float64Array<ArrayBuffer>;
  /** Light of every vertex of it: what has no fur is seen as it is felted. */
  readonly bare: Float32Array<ArrayBuffer>;
  readonly areas: readonly { readonly id: string; readonly at: Float64Array<ArrayBuffer> }[];
}

const api = {
  /** @returns the plan, or null when a newer request or a stop came in between */
  async plan(
    piece: Piece,
    cupboard: Cupboard,
    hand: Hand,
    options: PlanOptions,
    report: (p: Progress) => void,
  ): Promise<Plan | null> {
    const mine = ++newest;
    const now = taken({ piece, cupboard, hand });
    remembers = now.piece.id;
    const steps = planSteps(now.piece, now.cupboard, now.hand, memo, options);
    let begun = performance.now();
    for (;;) {
      const step = steps.next();
      if (step.done) {
        last = { ...now, options, plan: step.value, whole: true };
        return step.value;
      }
      if (step.value.early) last = { ...now, options, plan: step.value.early, whole: false };
      if (performance.now() - begun > 30 || step.value.share === 0 || step.value.early) {
        report(step.value);
        await breathe();
        if (mine !== newest) return null;
        begun = performance.now();
      }
    }
  },
  /** Answers between two pieces of work, so that the page knows it is there. */
  alive(): true {
    return true;
  },
  /** Takes a plan kept from before as the last one worked out. */
  take(piece: Piece, cupboard: Cupboard, hand: Hand, options: PlanOptions, plan: Plan): void {
    newest++;
    last = { ...taken({ piece, cupboard, hand }), options, plan, whole: true };
  },
  /** What is remembered and can be stored; null while its shapes are those that were stored last. */
  lasting(): Lasting | null {
    const lasting = memo.lasting();
    const shapes = shapesIn(lasting);
    if (shapes.length === stored.length && shapes.every((x, i) => x === stored[i])) return null;
    stored = shapes;
    return lasting;
  },
  /** Takes back what was stored of planning a piece, so that its first change is answered as fast as the next. */
  recall(pieceId: string, lasting: Lasting): void {
    memo.recall(lasting, pieceId !== remembers);
    remembers = pieceId;
    stored = shapesIn(lasting);
  },
  /** A quick, coarse skin of a form while it is being dragged. */
  draft(form: Piece['form']): DraftSkin {
    const d = draftSkin(form);
    return Comlink.transfer(d, [d.positions.buffer, d.normals.buffer, d.triangles.buffer]);
  },
  /** The outline of the last planned animal from one side. */
  outline(side: keyof typeof SIDES): Outline | null {
    if (!last) return null;
    const { skin } = last.plan.form;
    const { from, up } = SIDES[side];
    return outline(skin, buildEdges(skin.triangles, skin.positions.length / 3), from, up);
  },
  /**
   * Reads a scan and makes it sound, reporting how far it is.
   * @returns null when it was stopped
   * @throws in words when nothing can be made of it
   */
  async scan(
    bytes: Uint8Array<ArrayBuffer>,
    name: string,
    report: (p: Progress) => void,
  ): Promise<{ positions: Float64Array; triangles: Uint32Array; report: RepairReport } | null> {
    const mine = ++newestScan;
    report({ doing: 'Reading the scan', share: 0 });
    await breathe();
    const soup = await readScan(bytes, name);
    const steps = repair(soup);
    for (;;) {
      if (mine !== newestScan) return null;
      const step = steps.next();
      if (step.done) {
        const { mesh, report: done } = step.value;
        return { positions: mesh.positions, triangles: mesh.triangles, report: done };
      }
      report({ doing: 'Making the scan sound', share: step.value });
      await breathe();
    }
  },
  stopScan(): void {
    newestScan++;
  },
  stop(): void {
    newest++;
  },
  /** An area of the last planned piece under several ways of laying; null before there is a plan. */
  compare(areaId: string, methods: readonly Laid['method'][]): Compared[] | null {
    if (!last) return null;
    const { piece, cupboard, plan, options } = last;
    const index = piece.areas.findIndex((a) => a.id === areaId);
    if (index < 0) return null;
    const steps = shapeSteps(piece, memo, options);
    for (;;) {
      const s = steps.next();
      if (s.done)
        return compareWays(piece, index, methods, cupboard, plan.hand, s.value.shaped, s.value.work, new Memo());
    }
  },
  /** The coat of an area of the last planned piece on a practice ball; null where it has none. */
  practice(areaId: string, diameterMm: number): Lay | null {
    const area = last?.piece.areas.find((a) => a.id === areaId);
    if (!last || !area || area.coat.method === 'none') return null;
    return practiceBall(area, area.coat, diameterMm, last.cupboard, last.plan.hand);
  },
  /**
   * Recipes for a colour from the cupboard, reported as they get better.
   * @returns null when a newer question came in between
   */
  async match(
    q: MatchQuestion,
    cupboard: Cupboard,
    hand: Hand,
    report: (r: MatchResult) => void,
  ): Promise<MatchResult | null> {
    const mine = ++newestMatch;
    const steps = matchFor(q, cupboard, hand, last?.piece ?? null, last?.plan ?? null);
    let told = -Infinity;
    for (;;) {
      const s = steps.next();
      if (s.done) return s.value;
      if (performance.now() - told > 80) {
        report(s.value);
        await breathe();
        if (mine !== newestMatch) return null;
        told = performance.now();
      }
    }
  },
  /** The section along a needle at a place of the last planned animal; null where nothing is felted there. */
  inside(q: InsideQuestion): InsideView | null {
    if (!last) return null;
    const { piece, plan, hand, options } = last;
    const steps = shapeSteps(piece, memo, options);
    for (;;) {
      const s = steps.next();
      if (!s.done) continue;
      const { work, shaped } = s.value;
      const ground = groundOf(work, plan.coat, plan.core, plan.frame, shaped.owner, new Memo());
      return lookInside(withEyes(ground, eyesIn(plan.face?.zones ?? [])), plan.coat, plan.shade, hand, shaped.owner, q);
    }
  },
  /** The palette of a photograph, its cast taken out by a grey card in it where there is one. */
  palette(picture: Picture, most: number, card: { linear: Triple; truth: string } | null): Palette {
    return paletteOf(picture, most, card ? neutraliser(card.linear, toXyz(linearOf(card.truth))[1]) : undefined);
  },
  /**
   * A sheet of a piece, from the last plan where it answers these inputs.
   * @returns the file, or why there is none
   */
  async sheet(kind: SheetKind, asked: Inputs, options: PlanOptions, how: Omit<SheetOptions, 'fonts'>) {
    // Loaded when the first sheet is asked for.
    const [{ makeSheet, NoSheet }, fonts] = await Promise.all([import('@/sheets/make-sheet'), sheetFonts()]);
    const now = taken(asked);
    const same =
      last?.whole &&
      last.piece === now.piece &&
      last.cupboard === now.cupboard &&
      last.hand === now.hand &&
      alike(last.options, options);
    const plan = same ? last!.plan : makePlan(now.piece, now.cupboard, now.hand, undefined, options);
    try {
      return await makeSheet(kind, now.piece, plan, now.cupboard, now.hand, { ...how, fonts });
    } catch (e) {
      if (e instanceof NoSheet) return { none: `${e.title}: ${e.message}` };
      throw e;
    }
  },
  /** Strands of fur for the turntable and what they stand on, from the last finished plan. */
  strands(most: number, trimStep: number | null): StandingFur | null {
    if (!last) return null;
    const on = rooted(last.piece, last.plan);
    const s = strands(last.piece, on.coat, most, trimStep, last.plan.shade);
    const skin = Float64Array.from(on.skin.positions);
    const { form, coat } = last.plan;
    const { colour } = bareSkin(last.piece, last.plan, last.cupboard, areasOfSkin(form.skin, coat.areas));
    const bare = Float32Array.from(colour);
    const areas = on.coat.areas.flatMap((a) =>
      a.surface ? [{ id: a.id, at: Float64Array.from(a.surface.positions) }] : [],
    );
    const buffers = [s.points.buffer, s.colours.buffer, skin.buffer, bare.buffer, ...areas.map((a) => a.at.buffer)];
    return Comlink.transfer({ ...s, skin, bare, areas }, buffers);
  },
};

export type PlanWorker = typeof api;

Comlink.expose(api);
