import type { BaseMaterial } from '../system';
import type { SizeId } from '../void';

/** What a column of a list of damage tells: a size of the void, or one of these. */
export const TELLS = {
  name: 'its name or number',
  place: 'where it is',
  what: 'what is broken',
  made: 'what it is made of',
  count: 'how many',
  sizes: 'all its sizes',
} as const;
export type TellId = keyof typeof TELLS | SizeId;

/**
 * What headings usually mean in the trade, in the languages that Grenko speaks. The first row whose words are in a
 * heading is what it means: of words that occur in several, the narrower stands first. Null: it is left out.
 */
export const HEADINGS: readonly (readonly [TellId | null, RegExp])[] = [
  // How deep the bars lie and what it is mended with are no sizes and no base of what is broken.
  [null, /\bcover|überdeckung|repair material|product|\bload|temp/],
  ['count', /qty|quantit|count\b|how many|number of|no\.? of|pieces|\bpcs\b|anzahl|stück|menge/],
  ['rod', /\b(rod|bolt|stud|dowel|thread|bar)s?\b|gewinde|stange|bolzen/],
  ['embedment', /embed|einbind|verankerungstiefe/],
  ['across', /hole size/],
  ['sizes', /\bsizes?\b|dimension|\b[lwb]\s*[x×*/]\s*[lwb]\b|abmessung|\bmaße|\bgröße$/],
  ['inner', /inner|inside|innen/],
  ['across', /diam|[øØ⌀]|\bdia\b|\bbore\b|across|durchmesser|^hole$|^bohrloch$/],
  ['deepest', /deepest|max\w*\W*(depth|deep)|tiefste|größte tiefe/],
  ['depth', /depth|deep|tief/],
  ['thickness', /thick|bond line|radius|dicke|stärke/],
  ['width', /width|wide|breit/],
  ['length', /length|long|\brun\b|länge|lang\b/],
  ['made', /made of|material|base\b|substrate|werkstoff|untergrund|baustoff/],
  ['what', /damage|defect|broke|what\b|type|kind\b|repair|method|schad|mangel|\bart\b|bauteil/],
  ['place', /where|place|location|room|bay\b|floor|level|axis|grid|\bort\b|\blage\b|raum|achse|geschoss/],
  ['name', /^(no|nr|id|#|ref\w*|mark|item|pos\w*|name|tag|lfd\.? ?nr)\.?$|\b(no|nr|id|name)\.?$|number$|bezeichnung/],
];

/** What one calls it, and the methods that mend it, the usual one first: the first that is done on what it is made of. */
export const DAMAGES: readonly (readonly [RegExp, readonly string[]])[] = [
  [/anchor|\bbolt|\bstuds?\b|dowel|\brods?\b|starter|anker|dübel|bolzen/, ['anchor']],
  [/grout\w* joint|joint\w* of tile|tile joint|fliesenfuge/, ['resin-joints']],
  [/(moving|expansion|movement|seal\w*) joint|joint seal|sealant|dehnfuge|bewegungsfuge/, ['flexible-joint']],
  [/core ?hole|kernbohr/, ['mortar-patch', 'cavity-packing']],
  [/mesh|bridg|gewebe/, ['crack-mesh']],
  [/crack|riss/, ['poured-crack', 'metal-filler', 'laminate-hole']],
  [/joint|fuge/, ['flexible-joint']],
  [/cavit|socket|tasche/, ['cavity-packing']],
  [/skim|\brough|spachtel|\brau/, ['skim-coat', 'barrier-coat']],
  [/chip|arris|abplatz/, ['stone-chip', 'mortar-patch', 'body-filler', 'laminate-hole']],
  [
    /spall|pothole|patch|hollow|delamin|honeycomb|breakout|\bedge|nosing|corner|ausbruch|schadstelle|kante|\becke/,
    ['mortar-patch', 'body-filler', 'stone-chip', 'fairing-skin'],
  ],
  [/collar|channel|base ?plate|pour|verguss/, ['poured-collar']],
  [/tile|slab|paving|fliese|platte/, ['setting-bed']],
  [/plate|bracket|blech/, ['plate-bond']],
  [/sensor|magnet|puck|bonded part|clip|klebeteil/, ['small-part']],
  [/dent|delle|beule/, ['body-filler']],
  [/gouge|groove|score|riefe|kerbe/, ['metal-filler', 'body-filler']],
  [/\brot\b|rotten|soft timber|fäul|morsch/, ['timber-soak']],
  [/\b(tab|lug)s?\b|lasche/, ['rebuilt-part']],
  [/\bfelt|\bpads?\b|fabric|filz/, ['felt-wet-out']],
  [/hole\b|holes\b|loch/, ['laminate-hole', 'mortar-patch', 'metal-filler', 'cavity-packing']],
  [/coat|barrier|paint|anstrich|beschicht/, ['barrier-coat']],
];

/** What people write of what it is made of. */
export const MATERIALS: readonly (readonly [BaseMaterial, RegExp])[] = [
  ['laminate', /laminat|\bgr[pk]\b|\bfrp|\bglass|gel ?coat|carbon|gfk/],
  ['metal', /metal|steel|\balu|\biron|bronze|brass|stahl|eisen/],
  ['timber', /timber|wood|\boak|\bpine|holz/],
  ['plastic', /plastic|pvc|\babs\b|\bp[ep]\b|kunststoff/],
  ['stone', /stone|granite|marble|\btile|brick|masonry|stein|fliese|ziegel/],
  ['concrete', /concrete|screed|cement|beton|estrich/],
];
