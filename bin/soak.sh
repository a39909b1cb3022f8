# Hours in a shop, in one go, with a seed that it says.
#   ./elmstone soak [minutes] [seed] [tills]   mixed work at ten tills for an hour: nothing grows, nothing goes wrong
#   ./elmstone soak kills [how many] [seed]    work at four tills, while databases, processes, workers and
#                                              applications of a cluster are killed in turns: nothing lost or doubled
# Both write what they saw: bench/soak.md, bench/kills.md (ELMSTONE_REPORT says where else).
. bin/house.sh
. bin/nodes.sh
. bin/web.sh

what=soak
[ "${1:-}" != kills ] || { what=kills; shift; }
much=${1:-$([ "$what" = soak ] && echo 60 || echo 1000)}
seed=${2:-$((RANDOM * 32768 + RANDOM))}
tills=${3:-$([ "$what" = soak ] && echo 10 || echo 4)}
report=${ELMSTONE_REPORT:-bench/$what.md}
RANDOM=$((seed % 32768))
say "seed $seed: $much $([ "$what" = soak ] && echo minutes || echo kills) at $tills tills; again: ./elmstone soak" \
    "$([ "$what" = soak ] || echo 'kills ')$much $seed $tills"

need "${RUNNING[@]}"
unpacked "${SERVING[@]}"
vendor dev
scratch=$(mktemp -d /tmp/elmstone-soak-XXXXXX)
finish() {
    pkill -f "soak:work $scratch" || true
    serve_stop "$scratch"
    nginx_stop "$scratch"
    app_stop "$scratch/a"
    app_stop "$scratch/b"
    [ ! -d "$scratch/db" ] || database_stop "$scratch/db"
    [ ! -d "$scratch/one" ] || nodes_stop "$scratch"
    rm -rf "$scratch"
}
trap finish EXIT
export ELMSTONE_BENCH=1 ELMSTONE_STAND_INS=true APP_ENV=demonstration CACHE_STORE=database SESSION_DRIVER=database
export ELMSTONE_PROXIES=127.0.0.1 APP_KEY
APP_KEY="base64:$(php -r 'echo base64_encode(random_bytes(32));')"

shop() {
    php artisan migrate --force --quiet
    php -d memory_limit=2G artisan soak:shop --tills="$tills" "$@"
    php artisan house:grants elmstone_till
}

works() {
    php artisan soak:work "$scratch" --address="http://127.0.0.1:$port" --tills="$tills" --seed="$seed" "$@" \
        > "$scratch/work.log" 2>&1 &
    working=$!
    # Whoever is broken off at signing in signs in again, which no machine does for them.
    while [ "$(find "$scratch" -maxdepth 1 -name 'in-*' | wc -l)" -le "$tills" ]; do
        kill -0 "$working" 2> /dev/null || { cat "$scratch/work.log" >&2; return 1; }
        sleep 0.2
    done
}

# Waits for the tills to have done what they are at. Fails where one of them could not go on.
stop_working() {
    touch "$scratch/stop"
    if wait "$working"; then return 0; fi
    say "the tills could not go on: $(cat "$scratch/work.log")"
    faults | cut -c1-700 | tail -n 40 | sort -u -t: -k2,4 >&2
    return 1
}

# What was acknowledged is there, the workers who still run get through with theirs, and the books prove.
proves() {
    local proved=0
    php artisan soak:check "$scratch" || return 1
    php artisan books:prove > "$scratch/proof" || proved=1
    tail -n $((proved * 20 + 1)) "$scratch/proof"
    return "$proved"
}

processes() { pgrep -g "$(cat "$1/fpm.pid")" 2> /dev/null || true; }

# Moment, largest worker and all of them in MB, connections of the database.
sample() {
    local pid sizes='' size
    for pid in $(processes "$scratch/a"); do
        size=$(awk '/^RssAnon/ { print $2 }' "/proc/$pid/status" 2> /dev/null || true)
        sizes+="${size:-0}"$'\n'
    done
    printf '%s\t%s\t%s\n' "$(date +%s)" \
        "$(awk '{ sum += $1; if ($1 > most) most = $1 }
            END { printf "%.1f\t%.1f", most / 1024, sum / 1024 }' <<< "$sizes")" \
        "$(database_root "$scratch/db" -N -e 'SELECT COUNT(*) FROM information_schema.processlist
            WHERE user LIKE "elmstone%"')" >> "$scratch/samples"
}

