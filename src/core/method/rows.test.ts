import { PLAIN_READER, plainWords, say } from '@/words';
import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { type Piece, pieceOf, planJob, type RepairPlan, repairOf, settingOf } from '../plan';
import { gapsOf } from '../say';
import { milestoneKind } from '../system';
import {
  choiceWith,
  effectsOf,
  factorsOf,
  METHODS,
  type Method,
  methodOf,
  NO_EFFECTS,
  type School,
  stepId,
  tasks,
} from '.';
import { checked } from './steps';

const NOW = Date.parse('2026-05-05T03:00:00Z');
const MIN = 60_000;
const { bundles } = sampleData(NOW, 'Europe/Helsinki');
const { job } = bundles[0]!;
const [nosing, eyes] = bundles[0]!.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const plate: Piece = { ...pieceOf(bundles[1]!.repairs[0]!), jobId: job.id };
const planned = (repair: Piece): RepairPlan =>
  planJob({ job, repairs: [repairOf(repair)], sheets: sampleSheets, stock: [], actuals: new Map(), nowMs: NOW })
    .repairs[0]!;
const patch = methodOf('mortar-patch')!;
const school = (id: string): School => patch.schools.find((s) => s.id === id)!;

describe('a method is checked as it is loaded', () => {
  const broken: readonly [string, Partial<Method>, RegExp][] = [
    [
      'a gap that nothing fills',
      {
        tasks: tasks('broken', [
          { task: 'a', role: 'prepare', title: 'Take {tool}', detail: '', confirm: '', work: {} },
        ]),
      },
      /unknown gap: tool/,
    ],
    [
      'a rate it does not have',
      {
        tasks: tasks('broken', [
          {
            task: 'b',
            role: 'place',
            title: 'Go',
            detail: '',
            confirm: '',
            work: { by: { setting: 'speed', driver: 'mL' } },
          },
        ]),
      },
      /unknown setting: speed/,
    ],
    [
      'a default that is no option',
      { schools: patch.schools.map((s) => (s.id === 'priming' ? { ...s, byDefault: 'brushed' } : s)) },
      /unknown option: priming: brushed/,
    ],
    [
      'an option that shows what is not there',
      {
        schools: [
          {
            ...school('priming'),
            options: [{ id: 'drawn', label: 'x', fits: 'x', effect: { shows: ['prep:dance'] } }],
          },
          ...patch.schools.filter((s) => s.id !== 'priming'),
        ],
      },
      /unknown row: prep:dance/,
    ],
    [
      'a consumable that no option shows',
      { consumes: [{ id: 'x', what: 'x', unit: '', why: 'x', shownBy: 'broadcast', of: () => 1 }] },
      /unknown option that shows: broadcast/,
    ],
    ['a part whose thickness nobody sets', { laidOn: 'sheet' }, /unknown setting: sheet/],
  ];
  test.each(broken)('%s is an error that names it', (_, over, says) => {
    expect(() => checked({ ...patch, ...over })).toThrow(says);
  });
  test('those of the table pass', () => {
    for (const method of METHODS) expect(checked(method)).toBe(method);
  });
});

test('gaps are found inside plurals and choices, and words of a branch are none', () => {
  expect(
    gapsOf(
      'Fill {count, plural, one {the hole} other {{places, plural, one {hole {n} of {count}} other {# holes}}}} now',
    ),
  ).toEqual(['count', 'places', 'n']);
  expect(gapsOf('{side, select, under {under} other {above {it}}} it')).toEqual(['side', 'it']);
  expect(gapsOf('plain words')).toEqual([]);
  expect(() => gapsOf('a { brace')).not.toThrow();
  expect(() => gapsOf('a {} brace')).toThrow(/brace without a name/);
});

describe('options bring effects about', () => {
  test('defaults, and one changed at a time, against the table read by hand', () => {
    expect(effectsOf(patch, {})).toMatchObject({
      priming: 'drawn',
      level: 'flush',
      onePass: false,
      sandCut: false,
      split: 'whole',
    });
    expect(effectsOf(patch, { priming: 'none' })).toMatchObject({
      priming: 'none',
      shows: expect.arrayContaining(['uptake']),
    });
    expect(effectsOf(patch, { 'deep-fills': 'one', 'finish-level': 'crown' })).toMatchObject({
      onePass: true,
      level: 'crown',
    });
    expect(effectsOf(patch, { waiting: 'fixed' }).fixedWaitMin).toBe(1440);
    expect(NO_EFFECTS.fixedWaitMin).toBeNull();
  });
  test('an option that is not known is refused at its field, with those there are', () => {
    const p = planned({ ...nosing, schools: { priming: 'brushed' } });
    expect(p.problems).toHaveLength(1);
    expect(p.problems[0]).toMatchObject({ stage: 'mix', field: 'schools.priming', value: 'brushed' });
    expect(plainWords(p.problems[0]!.sentence)).toMatch(
      /no choice for “Priming”. There are: a share of the mixed liquid, separate primer, none\./,
    );
    // What a prototype has is no option either.
    expect(planned({ ...nosing, schools: { priming: 'constructor' } }).problems).toHaveLength(1);
  });
  test('the press that brings an effect about is found in each method that has it', () => {
    expect(choiceWith(patch, 'split', 'weighed')).toEqual({ school: 'part-kits', option: 'weighed' });
    expect(choiceWith(methodOf('anchor')!, 'split', 'weighed')).toBeNull();
  });
  test('each option of each method changes something: words, steps or amounts', () => {
    const told = (p: RepairPlan) =>
      JSON.stringify([
        p.steps.map((s) => [s.id, s.title, s.detail, s.startMs, s.endMs]),
        p.mix?.lines,
        p.openMs,
        p.batches,
      ]);
    // Whether the wait is proved by touch is said by the tests of the release; these places have no second lift, no
    // part of a kit left.
    const elsewhere = [
      'waiting proved',
      'waiting computed',
      'deep-fills one',
      'deep-fills layers',
      'several several',
      'several one',
      // These holes are dry.
      'wet-hole dried',
      'wet-hole longer',
    ];
    for (const [method, repair] of [
      [methodOf('anchor')!, eyes],
      [patch, nosing],
      [methodOf('plate-bond')!, plate],
    ] as const)
      for (const s of method.schools) {
        const all = s.options
          .filter((o) => !elsewhere.includes(`${s.id} ${o.id}`) && !o.idle?.where(planned(repair).kit!))
          .map((o) => told(planned({ ...repair, schools: { [s.id]: o.id } })));
        expect([s.id, new Set(all).size]).toEqual([s.id, all.length]);
      }
  });
});

