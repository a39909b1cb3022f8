# What the commands share: packages, our own MariaDB, and serving. Sourced, not run.
set -euo pipefail

HOUSE=${ELMSTONE_HOME:-$PWD/.elmstone}
export PATH=$PATH:/usr/sbin
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1 LC_ALL=C.UTF-8

say() { printf '%s\n' "$*" >&2; }
die() { say "elmstone: $*"; exit 1; }
missing() { ! command -v "$1" > /dev/null 2>&1; }

# Prints the Debian packages that are not there yet. Names: command or php:extension, then package.
lacking() {
    local want extensions
    extensions=$(php -m 2> /dev/null || true)
    for want in "$@"; do
        case "${want%%=*}" in
            php:*) grep -qix "${want#php:}" <<< "$extensions" || printf 'php-%s\n' "$(php_package "${want#php:}")" ;;
            *) missing "${want%%=*}" && printf '%s\n' "${want#*=}" ;;
        esac
    done | sort -u | tr '\n' ' ' || true
}

php_package() { case "$1" in pdo_mysql) echo mysql ;; dom) echo xml ;; *) echo "$1" ;; esac; }

# Of MariaDB only the programs: the package mariadb-server would start an instance of the system's own.
RUNNING=(php=php-cli composer=composer mariadbd=mariadb-server-core mariadb=mariadb-client-core curl=curl unzip=unzip
    php:pdo_mysql php:bcmath php:gd php:intl php:mbstring php:dom php:curl php:zip)
# To keep what there is, and to make it again.
KEEPING=(mariadb-dump=mariadb-client mariadb-binlog=mariadb-client)
SERVING=(nginx=nginx,nginx-common php-fpm8.2=php8.2-fpm,libapparmor1)
TESTING=(
    "${KEEPING[@]}"
    chromium=chromium chromedriver=chromium-driver pdftotext=poppler-utils pdftoppm=poppler-utils zbarimg=zbar-tools
)

need() {
    local packages
    packages=$(lacking "$@")
    [ -z "${packages// /}" ] && return
    [ "$(id -u)" = 0 ] || die "these packages are missing; install them, then run this again:
    sudo apt-get install $packages"
    missing apt-get && die "this is not a Debian machine; install what these packages hold: $packages"
    say "installing $packages"
    apt-get update -q > /dev/null
    # shellcheck disable=SC2086
    DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends $packages > /dev/null
}

