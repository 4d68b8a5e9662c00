import { TOOLS, type ToolId } from '../../method';
import { settingsOf } from '../../plan';
import { at, texts } from '../../say';
import { findings } from '../finding';
import type { Rule } from './rule';

const F = findings({
  'tools-lacking': {
    severity: 'stop',
    stage: 'hold',
    title: 'More {tool} wanted at once than the job has',
    why: 'Wanted at once: {needs}; of {tool} the job has {has}: {without}.',
    todo: 'Bring more, and count them with the job; or {instead}.',
  },
  'tools-awaited': {
    severity: 'stop',
    stage: 'hold',
    title: 'All {tool} are at other places',
    why: 'Wanted: {needs}; of {tool} the job has {has}. Others hold them, and nobody can say until when.',
    todo: 'Mend the plan of what holds them, or bring more and count them with the job.',
  },
  'tools-wait': {
    severity: 'note',
    stage: 'place',
    title: 'Waits for {tool}',
    why: 'Wanted: {needs}; of {tool} the job has {has}. Enough come free {until}.',
    todo: 'With more of them it may begin sooner: count them with the job; or {instead}.',
  },
  'hands-lacking': {
    severity: 'caution',
    stage: 'place',
    title: 'More hands planned than the job has',
    why: 'It is planned for {planned, plural, one {one pair} other {# pairs}} of hands; the job has {has}.',
    todo: 'Find more and count them with the job, or plan it for those who are there.',
  },
});
const WAYS = texts('finding.tools', {
  fewer: 'With {n} on each',
  hands: 'Plan for {n, plural, one {one pair of hands} other {# pairs of hands}}',
});

const wordsOf = (tool: ToolId) => {
  const { name, without, instead } = TOOLS[tool];
  return { tool: name(), without: without(), instead: instead() };
};

/** What is noticed when a repair wants more of the site’s hands and tools than it has. */
export const toolRules: Readonly<Record<string, Rule>> = {
  tools: ({ plan }) => [
    ...plan.awaits.map(({ tool, needs, has, untilMs }) =>
      F['tools-wait']({ ...wordsOf(tool), needs, has, until: at(untilMs) }, { of: tool }),
    ),
    ...plan.lacks.map(({ tool, needs, has, awaited }) => {
      const said = { ...wordsOf(tool), needs, has };
      const setting = plan.method ? settingsOf(plan.method, plan.piece)[tool] : undefined;
      const each = setting ? Math.floor((has * setting) / needs) : 0;
      return (awaited ? F['tools-awaited'] : F['tools-lacking'])(said, {
        of: tool,
        ways:
          !awaited && each > 0
            ? [{ say: WAYS.fewer({ n: each }), set: { path: ['settings', tool], value: each } }]
            : [],
      });
    }),
  ],
  'tool-hands': ({ job, repair }) =>
    job.atHand.hands === null || job.atHand.hands < 1 || repair.crew <= job.atHand.hands
      ? []
      : [
          F['hands-lacking'](
            { planned: repair.crew, has: job.atHand.hands },
            { ways: [{ say: WAYS.hands({ n: job.atHand.hands }), set: { path: ['crew'], value: job.atHand.hands } }] },
          ),
        ],
};
