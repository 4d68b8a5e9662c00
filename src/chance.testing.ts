import fc from 'fast-check';

/**
 * Laws are tried on the same random input each time, so that a run says what the code does and not how the dice fell.
 * `GRENKO_SEED` throws them anew: `npm run laws` does so many times over.
 */
fc.configureGlobal({ seed: Number(process.env.GRENKO_SEED ?? 20260) });
