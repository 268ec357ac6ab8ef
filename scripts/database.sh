# A private PostgreSQL cluster under .data/: loopback only, its own port, its own passwords. The person's own is .data/pg; tests and
# measurements have one of their own each, so that neither ever touches what is saved.

cluster=pg
db_use() { cluster=$1; }
db_dir() { printf '%s/%s' "$data" "$cluster"; }

# Two roles: the cluster's owner, for making, backing up and restoring; and the application's, which is no superuser, so that the
# rules by which each crew sees only its own hold for it too.
owner_role=juxtopsis
app_role=juxtopsis_app

# PostgreSQL refuses to run as root; then it runs as Debian's user "postgres".
db_as() {
  if [ "$(id -u)" = 0 ]; then
    (cd / && setpriv --reuid=postgres --regid=postgres --init-groups env HOME=/var/lib/postgresql "$@")
  else
    "$@"
  fi
}

# A new folder that the user who runs PostgreSQL may enter. Never a shared one: Debian keeps root from writing to another's file there.
db_new_place() {
  mkdir -p /var/lib/juxtopsis
  local place
  place=$(mktemp -d /var/lib/juxtopsis/cluster-XXXXXX)
  chown postgres: "$place"
  printf '%s' "$place"
}

# Where that user cannot enter this folder, the cluster lies elsewhere and .data/pg is a link to it.
db_place() {
  mkdir -p "$data"
  [ "$(id -u)" = 0 ] || { mkdir -p "$(db_dir)"; return; }
  local real
  real=$(db_dir)
  mkdir -p "$real" 2>/dev/null || true
  chown postgres: "$real"
  if ! db_as test -w "$real"; then
    rmdir "$real"
    real=$(db_new_place)
    ln -sfn "$real" "$(db_dir)"
    say "User postgres cannot enter $root, so the database lies in $real; .data/$cluster points there."
  fi
}

free_port() {
  node -e 'const s = require("net").createServer().listen(0, "127.0.0.1", () => { console.log(s.address().port); s.close(); })'
}

