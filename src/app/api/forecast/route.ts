import { CHARACTERS, type CharacterId, madeUpForecast } from '@/device/forecast';

const HOURS = 24 * 26;

/** The stand-in forecast: made-up weather, the same for the same seed. */
export function GET(request: Request): Response {
  const asked = new URL(request.url).searchParams;
  const character = asked.get('character') ?? '';
  const [seed, from, offset] = ['seed', 'from', 'offset'].map((key) => Number(asked.get(key) ?? 0)) as [
    number,
    number,
    number,
  ];
  // An own name of the table: every object also answers to names of the engine.
  if (!Object.hasOwn(CHARACTERS, character))
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
  if (!(Math.abs(seed) <= Number.MAX_SAFE_INTEGER && from >= 0 && from <= Date.UTC(2200, 0) && Math.abs(offset) <= 15))
    return Response.json(
      {
        error: {
          field: 'from',
          allowed: 'epoch milliseconds from 1970 to 2200',
          sentence: 'The first hour, the seed and the offset must be numbers.',
        },
      },
      { status: 400 },
    );
  return Response.json({
    standIn: true,
    character,
    seed,
    rows: madeUpForecast(character as CharacterId, seed, from, HOURS, offset),
  });
}
