import { answerOnRecord, OPENS_AGAIN, TROUBLES, type TroubleAnswer } from '../method';
import { type Actuals, type FaceAgainAt, FIRST_PASS, NOTHING_YET } from '../plan';
import { byTime, type Event } from './event';

/** The browser an event was written in: its tabs share one clock. */
export const browserOf = (device: string): string => device.split('.')[0]!;

/** Events with their instants as the clock should have shown them, where it was found to have been wrong. */
function rightly(events: readonly Event[]): readonly Event[] {
  const sets = events.filter((e) => e.body.kind === 'clock-set');
  if (!sets.length) return events;
  return events.map((e) => {
    const shiftMs = sets.reduce((sum, { body }) => {
      const moves =
        body.kind === 'clock-set' && body.upTo.some((u) => u.device === e.device && e.sequence <= u.sequence);
      return moves ? sum + body.shiftMs : sum;
    }, 0);
    return shiftMs ? { ...e, at: e.at + shiftMs } : e;
  });
}

/** The last event of each tab of a browser: what its clock-set moves. */
export function lastOfEach(
  events: readonly Event[],
  browser: string,
): readonly { readonly device: string; readonly sequence: number }[] {
  const last = new Map<string, number>();
  for (const e of events)
    if (browserOf(e.device) === browser) last.set(e.device, Math.max(last.get(e.device) ?? 0, e.sequence));
  return [...last].map(([device, sequence]) => ({ device, sequence }));
}

const SIGNED: ReadonlySet<Event['body']['kind']> = new Set(['released', 'opened']);
export const isSignature = ({ body }: Event): boolean => SIGNED.has(body.kind);

/**
 * Events that count: those neither withdrawn nor replaced by an amendment, in order. A signature that opened something
 * is never unsaid: withdrawing it, as earlier versions let it be, is reopening for that reason.
 */
export function standingEvents(events: readonly Event[]): readonly Event[] {
  const signed = new Set(events.filter(isSignature).map((e) => e.id));
  const reopens = (e: Event) => e.body.kind === 'withdrawn' && e.amends !== null && signed.has(e.amends);
  const amended = new Set(events.flatMap((e) => (e.amends && !reopens(e) ? [e.amends] : [])));
  return rightly(events)
    .flatMap((e): Event[] => {
      if (amended.has(e.id)) return [];
      if (e.body.kind !== 'withdrawn') return [e];
      return reopens(e)
        ? [{ ...e, at: e.recordedAt, amends: null, body: { kind: 'reopened', reason: e.body.why } }]
        : [];
    })
    .sort(byTime);
}

const OF_ONE_PASS: ReadonlySet<Event['body']['kind']> = new Set([
  'step-begun',
  'step-done',
  'place-done',
  'poured',
  'discarded',
  'witness',
  'drunk',
  'left',
  'trouble',
]);

const withKey = <K, V>(map: ReadonlyMap<K, V>, key: K, value: V): ReadonlyMap<K, V> => new Map(map).set(key, value);

const NONE_UNDER: ReadonlySet<string> = new Set();

/** Nothing is proved, and nothing is opened. */
const UNTESTED = { tests: NOTHING_YET.tests, measured: NOTHING_YET.measured, opened: NOTHING_YET.opened } as const;

