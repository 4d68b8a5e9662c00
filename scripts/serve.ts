import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import next from 'next';
import { guard, headersOf, ownFile } from '../src/server/guard';
import { staticsOf } from '../src/server/statics';

/** Serves the built product: `tsx scripts/serve.ts -p PORT [-H HOST]`. */
const { values } = parseArgs({
  options: { port: { type: 'string', short: 'p', default: '3000' }, host: { type: 'string', short: 'H' } },
});
const port = Number(values.port);
const dist = process.env.GRENKO_DIST ?? '.next';
const scripts = JSON.parse(readFileSync(join(dist, 'grenko/scripts.json'), 'utf8')) as Record<string, string[]>;

const statics = staticsOf(dist);

const app = next({ dev: false, hostname: values.host ?? '127.0.0.1', port });
await app.prepare();
const handle = app.getRequestHandler();

const server = createServer((request, response) => {
  const refusal = guard(request.method ?? '', request.url ?? '');
  for (const [name, value] of Object.entries(headersOf(refusal ? '' : (request.url ?? ''), scripts)))
    response.setHeader(name, value);
  if (refusal) {
    if (refusal.allow) response.setHeader('allow', refusal.allow);
    response.writeHead(refusal.status, { 'content-type': 'application/json' });
    response.end(
      JSON.stringify({ error: { field: refusal.field, allowed: refusal.allowed, sentence: refusal.sentence } }),
    );
    return;
  }
  const own = ownFile(dist, request.url ?? '');
  if (own) {
    response.writeHead(200, { 'content-type': own.type, 'cache-control': 'no-cache', 'service-worker-allowed': '/' });
    response.end(request.method === 'HEAD' ? undefined : own.content);
    return;
  }
  statics(request, response, () => {
    handle(request, response).catch(() => {
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });
});
// What is no HTTP at all is told so, and its line is closed.
server.on('clientError', (_error, socket) => {
  if (socket.writable) socket.end('HTTP/1.1 400 Bad Request\r\nconnection: close\r\ncontent-length: 0\r\n\r\n');
});
server.requestTimeout = 60_000;
server.listen(port, values.host ?? undefined);
