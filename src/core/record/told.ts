import { answerTo, signsOf, TROUBLES } from '../method';
import { FAILURES, FIRST_PASS, MEASURED_KINDS, pieceName, readingSaid, SHOWS, WITNESS_STATES } from '../plan';
import { degC, exactly, grams, listed, minutes, ml, percent, type Said, texts, type Value } from '../say';
import { MILESTONES } from '../system';
import { figure } from '../units';
import type { RepairView } from './bundle';
import type { Event, EventBody } from './event';
import { figureTestId, handTests } from './release';

const SAYS = texts('event', {
  started: 'Work begun; the plan is kept as it was.',
  replanned: 'Planned anew from the draft; what was done stands.',
  'step-begun': 'Begun: {step}',
  'step-done': 'Done: {step}',
  'place-done': 'Place {place} done: {step}',
  reading: '{channel, select, base {Base} air {Air} pot {Pot} other {{channel}}} {value} ({source})',
  humidity: 'Humidity of the air {value} ({source})',
  poured:
    'Poured {mass} of {part}{lot, select, none {} other {, lot {lot}}}, batch {batch}{source, select, typed {} other {, {source}}}',
  discarded: 'Pot of batch {batch} thrown away: {why}',
  witness:
    '{of, select, smear {Smear} other {Cup}} of batch {batch}{state, select, kept { kept as its witness} other {: {word}}}',
  left: 'Left of batch {batch}: {over} over{stuck, select, none {} other {, {stuck} in the pot and on tools}}',
  drunk: 'Face {face} took {volume} in one coat',
  taken: 'Taken from lot {lot}: {count} × {kit}',
  contents: 'Contents of {kit}: {found}',
  found: '{what} {found} of {listed}',
  note: 'Note: {text}',
  photo:
    'Photograph, {shows}{step, select, none {} other { (at “{step}”)}}{caption, select, none {} other {: {caption}}}',
  trouble:
    'Something went wrong: {what}{sign, select, none {} other { ({sign})}}{at, select, none {} other {, at {at}}}{missing, select, none {} other {, {missing} missing}}{left, plural, =0 {} one {, # pair of hands left} other {, # pairs of hands left}}',
  places: '{n, plural, one {# place} other {# places}}',
  part: 'part {n}',
  override: 'Stop overridden: {title}. Reason: {reason}',
  test: 'Test “{ask}”: {answer, select, yes {yes} other {no}}',
  measured: 'Measured, {what}: {value}{failure, select, none {} other {, torn {failure}}}',
  opened: 'Opened, {what}{note, select, none {} other {: {note}}}',
  released: 'Released{to, select, none {} other {, handed over to {to}}}{note, select, none {} other {: {note}}}',
  reviewed: 'Reviewed by a competent person{note, select, none {} other {: {note}}}',
  reopened: 'Reopened, what was signed is taken back: {reason}',
  inspection:
    '{by} {state, select, asked {was asked to see it} accepted {accepted it} other {did not accept it}}{note, select, none {} other {: {note}}}',
  barrier: 'Barrier {state, select, up {up} other {down}}: {what}',
  lesson: 'Lesson: {text}',
  withdrawn: 'Withdrawn: {why}',
  'clock-set': 'The device’s clock was wrong by {shift}: what it wrote before is counted from the right time.',
  again: '{step}, again',
  batch: '{step}, batch {n}',
  pass: '{step} ({pass})',
});

/** Tasks that a method had in an earlier version, by the name its records have for them. */
const EARLIER = texts('record.earlier', { weigh: 'Set out the batch' });

const NONE = 'none';
const orNone = (text: string | undefined): Value => text?.trim() || NONE;

const STEP_ID = /^(?:b(\d+))?(?:\.\d+)?(?:~(\d+))?:?(.*)$/;

/** What is said of one pass names it, where a repair has several. */
function saidOfPass({ passes }: Pick<RepairView, 'passes'>, passId: string, said: Said): Said {
  const at = passes.findIndex((p) => p.repair.passId === passId);
  return passes.length > 1 && at >= 0
    ? SAYS.pass({ step: said as Value, pass: pieceName(passes[at]!.repair, at) })
    : said;
}

/**
 * The words of a step by the name the record has for it, also where the plan no longer has that step: it was done
 * again,
 * or its batch is gone.
 */
