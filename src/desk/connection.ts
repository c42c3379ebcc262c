/** The line to the planning worker; started when it is first asked. */
import * as Comlink from 'comlink';
import type { PlanWorker } from '@/worker/plan.worker';

type Line = Comlink.Remote<PlanWorker>;

let line: Line | null = null;

export function connect(): Line {
  line ??= Comlink.wrap<PlanWorker>(
    new Worker(new URL('../worker/plan.worker.ts', import.meta.url), { type: 'module' }),
  );
  return line;
}

/** The line if there is one already. */
export const connected = (): Line | null => line;

/** Another end to the line, or none; for tests. */
export const connectTo = (other: Line | null): void => void (line = other);
