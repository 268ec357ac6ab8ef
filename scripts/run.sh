# Starts database and server, and stops both.

port="${JUXTOPSIS_PORT:-5480}"
host="${JUXTOPSIS_HOST:-127.0.0.1}"

# The address at which this machine itself reaches the server, whatever it listens on.
here() {
  case "$host" in
    0.0.0.0 | '*' | + | '') printf '127.0.0.1' ;;
    :: | '[::]') printf '[::1]' ;;
    \[*) printf '%s' "$host" ;;
    *:*) printf '[%s]' "$host" ;;
    *) printf '%s' "$host" ;;
  esac
}
listens_on() { case "$host" in \[*) printf '%s' "$host" ;; *:*) printf '[%s]' "$host" ;; *) printf '%s' "$host" ;; esac; }

# health ADDRESS — "well", "down", or nothing where no Juxtopsis answers.
health() {
  node -e 'fetch(process.argv[1], { signal: AbortSignal.timeout(4000) }).then(r => r.json()).then(h => h.parts && console.log(h.status)).catch(() => {})' "$1/health"
}
port_taken() { node -e 'require("net").connect(+process.argv[1], process.argv[2].replace(/[[\]]/g, "")).on("connect", () => process.exit(0)).on("error", () => process.exit(1))' "$1" "$(here)"; }

# server_start PORT DATABASE LOG — starts the server in the background; its process is $server.
server_start() {
  (
    cd "$app"
    ConnectionStrings__Juxtopsis="$2" Juxtopsis__Pages="$pages" Juxtopsis__Hosts="${JUXTOPSIS_HOSTS:-}" Juxtopsis__SharedHosts="${JUXTOPSIS_SHARED_HOSTS:-}" Juxtopsis__Demo="${with_demo:-true}" ASPNETCORE_URLS="http://$(listens_on):$1" \
      DOTNET_TieredPGO=0 exec dotnet Juxtopsis.Server.dll
  ) >"$3" 2>&1 8>&- 9>&- &
  server=$!
  printf '%s' "$server" >"$data/$cluster-server.pid"
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

# One start of a clone at a time: who holds the lock owns the private database.
start_lock() {
  mkdir -p "$data"
  exec 9>>"$data/$cluster-start.lock"
  flock -n 9 || return 1
  printf '%s %s %s\n' "$$" "$(here)" "$port" >"$data/$cluster-start.owner"
}

# The address at which a start that is under way here answers.
running_at() {
  local pid at its
  read -r pid at its <"$data/$cluster-start.owner" 2>/dev/null || return 1
  printf 'http://%s:%s' "$at" "$its"
}

# not_running — ends unless nothing of this clone runs.
not_running() {
  start_lock || fail "Juxtopsis runs here: $(running_at)." "Stop it first (Ctrl-C where it was started), then try again."
}

# Whatever ends by itself, server or database, is started again; five times in a minute is no accident.
most_restarts="${JUXTOPSIS_MOST_RESTARTS:-5}"
watch_over() {
  local address=$1 again=() now
  while sleep 1; do
    if ! kill -0 "$server" 2>/dev/null; then
      say "The server ended by itself; it is started again. Its log: .data/server.log"
      cp "$data/server.log" "$data/server.log.before" 2>/dev/null || true
      server_start "$port" "$(db_connection)" "$data/server.log"
    elif [ -z "${JUXTOPSIS_DB:-}" ] && ! database_alive; then
      say "The private database ended by itself; it is started again. Its log: .data/pg/server.log"
      db_running || db_launch "$(db_port)"
    else
      continue
    fi
    now=$(date +%s)
    again+=("$now")
    if [ "${#again[@]}" -ge "$most_restarts" ] && [ $((now - again[${#again[@]} - most_restarts])) -lt 60 ]; then
      tail -n 15 "$data/server.log" >&2
      fail "it ended $most_restarts times within a minute." "The logs: .data/server.log and .data/pg/server.log"
    fi
  done
}

# Cheap enough to ask every second: the process that the cluster names.
database_alive() {
  local pid
  read -r pid <"$(db_dir)/postmaster.pid" 2>/dev/null && [ -d "/proc/$pid" ]
}

run_start() {
  [[ "$port" =~ ^[0-9]+$ ]] && [ "$port" -ge 1 ] && [ "$port" -le 65535 ] || fail "JUXTOPSIS_PORT is \"$port\"; a port is a number from 1 to 65535."
  need_sdks
  [ -w "$root" ] || fail "you may not write in $root." "Clone it as the user who runs it, or give that user the folder: chown -R \$USER $root"
  db_use "${JUXTOPSIS_CLUSTER:-pg}"
  local address
  address="http://$(here):$port"
  if ! start_lock; then
    address=$(running_at)
    case "$(health "$address")" in
      well) say "Juxtopsis is running already: $address" ;;
      down) say "Juxtopsis is running already, but its database is away and nothing can be saved just now: $address/health says more." ;;
      *) say "Juxtopsis is being started already; it will answer at $address." ;;
    esac
    return
  fi
  if port_taken "$port"; then
    fail "port $port is in use by another program." "Stop that program, or choose another port: JUXTOPSIS_PORT=$((port + 1)) ./dev start"
  fi
  if [ "$(id -u)" = 0 ]; then
    say "You are root. That works, with the database as user postgres; better is an ordinary user with a clone of its own: su - NAME, git clone, ./dev start"
  fi
  build_all
  trap 'stop_all; exit 0' INT TERM
  trap stop_all EXIT
  if [ -z "${JUXTOPSIS_DB:-}" ]; then
    db_start
    db_keep_before_migrating
  fi
  server_start "$port" "$(db_connection)" "$data/server.log"
  server_wait "$address" "$data/server.log"
  say "Juxtopsis: $address"
  say "Ctrl-C stops it. Log: .data/server.log"
  watch_over "$address"
}
