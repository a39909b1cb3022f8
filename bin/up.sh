# Brings the shop up: packages, database, server; and the demonstration shop, or with --empty an empty one to be set up
# in the browser. Run again, it is quick and keeps the data.
. bin/house.sh

kind=$(cat "$HOUSE/kind" 2> /dev/null || { [ ! -d "$HOUSE/db/data" ] || echo demonstration; })
stand_ins=$(cat "$HOUSE/stand-ins" 2> /dev/null || true)
for word in "$@"; do
    case $word in
        --empty)
            [ "$kind" != demonstration ] || die "the demonstration is in $HOUSE. ./elmstone reset throws it away;
    or your own shop has another place: ELMSTONE_HOME=/somewhere ./elmstone up --empty"
            kind=own ;;
        # Terminal, printer, drawer and mailbox that are played on a page, until the real ones are there.
        --stand-ins) stand_ins=true ;;
        *) die "up takes --empty, for a shop of your own, and --stand-ins; not $word" ;;
    esac
done
kind=${kind:-demonstration}
stand_ins=${stand_ins:-$([ "$kind" = own ] && echo false || echo true)}

need "${RUNNING[@]}"
vendor_for_running
mkdir -p "$HOUSE"
printf '%s' "$kind" > "$HOUSE/kind"
printf '%s' "$stand_ins" > "$HOUSE/stand-ins"
shop_database_start
use_database "$HOUSE/db"

secret() { [ -f "$HOUSE/$1" ] || (umask 077 && php -r "$2" > "$HOUSE/$1"); }
secret key 'echo "base64:".base64_encode(random_bytes(32));'
secret setup-key 'echo bin2hex(random_bytes(12));'
(umask 077 && cat > .env <<ENV
APP_ENV=$([ "$kind" = own ] && echo production || echo demonstration)
ELMSTONE_STAND_INS=$stand_ins
ELMSTONE_SETUP_KEY=$(cat "$HOUSE/setup-key")
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

# Loaded to its end or not at all: until then nothing in it is worth waiting for the disk at each of its documents.
commits() { database_root "$HOUSE/db" -e "SET GLOBAL innodb_flush_log_at_trx_commit = $1"; }
demonstration() {
    # A load that was broken off leaves half a shop. Nothing but reset throws a database away.
    local state
    state=$(php artisan shop:state)
    [ "$state" != half ] || die \
        'the demonstration was not loaded to its end. ./elmstone reset throws it away, and ./elmstone up loads it again'
    trap 'commits 1' EXIT
    [ "$state" != empty ] || commits 2
    compiled artisan shop:demo --if-empty
    commits 1
    trap - EXIT
}
[ "$kind" = own ] || demonstration
php artisan house:grants elmstone_till
as_till
kept_ready "$HOUSE"

# Who serves has read the classes in, and goes on with them: with others since, or another .env, another begins.
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
