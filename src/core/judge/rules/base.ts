import { DateTime } from 'luxon';
import { BASE_PROPERTIES } from '../../climate';
import { foundBy } from '../../method';
import { passes, seatsFound } from '../../plan';
import { listed, texts } from '../../say';
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
const INSPECTION = texts('finding.inspection', { unsure: '{title}? Not sure' });

/** What inspection and the sheet say of the base. */
export const baseRules: Readonly<Record<string, Rule>> = {
  seats: ({ plan, repair }) => {
    const count = plan.context?.void.count ?? repair.void?.count ?? 0;
    if (!plan.method?.seats) return [];
    return (['cracked', 'rusted', 'painted'] as const).flatMap((as) => {
      const found = seatsFound(repair.seats, count, as);
      return found.length ? [F[`seats:${as}`]({ n: found.length, places: listed(found.map(String)) })] : [];
    });
  },

  inspection: ({ repair, plan }) =>
    (plan.method?.questions ?? []).flatMap((q): Finding[] => {
      const answer = repair.answers[q.id];
      if (answer === undefined || passes(q, answer)) return [];
      const found = foundBy(q);
      return [
        {
          id: `inspection:${q.id}`,
          ...found,
          severity: q.otherwise.severity,
          stage: 'inspect',
          title: answer === 'unsure' ? INSPECTION.unsure({ title: found.title }) : found.title,
        },
      ];
    }),

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
