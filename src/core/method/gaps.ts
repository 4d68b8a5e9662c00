import { dequal } from 'dequal';
import { layerOf, likeBatches, measuredBatch, saidAs, vesselsOf, type Weighed, weighedOf } from '../mix';
import {
  along,
  attempt,
  exactly,
  grams,
  kelvin,
  listed,
  type Message,
  minutes,
  ml,
  mm,
  texts,
  type Value,
} from '../say';
import { comesInBags, systemKind, type Wetness } from '../system';
import { courseOf, kindOf, nominalMl, placeNames, placesIn, SHAPES } from '../void';
import { beginsPart, type Gap, type MethodContext, partsIn, type TaskContext } from './context';
import { depthToFill, liftsMm, liftsOf } from './lifts';
import { mixOrder, sheetManner } from './mix-order';

const SAY = texts('gap', {
  part: '{mass} of {part}',
  // A jug measures water as well as a scale does.
  water: '{mass} ({room})',
  // Of like batches the masses are told once.
  each: '{which, select, only {} all {Each: } one {Batch {from}: } other {Batches {from} to {to}: }}{parts}.',
  kits: '{n, plural, one {One whole kit.} other {# whole kits.}}',
  packs:
    '{bag, select, yes {{n, plural, one {One whole bag} other {{n} whole bags}}} other {{n, plural, one {One whole pack} other {{n} whole packs}}}}:',
  packets: '{n, plural, one {One whole packet.} other {# whole packets.}}',
  leftOut: 'Leave {mass} of the sand out: its liquid goes into the primer.',
  variant: '{n} of them with {what} {by} {way, select, less {less} other {more}}.',
  from: 'From {datum}: {along} along, {from} in{many}; {clear} clear all round. {facing}',
  every: ', then every {spacing} {angle}',
  whole:
    '{line, select, joint {joints} other {cracks}} {first} to {last}{open, plural, =0 {} one {, in each the joint at {joints} kept open} other {, in each the joints at {joints} kept open}}',
  reach:
    '{nth, plural, =0 {} other {{line, select, joint {joint} other {crack}} # }}from {from} to {to}{open, plural, =0 {} one {, the joint at {joints} kept open} other {, the joints at {joints} kept open}}',
  named:
    '{name} from {from} to {to}{open, plural, =0 {} one {, the joint at {joints} kept open} other {, the joints at {joints} kept open}}',
  reaches: '{all}',
  dry: 'at least {margin} above the dew point',
  damp: 'wiped damp, with no film of water',
  soaked: 'wetted until no more water sinks in, with no puddles',
  angle: 'at {degrees}°',
  facing: 'Facing {side}.',
  datum: 'the datum',
  size: 'a size',
  marked: 'the marked space',
});

/** By how wet a sheet wants the base. */
const FACES = {
  'bone dry': 'dry',
  'wiped damp': 'damp',
  'saturated, no puddles': 'soaked',
} as const satisfies Record<Wetness, string>;

/** What is different about some of the like voids, as said to whoever does the work. */
function variantsOf({ void: v }: MethodContext): Value {
  return listed(
    v.variants.map((x) => {
      const [, at, ...rest] = x.key.split('.');
      const shape = v.shapes[Number(at)];
      const label =
        shape &&
        SHAPES[shape.shape]
          .dimensions(shape)
          .find((d) => d.key === rest.join('.'))
          ?.label.toLowerCase();
      return SAY.variant({
        n: x.count,
        what: label ?? SAY.size(),
        by: mm(Math.abs(x.byMm)),
        way: x.byMm < 0 ? 'less' : 'more',
      });
    }),
    'space',
  );
}

