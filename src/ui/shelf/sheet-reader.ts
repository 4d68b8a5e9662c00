import type { Said } from '@/core/say';
import type { EstimableField } from '@/core/system';
import { coreText, withItsUnit } from '@/core/typed';
import type { Currency, Kind, UnitSystem } from '@/core/units';
import { phrase, readMoney, readQuantity } from '@/words';
import type { DraftFaults } from './draft';

type Faults = Record<string, DraftFaults[string]>;

/** Words of a limit round its figure: the figure is the limit, whichever end its field is. */
const BOUND_BEFORE =
  /^(?:max(?:imum)?|min(?:imum)?|at (?:most|least)|up to|not (?:above|below|under|over)|from|mind(?:estens)?|höchstens|>=?|<=?|≥|≤)\.?\s*(?=[-+−\d])/i;
const BOUND_BEHIND = /\s+(?:max(?:imum)?|min(?:imum)?|or (?:more|less))\.?$/i;
const OF_HUMIDITY = /\s*(?:r\.?\s?[hf]\.?|rel(?:ative)?\.?(?: humidity)?|humidity)$/i;

/** What a figure counts, by its field, and the words that count more of them at once. */
const COUNTED: Readonly<Record<string, readonly (readonly [RegExp, number])[]>> = {
  'limits.baseAgeMinDays': [
    [/\s*(?:d|days?|tagen?|tage)$/i, 1],
    [/\s*(?:weeks?|wochen?)$/i, 7],
    [/\s*(?:months?|monate?n?)$/i, 30],
  ],
  shelfMonths: [
    [/\s*(?:months?|monate?n?)$/i, 1],
    [/\s*(?:years?|yrs?|jahre?n?)$/i, 12],
  ],
};
const countedIn = (field: string) => COUNTED[field === 'openedMonths' ? 'shelfMonths' : field] ?? [];

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
    const bare = text.trim().replace(BOUND_BEFORE, '').replace(BOUND_BEHIND, '').replace(OF_HUMIDITY, '');
    const [words, each] = countedIn(field).find(([unit]) => unit.test(bare)) ?? [];
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
  orUsual(field: EstimableField, text: string, usual: number, read: () => number): number {
    if (text.trim()) return read();
    this.estimated.push(field);
    return usual;
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
