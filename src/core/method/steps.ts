import { type Batch, portionBelow } from '../mix';
import { gapsOf, type Message, type Sayer, textOf, texts, type Value, type Values } from '../say';
import { milestoneOf } from '../system';
import { figure } from '../units';
import { placesIn } from '../void';
import { beginsPart, partsIn, type StepContext, settingIn, type TaskContext } from './context';
import { ENGINES, type Engine } from './engines';
import { faceMin } from './faces';
import { GAPS, standsApart } from './gaps';
import { inOneGo, inTurn } from './in-turn';
import { ladderIn, rungWords } from './ladder';
import type { Method } from './method';
import { type On, STAGE_OF, type StepDraft, type StepKey, stepId, type TaskRow } from './task';
import { atPlace, withPlaces } from './where';
import { factorsOf, workOf } from './work';

const SAYS = texts('shared', { out: '{detail} Shared out among {hands}, each with tools of their own.' });

/** What is shared out says so: with one drill two are no faster than one. */
const sharedBy = (hands: number, detail: Message): Message => (hands > 1 ? SAYS.out({ detail, hands }) : detail);

/** The parts that a batch serves, or all of them; one that is none where the work is one. */
function partsHere(c: StepContext, batch: Batch | null, engine: Engine): readonly (number | null)[] {
  const parts = engine.parts(c);
  if (!parts) return [null];
  // What is mixed beside the plan makes up for what the last lacks.
  const [from, to] = batch === null ? [1, parts.count] : (batch.fromTo ?? [parts.count, parts.count]);
  return Array.from({ length: to - from + 1 }, (_, i) => from - 1 + i);
}

/** Batches that lie in the joint of one part. */
const jointOf = (c: TaskContext, part: number): readonly number[] => {
  if (c.batch?.remade) return [c.batch.index];
  return c.batches
    .filter(
      ({ fromTo, remade }) => !remade && (fromTo ? part >= fromTo[0] - 1 && part < fromTo[1] : part === partsIn(c) - 1),
    )
    .map((b) => b.index);
};

const onBatches = (on: On, c: TaskContext): readonly number[] => {
  const all = c.batches.map((b) => b.index);
  if (on === 'all') return c.part == null ? all : jointOf(c, c.part);
  // In bands what was placed last is not always over last: a warm hour may overtake a cold one.
  if (on === 'last') return all.length ? all : [0];
  if (on === 'own') return [c.batch!.index];
  const below = portionBelow(c.portions, c.batch!.portion);
  return c.batches.filter((b) => b.portion === below).map((b) => b.index);
};

/** What a gap says here: the option's word, the method's, or what everybody can tell. */
const gapOf = (method: Method, name: string, c: TaskContext): Value =>
  c.effects.says[name] ?? method.says?.[name] ?? (method.gaps?.[name] ?? GAPS[name])!(c);

const worded = (method: Method, sayer: Sayer, c: TaskContext): Message => {
  const names = gapsOf(textOf(sayer().id)!);
  if (!names.length) return sayer();
  const values: Record<string, Value> = {};
  for (const name of names) {
    const value = gapOf(method, name, c);
    // A word of an option may have gaps of its own.
    values[name] = isMessage(value) ? filled(method, value, c) : value;
  }
  return sayer(values);
};

const isMessage = (v: Value): v is Message => typeof v === 'object' && 'id' in v;

const filled = (method: Method, message: Message, c: TaskContext): Message => {
  const missing = gapsOf(textOf(message.id) ?? '').filter(
    (name) => !message.with || !Object.hasOwn(message.with, name),
  );
  if (!missing.length) return message;
  return {
    id: message.id,
    with: { ...message.with, ...Object.fromEntries(missing.map((name) => [name, gapOf(method, name, c)])) } as Values,
  };
};

/** How a row is done, and at which of several places. */
function saidOf(method: Method, row: TaskRow, here: TaskContext): Message {
  const detail = worded(method, row.say.detail, here);
  return row.each === 'batch' && row.role === 'place' && row.marks?.end?.includes('placed')
    ? withPlaces(detail, here.batch, here.batches, here.void)
    : detail;
}