/** Where the places lie, as said at the hold point before anything irreversible. */
function settingOutOf(c: MethodContext): Message | '' {
  const s = c.settingOut;
  if (!s) return '';
  return SAY.from({
    datum: s.datum.trim() || SAY.datum(),
    along: mm(s.along.valueMm),
    from: mm(s.from.valueMm),
    many:
      placesIn(c.void) > 1
        ? SAY.every({ spacing: mm(s.spacing.valueMm), angle: s.angleDeg ? SAY.angle({ degrees: s.angleDeg }) : '' })
        : '',
    clear: mm(s.clearance.valueMm),
    facing: s.orientation.trim() ? SAY.facing({ side: s.orientation.trim() }) : '',
  });
}

/** To four figures past a kilogram: it is put on a scale. */
const weighed = (g: number) => grams(g, g >= 1000 ? 4 : undefined);

const batchOf = ({ batch }: TaskContext) => batch!;

/** What goes into a batch, each thing as it is measured out: by weight, or as the hand at the bench counts it. */
function partsOf(c: TaskContext): Value {
  const { massG } = batchOf(c);
  const counted =
    c.instrument.way === 'weight' ? null : attempt(() => measuredBatch(c.sheet, massG, c.instrument).parts);
  const amountOf = ({ part, share, massG: own }: Weighed): Value => {
    const m = counted?.ok && share === 1 ? counted.value.find((x) => x.part === part) : undefined;
    if (m && m.unit !== 'g') return saidAs(m);
    const water = share === 1 && c.sheet.parts.find((p) => p.id === part && p.role === 'water');
    return water ? SAY.water({ mass: weighed(own), room: ml(own / water.densityGPerMl) }) : weighed(own);
  };
  return listed(
    weighedOf(c.ingredients, massG).map((i) => SAY.part({ mass: amountOf(i), part: i.name })),
    'comma',
  );
}
/** What goes into every batch, of like ones in a row once. */
function allPartsOf(c: TaskContext): Value {
  const { batches } = c;
  const runs = likeBatches(batches);
  return listed(
    runs.map((run) => {
      const [from, to] = [run[0]!.index + 1, run.at(-1)!.index + 1];
      const which = batches.length === 1 ? 'only' : runs.length === 1 ? 'all' : from === to ? 'one' : 'some';
      return SAY.each({ which, from, to, parts: partsOf({ ...c, batch: run[0]! }) });
    }),
    'space',
  );
}

const firstOfPortion = (c: TaskContext) =>
  batchOf(c).index === 0 || c.batches[batchOf(c).index - 1]!.portion !== batchOf(c).portion;

/** What of one line a batch fills: from where to where, mm, and which joints that stay open it meets there. */
interface AlongLine {
  readonly nth: number;
  /** What it is called; empty where it has no name. */
  readonly name: string;
  readonly runMm: number;
  readonly fromMm: number;
  readonly toMm: number;
  readonly openMm: readonly number[];
}

/** Where a batch lies along lines that are filled one after the other; none where it is no run, or all of it. */
function alongLines(c: TaskContext): readonly AlongLine[] {
  const lines = Array.from({ length: c.void.count }, () => c.void.shapes).flat();
  const here = c.batches.filter((b) => b.portion === batchOf(c).portion);
  if (here.length < 2 || lines.some((s) => !kindOf(s).alongMm)) return [];
  const names = placeNames(c.void);
  const all = here.reduce((sum, b) => sum + b.placedMl, 0);
  const before = here.slice(0, here.indexOf(batchOf(c))).reduce((sum, b) => sum + b.placedMl, 0);
  return courseOf(lines.map(nominalMl), before / all, (before + batchOf(c).placedMl) / all).map((stretch) => {
    const line = lines[stretch.place]!;
    const kind = kindOf(line);
    const [fromMm, toMm] = [kind.alongMm!(line, stretch.from), kind.alongMm!(line, stretch.to)];
    const open = (kind.keptOpen?.(line) ?? []).map(({ atMm }) => atMm);
    return {
      nth: lines.length > 1 ? stretch.place + 1 : 0,
      name: names[stretch.place] ?? '',
      runMm: kind.runMm?.(line) ?? 0,
      fromMm,
      toMm,
      openMm: open.filter((mm) => fromMm <= mm && mm < toMm),
    };
  });
}

