import { TROUBLES } from '../method';
import { type Actuals, NOTHING_YET } from '../plan';
import { byTime, type Event } from './event';

/** Events that count: those neither withdrawn nor replaced by an amendment, in order. */
export function standingEvents(events: readonly Event[]): readonly Event[] {
  const amended = new Set(events.flatMap((e) => (e.amends ? [e.amends] : [])));
  return [...events].filter((e) => !amended.has(e.id) && e.body.kind !== 'withdrawn').sort(byTime);
}

/** One event applied to what is known so far; the state is never changed in place. */
export function apply(state: Actuals, event: Event): Actuals {
  const { body, at } = event;
  switch (body.kind) {
    case 'started':
      return state.startedAt === null ? { ...state, startedAt: at, usableMin: body.usableMin } : state;
    case 'step-begun':
      return { ...state, begun: { ...state.begun, [body.step]: at } };
    case 'step-done':
      return { ...state, done: { ...state.done, [body.step]: at } };
    case 'reading':
      return { ...state, readings: [...state.readings, { channel: body.channel, atMs: at, valueC: body.valueC }] };
    case 'humidity':
      return { ...state, humidity: [...state.humidity, { atMs: at, valuePct: body.valuePct }] };
    case 'override':
      return { ...state, overrides: { ...state.overrides, [body.finding]: { reason: body.reason, role: event.role, atMs: at } } };
    case 'test':
      return { ...state, tests: { ...state.tests, [body.test]: body.answer } };
    case 'released':
      return { ...state, released: { role: event.role, atMs: at } };
    case 'reviewed':
      return { ...state, reviewed: { role: event.role, atMs: at } };
    case 'poured':
      return { ...state, pours: [...state.pours, { batch: body.batch, part: body.part, massG: body.massG, lot: body.lot, atMs: at }] };
    case 'discarded':
      return { ...state, pours: state.pours.filter((p) => p.batch !== body.batch) };
    case 'witness':
      return { ...state, witness: { ...state.witness, [body.batch]: { state: body.state, atMs: at } } };
    case 'taken':
      return { ...state, taken: { ...state.taken, [body.stockId]: (state.taken[body.stockId] ?? 0) + body.count } };
    case 'trouble':
      return trouble(state, event);
    default:
      return state;
  }
}

function trouble(state: Actuals, event: Event): Actuals {
  if (event.body.kind !== 'trouble') return state;
  const { batch, missingMl } = event.body;
  const id = event.body.trouble;
  switch (TROUBLES.find((t) => t.id === id)?.effect) {
    case 'redo-batch':
      return batch === null ? state : { ...state, redone: { ...state.redone, [batch]: (state.redone[batch] ?? 0) + 1 } };
    case 'more-material':
      return missingMl === null ? state : { ...state, topUpsMl: [...state.topUpsMl, missingMl] };
    case 'restart-hold':
      return { ...state, holdRestartedAt: event.at };
    case 'redo-preparation':
      return { ...state, preparedAgain: [...state.preparedAgain, { atMs: event.at }] };
    default:
      return state;
  }
}

/** What really happened to one repair. */
export function foldEvents(events: readonly Event[], repairId: string): Actuals {
  return standingEvents(events.filter((e) => e.repairId === repairId)).reduce(apply, NOTHING_YET);
}
