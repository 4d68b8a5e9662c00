import { stepOfLivePot } from '@/core/judge';
import { answerOnRecord, type Method, methodOf, signsOf, TROUBLES } from '@/core/method';
import {
  FIRST_PASS,
  opensAbove,
  passesUnder,
  passKey,
  pieceOf,
  planJob,
  type Repair,
  withNext,
  withPiece,
} from '@/core/plan';
import { type Bundle, batchBefallen, type EventBody, eventSaid, passesBefallen, passesOn } from '@/core/record';
import { measured, voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, drawnShape, ZONE } from './made';
import { dosed, type Paper, typed } from './papers';
import { type JobStep, Technician } from './technician';

/** What gets wet, dusty, or sets too soon: what is done about it, when, and what of the work is lost with it. */
const NOW = at('2027-05-10T07:00');
const MIN = 60_000;
const HOUR = 60 * MIN;
/** At 20 °C all day every time is the one the paper prints. */
const job = {
  ...freshJob(NOW),
  zone: ZONE,
  startFrom: NOW,
  climate: { kind: 'constant' as const, tempC: 20, humidityPct: 50 },
};
const SANDABLE_H = 4;
const PAPERS = {
  'mortar-patch': [
    'mortar-kit',
    '2:1 by weight',
    '2 kg, 1 kg, 12 kg',
    'use-by 40 min, primer-wet 30 min, sandable 4 h, load 24 h',
    { cByWeight: '6' },
  ],
  'poured-crack': ['liquid-resin', '2:1 by volume', '600 g, 300 g', 'use-by 20 min, sandable 4 h, foot 6 h'],
  'skim-coat': ['paste', '2:1 by volume', '5 kg, 2.5 kg', 'use-by 40 min, sandable 4 h, foot 12 h'],
  'barrier-coat': [
    'liquid-resin',
    '2:1 by volume',
    '2 kg, 1 kg',
    'use-by 40 min, recoat-from 3 h, recoat-until 48 h, sandable 4 h, load 7 d',
  ],
  'finish-coat': ['finish-resin', '', '1 kg, 20 g', 'use-by 15 min, sandable 4 h', dosed(1.5, 2, 2.5)],
  'cement-patch': ['cement-water', '', '25 kg, 3.5 kg', 'use-by 20 min, foot 2 h', dosed(12, 13, 14)],
  'laminate-hole': ['sachets', '1:1 by weight', '20 g, 20 g', 'use-by 25 min, sandable 4 h, load 24 h'],
} as const satisfies Readonly<Record<string, Paper>>;
type Papered = keyof typeof PAPERS;
const sheetOf = (id: Papered) => ({ ...typed(PAPERS[id], NOW), id: `sheet-${id}`, systemId: `system-${id}` });

/** A repair as somebody plans it, a second pass on its face where one is named. */
function bundleOf(first: Papered, o: { next?: Papered; schools?: Readonly<Record<string, string>> } = {}): Bundle {
  const m = methodOf(first)!;
  const fresh = freshRepair(job.id, m.id, 1, NOW);
  const answered = (of: Method) => Object.fromEntries(of.questions.map((q) => [q.id, q.wants]));
  const chosen = (id: Papered) => ({ sheetId: `sheet-${id}`, kitId: sheetOf(id).kits[0]!.id });
  let repair: Repair = withPiece(fresh, {
    ...pieceOf(fresh),
    ...chosen(first),
    void: voidOf(drawnShape(m)),
    answers: answered(m),
    schools: { ...pieceOf(fresh).schools, ...o.schools },
  });
  if (o.next) {
    const second = methodOf(o.next)!;
    repair = withNext(repair, second);
    const piece = pieceOf(repair, 'p2');
    repair = withPiece(repair, {
      ...piece,
      ...chosen(o.next),
      gate: 'set',
      answers: { ...answered(m), ...answered(second) },
      ...(piece.takes.from === 'face' ? { takes: { ...piece.takes, thickness: measured(1, 'gauge') } } : {}),
    });
  }
  return {
    job,
    repairs: [repair],
    sheets: [first, ...(o.next ? [o.next] : [])].map(sheetOf),
    stock: [],
    events: [],
    snapshots: [],
  };
}

