import type { Said } from '@/core/say';
import type { EstimableField } from '@/core/system';
import { coreText, withItsUnit, withoutBounds } from '@/core/typed';
import type { Currency, Kind, UnitSystem } from '@/core/units';
import { phrase, readMoney, readQuantity } from '@/words';
import type { DraftFaults } from './draft';

type Faults = Record<string, DraftFaults[string]>;

const OF_HUMIDITY = /\s*(?:r\.?\s?[hf]\.?|rel(?:ative)?\.?(?: humidity)?|humidity)$/i;

/** Words behind a figure, and how many of what its field counts each of them is. */
type Counted = readonly (readonly [unit: RegExp, each: number])[];
const MONTHS: Counted = [
  [/\s*(?:months?|monate?n?)$/i, 1],
  [/\s*(?:years?|yrs?|jahre?n?)$/i, 12],
];
const DAYS: Counted = [
  [/\s*(?:d|days?|tagen?|tage)$/i, 1],
  [/\s*(?:weeks?|wochen?)$/i, 7],
  [/\s*(?:months?|monate?n?)$/i, 30],
];
/** What the figure of a field counts. */
const COUNTED: Readonly<Record<string, Counted>> = {
  'limits.baseAgeMinDays': DAYS,
  shelfMonths: MONTHS,
  openedMonths: MONTHS,
};

/** Reads the fields of a draft one by one, noting what is wrong with each. */
export class Reader {
  readonly faults: Faults = {};
  /** What is printed in other units than those kept. */
  readonly printed: Record<string, string> = {};
  /** What the paper is silent on and is taken as usual. */
  readonly estimated: EstimableField[] = [];
  /** What the prices are in, once one is read. */
  currency: Currency | null = null;
  constructor(
    readonly system: UnitSystem,
    readonly money: Currency | null,
  ) {}

  quantity(field: string, kind: Kind, text: string, optional = false): number | null {
    if (optional && !text.trim()) return null;
    const bare = withoutBounds(text.trim().replace(OF_HUMIDITY, '')).replace(OF_HUMIDITY, '');
    const [words, each] = (COUNTED[field] ?? []).find(([unit]) => unit.test(bare)) ?? [];
    const parsed = readQuantity(kind, words ? bare.replace(words, '') : bare, this.system);
    if (!parsed.ok) {
      this.faults[field] = parsed;
      return null;
    }
    if (each !== undefined) return parsed.value * each;
    const said = withItsUnit(kind, bare, this.system);
    if (kind !== 'count' && kind !== 'percent' && said !== coreText(kind, parsed.value))
      this.printed[field] = said.slice(0, 60);
    return parsed.value;
  }
  /** A price in the one money of the sheet, so that its packs can be compared. */
  price(field: string, text: string): number | null {
    if (!text.trim()) return null;
    const parsed = readMoney(text, { own: this.money, bare: this.currency ?? this.money });
    if (!parsed.ok) {
      this.faults[field] = parsed;
      return null;
    }
    this.currency ??= parsed.currency;
    if (parsed.currency !== this.currency)
      this.say(field, phrase`The other price is in ${this.currency}: give both in one money.`);
    return parsed.value;
  }
  /** What a field says, or what is usual where nothing is typed, marked so. */
  orUsual<T, S extends string>(field: EstimableField, text: S, usual: T, read: (said: Exclude<S, ''>) => T): T {
    if (text.trim()) return read(text as Exclude<S, ''>);
    this.takeAsUsual(field);
    return usual;
  }
  takeAsUsual(field: EstimableField): void {
    if (!this.estimated.includes(field)) this.estimated.push(field);
  }
  above(field: string, kind: Kind, text: string): number {
    const v = this.quantity(field, kind, text);
    if (v !== null && v <= 0) this.faults[field] = { sentence: 'Must be more than 0.' };
    return v ?? Number.NaN;
  }
  /** What is in a pack, g: by mass as on the tin, or by volume as on a cartridge, through the density of its part. */
  pack(field: string, text: string, densityGPerMl: number | undefined): number {
    const asVolume = readQuantity('volume', text, this.system);
    const asMass = readQuantity('mass', text, this.system);
    // A bare number, and an ounce that may be either, is asked for as a mass.
    if (asMass.ok || !asVolume.ok) {
      if (!asMass.ok && !asVolume.ok && asVolume.choices && asMass.choices)
        this.faults[field] = { ...asMass, choices: [...asMass.choices, ...asVolume.choices] };
      else if (!asMass.ok && !asVolume.ok && asVolume.choices) this.faults[field] = asVolume;
      else return this.above(field, 'mass', text);
      return Number.NaN;
    }
    if (!(asVolume.value > 0)) this.faults[field] = { sentence: 'Must be more than 0.' };
    this.printed[field] = withItsUnit('volume', text, this.system).slice(0, 60);
    return asVolume.value * (densityGPerMl ?? Number.NaN);
  }
  aboveOrNone(field: string, kind: Kind, text: string): number | null {
    return text.trim() ? this.above(field, kind, text) : null;
  }
  say(field: string, sentence: Said): void {
    this.faults[field] = { sentence };
  }
}
