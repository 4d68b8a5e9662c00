import type { BaseMaterial } from '../system';
import type { SizeId } from '../void';

/** What a column of a list of damage tells: a size of the void, or one of these. */
export const TELLS = {
  name: 'its name or number',
  place: 'where it is',
  what: 'what is broken',
  made: 'what it is made of',
  count: 'how many',
} as const;
export type TellId = keyof typeof TELLS | SizeId;

/**
 * What headings usually mean in the trade, in the languages that Grenko speaks. The first row whose words are in a
 * heading is what it means: of words that occur in several, the narrower stands first.
 */
export const HEADINGS: readonly (readonly [TellId, RegExp])[] = [
  ['count', /qty|quantit|count\b|how many|number of|no\.? of|pieces|\bpcs\b|anzahl|stück|menge/],
  ['rod', /\b(rod|bolt|stud|dowel|thread|bar)s?\b|gewinde|stange|bolzen/],
  ['embedment', /embed|einbind|verankerungstiefe/],
  ['inner', /inner|inside|innen/],
  ['across', /diam|[øØ⌀]|\bdia\b|\bbore\b|across|durchmesser/],
  ['deepest', /(deepest|max\w*)(.*depth)?|tiefste|größte tiefe/],
  ['depth', /depth|deep|tief/],
  ['thickness', /thick|bond line|radius|dicke|stärke/],
  ['width', /width|wide|breit/],
  ['length', /length|long|\brun\b|länge|lang\b/],
  ['made', /made of|material|base\b|substrate|werkstoff|untergrund|baustoff/],
  ['what', /damage|defect|broke|what\b|type|kind\b|repair|method|schad|mangel|art\b|bauteil/],
  ['place', /where|place|location|room|bay\b|floor|level|axis|grid|ort\b|lage|raum|achse|geschoss/],
  ['name', /^(no|nr|id|#|ref\w*|mark|item|pos\w*|name|tag|lfd\.? ?nr)\.?$|\b(no|nr|id|name)\.?$|number$|bezeichnung/],
];

/** What one calls it, and the methods that mend it, the usual one first: the first that is done on what it is made of. */
export const DAMAGES: readonly (readonly [RegExp, readonly string[]])[] = [
  [/anchor|bolt|stud|dowel|rod\b|starter|anker|dübel|bolzen/, ['anchor']],
  [/grout\w* joint|joint\w* of tile|tile joint|fliesenfuge/, ['resin-joints']],
  [/(moving|expansion|movement|seal\w*) joint|joint seal|sealant|dehnfuge|bewegungsfuge/, ['flexible-joint']],
  [/core ?hole|kernbohr/, ['mortar-patch', 'cavity-packing']],
  [/mesh|bridg|gewebe/, ['crack-mesh']],
  [/crack|riss/, ['poured-crack', 'metal-filler', 'laminate-hole']],
  [/joint|fuge/, ['flexible-joint']],
  [/cavit|socket|tasche/, ['cavity-packing']],
  [/skim|rough|spachtel|rau/, ['skim-coat', 'barrier-coat']],
  [/collar|channel|base ?plate|pour|verguss/, ['poured-collar']],
  [/tile|slab|paving|fliese|platte/, ['setting-bed']],
  [/plate|bracket|blech/, ['plate-bond']],
  [/sensor|magnet|puck|bonded part|clip|klebeteil/, ['small-part']],
  [/dent|delle|beule/, ['body-filler']],
  [/gouge|groove|score|riefe|kerbe/, ['metal-filler', 'body-filler']],
  [/rot\b|rotten|soft timber|fäul|morsch/, ['timber-soak']],
  [/tab\b|lug\b|lasche/, ['rebuilt-part']],
  [/felt|pad\b|fabric|filz/, ['felt-wet-out']],
  [/chip|arris|abplatz/, ['stone-chip', 'mortar-patch', 'body-filler', 'laminate-hole']],
  [
    /spall|pothole|patch|hollow|delamin|honeycomb|breakout|edge|nosing|corner|ausbruch|schadstelle|kante|ecke/,
    ['mortar-patch', 'body-filler', 'stone-chip', 'fairing-skin'],
  ],
  [/hole|loch/, ['laminate-hole', 'mortar-patch', 'metal-filler', 'cavity-packing']],
  [/coat|barrier|paint|anstrich|beschicht/, ['barrier-coat']],
];

/** What people write of what it is made of. */
export const MATERIALS: readonly (readonly [BaseMaterial, RegExp])[] = [
  ['laminate', /laminat|gr[pk]\b|frp|glass|gel ?coat|carbon|gfk/],
  ['metal', /metal|steel|alu|iron|bronze|brass|stahl|eisen/],
  ['timber', /timber|wood|oak|pine|holz/],
  ['plastic', /plastic|pvc|\babs\b|\bp[ep]\b|kunststoff/],
  ['stone', /stone|granite|marble|tile|brick|masonry|stein|fliese|ziegel/],
  ['concrete', /concrete|screed|cement|beton|estrich/],
];
