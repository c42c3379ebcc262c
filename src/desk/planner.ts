/** Keeps the plan in step with the desk: every change of piece, cupboard or hand is sent to the worker. */
import * as Comlink from 'comlink';
import type { Progress } from '@/core/plan';
import type { PlanWorker } from '@/worker/plan.worker';
import { useDesk } from './store';

let worker: Comlink.Remote<PlanWorker> | null = null;

function connect(): Comlink.Remote<PlanWorker> {
  worker ??= Comlink.wrap<PlanWorker>(
    new Worker(new URL('../worker/plan.worker.ts', import.meta.url), { type: 'module' }),
  );
  return worker;
}

let asked = 0;

async function request(): Promise<void> {
  const { piece, cupboard, hand } = useDesk.getState();
  if (!piece) return;
  const mine = ++asked;
  useDesk.setState({ stopped: false, planError: null });
  const report = Comlink.proxy((progress: Progress) => {
    if (mine === asked) useDesk.setState({ progress });
  });
  try {
    const plan = await connect().plan(piece, cupboard, hand, report);
    if (mine !== asked) return;
    if (plan) useDesk.setState({ plan, progress: null });
  } catch (e) {
    if (mine !== asked) return;
    useDesk.setState({ progress: null, planError: e instanceof Error ? e.message : String(e) });
  }
}

/** Starts planning; returns what ends it. */
export function startPlanner(): () => void {
  void request();
  return useDesk.subscribe((now, before) => {
    if (now.piece === before.piece && now.cupboard === before.cupboard && now.hand === before.hand) return;
    void request();
  });
}

/** Stops the work under way; the last finished plan stays. */
export function stopPlanning(): void {
  asked++;
  void worker?.stop();
  useDesk.setState({ progress: null, stopped: true });
}

export function planAgain(): void {
  void request();
}

export async function furStrands(most: number) {
  return connect().strands(most);
}