# Programs whose packages would start a service of the machine's own are taken out of them, into a folder of ours.
# Names: command, then packages.
unpacked() {
    local tools=$HOUSE/tools want packages
    export PATH=$PATH:$tools/usr/sbin:$tools/usr/bin
    export LD_LIBRARY_PATH=$tools/usr/lib/$(uname -m)-linux-gnu
    # php-fpm has the extensions that the command line has.
    export PHP_INI_SCAN_DIR
    PHP_INI_SCAN_DIR=$(php -r 'echo dirname(trim(explode(",", (string) php_ini_scanned_files())[0]));')
    for want in "$@"; do
        missing "${want%%=*}" || continue
        packages=${want#*=}
        say "unpacking ${packages//,/ }"
        mkdir -p "$tools"
        (cd "$tools" && { apt-get download -q ${packages//,/ } > /dev/null 2>&1 \
            || { apt-get update -q > /dev/null && apt-get download -q ${packages//,/ } > /dev/null; }; } \
            && for package in *.deb; do dpkg -x "$package" .; done && rm -f ./*.deb) || die "$packages cannot be had"
    done
}

vendor() {
    mkdir -p "$HOUSE"
    local wanted
    wanted="$1 $(cksum < composer.json)"
    [ -f vendor/autoload.php ] && [ "$(cat vendor/.wanted 2> /dev/null)" = "$wanted" ] && return
    say 'installing the PHP packages'
    composer install --no-progress --quiet $([ "$1" = no-dev ] && echo --no-dev)
    printf '%s' "$wanted" > vendor/.wanted
}

# Development packages are kept once they are there.
vendor_for_running() { case "$(cat vendor/.wanted 2> /dev/null)" in dev*) vendor dev ;; *) vendor no-dev ;; esac }

# The machine's time zone decides the business date.
timezone() {
    php -r '$zone = trim((string) @file_get_contents("/etc/timezone"));
        echo in_array($zone, timezone_identifiers_list(), true) ? $zone : "UTC";'
}

# One to listen on, even after who listens there was away for a while: below those that the kernel gives to whoever
# connects to somebody, who else may have it by then.
free_port() {
    php -r '$given = (int) @file_get_contents("/proc/sys/net/ipv4/ip_local_port_range") ?: 32768;
        do {
            $port = random_int(10000, $given > 11000 ? $given - 1 : 60999);
        } while (! ($socket = @stream_socket_server("tcp://127.0.0.1:$port")));
        echo $port;'
}

# Makes a MariaDB of our own ready to start, on loopback. Arguments: folder, then extra server options. Leaves its port
# in folder/port, and in DATABASE the command.
database_ready() {
    local folder=$1 as_root=() port
    shift
    [ "$(id -u)" = 0 ] && as_root=(--user=root)
    # A place of its own for what it writes for a moment: one that starts clears away what it finds there.
    mkdir -p "$folder/tmp"
    if [ ! -d "$folder/data/mysql" ]; then
        mariadb-install-db --no-defaults "${as_root[@]}" --datadir="$folder/data" \
            --auth-root-authentication-method=normal --skip-test-db --skip-name-resolve > "$folder/install.log" 2>&1 \
            || die "MariaDB could not set up its data; see $folder/install.log"
    fi
    port=$(cat "$folder/port" 2> /dev/null || free_port)
    php -r 'exit(@stream_socket_server("tcp://127.0.0.1:$argv[1]") ? 0 : 1);' "$port" || port=$(free_port)
    # A socket's path may be 107 bytes long at most, so it does not lie in the data folder.
    [ -f "$folder/socket" ] || mktemp -u /tmp/elmstone-XXXXXXXX.sock > "$folder/socket"
    printf '%s' "$port" > "$folder/port"
    DATABASE=(mariadbd --no-defaults "${as_root[@]}" --datadir="$folder/data" --socket="$(cat "$folder/socket")"
        --pid-file="$folder/pid" --tmpdir="$folder/tmp"
        --log-error="$folder/error.log" --bind-address=127.0.0.1 --port="$port" --skip-name-resolve --skip-log-bin
        --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci --innodb-log-file-size=256M "$@")
}

# Starts it, and makes its users. Arguments as above.
database_start() {
    local folder=$1 i
    if database_answers "$folder"; then return; fi
    database_ready "$@"
    setsid "${DATABASE[@]}" > /dev/null 2>&1 < /dev/null &
    for i in $(seq 150); do
        database_answers "$folder" && { database_user "$folder"; return; }
        sleep 0.2
    done
    die "MariaDB did not start; see $folder/error.log"
}

# The shop's own database. One that is not the demonstration's writes a log of every change, in a folder of its own
# (ELMSTONE_BINLOG: best on another disk), so that what was done after a backup can be done again.
shop_database_start() { shop_database database_start; }
shop_database() {
    local log=()
    if [ "$(cat "$HOUSE/kind" 2> /dev/null)" = own ]; then
        local folder=${ELMSTONE_BINLOG:-$HOUSE/binlog}
        (umask 077 && mkdir -p "$folder")
        log=(--log-bin="$folder/elmstone" --binlog-format=ROW --sync-binlog=1 --expire-logs-days=14 --server-id=1
            --log-bin-trust-function-creators=1)
    fi
    "$1" "$HOUSE/db" --innodb-buffer-pool-size="${ELMSTONE_BUFFER:-512M}" --innodb-flush-log-at-trx-commit=1 \
        "${log[@]}"
}

# A database as it is at one moment, with its triggers. Arguments: folder, name, then options.
database_dump() {
    mariadb-dump --no-defaults --user=root --socket="$(cat "$1/socket")" --single-transaction --quick --hex-blob \
        --triggers --skip-lock-tables --default-character-set=utf8mb4 "${@:3}" "$2"
}

database_root() { mariadb --no-defaults --user=root --socket="$(cat "$1/socket")" "${@:2}"; }
database_answers() { [ -f "$1/socket" ] && database_root "$1" -e 'SELECT 1' > /dev/null 2>&1; }

# Two users, who may do nothing elsewhere: elmstone makes the tables and changes them; elmstone_till serves the pages
# and may do what artisan house:grants lets it.
database_user() {
    local file
    for file in password till-password; do
        [ -f "$1/$file" ] || (umask 077 && php -r 'echo bin2hex(random_bytes(16));' > "$1/$file")
    done
    database_root "$1" <<SQL
CREATE DATABASE IF NOT EXISTS elmstone;
CREATE USER IF NOT EXISTS 'elmstone'@'127.0.0.1';
ALTER USER 'elmstone'@'127.0.0.1' IDENTIFIED BY '$(cat "$1/password")';
GRANT ALL ON elmstone.* TO 'elmstone'@'127.0.0.1' WITH GRANT OPTION;
GRANT ALL ON \`elmstone\\_test%\`.* TO 'elmstone'@'127.0.0.1' WITH GRANT OPTION;
CREATE USER IF NOT EXISTS 'elmstone_till'@'127.0.0.1';
ALTER USER 'elmstone_till'@'127.0.0.1' IDENTIFIED BY '$(cat "$1/till-password")';
SQL
}

database_stop() {
    [ -f "$1/pid" ] || return 0
    local pid
    pid=$(cat "$1/pid")
    kill "$pid" 2> /dev/null || true
    # Where nobody buries the dead, one that has ended still has its number.
    for _ in $(seq 100); do
        kill -0 "$pid" 2> /dev/null && ! grep -q ') Z ' "/proc/$pid/stat" 2> /dev/null || return 0
        sleep 0.1
    done
}

# A database that is thrown away at the end, for tests and proofs. Sets scratch.
scratch_database() {
    scratch=$(mktemp -d /tmp/elmstone-test-XXXXXX)
    trap 'serve_stop "$scratch"; database_stop "$scratch/db"; rm -rf "$scratch"' EXIT
    database_start "$scratch/db" --innodb-buffer-pool-size=512M --innodb-flush-log-at-trx-commit=2 \
        --performance-schema=OFF
    use_database "$scratch/db" elmstone_test
    database_root "$scratch/db" -e 'CREATE DATABASE elmstone_test; CREATE DATABASE elmstone_test_browser'
    export ELMSTONE_TEST_SCRATCH=$scratch
}

# Points the application, by its environment, at the database in a folder.
use_database() {
    export DB_HOST=127.0.0.1 DB_PORT DB_DATABASE=${2:-elmstone} DB_USERNAME=elmstone DB_PASSWORD
    DB_PORT=$(cat "$1/port")
    DB_PASSWORD=$(cat "$1/password")
    DB_TILL_PASSWORD=$(cat "$1/till-password")
    export DB_TILL_PASSWORD
}

# From here on as the user who serves.
as_till() {
    export DB_USERNAME=elmstone_till DB_PASSWORD=$DB_TILL_PASSWORD
}

# Configuration and routes, read once, for who serves from here on: in a folder of its own, so that nothing else that
# runs in this checkout, tests least of all, takes them for its own. Argument: folder.
kept_ready() {
    export APP_CONFIG_CACHE=$1/config.php APP_ROUTES_CACHE=$1/routes.php
    (umask 077 && php artisan config:cache --quiet)
    php artisan route:cache --quiet
}

# Serves on a port with several workers, in a process group of its own. Arguments: port, folder for pid and log.
serve() {
    (cd public && PHP_CLI_SERVER_WORKERS=${ELMSTONE_WORKERS:-6} exec setsid php -d opcache.enable_cli=1 \
        -d opcache.preload=../bin/preload.php -d opcache.preload_user="$(id -un)" \
        -d upload_max_filesize=32M -d post_max_size=34M -d max_execution_time=120 -d variables_order=EGPCS \
        -S "127.0.0.1:$1" ../vendor/laravel/framework/src/Illuminate/Foundation/resources/server.php) \
        > "$2/serve.log" 2>&1 < /dev/null &
    printf '%s' $! > "$2/serve.pid"
    for _ in $(seq 100); do
        curl -fsS -o /dev/null "http://127.0.0.1:$1/up" 2> /dev/null && return
        sleep 0.1
    done
    die "the application does not answer; see $2/serve.log"
}

# PHP for what reckons for minutes: compiled to the machine's own code while it runs.
compiled() { php -d opcache.enable_cli=1 -d opcache.jit=tracing -d opcache.jit_buffer_size=128M "$@"; }

# Who works beside the pages, for as long as this runs: what did not go when it was posted is tried again, what lies in
# the folders of web shops is taken in, statements are made and files brought in. One that ends is begun again.
WORKERS=(outbox folders short long)
send_waiting() {
    forever "$1" outbox outbox:send --forever
    forever "$1" folders web-orders:read --forever
    forever "$1" short queue:work database --queue=short --sleep=1 --max-time=3600 --quiet
    forever "$1" long queue:work long --queue=long --sleep=1 --max-time=3600 --timeout=1000 --memory=512 --quiet
}

# Arguments: folder for pid and log, its name there, then what artisan does.
forever() {
    local folder=$1 name=$2
    shift 2
    # shellcheck disable=SC2016
    setsid bash -c 'while :; do php artisan "$@"; sleep 3; done' bash "$@" > "$folder/$name.log" 2>&1 < /dev/null &
    printf '%s' $! > "$folder/$name.pid"
}

serve_stop() {
    local name
    for name in "${WORKERS[@]}" serve; do
        [ ! -f "$1/$name.pid" ] || kill -TERM -- "-$(cat "$1/$name.pid")" 2> /dev/null || true
        rm -f "$1/$name.pid"
    done
}
