/**
 * Requests of the sheets' door, each in a thread with a limit of time and memory, few at once: the server goes on answering
 * everything else meanwhile, and what does not end is ended. A thread that answered is kept warm for the next for a while.
 */
import { availableParallelism } from 'node:os';
import { Worker } from 'node:worker_threads';
import type { Answer, Asked } from './answer';

const AT_ONCE = Math.max(1, Math.min(4, availableParallelism() - 1));
const WAITING = 4 * AT_ONCE;
const LONGEST_MS = 60_000;
const MEMORY_MB = 1024;
/** A thread nobody needed for so long gives its memory back; so does one that has answered often. */
const IDLE_MS = 10_000;
const OFTEN = 100;

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

interface Thread {
  readonly worker: Worker;
  answered: number;
  idle?: ReturnType<typeof setTimeout>;
}
const idle: Thread[] = [];

function thread(): Thread {
  const warm = idle.pop();
  clearTimeout(warm?.idle);
  if (warm) return warm;
  const resourceLimits = { maxOldGenerationSizeMb: MEMORY_MB };
  const made: Thread = { worker: new Worker(new URL('./thread.ts', import.meta.url), { resourceLimits }), answered: 0 };
  // One that ends while nobody asks it anything is not asked again.
  made.worker.on('error', () => leave(made));
  made.worker.on('exit', () => leave(made));
  return made;
}

function leave(t: Thread): void {
  clearTimeout(t.idle);
  if (idle.includes(t)) idle.splice(idle.indexOf(t), 1);
}

function end(t: Thread): void {
  leave(t);
  void t.worker.terminate();
}

function rest(t: Thread): void {
  if (++t.answered >= OFTEN) return end(t);
  // The server may end while it waits.
  t.idle = setTimeout(() => end(t), IDLE_MS).unref();
  idle.push(t);
}

const refuse = (status: number, title: string, detail: string): Answer => ({ ok: false, status, title, detail });

function inThread(asked: Asked): Promise<Answer> {
  const t = thread();
  const { worker } = t;
  return new Promise<Answer>((settle) => {
    const stop = (a: Answer, alive: boolean) => {
      clearTimeout(late);
      worker.off('message', message).off('error', error).off('exit', exit);
      if (alive) rest(t);
      else end(t);
      settle(a);
    };
    const message = (a: Answer) => stop(a, true);
    const error = (e: Error & { code?: string }) =>
      stop(
        e.code === 'ERR_WORKER_OUT_OF_MEMORY'
          ? refuse(413, 'Too large', 'Planning this piece takes more memory than the server allows.')
          : refuse(500, 'The sheets could not be made', e.message),
        false,
      );
    const exit = () => stop(refuse(500, 'The sheets could not be made', 'The work ended without an answer.'), false);
    const late = setTimeout(() => {
      const says = `The plan of this piece was not ready within ${LONGEST_MS / 1000} s.`;
      stop(refuse(503, 'Too long', says), false);
    }, LONGEST_MS);
    worker.on('message', message).on('error', error).on('exit', exit);
    worker.postMessage(asked);
  });
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
