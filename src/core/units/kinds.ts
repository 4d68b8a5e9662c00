/** The kinds of quantity the product handles; each has one core unit, named in `coreUnit`. */
export type Kind =
  | 'length'
  | 'area'
  | 'volume'
  | 'mass'
  | 'temperature'
  | 'interval'
  | 'duration'
  | 'angle'
  | 'density'
  | 'force'
  | 'stress'
  | 'percent'
  | 'rate'
  | 'uptake'
  | 'run-uptake'
  | 'spread'
  | 'areal'
  | 'area-rate'
  | 'speed'
  | 'evaporation'
  | 'count';

export type UnitSystem = 'metric' | 'us';

export interface Unit {
  /** How the unit is written when shown. */
  readonly symbol: string;
  /** Lower-case spellings understood on input. */
  readonly names: readonly string[];
  /** core = typed * factor + offset */
  readonly factor: number;
  readonly offset?: number;
  readonly system: UnitSystem | 'both';
}

const IN = 25.4;
const M2_PER_YD2 = (IN * 36) ** 2 / 1e6;
const LB = 453.59237;
/** Pound-force, N: a pound under standard gravity (ISO 80000-4). */
const LBF = (LB / 1000) * 9.80665;
const US_FLOZ = 29.5735295625;
const UK_FLOZ = 28.4130625;

const u = (symbol: string, names: string, factor: number, system: Unit['system'], offset = 0): Unit => ({
  symbol,
  names: names.split('|'),
  factor,
  offset,
  system,
});

/**
 * Every unit understood, by kind. The first of each list is the core unit. Factors are exact definitions (international
 * yard and pound, 1959).
 */
