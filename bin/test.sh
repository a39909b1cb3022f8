# Checks everything, from nothing, in two lanes side by side; then the browser, in two again. With the name of a suite
# (house, core, outside, feature, proofs, browser, typing) runs only that.
. bin/house.sh

started=$(date +%s)
need "${RUNNING[@]}" "${TESTING[@]}"
vendor dev
unpacked "${SERVING[@]}"
scratch_database
: > "$scratch/failed"
database_root "$scratch/db" -e 'CREATE DATABASE elmstone_test_beside; CREATE DATABASE elmstone_test_typing'

# A step that fails is noted, and the others still run.
step() {
    say "== $1"
    shift
    "$@" || { echo "$*" >> "$scratch/failed"; say "   failed: $*"; }
}

# With compiled code optimised, a fifth faster.
phpunit() { php -d opcache.enable_cli=1 vendor/bin/phpunit "$@"; }

suite() { step "$1" phpunit --testsuite "$1" --log-junit "$scratch/$1.xml" --no-progress; }

# A lane beside the first has a database and compiled views of its own.
lane() {
    export VIEW_COMPILED_PATH=$scratch/$1-views
    mkdir -p "$VIEW_COMPILED_PATH"
    "$1" > "$scratch/$1.log" 2>&1
}

together() {
    lane "$1" &
    local other=$!
    suite "$2"
    wait "$other" || true
    cat "$scratch/$1.log" >&2
}

# Beside the feature suite.
beside() {
    export DB_DATABASE=elmstone_test_beside
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

# Beside the rest of the browser's.
typing() {
    export ELMSTONE_SERVED_DATABASE=elmstone_test_typing
    suite typing
}

if [ $# -gt 0 ]; then
    for name in "$@"; do suite "$name"; done
else
    together beside feature
    together typing browser
fi

php bin/count-tests.php "$(wc -l < "$scratch/failed")" $(($(date +%s) - started)) "$scratch"/*.xml
