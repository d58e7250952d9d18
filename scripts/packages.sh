# What the product stands on: Node, Debian's packages, npm modules, the build. Sourced by ./kettle.

ensure_node() {
  command -v node >/dev/null 2>&1 || die "Node.js 20 or newer is needed and was not found; install it and run this again"
  local major
  major="$(node -p 'process.versions.node.split(".")[0]')"
  [ "$major" -ge 20 ] || die "Node.js 20 or newer is needed; this is $(node --version)"
  command -v npm >/dev/null 2>&1 || die "npm is needed and was not found; it comes with Node.js"
}

# install_debian WHAT PACKAGE...
install_debian() {
  local what="$1"
  shift
  local by_hand="apt-get update && apt-get install -y --no-install-recommends $*"
  command -v apt-get >/dev/null 2>&1 || die "$what is missing, and this is not Debian; install it your way and run this again"
  as_root true || die "$what is missing. Run this as root, or: sudo sh -c '$by_hand'"
  step "Reading Debian's package list" as_root apt-get update -q
  step "Installing $what" as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "$@"
}

CHROMIUM="${KETTLE_CHROMIUM:-/usr/bin/chromium-headless-shell}"
export KETTLE_CHROMIUM="$CHROMIUM"
has_chromium() {
  [ -x "$CHROMIUM" ] && return 0
  [ "$CHROMIUM" = /usr/bin/chromium-headless-shell ] || die "KETTLE_CHROMIUM is $CHROMIUM, where there is no program"
  return 1
}

ensure_chromium() { has_chromium || install_debian "Chromium, for the tests" chromium-headless-shell; }

debian_for_tests() {
  local missing=()
  # Somebody's own PostgreSQL needs none of Debian's.
  [ -n "${DATABASE_URL:-}" ] || find_postgres || {
    prepare_for_postgres
    missing+=(postgresql)
  }
  has_chromium || missing+=(chromium-headless-shell)
  [ ${#missing[@]} -eq 0 ] || install_debian "PostgreSQL and Chromium, for the tests" "${missing[@]}"
}

# What comes from Debian and what comes from npm: side by side, unless sudo has to ask for a password.
ensure_for_tests() {
  local installs said failed=""
  if ! as_root true </dev/null 2>/dev/null; then
    debian_for_tests
    ensure_modules
    return 0
  fi
  mkdir -p "$DATA"
  said="$DATA/debian-said-$$"
  debian_for_tests >"$said" 2>&1 &
  installs=$!
  (ensure_modules) || failed=yes
  wait "$installs" || failed=yes
  cat "$said"
  rm -f "$said"
  [ -z "$failed" ] || exit 1
}

# The stamp lies in node_modules, so that it goes when they go.
ensure_modules() {
  local stamp="$ROOT/node_modules/.kettle-stamp" wanted
  wanted="$(node --version) $(sha256sum <"$ROOT/package-lock.json")"
  [ "$(cat "$stamp" 2>/dev/null || true)" = "$wanted" ] && return 0
  [ -w "$ROOT" ] || die "$ROOT cannot be written by $(id -un); run this as its owner"
  step "Installing npm packages (a minute or two)" npm --prefix "$ROOT" ci --ignore-scripts --no-audit --no-fund --loglevel=error
  printf '%s' "$wanted" >"$stamp"
}

sources_state() {
  (
    cd "$ROOT"
    # A missing optional folder is no failure.
    { find package-lock.json tsconfig*.json packages/*/src packages/*/*.json apps/*/src apps/*/public apps/*/*.json apps/web/index.html apps/web/vite.config.ts \
      -type f -printf '%p %s %T@\n' 2>/dev/null || true; } | LC_ALL=C sort | sha256sum
  )
}

ensure_build() {
  local stamp="$ROOT/node_modules/.kettle-build" wanted
  wanted="$(sources_state)"
  if [ "$(cat "$stamp" 2>/dev/null || true)" = "$wanted" ] && [ -f "$ROOT/apps/server/dist/main.js" ] && [ -f "$ROOT/apps/calc/dist/main.js" ] && [ -f "$ROOT/apps/web/dist/index.html" ]; then
    return 0
  fi
  step "Building (half a minute)" npm --prefix "$ROOT" run build --silent
  printf '%s' "$wanted" >"$stamp"
}
