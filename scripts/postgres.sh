# Our own PostgreSQL: a private cluster that listens on loopback only. Sourced by ./kettle.
# With DATABASE_URL set none of this is used.

PG_BIN=""
PG_DIR=""      # holds data/ and log
PG_AS=()       # runs a command as the cluster's owner
PG_PORT=""     # where our own cluster listens

find_postgres() {
  PG_BIN="$(find /usr/lib/postgresql -maxdepth 2 -name bin -type d 2>/dev/null | sort -V | tail -n 1)"
  if [ ! -x "$PG_BIN/initdb" ] && command -v initdb >/dev/null 2>&1; then
    PG_BIN="$(dirname "$(readlink -f "$(command -v initdb)")")"
  fi
  [ -x "$PG_BIN/initdb" ] && [ -x "$PG_BIN/pg_ctl" ] && [ -x "$PG_BIN/psql" ]
}

# Without this Debian also makes and starts a cluster of its own on port 5432, which nobody asked for.
prepare_for_postgres() {
  local keep_quiet="mkdir -p /etc/postgresql-common/createcluster.d && printf 'create_main_cluster = false\n' >/etc/postgresql-common/createcluster.d/idle-kettle.conf"
  if [ ! -d /etc/postgresql-common ] && as_root true; then as_root sh -c "$keep_quiet"; fi
}

ensure_postgres() {
  find_postgres && return 0
  prepare_for_postgres
  install_debian "PostgreSQL" postgresql
  find_postgres || die "PostgreSQL was installed but its initdb was not found under /usr/lib/postgresql"
}

# become USER: commands run as that user, from a folder everybody may enter.
become() {
  if [ "$(id -un)" = "$1" ]; then PG_AS=(); else PG_AS=(setpriv --reuid="$1" --regid="$(id -g "$1")" --init-groups --reset-env); fi
}

pg() { (cd / && "${PG_AS[@]}" "$@"); }

# Where the cluster lies and who owns it. PostgreSQL refuses to run as root, so root uses the package's own user.
place_cluster() {
  mkdir -p "$DATA"
  PG_DIR="$DATA/postgres"
  [ ! -f "$DATA/postgres-folder" ] || PG_DIR="$(cat "$DATA/postgres-folder")"
  if [ -d "$PG_DIR/data" ] || [ -d "$PG_DIR" ]; then
    local owner
    owner="$(stat -c %U "$PG_DIR")"
    if [ "$(id -u)" -ne 0 ] && [ "$owner" != "$(id -un)" ]; then
      die "the database in $PG_DIR belongs to $owner. Run this as root, or give yourself another folder: KETTLE_DATA=\$HOME/kettle-data ./kettle start"
    fi
    become "$owner"
    return 0
  fi
  if [ "$(id -u)" -ne 0 ]; then
    become "$(id -un)"
    mkdir -p "$PG_DIR"
    chmod 700 "$PG_DIR"
    return 0
  fi
  id postgres >/dev/null 2>&1 || die "PostgreSQL will not run as root and there is no user \"postgres\"; install Debian's postgresql package"
  become postgres
  if ! pg test -x "$DATA"; then
    PG_DIR="/var/lib/idle-kettle/$(printf '%s' "$DATA" | sha256sum | cut -c1-12)"
    say "  $DATA can be entered by root only, so the database goes to $PG_DIR"
    mkdir -p /var/lib/idle-kettle
    printf '%s' "$PG_DIR" >"$DATA/postgres-folder"
  fi
  install -d -m 700 -o postgres -g postgres "$PG_DIR"
}

cluster_runs() { pg "$PG_BIN/pg_ctl" -D "$PG_DIR/data" status >/dev/null 2>&1; }

# Roles of our own cluster. The server's owns its database and nothing else; the one for work makes the databases
# of tests, benches and ./kettle dev; the administrator's makes both and is used for nothing more.
APP_ROLE=kettle
WORK_ROLE=kettle_work
ADMIN_ROLE=kettle_admin

