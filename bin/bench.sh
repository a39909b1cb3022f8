# Measures on databases of its own. Sales: 200,000 items, 20,000 and then 200,000 posted documents; writes
# bench/results.md. Accounts: 20,000 house accounts, 1,000,000 documents; writes bench/accounts.md. Layaways: 50,000;
# writes bench/layaways.md. Returns: 5,000 purchases of one customer; writes bench/returns.md. Proof: 200,000 documents;
# writes bench/prove.md. Tills: 1,000,000 documents; writes bench/tills.md. Orders: 100,000 open;
# writes bench/orders.md. Reports: 1,000,000 documents; writes bench/reports.md. Goods: 200,000 items; writes
# bench/goods.md. With the name of one of them runs only that.
. bin/house.sh

need "${RUNNING[@]}"
vendor_for_running

scratch=$(mktemp -d /tmp/elmstone-bench-XXXXXX)
finish() {
    for name in nginx fpm; do
        [ ! -f "$scratch/$name.pid" ] || kill "$(cat "$scratch/$name.pid")" 2> /dev/null || true
    done
    serve_stop "$scratch"
    database_stop "$scratch/db"
    php artisan view:clear --quiet || true
    rm -rf "$scratch"
}
trap finish EXIT

# As a shop's own machine serves: nginx and php-fpm, of ours and on loopback. Arguments: port, workers.
behind_nginx() {
    local port=$1 conf=$scratch/nginx.conf kind
    mkdir -p "$scratch/nginx" "$scratch/run"
    sed -e "s#@RUN@#$scratch/run#g; s#@LIB@#$scratch#g; s#@WORKERS@#$2#g" -e 's/^clear_env = yes/clear_env = no/' \
        deploy/php-fpm.conf > "$scratch/php-fpm.conf"
    [ "$(id -u)" != 0 ] || printf 'user = root\ngroup = root\n' >> "$scratch/php-fpm.conf"
    php-fpm8.2 $([ "$(id -u)" != 0 ] || echo -R) --fpm-config "$scratch/php-fpm.conf" \
        -d opcache.preload="$PWD/bin/preload.php" -d opcache.preload_user="$(id -un)" \
        -d opcache.validate_timestamps=0 > "$scratch/fpm.log" 2>&1 &
    printf '%s' $! > "$scratch/fpm.pid"
    {
        [ "$(id -u)" != 0 ] || echo 'user root;'
        printf 'daemon off;\npid %s/nginx/pid;\nerror_log %s/nginx/error.log;\nevents {}\nhttp {\naccess_log off;\n' \
            "$scratch" "$scratch"
        for kind in client_body proxy fastcgi uwsgi scgi; do echo "${kind}_temp_path $scratch/nginx/$kind;"; done
        printf 'server {\nlisten 127.0.0.1:%s;\nroot %s/public;\nkeepalive_requests 100000;\n' "$port" "$PWD"
        printf 'location / { try_files $uri /index.php$is_args$args; }\nlocation = /index.php {\n'
        printf 'include %s/fastcgi_params;\nfastcgi_param SCRIPT_FILENAME $document_root/index.php;\n' \
            "$(if [ -d "$HOUSE/tools/etc/nginx" ]; then echo "$HOUSE/tools/etc/nginx"; else echo /etc/nginx; fi)"
        printf 'fastcgi_param HTTP_HOST $host:$server_port;\n'
        printf 'fastcgi_pass unix:%s/run/php.sock;\n}\n}\n}\n' "$scratch"
    } > "$conf"
    nginx -c "$conf" > "$scratch/nginx.log" 2>&1 &
    printf '%s' $! > "$scratch/nginx.pid"
}

serving() {
    local port
    unpacked "${SERVING[@]}"
    prepare
    port=$(free_port)
    behind_nginx "$port" 8
    php -d memory_limit=2G artisan bench:serving --address="http://127.0.0.1:$port" "$@"
    kill "$(cat "$scratch/nginx.pid")" "$(cat "$scratch/fpm.pid")"
    unset APP_CONFIG_CACHE APP_ROUTES_CACHE
}

# A database with nothing in it, and the application read in, for measuring.
prepare() {
    database_start "$scratch/db" --innodb-buffer-pool-size=2G --innodb-flush-log-at-trx-commit=1
    use_database "$scratch/db"
    export ELMSTONE_BENCH=1 ELMSTONE_STAND_INS=true APP_ENV=demonstration CACHE_STORE=database SESSION_DRIVER=database
    export APP_KEY="base64:$(php -r 'echo base64_encode(random_bytes(32));')"
    php artisan migrate:fresh --force --quiet
    kept_ready "$scratch"
    php artisan view:cache --quiet
}

measure() {
    local port
    prepare
    port=$(free_port)
    serve "$port" "$scratch"
    php -d memory_limit=2G artisan "$1" --address="http://127.0.0.1:$port" \
        $([ "$1" = bench:accounts ] && echo "--server=$(cat "$scratch/serve.pid")") "${@:2}"
    serve_stop "$scratch"
    unset APP_CONFIG_CACHE APP_ROUTES_CACHE
}

case "${1:-all}" in
    sales) measure bench:run "${@:2}" ;;
    accounts) measure bench:accounts "${@:2}" ;;
    layaways) measure bench:layaways "${@:2}" ;;
    returns) measure bench:returns "${@:2}" ;;
    prove) measure bench:prove "${@:2}" ;;
    tills) measure bench:tills "${@:2}" ;;
    serving) serving "${@:2}" ;;
    goods) measure bench:goods "${@:2}" ;;
    orders) measure bench:orders "${@:2}" ;;
    reports) measure bench:reports "${@:2}" ;;
    *)
        measure bench:run && measure bench:accounts && measure bench:layaways && measure bench:returns \
            && measure bench:prove && measure bench:tills && measure bench:orders && measure bench:reports \
            && measure bench:goods && serving
        ;;
esac
