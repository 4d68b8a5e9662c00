import { GET } from './route';

test('the probe streams readings until it is let go', async () => {
  const stop = new AbortController();
  const answer = GET(new Request('http://localhost/api/probe?temp=12&humidity=70&seed=3', { signal: stop.signal }));
  expect(answer.headers.get('content-type')).toBe('text/event-stream');
  const reader = answer.body!.getReader();
  const read = async () => JSON.parse(new TextDecoder().decode((await reader.read()).value).replace(/^data: /, ''));
  const [first, second] = [await read(), await read()];
  expect(second.atMs - first.atMs).toBe(1000);
  // From the hand towards the face.
  expect(Math.abs(second.tempC - 12)).toBeLessThan(Math.abs(first.tempC - 12));
  stop.abort();
  expect((await reader.read()).done).toBe(true);
});

test('a face that cannot be is refused', async () => {
  for (const query of ['temp=180', 'humidity=120', 'temp=warm'])
    expect(GET(new Request(`http://localhost/api/probe?${query}`)).status).toBe(400);
});