faults() {
    grep -h '"level_name":"\(ERROR\|CRITICAL\|ALERT\|EMERGENCY\)"' "$scratch"/*/storage/logs/*.log 2> /dev/null || true
}

soak() {
    local until worker found
    database_start "$scratch/db" --innodb-buffer-pool-size=1G --innodb-flush-log-at-trx-commit=1
    use_database "$scratch/db"
    shop
    as_till
    ELMSTONE_REQUESTS=0 app_start "$scratch/a" 8
    port=$(free_port)
    nginx_application "$scratch/a" "$port" | nginx_start "$scratch"
    web_await "$port" "$scratch/a/fpm.log"
    export LARAVEL_STORAGE_PATH=$scratch/a/storage
    send_waiting "$scratch"
    works --pause=2500
    until=$(($(date +%s) + much * 60))
    while [ "$(date +%s)" -lt "$until" ] && [ ! -f "$scratch/failed" ]; do sample; sleep 5; done
    stop_working || return 1
    use_database "$scratch/db"
    proves > "$scratch/proved" || failed=1
    for worker in "${WORKERS[@]}"; do
        kill -0 "$(cat "$scratch/$worker.pid")" || { say "$worker ended: $(cat "$scratch/$worker.log")"; return 1; }
    done
    serve_stop "$scratch"
    found=$(faults)
    [ -z "$found" ] || { say "errors in the log: $found"; return 1; }
    {
        printf '# Soak, %s\n\n%s minutes of mixed work at %s tills (seed %s), nginx and eight ' \
            "$(date '+%-d %b %Y')" "$much" "$tills" "$seed"
        printf 'php-fpm workers that are never begun anew, opcache preloading, durable commits, '
        printf '%s cores that all share. In six parts:\n\n' "$(nproc)"
        php artisan soak:growth "$scratch" || failed=1
        printf '\nAt its end: '
        cat "$scratch/proved"
        printf '\nNo error in any log.\n'
    } > "$scratch/report"
}

# One database of three, as when its power is cut: it is missed for a moment, and comes back, while others are killed.
# Never a second before the first is there again: two of three know what is acknowledged, one alone does not.
killed_last=one
kill_database() {
    node_await "$scratch" "$killed_last"
    killed_last=${NODES[$((RANDOM % 3))]}
    node_kill "$scratch" "$killed_last"
    (sleep "0.$((RANDOM % 10))"; node_start "$scratch" "$killed_last") > /dev/null 2>&1 &
}

# One process that answers pages; php-fpm begins another.
kill_process() {
    local app all
    app=$([ $((RANDOM % 2)) = 0 ] && echo a || echo b)
    # One that was just begun again has none for a moment.
    # Only of its pool: who begins them, and who reads the classes in before that, would take the application along.
    while mapfile -t all < <(pgrep -g "$(cat "$scratch/$app/fpm.pid")" -f '^php-fpm: pool')
        [ ${#all[@]} = 0 ]; do sleep 0.1; done
    kill -KILL "${all[$((RANDOM % ${#all[@]}))]}" 2> /dev/null || true
}

# One of those who work beside the pages; another is begun in its place.
kill_worker() {
    local worker=${WORKERS[$((RANDOM % ${#WORKERS[@]}))]}
    pkill -KILL -x php -g "$(cat "$scratch/$worker.pid")" || true
}

# One of the applications with all its processes.
kill_application() {
    local app
    app=$([ $((RANDOM % 2)) = 0 ] && echo a || echo b)
    app_stop "$scratch/$app" KILL
    sleep "0.$((RANDOM % 10))"
    app_run "$scratch/$app"
}

# A database is away for some ten seconds, in which others are killed.
TURNS=(application database process worker process worker process worker process worker)
kills() {
    local kill killed=0 what
    local -A times=([application]=0 [database]=0 [process]=0 [worker]=0)
    unpacked "${CLUSTERING[@]}"
    nodes_first "$scratch" "${ELMSTONE_BUFFER:-256M}" 2
    use_database "$scratch/one"
    shop --documents=60
    nodes_spread "$scratch"
    use_nodes "$scratch"
    as_till
    port=$(free_port)
    apps_start "$scratch" 3 "$port" "$(free_port)" "$(free_port)"
    send_waiting "$scratch"
    works --pause=400
    for ((kill = 1; kill <= much; kill++)); do
        what=${TURNS[$((kill % ${#TURNS[@]}))]}
        "kill_$what"
        times[$what]=$((${times[$what]} + 1))
        [ ! -f "$scratch/failed" ] || break
        sleep "0.$((RANDOM % 5))"
        killed=$kill
        [ $((kill % 50)) != 0 ] || say "  $kill kills, $(cat "$scratch"/acknowledged-* | wc -l) postings acknowledged"
    done
    node_await "$scratch" "$killed_last"
    stop_working || return 1
    use_nodes "$scratch"
    {
        printf '# Kills, %s\n\n%s kills in turns: %s of a database of three, %s of an application of two, ' \
            "$(date '+%-d %b %Y')" "$killed" "${times[database]}" "${times[application]}"
        printf '%s of a process that answers pages, %s of a worker; while %s tills worked through nginx before both ' \
            "${times[process]}" "${times[worker]}" "$tills"
        printf '(seed %s). ' "$seed"
        printf '%s times a till got no answer and sent the same again.\n\n' \
            "$(awk -F'\t' '{ sum += $4 } END { print sum + 0 }' "$scratch"/times-*)"
        proves || failed=1
        printf '\nIt was written to the nodes in %s turns. All three have the same: ' \
            "$(database_root "$scratch/one" -N elmstone -e 'SELECT MAX(turn) FROM writers')"
        same_everywhere || failed=1
    } > "$scratch/report"
}

same_everywhere() {
    local name sum sums=()
    for name in "${NODES[@]}"; do
        sum=$(database_root "$scratch/$name" -N elmstone -e 'SET SESSION wsrep_sync_wait = 1;
            CHECKSUM TABLE documents, document_lines, journal_lines, document_digests, slips, open_items, stock' \
            | cksum)
        sums+=("$sum")
    done
    [ "${sums[0]}" = "${sums[1]}" ] && [ "${sums[0]}" = "${sums[2]}" ] || { echo "no: ${sums[*]}"; return 1; }
    echo 'yes.'
}

failed=0
"$what" || exit 1
cat "$scratch/report"
[ "$failed" = 1 ] || cp "$scratch/report" "$report"
exit "$failed"
