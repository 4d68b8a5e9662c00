import { choiceWith } from '../../method';
import { exactly, mm, texts } from '../../say';
import { milestoneOf } from '../../system';
import { kindOf } from '../../void';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'bed:thick': {
    severity: 'stop',
    stage: 'measure',
    title: 'Bed thicker than the sheet allows',
    why: '{flat} pressed flat{off, select, none {} other { and {off} more in the deepest hollow}}: {thickest} against {limit} on the sheet. It sinks as it shrinks, and the piece with it.',
    todo: 'Level the base first, as a pass of its own, or take a bed that may be thicker.',
  },
  'bed:thick:ours': {
    id: 'bed:thick',
    severity: 'caution',
    stage: 'measure',
    title: 'Bed perhaps thicker than the sheet allows',
    why: '{flat} pressed flat and {off} more in the deepest hollow, which nobody measured: {thickest} against {limit} on the sheet.',
    todo: 'Lay the straightedge on both ways and type the deepest hollow. If it stays so, level the base first.',
  },
  'bed:thin': {
    severity: 'stop',
    stage: 'measure',
    title: 'Bed thinner than the sheet asks',
    why: '{flat} pressed flat against at least {limit} on the sheet.',
    todo: 'Take a deeper notch, or butter the backs as well.',
  },
  'bed:reach': {
    severity: 'caution',
    stage: 'measure',
    title: 'Ridges do not reach the back everywhere',
    why: 'They stand {ridge} high and are pressed to {flat}; over a hollow of {off} the gap is {gap}{ours, select, yes { (a figure of Grenko’s, nobody measured it)} other {}}.',
    todo: 'Take a deeper notch, or level the base first. The first one that is lifted shows it.',
  },
  'bed:spots': {
    severity: 'stop',
    stage: 'place',
    title: 'Set in spots where it is trodden or wet',
    why: 'Between the spots it is hollow: it breaks under the first wheel, and water that stands there freezes.',
    todo: 'Comb a full bed; or go on with the reason and the role of who answers for it.',
  },
  'bed:open': {
    severity: 'caution',
    stage: 'material',
    title: 'No open time on the sheet',
    why: 'How long a combed bed stays good nobody knows: it is laid as far as one mix goes, and may skin before that.',
    todo: 'Touch the ridges before each piece: nothing on the finger means skinned. Type the open time as soon as it is known.',
  },
});
const WAY = texts('finding.bed.way', { full: 'Comb a full bed' });

/** What a combed bed asks of the base, of its sheet and of the place. */
export const bedRules: Readonly<Record<string, Rule>> = {
  bed: ({ plan: { sheet, context }, repair }) => {
    const shape = repair.void?.shapes.find((s) => kindOf(s).combed);
    if (!shape || !sheet || !context || !Object.hasOwn(context.settings, 'off-plane')) return [];
    const { flatMm, ridgeMm } = kindOf(shape).combed!(shape);
    const off = context.settings['off-plane']!;
    // A figure that nobody chose forbids nothing.
    const ours = !Object.hasOwn(repair.settings, 'off-plane');
    const { bondMinMm, bondMaxMm } = sheet.limits;
    const said = { flat: mm(flatMm), off: off > 0 ? mm(off) : 'none' };
    const out = [];
    if (bondMaxMm !== null && flatMm + off > bondMaxMm)
      out.push(
        flatMm > bondMaxMm
          ? F['bed:thick']({ ...said, off: 'none', thickest: mm(flatMm), limit: exactly(mm(bondMaxMm)) })
          : F[ours ? 'bed:thick:ours' : 'bed:thick']({
              ...said,
              thickest: mm(flatMm + off),
              limit: exactly(mm(bondMaxMm)),
            }),
      );
    if (bondMinMm !== null && flatMm < bondMinMm)
      out.push(F['bed:thin']({ flat: mm(flatMm), limit: exactly(mm(bondMinMm)) }));
    if (flatMm + off > ridgeMm)
      out.push(F['bed:reach']({ ...said, ridge: mm(ridgeMm), gap: mm(flatMm + off), ours: ours ? 'yes' : 'no' }));
    return out;
  },

  'bed-open': ({ plan: { sheet, method } }) =>
    method?.params?.rolling && sheet && !milestoneOf(sheet, 'open') ? [F['bed:open']()] : [],

  spots: ({ plan: { context, method } }) => {
    if (!method || !context?.effects.inSpots || context.effects.bearsSpots) return [];
    const full = choiceWith(method, 'inSpots', false);
    return [
      F['bed:spots'](undefined, {
        ways: full ? [{ say: WAY.full(), set: { path: ['schools', full.school], value: full.option } }] : [],
      }),
    ];
  },
};
