import { DateTime } from 'luxon';
import { BASE_PROPERTIES } from '../../climate';
import {
  choiceWith,
  effectsOf,
  foundBy,
  longerWaits,
  type Method,
  NO_EFFECTS,
  questionsOn,
  STAND_IN_TIMES,
} from '../../method';
import { passes, seatsFound } from '../../plan';
import { attempt, listed, texts } from '../../say';
import { placeNames } from '../../void';
import { type Finding, findings } from '../finding';
import type { Rule } from './rule';

const DAY_MS = 86_400_000;

const F = findings({
  'base-material:method': {
    severity: 'stop',
    stage: 'inspect',
    title: '{method} is not for {base}',
    why: 'The method is made for {bases}.',
    todo: 'Choose another method, or correct the base.',
  },
  'base-material:sheet': {
    severity: 'stop',
    stage: 'material',
    title: 'The sheet does not name {base}',
    why: '{sheet} is for {bases}.',
    todo: 'Choose another system, or get the maker’s word in writing.',
  },
  'seats:cracked': {
    severity: 'stop',
    stage: 'inspect',
    title: '{n, plural, one {A cracked seat} other {# cracked seats}}',
    why: 'At {places}: a crack runs on under the plate, and no bond holds it.',
    todo: 'Have the metal mended first, or leave {n, plural, one {that place} other {those places}} out.',
  },
  'seats:rusted': {
    severity: 'caution',
    stage: 'inspect',
    title: '{n, plural, one {A rusted seat} other {# rusted seats}}',
    why: 'At {places}: what is left of the metal under the rust is not known before it is bright.',
    todo: 'Grind to bright metal, then have its thickness judged; it takes longer than the others.',
  },
  'seats:painted': {
    severity: 'note',
    stage: 'inspect',
    title: '{n, plural, one {A painted seat} other {# painted seats}}',
    why: 'At {places}: paint is no base, and its edge shows where the footprint ends.',
    todo: 'Strip it over the whole footprint and a margin before it is ground.',
  },
  'base-age:unknown': {
    severity: 'caution',
    stage: 'inspect',
    title: 'Age of the concrete not noted',
    why: 'The sheet asks for {need, plural, one {# day} other {# days}}.',
    todo: 'Note when it was cast; old concrete: any date long past.',
  },
  'base-age': {
    severity: 'stop',
    stage: 'inspect',
    title: 'Base younger than the sheet allows',
    why: 'It is {days, plural, one {# day} other {# days}} old when the work begins, the sheet asks for {need}.',
    todo: 'Wait until {allowed}, or choose a system for young concrete.',
  },
});
const WET = findings({
  'longer-waits:sheet': {
    id: 'longer-waits',
    severity: 'note',
    stage: 'inspect',
    title: '{found}: the sheet allows it',
    why: 'Everything waits {times} times as long as in a dry one, and is planned so.',
    todo: 'Blow out what stands there; fill from the bottom, so that the rest is pushed out before the resin.',
  },
  'longer-waits:chosen': {
    id: 'longer-waits',
    severity: 'caution',
    stage: 'inspect',
    title: '{found}: waited {times} times as long',
    why: 'The sheet says nothing of it; the longer wait was chosen in its stead, and nothing proves that it is enough.',
    todo: 'Get the maker’s word in writing; prove some by a pull before anything hangs on them.',
  },
});
const INSPECTION = texts('finding.inspection', { unsure: '{title}? Not sure', longer: 'Wait {times} times as long' });

/** The wait that may be chosen where a sheet is silent on what was found. */
function inItsStead(method: Method): Pick<Finding, 'ways'> {
  const chosen = choiceWith(method, 'waitsLonger', true);
  return chosen
    ? {
        ways: [
          {
            say: INSPECTION.longer({ times: STAND_IN_TIMES }),
            set: { path: ['schools', chosen.school], value: chosen.option },
          },
        ],
      }
    : {};
}

/** What inspection and the sheet say of the base. */
export const baseRules: Readonly<Record<string, Rule>> = {
  seats: ({ plan, repair }) => {
    if (!plan.method?.seats || !repair.void) return [];
    const names = placeNames(repair.void);
    return (['cracked', 'rusted', 'painted'] as const).flatMap((as) => {
      const found = seatsFound(repair.seats, names.length, as).map((n) => names[n - 1] || String(n));
      return found.length ? [F[`seats:${as}`]({ n: found.length, places: listed(found) })] : [];
    });
  },

  inspection: ({ repair, plan }) => {
    const { method, sheet } = plan;
    if (!method) return [];
    const chosen = attempt(() => effectsOf(method, repair.schools, sheet));
    const asked = questionsOn(method, repair.base.material);
    const waits = sheet ? longerWaits(asked, repair.answers, chosen.ok ? chosen.value : NO_EFFECTS, sheet) : [];
    return asked.flatMap((q): Finding[] => {
      const answer = repair.answers[q.id];
      if (answer === undefined || passes(q, answer)) return [];
      const found = foundBy(q);
      const longer = waits.find((l) => l.question === q.id);
      if (longer) return [WET[`longer-waits:${longer.by}`]({ found: found.title, times: longer.times })];
      return [
        {
          id: `inspection:${q.id}`,
          ...found,
          severity: q.otherwise.severity,
          stage: 'inspect',
          title: answer === 'unsure' ? INSPECTION.unsure({ title: found.title }) : found.title,
          ...(answer !== 'unsure' && sheet && q.allows?.(sheet) === null ? inItsStead(method) : {}),
        },
      ];
    });
  },

  'base-material': ({ repair, plan }) => {
    const out: Finding[] = [];
    const { method, sheet } = plan;
    const base = repair.base.material;
    if (method && !method.bases.includes(base))
      out.push(F['base-material:method']({ method: method.label, base, bases: listed(method.bases, 'or') }));
    if (sheet?.limits.bases.length && !sheet.limits.bases.includes(base))
      out.push(F['base-material:sheet']({ sheet: sheet.name, base, bases: listed(sheet.limits.bases, 'comma') }));
    return out;
  },

  'base-age': ({ job, repair, plan }) => {
    const need = plan.sheet?.limits.baseAgeMinDays;
    if (!need || !BASE_PROPERTIES[repair.base.material].isCast || plan.context?.onFace) return [];
    if (!repair.base.castOn) return [F['base-age:unknown']({ need })];
    const start = plan.steps.find((s) => s.stage === 'mix')?.startMs ?? job.startFrom;
    // Old concrete is old in every zone.
    if (Date.parse(repair.base.castOn) + (need + 2) * DAY_MS < start) return [];
    const cast = DateTime.fromISO(repair.base.castOn, { zone: job.zone });
    const allowed = cast.plus({ days: need });
    if (allowed.toMillis() <= start) return [];
    const days = Math.floor(DateTime.fromMillis(start, { zone: job.zone }).diff(cast, 'days').days);
    return [F['base-age']({ days, need, allowed: allowed.toFormat('ccc d LLL yyyy') })];
  },
};