export function stepSaid(view: Pick<RepairView, 'passes'>, passId: string, id: string): Said {
  const at = view.passes.findIndex((p) => p.repair.passId === passId);
  const inPass = (said: Said): Said => saidOfPass(view, passId, said);
  const plan = view.passes[Math.max(0, at)]?.plan;
  const all = view.passes.flatMap((p) => [...p.plan.steps, ...p.plan.untimed]);
  const mine = plan ? [...plan.steps, ...plan.untimed] : [];
  const exact = mine.find((s) => s.id === id) ?? all.find((s) => s.id === id);
  if (exact) return inPass(exact.title);
  // The first attempt is called as the one that stands now, without its “again”.
  const bare = (x: string) => x.replace(/~\d+/, '');
  const [, batch, , task] = STEP_ID.exec(bare(id))!;
  const kin = mine.find((s) => bare(s.id) === bare(id)) ?? mine.find((s) => s.key.task === task);
  if (!kin) {
    const said = task !== undefined && Object.hasOwn(EARLIER, task) ? EARLIER[task as keyof typeof EARLIER]() : null;
    if (!said) return id;
    return inPass(batch === undefined ? said : SAYS.batch({ step: said as Value, n: Number(batch) }));
  }
  const title = kin.key.attempt > 1 && typeof kin.title === 'object' ? (kin.title.with?.title ?? kin.title) : kin.title;
  const isOther = batch !== undefined && bare(kin.id) !== bare(id);
  return inPass(isOther ? SAYS.batch({ step: title as Value, n: Number(batch) }) : (title as Said));
}

/** What a test asks, by the name the record has for it. */
export function testSaid(view: RepairView, id: string): Said {
  const hand = handTests(view).find((t) => t.id === id)?.test.ask;
  if (hand) return hand;
  const of = id.split('/').at(-1);
  for (const { plan } of view.passes) {
    const ask = plan.method?.tests.find((t) => t.id === of)?.ask;
    if (ask) return ask;
  }
  return id;
}

/** Which of several places it befell, as far as that was said. */
function befallen({ which, places, part }: Extract<EventBody, { kind: 'trouble' }>): Value {
  if (which?.length) return listed(which);
  if (part !== undefined) return SAYS.part({ n: part + 1 });
  return places === undefined ? NONE : SAYS.places({ n: places });
}

const withSign = (body: Extract<EventBody, { kind: 'trouble' }>): Said => {
  const { trouble, sign, missingMl, handsLeft } = body;
  const known = TROUBLES.find((t) => t.id === trouble);
  const found = known && answerTo(known, sign) && signsOf(known)?.find((s) => s.id === sign);
  return SAYS.trouble({
    what: known?.label ?? trouble,
    sign: orNone(found?.sign),
    at: befallen(body),
    missing: missingMl ? ml(missingMl) : NONE,
    left: handsLeft ?? 0,
  });
};

function measured(view: RepairView, body: Extract<EventBody, { kind: 'measured' }>): Said {
  const asked = view.draft.acceptance.find((a) => figureTestId(a) === body.test);
  return SAYS.measured({
    what: asked ? MEASURED_KINDS[asked.kind].label : body.test,
    value: asked ? (readingSaid(asked, body.value) as Value) : figure(body.value, 4),
    failure: body.failure ? FAILURES[body.failure] : NONE,
  });
}

/** What is of a batch, or befell it: each pass counts its batches from 1. */
const OF_A_PASS: ReadonlySet<EventBody['kind']> = new Set([
  'poured',
  'discarded',
  'witness',
  'left',
  'drunk',
  'trouble',
]);

/**
 * One event in plain words, the same on the screen, in a report and in a table. @param view of its repair; undefined
 * where that is gone
 */
export function eventSaid(event: Event, view: RepairView | undefined): Said {
  const said = bareSaid(event, view);
  return view && OF_A_PASS.has(event.body.kind) ? saidOfPass(view, event.passId ?? FIRST_PASS, said) : said;
}

