#!/usr/bin/env bash
# What looks after the database and the logs leaves a data folder free as soon as it was ended, however long its pause is,
# and holds it until then. Run by bin/test.
set -eu
. "$(dirname "$0")/common.sh"
data=$(mktemp -d); trap 'rm -rf "$data"' EXIT
mkdir "$data/none"; printf '#!/bin/sh\nexit 2\n' >"$data/none/pg_isready"; chmod +x "$data/none/pg_isready"
free() { flock -n "$data/in-use" true; }
# A database that never comes back: after a few tries the pause is eight seconds long.
bash -c '. "$1/bin/lib/common.sh"; data=$2; pg_bin=$2/none; hold_data; launch_postgres() { echo tried >>"$data/tries"; }
  keep_postgres 1 >/dev/null; echo "$pg_keeper" >"$data/keeper"; while [ -e "$data/none" ]; do wait; sleep 0.1 9>&-; done' _ "$root" "$data" &
bin_start=$!
until [ "$(cat "$data/tries" 2>/dev/null | wc -l)" = 3 ]; do sleep 0.1; done
if free; then echo 'The folder was not held.'; exit 1; fi
kill "$(cat "$data/keeper")" "$bin_start" 2>/dev/null; sleep 0.3
free || { echo 'A pause of what looks after the database keeps the next start out.'; exit 1; }
