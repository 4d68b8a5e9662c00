import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, get, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, brotliDecompressSync, gunzipSync, gzipSync } from 'node:zlib';
import { staticsOf } from './statics';

const SCRIPT = 'export const pot = "resin and hardener";\n'.repeat(40);
let dist: string;
let server: Server;

beforeAll(async () => {
  dist = mkdtempSync(join(tmpdir(), 'grenko-statics-'));
  mkdirSync(join(dist, 'static/chunks'), { recursive: true });
  const path = join(dist, 'static/chunks/pot.js');
  writeFileSync(path, SCRIPT);
  writeFileSync(`${path}.br`, brotliCompressSync(SCRIPT));
  writeFileSync(`${path}.gz`, gzipSync(SCRIPT));
  writeFileSync(join(dist, 'secret.json'), '{}');
  const statics = staticsOf(dist);
  server = createServer((request, response) =>
    statics(request, response, () => {
      response.writeHead(404);
      response.end(`passed on: ${request.url}`);
    }),
  ).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
});
afterAll(() => {
  server.close();
  rmSync(dist, { recursive: true, force: true });
});

/** Asks for an address as it is written, its dots and escapes kept. */
const ask = (path: string, encodings = '') =>
  new Promise<{ status: number; encoding: string; headers: NodeJS.Dict<string | string[]>; body: Buffer }>((done) =>
    get(
      { port: (server.address() as AddressInfo).port, path, headers: { 'accept-encoding': encodings } },
      (response) => {
        const parts: Buffer[] = [];
        response.on('data', (part) => parts.push(part));
        response.on('end', () =>
          done({
            status: response.statusCode ?? 0,
            encoding: String(response.headers['content-encoding'] ?? ''),
            headers: response.headers,
            body: Buffer.concat(parts),
          }),
        );
      },
    ),
  );

describe('built files', () => {
  const AT = '/_next/static/chunks/pot.js';

  test.each([
    ['gzip, deflate, br, zstd', 'br', brotliDecompressSync],
    ['gzip, deflate', 'gzip', gunzipSync],
    ['identity', '', (body: Buffer) => body],
  ])('an asker that reads %s is answered by “%s”', async (reads, encoding, plain) => {
    const { status, encoding: said, headers, body } = await ask(AT, reads);
    expect({ status, said }).toEqual({ status: 200, said: encoding });
    expect(plain(body).toString()).toBe(SCRIPT);
    expect(headers['content-type']).toMatch(/^text\/javascript/);
    expect(headers['cache-control']).toBe('public,max-age=31536000,immutable');
    // What lies between keeps the forms apart.
    expect(headers.vary).toBe('Accept-Encoding');
  });

  test('what is not there, and what is no such file, is passed on under the address it came by', async () => {
    for (const path of ['/_next/static/chunks/none.js?x=1', '/job/a%20b', '/_next/static/../secret.json']) {
      const { status, body } = await ask(path);
      expect([status, body.toString()]).toEqual([404, `passed on: ${path}`]);
    }
  });
});
