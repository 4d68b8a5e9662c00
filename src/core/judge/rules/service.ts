import { sheetFlaws } from '../../cure';
import { loadCheck, reviewOf, strengthOver } from '../../plan';
import { figure, formatDuration } from '../../units';
import { at, finding, type Rule } from './rule';

/** What stands between the repair and its service: deadline, hours, review, the sheet itself. */
export const serviceRules: Readonly<Record<string, Rule>> = {
  deadline: ({ plan }) =>
    plan.inHandMin !== null && plan.inHandMin < 0
      ? [
          finding(
            'deadline',
            'caution',
            'release',
            `${formatDuration(-plan.inHandMin)} short of the wanted reopening`,
            'Computed with the long end of the sheet’s range on the base’s own temperature.',
            'Start earlier, tent and warm the base, choose a faster system on the shelf, or move the reopening.',
          ),
        ]
      : [],

  overrun: ({ plan }) =>
    plan.overruns
      ? [
          finding(
            'overrun',
            'caution',
            'place',
            'Longer than a working day',
            'One block of work must not be interrupted and does not fit into the working hours.',
            'Widen the working hours for that day, add hands, or split the repair.',
          ),
        ]
      : [],

  load: (c) => {
    const { repair, plan } = c;
    if (!repair.load || plan.placedMs === null) return [];
    const strength = strengthOver(plan);
    const check = loadCheck(plan, repair.load, strength);
    if (check.missing)
      return [
        finding('load:unchecked', 'caution', 'release', 'The load is not checked', check.missing, 'Have it judged by a competent person.'),
      ];
    if (check.needs !== null && check.needs > 1)
      return [
        finding(
          'load',
          'stop',
          'release',
          'More than it bears',
          `The load takes ${figure(check.needs * 100, 3)} % of what the bond has when it is fully cured.`,
          'A larger area, another system, a fastener beside it, or less load.',
        ),
      ];
    const share = figure((check.needs ?? 0) * 100, 2);
    if (check.fromMs === null)
      return [
        finding(
          'load',
          'stop',
          'release',
          'Not strong enough within the forecast',
          `The load takes ${share} % of the full strength, and that is not reached in these days.`,
          'Warm it, or keep the load off until it has been proved.',
        ),
      ];
    return plan.openMs !== null && check.fromMs > plan.openMs
      ? [
          finding(
            'load',
            'stop',
            'release',
            `This load only from ${at(c, check.fromMs)}`,
            `It takes ${share} % of the full strength; at the opening it has ${figure((strength?.shareAt(plan.openMs) ?? 0) * 100, 2)} %.`,
            'Open it for less, and let this load on later.',
          ),
        ]
      : [];
  },

  review: ({ repair, plan, actuals }) => {
    const needs = reviewOf(repair, plan.method);
    return needs && !actuals.reviewed
      ? [
          finding(
            'review',
            'caution',
            'release',
            'Needs a competent person’s review',
            `${needs} The figures here never replace that review, the sheet, the local code or licensed practice.`,
            'Have it reviewed before it is released; role and time are kept.',
          ),
        ]
      : [];
  },

  sheet: ({ plan, sheets }) => {
    const { sheet } = plan;
    if (!sheet) return [];
    const newer = sheets.find((s) => s.systemId === sheet.systemId && s.revision > sheet.revision);
    return [
      ...sheetFlaws(sheet).map((p, i) =>
        finding(
          `sheet:flaw:${i}`,
          'caution',
          'material',
          'The sheet looks mistyped',
          p.sentence,
          'Compare with the maker’s sheet and make a new revision.',
        ),
      ),
      ...(newer
        ? [
            finding(
              'sheet:newer',
              'note',
              'material',
              'A newer revision of this sheet is on the shelf',
              `This repair was planned with revision ${sheet.revision}; revision ${newer.revision} exists.`,
              'Choose it in Material if the plan should move to it.',
            ),
          ]
        : []),
    ];
  },
};
