#!/usr/bin/env bash
# Writes what a fresh demo stores today as src/db/fixtures/NEWEST_MIGRATION.sql.gz, for the test of upgrades: run once when a
# migration is added, and never again for it once it is released. bin/lib/dumpFixture.sh
set -eu
. "$(dirname "$0")/common.sh"
cd "$root"
data=$(mktemp -d); db_port=${ISTRUZIONE_TEST_DB_PORT:-5439}
chmod 755 "$data"
trap 'stop_postgres; rm -rf "$data"' EXIT
start_postgres "$db_port"
make_database istruzione
export ISTRUZIONE_SECRET='the secret of the upgrade fixtures' ISTRUZIONE_ORIGIN=http://localhost NODE_OPTIONS=--conditions=react-server
node_modules/.bin/tsx src/server/migrateCommand.ts
node_modules/.bin/tsx src/demo/seedCommand.ts
newest=$(psql_super -d istruzione -tAc 'select max(name) from kysely_migration')
PGPASSWORD=$(cat "$data/pg-superuser") "$pg_bin/pg_dump" -h 127.0.0.1 -p "$db_port" -U postgres -d istruzione --no-comments |
  grep -vE '^\\(un)?restrict' | gzip -9n >"src/db/fixtures/$newest.sql.gz"
say "src/db/fixtures/$newest.sql.gz"
