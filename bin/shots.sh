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
php tests/Browser/shots.php "http://127.0.0.1:$port" docs/screenshots
