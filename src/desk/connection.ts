/**
 * The line to the planning worker; started when it is first asked. A worker that ends by itself, or is ended because it does not
 * stop, answers nothing any more: whatever was asked of it fails at once, and the next question starts another one.
 */
import * as Comlink from 'comlink';
import type { PlanWorker } from '@/worker/plan.worker';

type Line = Comlink.Remote<PlanWorker>;

/** The worker is gone before it answered. */
export class WorkerGone extends Error {}

interface Open {
  readonly line: Line;
  readonly end: (why: WorkerGone) => void;
}

let open: Open | null = null;
/** Told when a worker ended by itself. */
let onLoss: () => void = () => undefined;
export const whenLost = (hear: () => void): void => void (onLoss = hear);

function start(): Open {
  const worker = new Worker(new URL('../worker/plan.worker.ts', import.meta.url), { type: 'module' });
  let fail: (e: WorkerGone) => void = () => undefined;
  const gone = new Promise<never>((_, reject) => (fail = reject));
  // Nothing may be waiting for it when it ends.
  gone.catch(() => undefined);
  const remote = Comlink.wrap<PlanWorker>(worker);
  const line = new Proxy(remote, {
    get: (target, name) => {
      // It is no promise itself.
      if (name === 'then') return undefined;
      const ask = target[name as keyof Line] as unknown as (...args: unknown[]) => Promise<unknown>;
      return (...args: unknown[]) => Promise.race([ask(...args), gone]);
    },
  });
  const end = (why: WorkerGone) => {
    if (open?.line === line) open = null;
    worker.terminate();
    fail(why);
  };
  const lost = () => {
    end(new WorkerGone('the part of the page that works plans out has ended'));
    onLoss();
  };
  // It could not be loaded, or something went wrong in it that nobody was waiting for.
  worker.addEventListener('error', lost);
  worker.addEventListener('messageerror', lost);
  return { line, end };
}

export const connect = (): Line => (open ??= start()).line;

/** The line if there is one already. */
export const connected = (): Line | null => open?.line ?? null;

/** Ends the worker, whatever it is doing; the next question starts another one. */
export const endWorker = (): void => open?.end(new WorkerGone('the work was stopped'));

/** Another end to the line, or none; for tests. @param end what ending it does */
export const connectTo = (other: Line | null, end: () => void = () => undefined): void =>
  void (open = other && { line: other, end });
