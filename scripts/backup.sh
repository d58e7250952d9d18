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
  if ! "$PG_BIN/pg_dump" --format=custom --no-owner --no-privileges --file="$half" "$DATABASE_URL"; then
    rm -f "$half"
    die "the database could not be written to $file"
  fi
  mv "$half" "$file"
  say "Everything is in $file ($(du -h "$file" | cut -f1)). Keep it elsewhere; ./kettle restore brings it back."
}

# restore FILE: the database becomes what the file holds, or stays as it was.
restore() {
  local file sql before
  [ -n "${1:-}" ] || die "say which file: ./kettle restore idle-kettle-2026-11-25-090000.backup"
  file="$(from_here "$1")"
  [ -f "$file" ] || die "there is no file $file"
  ! running_server || die "the server runs; end it first with ./kettle stop"
  ensure_postgres
  case "$("$PG_BIN/pg_restore" --list "$file" 2>/dev/null)" in
    *' TABLE public batch_events '*) ;;
    *) die "$file is no backup of Idle Kettle, or it is damaged" ;;
  esac
  start_postgres
  trap release_postgres EXIT
  sql="$(half_done "$DATA/restore")"
  # The file is read whole before anything is touched.
  if ! "$PG_BIN/pg_restore" --no-owner --no-privileges --exit-on-error --file="$sql" "$file"; then
    rm -f "$sql"
    die "$file is damaged; nothing was changed"
  fi
  before="$DATA/before-restore-$(date +%Y-%m-%d-%H%M%S).backup"
  "$PG_BIN/pg_dump" --format=custom --no-owner --no-privileges --file="$before" "$DATABASE_URL" || die "what is there now could not be kept in $before; nothing was changed"
  if ! { printf 'DROP SCHEMA public CASCADE;\nCREATE SCHEMA public;\n' && cat "$sql"; } |
    "$PG_BIN/psql" "$DATABASE_URL" --single-transaction --quiet --no-psqlrc --set=ON_ERROR_STOP=1 >/dev/null; then
    rm -f "$sql"
    die "$file could not be brought back; nothing was changed"
  fi
  rm -f "$sql"
  say "Everything in $file is back. What was there before is in $before."
}
