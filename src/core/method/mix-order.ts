import { weighedOf } from '../mix';
import { listed, type Message, ml, texts, type Value } from '../say';
import { type Flow, partOf, systemKind } from '../system';
import type { TaskContext } from './context';

const FIRST = texts('order.first', {
  strip: 'The {b} across the {a}, folded in until no streak shows, not whipped',
  catalyst: 'The {b} into the {a}, inside its range: too little or too much does not cure',
  water: 'Water into the pail, powder into the water; never above the most the sheet allows, never water again later',
  powder: 'Powder and liquid by weight, lid back on the liquid at once',
  kneaded:
    '{alike, select, weight {Equal parts by weight} volume {Equal parts by volume} other {Both parts}}, kneaded all through',
  tinted: 'First {colours} into {a}, until it is one colour; then {b}, folded in',
  liquids: 'B into A{manner, select, folded {, folded, not whipped} slow { slowly: no air stirred in} other {}}',
});
const SAY = texts('order', {
  all: '{first}{draws, select, yes {; draw off {drawn} as primer} other {}}{sand, select, none {} other {; then {sands} in portions}}{filler, select, none {} other {; then {fillers}, folded in}}{stiff, select, none {} other {; {thickeners} last, until it stands as wanted}}{tint, select, none {} other {; {tints} into the mix}}.',
  sheet:
    'As the sheet has it: {told, select, both {{manner}; paddle at {rpm} turns a minute} rpm {paddle at {rpm} turns a minute} other {{manner}}}.',
  range: '{from} to {to}',
});

/** How two parts are brought together by how their mix lies, where the sheet does not say it. */
const BY_FLOW: Readonly<Record<Flow, 'slow' | 'folded' | 'kneaded'>> = {
  thin: 'slow',
  pours: 'slow',
  film: 'slow',
  mortar: 'slow',
  paste: 'folded',
  beads: 'folded',
  putty: 'kneaded',
};

/** How the two parts that harden each other come together: by what they are, not by what is repaired with them. */
function firstOf(c: TaskContext): Message {
  const { sheet } = c;
  const kind = systemKind(sheet.kind);
  const [a, b] = [partOf(sheet, 'A')!, partOf(sheet, 'B')!];
  if (b.role === 'catalyst') {
    const paste = kind.ways.includes('strip');
    return FIRST[paste ? 'strip' : 'catalyst']({ a: a.name, b: b.name });
  }
  if (a.role === 'powder') return b.role === 'water' ? FIRST.water() : FIRST.powder();
  const manner = BY_FLOW[sheet.flow ?? kind.flows[0]!];
  if (manner === 'kneaded') return FIRST.kneaded({ alike: sheet.ratio.a === sheet.ratio.b ? sheet.ratio.basis : 'no' });
  const tints = c.ingredients.filter((i) => i.as === 'colour' && i.of !== 'mix');
  if (tints.length) return FIRST.tinted({ colours: listed(tints.map((t) => t.name)), a: 'A', b: 'B' });
  return FIRST.liquids({ manner: sheet.mixManner ? 'sheet' : manner });
}

/** In which order what a batch is made of goes together. */
export function mixOrder(c: TaskContext): Message {
  const batch = c.batch!;
  const all = weighedOf(c.ingredients, batch.massG);
  const names = (as: (typeof all)[number]['as'], of = all) => of.filter((i) => i.as === as).map((i) => i.name);
  const said = (list: readonly string[]): readonly ['none' | 'some', Value] => [
    list.length ? 'some' : 'none',
    listed(list),
  ];
  const [sand, sands] = said(names('grains'));
  const [filler, fillers] = said(names('filler'));
  const [stiff, thickeners] = said(names('thickener'));
  // What colours the base went in before the hardener.
  const [tint, tints] = said(
    names(
      'colour',
      all.filter((i) => i.of === 'mix'),
    ),
  );
  return SAY.all({
    first: firstOf(c),
    draws: batch.drawnMl > 0 ? 'yes' : 'no',
    drawn: ml(batch.drawnMl),
    sand,
    sands,
    filler,
    fillers,
    stiff,
    thickeners,
    tint,
    tints,
  });
}

/** What the sheet says of the manner of mixing, in its own words; nothing where it is silent. */
export function sheetManner({ sheet: { mixManner, mixRpm } }: Pick<TaskContext, 'sheet'>): Message | '' {
  const manner = mixManner.trim().replace(/\.$/, '');
  if (!manner && !mixRpm) return '';
  return SAY.sheet({
    told: manner && mixRpm ? 'both' : mixRpm ? 'rpm' : 'manner',
    manner,
    rpm: mixRpm ? (mixRpm.from === mixRpm.to ? mixRpm.from : SAY.range({ from: mixRpm.from, to: mixRpm.to })) : '',
  });
}
