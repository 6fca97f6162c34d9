# Shared by the commands in bin/: messages, packages of the machine, and a private PostgreSQL cluster.
# Sourced, never run. Every failure ends in one sentence that says what to do.

root=$(cd "$(dirname "${BASH_SOURCE[0]}")/../.." && pwd)
export NEXT_TELEMETRY_DISABLED=1
pg_process=""

say() { printf '%s\n' "$*"; }
step() { printf -- '-- %s\n' "$*"; }
die() { printf '\nStopped: %s\n' "$*" >&2; exit 1; }

# Runs a command as the given user when we are root, as ourselves otherwise.
as_pg() { if [ "$(id -u)" = 0 ]; then (cd / && runuser -u postgres -- "$@"); else "$@"; fi; }

need_node() {
  command -v node >/dev/null || die 'Node.js is missing. Install Node 20 or newer (Debian: apt-get install nodejs npm) and start again.'
  local major; major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$major" -ge 20 ] || die "Node.js $major is too old. Install Node 20 or newer and start again."
}

# need_debian COMMAND PACKAGE...: installs Debian packages when a command is missing.
need_debian() {
  local probe=$1; shift
  if command -v "$probe" >/dev/null 2>&1 || [ -x "$probe" ]; then return 0; fi
  step "installing $* (once)"
  local sudo=''
  if [ "$(id -u)" != 0 ]; then
    if command -v sudo >/dev/null && sudo -n true 2>/dev/null; then sudo='sudo -n'
    else die "$1 is missing and this user may not install it. Ask somebody with root to run: apt-get install $*"; fi
  fi
  command -v apt-get >/dev/null || die "$1 is missing and this machine has no apt-get. Install it with the system's own packages and start again."
  $sudo apt-get update -qq >/dev/null 2>&1 || true
  DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq "$@" >"$data/apt.log" 2>&1 || die "Installing $* failed; the last lines of $data/apt.log say why. Check the network and the free disk, then start again."
}

need_packages() {
  cd "$root" || exit 1
  if [ -f node_modules/.istruzione-lock ] && cmp -s package-lock.json node_modules/.istruzione-lock; then return 0; fi
  step 'installing the packages of the lockfile (about a minute, once)'
  npm ci --no-audit --no-fund >"$data/npm.log" 2>&1 || { tail -n 5 "$data/npm.log" >&2; die "The packages could not be installed; $data/npm.log says why. Check the network and the free disk, then start again."; }
  cp package-lock.json node_modules/.istruzione-lock
}

make_data_folder() {
  mkdir -p "$data" 2>/dev/null || die "The data folder $data can't be made. Give this user the right to write there, or set ISTRUZIONE_DATA to another folder."
  ( : > "$data/.write-test" ) 2>/dev/null || die "Nothing can be written to $data (no right, or the disk is full). Mend that, or set ISTRUZIONE_DATA to another folder."
  rm -f "$data/.write-test"
  local free_kb; free_kb=$(df -Pk "$data" | awk 'NR==2 {print $4}')
  [ "${free_kb:-0}" -ge 300000 ] || die "Less than 300 MB are free where $data lies. Make room and start again."
}

# hold_data: one bin/start or bin/restore at a time works on a data folder. What it starts holds it as well, for as long as it lives.
hold_data() {
  exec 9>"$data/in-use"
  flock -n 9 || die "${1:-Another bin/start or bin/restore works on $data. Stop it first.}"
}

port_is_free() { node -e 'const s=require("net").createServer();s.once("error",()=>process.exit(1));s.listen(Number(process.argv[1]),"127.0.0.1",()=>s.close(()=>process.exit(0)))' "$1"; }

# pause_of SECONDS: sleeps, can be ended by a signal at once, and holds no lock: what sleeps on after its parent was ended
# would keep the next start out.
pause_of() { sleep "$1" 9>&- & wait $!; }

# make_kept FILE [BYTES]: a random secret in a file that only this user reads, made once, and on the disk before anything is locked
# with it: a machine that loses power a moment later must still find it.
make_kept() {
  [ -s "$1" ] && return 0
  (umask 077; random_secret "${2:-24}" >"$1.new") && sync "$1.new" && mv -f "$1.new" "$1" && sync "$(dirname "$1")"
}

