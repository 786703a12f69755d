# Installs what is missing. Sourced by ./start and ./test; every step says what it does and how to help it along.

# Runs it while no other start or test of this folder does: two must not install or build over each other.
alone() {
  command -v flock >/dev/null || { "$@"; return; }
  (
    flock -n 9 || { echo "Another start or test of this folder is installing or building: waiting for it ..."; flock 9; }
    "$@"
  ) 9<ops/prepare.sh
}

die() { printf '%s\n' "$*" >&2; exit 1; }

need_node() {
  command -v node >/dev/null || die "Node.js is missing. Install Node.js 20 (apt-get install nodejs npm, or your own build) and try again."
  node -e 'const [a,b]=process.versions.node.split(".").map(Number);process.exit(a>20||(a===20&&b>=11)?0:1)' \
    || die "Node.js $(node -v) is too old. Brass Nut wants 20.11 or newer."
}

# need_debian <command or file to look for> <package>
install_debian() {
  local package=$1 as=()
  if [ "$(id -u)" -ne 0 ]; then
    if sudo -n true 2>/dev/null; then as=(sudo -n); else die "$package is missing. Run once: sudo apt-get install -y --no-install-recommends $package"; fi
  fi
  command -v apt-get >/dev/null || die "$package is missing and this is not Debian: install it by hand and try again."
  echo "Installing $package from Debian's packages ..."
  # The package would start a cluster of its own, which is not wanted here.
  if [ "$package" = postgresql ] && [ ! -e /etc/postgresql-common/createcluster.conf ]; then
    "${as[@]}" mkdir -p /etc/postgresql-common
    echo 'create_main_cluster = false' | "${as[@]}" tee /etc/postgresql-common/createcluster.conf >/dev/null
  fi
  debian_package "$package" || { "${as[@]}" apt-get update 2>&1 | sed -u 's/^/  /' || true; debian_package "$package"; } \
    || die "Could not install $package. With a network, run: apt-get update && apt-get install -y $package"
}

# Says what apt is doing, indented. Uses install_debian's `as`.
debian_package() {
  "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y --no-install-recommends "$1" 2>&1 | grep --line-buffered -E '^(Get:|Unpacking|Setting up|E:|Err)' | sed -u 's/^/  /'
}

need_postgres() {
  [ -n "${DATABASE_URL:-}" ] && [ "${1:-}" != own ] && return
  ls /usr/lib/postgresql/*/bin/initdb >/dev/null 2>&1 || command -v initdb >/dev/null || install_debian postgresql
}

need_chromium() {
  [ -x /usr/bin/chromium-headless-shell ] || [ -x /usr/bin/chromium ] || install_debian chromium-headless-shell
}

need_packages() { alone install_packages; }
install_packages() {
  local want
  want=$(sha256sum package-lock.json | cut -d' ' -f1)
  [ "$(cat node_modules/.brass-nut-lock 2>/dev/null)" = "$want" ] && return
  command -v npm >/dev/null || die "npm is missing. Install it (apt-get install npm) and try again."
  echo "Installing the npm packages of the lock file ..."
  npm ci --no-fund --no-audit || die "npm ci failed. It needs the npm registry once: check the network and the disk, then try again."
  echo "$want" > node_modules/.brass-nut-lock
}

need_build() { alone build; }
build() {
  local newer
  if [ -e dist/.built ]; then
    newer=$(find app core record sync catalog store astro.config.mjs package-lock.json tsconfig.json -newer dist/.built -type f -print -quit)
    [ -z "$newer" ] && return
  fi
  echo "Building ..."
  local log
  log=$(mktemp)
  ASTRO_TELEMETRY_DISABLED=1 npx --no-install astro build --silent >"$log" 2>&1 || { tail -n 30 "$log" >&2; rm -f "$log"; die "The build failed."; }
  rm -f "$log"
  touch dist/.built
}