const titled = (step: Pick<JobStep, 'title'>) => say(step.title, { ...PLAIN_READER, zone: ZONE });
/** Somebody who has worked up to a step, that step as well. */
function workedTo(bundle: Bundle, ends: RegExp): Technician {
  const technician = new Technician(bundle, NOW);
  for (;;) {
    const [next] = technician.ahead();
    if (!next) throw new Error(`never came: ${ends}`);
    technician.does(next);
    if (ends.test(`${next.passId}/${next.id}`)) return technician;
  }
}
/** Tells what went wrong now, of the batch that the running view would name. */
function befell(technician: Technician, trouble: string, sign?: string, o: { passId?: string; ml?: number } = {}) {
  const { passId = FIRST_PASS, ml = null } = o;
  const whole = technician.view().repairs[0]!;
  const answer = answerOnRecord(TROUBLES.find((t) => t.id === trouble)!, sign);
  const pass = whole.passes.find((p) => p.repair.passId === passId)!;
  const body: EventBody = {
    kind: 'trouble',
    trouble,
    ...(sign ? { sign } : {}),
    batch: batchBefallen(pass, answer),
    missingMl: ml,
  };
  technician.tell(whole.repair.id, passId, technician.nowMs, body);
}
const stepsOf = (technician: Technician) => technician.view().repairs[0]!.plan.steps;
const idsLeft = (technician: Technician) =>
  stepsOf(technician)
    .filter((s) => s.doneAt === null)
    .map((s) => s.id);
const planned = (technician: Technician, id: string) => stepsOf(technician).find((s) => s.id === id)!;

