# Everything that is checked, in the order in which a fault is cheapest to find.

test_passed=0
test_failed=0
test_db_started=""

# checked LABEL COMMAND… — one check that passes or fails; goes on either way.
checked() {
  local label=$1
  shift
  if "$@" >"$data/check.log" 2>&1; then told "$label" 0 "$data/check.log"; else told "$label" 1 "$data/check.log"; fi
}

# told LABEL RESULT LOG — counts a check, and says what came of it.
told() {
  if [ "$2" = 0 ]; then
    say "  ok      $1"
    counted 1 0
  else
    say "  FAILED  $1"
    tail -n 40 "$3" | sed 's/^/          /'
    counted 0 1
  fi
}

# counted PASSED FAILED
counted() {
  test_passed=$((test_passed + $1))
  test_failed=$((test_failed + $2))
}

# Made beside those that are there: the page's tests may be reading them.
types_are_fresh() {
  local made stale=""
  mkdir -p "$data/types"
  TYPES_TO="$data/types" npm run types -w web
  for made in schema.d.ts fields.ts; do
    cmp -s "web/src/api/$made" "$data/types/$made" && continue
    diff "$data/types/$made" "web/src/api/$made" | head -n 20 || true
    stale=yes
    say "web/src/api/$made is stale: run ./dev types and commit it."
  done
  [ -z "$stale" ]
}

# suite PROJECT [OPTION…] — runs a project of xunit tests.
suite() {
  local name=$1
  shift
  rm -f "$root/artifacts/tests/$name.json"
  dotnet "tests/$name/bin/Release/net10.0/$name.dll" --no-ansi --progress off --results-directory "$root/artifacts/tests" \
    --report-xunit-ctrf --report-xunit-ctrf-filename "$name.json" "$@" >"$data/$name.log" 2>&1 || true
}

# count_report LABEL FILE LOG — adds up a report; without one, the suite itself failed.
count_report() {
  say "  $1"
  shift
  if [ ! -s "$1" ]; then
    tail -n 30 "$2" | sed 's/^/          /'
    say "  FAILED  the suite gave no report; see $2"
    counted 0 1
    return
  fi
  local passed failed
  read -r passed failed < <(node scripts/count.mjs "$1")
  counted "$passed" "$failed"
  say "          $passed passed, $failed failed"
  [ "$failed" = 0 ] || grep -vE '^\s+at (System|Xunit|InvokeStub)' "$2" | grep -A 14 -E '^failed |FAIL|✘|[0-9]+\) ' | head -n 120 | sed 's/^/          /' || true
}

test_database_start() {
  if [ -z "${JUXTOPSIS_TEST_DB:-}" ]; then
    db_use test
    exec 8>>"$data/test.lock"
    flock -n 8 || fail "tests run here already." "Wait until they end."
    db_start
    db_query "alter role $app_role createrole" >/dev/null
    test_db_started=yes
    JUXTOPSIS_TEST_DB="$(db_connection postgres)"
  fi
  export JUXTOPSIS_TEST_DB
}

test_database_stop() {
  trap '' INT TERM
  trap - EXIT
  if [ -n "$test_db_started" ] && db_running; then
    local name
    for name in $(db_query "select datname from pg_database where datname like 'jux_test_%'"); do
      db_query "drop database if exists \"$name\" with (force)" >/dev/null
    done
    db_stop
  fi
}

