import { z } from 'zod';

/** What a seat is found to be, gravest first. */
export const SEATS = {
  cracked: { label: 'cracked', means: 'it runs on under the plate' },
  rusted: { label: 'rusted', means: 'ground to bright metal, its thickness judged' },
  painted: { label: 'painted', means: 'stripped over the whole footprint first' },
  sound: { label: 'sound', means: 'bare, whole metal' },
} as const;
export type SeatId = keyof typeof SEATS;
export const Seat = z.enum(Object.keys(SEATS) as [SeatId, ...SeatId[]]);

/** What each of several like places was found to be, by its number from 1; one that nobody looked at is not in it. */
export const Seats = z.record(z.string().regex(/^[1-9]\d{0,2}$/, 'must be the number of a place'), Seat);
export type Seats = z.infer<typeof Seats>;

/** Numbers of the places that were found so, in order; those past the last place are of an older count. */
export const seatsFound = (seats: Seats, count: number, as: SeatId): readonly number[] =>
  Array.from({ length: count }, (_, i) => i + 1).filter((n) => seats[n] === as);