describe('a primer that got wet or dusty', () => {
  test.each([
    ['rain', ['prep~2:dry', 'abrade~2:set']],
    ['dust', ['abrade~2:set']],
  ] as const)('%s: it sets, is abraded and brushed on again, and what was mixed for it is lost', (trouble, first) => {
    const technician = workedTo(bundleOf('mortar-patch'), /b1:prime$/);
    const kits = technician.view().repairs[0]!.passes[0]!.plan.mix!.kits.use;
    const primedMs = technician.nowMs;
    befell(technician, trouble, 'primer');
    expect(idsLeft(technician).slice(0, first.length + 4)).toEqual([
      ...first,
      'b1~2:weigh',
      'b1~2:mix',
      'b1~2:prime',
      'b1~2:place',
    ]);
    // The paper's time from the primer on, whatever dries meanwhile.
    expect(planned(technician, 'abrade~2:set').startMs - primedMs).toBeCloseTo(SANDABLE_H * HOUR, -3);
    // As it was done first it stays in the record of the work.
    expect(planned(technician, 'b1:prime').doneAt).toBe(primedMs);
    expect(titled(planned(technician, 'b1:prime'))).not.toMatch(/again/);
    expect(titled(planned(technician, 'b1~2:prime'))).toMatch(/again$/);
    expect(technician.view().repairs[0]!.passes[0]!.plan.mix!.kits.use).toBeGreaterThan(kits);
    // And it happens once more.
    for (const s of technician.ahead()) {
      technician.does(s);
      if (s.id === 'b1~2:prime') break;
    }
    const againMs = technician.nowMs;
    befell(technician, trouble, 'primer');
    expect(idsLeft(technician)).toEqual(expect.arrayContaining(['abrade~3:set', 'b1~3:prime', 'b1~3:place']));
    expect(planned(technician, 'abrade~3:set').startMs - againMs).toBeGreaterThanOrEqual(SANDABLE_H * HOUR - MIN);
    expect(
      stepsOf(technician)
        .filter((s) => s.key.task === 'prime')
        .map((s) => [s.id, s.doneAt !== null]),
    ).toEqual([
      ['b1:prime', true],
      ['b1~2:prime', true],
      ['b1~3:prime', false],
    ]);
    expect(titled(planned(technician, 'b1~3:prime'))).toMatch(/[^n], again$/);
  });

  test('of a further lift, past the window of the lift below: abraded once, not once more for that window', () => {
    const [kind, ratio, packs, , more] = PAPERS['mortar-patch'];
    const times = 'use-by 40 min, next-lift 2 h, recoat-from 2 h, recoat-until 3 h, sandable 4 h, load 24 h';
    const read = typed([kind, ratio, packs, times, more], NOW);
    const sheet = {
      ...sheetOf('mortar-patch'),
      ...read,
      id: 'sheet-mortar-patch',
      limits: { ...read.limits, liftMaxMm: 15 },
    };
    const technician = workedTo({ ...bundleOf('mortar-patch'), sheets: [sheet] }, /b2:prime$/);
    befell(technician, 'rain', 'primer');
    const left = stepsOf(technician).filter((s) => s.doneAt === null);
    expect(left.filter((s) => /abrade/.test(s.id)).map((s) => s.id)).toEqual(['abrade~2:set']);
    expect(left.map((s) => s.id).slice(2, 5)).toEqual(['b2~2:weigh', 'b2~2:mix', 'b2~2:prime']);
    // Without the rain a lift begun so late is abraded for the window alone.
    const late = workedTo({ ...bundleOf('mortar-patch'), sheets: [sheet] }, /b1:place$/);
    late.nowMs += 5 * HOUR;
    expect(idsLeft(late).filter((id) => /abrade/.test(id))).toEqual(['b2:abrade']);
  });

  test('of a slurry of cement nothing has to set: it is brushed off, and comes again', () => {
    const technician = workedTo(bundleOf('cement-patch', { schools: { bond: 'slurry' } }), /prep:wet$/);
    const before = technician.nowMs;
    befell(technician, 'skinned', 'primer');
    expect(idsLeft(technician)[0]).toBe('prep~2:clean-again');
    expect(planned(technician, 'prep~2:clean-again').startMs).toBe(before);
    expect(idsLeft(technician).slice(1, 3)).toEqual(['prep~2:wet', 'b1:weigh']);
  });

  test('is asked about only where there is one, and as records have it without a sign all is as it was', () => {
    const rain = TROUBLES.find((t) => t.id === 'rain')!;
    expect(signsOf(rain, methodOf('mortar-patch')!)!.map((s) => s.id)).toEqual(['bare', 'primer', 'placed']);
    expect(signsOf(rain, methodOf('skim-coat')!)!.map((s) => s.id)).toEqual(['bare', 'placed']);
    const technician = workedTo(bundleOf('mortar-patch'), /b1:prime$/);
    befell(technician, 'rain');
    expect(idsLeft(technician).slice(0, 3)).toEqual(['prep~2:dry', 'abrade~2', 'b1:place']);
  });
});

describe('a prepared face', () => {
  test.each([
    ['rain', 'prep~2:dry', /^Dry the place/],
    ['dust', 'prep~2:clean-again', /^Clean the face/],
  ])('%s: %s comes before anything is mixed, and nothing is lost', (trouble, id, words) => {
    const technician = workedTo(bundleOf('skim-coat'), /prep:check$/);
    const { mix } = technician.view().repairs[0]!.passes[0]!.plan;
    befell(technician, trouble, 'bare');
    expect(idsLeft(technician)[0]).toBe(id);
    expect(titled(planned(technician, id))).toMatch(words);
    expect(technician.view().repairs[0]!.passes[0]!.plan.mix!.toMixMl).toBeCloseTo(mix!.toMixMl, 9);
  });

  test('a mixed pot that will not wait until it is dry says so, and by how much', () => {
    const technician = workedTo(bundleOf('skim-coat'), /b1:mix$/);
    const waits = () => technician.view().repairs[0]!.findings.find((f) => f.id.startsWith('pot-waits'));
    expect(waits()).toBeUndefined();
    // Twenty minutes to dry and as long again for coming back: the pot lives forty from its mixing.
    technician.nowMs += 18 * MIN;
    befell(technician, 'rain', 'bare');
    expect(waits()).toMatchObject({ severity: 'caution', id: 'pot-waits:b1:coat' });
    const [mixed, placed] = ['b1:mix', 'b1:coat'].map((id) => planned(technician, id));
    expect(placed!.endMs).toBeGreaterThan(mixed!.startMs + 40 * MIN);
  });
});

