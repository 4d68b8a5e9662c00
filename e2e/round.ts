/** What is done round each try of a test: before it, and after it whatever came of it. */
export interface Round {
  readonly before?: () => Promise<void>;
  readonly after: () => Promise<void>;
}

let round: Round | undefined;

/** The tests that are told from here on are tried so. */
export const tryRound = (of: Round): void => {
  round = of;
};
export const roundNow = (): Round | undefined => round;
