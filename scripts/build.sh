# Builds only what changed since the last time, so that a second start is quick.

app="$data/app"
pages="$root/web/dist"

# stamp NAME PATH… — succeeds when nothing under PATH changed since `stamped NAME`.
fingerprint() {
  find "$@" -type d \( -name bin -o -name obj -o -name node_modules -o -name dist \) -prune -o -type f -printf '%p %s %T@\n' | LC_ALL=C sort | sha256sum
}
unchanged() {
  local name=$1
  shift
  [ -e "$data/stamp-$name" ] && [ "$(fingerprint "$@")" = "$(cat "$data/stamp-$name")" ]
}
stamped() {
  local name=$1
  shift
  fingerprint "$@" >"$data/stamp-$name"
}

# quietly LABEL COMMAND… — shows the output only when it fails.
quietly() {
  local label=$1
  shift
  mkdir -p "$data"
  say "$label"
  "$@" >"$data/build.log" 2>&1 || {
    grep -E 'error|Error|ERR' "$data/build.log" | sort -u | tail -n 20 >&2 || tail -n 20 "$data/build.log" >&2
    fail "\"$*\" failed." "All that it said is in .data/build.log."
  }
}

shared_inputs=(Directory.Build.props Directory.Packages.props global.json .editorconfig)

npm_install() {
  local inputs=(package.json package-lock.json web/package.json tests/e2e/package.json)
  unchanged npm "${inputs[@]}" && [ -d node_modules ] && return
  quietly "Fetching the page's packages" npm ci --no-audit --no-fund
  stamped npm "${inputs[@]}"
}

build_server() {
  local inputs=("${shared_inputs[@]}" src/Juxtopsis.Core src/Juxtopsis.Contracts src/Juxtopsis.Data src/Juxtopsis.Server)
  unchanged server "${inputs[@]}" && [ -e "$app/Juxtopsis.Server.dll" ] && return
  quietly "Building the server" dotnet publish src/Juxtopsis.Server -c Release -o "$app"
  stamped server "${inputs[@]}"
}

build_browser() {
  local inputs=("${shared_inputs[@]}" src/Juxtopsis.Core src/Juxtopsis.Contracts src/Juxtopsis.Browser)
  unchanged browser "${inputs[@]}" && [ -e artifacts/browser/wwwroot/_framework/dotnet.js ] && return
  rm -rf artifacts/browser
  quietly "Building the core for the browser" dotnet publish src/Juxtopsis.Browser -c Release -o artifacts/browser
  stamped browser "${inputs[@]}"
}

build_pages() {
  npm_install
  local inputs=(web artifacts/browser/wwwroot/_framework/dotnet.js)
  unchanged pages "${inputs[@]}" && [ -e "$pages/index.html" ] && return
  quietly "Building the page" npm run build -w web
  stamped pages "${inputs[@]}"
}

build_all() {
  mkdir -p "$data"
  build_server
  build_browser
  build_pages
}

build_types() {
  mkdir -p "$data"
  npm_install
  quietly "Building the server for its OpenAPI document" dotnet build src/Juxtopsis.Server -c Release
  quietly "Making the page's types" npm run types -w web
}

format_all() {
  mkdir -p "$data"
  npm_install
  quietly "Laying out C#" dotnet format Juxtopsis.slnx
  quietly "Laying out TypeScript" npm run format
}

run_outdated() {
  need_sdks
  dotnet list Juxtopsis.slnx package --outdated || true
  npm outdated --workspaces --include-workspace-root || true
}
