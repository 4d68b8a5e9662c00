import { cleaningIn, rodsIn } from './pasted-holes';
import { namedPacks, PACK_IN_NAME, packs, packsInName } from './pasted-packs';
import { doses, fillers, ratios, waters } from './pasted-proportions';
import {
  afterLabel,
  bondLine,
  DEGREES,
  days,
  densities,
  endsIn,
  families,
  LENGTHS,
  MAKES,
  months,
  NUMBER,
  range,
  readable,
  SHARES,
  type SheetLine,
  type Told,
  thickness,
  turns,
  yields,
} from './pasted-readers';

interface FactRow {
  /** Of the heading, small. */
  readonly words: RegExp;
  /** Its words may stand behind the figure as well: `3 °C above dew point`. */
  readonly inLine?: true;
  /** Of the whole line, small. */
  readonly not?: RegExp;
  /** Every line of it counts, one below the other: a table. */
  readonly gathers?: true;
  /** Commas part nothing in such a line. */
  readonly whole?: true;
  /** Also of lines that tell a span of time, which otherwise tell times alone. */
  readonly besideTimes?: true;
  readonly read: (line: SheetLine) => Told;
}

/** Words of which any is enough, each in a line of its own. */
const either = (...words: readonly RegExp[]): RegExp => new RegExp(words.map((w) => w.source).join('|'));
/** Words that stand one behind the other. */
const inTurn = (...words: readonly RegExp[]): RegExp => new RegExp(words.map((w) => w.source).join(''));

