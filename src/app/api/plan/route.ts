import { readJobFile } from '@/core/file';
import { preparePots } from '@/core/plan';
import { planReport, viewJob } from '@/core/record';
import { Refusal } from '@/core/units';

/** Job files above this are refused before they are read, bytes. */
const LIMIT = 20_000_000;

const said = (status: number, field: string, allowed: string, sentence: string) =>
  Response.json({ error: { field, allowed, sentence } }, { status });

/** POST a job file, get its plan. `?at=ISO-INSTANT` sets the present. */
export async function POST(request: Request): Promise<Response> {
  const stated = Number(request.headers.get('content-length') ?? 0);
  const tooLarge = () => said(413, 'file', `up to ${LIMIT / 1e6} MB`, `The file is larger than ${LIMIT / 1e6} MB.`);
  if (stated > LIMIT) return tooLarge();
  const text = await readUpTo(request, LIMIT);
  if (text === null) return tooLarge();
  const at = new URL(request.url).searchParams.get('at');
  const nowMs = at === null ? Date.now() : Date.parse(at);
  if (!Number.isFinite(nowMs)) return said(400, 'at', 'an ISO instant', `“${at}” is not an instant like 2026-05-05T06:40:00Z.`);
  try {
    const file = readJobFile(text);
    return Response.json(planReport(viewJob(file, nowMs, preparePots(file.repairs, file.sheets))));
  } catch (error) {
    if (error instanceof Refusal) return said(400, error.problem.field, error.problem.allowed, error.problem.sentence);
    throw error;
  }
}

/** The body as text, or null as soon as it grows past the limit. */
async function readUpTo(request: Request, limit: number): Promise<string | null> {
  if (!request.body) return '';
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body as unknown as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > limit) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}
