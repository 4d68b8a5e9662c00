/** Without signs over letters and with spaces for every other mark: `são paulo` finds `America/Sao_Paulo`. */
const plainly = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}+]+/gu, ' ')
    .trim();

/**
 * Those that have every word typed at the beginning of a word of theirs, then those that have it within; in their
 * order. Everything where nothing is typed.
 */
export function matching(options: readonly string[], typed: string): readonly string[] {
  const wanted = plainly(typed).split(' ').filter(Boolean);
  if (!wanted.length) return options;
  const rank = (text: string): number =>
    wanted.every((word) => text.includes(` ${word}`)) ? 0 : wanted.every((word) => text.includes(word)) ? 1 : 2;
  const ranked = options.map((option) => ({ option, rank: rank(` ${plainly(option)}`) }));
  return [0, 1].flatMap((wantedRank) => ranked.filter((r) => r.rank === wantedRank).map((r) => r.option));
}
