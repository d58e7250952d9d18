# Starting, stopping and testing the server. Sourced by ./kettle.

PORT="${KETTLE_PORT:-4780}"
HOST="${KETTLE_HOST:-127.0.0.1}"
# Where it is asked from here: an address that stands for all of a machine's has loopback among them.
case "$HOST" in
  0.0.0.0 | ::) ADDRESS="http://127.0.0.1:$PORT" ;;
  *:*) ADDRESS="http://[$HOST]:$PORT" ;;
  *) ADDRESS="http://$HOST:$PORT" ;;
esac

# The server of this data folder, if it runs: sets SERVER_PID, SERVER_ADDRESS and SERVER_INSTANCE.
running_server() {
  SERVER_PID="$(sed -n 1p "$DATA/server.pid" 2>/dev/null || true)"
  SERVER_ADDRESS="$(sed -n 2p "$DATA/server.pid" 2>/dev/null || true)"
  SERVER_INSTANCE="$(sed -n 3p "$DATA/server.pid" 2>/dev/null || true)"
  # A pid may by now be another program's: ours began when the file says (files of before do not), with our main.js on
  # its command line.
  local began
  began="$(sed -n 4p "$DATA/server.pid" 2>/dev/null || true)"
  [ -n "$SERVER_PID" ] && [ "${began:-$(started_at "$SERVER_PID")}" = "$(started_at "$SERVER_PID")" ] && tr '\0' ' ' <"/proc/$SERVER_PID/cmdline" 2>/dev/null | grep -qF "$ROOT/apps/server/dist/main.js"
}

# end_process PID: asks, waits ten seconds, then insists.
end_process() {
  local i
  kill -TERM "$1" 2>/dev/null || return 0
  for i in $(seq 100); do
    kill -0 "$1" 2>/dev/null || return 0
    sleep 0.1
  done
  kill -KILL "$1" 2>/dev/null || true
}

stop_everything() {
  local was=""
  if running_server; then
    end_process "$SERVER_PID"
    was="the server"
  fi
  rm -f "$DATA/server.pid"
  stop_postgres
  say "${was:+Stopped $was. }Idle Kettle is not running."
}

# healthy ADDRESS INSTANCE: whether the server that was started as INSTANCE answers there, and no other.
healthy() {
  node -e '
    const [address, instance] = process.argv.slice(1);
    fetch(address + "/api/health", { signal: AbortSignal.timeout(2000) })
      .then(async (r) => process.exit(r.ok && (await r.json()).instance === instance ? 0 : 1))
      .catch(() => process.exit(1));
  ' "$1" "$2"
}

