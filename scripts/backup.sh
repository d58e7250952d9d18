# The whole database to a file and back. Sourced by ./kettle.

# A path as the caller meant it: from where they stand.
from_here() { case "$1" in /*) printf '%s' "$1" ;; *) printf '%s/%s' "$PWD" "$1" ;; esac; }

# Where a file is written while it is not whole.
half_done() { mktemp "$(dirname "$1")/.kettle-XXXXXX"; }

# backup [FILE]: everything there is, also while the server runs.
backup() {
  local file half
  file="$(from_here "${1:-idle-kettle-$(date +%Y-%m-%d-%H%M%S).backup}")"
  [ ! -e "$file" ] || die "$file is there already; write another name"
  [ -d "$(dirname "$file")" ] || die "there is no folder $(dirname "$file")"
  ensure_postgres
  start_postgres
  trap release_postgres EXIT
  half="$(half_done "$file")"
  if ! client "$DATABASE_URL" "$PG_BIN/pg_dump" --format=custom --no-owner --no-privileges --file="$half"; then
    rm -f "$half"
    die "the database could not be written to $file"
  fi
  mv "$half" "$file"
  say "Everything is in $file ($(du -h "$file" | cut -f1)). Keep it elsewhere; ./kettle restore brings it back."
}

# What a backup of ours holds, line by line of its contents; anything else is of somebody who wants more than to restore.
KNOWN_CONTENTS='^[0-9]+; [0-9]+ [0-9]+ ((TABLE|TABLE DATA|INDEX|CONSTRAINT|FK CONSTRAINT|TRIGGER|FUNCTION|SEQUENCE|SEQUENCE SET|DEFAULT) public |(EXTENSION|COMMENT) - (EXTENSION )?pg_trgm)'

# restore FILE: the database becomes what the file holds, or stays as it was.
restore() {
  local file contents sql before
  [ -n "${1:-}" ] || die "say which file: ./kettle restore idle-kettle-2026-11-25-090000.backup"
  file="$(from_here "$1")"
  [ -f "$file" ] || die "there is no file $file"
  ! running_server || die "the server runs; end it first with ./kettle stop"
  ensure_postgres
  contents="$("$PG_BIN/pg_restore" --list "$file" 2>/dev/null | grep -v '^;' || true)"
  case "$contents" in
    *' TABLE public batch_events '*) ;;
    *) die "$file is no backup of Idle Kettle, or it is damaged" ;;
  esac
  if printf '%s\n' "$contents" | grep -vqE "$KNOWN_CONTENTS"; then
    die "$file holds what no backup of Idle Kettle does: $(printf '%s\n' "$contents" | grep -vE "$KNOWN_CONTENTS" | head -n 1). Nothing was changed"
  fi
  start_postgres
  trap release_postgres EXIT
  sql="$(half_done "$DATA/restore")"
  # The file is read whole before anything is touched.
  if ! "$PG_BIN/pg_restore" --no-owner --no-privileges --exit-on-error --file="$sql" "$file"; then
    rm -f "$sql"
    die "$file is damaged; nothing was changed"
  fi
  before="$DATA/before-restore-$(date +%Y-%m-%d-%H%M%S).backup"
  (umask 077 && client "$DATABASE_URL" "$PG_BIN/pg_dump" --format=custom --no-owner --no-privileges --file="$before") || die "what is there now could not be kept in $before; nothing was changed"
  if ! put_in_place "$sql"; then
    rm -f "$sql"
    die "$file could not be brought back; nothing was changed"
  fi
  rm -f "$sql"
  say "Everything in $file is back. What was there before is in $before."
}

# put_in_place SQL: as the role that owns the database and may do nothing else. In a database of our own cluster what the
# file holds is put beside what is there, and takes its name once it is whole.
put_in_place() {
  if [ -z "$PG_PORT" ]; then
    { printf 'DROP SCHEMA public CASCADE;\nCREATE SCHEMA public;\n' && cat "$1"; } |
      client "$DATABASE_URL" "$PG_BIN/psql" --single-transaction --quiet --no-psqlrc --set=ON_ERROR_STOP=1 >/dev/null
    return
  fi
  as_role "$ADMIN_ROLE" postgres <<<"DROP DATABASE IF EXISTS kettle_restored" 2>/dev/null &&
    as_role "$ADMIN_ROLE" postgres <<<"CREATE DATABASE kettle_restored OWNER $APP_ROLE" &&
    as_role "$APP_ROLE" kettle_restored --single-transaction <"$1" >/dev/null &&
    as_role "$ADMIN_ROLE" postgres --single-transaction <<SQL &&
ALTER DATABASE kettle RENAME TO kettle_replaced;
ALTER DATABASE kettle_restored RENAME TO kettle;
SQL
    as_role "$ADMIN_ROLE" postgres <<<"DROP DATABASE kettle_replaced"
}