/** One row as a step. @param key how the record names it, where that is not by its row alone */
export function stepFrom(method: Method, row: TaskRow, here: TaskContext, key?: StepKey): StepDraft {
  const { min, sharedMin, hands, factors } = workOf(method, row, here);
  const { batch, part = null } = here;
  const of = batch?.index ?? (row.ofLast ? Math.max(0, here.batches.length - 1) : undefined);
  const { waits, within } = row;
  const called = row.called && (!row.called.firstOnly || batch?.index === 0) ? row.called.as : null;
  const named = key ?? {
    task: called ?? row.task,
    batch: batch && !called && (row.each === 'batch' || !row.ofLast || part !== null) ? batch.index : null,
    ...(part === null ? {} : { part }),
    attempt: 1,
  };
  const draft: Writable<StepDraft> = {
    key: named,
    id: stepId(named),
    stage: STAGE_OF[row.role],
    role: row.role,
    title: atPlace(worded(method, row.say.title, here), here),
    detail: sharedBy(hands, saidOf(method, row, here)),
    confirm: worded(method, row.say.confirm, here),
    handsOnMin: min,
    factors,
    block: blockFor(method, row, here),
  };
  // Every step of every plan is made here: what a row does not have is not written, and nothing is copied for it.
  if (sharedMin > 0) draft.sharedMin = sharedMin;
  if (row.hold) draft.hold = true;
  if (row.onFace) draft.onFace = row.onFace;
  if (row.counted && placesIn(here.void) > 1) draft.counted = placesIn(here.void);
  if (row.exact) draft.exact = true;
  if (batch && row.marks?.end?.includes('placed') && standsApart(here)) draft.apart = true;
  if (row.looksAhead) draft.looksAhead = true;
  if (row.hourly) draft.hourly = true;
  // Ground with water it throws that.
  if (row.throws) draft.throws = row.ladder && here.effects.wet ? 'water' : row.throws;
  if (of !== undefined) draft.batch = of;
  if (part !== null) draft.part = part;
  if (part !== null && batch) draft.joint = jointOf(here, part);
  if (row.marks) draft.marks = row.marks;
  if (isDry(row)) {
    draft.afterRest = 'dry';
    if (!row.marks) draft.dry = true;
  }
  if (waits && (!waits.when || waits.when(here))) {
    const stated = [waits.for, ...(waits.orElse ?? [])].find((kind) => milestoneOf(here.sheet, kind)) ?? waits.for;
    draft.waitFor = {
      kind: stated,
      ...(stated === waits.for ? {} : { insteadOf: waits.for }),
      batches: onBatches(waits.on, here),
      ...(waits.ahead ? { ahead: true as const } : {}),
    };
  }
  if (within && (!within.when || within.when(here)))
    draft.within = {
      kind: within.orElse && !milestoneOf(here.sheet, within.of) ? within.orElse : within.of,
      batches: onBatches(within.on, here),
      by: within.by,
    };
  return draft;
}

/**
 * A row that is done grit by grit, as its steps; minutes that somebody typed for all of it are shared out among them.
 */