random_secret() { node -e 'process.stdout.write(require("crypto").randomBytes(Number(process.argv[1] ?? 24)).toString("hex"))' "$@"; }

find_postgres() {
  pg_bin=$(ls -d /usr/lib/postgresql/*/bin 2>/dev/null | sort -V | tail -n 1)
  if [ -z "$pg_bin" ] || [ ! -x "$pg_bin/initdb" ]; then
    need_debian /usr/lib/postgresql/15/bin/initdb postgresql postgresql-contrib
    pg_bin=$(ls -d /usr/lib/postgresql/*/bin | sort -V | tail -n 1)
  fi
}

# Every folder above must be passable for the user that runs PostgreSQL.
check_passable() {
  [ "$(id -u)" = 0 ] || return 0
  as_pg test -x "$data" || die "PostgreSQL runs as the user postgres, who may not enter $data. Open the folders above it (chmod o+x), or set ISTRUZIONE_DATA to a folder such as /var/lib/istruzione."
}

# start_postgres PORT [extra options]: makes the cluster on first use and starts it on loopback.
start_postgres() {
  local port=$1; shift
  find_postgres
  local cluster="$data/postgres"
  if [ ! -f "$cluster/PG_VERSION" ]; then
    step 'making a private PostgreSQL cluster'
    rm -rf "$cluster" "$data"/pg-*; mkdir -p "$cluster"
    make_kept "$data/pg-superuser"
    local pwfile="$data/postgres.pw"; cp "$data/pg-superuser" "$pwfile"
    if [ "$(id -u)" = 0 ]; then chown -R postgres "$cluster" "$pwfile"; fi
    check_passable
    as_pg "$pg_bin/initdb" -D "$cluster" --username=postgres --pwfile="$pwfile" --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$data/initdb.log" 2>&1 \
      || { rm -rf "$cluster"; die "The database could not be made; $data/initdb.log says why."; }
    rm -f "$pwfile"
  fi
  local major; major=$(cat "$cluster/PG_VERSION")
  [ -x "/usr/lib/postgresql/$major/bin/postgres" ] && pg_bin="/usr/lib/postgresql/$major/bin"
  refuse_second_postgres
  port_is_free "$port" || die "Port $port, meant for the database, is taken. Stop what uses it, or choose another: ISTRUZIONE_DB_PORT=5544 bin/start"
  check_passable
  touch "$data/postgres.log"; [ "$(id -u)" = 0 ] && chown postgres "$data/postgres.log"
  launch_postgres "$port" "$@"
  local i; for i in $(seq 1 100); do
    "$pg_bin/pg_isready" -q -h 127.0.0.1 -p "$port" && return 0
    kill -0 "$pg_process" 2>/dev/null || { tail -n 3 "$data/postgres.log" >&2; die "The database did not start; $data/postgres.log says why."; }
    sleep 0.2
  done
  die "The database did not answer within 20 seconds; $data/postgres.log says why."
}

launch_postgres() {
  local port=$1; shift
  as_pg "$pg_bin/postgres" -D "$data/postgres" -p "$port" -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c shared_buffers=64MB -c log_min_messages=warning "$@" >>"$data/postgres.log" 2>&1 &
  pg_process=$!
}

# keep_postgres PORT [extra options]: starts the database again when it died (killed, out of memory), with growing pauses, for as
# long as this runs. Give the options it was started with. Its lock file is PostgreSQL's own: it knows whether a backend still lives.
keep_postgres() {
  ( trap - EXIT INT TERM HUP
    local port=$1 pause=1 told=0
    while pause_of "$pause" && kill -0 $$ 2>/dev/null; do
      if "$pg_bin/pg_isready" -q -h 127.0.0.1 -p "$port" || postgres_lives; then pause=1; told=0; continue; fi
      [ "$told" = 0 ] && say "The database ended by itself; it is started again."
      told=1
      launch_postgres "$@"
      pause=$(( pause < 30 ? pause * 2 : 30 ))
    done ) &
  pg_keeper=$!
}

# Whether the server of this cluster is there, even if it does not answer yet.
postgres_lives() {
  local pid; pid=$(head -n 1 "$data/postgres/postmaster.pid" 2>/dev/null) || return 1
  kill -0 "$pid" 2>/dev/null && tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -q "$data/postgres"
}

