# What the machine must have, and what we install from Debian's packages, saying so first.

need_sdks() {
  command -v dotnet >/dev/null || fail "the .NET SDK is missing." \
    "Install .NET SDK 10 and have \"dotnet\" on your PATH, then try again."
  local version
  version=$(dotnet --version 2>/dev/null || true)
  case "$version" in
    10.*) ;;
    *) fail "the .NET SDK found is ${version:-none that global.json accepts}; version 10 is needed." "Install .NET SDK 10, then try again." ;;
  esac
  command -v node >/dev/null || fail "Node.js is missing." "Install Node.js 20 or newer with npm, then try again."
  local major
  major=$(node -p 'process.versions.node.split(".")[0]')
  [ "$major" -ge 20 ] || fail "Node.js $major is too old; 20 or newer is needed." "Install Node.js 20, then try again."
  command -v npm >/dev/null || fail "npm is missing." "It comes with Node.js; on Debian: apt-get install npm."
}

# install_debian WHY PACKAGE…
install_debian() {
  local why=$1
  shift
  say "Installing from Debian's packages: $* ($why)"
  command -v apt-get >/dev/null || fail "apt-get is not here, so $* cannot be installed." "Install it your system's way, then try again."
  local as=()
  if [ "$(id -u)" != 0 ]; then
    command -v sudo >/dev/null || fail "installing needs root, and sudo is not here." "As root, run: apt-get install $*" "Then try again."
    as=(sudo)
  fi
  {
    "${as[@]}" apt-get update -qq && "${as[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$@"
  } >"$data/apt.log" 2>&1 || {
    tail -n 5 "$data/apt.log" >&2
    fail "Debian's packages could not be installed." "Mend what it says above (all of it is in .data/apt.log), or run yourself: apt-get install $*"
  }
}

postgres_bin() {
  local newest
  newest=$(find /usr/lib/postgresql -mindepth 1 -maxdepth 1 -printf '%f\n' 2>/dev/null | sort -n | tail -n 1)
  [ -n "$newest" ] && [ -x "/usr/lib/postgresql/$newest/bin/initdb" ] && printf '/usr/lib/postgresql/%s/bin' "$newest"
}

need_postgres() {
  [ -n "$(postgres_bin)" ] && return
  mkdir -p "$data"
  # Debian would set up and start a cluster of its own on the standard port; ours is private, so ask it not to.
  local as=() keep=/etc/postgresql-common/createcluster.d/juxtopsis.conf
  [ "$(id -u)" = 0 ] || as=(sudo)
  install_debian "the database" postgresql-common
  "${as[@]}" mkdir -p "$(dirname "$keep")"
  echo 'create_main_cluster = false' | "${as[@]}" tee "$keep" >/dev/null
  install_debian "the database" postgresql
  "${as[@]}" rm -f "$keep"
  [ -n "$(postgres_bin)" ] || fail "PostgreSQL was installed, but its programs are not under /usr/lib/postgresql."
}

need_chromium() {
  command -v chromium >/dev/null && return
  mkdir -p "$data"
  install_debian "the browser that tests drive" chromium
}

need_pdf_tools() {
  command -v pdftotext >/dev/null && return
  mkdir -p "$data"
  install_debian "what reads PDF files back in tests" poppler-utils
}

need_cxx() {
  command -v g++ >/dev/null && return
  mkdir -p "$data"
  install_debian "the C++ compiler that the core is compared with" g++
}
