# Starts database and server, and stops both.

port="${JUXTOPSIS_PORT:-5480}"
host="${JUXTOPSIS_HOST:-127.0.0.1}"

# health ADDRESS — "well", "down", or nothing where no Juxtopsis answers.
health() {
  node -e 'fetch(process.argv[1], { signal: AbortSignal.timeout(4000) }).then(r => r.json()).then(h => h.parts && console.log(h.status)).catch(() => {})' "$1/health"
}
port_taken() { node -e 'require("net").connect(+process.argv[1], "127.0.0.1").on("connect", () => process.exit(0)).on("error", () => process.exit(1))' "$1"; }

# server_start PORT DATABASE LOG — starts the server in the background; its process is $server.
server_start() {
  (
    cd "$app"
    ConnectionStrings__Juxtopsis="$2" Juxtopsis__Pages="$pages" Juxtopsis__Hosts="${JUXTOPSIS_HOSTS:-}" ASPNETCORE_URLS="http://$host:$1" \
      DOTNET_TieredPGO=0 exec dotnet Juxtopsis.Server.dll
  ) >"$3" 2>&1 &
  server=$!
}

# server_wait ADDRESS LOG — until it and its database are well; for a while only, then it is enough that it answers.
server_wait() {
  local i said
  for i in $(seq 200); do
    said=$(health "$1")
    if [ "$said" = well ]; then return; fi
    if [ "$said" = down ] && [ "$i" -gt 60 ]; then
      say "The page computes, but nothing can be saved yet: $1/health says which part is down."
      return
    fi
    kill -0 "$server" 2>/dev/null || {
      tail -n 15 "$2" >&2
      fail "the server stopped while starting." "Its log: $2"
    }
    sleep 0.05
  done
  tail -n 15 "$2" >&2
  fail "the server did not answer within half a minute." "Its log: $2"
}

stop_all() {
  # A second Ctrl-C must not end this half way and leave the database running.
  trap '' INT TERM
  trap - EXIT
  [ -z "${server:-}" ] || { kill "$server" 2>/dev/null && wait "$server" 2>/dev/null; } || true
  [ -n "${JUXTOPSIS_DB:-}" ] || db_stop || true
}

run_start() {
  [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "JUXTOPSIS_PORT is \"$port\"; a port is a number from 1 to 65535."
  need_sdks
  [ -w "$root" ] || fail "you may not write in $root." "Clone it as the user who runs it, or give that user the folder: chown -R \$USER $root"
  local address="http://127.0.0.1:$port"
  if port_taken "$port"; then
    if [ -n "$(health "$address")" ]; then
      say "Juxtopsis is running already: $address"
      return
    fi
    fail "port $port is in use by another program." "Stop that program, or choose another port: JUXTOPSIS_PORT=$((port + 1)) ./dev start"
  fi
  build_all
  trap 'stop_all; exit 0' INT TERM
  trap stop_all EXIT
  [ -n "${JUXTOPSIS_DB:-}" ] || db_start
  server_start "$port" "$(db_connection)" "$data/server.log"
  server_wait "$address" "$data/server.log"
  say "Juxtopsis: $address"
  say "Ctrl-C stops it. Log: .data/server.log"
  wait "$server"
}