describe('hands-on time is made of factors', () => {
  test('each has a starting value, a spread and a source, and no two share a name', () => {
    for (const method of METHODS) {
      const all = factorsOf(method);
      expect(new Set(all.map((f) => f.id)).size).toBe(all.length);
      for (const f of all) expect([f.byDefault > 0, f.spread > 1, f.source]).toEqual([true, true, 'Grenko']);
    }
  });
  test('four holes: marking 5 + 4 × 2, drilling 4 × 4, cleaning 4 × 3, trying 1 + 4 × 1 min', () => {
    const p = planned({ ...eyes, settings: {}, void: { ...eyes.void!, keepClear: [] } });
    const minutes = Object.fromEntries(p.steps.map((s) => [s.id, (s.endMs - s.startMs) / MIN]));
    expect(eyes.void!.count).toBe(4);
    expect(minutes).toMatchObject({
      'prep:mark': 13,
      'prep:drill': 16,
      'prep:clean': 12,
      'prep:dry-fit': 5,
      'finish:clean': 8,
    });
  });
  test('one that is set for the repair moves its step and those after it, by as much', () => {
    const id = 'prep:drill min/place';
    expect(settingOf(methodOf('anchor')!, eyes, id)).toBe(4);
    const [usual, own] = [planned(eyes), planned({ ...eyes, settings: { ...eyes.settings, [id]: 9 } })];
    const step = (p: RepairPlan, name: string) => p.steps.find((s) => s.id === name)!;
    expect(step(own, 'prep:drill').endMs - step(usual, 'prep:drill').endMs).toBe(4 * 5 * MIN);
    expect(step(own, 'prep:clean').startMs - step(usual, 'prep:clean').startMs).toBe(4 * 5 * MIN);
    expect(step(own, 'prep:drill').factors).toEqual([id]);
  });
  test.each([0, -3])('%d minutes are refused, and say why', (value) => {
    const p = planned({ ...nosing, settings: { ...nosing.settings, 'prep:cut min': value } });
    expect(p.problems).toMatchObject([{ field: 'settings.prep:cut min', value }]);
  });
  test('a setting nobody has is an error, never nought', () => {
    expect(() => settingOf(patch, nosing, 'speed')).toThrow(/unknown setting: speed/);
  });
});

test('steps are named as the record names them', () => {
  expect(stepId({ task: 'mix', batch: 0, attempt: 1 })).toBe('b1:mix');
  expect(stepId({ task: 'mix', batch: 2, attempt: 3 })).toBe('b3~3:mix');
  expect(stepId({ task: 'prep:dry', batch: null, attempt: 2 })).toBe('prep~2:dry');
  expect(stepId({ task: 'close', batch: null, attempt: 1 })).toBe('close');
});

test('the words of the steps read in inches, pounds and ounces', () => {
  const us = { ...PLAIN_READER, system: 'us' } as const;
  const p = planned(eyes);
  const detail = (id: string) => say(p.steps.find((s) => s.id === id)!.detail, us);
  expect(detail('prep:drill')).toMatch(/^Bit 0\.717 in, 4\.92 in deep/);
  const all = [...p.steps, ...planned(nosing).steps, ...planned(plate).steps].flatMap((s) => [
    s.title,
    s.detail,
    s.confirm,
  ]);
  for (const said of all) expect(say(said, us)).not.toMatch(/\d ?(mm|mL|g|kg|°C|K)\b/);
});

test('what ends a wait in the place of a time that is not printed comes later in the curing', () => {
  const instead = METHODS.flatMap((m) =>
    (m.tasks ?? []).flatMap((t) => ('waits' in t && t.waits?.orElse ? [t.waits] : [])),
  );
  expect(instead.length).toBeGreaterThan(0);
  for (const w of instead) for (const later of w.orElse!) expect(milestoneKind(w.for).later ?? []).toContain(later);
});
