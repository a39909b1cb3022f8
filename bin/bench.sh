# Measures on databases of its own. Sales: 200,000 items, 20,000 and then 200,000 posted documents; writes
# bench/results.md. Accounts: 20,000 house accounts, 1,000,000 documents; writes bench/accounts.md. Layaways: 50,000;
# writes bench/layaways.md. Returns: 5,000 purchases of one customer; writes bench/returns.md. Proof: 200,000 documents;
# writes bench/prove.md. Tills: 1,000,000 documents; writes bench/tills.md. Orders: 100,000 open;
# writes bench/orders.md. Reports: 1,000,000 documents; writes bench/reports.md. Goods: 200,000 items; writes
# bench/goods.md. With the name of one of them runs only that.
. bin/house.sh
. bin/nodes.sh
. bin/web.sh

need "${RUNNING[@]}"
vendor_for_running

scratch=$(mktemp -d /tmp/elmstone-bench-XXXXXX)
finish() {
    serving_stop
    serve_stop "$scratch"
    database_stop "$scratch/db"
    php artisan view:clear --quiet || true
    rm -rf "$scratch"
}
trap finish EXIT

# Sales from several tills at once, on one machine as it is installed, and on the same as a cluster.
serving() {
    unpacked "${SERVING[@]}" "${CLUSTERING[@]}"
    {
        printf '# Serving, measured on %s\n\n%s cores that the database, the application and who asks share, PHP %s, ' \
            "$(date '+%-d %b %Y')" "$(nproc)" "$(php -r 'echo PHP_VERSION;')"
        printf 'nginx and php-fpm, opcache preloading, durable commits. A sale is four requests: two scans, cash, '
        printf 'post. Empty pages are the floor: the same machine, asked for `/up`.\n\n## One machine\n\n'
        serving_one "$@"
        printf '\n## Three databases and two applications behind nginx, on the same cores\n\n'
        serving_cluster "$@"
    } | tee "$scratch/report"
    cp "$scratch/report" bench/serving.md
}

serving_one() {
    local port
    prepare
    port=$(free_port)
    php -d memory_limit=2G artisan bench:serving-shop
    app_start "$scratch/a" "${ELMSTONE_WORKERS:-8}"
    nginx_application "$scratch/a" "$port" | nginx_start "$scratch"
    web_await "$port" "$scratch/a/fpm.log"
    php artisan bench:serving --address="http://127.0.0.1:$port" "$@"
    serving_stop
    database_stop "$scratch/db"
}

serving_cluster() {
    local port
    nodes_first "$scratch/nodes" 512M 1
    prepare_in "$scratch/nodes/one"
    php -d memory_limit=2G artisan bench:serving-shop
    nodes_spread "$scratch/nodes"
    use_nodes "$scratch/nodes"
    export ELMSTONE_PROXIES=127.0.0.1
    port=$(free_port)
    apps_start "$scratch" "${ELMSTONE_WORKERS:-4}" "$port" "$(free_port)" "$(free_port)"
    php artisan bench:serving --address="http://127.0.0.1:$port" "$@"
    serving_stop
}

serving_stop() {
    nginx_stop "$scratch"
    app_stop "$scratch/a"
    app_stop "$scratch/b"
    [ ! -d "$scratch/nodes" ] || nodes_stop "$scratch/nodes"
    unset APP_CONFIG_CACHE APP_ROUTES_CACHE
}

# A database with nothing in it, and the application read in, for measuring.
prepare() {
    database_start "$scratch/db" --innodb-buffer-pool-size=2G --innodb-flush-log-at-trx-commit=1
    prepare_in "$scratch/db"
    kept_ready "$scratch"
    php artisan view:cache --quiet
}

prepare_in() {
    use_database "$1"
    export ELMSTONE_BENCH=1 ELMSTONE_STAND_INS=true APP_ENV=demonstration CACHE_STORE=database SESSION_DRIVER=database
    # What workers do is not measured.
    export QUEUE_CONNECTION=sync
    export APP_KEY="base64:$(php -r 'echo base64_encode(random_bytes(32));')"
    php artisan migrate:fresh --force --quiet
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