/** One event applied to what is known so far; the state is never changed in place. */
export function apply(state: Actuals, event: Event, passId: string = FIRST_PASS): Actuals {
  const { body, at } = event;
  // Steps, pots and troubles are of one pass; what is read, signed or released holds for all of them.
  if (OF_ONE_PASS.has(body.kind) && (event.passId ?? FIRST_PASS) !== passId) return state;
  switch (body.kind) {
    case 'started':
      return state.startedAt === null
        ? {
            ...state,
            startedAt: at,
            usableMin: passId === FIRST_PASS ? body.usableMin : (body.usable?.[passId] ?? null),
          }
        : state;
    case 'replanned':
      return state.startedAt === null ? state : { ...state, usableMin: body.usable[passId] ?? null };
    case 'step-begun':
      return { ...state, begun: withKey(state.begun, body.step, at) };
    case 'step-done':
      return { ...state, done: withKey(state.done, body.step, at) };
    case 'place-done':
      return {
        ...state,
        placesDone: withKey(state.placesDone, body.step, new Set(state.placesDone.get(body.step)).add(body.place)),
      };
    case 'reading':
      return { ...state, readings: [...state.readings, { channel: body.channel, atMs: at, valueC: body.valueC }] };
    case 'humidity':
      return { ...state, humidity: [...state.humidity, { atMs: at, valuePct: body.valuePct }] };
    case 'override':
      return {
        ...state,
        overrides: withKey(state.overrides, body.finding, { reason: body.reason, role: event.role, atMs: at }),
      };
    case 'test':
      return { ...state, tests: withKey(state.tests, body.test, { answer: body.answer, atMs: at }) };
    case 'measured': {
      const { value, failure = null } = body;
      const before = state.measured.get(body.test) ?? [];
      return { ...state, measured: withKey(state.measured, body.test, [...before, { value, failure, atMs: at }]) };
    }
    case 'opened':
      return { ...state, opened: withKey(state.opened, body.stage, { role: event.role, atMs: at }) };
    case 'inspection':
      return { ...state, inspection: { state: body.state, by: body.by, atMs: at } };
    case 'barrier':
      return { ...state, barrier: { state: body.state, what: body.what, role: event.role, atMs: at } };
    case 'reopened':
      // The barrier is up again; what was found good is doubted, too.
      return {
        ...state,
        ...UNTESTED,
        released: null,
        reviewed: null,
        reopened: [...state.reopened, { reason: body.reason, role: event.role, atMs: at }],
      };
    case 'released':
      return { ...state, released: { role: event.role, atMs: at, to: body.to ?? '' } };
    case 'reviewed':
      return { ...state, reviewed: { role: event.role, atMs: at } };
    case 'poured':
      return {
        ...state,
        pours: [...state.pours, { batch: body.batch, part: body.part, massG: body.massG, lot: body.lot, atMs: at }],
      };
    case 'discarded': {
      const left = new Map([...state.left].filter(([batch]) => batch !== body.batch));
      return { ...state, left, pours: state.pours.filter((p) => p.batch !== body.batch) };
    }
    case 'left':
      return { ...state, left: withKey(state.left, body.batch, { overG: body.overG, stuckG: body.stuckG }) };
    case 'witness':
      return body.of === 'smear'
        ? { ...state, smear: withKey(state.smear, body.batch, { state: body.state, atMs: at }) }
        : { ...state, witness: withKey(state.witness, body.batch, { state: body.state, atMs: at }) };
    case 'drunk':
      return { ...state, drunk: [...state.drunk, { face: body.face, ml: body.ml, atMs: at }] };
    case 'taken':
      return { ...state, taken: withKey(state.taken, body.stockId, (state.taken.get(body.stockId) ?? 0) + body.count) };
    case 'photo':
      return { ...state, shown: new Set(state.shown).add(body.shows) };
    case 'trouble':
      return trouble(state, event);
    default:
      return state;
  }
}

/** All of a pass is done again: what was mixed for it is gone, and what topped it up as well. */
const doneOver = (state: Actuals, atMs: number): Actuals => ({
  ...state,
  ...UNTESTED,
  doneAgain: [...state.doneAgain, { atMs, what: 'pass' }],
  pours: [],
  drunk: [],
  left: new Map(),
  cuts: [],
  topUpsMl: [],
  toppedOnceSet: new Set(),
  remade: new Map(),
  placesAgain: new Map(),
  placesTopped: new Map(),
  witness: new Map(),
  smear: new Map(),
});

/** What a face needs after a trouble, as the plan keeps it. */
const facesOf = ({ face, primer }: TroubleAnswer): Omit<FaceAgainAt, 'atMs'> => ({
  ...(face ? { face } : {}),
  ...(primer ? { primer } : {}),
});

