# Brings the shop up: packages, database, demonstration data, server. Run again, it is quick and keeps the data.
. bin/house.sh

need "${RUNNING[@]}"
vendor_for_running
mkdir -p "$HOUSE"
database_start "$HOUSE/db" --innodb-buffer-pool-size=512M --innodb-flush-log-at-trx-commit=1
use_database "$HOUSE/db"

if [ ! -f "$HOUSE/key" ]; then
    (umask 077 && php -r 'echo "base64:".base64_encode(random_bytes(32));' > "$HOUSE/key")
fi
(umask 077 && cat > .env <<ENV
APP_ENV=demonstration
ELMSTONE_STAND_INS=true
APP_KEY=$(cat "$HOUSE/key")
APP_TIMEZONE=$(timezone)
DB_HOST=$DB_HOST
DB_PORT=$DB_PORT
DB_DATABASE=$DB_DATABASE
DB_USERNAME=elmstone_till
DB_PASSWORD=$DB_TILL_PASSWORD
SESSION_DRIVER=database
CACHE_STORE=database
ENV
)
# Before there are tables, nothing can be kept in them.
CACHE_STORE=file php artisan optimize:clear --quiet
php artisan migrate --force --quiet
# A load that was broken off leaves half a shop. Nothing but reset throws a database away.
state=$(php artisan shop:state)
[ "$state" != half ] || die \
    'the demonstration was not loaded to its end. ./elmstone reset throws it away; then ./elmstone up loads it again'
# Loaded to its end or not at all: until then nothing in it is worth waiting for the disk at each of its documents.
commits() { database_root "$HOUSE/db" -e "SET GLOBAL innodb_flush_log_at_trx_commit = $1"; }
trap 'commits 1' EXIT
[ "$state" != empty ] || commits 2
compiled artisan shop:demo --if-empty
commits 1
trap - EXIT
php artisan house:grants elmstone_till
as_till
kept_ready "$HOUSE"

# Who serves has read the classes in, and goes on with them: with others since, another begins.
[ ! -f "$HOUSE/serve.pid" ] \
    || [ -z "$(find app core config bin/preload.php vendor/composer/installed.json \
        -newer "$HOUSE/serve.pid" -print -quit)" ] \
    || serve_stop "$HOUSE"

port=$(cat "$HOUSE/http.port" 2> /dev/null || free_port)
if ! curl -fsS -o /dev/null "http://127.0.0.1:$port/up" 2> /dev/null; then
    serve_stop "$HOUSE"
    php -r 'exit(@stream_socket_server("tcp://127.0.0.1:$argv[1]") ? 0 : 1);' "$port" || port=$(free_port)
    printf '%s' "$port" > "$HOUSE/http.port"
    serve "$port" "$HOUSE"
    send_waiting "$HOUSE"
fi

php artisan shop:sign-ins --address="http://127.0.0.1:$port"
