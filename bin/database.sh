# The shop's own database in the foreground, for whoever watches over services.
. bin/house.sh
# Whoever serves knows its port: it is waited for, not left for another.
port=$(cat "$HOUSE/db/port" 2> /dev/null || true)
[ -z "$port" ] || php -r 'exit(@stream_socket_server("tcp://127.0.0.1:$argv[1]") ? 0 : 1);' "$port" \
    || die "port $port is taken"
shop_database database_ready
exec "${DATABASE[@]}"
