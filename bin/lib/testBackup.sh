#!/usr/bin/env bash
# The back-up test: what bin/backup wrote and bin/restore brought back is the same, row by row, rules included.
# Run by bin/test while its database is up. Arguments: data folder, port, database name.
set -eu
. "$(dirname "$0")/common.sh"
export ISTRUZIONE_DATA=$1 ISTRUZIONE_DB_PORT=$2
data=$1; db_port=$2; source=$3; copy="${source}_copy"
find_postgres
psql_super -d postgres -c "drop database if exists $copy" -c "create database $copy owner istruzione_owner" >/dev/null

fingerprint() {
  for table in shop crew procedure revision draft vehicle job job_event device access_entry auth.user auth.account; do
    psql_super -d "$1" -tAc "select '$table', count(*), md5(string_agg(t::text, '|' order by t::text)) from ${table/auth.user/auth.\"user\"} t"
  done
  psql_super -d "$1" -tAc "select tablename, policyname, roles, qual from pg_policies order by 1, 2"
  psql_super -d "$1" -tAc "select relname, relrowsecurity, relforcerowsecurity, relowner::regrole from pg_class where relkind = 'r' and relnamespace = 'public'::regnamespace order by 1"
  psql_super -d "$1" -tAc "select tgname, tgrelid::regclass::text as on_table from pg_trigger where not tgisinternal order by 1, 2"
}
file="$data/test.backup"
before=$(fingerprint "$source")
ISTRUZIONE_DB=$source "$root/bin/backup" "$file"
ISTRUZIONE_DB=$copy "$root/bin/restore" "$file"
after=$(fingerprint "$copy")
[ "$before" = "$after" ] || { echo 'The restored database differs from the one that was backed up.'; diff <(echo "$before") <(echo "$after") || true; exit 1; }
case $before in *job_event\|0*) echo 'There was nothing to back up: this test would pass for an empty copy.'; exit 1 ;; esac
if ISTRUZIONE_DB=$copy "$root/bin/restore" "$0" 2>/dev/null; then echo 'Something that is no back-up was restored.'; exit 1; fi
case $(stat -c %a "$file") in 600) ;; *) echo 'Others may read a back-up.'; exit 1 ;; esac
for safety in "$data"/before-restore-*.backup; do
  case $(stat -c %a "$safety") in 600) ;; *) echo "Others may read $safety."; exit 1 ;; esac
done
# While bin/start holds the data nothing is put in its place, however idle its connections are.
if ( exec 9>"$data/in-use"; flock 9; ISTRUZIONE_DB=$copy "$root/bin/restore" "$file" 9>&- 2>/dev/null ); then echo 'Restored beside a running bin/start.'; exit 1; fi
for i in 1 2 3 4 5 6 7; do touch -d "2020-01-0$i" "$data/before-restore-2020010$i-000000.backup"; done
ISTRUZIONE_DB=$copy "$root/bin/restore" "$file" >/dev/null
[ "$(ls "$data"/before-restore-*.backup | wc -l)" = 5 ] || { echo 'Not the last five are kept of what was stored before.'; exit 1; }
rm -f "$file" "$data"/before-restore-*.backup
psql_super -d postgres -c "drop database $copy" >/dev/null