describe('what is placed', () => {
  test('got wet: where nothing more goes on it nothing is dried; the next coat waits for that', () => {
    const technician = workedTo(bundleOf('barrier-coat'), /b1:coat$/);
    befell(technician, 'rain', 'placed');
    expect(idsLeft(technician)[0]).toBe('prep~2:dry');
    const last = workedTo(bundleOf('skim-coat'), /coat$/);
    const before = idsLeft(last);
    befell(last, 'rain', 'placed');
    expect(idsLeft(last)).toEqual(before);
  });

  test('got dusty: the next coat waits until it has set and is abraded, inside its own window', () => {
    const technician = workedTo(bundleOf('barrier-coat'), /b1:coat$/);
    const coatedMs = technician.nowMs;
    const next = planned(technician, 'b2:coat').startMs;
    befell(technician, 'dust', 'placed');
    const abraded = planned(technician, 'abrade~2:set');
    expect(abraded.startMs - coatedMs).toBeGreaterThanOrEqual(SANDABLE_H * HOUR - MIN);
    expect(planned(technician, 'b2:coat').startMs).toBeGreaterThan(Math.max(next, abraded.endMs - 1));
  });

  test('foamed in the pot: mixed again; foamed where it lies: the base is dried before that', () => {
    const pot = workedTo(bundleOf('poured-crack'), /b1:mix$/);
    befell(pot, 'foamed', 'pot');
    expect(idsLeft(pot).slice(0, 2)).toEqual(['weigh-all:anew', 'b1~2:mix']);
    const lies = workedTo(bundleOf('poured-crack'), /b1:pour$/);
    befell(lies, 'foamed', 'placed');
    expect(idsLeft(lies).slice(0, 2)).toEqual(['prep~2:dry', 'weigh-all:anew']);
  });
});

describe('what is put on once it has set', () => {
  test('bubbles: covered as planned, filled hours later, covered again; in working hours', () => {
    const technician = workedTo(bundleOf('skim-coat'), /coat$/);
    const coatedMs = technician.nowMs;
    const batches = technician.view().repairs[0]!.passes[0]!.plan.batches.length;
    befell(technician, 'bubbles', undefined, { ml: 60 });
    const b = batches + 1;
    expect(idsLeft(technician).slice(0, 6)).toEqual([
      'hold:cover',
      `b${b}:abrade:set`,
      `b${b}:weigh`,
      `b${b}:mix`,
      `b${b}:coat`,
      'hold~2:cover:set',
    ]);
    expect(planned(technician, 'hold:cover').startMs).toBe(coatedMs);
    expect(planned(technician, `b${b}:abrade:set`).startMs - coatedMs).toBeGreaterThanOrEqual(SANDABLE_H * HOUR - MIN);
    // Late in the day it is done next morning, not at night.
    const evening = new Technician(
      { ...bundleOf('skim-coat'), job: { ...job, startFrom: at('2027-05-10T15:00') } },
      NOW,
    );
    for (;;) {
      const [next] = evening.ahead();
      evening.does(next!);
      if (/coat$/.test(next!.id)) break;
    }
    befell(evening, 'bubbles', undefined, { ml: 60 });
    const hour = new Date(planned(evening, `b${b}:abrade:set`).startMs).toLocaleString('en-GB', {
      timeZone: ZONE,
      weekday: 'short',
      hour: '2-digit',
      minute: '2-digit',
    });
    expect(hour).toMatch(/^Tue,? 07:00/);
  });

  test('what tops it up at once is covered anew behind it, where it had been covered', () => {
    const technician = workedTo(bundleOf('mortar-patch'), /hold:clean$/);
    befell(technician, 'dam-leak', undefined, { ml: 60 });
    const left = idsLeft(technician);
    expect(left.indexOf('hold~2:clean')).toBeGreaterThan(left.findIndex((id) => id.endsWith(':place')));
    // Not yet covered it is covered once, behind all of it.
    const open = workedTo(bundleOf('mortar-patch'), /b1:place$/);
    befell(open, 'ran-out', undefined, { ml: 60 });
    expect(idsLeft(open).filter((id) => id.includes('hold'))).toEqual(['hold:clean']);
    // A surface that is only done again is covered no more.
    const surface = workedTo(bundleOf('mortar-patch'), /hold:clean$/);
    befell(surface, 'not-set', 'tacky');
    expect(idsLeft(surface).filter((id) => id.includes('hold'))).toEqual([]);
  });
});

