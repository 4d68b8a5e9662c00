import { CHARACTERS, type CharacterId, madeUpForecast } from '@/device/forecast';

const HOURS = 24 * 26;

/** The stand-in forecast: made-up weather, the same for the same seed. */
export function GET(request: Request): Response {
  const asked = new URL(request.url).searchParams;
  const character = asked.get('character') ?? '';
  const [seed, from, offset] = ['seed', 'from', 'offset'].map((key) => Number(asked.get(key) ?? 0)) as [number, number, number];
  if (!(character in CHARACTERS))
    return Response.json(
      {
        error: {
          field: 'character',
          allowed: Object.keys(CHARACTERS).join(', '),
          sentence: `There is no made-up weather called “${character}”.`,
        },
      },
      { status: 400 },
    );
  if (![seed, from, offset].every(Number.isFinite) || from < 0 || Math.abs(offset) > 15)
    return Response.json(
      { error: { field: 'from', allowed: 'epoch milliseconds', sentence: 'The first hour, the seed and the offset must be numbers.' } },
      { status: 400 },
    );
  return Response.json({ standIn: true, character, seed, rows: madeUpForecast(character as CharacterId, seed, from, HOURS, offset) });
}
