# Asks every route in shapes nobody would type, as every role: ./elmstone fuzz [seed] [requests]. The same seed asks the
# same.
. bin/house.sh

need "${RUNNING[@]}"
vendor dev
scratch_database

export ELMSTONE_FUZZ_SEED=${1:-$((RANDOM * 32768 + RANDOM))} ELMSTONE_FUZZ_REQUESTS=${2:-10000}
say "seed $ELMSTONE_FUZZ_SEED: $ELMSTONE_FUZZ_REQUESTS requests; again:" \
    "./elmstone fuzz $ELMSTONE_FUZZ_SEED $ELMSTONE_FUZZ_REQUESTS"
vendor/bin/phpunit --no-progress tests/Feature/OddShapesTest.php
