import { type Message, type Sayer, texts } from '../say';
import type { Question } from './context';

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
