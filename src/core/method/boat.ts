import type { Question } from './context';

/** What is asked of a hull before anything is drilled or ground. */
export const waterline: readonly Question[] = [
  {
    id: 'antifouling',
    ask: 'Is there antifouling or old paint that may hold lead or tin?',
    wants: 'no',
    otherwise: {
      severity: 'stop',
      title: 'Paint that may be poisonous',
      why: 'Its dust and its scrapings are, to people and to the water.',
      todo: 'Have it tested; take it off wet, with protection, and keep the waste apart.',
    },
  },
  {
    id: 'core',
    on: ['laminate'],
    ask: 'Is the laminate dry and solid, with no wet core, blisters or vinegary fluid?',
    wants: 'yes',
    otherwise: {
      severity: 'stop',
      title: 'Wet or blistered laminate',
      why: 'Nothing holds on it, and what is closed in goes on working.',
      todo: 'Dry it and rebuild it: another job. A cored hull is cut back and plugged solid first.',
    },
  },
];