# secret_of ROLE: its password, made when it is first asked for, in a file for its owner alone.
secret_of() {
  local file="$DATA/postgres-password"
  [ "$1" = "$APP_ROLE" ] || file="$DATA/postgres-password-$1"
  [ -s "$file" ] || (umask 077 && head -c 30 /dev/urandom | base64 | tr -dc 'a-zA-Z0-9' >"$file")
  cat "$file" || die "$file cannot be read by $(id -un)"
}

create_cluster() {
  [ -f "$PG_DIR/data/PG_VERSION" ] && return 0
  # Into a folder of its own and moved when whole: a first start that died half-way leaves nothing to trip over.
  pg rm -rf "$PG_DIR/new"
  secret_of "$ADMIN_ROLE" | pg sh -c 'umask 077; cat >"$1/password"' sh "$PG_DIR"
  step "Making a database of our own" pg "$PG_BIN/initdb" -D "$PG_DIR/new" -U "$ADMIN_ROLE" --pwfile="$PG_DIR/password" --auth=scram-sha-256 -E UTF8 --locale=C.UTF-8
  pg rm -f "$PG_DIR/password"
  pg mv "$PG_DIR/new" "$PG_DIR/data"
}

# as_role ROLE DATABASE [OPTION...]: SQL from standard input. No password is on a command line, where anybody reads it.
# Only PostgreSQL's own is found by a name without its schema: what lies in "public" may be somebody else's, and must not
# stand in for a built-in function or operator where the administrator asks. It goes before what a database sets for itself.
as_role() {
  local role="$1" database="$2"
  shift 2
  PGOPTIONS="-c search_path=pg_catalog" PGHOST=127.0.0.1 PGPORT="$PG_PORT" PGUSER="$role" PGPASSWORD="$(secret_of "$role")" PGDATABASE="$database" \
    "$PG_BIN/psql" --no-psqlrc --no-align --tuples-only --quiet --set=ON_ERROR_STOP=1 "$@"
}

url_of() { printf 'postgres://%s:%s@127.0.0.1:%s' "$1" "$(secret_of "$1")" "$PG_PORT"; }

# client URL COMMAND...: a program of PostgreSQL that is told where to connect by its environment.
client() {
  local settings
  settings="$(KETTLE_URL="$1" node -e '
    const { hostname, port, username, password, pathname, searchParams } = new URL(process.env.KETTLE_URL);
    const quoted = (text) => "\x27" + decodeURIComponent(text).replaceAll("\x27", "\x27\\\x27\x27") + "\x27";
    const set = { PGHOST: hostname, PGPORT: port || "5432", PGUSER: username, PGPASSWORD: password, PGDATABASE: pathname.slice(1) };
    if (searchParams.has("sslmode")) set.PGSSLMODE = searchParams.get("sslmode");
    for (const [name, value] of Object.entries(set)) if (value) console.log(`export ${name}=${quoted(value)}`);
  ')"
  shift
  (eval "$settings" && exec "$@")
}

# Data folders of before had one role, the cluster's superuser: it becomes the administrator, and the server gets one
# that may do less. Every step may be the last one before a power cut.
convert_roles() {
  local drop='SET client_min_messages = warning; DROP ROLE IF EXISTS kettle_convert'
  if as_role "$ADMIN_ROLE" postgres <<<"$drop" >/dev/null 2>&1; then return 0; fi
  say "  Giving the database a role that may do less"
  {
    printf "SELECT 'CREATE ROLE kettle_convert SUPERUSER LOGIN' WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = 'kettle_convert') \\gexec\n"
    # Gone with the role, a moment later.
    printf "ALTER ROLE kettle_convert PASSWORD '%s';\n" "$(secret_of "$ADMIN_ROLE")"
  } | as_role "$APP_ROLE" postgres
  {
    printf "ALTER ROLE %s RENAME TO %s;\n" "$APP_ROLE" "$ADMIN_ROLE"
    printf "ALTER ROLE %s PASSWORD '%s';\n" "$ADMIN_ROLE" "$(secret_of "$ADMIN_ROLE")"
  } | PGHOST=127.0.0.1 PGPORT="$PG_PORT" PGUSER=kettle_convert PGPASSWORD="$(secret_of "$ADMIN_ROLE")" PGDATABASE=postgres \
    "$PG_BIN/psql" --no-psqlrc --quiet --set=ON_ERROR_STOP=1 --single-transaction
  as_role "$ADMIN_ROLE" postgres <<<"$drop"
}

