import { planInThread, TIME_LIMIT_MS } from '@/server/plan-pool';
import { isLanguage, LANGUAGES } from '@/words';

/** Job files above this are refused before they are read, bytes. */
const LIMIT = 20_000_000;
/** So much is still read and thrown away: who is cut off while he speaks does not hear the answer. */
const HEARD_OUT = 4 * LIMIT;

const said = (status: number, field: string, allowed: string, sentence: string, headers: Record<string, string> = {}) =>
  Response.json({ error: { field, allowed, sentence } }, { status, headers });

/**
 * POST a job file, get its plan. `?at=ISO-INSTANT` sets the present, `?units=us` the units of its sentences,
 * `?language=de` their language.
 */
export async function POST(request: Request): Promise<Response> {
  const stated = Number(request.headers.get('content-length') ?? 0);
  const tooLarge = () => said(413, 'file', `up to ${LIMIT / 1e6} MB`, `The file is larger than ${LIMIT / 1e6} MB.`);
  if (stated > HEARD_OUT) return tooLarge();
  const bytes = await readUpTo(request, LIMIT);
  if (bytes === null) return tooLarge();
  const at = new URL(request.url).searchParams.get('at');
  const nowMs = at === null ? null : Date.parse(at);
  if (nowMs !== null && !(nowMs >= 0 && nowMs < Date.UTC(2200, 0)))
    return said(400, 'at', 'an ISO instant from 1970 to 2200', `“${at}” is not an instant like 2026-05-05T06:40:00Z.`);
  const units = new URL(request.url).searchParams.get('units') ?? 'metric';
  if (units !== 'metric' && units !== 'us')
    return said(400, 'units', 'metric or us', `“${units}” is neither metric nor us.`);
  const language = new URL(request.url).searchParams.get('language') ?? 'en';
  if (!isLanguage(language))
    return said(
      400,
      'language',
      LANGUAGES.join(' or '),
      `“${language}” is not spoken here: ${LANGUAGES.join(' or ')}.`,
    );
  const answer = await planInThread({ bytes, nowMs, units, language });
  if (answer.is === 'full')
    return said(503, 'server', 'asking again later', 'Too many plans are waiting: ask again in a few seconds.', {
      'retry-after': '5',
    });
  if (answer.is === 'too-long')
    return said(
      422,
      'file',
      `what is planned in ${TIME_LIMIT_MS / 1000} s`,
      `Planning this job takes longer than ${TIME_LIMIT_MS / 1000} s.`,
    );
  const { reply } = answer;
  if (!reply.ok) return said(400, reply.field, reply.allowed, reply.sentence);
  return new Response(reply.text, { headers: { 'content-type': 'application/json' } });
}

/** The body; null where it is past the limit, of which nothing is kept. A sender is heard out before it is told. */
async function readUpTo(request: Request, limit: number): Promise<ArrayBuffer | null> {
  if (!request.body) return new ArrayBuffer(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > HEARD_OUT) return null;
    if (size <= limit) chunks.push(chunk);
    else chunks.length = 0;
  }
  if (size > limit) return null;
  const whole = new Uint8Array(size);
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole.buffer;
}
