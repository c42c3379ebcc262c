/**
 * Serves the built app: node cli/serve.mjs [--port 3000] [--hostname 0.0.0.0]. Answers what a page or a script asks and nothing
 * else; writes down no addresses, no names and nothing of what was sent.
 */
import { createServer } from 'node:http';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import next from 'next';

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: process.env.PORT ?? '3000' },
    hostname: { type: 'string', default: process.env.HOSTNAME_TO_SERVE ?? '0.0.0.0' },
  },
});
const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > 65535) {
  process.stderr.write('--port must be a whole number from 0 to 65535\n');
  process.exit(2);
}

const app = next({ dev: false, dir: join(import.meta.dirname, '..'), hostname: values.hostname, port });
await app.prepare();
const handle = app.getRequestHandler();

const METHODS = ['GET', 'HEAD', 'POST', 'OPTIONS'];
const server = createServer((request, response) => {
  if (!METHODS.includes(request.method ?? '')) {
    response.writeHead(405, {
      Allow: METHODS.join(', '),
      'Content-Type': 'text/plain',
      'X-Content-Type-Options': 'nosniff',
    });
    response.end('This is not asked of a page.\n');
    return;
  }
  handle(request, response).catch(() => {
    if (!response.headersSent) response.writeHead(500);
    response.end();
  });
});
// A request that trickles in does not hold its place for ever.
server.headersTimeout = 20_000;
server.requestTimeout = 60_000;
server.once('error', (e) => {
  process.stderr.write(
    e.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with PORT=3001 ./start\n` : `${e.message}\n`,
  );
  process.exit(1);
});
server.listen(port, values.hostname, () => process.stdout.write(`Ready on port ${server.address().port}\n`));
for (const end of ['SIGTERM', 'SIGINT']) {
  process.on(end, () => {
    // What is being answered is answered; nothing new is taken.
    server.close(() => process.exit(0));
    setTimeout(() => process.exit(0), 5000).unref();
  });
}
