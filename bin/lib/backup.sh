# with_database: makes sure the private database answers, starting it for as long as the command runs. Sourced.
data=${ISTRUZIONE_DATA:-$root/.data}
db_port=${ISTRUZIONE_DB_PORT:-5433}
db_name=${ISTRUZIONE_DB:-istruzione}

with_database() {
  [ -f "$data/postgres/PG_VERSION" ] || die "There is no database in $data yet. Run bin/start once, or set ISTRUZIONE_DATA to the folder that has one."
  find_postgres
  if "$pg_bin/pg_isready" -q -h 127.0.0.1 -p "$db_port"; then return 0; fi
  start_postgres "$db_port"
  trap stop_postgres EXIT
}
