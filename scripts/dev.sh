# Working on the product: everything reloads on save, on ports and a database of its own. Sourced by ./kettle.

DEV_PORT="${KETTLE_DEV_PORT:-4783}"

# dev: the compiler, the server and the web app, each watching; Ctrl-C ends all three.
dev() {
  ensure_node
  ensure_modules
  case "$DEV_PORT" in '' | *[!0-9]*) die "KETTLE_DEV_PORT \"$DEV_PORT\" must be a port number, such as 4783" ;; esac
  local server_port
  server_port="$(free_port $((DEV_PORT + 1)))"
  port_open "$DEV_PORT" && die "port $DEV_PORT is taken. Choose another: KETTLE_DEV_PORT=$((DEV_PORT + 10)) ./kettle dev"
  step "Compiling (some seconds)" npm --prefix "$ROOT" run compile --silent
  # A database of its own, beside the one of ./kettle demo, unless one is given.
  local given="${DATABASE_URL:-}"
  start_postgres
  trap release_postgres EXIT
  if [ -z "$given" ]; then
    server_for_work
    ensure_database kettle_dev "$WORK_ROLE"
    DATABASE_URL="$PG_SERVER_URL/kettle_dev"
    export DATABASE_URL
  fi
  say ""
  say "  Saved files reload at http://127.0.0.1:$DEV_PORT, with the demo household. Ctrl-C ends it."
  say ""
  cd "$ROOT"
  PATH="$ROOT/node_modules/.bin:$PATH" KETTLE_PORT="$server_port" KETTLE_DEV_PORT="$DEV_PORT" KETTLE_DEMO=1 KETTLE_LOG_LEVEL=warn \
    concurrently --kill-others --names types,server,web --prefix-colors gray,yellow,magenta \
    'tsc -b --watch --preserveWatchOutput' \
    'node --watch --watch-preserve-output apps/server/dist/main.js' \
    'npm run dev -w @idle-kettle/web --silent' &
  local watchers=$!
  trap 'end_process "$watchers"; exit 143' INT TERM HUP
  wait "$watchers"
}
