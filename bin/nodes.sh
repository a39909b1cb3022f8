# Three databases that keep the same, on loopback: a cluster in a folder, a node in a folder of its own below. Sourced
# after house.sh, not run.

NODES=(one two three)
# Galera beside MariaDB; and what one node gives another by, where that has lost its data.
CLUSTERING=(galera_recovery=galera-4,mariadb-server wsrep_sst_mariabackup=mariadb-server
    mariadb-backup=mariadb-backup socat=socat,libwrap0)

galera_library() {
    local library
    for library in "$HOUSE/tools/usr/lib/galera/libgalera_smm.so" /usr/lib/galera/libgalera_smm.so; do
        [ ! -f "$library" ] || { printf '%s' "$library"; return; }
    done
    die 'Galera is not there'
}

# Every node's own settings, from the template that machines of their own take. Arguments: the cluster's folder, buffer,
# how commits are flushed.
nodes_settings() {
    local folder=$1 name what addresses=()
    for name in "${NODES[@]}"; do
        mkdir -p "$folder/$name/tmp"
        for what in port group-port ist-port sst-port; do
            [ -f "$folder/$name/$what" ] || free_port > "$folder/$name/$what"
        done
        [ -f "$folder/$name/socket" ] || mktemp -u /tmp/elmstone-XXXXXXXX.sock > "$folder/$name/socket"
        addresses+=("127.0.0.1:$(cat "$folder/$name/group-port")")
    done
    for name in "${NODES[@]}"; do
        sed -e "s#@DATA@#$folder/$name/data#; s#@FOLDER@#$folder/$name#g; s#@SOCKET@#$(cat "$folder/$name/socket")#" \
            -e "s#@PORT@#$(cat "$folder/$name/port")#g; s#@GROUP_PORT@#$(cat "$folder/$name/group-port")#g" \
            -e "s#@IST_PORT@#$(cat "$folder/$name/ist-port")#g; s#@SST_PORT@#$(cat "$folder/$name/sst-port")#g" \
            -e "s#@NODES@#$(IFS=,; echo "${addresses[*]}")#; s#@NAME@#$name#; s#@ADDRESS@\|@BIND@#127.0.0.1#g" \
            -e "s#@PROVIDER@#$(galera_library)#; s#@SST_USER@#root:#; s#@BUFFER@#$2#; s#@FLUSH@#$3#" \
            -e 's#@REMEMBERS@#128M#' deploy/galera.cnf > "$folder/$name/my.cnf"
        [ "$(id -u)" != 0 ] || echo 'user = root' >> "$folder/$name/my.cnf"
    done
}

# The first node of a cluster with nothing in it, alone: what is loaded into it now need not go to the others one row
# at a time. Arguments as above.
nodes_first() {
    local folder=$1 as_root=()
    [ "$(id -u)" != 0 ] || as_root=(--user=root)
    nodes_settings "$@"
    mariadb-install-db --no-defaults "${as_root[@]}" --datadir="$folder/one/data" \
        --auth-root-authentication-method=normal --skip-test-db --skip-name-resolve > "$folder/one/install.log" 2>&1 \
        || die "MariaDB could not set up its data; see $folder/one/install.log"
    node_start "$folder" one --wsrep-new-cluster
    node_await "$folder" one
    database_user "$folder/one"
}

# The others begin as copies of the first, which is sooner done than that it gives them a backup of itself.
nodes_spread() {
    local folder=$1 name
    node_stop "$folder" one
    for name in two three; do
        cp -a "$folder/one/data" "$folder/$name/data"
        rm -f "$folder/$name/data/"{galera.cache,gvwstate.dat}
    done
    nodes_up "$folder"
}