# ensure_role ROLE [OPTION]: it is there, with its password, and may do no more than it should.
ensure_role() {
  {
    printf "SELECT 'CREATE ROLE %s' WHERE NOT EXISTS (SELECT FROM pg_roles WHERE rolname = '%s') \\gexec\n" "$1" "$1"
    printf "ALTER ROLE %s LOGIN NOSUPERUSER NOCREATEROLE NOBYPASSRLS %s PASSWORD '%s';\n" "$1" "${2:-NOCREATEDB}" "$(secret_of "$1")"
  } | as_role "$ADMIN_ROLE" postgres
}

# ensure_database DATABASE ROLE: it is there, and everything in it is that role's.
ensure_database() {
  {
    printf "SELECT 'CREATE DATABASE %s OWNER %s' WHERE NOT EXISTS (SELECT FROM pg_database WHERE datname = '%s') \\gexec\n" "$1" "$2" "$1"
    printf 'ALTER DATABASE %s OWNER TO %s;\n' "$1" "$2"
  } | as_role "$ADMIN_ROLE" postgres || die "the database $1 could not be given to $2"
  as_role "$ADMIN_ROLE" "$1" <<SQL
DO \$\$
DECLARE statement pg_catalog.text;
BEGIN
  FOR statement IN
    SELECT pg_catalog.format('ALTER %s %s OWNER TO $2',
      CASE WHEN relkind OPERATOR(pg_catalog.=) 'v' THEN 'VIEW' WHEN relkind OPERATOR(pg_catalog.=) 'S' THEN 'SEQUENCE' ELSE 'TABLE' END,
      oid::pg_catalog.regclass)
    FROM pg_catalog.pg_class
    WHERE relnamespace OPERATOR(pg_catalog.=) 'public'::pg_catalog.regnamespace
      AND relkind OPERATOR(pg_catalog.=) ANY ('{r,p,v,S}'::pg_catalog."char"[]) AND relowner OPERATOR(pg_catalog.<>) '$2'::pg_catalog.regrole
      AND NOT EXISTS (SELECT FROM pg_catalog.pg_depend
        WHERE objid OPERATOR(pg_catalog.=) pg_class.oid AND deptype OPERATOR(pg_catalog.=) ANY ('{a,i,e}'::pg_catalog."char"[])
          AND classid OPERATOR(pg_catalog.=) 'pg_catalog.pg_class'::pg_catalog.regclass)
    UNION ALL
    SELECT pg_catalog.format('ALTER ROUTINE %s OWNER TO $2', oid::pg_catalog.regprocedure)
    FROM pg_catalog.pg_proc
    WHERE pronamespace OPERATOR(pg_catalog.=) 'public'::pg_catalog.regnamespace AND proowner OPERATOR(pg_catalog.<>) '$2'::pg_catalog.regrole
      AND NOT EXISTS (SELECT FROM pg_catalog.pg_depend
        WHERE objid OPERATOR(pg_catalog.=) pg_proc.oid AND deptype OPERATOR(pg_catalog.=) 'e'::pg_catalog."char")
  LOOP
    EXECUTE statement;
  END LOOP;
END \$\$;
SQL
}

# After a kill -9 the lock file names a process that is gone, or by now another program.
clear_stale_lock() {
  local lock="$PG_DIR/data/postmaster.pid" pid
  pg test -f "$lock" || return 0
  pid="$(pg head -n 1 "$lock" | tr -dc '0-9')"
  if [ -z "$pid" ] || [ ! -d "/proc/$pid" ] || ! tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null | grep -q postgres; then
    pg rm -f "$lock"
  fi
}

free_port() {
  local port="$1"
  # The web app takes its own port a moment later.
  while port_open "$port" || [ "$port" = "${KETTLE_PORT:-4780}" ]; do port=$((port + 1)); done
  printf '%s' "$port"
}

