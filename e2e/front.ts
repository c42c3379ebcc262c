/** A server before the server, that a test can take away and renew: what it passes on can be of another build. */
import { createServer, request, type Server } from 'node:http';
import type { AddressInfo, Socket } from 'node:net';

export interface Front {
  readonly url: string;
  /** Nobody answers any more at this address. */
  readonly gone: () => Promise<void>;
  /** From now on the same program under the name of another build. */
  readonly renew: (build: string) => void;
  /** What was asked of it, by path. */
  readonly asked: string[];
}

/** @param behind address of the server that answers */
export async function front(behind: string): Promise<Front> {
  const { hostname, port } = new URL(behind);
  const mine = (await (await fetch(`${behind}/api/offline`)).json()) as { build: string };
  let build = mine.build;
  const asked: string[] = [];
  const open = new Set<Socket>();
  const server: Server = createServer((req, res) => {
    asked.push(req.url!);
    const headers = { ...req.headers, 'accept-encoding': 'identity' };
    const on = request(
      { hostname, port, path: req.url!.replaceAll(build, mine.build), method: req.method, headers },
      (back) => {
        const { 'content-length': length, ...kept } = back.headers;
        const text = /text\/html|application\/json/.test(kept['content-type'] ?? '') && build !== mine.build;
        res.writeHead(back.statusCode!, text || length === undefined ? kept : { ...kept, 'content-length': length });
        if (!text) return back.pipe(res);
        const parts: Buffer[] = [];
        back.on('data', (b: Buffer) => parts.push(b));
        back.on('end', () => res.end(Buffer.concat(parts).toString().replaceAll(mine.build, build)));
        return undefined;
      },
    );
    on.on('error', () => res.destroy());
    req.pipe(on);
  });
  server.on('connection', (s: Socket) => {
    open.add(s);
    s.on('close', () => open.delete(s));
  });
  await new Promise<void>((up) => server.listen(0, '127.0.0.1', up));
  return {
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    gone: () =>
      new Promise((down) => {
        server.close(() => down());
        for (const s of open) s.destroy();
      }),
    renew: (name) => void (build = name),
    asked,
  };
}
