#!/usr/bin/env bash
# Installs what is missing, builds, starts the product and prints its address. The sample is loaded on first opening.
set -euo pipefail
cd "$(dirname "$0")/.."
. scripts/install.sh
export NEXT_TELEMETRY_DISABLED=1 GRENKO_DIST=.next-demo
PORT="${PORT:-3000}"
while (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; do PORT=$((PORT + 1)); done
log="$(mktemp)"
# The types are checked by the tests; to look at it they need not be checked once more.
GRENKO_TYPES=checked npx tsx scripts/build.ts >"$log" 2>&1 &
build=$!
begun=$SECONDS
while kill -0 "$build" 2>/dev/null; do
  printf '\rBuilding, mostly under a minute: %s s' "$((SECONDS - begun))"
  sleep 1
done
echo
wait "$build" || { cat "$log"; exit 1; }
echo
echo "  Grenko with its sample:  http://localhost:$PORT/?sample"
echo "  Grenko, empty:           http://localhost:$PORT/"
echo "  Ctrl C stops it."
echo
exec npx tsx scripts/serve.ts -p "$PORT" >/dev/null
