import type { Question } from './context';

/** What is asked of timber before any resin goes into it or onto it. */
export const ASKED_OF_TIMBER = {
  source: {
    id: 'source',
    ask: 'Is the source of the wet ended?',
    wants: 'yes',
    otherwise: {
      severity: 'stop',
      title: 'Still getting wet',
      why: 'Rot goes on behind a skin of resin, and faster.',
      todo: 'Mend the leak, the joint or the ground contact first.',
    },
  },
  moisture: {
    id: 'moisture',
    ask: 'Is its moisture, read deep, under the most that the sheet allows?',
    wants: 'yes',
    otherwise: {
      severity: 'stop',
      title: 'Timber too wet',
      why: 'Wet cells take no resin; it sets on the surface and hides what is under it.',
      todo: 'Let it dry, covered and aired, and read it again.',
    },
  },
  bears: {
    id: 'bears',
    ask: 'Does this timber carry a load?',
    wants: 'no',
    otherwise: {
      severity: 'caution',
      title: 'It carries a load',
      why: 'Soaked rot is harder, not as strong as timber.',
      todo: 'Have an engineer say what it may still carry.',
    },
  },
  oily: {
    id: 'oily',
    ask: 'Is it oily, or was it treated with a preservative?',
    wants: 'no',
    otherwise: {
      severity: 'caution',
      title: 'Oily or treated timber',
      why: 'Resin may not hold or not set in it.',
      todo: 'Make a trial on a hidden spot.',
    },
  },
  protected: {
    id: 'protected',
    ask: 'Is it a protected object?',
    wants: 'no',
    otherwise: {
      severity: 'stop',
      title: 'Protected object',
      why: 'Resin in timber cannot be taken out again.',
      todo: 'Ask for consent; a reversible coat between.',
    },
  },
} as const satisfies Readonly<Record<string, Question>>;
