# nginx and php-fpm of ours on loopback, as a shop's own machine serves. Sourced after house.sh, not run.

# An application in a folder of its own: what it keeps on disk, and its php-fpm. Arguments: folder, workers. What the
# application is told is in the environment.
app_start() {
    local folder=$1 name
    mkdir -p "$folder/run" "$folder/storage/logs" "$folder/storage/app/private" \
        "$folder/storage/framework/"{views,sessions,cache/data}
    ln -sfn "$PWD/storage/fonts" "$folder/storage/fonts"
    (
        export LARAVEL_STORAGE_PATH=$folder/storage
        kept_ready "$folder"
        php artisan view:cache --quiet
    )
    sed -e "s#@RUN@#$folder/run#g; s#@LIB@#$folder#g; s#@WORKERS@#$2#g" -e 's/^clear_env = yes/clear_env = no/' \
        deploy/php-fpm.conf > "$folder/php-fpm.conf"
    {
        [ "$(id -u)" != 0 ] || printf 'user = root\ngroup = root\n'
        printf 'php_admin_value[session.cookie_secure] = 0\nenv[LARAVEL_STORAGE_PATH] = %s\n' "$folder/storage"
        for name in config routes; do
            printf 'env[APP_%s_CACHE] = %s/%s.php\n' "${name^^}" "$folder" "$name"
        done
    } >> "$folder/php-fpm.conf"
    # Whether workers grow is seen only of those that are not begun anew.
    [ -z "${ELMSTONE_REQUESTS:-}" ] || sed -i "s/^pm.max_requests = .*/pm.max_requests = $ELMSTONE_REQUESTS/" \
        "$folder/php-fpm.conf"
    app_run "$folder"
}

app_run() {
    setsid php-fpm8.2 $([ "$(id -u)" != 0 ] || echo -R) --fpm-config "$1/php-fpm.conf" \
        -d opcache.preload="$PWD/bin/preload.php" -d opcache.preload_user="$(id -un)" \
        -d opcache.validate_timestamps=0 > "$1/fpm.log" 2>&1 < /dev/null &
    printf '%s' $! > "$1/fpm.pid"
    disown
}

app_stop() {
    local pid
    pid=$(cat "$1/fpm.pid" 2> /dev/null) || return 0
    kill -"${2:-TERM}" -- "-$pid" 2> /dev/null || true
    rm -f "$1/fpm.pid"
}

# The part of nginx's settings that serves an application. Arguments: its folder, its port.
nginx_application() {
    local own=/etc/nginx
    [ ! -d "$HOUSE/tools/etc/nginx" ] || own=$HOUSE/tools/etc/nginx
    cat <<NGINX
server {
    listen 127.0.0.1:$2;
    root $PWD/public;
    keepalive_requests 100000;
    location / { try_files \$uri /index.php\$is_args\$args; }
    location = /index.php {
        include $own/fastcgi_params;
        fastcgi_param SCRIPT_FILENAME \$document_root/index.php;
        fastcgi_param HTTP_HOST \$http_host;
        fastcgi_pass unix:$1/run/php.sock;
    }
}
NGINX
}

# The part that stands before several. Arguments: its port, then theirs.
nginx_front() {
    local port=$1 servers='' there
    shift
    for there in "$@"; do servers+="server 127.0.0.1:$there max_fails=1 fail_timeout=10s; "; done
    sed -e "s#@LISTEN@#127.0.0.1:$port#; s#@SERVERS@#$servers#; s#@TLS@##; s#@ROOT@#$PWD#" deploy/nginx-front.conf
}

# Two applications, a and b below a folder, and nginx before them, as far as they do not run. Arguments: the folder,
# processes of each, the front's port, theirs.
apps_start() {
    local app
    for app in a b; do [ -f "$1/$app/fpm.pid" ] || app_start "$1/$app" "$2"; done
    [ -f "$1/nginx.pid" ] || {
        nginx_application "$1/a" "$4"
        nginx_application "$1/b" "$5"
        nginx_front "$3" "$4" "$5"
    } | nginx_start "$1"
    web_await "$3" "$1/nginx.log"
}

# Runs it. Arguments: folder; the parts are read from what is given to it.
nginx_start() {
    local kind
    mkdir -p "$1/nginx"
    {
        [ "$(id -u)" != 0 ] || echo 'user root;'
        printf 'daemon off;\npid %s/nginx/pid;\nerror_log %s/nginx/error.log;\nevents { worker_connections 1024; }\n' \
            "$1" "$1"
        printf 'http {\naccess_log off;\n'
        for kind in client_body proxy fastcgi uwsgi scgi; do echo "${kind}_temp_path $1/nginx/$kind;"; done
        cat
        echo '}'
    } > "$1/nginx.conf"
    setsid nginx -c "$1/nginx.conf" > "$1/nginx.log" 2>&1 < /dev/null &
    printf '%s' $! > "$1/nginx.pid"
}

nginx_stop() {
    [ ! -f "$1/nginx.pid" ] || kill "$(cat "$1/nginx.pid")" 2> /dev/null || true
    rm -f "$1/nginx.pid"
}

# Until what is served there answers. Arguments: port, the log to look at else.
web_await() {
    local _
    for _ in $(seq 300); do
        ! curl -fsS -o /dev/null "http://127.0.0.1:$1/up" 2> /dev/null || return 0
        sleep 0.1
    done
    die "the application does not answer; see $2"
}
