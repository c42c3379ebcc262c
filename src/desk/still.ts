/** A picture of the animal worked out in a worker of its own: how far it is, and stopped at once. */
import * as Comlink from 'comlink';
import type { PictureAsked } from '@/sheets/still-picture';
import type { StillWorker } from '@/worker/still.worker';
import { useDesk } from './store';

interface StillJob {
  /** The picture as PNG; null where it was stopped, or there is no face to be seen. */
  readonly done: Promise<Blob | null>;
  readonly stop: () => void;
}

/** @param report told what share is done, 0..1 @returns null where there is no plan to draw yet */
export function workOutStill(asked: PictureAsked, report: (share: number) => void): StillJob | null {
  const { piece, plan, cupboard } = useDesk.getState();
  if (!piece || !plan) return null;
  return inItsOwn((worker) => worker.still(piece, plan, cupboard, asked, Comlink.proxy(report)));
}

/** The coat of an area on a practice ball. */
export function workOutBall(areaId: string, diameterMm: number, asked: PictureAsked): StillJob | null {
  const { piece, cupboard, hand } = useDesk.getState();
  return piece && inItsOwn((worker) => worker.ball(piece, areaId, diameterMm, cupboard, hand, asked));
}

function inItsOwn(make: (worker: Comlink.Remote<StillWorker>) => Promise<Uint8Array | null>): StillJob {
  const worker = new Worker(new URL('../worker/still.worker.ts', import.meta.url), { type: 'module' });
  const line = Comlink.wrap<StillWorker>(worker);
  let stopped: (nothing: null) => void = () => undefined;
  const stop = new Promise<null>((resolve) => (stopped = resolve));
  const broke = new Promise<never>((_, reject) => {
    worker.addEventListener('error', (e) =>
      reject(new Error(e.message || 'the part of the page that draws has ended')),
    );
  });
  const made = make(line).then((png) => (png ? new Blob([png as BlobPart], { type: 'image/png' }) : null));
  // Nothing may be waiting for it once it is stopped.
  broke.catch(() => undefined);
  made.catch(() => undefined);
  return {
    done: Promise.race([made, stop, broke]).finally(() => worker.terminate()),
    stop: () => stopped(null),
  };
}
