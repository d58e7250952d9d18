# Words to the person, and long steps that show they are alive. Sourced by ./kettle.

DATA="${KETTLE_DATA:-$ROOT/.kettle}"

say() { printf '%s\n' "$*"; }

die() {
  printf 'kettle: %s\n' "$*" >&2
  exit 1
}

# step MESSAGE COMMAND...: runs it, shows the seconds, and on failure the end of what it printed.
step() {
  local message="$1" log began pid shown=0
  shift
  mkdir -p "$DATA"
  # Two may go side by side.
  log="$DATA/step-$BASHPID.log"
  began=$SECONDS
  printf '  %s ' "$message"
  "$@" >"$log" 2>&1 &
  pid=$!
  while kill -0 "$pid" 2>/dev/null; do
    sleep 0.2
    if [ $((SECONDS - began)) -ge $((shown + 3)) ]; then
      shown=$((SECONDS - began))
      printf '.'
    fi
  done
  if wait "$pid"; then
    printf ' done (%d s)\n' $((SECONDS - began))
    rm -f "$log"
  else
    printf ' failed\n'
    tail -n 30 "$log" >&2
    die "\"$message\" failed; its whole output is in $log"
  fi
}

# as_root COMMAND...: directly, through sudo, or not at all with the command to run.
as_root() {
  if [ "$(id -u)" -eq 0 ]; then
    "$@"
  elif command -v sudo >/dev/null 2>&1 && { sudo -n true 2>/dev/null || [ -t 0 ]; }; then
    sudo "$@"
  else
    return 77
  fi
}

port_open() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# started_at PID: when a process began, in ticks since the machine started; nothing where there is none.
started_at() { sed 's/.*) //' "/proc/$1/stat" 2>/dev/null | cut -d' ' -f20; }

# ensure_space FOLDER MB: stops with words where the disk has less.
ensure_space() {
  local free
  free="$(df -Pm "$1" | awk 'NR == 2 { print $4 }')"
  [ "$free" -ge "$2" ] || die "no space left: $2 MB wanted in $1, $free MB free. Make room and start again; nothing was changed"
}
