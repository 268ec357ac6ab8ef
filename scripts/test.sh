run_tests() { fail "not yet"; }
run_bench() { fail "not yet"; }
run_shots() { fail "not yet"; }
