#!/usr/bin/env bash
# Everything that must hold: types, lint, layering, unit tests, the build, the interface. Ends with "N passed, N failed".
set -uo pipefail
cd "$(dirname "$0")/.."
. scripts/install.sh
export NEXT_TELEMETRY_DISABLED=1 CI="${CI:-true}"
out="$(mktemp -d)"
trap 'rm -rf "$out"' EXIT
passed=0
failed=0

begin() { # a named check beside what else runs
  local name="$1"; shift
  ("$@" >"$out/$name.log" 2>&1; echo $? >"$out/$name.code") &
}

check() { # what came of a check that was begun; it counts as one
  local name="$1"
  echo "== $name"
  while [ ! -s "$out/$name.code" ]; do sleep 0.2; done
  if [ "$(cat "$out/$name.code")" = 0 ]; then passed=$((passed + 1)); echo "   ok"; else failed=$((failed + 1)); cat "$out/$name.log"; echo "   $name FAILED"; fi
}

suite() { # a jest project, each of its tests counts
  local name="$1"; shift
  echo "== $name tests"
  # Each file is told as it ends, so that one sees how far it is.
  GRENKO_AGAIN="$out/again" npx jest --selectProjects "$name" --json --outputFile="$out/$name.json" "$@" 2>&1 >/dev/null | tee "$out/log" | grep --line-buffered -E '^(PASS|FAIL) ' | while read -r line; do echo "   $((SECONDS / 60)) min in: $line"; done
  local code=${PIPESTATUS[0]}
  if [ -s "$out/$name.json" ]; then
    read -r p f <<<"$(node -e 'const r=require(process.argv[1]);console.log(r.numPassedTests, r.numFailedTests + r.numRuntimeErrorTestSuites)' "$out/$name.json")"
  else p=0; f=1; fi
  [ "$code" -ne 0 ] && [ "$f" -eq 0 ] && f=1
  [ "$f" -ne 0 ] && cat "$out/log"
  if [ -s "$out/again" ]; then
    echo "   at the second try only:"
    sed 's/^/      /' "$out/again"
    rm "$out/again"
  fi
  echo "   $p passed, $f failed"
  passed=$((passed + p)); failed=$((failed + f))
}

if [ ! -x "${CHROMIUM:-/usr/bin/chromium}" ]; then
  if [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null; then
    echo "Installing Chromium…"
    apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends chromium >/dev/null || true
  fi
  if [ ! -x "${CHROMIUM:-/usr/bin/chromium}" ]; then
    echo "Chromium is needed for the interface tests: install Debian's package chromium, or set CHROMIUM to its path."
    failed=$((failed + 1))
  fi
fi

# None of them needs more than one processor.
begin types bash -c 'npx next typegen && npx tsc --noEmit'
begin lint npx biome check .
begin layers npx depcruise src e2e bench torture --config .dependency-cruiser.cjs
begin docs npx tsx scripts/docs.ts --check
for name in types lint layers docs; do check "$name"; done
begin build env GRENKO_TYPES=checked npx tsx scripts/build.ts
node scripts/tests.mjs
suite unit --maxWorkers=100%
check build
[ -x "${CHROMIUM:-/usr/bin/chromium}" ] && suite e2e --maxWorkers=2

echo
echo "$passed passed, $failed failed"
[ "$failed" -eq 0 ]
