#!/usr/bin/env bash
# The laws of the core (scaling, round trip, monotone) on random input thrown anew: `npm run laws [-- times]`. What fails
# names the throw, `GRENKO_SEED`, that shows it again.
set -euo pipefail
cd "$(dirname "$0")/.."
node scripts/tests.mjs
files=$(grep -rl fast-check src --include='*.test.ts' --include='*.test.tsx' | sed 's/\.tsx\?$//' | paste -sd'|')
failed=0
for ((n = 1; n <= ${1:-20}; n++)); do
  seed=$((RANDOM * 32768 + RANDOM))
  if out=$(GRENKO_SEED=$seed npx jest --selectProjects unit --maxWorkers=2 --testPathPatterns "($files)" 2>&1); then
    echo "throw $n, GRENKO_SEED=$seed: $(grep '^Tests:' <<<"$out" | sed 's/^Tests: *//')"
  else
    failed=$((failed + 1))
    echo "throw $n, GRENKO_SEED=$seed:"
    grep -E '^FAIL|●|Counterexample|Property failed|seed:|^[^ ].*: *$' <<<"$out" | head -40 || true
  fi
done
echo "$failed of ${1:-20} throws failed"
[[ $failed == 0 ]]