db_real() { readlink -f "$(db_dir)"; }
db_port() { cat "$data/$cluster-port"; }
db_running() { [ -e "$(db_dir)/PG_VERSION" ] && db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" status >/dev/null 2>&1; }

# secret NAME — a password that is made once.
secret() {
  local file="$data/$cluster-$1"
  [ -s "$file" ] || (umask 077 && head -c 24 /dev/urandom | base64 | tr -d '/+=' | tr -d '\n' >"$file")
  cat "$file"
}

db_create() {
  say "Making a private database under .data/$cluster"
  db_place
  local folder pwfile
  folder=$([ "$(id -u)" = 0 ] && db_new_place || db_dir)
  pwfile="$folder.password"
  (umask 077 && secret password >"$pwfile")
  [ "$(id -u)" != 0 ] || chown postgres: "$pwfile"
  if ! db_as "$(postgres_bin)/initdb" -D "$(db_real)" -U "$owner_role" --pwfile="$pwfile" --data-checksums \
    --auth=scram-sha-256 --encoding=UTF8 --locale=C.UTF-8 >"$data/initdb.log" 2>&1; then
    rm -f "$pwfile"
    tail -n 5 "$data/initdb.log" >&2
    fail "the private database could not be made." "All that initdb said is in .data/initdb.log. Is the disk full, or the folder read-only?"
  fi
  rm -f "$pwfile"
  [ "$folder" = "$(db_dir)" ] || rmdir "$folder" 2>/dev/null || true
}

db_start() {
  need_postgres
  if [ ! -e "$(db_dir)/PG_VERSION" ]; then
    if [ -n "$(ls -A "$(db_dir)/" 2>/dev/null)" ]; then
      fail "the private database in .data/$cluster is broken: it has files, but no PG_VERSION." \
        "To start afresh and lose what is saved in it: ./dev reset" "To bring back a backup after that: ./dev restore FILE"
    fi
    db_create
  fi
  db_right_version
  db_running && return
  db_check_pages
  db_launch "$(free_port)"
  db_roles
}

# db_launch PORT — starts PostgreSQL there. It outlives this script, and so must not hold its locks.
db_launch() {
  printf '%s' "$1" >"$data/$cluster-port"
  if ! db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" -w -t 30 -s -l "$(db_real)/server.log" \
    -o "-p $1 -c listen_addresses=127.0.0.1 -c unix_socket_directories='' -c max_connections=100" start >"$data/pg_ctl.log" 2>&1 8>&- 9>&-; then
    tail -n 5 "$(db_real)/server.log" >&2 || true
    fail "the private database did not start." "Its log: .data/$cluster/server.log" \
      "If it cannot be mended, start afresh with ./dev reset, and bring a backup back with ./dev restore FILE"
  fi
}

# Data checksums tell a damaged disk from good data. A cluster of before gets them once, while it stands still.
db_check_pages() {
  db_as "$(postgres_bin)/pg_controldata" -D "$(db_real)" | grep -q 'page checksum version: *0' || return 0
  say "Giving the private database checksums, once"
  db_as "$(postgres_bin)/pg_checksums" --enable -D "$(db_real)" >"$data/pg_checksums.log" 2>&1 ||
    say "That did not work; it goes on without them. What it said is in .data/pg_checksums.log."
}

# The application's role, no superuser; what a cluster of before gave to its owner becomes the application's.
db_roles() {
  local password
  password=$(secret app-password)
  db_query "do \$\$ begin
      if not exists (select from pg_roles where rolname = '$app_role') then create role $app_role login createdb; end if;
    end \$\$; alter role $app_role password '$password' nosuperuser" >/dev/null
  [ -n "$(db_query "select 1 from pg_database where datname = 'juxtopsis'")" ] || return 0
  db_query "alter database juxtopsis owner to $app_role" >/dev/null
  db_query "do \$\$ declare one record; begin
      for one in select tablename from pg_tables where schemaname = 'public' and tableowner <> '$app_role'
      loop execute format('alter table public.%I owner to $app_role', one.tablename); end loop;
      alter schema public owner to $app_role;
    end \$\$" juxtopsis >/dev/null
}

# A cluster of an older major version is brought over by its own programs, where they are still here; it is kept beside the new one.
db_right_version() {
  local ours major old
  ours=$(cat "$(db_dir)/PG_VERSION")
  major=$(basename "$(dirname "$(postgres_bin)")")
  [ "$ours" = "$major" ] && return
  old="/usr/lib/postgresql/$ours/bin"
  [ -x "$old/pg_ctl" ] || fail "the private database was made by PostgreSQL $ours; here is $major, and nothing that reads it." \
    "Install postgresql-$ours beside it and start again: it is brought over then." \
    "Or start afresh with ./dev reset, and bring a backup back with ./dev restore FILE (the newest: $(ls -t "$data"/backups/*.dump 2>/dev/null | head -n 1 || echo none))"
  say "Bringing the private database from PostgreSQL $ours to $major"
  local kept dump port
  kept="$data/$cluster-of-postgresql-$ours"
  dump="$data/backups/from-postgresql-$ours.dump"
  mkdir -p "$data/backups"
  port=$(free_port)
  db_as "$old/pg_ctl" -D "$(db_real)" -w -t 30 -s -l "$(db_real)/server.log" \
    -o "-p $port -c listen_addresses=127.0.0.1 -c unix_socket_directories=''" start
  printf '%s' "$port" >"$data/$cluster-port"
  db_dump "$dump"
  db_as "$old/pg_ctl" -D "$(db_real)" -m fast -w -s stop
  mv "$(db_dir)" "$kept"
  db_create
  db_check_pages
  db_launch "$(free_port)"
  db_roles
  db_load "$dump"
  db_stop
  say "It is brought over. The one of before is kept in ${kept#"$root/"}; delete it when all is well."
}

db_stop() {
  if db_running; then
    db_as "$(postgres_bin)/pg_ctl" -D "$(db_real)" -m fast -w -s stop
  fi
}

# db_program NAME ARGUMENT… — one of PostgreSQL's own programs, as the cluster's owner.
db_program() {
  local name=$1
  shift
  PGPASSWORD="$(secret password)" "$(postgres_bin)/$name" -h 127.0.0.1 -p "$(db_port)" -U "$owner_role" "$@"
}

# db_query SQL [DATABASE] — asks the private cluster.
db_query() { db_program psql -d "${2:-postgres}" -v ON_ERROR_STOP=1 -qAt -c "$1"; }

# db_dump FILE — all of the application's database, in PostgreSQL's own format.
db_dump() { db_program pg_dump -d juxtopsis -Fc -f "$1"; }

# db_load FILE — puts a dump in the place of the application's database.
db_load() {
  db_query "drop database if exists juxtopsis with (force)" >/dev/null
  db_query "create database juxtopsis owner $app_role" >/dev/null
  db_program pg_restore -d juxtopsis --no-owner --role="$app_role" --exit-on-error "$1"
}

db_reset() {
  not_running
  say "This deletes everything saved in .data/pg for good: comparisons, productions, gear and photographs."
  read -r -p 'Type "delete" to go on: ' answer
  [ "$answer" = delete ] || fail "nothing was deleted."
  db_stop
  local real
  real=$(db_real)
  rm -rf "$real" "$(db_dir)" "$data/pg-port" "$data/pg-password" "$data/pg-app-password"
  say "Deleted. ./dev start makes a new one."
}

private_only() {
  [ -z "${JUXTOPSIS_DB:-}" ] || fail "JUXTOPSIS_DB names a PostgreSQL of your own." "Back it up and restore it with its own tools: pg_dump and pg_restore."
}

# run_backup FILE — everything that is saved, into one file; the application may go on meanwhile.
run_backup() {
  private_only
  local file=${1:-} started=""
  [ -n "$file" ] || fail "say where to." "For example: ./dev backup juxtopsis-$(date +%F).dump"
  [ ! -e "$file" ] || fail "$file is there already; nothing was overwritten." "Choose another name, or move it away."
  [ -e "$(db_dir)/PG_VERSION" ] || fail "nothing has been saved yet: there is no private database." "./dev start makes one."
  db_running || started=yes
  db_start
  if ! db_dump "$file.part"; then
    rm -f "$file.part"
    [ -z "$started" ] || db_stop
    fail "the backup could not be written to $file." "Is there room, and may you write there?"
  fi
  mv "$file.part" "$file"
  [ -z "$started" ] || db_stop
  say "Saved to $file ($(du -h "$file" | cut -f1)). To bring it back: ./dev restore $file"
}

# run_restore FILE — puts a backup in the place of what is saved; that is kept as a backup of its own first.
run_restore() {
  private_only
  local file=${1:-} before
  [ -n "$file" ] && [ -r "$file" ] || fail "there is no file \"$file\" to read." "Say which backup: ./dev restore FILE"
  need_postgres
  "$(postgres_bin)/pg_restore" --list "$file" 2>/dev/null | grep -q 'TABLE DATA public crews' ||
    fail "$file is no backup of this application." "A backup is made with ./dev backup FILE."
  not_running
  db_start
  trap 'db_stop; exit 1' INT TERM
  if [ -n "$(db_query "select 1 from pg_database where datname = 'juxtopsis'")" ]; then
    mkdir -p "$data/backups"
    before="$data/backups/before-restore-$(date +%Y%m%d-%H%M%S).dump"
    db_dump "$before"
    say "What was saved until now is kept in ${before#"$root/"}."
  fi
  db_load "$file" || { db_stop; fail "the backup could not be brought back." "What was there before: ./dev restore ${before:-}"; }
  db_stop
  say "Restored from $file. ./dev start shows it."
}

# Before a newer version changes the tables, everything is kept as it was. The newest ten of these stay.
db_keep_before_migrating() {
  [ -n "$(db_query "select 1 from pg_database where datname = 'juxtopsis'")" ] || return 0
  [ "$(db_query "select to_regclass('\"__EFMigrationsHistory\"') is not null" juxtopsis)" = t ] || return 0
  local have want file
  have=$(db_query 'select migration_id from "__EFMigrationsHistory" order by 1 desc limit 1' juxtopsis)
  want=$(find src/Juxtopsis.Data/Migrations -name '*.Designer.cs' -printf '%f\n' | LC_ALL=C sort | tail -n 1)
  want=${want%.Designer.cs}
  [ "$have" != "$want" ] || return 0
  mkdir -p "$data/backups"
  file="$data/backups/before-$want-$(date +%Y%m%d-%H%M%S).dump"
  say "Keeping everything as it is before the tables change: ${file#"$root/"}"
  db_dump "$file" || fail "no backup could be made before the tables change, so nothing was changed." "Is there room under .data/backups?"
  find "$data/backups" -name 'before-2*.dump' -printf '%T@ %p\n' | sort -rn | tail -n +11 | cut -d' ' -f2- | while read -r old; do rm -f "$old"; done
}

# A connection string for a database of the cluster in use, or of the person's own server.
db_connection() {
  if [ -n "${JUXTOPSIS_DB:-}" ]; then
    [ -z "${1:-}" ] && printf '%s' "$JUXTOPSIS_DB" || printf '%s;Database=%s' "$JUXTOPSIS_DB" "$1"
  else
    printf 'Host=127.0.0.1;Port=%s;Username=%s;Password=%s;Database=%s;Timeout=3;Command Timeout=10' \
      "$(db_port)" "$app_role" "$(secret app-password)" "${1:-juxtopsis}"
  fi
}
