/** What is said of one answer to a trouble. */
export interface Said {
  /** What it comes from, where a sign tells it from others. */
  readonly means?: string;
  /** What is done this minute, in order. */
  readonly now: readonly string[];
  /** What becomes of the material that is mixed or placed. */
  readonly material: string;
  /** What becomes of the plan; absent where the work stands, and the trouble itself says what for. */
  readonly after?: string;
  /** What makes up for it; null where nothing is needed. */
  readonly reserve: string | null;
}

/** What is said of a trouble to whoever has it. */
export interface Advice {
  /** How one knows it. */
  readonly signs: string;
  /** What stays in the record besides the instant and the role. */
  readonly keeps: string;
  /** Of its one answer, or of each by the id of its sign. */
  readonly answers: Said | Readonly<Record<string, Said>>;
}

const isOne = (answers: Advice['answers']): answers is Said => Array.isArray((answers as Said).now);

/** What is said of a trouble once it is known which it is; null while that is not. */
export function saidOf({ answers }: Advice, sign: string | null | undefined): Said | null {
  if (isOne(answers)) return answers;
  return sign != null && Object.hasOwn(answers, sign) ? answers[sign]! : null;
}