# run_cluster PORT: starts it there; its socket folder is none, so that only loopback reaches it.
run_cluster() {
  pg "$PG_BIN/pg_ctl" -D "$PG_DIR/data" -l "$PG_DIR/log" -w -s \
    -o "-c listen_addresses=127.0.0.1 -p $1 -c unix_socket_directories=''" start >/dev/null 2>&1
}

# Sets DATABASE_URL, and PG_PORT where the cluster is our own.
start_postgres() {
  [ -z "${DATABASE_URL:-}" ] || return 0
  ensure_postgres
  place_cluster
  ensure_space "$PG_DIR" "$([ -d "$PG_DIR/data" ] && echo 64 || echo 256)"
  create_cluster
  clear_stale_lock
  mkdir -p "$DATA/postgres-users"
  started_at "$$" >"$DATA/postgres-users/$$"
  if cluster_runs; then
    PG_PORT="$(pg sed -n 4p "$PG_DIR/data/postmaster.pid")"
  else
    local try
    PG_PORT="$(free_port "$(cat "$DATA/postgres-port" 2>/dev/null || echo 4790)")"
    # After a kill -9 the last helpers of the old one may hold its memory for a second.
    for try in 1 2 3 4 5; do
      run_cluster "$PG_PORT" && break
      [ "$try" -lt 5 ] || die "PostgreSQL did not start; see $PG_DIR/log"
      sleep 1
    done
    printf '%s' "$PG_PORT" >"$DATA/postgres-port"
  fi
  convert_roles
  ensure_role "$APP_ROLE"
  ensure_database kettle "$APP_ROLE"
  DATABASE_URL="$(url_of "$APP_ROLE")/kettle"
  export DATABASE_URL
}

# Sets PG_SERVER_URL: a server without the name of a database, on which the tests make theirs.
server_for_work() {
  if [ -z "${PG_PORT:-}" ]; then
    PG_SERVER_URL="${DATABASE_URL%/*}"
    return 0
  fi
  ensure_role "$WORK_ROLE" CREATEDB
  as_role "$ADMIN_ROLE" postgres <<SQL
SELECT format('ALTER DATABASE %I OWNER TO $WORK_ROLE', datname) FROM pg_database
WHERE datname ~ '^kettle_(test|e2e|bench)' AND datdba <> '$WORK_ROLE'::regrole \gexec
SQL
  PG_SERVER_URL="$(url_of "$WORK_ROLE")"
}

# watch_postgres PID: while that process lives, starts PostgreSQL again where it has stopped, ever more seldom.
watch_postgres() {
  local wait_s=1
  while kill -0 "$1" 2>/dev/null; do
    sleep "$wait_s"
    if cluster_runs; then
      wait_s=2
      continue
    fi
    kill -0 "$1" 2>/dev/null || return 0
    clear_stale_lock
    run_cluster "$PG_PORT" || true
    wait_s=$((wait_s < 60 ? wait_s * 2 : 60))
  done
}

# What used PostgreSQL is done with it: the last of the runs that use it stops it.
release_postgres() {
  [ -f "$DATA/postgres-users/$$" ] || return 0
  rm -f "$DATA/postgres-users/$$"
  local user
  for user in "$DATA"/postgres-users/*; do
    # A pid may by now be another process's.
    [ -f "$user" ] && [ "$(cat "$user")" = "$(started_at "${user##*/}")" ] && return 0
  done
  stop_postgres
}

stop_postgres() {
  rm -rf "$DATA/postgres-users"
  find_postgres || return 0
  { [ -d "$DATA/postgres" ] || [ -f "$DATA/postgres-folder" ]; } || return 0
  place_cluster
  cluster_runs || return 0
  local said
  # Another hand may stop it in the same moment: the start script does, when its server is ended by "stop".
  said="$(pg "$PG_BIN/pg_ctl" -D "$PG_DIR/data" -m fast -w -s stop 2>&1)" || ! cluster_runs || die "PostgreSQL did not stop: $said"
}
