import { format } from './format';
import { fromCore, type Kind, toCore, type UnitSystem, unitOf } from './kinds';

const METRIC: Readonly<Record<string, Kind>> = {
  mm: 'length',
  cm: 'length',
  m: 'length',
  'cm²': 'area',
  'm²': 'area',
  mL: 'volume',
  L: 'volume',
  g: 'mass',
  kg: 'mass',
  '°C': 'temperature',
  K: 'interval',
};
const NUMBER = String.raw`[−-]?\d+(?:\.\d+)?`;
const QUANTITY = new RegExp(
  String.raw`(?<![\d.,/])(${NUMBER})(?: (to|and) (${NUMBER}))? (mm|cm²|cm|m²|mL|kg|°C|K|m|L|g)(?![\p{L}\d²/])`,
  'gu',
);

/**
 * A sentence of the core, whose quantities are metric, in the units of the person who reads it.
 * @example proseIn('38 mm against 20 mm on the sheet.', 'us') // '1.5 in against 0.787 in on the sheet.'
 */
export function proseIn(text: string, system: UnitSystem): string {
  if (system === 'metric') return text;
  return text.replace(
    QUANTITY,
    (_, first: string, word: string | undefined, second: string | undefined, symbol: string) => {
      const kind = METRIC[symbol]!;
      const unit = unitOf(kind, symbol);
      const shown = (digits: string) => format(kind, toCore(unit, Number(digits.replace('−', '-'))), system);
      const last = shown(second ?? first);
      if (!second) return last.text;
      // Both ends of a range in the unit of its second end.
      const target = unitOf(kind, last.unit);
      const start = fromCore(target, toCore(unit, Number(first.replace('−', '-'))));
      return `${Number(start.toPrecision(3))} ${word} ${last.text}`;
    },
  );
}

const INSTANT = /\d{4}-\d\d-\d\dT\d\d:\d\d(?::\d\d(?:\.\d+)?)?Z/g;

/** A sentence of the core, whose instants are UTC, with them printed as people at the site read them. */
export const instantsIn = (text: string, print: (ms: number) => string): string =>
  text.replace(INSTANT, (iso) => print(Date.parse(iso)));
