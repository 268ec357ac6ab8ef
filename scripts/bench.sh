# Measures; what it prints is what docs/performance.md records.

run_bench() {
  need_sdks
  need_chromium
  mkdir -p "$data"
  build_all
  say "The core, native (BenchmarkDotNet)"
  quietly "  measuring" dotnet run -c Release --project bench/Juxtopsis.Bench -- "$root/artifacts/bench"
  node scripts/bench-core.mjs artifacts/bench/results/*-report-brief-compressed.json
  say "The same formulas in C++ (-O3), in the same minute"
  need_cxx
  g++ -O3 -o "$data/report-cpp" bench/native/report.cpp
  node scripts/bench-native.mjs artifacts/bench/results/*-report-brief-compressed.json "$("$data/report-cpp")"
  say "A second start"
  node scripts/bench-start.mjs
  db_use bench
  db_start
  trap 'stop_all; exit 1' INT TERM
  trap stop_all EXIT
  local at
  at=$(free_port)
  db_query "drop database if exists jux_bench with (force)"
  server_start "$at" "$(db_connection jux_bench)" "$data/bench-server.log"
  server_wait "http://127.0.0.1:$at" "$data/bench-server.log"
  say "The page in Chromium"
  node tests/e2e/measure.mjs "http://127.0.0.1:$at"
  say "Rendered frames in Chromium"
  node tests/e2e/measure-pictures.mjs "http://127.0.0.1:$at"
  say "What fits, in Chromium"
  node tests/e2e/measure-fit.mjs "http://127.0.0.1:$at"
  say "A look, and cameras that cut together, in Chromium"
  node tests/e2e/measure-match.mjs "http://127.0.0.1:$at"
  say "How sure, and the log, in Chromium"
  node tests/e2e/measure-log.mjs "http://127.0.0.1:$at"
  say "Bags, in Chromium"
  node tests/e2e/measure-bags.mjs "http://127.0.0.1:$at"
  say "The Shelf in Chromium"
  node tests/e2e/measure-shelf.mjs "http://127.0.0.1:$at"
  say "Two thousand comparisons, and the Brief on that Shelf, in Chromium"
  node tests/e2e/measure-works.mjs "http://127.0.0.1:$at"
  stop_all
}

run_shots() {
  need_sdks
  need_chromium
  build_all
  db_use bench
  db_start
  trap 'stop_all; exit 1' INT TERM
  trap stop_all EXIT
  local at name=jux_shots
  at=$(free_port)
  db_query "drop database if exists $name with (force)"
  server_start "$at" "$(db_connection $name)" "$data/shots-server.log"
  server_wait "http://127.0.0.1:$at" "$data/shots-server.log"
  node tests/e2e/shots.mjs "http://127.0.0.1:$at" docs/screenshots
  stop_all
}