/** Whether a batch meets something that no other of its kind meets. */
export const standsApart = (c: TaskContext): boolean => alongLines(c).some((line) => line.openMm.length > 0);

/** Lines that a batch fills from end to end, one like the other in a row, are told together. */
function foldedLines(lines: readonly AlongLine[]): readonly (AlongLine & { readonly last: number })[] {
  const whole = ({ fromMm, toMm, runMm }: AlongLine) => fromMm <= 0.5 && toMm >= runMm - 0.5;
  const out: (AlongLine & { last: number })[] = [];
  for (const line of lines) {
    const before = out.at(-1);
    const like =
      before && !before.name && !line.name && before.runMm === line.runMm && dequal(before.openMm, line.openMm);
    if (before && like && whole(before) && whole(line)) before.last = line.nth;
    else out.push({ ...line, last: line.nth });
  }
  return out;
}

/** Along lines: from where to where a batch reaches, when several share them, and what stays open there. */
function reachOf(c: TaskContext): Message | '' {
  const said = foldedLines(alongLines(c)).map(({ nth, name, last, runMm, fromMm, toMm, openMm }) => {
    const at = (mm: number) => along(mm, runMm);
    const joints = { open: openMm.length, joints: listed(openMm.map(at)), line: c.params.line ?? 'crack' };
    if (last > nth) return SAY.whole({ first: nth, last, ...joints });
    if (name) return SAY.named({ name, from: at(fromMm), to: at(toMm), ...joints });
    return SAY.reach({
      nth,
      from: at(fromMm),
      to: at(toMm),
      ...joints,
    });
  });
  if (!said.length) return '';
  return said.length === 1 ? said[0]! : SAY.reaches({ all: listed(said) });
}

/** Whether a batch begins its lift. */
export const beginsLift = (c: TaskContext): boolean => c.batch !== null && firstOfPortion(c);

/** A cup that shows how it cures takes more than a taste of the mix, mL. */
const LEAST_CUP_ML = 100;

