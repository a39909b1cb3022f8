# The demonstration shop on more than one machine, all of them on loopback: three databases that keep the same, two
# applications, and nginx before them. For trying out what happens when one of them is killed. Without a word after it
# starts them; with stop, stops them; with kill or start and a name, one of them, as when its power is cut; with
# status says how they are; with reset, throws all of it away.
. bin/house.sh
. bin/nodes.sh
. bin/web.sh

cluster=$HOUSE/cluster
word=${1:-up}
name=${2:-}
port_of() { [ -f "$cluster/$1.port" ] || free_port > "$cluster/$1.port"; cat "$cluster/$1.port"; }
known() {
    case $1 in
        one | two | three | a | b) ;;
        *) die "$word takes one, two, three (databases), a or b (applications)" ;;
    esac
}

# What both applications are told.
told() {
    [ -f "$cluster/key" ] \
        || (umask 077 && php -r 'echo "base64:".base64_encode(random_bytes(32));' > "$cluster/key")
    use_nodes "$cluster"
    export APP_ENV=demonstration ELMSTONE_STAND_INS=true CACHE_STORE=database SESSION_DRIVER=database
    export ELMSTONE_PROXIES=127.0.0.1 APP_KEY APP_TIMEZONE
    APP_KEY=$(cat "$cluster/key")
    APP_TIMEZONE=$(timezone)
}

# The demonstration is loaded into the first alone, before there are others.
load() {
    nodes_first "$cluster" 256M 1
    told
    unset DB_NODES
    database_root "$cluster/one" -e 'SET GLOBAL innodb_flush_log_at_trx_commit = 2'
    CACHE_STORE=file php artisan migrate --force --quiet
    compiled artisan shop:demo --if-empty
    php artisan house:grants elmstone_till
    nodes_spread "$cluster"
    touch "$cluster/loaded"
}

up() {
    need "${RUNNING[@]}"
    unpacked "${SERVING[@]}" "${CLUSTERING[@]}"
    vendor_for_running
    mkdir -p "$cluster"
    [ -f "$cluster/loaded" ] || { stop; rm -rf "${cluster:?}"; mkdir -p "$cluster"; load; }
    nodes_up "$cluster"
    told
    (unset DB_NODES && CACHE_STORE=file php artisan migrate --force --quiet && php artisan house:grants elmstone_till)
    as_till
    apps_start "$cluster" 4 "$(port_of front)" "$(port_of a)" "$(port_of b)"
    php artisan shop:sign-ins --address="http://127.0.0.1:$(port_of front)"
    say "  Databases one, two, three; applications a, b. Try: ./elmstone cluster kill one, and go on selling;
  ./elmstone cluster start one; ./elmstone cluster status"
}

stop() {
    nginx_stop "$cluster"
    app_stop "$cluster/a"
    app_stop "$cluster/b"
    nodes_stop "$cluster"
}

kill_one() {
    known "$1"
    case $1 in a | b) app_stop "$cluster/$1" KILL ;; *) node_kill "$cluster" "$1" ;; esac
    say "$1 is dead"
}

start_one() {
    known "$1"
    unpacked "${SERVING[@]}" "${CLUSTERING[@]}"
    case $1 in
        a | b) told; as_till; app_run "$cluster/$1" ;;
        *) node_start "$cluster" "$1"; node_await "$cluster" "$1" ;;
    esac
    say "$1 is there again"
}

status() {
    local node app
    for node in "${NODES[@]}"; do
        printf '%-6s %s\n' "$node" "$(node_runs "$cluster/$node" \
            && echo "$(node_status "$cluster/$node" wsrep_local_state_comment)," \
                "sees $(node_status "$cluster/$node" wsrep_cluster_size)," \
                "written to: $(database_root "$cluster/$node" -N elmstone -e 'SELECT node FROM writers' \
                    2> /dev/null)" \
            || echo 'does not run')"
    done
    for app in a b; do
        printf '%-6s %s\n' "$app" "$([ -f "$cluster/$app/fpm.pid" ] && echo runs || echo 'does not run')"
    done
}

[ "$word" = up ] || [ -d "$cluster" ] || die 'there is no cluster yet: ./elmstone cluster'
case $word in
    up) up ;;
    stop) stop; say 'stopped' ;;
    kill) kill_one "$name" ;;
    start) start_one "$name" ;;
    status) status ;;
    reset) stop; rm -rf "$cluster"; say 'the cluster is gone; ./elmstone cluster makes it anew' ;;
    *) die "cluster takes stop, kill, start, status or reset; not $word" ;;
esac
