import { IANAZone } from 'luxon';
import { z } from 'zod';

/**
 * What a stored figure can be at all: wide enough for anything that is repaired, narrow enough that nothing computed
 * from it leaves the numbers. What a method allows is narrower, and said at its field.
 */

/** A length, place or distance, mm: up to a kilometre. */
export const Mm = z.number().min(-1e6).max(1e6);
/** A temperature, °C. */
export const Celsius = z.number().min(-273.15).max(1000);
/** An angle, degrees. */
export const Degrees = z.number().min(-3600).max(3600);
/** A share of a hundred, before it is checked. */
export const Percent = z.number().min(-1000).max(10_000);
/** A mass, g. */
export const Grams = z.number().min(-1e9).max(1e9);
/** Whatever else is a figure. */
export const Figure = z.number().min(-1e12).max(1e12);
/** A density, g/mL: nothing on earth is denser than osmium. */
export const Density = z.number().positive().max(25);
/** A time a sheet states, minutes: up to two years. */
export const Minutes = z.number().min(0).max(1_051_200);
/** Hours of a day, before they are checked. */
export const HourOfDay = z.number().min(-48).max(72);

/** An instant, epoch ms, within the years a record can belong to. */
export const Instant = z.number().int().min(0).max(Date.UTC(2200, 0));

/** A name for a record: letters, digits and a few marks, so that it can stand in an address, a file and a key. */
export const Id = z.string().regex(/^[\w.:~-]{1,120}$/, 'must be of letters, digits and . : ~ _ - only');

const zones = new Map<string, boolean>();
/** An IANA time zone that this engine knows. */
export const Zone = z
  .string()
  .min(1)
  .max(60)
  .refine(
    (zone) => {
      const known = zones.get(zone) ?? IANAZone.isValidZone(zone);
      if (zones.size < 1000) zones.set(zone, known);
      return known;
    },
    { error: 'is not a time zone known here' },
  );