describe('a pot whose time is over', () => {
  const over = (technician: Technician) =>
    technician.view().repairs[0]!.findings.filter((f) => f.id.startsWith('pot-over'));

  test('stops the work until somebody says what became of it; a new mix has a clock of its own', () => {
    const technician = workedTo(bundleOf('skim-coat'), /b1:mix$/);
    const mixed = planned(technician, 'b1:mix');
    technician.nowMs = mixed.startMs + 39 * MIN;
    expect(over(technician)).toEqual([]);
    technician.nowMs = mixed.startMs + 41 * MIN;
    const [stop] = over(technician);
    expect(stop).toMatchObject({ id: 'pot-over:b1:coat', severity: 'stop', trouble: 'pot-hot' });
    expect(say(stop!.answer!, PLAIN_READER)).toMatch(/in its place/);
    befell(technician, 'pot-hot');
    expect(over(technician)).toEqual([]);
    expect(idsLeft(technician)[0]).toBe('b1~2:weigh');
    for (const s of technician.ahead()) {
      technician.does(s);
      if (s.id === 'b1~2:mix') break;
    }
    technician.nowMs += 41 * MIN;
    expect(over(technician).map((f) => f.id)).toEqual(['pot-over:b1~2:coat']);
  });

  test('ends with the last of what it is for, and says nothing of what is not mixed yet', () => {
    const technician = workedTo(bundleOf('skim-coat'), /prep:check$/);
    technician.nowMs += 3 * HOUR;
    expect(over(technician)).toEqual([]);
    const placed = workedTo(bundleOf('skim-coat'), /b1:coat$/);
    placed.nowMs += 3 * HOUR;
    expect(over(placed)).toEqual([]);
  });

  test('is asked about alone: that its face has dulled since, or its primer dried, follows from the same answer', () => {
    const technician = workedTo(bundleOf('mortar-patch'), /b1:prime$/);
    technician.nowMs = planned(technician, 'b1:mix').startMs + 41 * MIN;
    const place = planned(technician, 'b1:place');
    expect(place.lateFor).toBe('primer-wet');
    const { findings, repair } = technician.view().repairs[0]!;
    expect(findings.filter((f) => f.id.endsWith(place.id)).map((f) => f.id)).toEqual(['pot-over:b1:place']);
    technician.tell(repair.id, FIRST_PASS, technician.nowMs, {
      kind: 'override',
      finding: 'pot-over:b1:place',
      title: 'The pot is over',
      reason: 'All of it was in its place by then',
    });
    const told = technician.view().repairs[0]!.findings.map((f) => f.id);
    expect(told.filter((id) => id.startsWith('late:'))).toEqual([]);
  });

  test('is that of the first of two, where one mixes while another places', () => {
    const technician = workedTo(bundleOf('barrier-coat'), /b1:mix$/);
    const first = planned(technician, 'b1:coat');
    const { repair } = technician.view().repairs[0]!;
    technician.tell(repair.id, FIRST_PASS, technician.nowMs, { kind: 'step-begun', step: 'b2:mix' });
    const live = () => stepOfLivePot(technician.view().repairs[0]!.passes[0]!.plan)?.id;
    expect(live()).toBe('b1:coat');
    technician.does({ ...technician.ahead().find((s) => s.id === 'b1:coat')!, startMs: first.startMs });
    expect(live()).toBe('b2:coat');
  });

  test('is called as what it is: a pail of cement stiffens', () => {
    const technician = workedTo(bundleOf('cement-patch'), /b1:mix$/);
    technician.nowMs += 21 * MIN;
    expect(over(technician).map((f) => f.trouble)).toEqual(['stiffened']);
  });
});