export const UNITS: Readonly<Record<Kind, readonly Unit[]>> = {
  length: [
    u('mm', 'mm|millimetre|millimetres|millimeter|millimeters', 1, 'metric'),
    u('cm', 'cm|centimetre|centimetres|centimeter|centimeters', 10, 'metric'),
    u('m', 'm|metre|metres|meter|meters', 1000, 'metric'),
    u('µm', 'µm|um|μm|micron|microns', 0.001, 'metric'),
    // The thickness of a film, wherever inches are; in a metric country the word means a millimetre as well.
    u('mil', 'mil|mils', IN / 1000, 'us'),
    u('thou', 'thou|thousandth|thousandths', IN / 1000, 'both'),
    u('in', 'in|inch|inches|"|″|”|in.', IN, 'us'),
    u('ft', "ft|foot|feet|'|′|’|ft.", IN * 12, 'us'),
  ],
  area: [
    u('mm²', 'mm2|mm²', 1, 'metric'),
    u('cm²', 'cm2|cm²', 100, 'metric'),
    u('m²', 'm2|m²', 1e6, 'metric'),
    u('in²', 'in2|in²|sq in', IN * IN, 'us'),
    u('ft²', 'ft2|ft²|sq ft', IN * IN * 144, 'us'),
  ],
  volume: [
    u('mL', 'ml|cc|cm3|cm³|millilitre|millilitres', 1, 'metric'),
    u('L', 'l|litre|litres|liter|liters', 1000, 'metric'),
    u('m³', 'm3|m³|cubic metre|cubic metres', 1e6, 'metric'),
    u('US fl oz', 'us fl oz|fl oz us|us floz', US_FLOZ, 'us'),
    u('UK fl oz', 'uk fl oz|fl oz uk|imp fl oz', UK_FLOZ, 'both'),
    u('US pt', 'us pt|us pint|us pints', US_FLOZ * 16, 'us'),
    u('UK pt', 'uk pt|uk pint|uk pints|imp pt', UK_FLOZ * 20, 'both'),
    u('US qt', 'us qt|us quart|us quarts', US_FLOZ * 32, 'us'),
    u('UK qt', 'uk qt|uk quart|uk quarts', UK_FLOZ * 40, 'both'),
    u('US gal', 'us gal|us gallon|us gallons', US_FLOZ * 128, 'us'),
    u('UK gal', 'uk gal|uk gallon|uk gallons|imp gal', UK_FLOZ * 160, 'both'),
    u('in³', 'in3|in³|cu in|cu. in|cubic inch|cubic inches', IN ** 3 / 1000, 'us'),
    u('ft³', 'ft3|ft³|cu ft|cu. ft|cubic foot|cubic feet|cf', (IN * 12) ** 3 / 1000, 'us'),
  ],
  mass: [
    u('g', 'g|gram|grams|gramme|grammes', 1, 'metric'),
    u('kg', 'kg|kilo|kilos|kilogram|kilograms', 1000, 'metric'),
    u('oz av', 'oz av|oz mass|oz avdp|oz wt', LB / 16, 'us'),
    u('lb', 'lb|lbs|pound|pounds', LB, 'us'),
  ],
  temperature: [
    u('°C', '°c|c|degc|deg c|celsius|º c|ºc', 1, 'metric'),
    u('°F', '°f|f|degf|deg f|fahrenheit|ºf', 5 / 9, 'us', -160 / 9),
  ],
  interval: [u('K', 'k|°c|c', 1, 'metric'), u('°F', '°f|f', 5 / 9, 'us')],
  duration: [
    u('min', 'min|mins|minute|minutes|m', 1, 'both'),
    u('h', 'h|hr|hrs|hour|hours', 60, 'both'),
    u('d', 'd|day|days', 1440, 'both'),
    u('week', 'week|weeks|wk|wks', 10_080, 'both'),
    u('s', 's|sec|secs|second|seconds', 1 / 60, 'both'),
  ],
  angle: [u('°', '°|deg|degree|degrees', 1, 'both')],
  density: [
    u('g/mL', 'g/ml|g/cm3|g/cm³|g/cc|kg/l|kg/litre|kg/liter|kg/dm3|kg/dm³|sg', 1, 'metric'),
    u('kg/m³', 'kg/m3|kg/m³', 0.001, 'metric'),
    u('lb/US gal', 'lb/us gal', LB / (US_FLOZ * 128), 'us'),
    u('lb/UK gal', 'lb/uk gal', LB / 4546.09, 'us'),
    u('lb/ft³', 'lb/ft3|lb/ft³', LB / ((IN * 12) ** 3 / 1000), 'us'),
  ],
  force: [
    u('N', 'n|newton|newtons', 1, 'metric'),
    u('kN', 'kn|kilonewton|kilonewtons', 1000, 'metric'),
    u('lbf', 'lbf|pound-force|lb|lbs|pounds', LBF, 'us'),
    // People name a load by what hangs there.
    u('kgf', 'kgf|kg|kilo|kilos|kilograms', LBF / (LB / 1000), 'metric'),
    u('tf', 't|tonne|tonnes', (1000 * LBF) / (LB / 1000), 'metric'),
  ],
  stress: [u('MPa', 'mpa|n/mm2|n/mm²|megapascal', 1, 'metric'), u('psi', 'psi|lbf/in2|lbf/in²', LBF / (IN * IN), 'us')],
  rate: [
    u('mL/min', 'ml/min', 1, 'metric'),
    u('L/min', 'l/min', 1000, 'metric'),
    u('US fl oz/min', 'us fl oz/min|fl oz/min', US_FLOZ, 'us'),
    u('US gal/min', 'us gal/min|gal/min', US_FLOZ * 128, 'us'),
  ],
  uptake: [
    u('mL/m²', 'ml/m2|ml/m²', 1, 'metric'),
    u('L/m²', 'l/m2|l/m²', 1000, 'metric'),
    u('US fl oz/ft²', 'us fl oz/ft2|us fl oz/ft²|fl oz/ft2|fl oz/ft²', US_FLOZ / ((IN * IN * 144) / 1e6), 'us'),
  ],
  'run-uptake': [
    u('mL/m', 'ml/m|ml/metre|ml/meter', 1, 'metric'),
    u('L/m', 'l/m', 1000, 'metric'),
    u('US fl oz/ft', 'us fl oz/ft|fl oz/ft', US_FLOZ / ((IN * 12) / 1000), 'us'),
  ],
  spread: [
    u('kg/m²', 'kg/m2|kg/m²', 1, 'metric'),
    u('lb/ft²', 'lb/ft2|lb/ft²|psf', LB / 1000 / ((IN * IN * 144) / 1e6), 'us'),
  ],
  /** Weight of a cloth: sold by the ounce a square yard, and called by that alone. */
  areal: [
    u('g/m²', 'g/m2|g/m²|gsm|g/sqm', 1, 'metric'),
    u('kg/m²', 'kg/m2|kg/m²', 1000, 'metric'),
    u('oz/yd²', 'oz/yd2|oz/yd²|oz/sq yd|oz/sqyd|osy|oz|oz av', LB / 16 / M2_PER_YD2, 'us'),
  ],
  'area-rate': [
    u('m²/h', 'm2/h|m²/h|m2/hour', 1, 'metric'),
    u('ft²/h', 'ft2/h|ft²/h|sq ft/h', (IN * IN * 144) / 1e6, 'us'),
  ],
  speed: [u('km/h', 'km/h|kmh|kph', 1, 'metric'), u('mph', 'mph|mi/h', 1.609344, 'us'), u('m/s', 'm/s', 3.6, 'metric')],
  evaporation: [
    u('kg/m²h', 'kg/m2h|kg/m²h|kg/m2/h|kg/m²/h', 1, 'metric'),
    u('lb/ft²h', 'lb/ft2h|lb/ft²h|lb/ft2/h', LB / 1000 / ((IN * IN * 144) / 1e6), 'us'),
  ],
  percent: [u('%', '%|percent|per cent', 1, 'both')],
  count: [u('', '', 1, 'both')],
};