run_e2e() {
  local report="$root/artifacts/tests/e2e.json"
  rm -f "$report"
  JUXTOPSIS_E2E_REPORT="$report" JUXTOPSIS_E2E_APP="$app" JUXTOPSIS_E2E_PAGES="$pages" \
    npx playwright test -c tests/e2e/playwright.config.ts "$@" >"$data/e2e.log" 2>&1 || true
  count_report "e2e, in Chromium" "$report" "$data/e2e.log"
  # What stood on the page where a test failed: where that runs, nobody can look.
  local page
  for page in artifacts/e2e/*/error-context.md; do
    [ ! -e "$page" ] || { say "          $page"; sed -n '/^```yaml/,/^```$/p' "$page" | cut -c1-160 | head -n 90 | sed 's/^/            /'; }
  done
}

# page_alone — what of the page needs no server: types, lint and layout are checked, which is the result; then its logic is tested.
page_alone() {
  local result=0
  npm run check >"$data/page-check.log" 2>&1 || result=$?
  run_page_tests
  return "$result"
}

# page_told PROCESS — waits for what page_alone found, and says it.
page_told() {
  local result=0
  wait "$1" || result=$?
  told "TypeScript: types, lint, layout" "$result" "$data/page-check.log"
}

# run_page_tests [OPTION…]
run_page_tests() {
  local report="$root/artifacts/tests/page.json"
  rm -f "$report"
  (cd web && npx vitest run "$@" --reporter=default --reporter=json --outputFile="$report") >"$data/page.log" 2>&1 || true
}

run_tests() {
  need_sdks
  mkdir -p "$data" artifacts/tests
  need_postgres
  need_chromium
  need_pdf_tools
  npm_install
  say "Building"
  # Beside the compilers, which leave a core idle for some of their time.
  local page
  page_alone &
  page=$!
  checked "C# builds without a warning" dotnet build Juxtopsis.slnx -c Release
  [ "$test_failed" != 0 ] || checked "C# is laid out as ./dev format does" dotnet format whitespace Juxtopsis.slnx --verify-no-changes --no-restore
  if [ "$test_failed" = 0 ]; then
    checked "the page's types are those of the server's OpenAPI document" types_are_fresh
    build_all
    test_database_start
    trap 'test_database_stop; exit 1' INT TERM
    trap test_database_stop EXIT
    say "Testing"
    # Beside each other, and beside what is left to check of the page, which keeps one core: those of the server wait for the database
    # for most of their time. Chromium's tests come when all of that is done.
    suite Juxtopsis.Core.Tests &
    suite Juxtopsis.Server.Tests &
    page_told "$page"
    wait
    count_suites
    run_e2e
    test_database_stop
  else
    page_told "$page"
  fi
  say "$test_passed passed, $test_failed failed"
  [ "$test_failed" = 0 ]
}

count_suites() {
  count_report "the page's logic, in Vitest" "$root/artifacts/tests/page.json" "$data/page.log"
  count_report Juxtopsis.Core.Tests "$root/artifacts/tests/Juxtopsis.Core.Tests.json" "$data/Juxtopsis.Core.Tests.log"
  count_report Juxtopsis.Server.Tests "$root/artifacts/tests/Juxtopsis.Server.Tests.json" "$data/Juxtopsis.Server.Tests.log"
}

# Which lines the tests run that need no browser. Watching each line, they take nearly twice as long: not part of the above.
run_lines() {
  need_sdks
  need_postgres
  mkdir -p "$data" artifacts/tests
  npm_install
  quietly "Building" dotnet build Juxtopsis.slnx -c Release
  trap 'test_database_stop; exit 1' INT TERM
  trap test_database_stop EXIT
  test_database_start
  say "Testing"
  run_page_tests --coverage --coverage.reportsDirectory="$root/artifacts/tests/page"
  local name
  for name in Juxtopsis.Core.Tests Juxtopsis.Server.Tests; do
    suite "$name" --coverage --coverage-output "$root/artifacts/tests/$name.cobertura.xml" --coverage-output-format cobertura
  done
  count_suites
  test_database_stop
  say "lines that these ran: $(node scripts/coverage.mjs artifacts/tests/page/coverage-summary.json artifacts/tests/*.cobertura.xml)"
  [ "$test_failed" = 0 ]
}

# Kills, floods and outages, against a server that is watched over as a person's own, with a database of its own.
run_faults() {
  need_sdks
  need_postgres
  need_chromium
  build_all
  db_use faults
  local at watched
  at=$(free_port)
  JUXTOPSIS_CLUSTER=faults JUXTOPSIS_PORT=$at JUXTOPSIS_MOST_RESTARTS=100000 "$root/dev" start >"$data/faults.log" 2>&1 &
  watched=$!
  trap 'kill -INT "$watched" 2>/dev/null; wait "$watched" 2>/dev/null; exit 1' INT TERM
  local result=0
  NODE_PATH="$root/node_modules" node tests/faults/faults.mjs "http://127.0.0.1:$at" "$(db_dir)" "$data/faults-server.pid" || result=1
  kill -TERM "$watched" 2>/dev/null || true
  wait "$watched" 2>/dev/null || true
  return "$result"
}
