# Checks everything, from nothing: two lanes side by side, then the browser alone. With the name of a suite (house,
# core, outside, feature, proofs, browser) runs only that.
. bin/house.sh

started=$(date +%s)
need "${RUNNING[@]}" "${TESTING[@]}"
vendor dev
scratch_database
: > "$scratch/failed"
database_root "$scratch/db" -e 'CREATE DATABASE elmstone_test_beside'

# A step that fails is noted, and the others still run.
step() {
    say "== $1"
    shift
    "$@" || { echo "$*" >> "$scratch/failed"; say "   failed: $*"; }
}

suite() { step "$1" vendor/bin/phpunit --testsuite "$1" --log-junit "$scratch/$1.xml" --no-progress; }

# Beside the feature suite, on a database and with compiled views of its own.
beside() {
    export DB_DATABASE=elmstone_test_beside VIEW_COMPILED_PATH=$scratch/views
    mkdir -p "$scratch/views"
    step 'style' vendor/bin/pint --test --quiet
    step 'built assets' php bin/check-assets.php
    step 'static analysis of the core' vendor/bin/phpstan analyse -c phpstan-core.neon --no-progress --memory-limit=2G
    step 'static analysis and the rules of the house' vendor/bin/phpstan analyse --no-progress --memory-limit=2G
    step 'static analysis of the tests' vendor/bin/phpstan analyse -c phpstan-tests.neon --no-progress --memory-limit=2G
    suite house
    suite core
    suite outside
    suite proofs
}

if [ $# -gt 0 ]; then
    for name in "$@"; do suite "$name"; done
else
    beside > "$scratch/beside.log" 2>&1 &
    lane=$!
    suite feature
    wait "$lane" || true
    cat "$scratch/beside.log" >&2
    suite browser
fi

php bin/count-tests.php "$(wc -l < "$scratch/failed")" $(($(date +%s) - started)) "$scratch"/*.xml