/** The unit a bare number is read in, and a field is shown in, for each system. */
export const FIELD_UNIT: Readonly<Record<Kind, Readonly<Record<UnitSystem, string>>>> = {
  length: { metric: 'mm', us: 'in' },
  area: { metric: 'cm²', us: 'in²' },
  volume: { metric: 'mL', us: 'US fl oz' },
  mass: { metric: 'g', us: 'oz av' },
  temperature: { metric: '°C', us: '°F' },
  interval: { metric: 'K', us: '°F' },
  duration: { metric: 'min', us: 'min' },
  angle: { metric: '°', us: '°' },
  // Sheets everywhere print it, and the field shows it so: 1.3 is never meant in pounds a gallon.
  density: { metric: 'g/mL', us: 'g/mL' },
  force: { metric: 'kN', us: 'lbf' },
  stress: { metric: 'MPa', us: 'psi' },
  rate: { metric: 'mL/min', us: 'US fl oz/min' },
  uptake: { metric: 'mL/m²', us: 'US fl oz/ft²' },
  'run-uptake': { metric: 'mL/m', us: 'US fl oz/ft' },
  spread: { metric: 'kg/m²', us: 'lb/ft²' },
  areal: { metric: 'g/m²', us: 'oz/yd²' },
  'area-rate': { metric: 'm²/h', us: 'ft²/h' },
  speed: { metric: 'km/h', us: 'mph' },
  evaporation: { metric: 'kg/m²h', us: 'lb/ft²h' },
  percent: { metric: '%', us: '%' },
  count: { metric: '', us: '' },
};

/** The unit of `kind` with that symbol. */
export function unitOf(kind: Kind, symbol: string): Unit {
  const found = UNITS[kind].find((unit) => unit.symbol === symbol);
  if (!found) throw new RangeError(`no unit ${symbol} of ${kind}`);
  return found;
}

/** Converts a value in `unit` to the core unit of its kind. */
export function toCore(unit: Unit, value: number): number {
  return value * unit.factor + (unit.offset ?? 0);
}

/** Converts a core value to `unit`. */
export function fromCore(unit: Unit, value: number): number {
  return (value - (unit.offset ?? 0)) / unit.factor;
}