/** What the words of any task may ask for. A method has further ones for what is its own. */
export const GAPS: Readonly<Record<string, Gap>> = {
  n: (c) => batchOf(c).index + 1,
  of: (c) => c.batches.length,
  places: (c) => batchOf(c).places,
  /** Whether a batch is of like places that are each done with by themselves. */
  eachPlace: (c) => (batchOf(c).fromTo ? 'yes' : 'no'),
  /** Whether something of the last mix is left for the first area of this one. */
  carried: (c) => (batchOf(c).carriedMl && (c.part ?? 0) === (batchOf(c).fromTo?.[0] ?? 1) - 1 ? 'yes' : 'no'),
  besides: (c) => (batchOf(c).anew ? 'anew' : batchOf(c).topUp ? 'more' : 'no'),
  first: (c) => batchOf(c).fromTo?.[0] ?? batchOf(c).index + 1,
  last: (c) => batchOf(c).fromTo?.[1] ?? batchOf(c).index + 1,
  fresh: (c) => (batchOf(c).mixers > 0 ? 'yes' : 'no'),
  count: (c) => placesIn(c.void),
  lift: (c) => layerOf(c.portions, batchOf(c).portion) + 1,
  lifts: (c) => c.portions.length,
  coats: (c) => layerOf(c.portions, c.portions.length - 1) + 1,
  batches: (c) => c.batches.length,
  begins: (c) => (firstOfPortion(c) ? 'yes' : 'no'),
  /** Whether there are several like parts, and which of them it is about. */
  parted: (c) => (c.part == null ? 'no' : 'yes'),
  part: (c) => (c.part ?? 0) + 1,
  partCount: partsIn,
  /** Whether it is the first that lies on its part. */
  opens: (c) => (beginsPart(c) ? 'yes' : 'no'),
  /** The first, one between, or the last of the lifts. */
  which: (c) => (c.portions.length === 1 ? 'only' : batchOf(c).portion + 1 === c.portions.length ? 'last' : 'early'),
  depth: (c) => mm(liftsMm(c)[c.batch?.portion ?? 0] ?? depthToFill(c) / liftsOf(c)),
  /** What is placed before the next may follow, by its name. */
  piece: (c) => c.portions[batchOf(c).portion]!.label,
  // A sheet that says nothing is stirred a minute all the same.
  mixMin: (c) => minutes(c.sheet.mixMin || 1),
  kits: (c) => {
    const { kits, packs } = batchOf(c);
    if (kits === null) return packs ? SAY.packs({ n: packs, bag: comesInBags(c.sheet) ? 'yes' : 'no' }) : '';
    return systemKind(c.sheet.kind).ownBag ? SAY.packets({ n: kits }) : SAY.kits({ n: kits });
  },
  /** Packets that are kneaded, each in its own film. */
  packets: (c) => vesselsOf(c.sheet, batchOf(c)),
  /** Packets that are laid out now: those of a whole lift with its first. */
  packetsLaid: (c) =>
    c.batches
      .filter((b) => b === c.batch || (!b.fromTo && beginsLift(c) && b.portion === batchOf(c).portion))
      .reduce((sum, b) => sum + vesselsOf(c.sheet, b), 0),
  parts: partsOf,
  allParts: allPartsOf,
  order: mixOrder,
  /** What the method adds to the order in which its material is mixed. */
  manner: () => '',
  asSheet: sheetManner,
  weighed: (c) => (batchOf(c).kits === null ? 'yes' : 'no'),
  /** Whether parts stand in tins of their own and settle there: powder does not, nor does the tap’s water. */
  tins: (c) => (c.sheet.parts.some((p) => p.role === 'powder' || p.role === 'water') ? 'no' : 'yes'),
  /** Too little to keep a cup of. */
  little: (c) => (batchOf(c).ml < LEAST_CUP_ML ? 'yes' : 'no'),
  reach: reachOf,
  /** Whether it lies along a line that several batches share. */
  along: (c) => (reachOf(c) && !batchOf(c).topUp ? 'yes' : 'no'),
  drawn: (c) => ml(batchOf(c).drawnMl),
  draws: (c) => (batchOf(c).drawnMl > 0 ? 'yes' : 'no'),
  leftOut: (c) => (batchOf(c).leftOutG > 0 ? SAY.leftOut({ mass: grams(batchOf(c).leftOutG) }) : ''),
  several: (c) => (c.batches.filter((b) => b.portion === batchOf(c).portion).length > 1 ? 'yes' : 'no'),
  /** Through a mixer, in a pot, kneaded by hand, bead by bead, or inside its own bag where it is used whole. */
  how: (c) => {
    const { mixing, ownBag, asPlaced } = systemKind(c.sheet.kind);
    if (asPlaced) return 'beads';
    return ownBag && batchOf(c).kits !== null ? 'bag' : mixing;
  },
  purge: (c) => (c.effects.purge && c.sheet.mixer ? ml(c.sheet.mixer.purgeMl) : ''),
  purges: (c) => (c.effects.purge && c.sheet.mixer ? 'yes' : 'no'),
  dewMargin: (c) => exactly(kelvin(c.sheet.limits.dewMarginK ?? 3)),
  /** How its sheet wants the base: in a word to choose by, and as it is said. */
  face: (c) => FACES[c.sheet.limits.wetness],
  asked: (c) => SAY[FACES[c.sheet.limits.wetness]]({ margin: exactly(kelvin(c.sheet.limits.dewMarginK ?? 3)) }),
  settingOut: settingOutOf,
  variants: variantsOf,
  back: (c) => c.void.back,
  masks: (c) => (c.void.keepClear.length ? 'yes' : 'no'),
  clear: (c) =>
    listed(
      c.void.keepClear.map((k) => k.name.trim() || SAY.marked()),
      'comma',
    ),
};