describe('in a chain', () => {
  const chain = () => bundleOf('mortar-patch', { next: 'skim-coat' });

  test('what lies on a pass that is opened again is done again; what does not stays', () => {
    const technician = workedTo(chain(), /p2\/.*coat$/);
    const whole = technician.view().repairs[0]!;
    expect(passesOn(whole, FIRST_PASS).map((p) => p.repair.passId)).toEqual(['p2']);
    expect(passesOn(whole, 'p2')).toEqual([]);
    befell(technician, 'hollow', 'spot', { ml: 40 });
    const steps = stepsOf(technician);
    const again = steps.filter((s) => s.passId === 'p2' && s.doneAt === null);
    expect(again.map((s) => s.id)).toEqual(expect.arrayContaining(['prep~2:clean', 'b1~2:mix', 'b1~2:coat']));
    const filled = steps.findLast((s) => s.passId === FIRST_PASS && s.role === 'place')!;
    expect(Math.min(...again.filter((s) => s.role === 'place').map((s) => s.startMs))).toBeGreaterThan(filled.endMs);
    // The other way round: the fill under a coat that is done again stays.
    const coat = workedTo(chain(), /p2\/.*coat$/);
    befell(coat, 'wrinkled', undefined, { passId: 'p2' });
    expect(stepsOf(coat).filter((s) => s.passId === FIRST_PASS && s.doneAt === null)).toEqual([]);
    expect(stepsOf(coat).some((s) => s.passId === 'p2' && s.id === 'b1~2:coat')).toBe(true);
  });

  test('somebody walks on the fill: its wait counts anew, and the coat waits with it', () => {
    const technician = workedTo(chain(), /p1\/hold:clean$/);
    const before = planned(technician, 'b1:coat').startMs;
    technician.nowMs += 2 * HOUR;
    const whole = technician.view().repairs[0]!;
    // What comes next is of the coat, and nothing of that is done: it befell the fill.
    const next = technician.ahead()[0];
    expect(passesBefallen(whole, next).map((p) => p.repair.passId)[0]).toBe(FIRST_PASS);
    befell(technician, 'loaded');
    expect(planned(technician, 'b1:coat').startMs).toBeGreaterThanOrEqual(before + 2 * HOUR - 30 * MIN);
    expect(technician.ahead()[0]!.startMs - technician.nowMs).toBeGreaterThanOrEqual(SANDABLE_H * HOUR - MIN);
  });

  test('the record says of which pass a batch was, and which one something befell; alone it names none', () => {
    const told = (bundle: Bundle, passId: string, body: EventBody) => {
      const technician = workedTo(bundle, /p1\/hold:clean$/);
      const { repair } = technician.view().repairs[0]!;
      technician.tell(repair.id, passId, technician.nowMs, body);
      const view = technician.view().repairs[0]!;
      return say(eventSaid(technician.told().at(-1)!, view), { ...PLAIN_READER, zone: ZONE });
    };
    const pour: EventBody = { kind: 'poured', batch: 0, part: 'A', massG: 412, lot: '', source: 'typed' };
    const walked: EventBody = { kind: 'trouble', trouble: 'loaded', batch: null, missingMl: null };
    expect(told(chain(), 'p2', pour)).toMatch(/^Poured 412 g of A, batch 1 \(2 .+\)$/);
    expect(told(chain(), FIRST_PASS, walked)).toMatch(/too early \(1 Resin mortar patch\)$/);
    expect(told(bundleOf('mortar-patch'), FIRST_PASS, pour)).toBe('Poured 412 g of A, batch 1');
  });

  test('once anything of the coat is done it is the coat that is meant, and the fill may be', () => {
    const technician = workedTo(chain(), /p2\/prep:clean$/);
    const whole = technician.view().repairs[0]!;
    expect(passesBefallen(whole, technician.ahead()[0]).map((p) => p.repair.passId)).toEqual(['p2', FIRST_PASS]);
  });
});

