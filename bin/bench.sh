# Measures on a database of its own: 200,000 items, 20,000 and then 200,000 posted documents. Writes bench/results.md.
. bin/house.sh

need "${RUNNING[@]}"
vendor_for_running

scratch=$(mktemp -d /tmp/elmstone-bench-XXXXXX)
finish() {
    serve_stop "$scratch"
    database_stop "$scratch/db"
    php artisan optimize:clear --quiet || true
    rm -rf "$scratch"
}
trap finish EXIT

database_start "$scratch/db" --innodb-buffer-pool-size=2G --innodb-flush-log-at-trx-commit=1
use_database "$scratch/db"
export APP_ENV=production APP_KEY="base64:$(php -r 'echo base64_encode(random_bytes(32));')" CACHE_STORE=file SESSION_DRIVER=file
php artisan migrate --force --quiet
php artisan config:cache --quiet
php artisan route:cache --quiet
php artisan view:cache --quiet
port=$(free_port)
serve "$port" "$scratch"
php -d memory_limit=2G artisan bench:run --address="http://127.0.0.1:$port" "$@"
