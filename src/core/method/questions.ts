import { type Message, type Sayer, texts } from '../say';
import type { BaseMaterial, SheetRevision } from '../system';
import type { Answer, Question } from './context';
import type { Effects } from './effects';

type Words = Readonly<Record<'ask' | 'title' | 'why' | 'todo', Sayer>>;
const SAID = new Map<Question, Words>();
const taken = new Set<string>();

/**
 * Registers the words of questions as texts: they stand in their rows, in English. What several methods ask is one
 * question; another of the same name is called after its method.
 */
export function registerQuestions(methodId: string, questions: readonly Question[]): void {
  for (const q of questions) {
    if (SAID.has(q)) continue;
    const owner = taken.has(q.id) ? `question.${methodId}.${q.id}` : `question.${q.id}`;
    taken.add(q.id);
    const { title, why, todo } = q.otherwise;
    SAID.set(q, texts(owner, { ask: q.ask, title, why, todo }));
  }
}

const wordsOf = (q: Question): Words => {
  const words = SAID.get(q);
  if (!words) throw new RangeError(`the question ${q.id} stands in no method`);
  return words;
};

/** A question as it is asked. */
export const askOf = (q: Question): Message => wordsOf(q).ask();

/** What is found when it is not answered as the method wants it. */
export function foundBy(q: Question): { readonly title: Message; readonly why: Message; readonly todo: Message } {
  const { title, why, todo } = wordsOf(q);
  return { title: title(), why: why(), todo: todo() };
}

/** What a method asks where the base is of that: nobody is asked of cracked concrete in a beam of oak. */
export const questionsOn = (
  { questions }: { readonly questions: readonly Question[] },
  material: BaseMaterial,
): readonly Question[] => questions.filter(({ on }) => !on || on.includes(material));

/** What nobody has answered yet; on the face of another pass less is asked. */
export const unansweredOf = (
  method: { readonly questions: readonly Question[] },
  at: {
    readonly repair: {
      readonly base: { readonly material: BaseMaterial };
      readonly answers: Readonly<Record<string, Answer>>;
    };
    readonly onFace: boolean;
  },
): readonly Question[] =>
  questionsOn(method, at.repair.base.material).filter(
    (q) => (q.onFace || !at.onFace) && at.repair.answers[q.id] === undefined,
  );

/** Where a sheet is silent on a wet place, everything waits so many times as long: what people take in its stead. */
export const STAND_IN_TIMES = 2;

/** How many times as long everything waits for an answer that is not wanted, and who says so. */
export interface Longer {
  readonly question: string;
  readonly times: number;
  /** The sheet, or whoever chose a wait in its stead where it is silent. */
  readonly by: 'sheet' | 'chosen';
}

/** Answers that are against a method and allowed all the same, at the price of longer waits. */
export const longerWaits = (
  questions: readonly Question[],
  answers: Readonly<Record<string, Answer>>,
  { waitsLonger }: Pick<Effects, 'waitsLonger'>,
  sheet: SheetRevision,
): readonly Longer[] =>
  questions.flatMap((q): Longer[] => {
    const answer = answers[q.id];
    if (!q.allows || answer === undefined || answer === 'unsure' || answer === q.wants) return [];
    const said = q.allows(sheet);
    if (said === 'no') return [];
    if (said) return [{ question: q.id, times: said.times, by: 'sheet' }];
    return waitsLonger ? [{ question: q.id, times: STAND_IN_TIMES, by: 'chosen' }] : [];
  });
