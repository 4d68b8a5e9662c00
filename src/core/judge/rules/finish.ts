import { BASE_PROPERTIES } from '../../climate';
import { GRAIN_UM, scratchMm, skipsOf } from '../../method';
import { ladderNow } from '../../plan';
import { exactly, listed, minutes, mm } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'ladder-skip': {
    severity: 'caution',
    stage: 'finish',
    title: '{from} to {to} skips too far',
    why: 'What {from} leaves is {deep} deep, and {to} takes about {time} to get it out; most give up before.',
    todo: 'Put {between} between.',
  },
  'ladder-deep': {
    severity: 'caution',
    stage: 'finish',
    title: '{grit} goes too deep',
    why: 'Its scratches are {deep} deep, and only {off} stands above the level: they stay, or it is sanded through.',
    todo: 'Begin finer.',
  },
  'ladder-dry': {
    severity: 'note',
    stage: 'finish',
    title: 'Sanded dry on this base',
    why: 'Bare, it drinks the water and its grain stands up.',
    todo: 'Extract the dust instead.',
  },
});

const micro = (depthMm: number) => exactly(mm(Number(depthMm.toFixed(3))));

/** What is noticed of how the surface is brought back. */
export const finishRules: Readonly<Record<string, Rule>> = {
  ladder: ({ plan }) => {
    const now = ladderNow(plan);
    if (!now) return [];
    const { ladder } = now;
    const grits = ladder.rungs.map((r) => r.grit);
    const first = ladder.rungs[0]!;
    const skips = skipsOf(grits).map(({ from, to, between }) => {
      // As fast as it takes off by its grain, from what was said for the coarsest grade.
      const rung = ladder.rungs.find((r) => r.grit === to)!;
      const all = [...grits, ...between].sort((a, b) => GRAIN_UM[b] - GRAIN_UM[a]);
      return F['ladder-skip'](
        {
          from,
          to,
          deep: micro(rung.offMm),
          time: minutes(Math.ceil(rung.minutes - 1e-9)),
          between: listed([...between]),
        },
        {
          of: `${from}-${to}`,
          ways: [
            {
              say: `put ${between.join(', ')} between`,
              set: { path: ['grits'], value: all.join(' ') },
            },
          ],
        },
      );
    });
    const tooDeep = now.own && ladder.offMm > 0 && scratchMm(first.grit) > ladder.offMm / 2 && grits.length > 0;
    return [
      ...skips,
      ...(tooDeep
        ? [
            F['ladder-deep'](
              { grit: first.grit, deep: micro(first.leavesMm), off: micro(ladder.offMm) },
              { of: first.grit },
            ),
          ]
        : []),
      ...(plan.context!.effects.wet && BASE_PROPERTIES[plan.context!.base].swells ? [F['ladder-dry']()] : []),
    ];
  },
};
