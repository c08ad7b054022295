# Sourced by bin/demo and bin/test: installs what is missing and builds what has changed, saying each
# step in one line. Does nothing where nothing is missing.

set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."

export BUNDLE_GEMFILE="$PWD/Gemfile"
export BUNDLE_PATH="${BUNDLE_PATH:-${XDG_DATA_HOME:-$HOME/.local/share}/sheet-trace/gems}" # one for all clones
export MAKEFLAGS="${MAKEFLAGS:--j$(nproc)}"

RUNTIME_PACKAGES="ruby ruby-dev bundler build-essential pkg-config libsqlite3-dev libvips42 libcairo2-dev libcholmod3 libopenblas0-pthread fonts-dejavu-core"
TEST_PACKAGES="chromium-headless-shell chromium-driver assimp-utils librsvg2-bin libtiff-tools poppler-utils"

say() { printf '==> %s\n' "$*"; }
as_root() { if [ "$(id -u)" -eq 0 ]; then "$@"; else sudo "$@"; fi; }

install_packages() {
  local missing=() name
  for name in "$@"; do
    dpkg-query -W -f='${Status}' "$name" 2>/dev/null | grep -q 'ok installed' || missing+=("$name")
  done
  # Node.js may come from anywhere, as long as it is there.
  command -v npm >/dev/null || missing+=(nodejs npm)
  [ ${#missing[@]} -eq 0 ] && return
  say "installing Debian packages: ${missing[*]}"
  as_root apt-get update -qq
  as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
}

install_gems() {
  bundle check >/dev/null 2>&1 && return
  say "installing gems into $BUNDLE_PATH"
  bundle install --quiet --jobs "$(nproc)"
}

digest_of() { cat "$@" | sha256sum | cut -d' ' -f1; }

install_npm_packages() {
  local wanted
  wanted=$(digest_of web/package-lock.json)
  [ "$(cat web/node_modules/.installed 2>/dev/null)" = "$wanted" ] && return
  say "installing npm packages"
  (cd web && npm ci --no-fund --no-audit --silent)
  echo "$wanted" > web/node_modules/.installed
}

build_front_end() {
  local wanted
  wanted=$(find web/src web/index.html web/vite.config.ts web/package-lock.json -type f | LC_ALL=C sort | xargs cat | sha256sum | cut -d' ' -f1)
  [ "$(cat web/dist/.built 2>/dev/null)" = "$wanted" ] && return
  say "building the front end"
  (cd web && npx vite build --logLevel warn)
  echo "$wanted" > web/dist/.built
}
