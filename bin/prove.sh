# The long proofs, which the tests run a short share of: people who want more than is theirs, tills that all want the
# same, orders against a plain count of pieces, a database that is killed. With a seed, the same again; with a number
# after it, so many acts.
. bin/house.sh

need "${RUNNING[@]}"
vendor dev
scratch_database

export ELMSTONE_SEED=${1:-$((RANDOM * 32768 + RANDOM))}
export ELMSTONE_ROUNDS=200 ELMSTONE_ACTS=${2:-4000} ELMSTONE_RACE_ACTS=${3:-250} ELMSTONE_KILLS=${4:-60}
say "seed $ELMSTONE_SEED: $ELMSTONE_ACTS acts, $ELMSTONE_RACE_ACTS at each of eight tills, $ELMSTONE_KILLS kills;" \
    "again: ./elmstone prove $ELMSTONE_SEED $ELMSTONE_ACTS $ELMSTONE_RACE_ACTS $ELMSTONE_KILLS"
failed=0

for proof in GreedySimulationTest OrderSimulationTest MixedRaceTest KillTest; do
    vendor/bin/phpunit --no-progress "tests/Feature/$proof.php" || failed=1
done

exit $failed