test('what lies under a pass: found one by one, as anybody would', () => {
  const own = (gate: 'any' | 'firm') => ({ takes: { from: 'own' as const }, gate });
  const on = (of: string) => ({
    takes: { from: 'face' as const, of, thickness: measured(1, 'gauge'), beyondMm: 0 },
    gate: 'set' as const,
  });
  const chain = [
    { passId: 'a', ...own('any') },
    { passId: 'b', ...own('firm') },
    { passId: 'c', ...on('b') },
    { passId: 'd', ...own('any') },
    { passId: 'e', ...on('d') },
    { passId: 'f', ...on('a') },
  ];
  const under = Object.fromEntries(chain.map(({ passId }) => [passId, [...passesUnder(chain, passId)].sort()]));
  expect(under).toEqual({ a: [], b: ['a'], c: ['a', 'b'], d: [], e: ['d'], f: ['a'] });
});

test('work that was begun by an older version keeps the steps it was begun with', () => {
  const bundle = bundleOf('mortar-patch');
  const technician = workedTo(bundle, /hold:clean$/);
  const { repair, passes } = technician.view().repairs[0]!;
  const toldMs = technician.nowMs;
  befell(technician, 'dam-leak', undefined, { ml: 60 });
  const happened = technician.view().repairs[0]!.passes[0]!.actuals;
  const held = (madeWith: string | null) =>
    planJob({
      ...bundle,
      nowMs: toldMs,
      actuals: new Map([[passKey(passes[0]!.repair), { ...happened, madeWith }]]),
    })
      .repairs.find((p) => p.repairId === repair.id)!
      .steps.filter((s) => s.key.task === 'hold:clean' && s.doneAt === null).length;
  expect(['0.39.0', '0.40.0', null].map(held)).toEqual([0, 1, 1]);
  expect(['0.39.0', '0.40.0', null].map(opensAbove)).toEqual([false, true, true]);
});

describe('a greasy film', () => {
  /** What is said at the first step of the skim, at so many degrees and so damp. */
  const said = (tempC: number, humidityPct: number, next: Papered = 'skim-coat', first: Papered = 'mortar-patch') => {
    const bundle = bundleOf(first, { next });
    const climate = { kind: 'constant' as const, tempC, humidityPct };
    const { steps } = new Technician({ ...bundle, job: { ...job, climate } }, NOW).view().repairs[0]!.plan;
    return say(steps.find((s) => s.passId === 'p2')!.detail, { ...PLAIN_READER, zone: ZONE });
  };

  test('is looked for where the next pass goes on what set in the cold or damp, and nowhere else', () => {
    expect(said(20, 50)).not.toMatch(/film/);
    expect(said(8, 50)).toMatch(/greasy film may have come/);
    expect(said(20, 85)).toMatch(/greasy film may have come/);
    // A thin coat is dulled anyway, and that says so itself.
    expect(said(8, 50, 'barrier-coat', 'skim-coat')).toMatch(/Wash off a greasy film first/);
    // Cement leaves none.
    expect(said(8, 85, 'skim-coat', 'cement-patch')).not.toMatch(/film may have come/);
  });
});
