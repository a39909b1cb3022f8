# Takes the pictures in docs/screenshots again, from a fresh demonstration shop.
. bin/house.sh

need "${RUNNING[@]}" "${TESTING[@]}"
vendor dev

scratch=$(mktemp -d /tmp/elmstone-shots-XXXXXX)
finish() {
    serve_stop "$scratch"
    database_stop "$scratch/db"
    rm -rf "$scratch"
}
trap finish EXIT

database_start "$scratch/db" --innodb-buffer-pool-size=512M --innodb-flush-log-at-trx-commit=2
use_database "$scratch/db"
export ELMSTONE_STAND_INS=true APP_ENV=demonstration APP_KEY="base64:$(php -r 'echo base64_encode(random_bytes(32));')"
php artisan migrate --force --quiet
compiled artisan shop:demo
port=$(free_port)
serve "$port" "$scratch"
php artisan backup:note "elmstone-$(date +%Y%m%d)-021500.backup" --bytes=48210233 --seconds=11
compiled artisan books:prove > /dev/null
php tests/Browser/shots.php "http://127.0.0.1:$port" docs/screenshots
serve_stop "$scratch"

# And an empty one, as it is set up.
database_root "$scratch/db" -e 'CREATE DATABASE elmstone_test_empty'
use_database "$scratch/db" elmstone_test_empty
export APP_ENV=production ELMSTONE_STAND_INS=false ELMSTONE_SETUP_KEY=0123456789abcdef
php artisan migrate --force --quiet
port=$(free_port)
serve "$port" "$scratch"
php tests/Browser/shots-setup.php "http://127.0.0.1:$port" "$ELMSTONE_SETUP_KEY" docs/screenshots
