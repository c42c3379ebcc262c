/** Ports found free, and servers that do not come up said in one line. */
import { mkdtempSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { freePort, startServer } from './servers';

const listening = (port: number) =>
  new Promise<ReturnType<typeof createServer>>((done, fail) => {
    const s = createServer((socket) => socket.end());
    s.once('error', fail);
    s.listen(port, '127.0.0.1', () => done(s));
  });

describe('servers of the browser tests', () => {
  it('find ports that can be listened on, each another', async () => {
    const a = await listening(await freePort());
    const b = await listening(await freePort());
    expect(a.address()).not.toEqual(b.address());
    a.close();
    b.close();
  });

  it('a port in use is said in one line and nothing is left behind', async () => {
    const port = await freePort();
    const other = await listening(port);
    const log = join(mkdtempSync(join(tmpdir(), 'server-')), 'log');
    const failed = await startServer(port, log, 20_000).then(
      () => null,
      (e: Error) => e.message,
    );
    expect(failed).toMatch(new RegExp(`^the server on port ${port} (ended at once|did not answer within 20 s)`));
    expect(failed!.split('\n')).toHaveLength(1);
    other.close();
  });
});
