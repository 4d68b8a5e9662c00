// A browser on a laden machine may lose a race that no person would: a walk that failed is walked once more, from
// nothing, and what passed only then is told by scripts/test.sh, for a race is a fault to be found all the same.
jest.retryTimes(1, { logErrorsBeforeRetry: true });
