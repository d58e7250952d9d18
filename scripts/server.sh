# Starting, stopping and testing the server. Sourced by ./kettle.

PORT="${KETTLE_PORT:-4780}"
ADDRESS="http://127.0.0.1:$PORT"

# The server of this data folder, if it runs: sets SERVER_PID, SERVER_ADDRESS and SERVER_INSTANCE.
running_server() {
  SERVER_PID="$(sed -n 1p "$DATA/server.pid" 2>/dev/null || true)"
  SERVER_ADDRESS="$(sed -n 2p "$DATA/server.pid" 2>/dev/null || true)"
  SERVER_INSTANCE="$(sed -n 3p "$DATA/server.pid" 2>/dev/null || true)"
  # A pid may by now be another program's; ours has our main.js on its command line.
  [ -n "$SERVER_PID" ] && [ -d "/proc/$SERVER_PID" ] && tr '\0' ' ' <"/proc/$SERVER_PID/cmdline" 2>/dev/null | grep -qF "$ROOT/apps/server/dist/main.js"
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
  ensure_modules
  ensure_build
  SERVER_PID=""
  # Before anything is started, so that a Ctrl-C in the middle leaves nothing behind.
  trap 'shut_down 130' INT
  trap 'shut_down 143' TERM HUP
  start_postgres
  local instance
  instance="$(node -p 'crypto.randomUUID()')"
  KETTLE_INSTANCE="$instance" KETTLE_PORT="$PORT" KETTLE_WEB_FOLDER="$ROOT/apps/web/dist" KETTLE_DEMO="$([ "$1" = demo ] && echo 1 || echo 0)" NODE_ENV=production \
    node "$ROOT/apps/server/dist/main.js" >>"$DATA/server.log" 2>&1 &
  SERVER_PID=$!
  printf '%s\n%s\n%s\n' "$SERVER_PID" "$ADDRESS" "$instance" >"$DATA/server.pid"
  # Seconds as a rule; a small machine with its processor taken may need a minute.
  local i
  for i in $(seq 200); do
    healthy "$ADDRESS" "$instance" && break
    kill -0 "$SERVER_PID" 2>/dev/null || break
    sleep 0.3
  done
  if ! kill -0 "$SERVER_PID" 2>/dev/null || ! healthy "$ADDRESS" "$instance"; then
    end_process "$SERVER_PID"
    tail -n 5 "$DATA/server.log" >&2
    rm -f "$DATA/server.pid"
    release_postgres
    die "the server did not start; its log is $DATA/server.log"
  fi
  say ""
  say "  Idle Kettle is on the stove: $ADDRESS"
  say "  Ctrl-C stops it; its log is $DATA/server.log"
  local code=0
  wait "$SERVER_PID" || code=$?
  rm -f "$DATA/server.pid"
  release_postgres
  case "$code" in
    0 | 130 | 143) say "Stopped." ;;
    *)
      tail -n 5 "$DATA/server.log" >&2
      die "the server ended by itself (code $code); its log is $DATA/server.log"
      ;;
  esac
}

shut_down() {
  trap - INT TERM HUP
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
    cd "$ROOT"
    TEST_SERVER_URL="$PG_SERVER_URL" node scripts/test.mjs quick
    return
  fi
  ensure_for_tests
  ensure_build
  start_postgres
  trap release_postgres EXIT
  cd "$ROOT"
  TEST_SERVER_URL="$PG_SERVER_URL" node scripts/test.mjs "$@"
}

# How fast the core is and how good its forecasts; with "browser", how soon the panel follows a key in the real browser; with
# "probes", how many instruments the server takes.
run_bench() {
  { ensure_node && ensure_modules && ensure_build; } >&2
  case "${1:-}" in
    '') exec node "$ROOT/scripts/bench.mjs" ;;
    browser | probes | lists) ;;
    *) die "there is no bench \"$1\"; write nothing, browser, probes or lists" ;;
  esac
  [ "$1" != browser ] || ensure_chromium
  start_postgres
  trap release_postgres EXIT
  if [ "$1" != browser ]; then
    node "$ROOT/scripts/bench-$1.mjs" "${@:2}"
    return
  fi
  cd "$ROOT/e2e"
  TEST_SERVER_URL="$PG_SERVER_URL" npx playwright test speed --reporter=list
}
