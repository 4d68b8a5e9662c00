import { madeUpProbe } from '@/device/probe';

/** The probe lies down after so many readings: nobody holds one longer. */
const MOST = 600;

/** The stand-in probe: a stream of readings, one a second, as server-sent events. */
export function GET(request: Request): Response {
  const asked = new URL(request.url).searchParams;
  const tempC = Number(asked.get('temp') ?? 15);
  const humidityPct = Number(asked.get('humidity') ?? 60);
  if (!(tempC >= -40 && tempC <= 80) || !(humidityPct >= 0 && humidityPct <= 100))
    return Response.json(
      {
        error: {
          field: 'temp',
          allowed: '-40 to 80 °C, 0 to 100 %',
          sentence: 'The made-up face must have a temperature and a humidity that can be.',
        },
      },
      { status: 400 },
    );
  const probe = madeUpProbe({ tempC, humidityPct }, Number(asked.get('seed') ?? 1) || 1, Date.now());
  let timer: ReturnType<typeof setInterval> | undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const encoder = new TextEncoder();
      let sent = 0;
      const end = () => {
        clearInterval(timer);
        try {
          controller.close();
        } catch {
          // It was closed from the other side.
        }
      };
      timer = setInterval(() => {
        if (++sent > MOST || request.signal.aborted) return end();
        controller.enqueue(encoder.encode(`data: ${JSON.stringify(probe.next().value)}\n\n`));
      }, 1000);
      request.signal.addEventListener('abort', end);
    },
    cancel() {
      clearInterval(timer);
    },
  });
  return new Response(stream, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
}
