import { dequal } from 'dequal';
import { type Said, texts } from '../say';
import { MOST_SHAPES, placeNames, standApart, type Void, withShapes } from '../void';
import { type Pass, Repair } from './repair';

/** Words for what keeps repairs from being one. */
const WHY = texts('join', {
  few: 'Only one repair is named.',
  chain: '“{name}” is a chain of passes: only repairs of one pass are joined.',
  begun: 'Work on “{name}” has begun.',
  differs: 'They are not alike: {what}.',
  variants: 'The like voids of “{name}” differ among each other.',
  void: '“{name}” has no void yet.',
  shapes: 'Together they have more than {most, plural, other {# shapes}}.',
});

/** What must be alike for repairs to be prepared, mixed and placed as one, in the words of who filled it in. */
const ALIKE: readonly (readonly [string, (r: Repair, p: Pass) => unknown])[] = [
  ['the method', (_, p) => p.method],
  ['the system or its kit', (_, p) => [p.sheetId, p.kitId]],
  ['the choices', (_, p) => [p.schools, p.settings, p.liftMm, p.massCapG, p.leastG, p.standIns, p.stops]],
  ['dose, fillers or colour', (_, p) => [p.dosePct, p.blend, p.colour]],
  ['where the material is kept', (_, p) => p.materialC],
  ['what it meets', (_, p) => p.meets],
  ['the base', (r) => r.base],
  ['floor, wall or overhead', (r) => r.orientation],
  ['how wet they are', (r) => [r.surface, r.moisturePct]],
  ['the load', (r) => r.load],
  ['when water comes on them', (r) => r.waterAt],
  ['when they may be left alone', (r) => r.rests],
  ['the notice', (r) => r.notice],
  ['the milestone that opens them', (r) => r.serves],
  ['the tools at hand', (r) => [r.bench, r.scaleStepG, r.crew]],
  ['open or closed at the back', (_, p) => p.void?.back],
  ['whether a reserve is kept', (_, p) => p.reserve],
];

const passOf = (r: Repair): Pass => r.passes[r.chain[0]!]!;

/** Answers of all of them; null where two answer one question differently. */
function answersOf(repairs: readonly Repair[]): Repair['answers'] | null {
  const all: Repair['answers'] = {};
  for (const { answers } of repairs)
    for (const [id, answer] of Object.entries(answers)) {
      if (Object.hasOwn(all, id) && all[id] !== answer) return null;
      all[id] = answer;
    }
  return all;
}

/** The like voids of a repair, each by itself. */
const apart = ({ shapes, count }: Void): Void['shapes'] => Array.from({ length: count }, () => shapes).flat();

/** What the places of a repair are called: by its own name, with a number where there are several. */
function namesIn(name: string, v: Void): readonly string[] {
  const own = placeNames(v);
  const named = name.slice(0, LONGEST_NAME - 4);
  return own.map((place, i) => place || (own.length > 1 ? `${named} ${i + 1}` : named));
}
const LONGEST_NAME = 60;

/** More than so many are told by the first and the last of them. */
const MOST_NAMED = 4;
const cut = (words: readonly string[], most: number): string => {
  const all = [...new Set(words.filter(Boolean))];
  const told = all.length > MOST_NAMED ? [...all.slice(0, 2), '…', all.at(-1)!] : all;
  return told.join(' + ').slice(0, most);
};

/**
 * Several repairs as one of several places, that is prepared, mixed and placed as one: a kit opened for the first
 * serves the last. It keeps the identity of the first of them in the order of work.
 * @param begun whether work on a repair has begun
 * @returns the one repair, or why they cannot be one
 */
export function joined(
  repairs: readonly Repair[],
  begun: (id: string) => boolean,
): { readonly repair: Repair; readonly gone: readonly Repair[] } | { readonly why: Said } {
  const [first, ...others] = [...repairs].sort((a, b) => a.order - b.order);
  if (!first || !others.length) return { why: WHY.few() };
  const all = [first, ...others];
  const nameOf = (r: Repair) => r.name || passOf(r).name || r.id;
  for (const r of all) {
    if (begun(r.id)) return { why: WHY.begun({ name: nameOf(r) }) };
    if (r.chain.length > 1) return { why: WHY.chain({ name: nameOf(r) }) };
    const own = passOf(r).void;
    if (!own) return { why: WHY.void({ name: nameOf(r) }) };
    if (own.variants.length) return { why: WHY.variants({ name: nameOf(r) }) };
  }
  const unlike = ALIKE.filter(([, of]) => others.some((r) => !dequal(of(r, passOf(r)), of(first, passOf(first)))));
  const answers = answersOf(all);
  const what = [...unlike.map(([label]) => label), ...(answers ? [] : ['the answers of the inspection'])];
  if (what.length) return { why: WHY.differs({ what: { list: what, join: 'and' } }) };

  const voids = all.map((r) => passOf(r).void!);
  const same = voids.every((v) => dequal(v.shapes, voids[0]!.shapes) && dequal(v.keepClear, voids[0]!.keepClear));
  const shapes = same ? voids[0]!.shapes : voids.flatMap(apart);
  if (shapes.length > MOST_SHAPES) return { why: WHY.shapes({ most: MOST_SHAPES }) };
  // What adds up to one void in one of them is no place by itself.
  const apartAll = !same && voids.every((v) => v.shapes.length === 1 || standApart(v));
  const names = all.flatMap((r, i) => namesIn(nameOf(r), voids[i]!));
  const own: Pass = {
    ...passOf(first),
    void: {
      ...withShapes(voids[0]!, shapes, apartAll ? names : undefined),
      count: same ? voids.reduce((n, v) => n + v.count, 0) : 1,
      keepClear: same
        ? voids[0]!.keepClear
        : voids.flatMap((v) => Array.from({ length: v.count }, () => v.keepClear).flat()),
    },
  };
  const starts = all.flatMap((r) => r.plannedStart ?? []);
  const repair = Repair.safeParse({
    ...first,
    name: cut(
      all.map((r) => r.name),
      120,
    ),
    place: cut(
      all.map((r) => r.place),
      160,
    ),
    answers,
    settingOut: all.find((r) => r.settingOut)?.settingOut ?? null,
    safety: all.find((r) => r.safety.class === 'review')?.safety ?? first.safety,
    plannedStart: starts.length ? Math.min(...starts) : null,
    overtimeMin: Math.max(...all.map((r) => r.overtimeMin)),
    passes: { [first.chain[0]!]: own },
  });
  return repair.success ? { repair: repair.data, gone: others } : { why: WHY.shapes({ most: MOST_SHAPES }) };
}