serve() {
  ensure_node
  if running_server; then
    if healthy "$SERVER_ADDRESS" "$SERVER_INSTANCE"; then
      say "Idle Kettle is already running at $SERVER_ADDRESS (./kettle stop ends it)."
      return 0
    fi
    end_process "$SERVER_PID"
  fi
  case "$PORT" in '' | *[!0-9]*) die "KETTLE_PORT \"$PORT\" must be a port number, such as 4781" ;; esac
  if port_open "$PORT"; then
    die "port $PORT is taken by another program. Stop that one, or choose another port: KETTLE_PORT=$((PORT + 1)) ./kettle $1"
  fi
  mkdir -p "$DATA"
  ensure_space "$DATA" 64
  ensure_modules
  ensure_build
  SERVER_PID=""
  # Before anything is started, so that a Ctrl-C in the middle leaves nothing behind.
  trap 'shut_down 130' INT
  trap 'shut_down 143' TERM HUP
  start_postgres
  local instance key="$DATA/command-key"
  # What a program of this machine shows to change something; see docs/security.md.
  [ -s "$key" ] || (umask 077 && head -c 30 /dev/urandom | base64 | tr -dc 'a-zA-Z0-9' >"$key")
  instance="$(node -p 'crypto.randomUUID()')"
  # Folders of before let everybody on the machine read these.
  chmod 600 "$DATA"/server.log "$DATA"/before-restore-*.backup 2>/dev/null || true
  # The log is the server's own business, so that a full disk does not hold it up; what it says before it can log is here.
  local words="$DATA/server-start.log"
  (umask 077 && : >"$words")
  KETTLE_COMMAND_KEY="$(cat "$key")" KETTLE_INSTANCE="$instance" KETTLE_HOST="$HOST" KETTLE_PORT="$PORT" KETTLE_WEB_FOLDER="$ROOT/apps/web/dist" KETTLE_LOG_FILE="$DATA/server.log" \
    KETTLE_DEMO="$([ "$1" = demo ] && echo 1 || echo 0)" NODE_ENV=production \
    node "$ROOT/apps/server/dist/main.js" >"$words" 2>&1 &
  SERVER_PID=$!
  printf '%s\n%s\n%s\n%s\n' "$SERVER_PID" "$ADDRESS" "$instance" "$(started_at "$SERVER_PID")" >"$DATA/server.pid"
  # Seconds as a rule. A slow machine may take minutes: what answers tells, not a clock, and Ctrl-C ends it.
  local told=$SECONDS
  while ! healthy "$ADDRESS" "$instance" && kill -0 "$SERVER_PID" 2>/dev/null; do
    if [ $((SECONDS - told)) -ge 30 ]; then
      told=$SECONDS
      say "  Still starting; its log is $DATA/server.log"
    fi
    sleep 0.3
  done
  if ! kill -0 "$SERVER_PID" 2>/dev/null; then
    tail -n 5 "$words" >&2
    rm -f "$DATA/server.pid"
    release_postgres
    die "the server did not start; its log is $DATA/server.log"
  fi
  local watcher=""
  if [ -n "$PG_PORT" ]; then
    watch_postgres "$SERVER_PID" &
    watcher=$!
  fi
  say ""
  say "  Idle Kettle is on the stove: $ADDRESS"
  say "  Ctrl-C stops it; its log is $DATA/server.log"
  [ "$HOST" = 127.0.0.1 ] || say "  Whoever reaches this machine at $HOST may read and change everything here; see docs/security.md."
  local code=0
  wait "$SERVER_PID" || code=$?
  [ -z "$watcher" ] || kill "$watcher" 2>/dev/null || true
  rm -f "$DATA/server.pid"
  release_postgres
  case "$code" in
    0 | 130 | 143) say "Stopped." ;;
    *)
      tail -n 5 "$words" >&2
      die "the server ended by itself (code $code); its log is $DATA/server.log"
      ;;
  esac
}

shut_down() {
  # Asked twice is asked once: what is being ended ends in order.
  trap '' INT TERM HUP
  say ""
  [ -z "$SERVER_PID" ] || end_process "$SERVER_PID"
  rm -f "$DATA/server.pid"
  release_postgres
  say "Stopped."
  exit "$1"
}

# test [STAGE...]: every check, or some stages. "quick": types, and the unit tests of what changed.
run_tests() {
  ensure_node
  if [ "${1:-}" = quick ]; then
    ensure_modules
    start_postgres
    trap release_postgres EXIT
    server_for_work
    cd "$ROOT"
    TEST_SERVER_URL="$PG_SERVER_URL" node scripts/test.mjs quick
    return
  fi
  ensure_for_tests
  ensure_build
  start_postgres
  trap release_postgres EXIT
  server_for_work
  cd "$ROOT"
  TEST_SERVER_URL="$PG_SERVER_URL" node scripts/test.mjs "$@"
}

# How fast the core is and how good its forecasts; with "browser", how soon the panel follows a key in the real browser; with
# "probes", how many instruments the server takes.
run_bench() {
  { ensure_node && ensure_modules && ensure_build; } >&2
  case "${1:-}" in
    '') exec node "$ROOT/scripts/bench.mjs" ;;
    lines)
      cd "$ROOT"
      KETTLE_LINES="${2:-100000}" KETTLE_SEED="${3:-$RANDOM}" exec npx jest packages/core/src/reading/drawn-lines
      ;;
    browser | probes | lists | import | fuzz | soak | faults) ;;
    *) die "there is no bench \"$1\"; write nothing, lines, browser, probes, lists, import, fuzz, soak or faults" ;;
  esac
  case "$1" in browser | faults) ensure_chromium ;; esac
  start_postgres
  trap release_postgres EXIT
  server_for_work
  export TEST_SERVER_URL="$PG_SERVER_URL"
  case "$1" in
    browser | faults) cd "$ROOT/e2e" ;;
    *)
      node "$ROOT/scripts/bench-$1.mjs" "${@:2}"
      return
      ;;
  esac
  [ "$1" = browser ] || {
    FAULTS="${2:-200}" FAULT_SEED="${3:-}" npx playwright test faults --reporter=list
    return
  }
  npx playwright test speed --reporter=list
}