/** Before or behind a rod of a table, or the rod itself. */
const ROD_WORDS =
  /(?<![\w/])(m\s?\d{1,2}|#\s?\d{1,2})\b|^\d*[13579]\/(2|4|8|16)\b|\b(rods?|bolts?|anchors?|(re)?bars?|bits?|holes?)\b/;

const A_DEGREE = `(${NUMBER})\\s*(${DEGREES})`;

/** What sheets call their figures beside the times. In the order of the form. */
export const FACTS: readonly FactRow[] = [
  // Its parts by the names of its kind: 300 g colour, 60 g hardener; 2 kg of paste and 1 kg of hardener.
  { words: /\d/, inLine: true, not: /storage/, read: namedPacks },
  {
    words: either(
      /\b(pack(ag(e|ing)|s|ed( in)?)?|supplied|contents?)\b/,
      /\b(kit|unit|pail|bag|cartridge|tin|set|pack) sizes?\b/,
      /gebinde|liefer|verpackung/,
      /^(tin|bag|kit|pail|can|drum|set|bucket|cartridge|kartusche|sack|eimer|dose)(?: a|:.*)?$/,
    ),
    not: /storage|mix(ed)? contents/,
    read: packs,
  },
  // By names that other kinds have: Powder 100 g, liquid 50 ml; A 1 L + B 0.5 L.
  {
    words: inTurn(
      /^(part )?(a|powder|resin|base|pulver|harz)\b[^\d]{0,20}\d[^;]{0,20}[,+&/]\s*/,
      /(part )?(b|liquid|hardener|activator|flüssig\w*|härter)\b[^\d]{0,20}\d/,
    ),
    inLine: true,
    not: /ratio|density|\bparts\b|dens|by (weight|volume)/,
    read: packs,
  },
  // What is printed on it and nothing else: 1 quart, 50 lb bag, 300 mL cartridge, 1 gal can with a tube of hardener.
  {
    words: either(
      /^[\d½¼¾][^:]{0,24}\b(pack|kit|pail|bag|sack|cartridge|tin|can|set|bucket|tube|drum|eimer|dose)s?\b:?[^:]{0,60}$/,
      /^[\d½¼¾][\d/.,\s]{0,8}(us )?(k?g|lbs?|m?l|lit(re|er)s?|qt|pt|gal|fl oz)\.?$/,
    ),
    inLine: true,
    not: /storage|\bper\b|cover|yield|pot life/,
    read: packs,
  },
  // In the name of the product: Injection mortar 410 ml coaxial cartridge 10:1, putty stick 114 g.
  {
    words: PACK_IN_NAME,
    inLine: true,
    not: /storage|\bper\b|cover|yield|gives|makes|pot life|density|^\d[^,;]*\bwater\b|\badd\b|%/,
    read: packsInName,
  },
  {
    words: /ratio|mischungsverh|\ba\s*:\s*b\b|\bparts? by|\bmix(ed)? (by|in)\b|\bpbw\b|\bby (weight|volume)$/,
    not: /water|void|aspect|poisson/,
    besideTimes: true,
    read: ratios,
  },
  {
    words:
      /^mix\b.*\bparts?\b|^\d[\d.,]*\s*parts?\b.*\bto\b.*\bparts?\b.*\bby (weight|mass|volume)|^mix(?:ed|ing)?\b[^\d]{0,20}\d[\d.,]*\s*:\s*\d|\bequal parts\b|zu gleichen teilen|^\d[\d.,]*\s*(:|to)\s*\d[\d.,]*\s*by (weight|mass|volume)/,
    inLine: true,
    besideTimes: true,
    read: ratios,
  },
  // In the name of a product: Penetrating sealer, 2:1 by volume.
  {
    words: /(?<![\d:])\d{1,3}(?:[.,]\d+)?\s*:\s*\d{1,3}(?:[.,]\d+)? by (?:weight|mass|volume)\b/,
    inLine: true,
    not: /water|sand|filler|aggregate|void/,
    read: ratios,
  },
  {
    words: /hardener|catalyst|peroxide|\bwater\b|\bdos(e|age|ing)\b|addition|härter|wasser|zugabe/,
    inLine: true,
    not: /resist|immers|absor|content of|clean(?!,? (?:cold |tap |potable )?water)|temp|dens|storage|demand of the base/,
    read: doses,
  },
  { words: /\b(sand|aggregate|quartz|filler|quarz)/, not: /grain|size|broadcast|dens|coverage/, read: fillers },
  {
    words: /\d\s*parts? (of )?([a-z-]+ ){0,2}(sand|aggregate|filler)\b/,
    inLine: true,
    not: /broadcast/,
    read: fillers,
  },
  {
    words: /\bwater\b|wasser/,
    inLine: true,
    not: /resist|keep|wash|clean(?! water)|dens|absor|beständ|temp/,
    read: waters,
  },
  { words: /densit|dichte|specific gravity|\bs\.?g\.?\b/, not: /bulk|schütt|optical/, read: densities },
  {
    words: /cover|spread(ing)? rate|consumption|yield|verbrauch|ergiebigkeit|reichweite/,
    not: /recover|cover (the|it|with)/,
    read: yields,
  },
  {
    words: MAKES,
    inLine: true,
    read: yields,
  },
  {
    words: either(
      /\b(substrate|base|surface|ground|concrete|floor|working|use|processing|appl\w*|install\w*)\b/,
      /untergrund|verarbeitungstemp|bauteil|^temp(erature)?( range)?$/,
    ),
    not: either(
      /dew|taupunkt|humid|feucht|moist|thick|layer|pressure|service|cur(e|ing)|stor|heat|glass/,
      /(?<!base )material temp|gap|joint|bond|dens/,
    ),
    read: range(DEGREES, 'temperature', 'limits.baseMinC', 'limits.baseMaxC', null),
  },
  {
    words: /\b(air|ambient|surrounding|room)\b|umgebung|\bluft(?!f)/,
    not: /dew|taupunkt|humid|feucht|stor|cur(e|ing)/,
    read: range(DEGREES, 'temperature', 'limits.airMinC', 'limits.airMaxC', null),
  },
  {
    words: either(
      /(?<!base )(material|product|component\w*|mix\w*) temp/,
      /temp\w* of (the )?(material|product|components|mix)|materialtemp/,
    ),
    read: range(DEGREES, 'temperature', 'limits.materialMinC', 'limits.materialMaxC', null),
  },
  {
    words: /cur(e|es|ing)\b.*(temp|down|below|from)|min\w* cur|aushärtung\w*temp|härtungstemp/,
    not: /post|accel/,
    read: range(DEGREES, 'temperature', 'limits.cureMinC', null, 'min'),
  },
  {
    words: /glass|\btg\b|glasübergang|glasumwandlung/,
    not: /glass (fib|fab|cloth|bead)/,
    read: ({ line, system }) => {
      const { only, min, max } = endsIn(line, DEGREES);
      const text = readable('temperature', only ?? min ?? max, system);
      return text ? [['limits.glassC', text]] : [];
    },
  },
  {
    words:
      /service temp|operating temp|temp\w* resist|heat resist|in service|in use|temperatur(beständ|belast)|einsatztemp|gebrauchstemp/,
    read: range(DEGREES, 'temperature', null, 'limits.serviceMaxC', 'max'),
  },
  {
    words: /humid|\br\.?h\b|luftfeucht/,
    inLine: true,
    not: /moist|restfeuchte|content/,
    read: range(SHARES, 'percent', null, 'limits.humidityMaxPct', 'max'),
  },
  {
    words: /dew|taupunkt/,
    inLine: true,
    read: ({ line, system }) => {
      // At least 10 °C, and 3 °C above the dew point: of several the one right before it, or the first behind it.
      const at = line.search(/dew|taupunkt/i);
      const ahead = [...line.slice(0, at).matchAll(new RegExp(A_DEGREE, 'gi'))].at(-1);
      const [, figure, unit] = ahead ?? new RegExp(A_DEGREE, 'i').exec(line.slice(at)) ?? [];
      const text = figure ? readable('interval', `${figure} ${/F/i.test(unit!) ? '°F' : 'K'}`, system) : null;
      return text ? [['limits.dewMarginK', text]] : [];
    },
  },
  {
    words: /moist|feuchte|feuchtigkeit/,
    not: /humid|luftfeucht|air/,
    read: range(SHARES, 'percent', null, 'limits.moistureMaxPct', 'max'),
  },
  {
    words: /(concrete|screed|beton|estrich).*(age|old|alter)|^age|alter\b/,
    inLine: true,
    besideTimes: true,
    read: days,
  },
  { words: /grain|aggregate size|körn|grö(ß|ss)tkorn/, read: range(LENGTHS, 'length', null, 'limits.grainMm', 'max') },
  {
    words: /overhead|über ?kopf|ceiling/,
    inLine: true,
    read: range(LENGTHS, 'length', null, 'limits.sagOverheadMm', 'max'),
  },
  {
    words: /\bsag|vertical|\bon (a )?walls?\b|standfest/,
    inLine: true,
    not: /overhead|horizontal/,
    read: range(LENGTHS, 'length', null, 'limits.sagWallMm', 'max'),
  },
  {
    words: /bond ?line|\bgap\b|glue ?line|joint (width|thick)|klebe?(fuge|spalt)|fugenbreite/,
    read: bondLine,
  },
  // Up to 30 mm per layer.
  {
    words:
      /\d\s*(?:mm|cm|in|")[^,;]{0,12}\b(?:per|in one|in a single|each|je)\s+(?:layer|lift|operation|pour|pass|schicht|lage)\b/,
    inLine: true,
    not: /dry|wet|film|kg|cover/,
    read: range(LENGTHS, 'length', 'limits.liftMinMm', 'limits.liftMaxMm', 'max'),
  },
  {
    words: /layer|\blifts?\b|thickness|schicht|auftrag/,
    not: /bond|glue|joint|film|dry|wet|dft|wft|drill|overhead|vertical|sag|wall|part|base|slab/,
    read: thickness,
  },
  {
    words: ROD_WORDS,
    inLine: true,
    not: /torque|tension|shear|load|edge|spac/,
    gathers: true,
    read: rodsIn,
  },
  { words: /\b(blow|brush|flush|ausblasen|bürsten)/, inLine: true, whole: true, read: cleaningIn },
  { words: /\brpm\b|r\.p\.m|u\/min|1\/min|min-1/, inLine: true, besideTimes: true, read: turns },
  { words: /stor(e|ed|age)\b|lager/, not: /life/, read: range(DEGREES, 'temperature', 'storeMin', 'storeMax', null) },
  { words: /shelf ?life|storage|stor(e|ed)\b|haltbar|lager|best before/, read: months },
  {
    words: /epoxy|epoxid|polyester|vinylester|acryl|polyurea|polyurethan/,
    inLine: true,
    besideTimes: true,
    read: families,
  },
  {
    words: /^(colou?rs?|farbe?|farbton)\b/,
    read: (told) => {
      const text = afterLabel(told).trim();
      return text && text.length <= 40 && !/\d/.test(text) ? [['colour', text]] : [];
    },
  },
];
