#!/usr/bin/env bash
# Logs that grow are set aside while something appends to them, and the last three are kept. Run by bin/test.
set -eu
. "$(dirname "$0")/common.sh"
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
