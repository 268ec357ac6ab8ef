# A private PostgreSQL cluster under .data/: loopback only, its own port, its own password.

db_dir="$data/pg"

# PostgreSQL refuses to run as root; then it runs as Debian's user "postgres".
db_as() {
  if [ "$(id -u)" = 0 ]; then
    (cd / && setpriv --reuid=postgres --regid=postgres --init-groups env HOME=/var/lib/postgresql "$@")
  else
    "$@"
  fi
}

# Where that user cannot enter this folder, the cluster lies elsewhere and .data/pg is a link to it.
db_place() {
  mkdir -p "$data"
  [ "$(id -u)" = 0 ] || { mkdir -p "$db_dir"; return; }
  local real="$db_dir"
  mkdir -p "$real" 2>/dev/null || true
  chown postgres: "$real"
  if ! db_as test -w "$real"; then
    rmdir "$real"
    mkdir -p /var/lib/juxtopsis
    real=$(mktemp -d /var/lib/juxtopsis/cluster-XXXXXX)
    chown postgres: "$real"
    ln -sfn "$real" "$db_dir"
    say "User postgres cannot enter $root, so the database lies in $real; .data/pg points there."
  fi
}

free_port() {
  node -e 'const s = require("net").createServer().listen(0, "127.0.0.1", () => { console.log(s.address().port); s.close(); })'
}

db_real() { readlink -f "$db_dir"; }
db_port() { cat "$data/pg-port"; }
db_running() { [ -e "$db_dir/PG_VERSION" ] && db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" status >/dev/null 2>&1; }

db_create() {
  say "Making a private database under .data/pg"
  db_place
  local password
  password=$(head -c 24 /dev/urandom | base64 | tr -d '/+=')
  (umask 077 && printf '%s' "$password" >"$data/pg-password")
  local pwfile
  pwfile=$(db_as mktemp)
  printf '%s\n' "$password" >"$pwfile"
  if ! db_as "$(postgres_bin)/initdb" -D "$(db_real)" -U juxtopsis --pwfile="$pwfile" \
    --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$data/initdb.log" 2>&1; then
    rm -f "$pwfile"
    tail -n 5 "$data/initdb.log" >&2
    fail "the private database could not be made." "All that initdb said is in .data/initdb.log. Is the disk full, or the folder read-only?"
  fi
  rm -f "$pwfile"
}

db_start() {
  need_postgres
  if [ ! -e "$db_dir/PG_VERSION" ]; then
    if [ -n "$(ls -A "$db_dir/" 2>/dev/null)" ]; then
      fail "the private database in .data/pg is broken: it has files, but no PG_VERSION." \
        "To start afresh and lose what is saved in it: ./dev reset"
    fi
    db_create
  fi
  local ours major
  ours=$(cat "$db_dir/PG_VERSION")
  major=$(basename "$(dirname "$(postgres_bin)")")
  [ "$ours" = "$major" ] || fail "the private database was made by PostgreSQL $ours; here is $major." \
    "Install postgresql-$ours, or start afresh and lose what is saved in it: ./dev reset"
  db_running && return
  local port
  port=$(free_port)
  printf '%s' "$port" >"$data/pg-port"
  if ! db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" -w -t 30 -s -l "$(db_real)/server.log" \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=100" start >"$data/pg_ctl.log" 2>&1; then
    tail -n 5 "$(db_real)/server.log" >&2 || true
    fail "the private database did not start." "Its log: .data/pg/server.log" \
      "If it cannot be mended, start afresh and lose what is saved in it: ./dev reset"
  fi
}

db_stop() {
  if db_running; then
    db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" -m fast -w -s stop
  fi
}

# db_query SQL — asks the private cluster.
db_query() {
  PGPASSWORD="$(cat "$data/pg-password")" "$(postgres_bin)/psql" -h 127.0.0.1 -p "$(db_port)" -U juxtopsis -d postgres -qAt -c "$1"
}

db_reset() {
  say "This deletes everything saved in .data/pg for good: comparisons, productions, gear and photographs."
  read -r -p 'Type "delete" to go on: ' answer
  [ "$answer" = delete ] || fail "nothing was deleted."
  db_stop
  local real
  real=$(db_real)
  rm -rf "$real" "$db_dir" "$data/pg-port" "$data/pg-password"
  say "Deleted. ./dev start makes a new one."
}

# A connection string for a database of the private cluster, or of the person's own server.
db_connection() {
  if [ -n "${JUXTOPSIS_DB:-}" ]; then
    [ -z "${1:-}" ] && printf '%s' "$JUXTOPSIS_DB" || printf '%s;Database=%s' "$JUXTOPSIS_DB" "$1"
  else
    printf 'Host=127.0.0.1;Port=%s;Username=juxtopsis;Password=%s;Database=%s;Timeout=3;Command Timeout=10' \
      "$(db_port)" "$(cat "$data/pg-password")" "${1:-juxtopsis}"
  fi
}
