/** The picture on the turntable made better while it rests, by a worker that is let go when nothing has been asked of it for a while. */
import * as Comlink from 'comlink';
import type { Lens } from '@/core/picture/lens';
import type { Plan } from '@/core/plan';
import type { HowSeen, Refined, RefineWorker } from '@/worker/refine.worker';
import { useDesk } from './store';

/** With nothing to do for so long it gives its memory back, ms. */
const IDLE = 60_000;

interface Line {
  readonly api: Comlink.Remote<RefineWorker>;
  readonly end: () => void;
  /** The plan it draws. */
  plan: Plan | null;
}

let line: Line | null = null;
let idle: ReturnType<typeof setTimeout>;
let asked = 0;
const open = new Set<number>();

function begun(): Line {
  if (line) return line;
  const worker = new Worker(new URL('../worker/refine.worker.ts', import.meta.url), { type: 'module' });
  const mine: Line = {
    api: Comlink.wrap<RefineWorker>(worker),
    end: () => {
      worker.terminate();
      if (line === mine) line = null;
    },
    plan: null,
  };
  // The picture stays as it was drawn quickly; the next one asked for begins another.
  worker.addEventListener('error', () => mine.end());
  return (line = mine);
}

function closed(id: number): void {
  if (!open.delete(id) || open.size > 0) return;
  idle = setTimeout(() => line?.end(), IDLE);
}

const PLAINLY: HowSeen = { lighting: 'window', trimStep: null };

/**
 * The plan shown, through a lens: told every picture made of it, each better than the one before.
 * @param how by which light, and how far it is trimmed @param after it can wait until everything else is finished
 * @returns what ends it
 */
export function refine(
  lens: Lens,
  show: (made: Refined) => void,
  { how = PLAINLY, after = false }: { readonly how?: HowSeen; readonly after?: boolean } = {},
): () => void {
  const { piece, plan, cupboard } = useDesk.getState();
  if (!piece || !plan) return () => undefined;
  const id = ++asked;
  const at = begun();
  clearTimeout(idle);
  open.add(id);
  if (at.plan !== plan) {
    at.plan = plan;
    // What was asked of another plan is let go there.
    open.clear();
    open.add(id);
    void at.api.take(piece, plan, cupboard);
  }
  let over = false;
  const told = Comlink.proxy((made: Refined) => {
    if (over) return made.picture.close();
    show(made);
    if (made.finished) closed(id);
  });
  void at.api.refine(id, lens, how, after, told);
  return () => {
    if (over) return;
    over = true;
    closed(id);
    if (line === at) void at.api.stop(id);
  };
}