function trouble(before: Actuals, event: Event): Actuals {
  if (event.body.kind !== 'trouble') return before;
  const { batch, missingMl, placed, sign = null, part, places } = event.body;
  const id = event.body.trouble;
  const known = TROUBLES.find((t) => t.id === id);
  const answer = known && answerOnRecord(known, sign);
  const effect = answer?.effect;
  const atMs = event.at;
  // Whatever else it does, a face that must be made good again is.
  const faces = effect === 'redo-preparation' || answer?.face ? [{ atMs, ...facesOf(answer!) }] : [];
  const state: Actuals = {
    ...before,
    troubles: [...before.troubles, { id, sign, atMs }],
    preparedAgain: [...before.preparedAgain, ...faces],
  };
  /** What was finished and found good stands no longer once the fill under it is touched. */
  const again = (what: Actuals['doneAgain'][number]['what']) => ({
    doneAgain: [...state.doneAgain, { atMs, what }],
    ...UNTESTED,
  });
  /** A batch that is mixed again, from new material. */
  const lost = (of: number): Actuals => ({
    ...state,
    ...again('placed'),
    redone: withKey(state.redone, of, (state.redone.get(of) ?? 0) + 1),
    left: new Map([...state.left].filter(([batch]) => batch !== of)),
    pours: state.pours.filter((p) => p.batch !== of),
  });
  switch (effect) {
    case 'redo-batch':
      if (batch !== null && placed && answer!.keepsPlaced)
        return {
          ...state,
          ...again('placed'),
          cuts: [...state.cuts, { batch, placedMl: placed.ml }],
          done: withKey(state.done, placed.step, atMs),
        };
      return batch === null ? state : lost(batch);
    case 'more-material':
      return missingMl === null
        ? state
        : {
            ...state,
            // What is put on once it has set is held by itself.
            ...again(answer!.onceSet ? 'finish' : 'placed'),
            topUpsMl: [...state.topUpsMl, missingMl],
            toppedOnceSet: answer!.onceSet
              ? new Set(state.toppedOnceSet).add(state.topUpsMl.length)
              : state.toppedOnceSet,
            remade: part === undefined ? state.remade : withKey(state.remade, state.topUpsMl.length, part),
            placesTopped:
              places === undefined ? state.placesTopped : withKey(state.placesTopped, state.topUpsMl.length, places),
          };
    case 'fewer-hands':
      return event.body.handsLeft === undefined
        ? state
        : { ...state, hands: [...state.hands, { atMs, left: event.body.handsLeft }] };
    case 'restart-hold':
      return { ...state, holdRestartedAt: atMs };
    case 'redo-preparation':
      return answer!.primer && batch !== null ? lost(batch) : state;
    case 'redo-finish':
      return { ...state, ...again('finish') };
    case 'redo-pass':
      // Of several like places those alone: the others stay, and what they take is mixed besides.
      if (places !== undefined && missingMl !== null)
        return {
          ...state,
          ...again('placed'),
          topUpsMl: [...state.topUpsMl, missingMl],
          placesAgain: withKey(state.placesAgain, state.topUpsMl.length, places),
          remade: part === undefined ? state.remade : withKey(state.remade, state.topUpsMl.length, part),
        };
      return doneOver(state, atMs);
    default:
      return state;
  }
}

/** Whether a pass is opened again by it, or placed anew: what lies on that is done again as well. */
function opensAgain({ body }: Event): boolean {
  if (body.kind !== 'trouble') return false;
  const known = TROUBLES.find((t) => t.id === body.trouble);
  const effect = known && answerOnRecord(known, body.sign)?.effect;
  if (effect === 'redo-batch') return body.batch !== null;
  if (effect === 'more-material') return body.missingMl !== null;
  return effect !== undefined && OPENS_AGAIN.has(effect);
}

/**
 * What really happened to one pass of a repair.
 * @param under the passes it lies on: where one of them is opened again, it is done again as well
 */
export function foldEvents(
  events: readonly Event[],
  repairId: string,
  passId: string = FIRST_PASS,
  under: ReadonlySet<string> = NONE_UNDER,
): Actuals {
  const standing = standingEvents(events.filter((e) => e.repairId === repairId));
  // A logger brings readings by the thousand: they are gathered at once, not copied for each.
  const readings = standing.flatMap(({ body, at }) =>
    body.kind === 'reading' ? [{ channel: body.channel, atMs: at, valueC: body.valueC }] : [],
  );
  return {
    ...standing
      .filter((e) => e.body.kind !== 'reading')
      .reduce(
        (state, e) =>
          under.has(e.passId ?? FIRST_PASS) && opensAgain(e) ? doneOver(state, e.at) : apply(state, e, passId),
        NOTHING_YET,
      ),
    readings,
  };
}