# Two of them on one cluster would be two of everything. A lock that a machine left which lost power is PostgreSQL's to judge.
refuse_second_postgres() {
  postgres_lives || return 0
  die "Istruzione's database is already running (process $(head -n 1 "$data/postgres/postmaster.pid")): bin/start runs in another window. Use that one, or stop it with Ctrl-C there first."
}

stop_postgres() {
  [ -n "${pg_keeper:-}" ] && { kill "$pg_keeper" 2>/dev/null; wait "$pg_keeper" 2>/dev/null; pg_keeper=""; }
  [ -n "$pg_process" ] || return 0
  local cluster="$data/postgres"
  as_pg "$pg_bin/pg_ctl" -D "$cluster" -m fast -w -t 20 stop >/dev/null 2>&1 || kill "$pg_process" 2>/dev/null
  pg_process=""
}

psql_super() { PGPASSWORD=$(cat "$data/pg-superuser") "$pg_bin/psql" -q -v ON_ERROR_STOP=1 -h 127.0.0.1 -p "$db_port" -U postgres "$@"; }

# make_database NAME: the three roles (owner for migrations, application without bypass, accounts for signing in) and a database.
make_database() {
  local name=$1
  local role; for role in owner app accounts; do make_kept "$data/pg-$role"; done
  psql_super -d postgres >/dev/null <<SQL
do \$\$ begin
  if not exists (select from pg_roles where rolname = 'istruzione_owner') then create role istruzione_owner login nobypassrls; end if;
  if not exists (select from pg_roles where rolname = 'istruzione_app') then create role istruzione_app login nobypassrls; end if;
  if not exists (select from pg_roles where rolname = 'istruzione_accounts') then create role istruzione_accounts login nobypassrls; end if;
end \$\$;
alter role istruzione_owner password '$(cat "$data/pg-owner")';
alter role istruzione_app password '$(cat "$data/pg-app")';
alter role istruzione_accounts password '$(cat "$data/pg-accounts")';
SQL
  if [ "$(psql_super -d postgres -tAc "select 1 from pg_database where datname = '$name'")" != 1 ]; then
    psql_super -d postgres -c "create database $name owner istruzione_owner" >/dev/null
    psql_super -d "$name" -c 'revoke create on schema public from public; grant create, usage on schema public to istruzione_owner; grant usage on schema public to istruzione_app' >/dev/null
  fi
  export DATABASE_URL="postgres://istruzione_app:$(cat "$data/pg-app")@127.0.0.1:$db_port/$name"
  export ACCOUNTS_DATABASE_URL="postgres://istruzione_accounts:$(cat "$data/pg-accounts")@127.0.0.1:$db_port/$name"
  export DATABASE_OWNER_URL="postgres://istruzione_owner:$(cat "$data/pg-owner")@127.0.0.1:$db_port/$name"
}

# rotate_log FILE [LARGEST_KB]: sets a log that has grown too large aside and goes on in an empty one; the last three are kept.
# What writes it appends, and need not know.
rotate_log() {
  local file=$1 largest_kb=${2:-20000}
  [ -f "$file" ] && [ "$(( $(stat -c %s "$file") / 1024 ))" -ge "$largest_kb" ] || return 0
  [ -f "$file.2" ] && mv -f "$file.2" "$file.3"
  [ -f "$file.1" ] && mv -f "$file.1" "$file.2"
  cp -p "$file" "$file.1" && : > "$file"
}

keep_logs_small() {
  trap - EXIT INT TERM HUP
  while kill -0 $$ 2>/dev/null; do
    for log in app postgres front; do rotate_log "$data/$log.log"; done
    pause_of 60
  done
}

# setup_code: who may set up a shop. Beyond this machine only who was told the code that is printed here.
setup_code() {
  export ISTRUZIONE_SETUP=${ISTRUZIONE_SETUP:-$([ "$ISTRUZIONE_LOOPBACK" = 1 ] && echo open || echo code)}
  case $ISTRUZIONE_SETUP in open | code | closed) ;; *) die 'ISTRUZIONE_SETUP is open, code or closed.' ;; esac
  make_kept "$data/setup-code" 6
  export ISTRUZIONE_SETUP_CODE; ISTRUZIONE_SETUP_CODE=$(cat "$data/setup-code")
}

make_secret() {
  make_kept "$data/secret"
  export ISTRUZIONE_SECRET; ISTRUZIONE_SECRET=$(cat "$data/secret")
}
