import type { Said } from '../say';
import type { Finding } from './finding';

/** What is noticed of several batches, parts or places in the same words: the first of it, and the others behind it. */
export interface Alike {
  readonly first: Finding;
  readonly more: readonly Finding[];
}

/** Which text it is; its figures may differ from batch to batch. */
const textOf = (said: Said): string => (typeof said === 'string' ? said : said.id);

/** So many in the same words are told as one. */
const MANY = 3;

/**
 * Folds long like lists: a second stop over another batch says nothing that the first does not. What has ways out of
 * its own, and what somebody has decided on, stands by itself.
 * @param apart what keeps two of them from being told as one, as whether it was overridden
 * @returns every finding once, each group where its first one stood
 */
export function alike(
  findings: readonly Finding[],
  apart: (finding: Finding) => string | boolean = () => '',
): readonly Alike[] {
  const groups = new Map<string, Finding[]>();
  for (const f of findings) {
    const alone = f.ways?.length || f.refusal !== undefined;
    const { severity, stage, passId, title, todo } = f;
    const key = alone
      ? `alone ${f.id}`
      : JSON.stringify([severity, stage, passId, textOf(title), textOf(todo), apart(f)]);
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  const folded = [...groups.values()].flatMap((of): readonly Alike[] =>
    of.length < MANY ? of.map((first) => ({ first, more: [] })) : [{ first: of[0]!, more: of.slice(1) }],
  );
  return folded.sort((a, b) => findings.indexOf(a.first) - findings.indexOf(b.first));
}
