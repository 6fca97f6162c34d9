#!/usr/bin/env bash
# Logs that grow are set aside while something appends to them, and the last three are kept; where a log can't be written at
# all the application goes on. Run by bin/test, with what the application needs in the environment. Argument: port to serve on.
set -eu
. "$(dirname "$0")/common.sh"
cd "$root"
folder=$(mktemp -d); trap 'rm -rf "$folder"' EXIT
log=$folder/app.log
( for i in $(seq 1 2000); do echo "line $i of a log that grows and grows"; [ $(( i % 200 )) = 0 ] && sleep 0.1; done ) >>"$log" &
writer=$!
while kill -0 "$writer" 2>/dev/null; do rotate_log "$log" 8; sleep 0.05; done
echo 'the end' >>"$log"
rotate_log "$log" 8
[ "$(ls "$folder" | wc -l)" = 4 ] || { echo "Not the log and three older ones: $(ls "$folder" | tr '\n' ' ')"; exit 1; }
for file in "$folder"/*; do [ "$(( $(stat -c %s "$file") / 1024 ))" -lt 20 ] || { echo "$file has grown"; exit 1; }; done
cat "$folder"/* | tr -d '\0' | grep -q 'line 2000 of' || { echo 'The newest lines are gone.'; exit 1; }
if grep -qP '\x00' "$log"; then echo 'The log has a hole where it was cut.'; exit 1; fi

port_is_free "$1" || { echo "Port $1 is taken."; exit 1; }
# Every write to /dev/full fails as it does on a full disk.
ISTRUZIONE_METRICS_PORT=0 NODE_ENV=production node bin/lib/serve.mjs 127.0.0.1 "$1" >/dev/full 2>&1 & server=$!
trap 'kill -KILL "$server" 2>/dev/null || true; rm -rf "$folder"' EXIT
answers() { node -e 'fetch(process.argv[1], { signal: AbortSignal.timeout(3000) }).then((r) => process.exit(r.ok ? 0 : 1), () => process.exit(1))' "http://127.0.0.1:$1$2"; }
for _ in $(seq 1 50); do answers "$1" /api/health && break; sleep 0.2; done
# An address that is none is written down as well.
for _ in 1 2 3; do answers "$1" /no/such/page || true; answers "$1" /welcome && answers "$1" /api/health || { echo 'A log that can’t be written stops the application.'; exit 1; }; done
kill -KILL "$server"; wait "$server" 2>/dev/null || true