function bareSaid(event: Event, view: RepairView | undefined): Said {
  const { body, passId = FIRST_PASS } = event;
  switch (body.kind) {
    case 'step-begun':
    case 'step-done':
      return SAYS[body.kind]({ step: (view ? stepSaid(view, passId, body.step) : body.step) as Value });
    case 'place-done':
      return SAYS['place-done']({
        place: body.place + 1,
        step: (view ? stepSaid(view, passId, body.step) : body.step) as Value,
      });
    case 'reading':
      return SAYS.reading({ channel: body.channel, value: exactly(degC(body.valueC)), source: body.source });
    case 'humidity':
      return SAYS.humidity({ value: exactly(percent(body.valuePct)), source: body.source });
    case 'poured':
      return SAYS.poured({
        mass: exactly(grams(body.massG)),
        part: body.part,
        lot: orNone(body.lot),
        batch: body.batch + 1,
        source: body.source,
      });
    case 'discarded':
      return SAYS.discarded({ batch: body.batch + 1, why: body.why });
    case 'witness':
      return SAYS.witness({
        of: body.of ?? 'cup',
        batch: body.batch + 1,
        state: body.state,
        word: WITNESS_STATES[body.state],
      });
    case 'left':
      return SAYS.left({
        batch: body.batch + 1,
        over: exactly(grams(body.overG)),
        stuck: body.stuckG === null ? NONE : exactly(grams(body.stuckG)),
      });
    case 'drunk':
      return SAYS.drunk({ face: body.face + 1, volume: exactly(ml(body.ml)) });
    case 'photo':
      return SAYS.photo({
        shows: SHOWS[body.shows],
        caption: orNone(body.caption),
        step: body.step === undefined ? NONE : ((view ? stepSaid(view, passId, body.step) : body.step) as Value),
      });
    case 'taken':
      return SAYS.taken({ lot: body.lot, count: body.count, kit: body.kit });
    case 'contents':
      return SAYS.contents({
        kit: body.kit,
        found: listed(
          body.found.map((f) => SAYS.found({ what: f.what, found: f.found, listed: f.listed })),
          'comma',
        ),
      });
    case 'trouble':
      return withSign(body);
    case 'override':
      return SAYS.override({ title: body.title, reason: body.reason });
    case 'test':
      return SAYS.test({ ask: (view ? testSaid(view, body.test) : body.test) as Value, answer: body.answer });
    case 'measured':
      return view
        ? measured(view, body)
        : SAYS.measured({ what: body.test, value: figure(body.value, 4), failure: NONE });
    case 'opened':
      return SAYS.opened({ what: MILESTONES[body.stage].label, note: orNone(body.note) });
    case 'released':
      return SAYS.released({ to: orNone(body.to), note: orNone(body.note) });
    case 'reviewed':
      return SAYS.reviewed({ note: orNone(body.note) });
    case 'reopened':
      return SAYS.reopened({ reason: body.reason });
    case 'inspection':
      return SAYS.inspection({ by: body.by, state: body.state, note: orNone(body.note) });
    case 'barrier':
      return SAYS.barrier({ state: body.state, what: body.what });
    case 'note':
    case 'lesson':
      return SAYS[body.kind]({ text: body.text });
    case 'withdrawn':
      return SAYS.withdrawn({ why: body.why });
    case 'clock-set':
      return SAYS['clock-set']({ shift: minutes(Math.abs(body.shiftMs) / 60_000) });
    case 'started':
    case 'replanned':
      return SAYS[body.kind]();
  }
}

/** An entry with what was said of it later, in the order it was. */
export interface Entry {
  readonly event: Event;
  /** Corrections of it, and corrections of those; the last stands. */
  readonly later: readonly Event[];
}

/**
 * The record as it is read: each entry once, its corrections beside it. An entry whose original is not here stands by
 * itself.
 */
export function entriesOf(events: readonly Event[]): readonly Entry[] {
  const here = new Set(events.map((e) => e.id));
  const by = new Map<string, Event[]>();
  for (const e of events) if (e.amends && here.has(e.amends)) by.set(e.amends, [...(by.get(e.amends) ?? []), e]);
  const laterOf = (id: string, seen: ReadonlySet<string>): readonly Event[] =>
    (by.get(id) ?? [])
      .filter((e) => !seen.has(e.id))
      .flatMap((e) => [e, ...laterOf(e.id, new Set([...seen, e.id]))])
      .sort((a, b) => a.recordedAt - b.recordedAt || a.sequence - b.sequence);
  const entries = events
    .filter((e) => !e.amends || !here.has(e.amends))
    .map((event) => ({ event, later: laterOf(event.id, new Set([event.id])) }));
  // Entries of a file that amend each other in a ring stand by themselves.
  const told = new Set(entries.flatMap(({ event, later }) => [event.id, ...later.map((e) => e.id)]));
  return [...entries, ...events.filter((e) => !told.has(e.id)).map((event) => ({ event, later: [] }))];
}
