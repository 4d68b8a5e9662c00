import { sheetFlaws } from '../../cure';
import { formatDuration } from '../../units';
import { finding, type Rule } from './rule';

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

  review: ({ repair, plan, actuals }) => {
    const needs = plan.method?.review ?? (repair.safety.class === 'review' ? repair.safety.why || 'It was marked so.' : null);
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