function rungsOf(method: Method, row: TaskRow, here: TaskContext): readonly StepDraft[] {
  const whole = stepFrom(method, row, here);
  const ladder = ladderIn(row.ladder!, here);
  const said = rungWords(ladder, whole);
  const climbed = said.filter((r) => !r.ahead);
  const ahead = said.find((r) => r.ahead);
  const mine = factorsOf(method).filter((f) => whole.factors.includes(f.id));
  const typed = mine.some((f) => settingIn(here, f.id) !== f.byDefault);
  const sumOf = (list: typeof said) => list.reduce((min, r) => min + r.minutes, 0);
  const rungs = climbed.filter((r) => r.hold);
  // What was typed is for the grits; washing before them takes what it takes, and never most of it.
  const washed = Math.min(sumOf(climbed) - sumOf(rungs), whole.handsOnMin / 4);
  const typedMin = (r: (typeof said)[number]) =>
    r.hold ? ((whole.handsOnMin - washed) * r.minutes) / sumOf(rungs) : washed;
  const { waitFor, within, sharedMin: _, ...each } = whole;
  const keyOf = (id: string): StepKey => ({ ...whole.key, task: `${whole.key.task}:${id}` });
  return said.map((rung): StepDraft => {
    const key = keyOf(rung.id);
    const i = climbed.indexOf(rung);
    const draft: StepDraft = {
      ...each,
      key,
      id: stepId(key),
      formerly: row.ladder!.called ?? whole.id,
      title: rung.title,
      detail: rung.detail,
      confirm: rung.confirm,
      handsOnMin: typed && i >= 0 ? typedMin(rung) : rung.minutes,
      factors: typed ? whole.factors : ['takes-off'],
      ...(typed ? { exact: true } : {}),
      hold: rung.hold,
      block: `${whole.block}/${i + 1}`,
      ...(rung.grit ? { grit: rung.grit } : {}),
    };
    // Laid in water as soon as a hand is free, while the sheet's wait runs.
    if (rung.ahead)
      return {
        ...draft,
        factors: [],
        block: `${whole.block}/ahead`,
        ahead: true,
        ...(waitFor ? { eveOf: waitFor } : {}),
      };
    return {
      ...draft,
      ...(i === 0 && waitFor ? { waitFor } : {}),
      ...(i === 0 && within ? { within } : {}),
      ...(rung === rungs[0] && ahead ? { lag: { after: stepId(keyOf(ahead.id)), min: ladder.soakMin } } : {}),
    };
  });
}

/** The wet work is in the blocks of its engine; what is done right before the first of it goes with that. */
function blockFor(method: Method, { block }: TaskRow, here: TaskContext): string {
  const { blockOf } = ENGINES[method.engine];
  if (block === 'work') return blockOf(here);
  return block === 'first' ? blockOf({ ...here, batch: here.batches[0] ?? null }) : block;
}

/** Before anything is wet, or after all has set, and bound to no working time. */
const isDry = ({ block, within, waits }: TaskRow): boolean =>
  (block === 'prep' || block === 'finish') && !within && !waits?.ahead;

type Writable<T> = { -readonly [K in keyof T]: T[K] };

/** The steps of a pass, its rows in order, those of a batch together batch by batch, those of a part part by part. */
export function stepsOf(method: Method, c: StepContext): readonly StepDraft[] {
  const engine = ENGINES[method.engine];
  const out: StepDraft[] = [];
  const add = (rows: readonly TaskRow[], here: TaskContext) => {
    const { batch, part = null } = here;
    for (const row of rows) {
      if (row.optional && !c.effects.shows.includes(row.task)) continue;
      if (row.onBase && c.onFace) continue;
      // What is of the whole joint comes once the last that lies in it is placed.
      const last = () => (part === null ? c.batches.length - 1 : jointOf({ ...c, batch }, part).at(-1));
      if (row.each === 'part' && row.ofLast && batch && batch.index !== last()) continue;
      if (row.when && !row.when(here)) continue;
      if (row.ladder) out.push(...rungsOf(method, row, here));
      else out.push(stepFrom(method, row, here));
    }
  };
  const ofBatch = (runs: readonly (readonly TaskRow[])[], batch: Batch | null) => {
    for (const run of runs) {
      const parts = run[0]!.each === 'part' ? partsHere(c, batch, engine) : [null];
      // All of a pot are spread before the first is closed, or each is closed before the next is spread.
      for (const rows of c.effects.spreadFirst && parts.length > 1 ? run.map((row) => [row]) : [run])
        for (const part of parts) add(rows, { ...c, batch, part });
    }
  };
  /** The first of a mix that begins where the last has ended at an edge: the work may rest before it. */
  const restAt = (from: number, batch: Batch | null) => {
    const first = out[from];
    if (!method.rests || !batch || batch.index === 0 || !first || method.restsIf?.(c) === false) return;
    const part = partsHere(c, batch, engine)[0] ?? null;
    // What is closed at once ends with its part; a bed, joints, a coat where the mix is used up.
    const ends =
      part === null ? engine.liesOpen !== 'closed' || method.params?.rolling : beginsPart({ ...c, batch, part });
    if (ends) out[from] = { ...first, afterRest: 'wet' };
  };
  for (const { eachBatch, runs } of layoutOf(method))
    for (const batch of eachBatch ? c.batches : [null]) {
      const from = out.length;
      ofBatch(runs, batch);
      restAt(from, batch);
    }
  const life = faceMin(c.sheet);
  if (life === null) return out;
  return inOneGo(c.batches.length > 1 ? inTurn(out, life, c.wipedOnce) : out);
}