# Starts those that do not run. Where none does, the one that knows most begins.
nodes_up() {
    local folder=$1 name first
    if ! nodes_run "$folder"; then
        first=$(nodes_furthest "$folder")
        sed -i 's/^safe_to_bootstrap: .*/safe_to_bootstrap: 1/' "$folder/$first/data/grastate.dat"
        node_start "$folder" "$first" --wsrep-new-cluster
        node_await "$folder" "$first"
    fi
    for name in "${NODES[@]}"; do node_start "$folder" "$name"; done
    for name in "${NODES[@]}"; do node_await "$folder" "$name"; done
}

nodes_run() {
    local name
    for name in "${NODES[@]}"; do if node_runs "$1/$name"; then return 0; fi; done
    return 1
}

nodes_furthest() {
    local folder=$1 name
    for name in "${NODES[@]}"; do
        printf '%s %s\n' "$(node_stands "$folder/$name" | sed 's/.*://')" "$name"
    done | sort -n -s -k1,1 | tail -n 1 | cut -d' ' -f2
}

# What of the cluster's history is on a node's disk: uuid:number. One that was killed does not have it written down.
node_stands() {
    local state=$1/data/grastate.dat
    if grep -q '^seqno: *-1' "$state"; then
        rm -f "$1/recovered.log"
        mariadbd --defaults-file="$1/my.cnf" --log-error="$1/recovered.log" --wsrep-recover > /dev/null 2>&1 \
            || die "a node's data cannot be recovered; see $1/recovered.log"
        sed -n 's/.*Recovered position: *//p' "$1/recovered.log" | tail -n 1
    else
        printf '%s:%s\n' "$(sed -n 's/^uuid: *//p' "$state")" "$(sed -n 's/^seqno: *//p' "$state")"
    fi
}

node_runs() {
    local pid
    pid=$(cat "$1/pid" 2> /dev/null) && kill -0 "$pid" 2> /dev/null && ! grep -qs ') Z ' "/proc/$pid/stat"
}

# Starts one. Arguments: the cluster's folder, its name, more options.
node_start() {
    local folder=$1/$2 at=()
    ! node_runs "$folder" || return 0
    rm -f "$folder/pid"
    # One that has lost everything, or was broken off while it was given it, asks the others for all of it.
    if [ -f "$folder/data/grastate.dat" ] && ! grep -q '^uuid: *0000' "$folder/data/grastate.dat"; then
        at=(--wsrep-start-position="$(node_stands "$folder")")
    else
        mkdir -p "$folder/data"
    fi
    setsid mariadbd --defaults-file="$folder/my.cnf" "${at[@]}" "${@:3}" > "$folder/out.log" 2>&1 < /dev/null &
    printf '%s' $! > "$folder/pid"
    disown
}

node_status() {
    database_root "$1" -N -e "SELECT variable_value FROM information_schema.global_status
        WHERE variable_name = '$2'" 2> /dev/null || true
}

node_await() {
    local tries
    for tries in $(seq 600); do
        [ "$(node_status "$1/$2" wsrep_local_state_comment)" != Synced ] || return 0
        # It may be about to start.
        [ "$tries" -lt 100 ] || node_runs "$1/$2" || break
        sleep 0.1
    done
    grep -v '\[Note\]' "$1/$2/error.log" | tail -n 20 >&2 || true
    die "node $2 does not come; see $1/$2/error.log"
}

# As when its power is cut.
node_kill() {
    local pid _
    pid=$(cat "$1/$2/pid" 2> /dev/null) || return 0
    kill -KILL "$pid" 2> /dev/null || return 0
    for _ in $(seq 100); do node_runs "$1/$2" || return 0; sleep 0.05; done
}

node_stop() { database_stop "$1/$2"; rm -f "$1/$2/pid"; }

nodes_stop() {
    local name
    for name in "${NODES[@]}"; do node_stop "$1" "$name"; done
}

# Points the application, by its environment, at all of them.
use_nodes() {
    local folder=$1 name written=()
    use_database "$folder/one" "${2:-elmstone}"
    for name in "${NODES[@]}"; do written+=("$name=127.0.0.1:$(cat "$folder/$name/port")"); done
    DB_NODES=$(IFS=,; echo "${written[*]}")
    export DB_NODES
}
