import { DateTime } from 'luxon';
import { passes } from '../../plan';
import type { Finding } from '../finding';
import { finding, type Rule } from './rule';

const DAY_MS = 86_400_000;

/** What inspection and the sheet say of the base. */
export const baseRules: Readonly<Record<string, Rule>> = {
  inspection: ({ repair, plan }) =>
    (plan.method?.questions ?? []).flatMap((q) => {
      const answer = repair.answers[q.id];
      if (answer === undefined || passes(q, answer)) return [];
      const { severity, title, why, todo } = q.otherwise;
      return [finding(`inspection:${q.id}`, severity, 'inspect', answer === 'unsure' ? `${title}? Not sure` : title, why, todo)];
    }),

  'base-material': ({ repair, plan }) => {
    const out: Finding[] = [];
    const { method, sheet } = plan;
    if (method && !method.bases.includes(repair.base.material))
      out.push(
        finding(
          'base-material:method',
          'stop',
          'inspect',
          `${method.label} is not for ${repair.base.material}`,
          `The method is made for ${method.bases.join(' or ')}.`,
          'Choose another method, or correct the base.',
        ),
      );
    if (sheet?.limits.bases.length && !sheet.limits.bases.includes(repair.base.material))
      out.push(
        finding(
          'base-material:sheet',
          'stop',
          'material',
          `The sheet does not name ${repair.base.material}`,
          `${sheet.name} is for ${sheet.limits.bases.join(', ')}.`,
          'Choose another system, or get the maker’s word in writing.',
        ),
      );
    return out;
  },

  'base-age': ({ job, repair, plan }) => {
    const need = plan.sheet?.limits.baseAgeMinDays;
    if (!need || repair.base.material !== 'concrete') return [];
    if (!repair.base.castOn)
      return [
        finding(
          'base-age:unknown',
          'caution',
          'inspect',
          'Age of the concrete not noted',
          `The sheet asks for ${need} days.`,
          'Note when it was cast; old concrete: any date long past.',
        ),
      ];
    const start = plan.steps.find((s) => s.stage === 'mix')?.startMs ?? job.startFrom;
    // Old concrete is old in every zone.
    if (Date.parse(repair.base.castOn) + (need + 2) * DAY_MS < start) return [];
    const cast = DateTime.fromISO(repair.base.castOn, { zone: job.zone });
    const allowed = cast.plus({ days: need });
    if (allowed.toMillis() <= start) return [];
    const days = Math.floor(DateTime.fromMillis(start, { zone: job.zone }).diff(cast, 'days').days);
    return [
      finding(
        'base-age',
        'stop',
        'inspect',
        'Base younger than the sheet allows',
        `It is ${days} days old when the work begins, the sheet asks for ${need}.`,
        `Wait until ${allowed.toFormat('ccc d LLL yyyy')}, or choose a system for young concrete.`,
      ),
    ];
  },
};
