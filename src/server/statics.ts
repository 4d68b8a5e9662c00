import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import sirv from 'sirv';

/** Below this the built scripts, styles and letters are asked for. */
const STATIC = '/_next/static/';

/**
 * Hands out what was built and never changes under its name, as it was compressed when it was built: by Brotli where
 * the asker reads it, by gzip to others (a browser reads Brotli only from its own machine or by https), plain to the
 * rest.
 *
 * @param dist folder of the build; its files are listed once
 * @returns what answers a request for such a file; `pass` is called, with the address as it came, for all else
 */
export function staticsOf(dist: string) {
  const serve = sirv(join(dist, 'static'), { immutable: true, maxAge: 31_536_000, brotli: true, gzip: true });
  return (request: IncomingMessage, response: ServerResponse, pass: () => void): void => {
    const { url = '' } = request;
    if (!url.startsWith(STATIC)) {
      pass();
      return;
    }
    request.url = url.slice(STATIC.length - 1);
    serve(request, response, () => {
      request.url = url;
      pass();
    });
  };
}
