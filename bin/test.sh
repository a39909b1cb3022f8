# Checks everything, from nothing. With the name of a suite (core, outside, feature, browser) runs only that.
. bin/house.sh

suites=("$@")
[ ${#suites[@]} -gt 0 ] || suites=(core outside feature browser)
started=$(date +%s)

need "${RUNNING[@]}" "${TESTING[@]}"
vendor dev

scratch=$(mktemp -d /tmp/elmstone-test-XXXXXX)
finish() {
    serve_stop "$scratch"
    database_stop "$scratch/db"
    rm -rf "$scratch"
}
trap finish EXIT

failed=0
step() {
    say "== $1"
    shift
    "$@" || { failed=$((failed + 1)); say "   failed: $*"; }
}

if [ $# = 0 ]; then
    step 'style' vendor/bin/pint --test --quiet
    step 'built assets' php bin/check-assets.php
    step 'static analysis of the core' vendor/bin/phpstan analyse -c phpstan-core.neon --no-progress --memory-limit=2G
    step 'static analysis and the rules of the house' vendor/bin/phpstan analyse --no-progress --memory-limit=2G
fi

database_start "$scratch/db" --innodb-buffer-pool-size=512M --innodb-flush-log-at-trx-commit=2 --performance-schema=OFF
use_database "$scratch/db" elmstone_test
database_root "$scratch/db" -e 'CREATE DATABASE elmstone_test; CREATE DATABASE elmstone_test_browser'
export ELMSTONE_TEST_SCRATCH=$scratch

for suite in "${suites[@]}"; do
    step "$suite" vendor/bin/phpunit --testsuite "$suite" --log-junit "$scratch/$suite.xml" --no-progress
done

php bin/count-tests.php "$failed" $(($(date +%s) - started)) "$scratch"/*.xml
