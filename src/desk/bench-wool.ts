/** Wool at the bench: weighed by lot, out of the cupboard in the same change; offcuts kept as a wool of their own. Grams. */
import { takenBy } from '@/core/materials';
import type { Cupboard } from '@/core/piece/cupboard';
import type { LogEntry } from '@/core/piece/log-entry';
import type { Plan } from '@/core/plan';
import { wayOfCore } from '@/core/rates/hand-at-work';
import type { Operation } from '@/core/stage';
import { weighedFor } from '@/core/log/weighed';
import { freshId } from './files';
import { editPieceAndCupboard, useDesk } from './store';
import { into } from './write-log';

const layOf = (plan: Plan, operationId: string) => {
  const o = plan.work.steps.find((x) => x.operation.id === operationId)?.operation;
  return o?.kind === 'lay' ? o : null;
};

/** A part of the core: what is learned of it goes by how firm it is felted; and how much of that is in the plan already. */
function coreOf(
  plan: Plan,
  o: Pick<Operation, 'kind' | 'about'>,
): { readonly way: string; readonly taught: number } | null {
  const part = o.kind === 'core' ? plan.core.parts.find((p) => p.id === o.about.id) : undefined;
  if (!part) return null;
  const way = wayOfCore(part.firmness);
  return { way, taught: plan.hand.laying[way]?.wool?.times ?? 1 };
}

/** What the plan asks of each lot for a step, as far as it is done where it is laid; before anything the log has taught. */
function askedFor(plan: Plan, operationId: string): readonly { readonly lotId: string; readonly grams: number }[] {
  const lay = layOf(plan, operationId);
  if (lay) return plan.log.areas.find((a) => a.areaId === lay.about.id)?.asked ?? [];
  const o = plan.work.steps.find((x) => x.operation.id === operationId)?.operation;
  // What is cut or blended is weighed as it is laid, or it would be weighed twice.
  if (!o || o.kind === 'cut' || o.kind === 'blend') return [];
  const taught = coreOf(plan, o)?.taught ?? 1;
  return takenBy(o).flatMap((w) => (w.lotId === null ? [] : [{ lotId: w.lotId, grams: w.massG / taught }]));
}

/** Wools that can be weighed for a step. */
export const lotsOf = (plan: Plan, operationId: string): string[] => askedFor(plan, operationId).map((a) => a.lotId);

/** What is asked for a step since its wool was weighed last; null where nothing of it was asked. */
function askedSince(operationId: string, lotId: string): number | null {
  const { piece, plan } = useDesk.getState();
  const asked = plan && askedFor(plan, operationId).find((a) => a.lotId === lotId);
  if (!piece || !asked) return null;
  const before = piece.log.reduce(
    (s, e) => s + (weighedFor(e, operationId) && e.lotId === lotId ? (e.askedG ?? 0) : 0),
    0,
  );
  const left = asked.grams - before;
  // A wisp of colour weighs less than a milligram.
  return left > 1e-6 ? Math.round(left * 1e6) / 1e6 : null;
}

/** Letters of a name. */
const NAME = 80;

export interface Drawn {
  readonly lotId: string;
  readonly haveG: number;
  readonly takenG: number;
}

/**
 * What a lot holds once so much is drawn from it and what was drawn before is back; no more comes out than is there. Null where there is no such lot.
 * @param haveG what it holds, where other than the cupboard says
 */
export function drawn(lotId: string, grams: number, beforeG = 0, haveG?: number): Drawn | null {
  const lot = useDesk.getState().cupboard.lots.find((l) => l.id === lotId);
  if (!lot) return null;
  const thereG = (haveG ?? lot.haveG) + beforeG;
  const takenG = Math.min(thereG, grams);
  return { lotId, haveG: Math.round((thereG - takenG) * 1000) / 1000, takenG };
}

/** The same for an entry put right, or taken out again; null where its wool never left the cupboard. */
export const redrawn = (e: LogEntry, grams: number, haveG?: number): Drawn | null =>
  e.kind === 'wool' && e.takenG !== null ? drawn(e.lotId, grams, e.takenG, haveG) : null;

export function putInto(d: Cupboard, wool: Drawn | null): void {
  const lot = d.lots.find((l) => l.id === wool?.lotId);
  if (lot && wool) lot.haveG = wool.haveG;
}

/** Wool weighed before and after: it is written down, and leaves the cupboard in the same change. */
export function writeWool(areaId: string, lotId: string, grams: number, operation: string): void {
  const { plan } = useDesk.getState();
  const askedG = askedSince(operation, lotId);
  const lay = plan && layOf(plan, operation);
  const step = plan?.work.steps.find((x) => x.operation.id === operation)?.operation;
  const laid = lay && plan.coat.areas.find((a) => a.id === lay.about.id)?.fur?.method;
  const way = laid ?? (plan && step ? (coreOf(plan, step)?.way ?? null) : null);
  const wool = drawn(lotId, grams);
  editPieceAndCupboard(
    (d) => into(d.log, [{ kind: 'wool', areaId, lotId, grams, askedG, way, operation, takenG: wool?.takenG ?? null }]),
    (d) => putInto(d, wool),
  );
}

/** What was cut off and is kept: a lot of its own, of the same wool, as long as its fibres still are. */
export function keepOffcuts(lotId: string, grams: number, longMm: number | null): void {
  const name = useDesk.getState().cupboard.lots.find((l) => l.id === lotId)?.name;
  if (name === undefined) return;
  const called = `Offcuts of ${name}`.slice(0, NAME);
  editPieceAndCupboard(
    (d) => into(d.log, [{ kind: 'note', areaId: 'piece', words: `Offcuts kept: ${grams} g of ${name}` }]),
    (d) => {
      const of = d.lots.find((l) => l.id === lotId)!;
      const there = d.lots.find((l) => l.name === called);
      const stapleMm = Math.min(of.stapleMm, longMm ?? of.stapleMm);
      if (there) {
        there.haveG = Math.round((there.haveG + grams) * 1000) / 1000;
        there.stapleMm = Math.min(there.stapleMm, stapleMm);
      } else d.lots.push({ ...of, id: freshId('offcuts'), name: called, haveG: grams, stapleMm, pricePer100g: null });
    },
  );
}