/** Rows that are done together: those of a batch, one after the other for each, and in them those of a part. */
interface Group {
  readonly eachBatch: boolean;
  readonly runs: readonly (readonly TaskRow[])[];
}
const layouts = new WeakMap<Method, readonly Group[]>();
function layoutOf(method: Method): readonly Group[] {
  const known = layouts.get(method);
  if (known) return known;
  const made = runsOf(method.tasks, (row) => row.each !== 'pass').map((run) => ({
    eachBatch: run.some((row) => row.each === 'batch'),
    runs: runsOf(run, (row) => row.each === 'part'),
  }));
  layouts.set(method, made);
  return made;
}

/** Rows that follow each other and answer alike. */
function runsOf(rows: readonly TaskRow[], of: (row: TaskRow) => boolean): readonly (readonly TaskRow[])[] {
  const runs: TaskRow[][] = [];
  for (const row of rows) {
    const last = runs.at(-1);
    if (last && of(last[0]!) === of(row)) last.push(row);
    else runs.push([row]);
  }
  return runs;
}

/**
 * Checks a method as it is loaded: every gap of its words, every setting and row its options and tasks name must be
 * there.
 * @throws RangeError naming what is not
 */
export function checked(method: Method): Method {
  const known = new Set([...method.settings.map((s) => s.id), ...factorsOf(method).map((f) => f.id)]);
  const says = new Set([
    ...Object.keys(method.says ?? {}),
    ...method.schools.flatMap((s) => s.options.flatMap((o) => Object.keys(o.effect.says ?? {}))),
  ]);
  const used = (method.consumes ?? []).flatMap((c) => c.shownBy ?? []);
  const rows = new Set([...method.tasks.map((t) => t.task), ...method.allowances.map((a) => a.id), ...used]);
  const bad = (what: string, name: string) => new RangeError(`${method.id}: unknown ${what}: ${name}`);
  for (const { say, work } of method.tasks) {
    for (const sayer of Object.values(say))
      for (const gap of gapsOf(textOf(sayer().id)!))
        if (!says.has(gap) && !method.gaps?.[gap] && !GAPS[gap]) throw bad('gap', `${gap} in ${sayer().id}`);
    if (work.by && !known.has(work.by.setting)) throw bad('setting', work.by.setting);
  }
  for (const school of method.schools) {
    if (!school.options.some((o) => o.id === school.byDefault))
      throw bad('option', `${school.id}: ${school.byDefault}`);
    for (const { effect } of school.options) {
      for (const row of effect.shows ?? []) if (!rows.has(row)) throw bad('row', row);
      for (const { setting, from } of effect.occupies ?? []) {
        if (!known.has(setting)) throw bad('setting', setting);
        if (!rows.has(from)) throw bad('row', from);
      }
    }
  }
  const shown = method.schools.flatMap((s) => s.options.flatMap((o) => o.effect.shows ?? []));
  for (const by of used) if (!shown.includes(by)) throw bad('option that shows', by);
  for (const id of method.keeps?.settings ?? []) if (!known.has(id)) throw bad('setting', id);
  if (method.laidOn !== null && !known.has(method.laidOn)) throw bad('setting', method.laidOn);
  for (const f of factorsOf(method))
    if (!(f.byDefault >= 0)) throw new RangeError(`${method.id}: factor ${f.id} is ${figure(f.byDefault)}`);
  return method;
}
