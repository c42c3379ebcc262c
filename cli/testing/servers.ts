/** Servers of the built app for the browser tests, each on a port found free. */
import { spawn, type ChildProcess } from 'node:child_process';
import { openSync, readFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');

export interface Server {
  readonly url: string;
  /** Of the process that serves. */
  readonly pid: number;
  readonly stop: () => void;
}

/** A port nobody listens on just now. */
export const freePort = (): Promise<number> =>
  new Promise((done, fail) => {
    const probe = createServer();
    probe.once('error', fail);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => done(port));
    });
  });

/**
 * Starts the app on a port.
 * @param log file its words go to
 * @param patienceMs how long it may take until it answers
 * @throws in one line when it ends or does not answer in time
 */
export async function startServer(port: number, log: string, patienceMs = 60_000): Promise<Server> {
  const out = openSync(log, 'w');
  const child: ChildProcess = spawn(
    process.execPath,
    [join(root, 'cli/serve.mjs'), '--hostname', '127.0.0.1', '--port', String(port)],
    {
      cwd: root,
      stdio: ['ignore', out, out],
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', MALLOC_ARENA_MAX: '2' },
    },
  );
  let ended = false;
  child.once('exit', () => (ended = true));
  const url = `http://127.0.0.1:${port}`;
  const stop = () => void child.kill('SIGTERM');
  for (const until = Date.now() + patienceMs; Date.now() < until;) {
    if (ended) throw new Error(`the server on port ${port} ended at once, see ${log}`);
    // Its own word counts too: somebody else might answer on that port.
    const ready = readFileSync(log, 'utf8').includes('Ready');
    const answers =
      ready &&
      (await fetch(url, { signal: AbortSignal.timeout(5000) }).then(
        (r) => r.ok,
        () => false,
      ));
    if (answers && !ended) return { url, pid: child.pid!, stop };
    await new Promise((r) => setTimeout(r, 200));
  }
  stop();
  throw new Error(`the server on port ${port} did not answer within ${patienceMs / 1000} s, see ${log}`);
}

/** One server a shard; another port is tried when somebody was quicker to take one. */
export async function startServers(count: number, logs: string): Promise<Server[]> {
  const up: Server[] = [];
  try {
    for (let i = 0; i < count; i++) {
      for (let tries = 1; ; tries++) {
        try {
          up.push(await startServer(await freePort(), join(logs, `server-${i + 1}.log`)));
          break;
        } catch (e) {
          if (tries === 3) throw e;
        }
      }
    }
    return up;
  } catch (e) {
    for (const s of up) s.stop();
    throw e;
  }
}
