#!/usr/bin/env bash
# What an earlier version stored is brought up to date and opened, screen by screen: a dump of the demo by each released
# migration (src/db/fixtures), restored, migrated, served and opened. Run by bin/test while its database is up.
# Arguments: data folder, port of the database, port to serve on.
set -eu
. "$(dirname "$0")/common.sh"
data=$1; db_port=$2; port=$3
find_postgres
cd "$root"
# The secret that the fixtures' demo passwords were made from.
export ISTRUZIONE_SECRET='the secret of the upgrade fixtures' ISTRUZIONE_LOOPBACK=1 ISTRUZIONE_ORIGIN="http://localhost:$port" ISTRUZIONE_LOG=error ISTRUZIONE_METRICS_PORT=0
server=""
trap '[ -n "$server" ] && kill "$server" 2>/dev/null' EXIT
# The newest needs no upgrade: every other test runs on what it is.
newest=$(ls src/db/migrations/0*.ts | tail -n 1 | xargs basename | sed 's/\.ts$//')
for fixture in src/db/fixtures/*.sql.gz; do
  [ "$(basename "$fixture" .sql.gz)" = "$newest" ] && continue
  name=istruzione_upgrade
  psql_super -d postgres -c "drop database if exists $name" -c "create database $name owner istruzione_owner" >/dev/null
  make_database "$name"
  zcat "$fixture" | psql_super -d "$name" >/dev/null
  before=$(psql_super -d "$name" -tAc 'select count(*) from job_event')
  NODE_OPTIONS=--conditions=react-server node_modules/.bin/tsx src/server/migrateCommand.ts || { echo "$fixture was not brought up to date"; exit 1; }
  [ "$(psql_super -d "$name" -tAc 'select count(*) from job_event')" = "$before" ] && [ "$before" -gt 100 ] || { echo "$fixture: events are gone"; exit 1; }
  env -u DATABASE_OWNER_URL NODE_ENV=production node bin/lib/serve.mjs 127.0.0.1 "$port" >"$data/upgrade.log" 2>&1 & server=$!
  for _ in $(seq 1 100); do node -e 'fetch(process.argv[1]).then(r=>process.exit(r.ok?0:1),()=>process.exit(1))' "http://localhost:$port/api/health" && break; sleep 0.2; done
  node e2e/openEvery.mjs "http://localhost:$port" || { echo "$fixture: the lines above broke"; tail -n 5 "$data/upgrade.log"; exit 1; }
  if grep -q '"level":50' "$data/upgrade.log"; then echo "$fixture: a page broke"; grep '"level":50' "$data/upgrade.log" | head -n 3; exit 1; fi
  kill "$server"; wait "$server" 2>/dev/null || true; server=""
  psql_super -d postgres -c "drop database $name" >/dev/null
done
