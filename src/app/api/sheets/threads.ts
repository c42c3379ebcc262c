/**
 * Requests of the sheets' door, each in a thread of its own with a limit of time and memory, few at once: the server goes on
 * answering everything else meanwhile, and what does not end is ended.
 */
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Answer, Asked } from './answer';

const AT_ONCE = Math.max(1, Math.min(4, availableParallelism() - 1));
const WAITING = 4 * AT_ONCE;
const LONGEST_MS = 60_000;
const MEMORY_MB = 1024;

let running = 0;
const waiting: (() => void)[] = [];

/** Its turn, or null where too many are waiting already. */
function turn(): Promise<void> | null {
  if (running < AT_ONCE) {
    running++;
    return Promise.resolve();
  }
  if (waiting.length >= WAITING) return null;
  return new Promise((go) => waiting.push(go));
}

function done(): void {
  const next = waiting.shift();
  if (next) next();
  else running--;
}

const refuse = (status: number, title: string, detail: string): Answer => ({ ok: false, status, title, detail });

function inThread(asked: Asked): Promise<Answer> {
  const worker = new Worker(new URL('./thread.ts', import.meta.url), {
    workerData: asked,
    resourceLimits: { maxOldGenerationSizeMb: MEMORY_MB },
  });
  return new Promise<Answer>((settle) => {
    const late = setTimeout(
      () => settle(refuse(503, 'Too long', `The plan of this piece was not ready within ${LONGEST_MS / 1000} s.`)),
      LONGEST_MS,
    );
    const end = (a: Answer) => (clearTimeout(late), settle(a));
    worker.on('message', end);
    worker.on('error', (e: Error & { code?: string }) =>
      end(
        e.code === 'ERR_WORKER_OUT_OF_MEMORY'
          ? refuse(413, 'Too large', 'Planning this piece takes more memory than the server allows.')
          : refuse(500, 'The sheets could not be made', e.message),
      ),
    );
    worker.on('exit', () => end(refuse(500, 'The sheets could not be made', 'The work ended without an answer.')));
  }).finally(() => void worker.terminate());
}

/** @returns null where too many requests are waiting already */
export async function answered(asked: Asked): Promise<Answer | null> {
  const mine = turn();
  if (mine === null) return null;
  await mine;
  try {
    return await inThread(asked);
  } finally {
    done();
  }
}
