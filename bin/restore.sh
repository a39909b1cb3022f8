# Makes of a backup a shop again, in another place, and proves its books there:
# ./elmstone restore <file.backup> --into=<folder> [--log=<folder>] [--until='2026-11-27 18:00:00']
# The key that opens it is asked for, or taken from ELMSTONE_BACKUP_KEY. With the folder of the database's own log, or
# of its sealed copies, what was written after the backup is done again: to its end, or to a moment in UTC.
. bin/house.sh

backup='' into='' log='' until=''
for word in "$@"; do
    case $word in
        --into=*) into=${word#*=} ;;
        --log=*) log=$(realpath "${word#*=}") ;;
        --until=*) until=${word#*=} ;;
        -*) die "restore knows --into, --log and --until; not $word" ;;
        *) backup=$word ;;
    esac
done
[ -f "$backup" ] && [ -n "$into" ] || die 'say which, and where to: ./elmstone restore <file.backup> --into=<folder>'
[ -z "$until" ] || date -u -d "$until" > /dev/null 2>&1 || die "“$until” is no moment; write it as 2026-11-27 18:00:00"
[ ! -e "$into/db" ] || die "there is a shop in $into already; a backup is restored beside it, never over it"
if [ -z "${ELMSTONE_BACKUP_KEY:-}" ]; then
    [ -t 0 ] || die 'the key that opens it is missing: ELMSTONE_BACKUP_KEY'
    read -r -s -p 'Key: ' ELMSTONE_BACKUP_KEY
fi
export ELMSTONE_BACKUP_KEY

need "${RUNNING[@]}" "${KEEPING[@]}"
vendor_for_running
sums=${backup%.backup}.sha256
[ ! -f "$sums" ] || (cd "$(dirname "$backup")" && sha256sum --status -c "$(basename "$sums")") \
    || die "$backup is not as it was written: its digest is another"
mkdir -p "$into"
into=$(realpath "$into")
chmod 700 "$into"
work=$(mktemp -d "$into/.opening-XXXXXX")
# Whatever goes wrong, half a shop is not left behind.
undo() {
    local rc=$?
    rm -rf "$work"
    [ $rc = 0 ] || { database_stop "$into/db"; rm -rf "$into/db" "$into/key"; }
    exit $rc
}
trap undo EXIT
umask 077

php bin/vault.php open < "$backup" > "$work/all.tar" || die 'nothing was restored'
tar -C "$work" -xf "$work/all.tar"
told() { php -r '$m = json_decode(file_get_contents($argv[1]), true, 8, JSON_THROW_ON_ERROR);
    foreach (explode(".", $argv[2]) as $key) { $m = $m[$key] ?? ""; } echo $m;' "$work/manifest.json" "$1"; }
for i in 0 1 2; do
    [ "$(sha256sum < "$work/$(told "parts.$i.name")" | cut -d' ' -f1)" = "$(told "parts.$i.sha256")" ] \
        || die "$(told "parts.$i.name") in it is not what its list says"
done
# shellcheck disable=SC1091
. "$work/house.env"

say "of $(told made_at), version $(told version)"
database_start "$into/db" --innodb-buffer-pool-size=512M --innodb-flush-log-at-trx-commit=2
zcat "$work/database.sql.gz" | database_root "$into/db" elmstone

# What was written after it, from the files of the log in their order; sealed copies are opened first.
again() {
    local first=$1 position=$2 name files=() stop=()
    mkdir "$work/log"
    for name in "$log"/elmstone.[0-9]*; do
        [ -f "$name" ] || continue
        case $name in
            *.sealed) php bin/vault.php open < "$name" > "$work/log/$(basename "$name" .sealed)" ;;
            *.part) ;;
            *) cp "$name" "$work/log/" ;;
        esac
    done
    for name in "$work"/log/*; do
        [[ $(basename "$name") < $first ]] || files+=("$name")
    done
    [ "$(basename "${files[0]:-none}")" = "$first" ] || die "$first is missing in $log: what came after the backup \
begins there"
    [ -z "$until" ] || stop=("--stop-datetime=$(date -u -d "$until" '+%Y-%m-%d %H:%M:%S')")
    TZ=UTC mariadb-binlog --no-defaults --database=elmstone --start-position="$position" "${stop[@]}" "${files[@]}" \
        | database_root "$into/db"
    say "and ${#files[@]} files of the log after it${until:+, until $until}"
}
[ -z "$log" ] || again "$(told log.file)" "$(told log.position)"

printf '%s' "$APP_KEY" > "$into/key"
printf '%s' "$KIND" > "$into/kind"
mkdir -p "$into/files"
tar -C "$into/files" -xzf "$work/files.tar.gz"
use_database "$into/db"
export APP_KEY ELMSTONE_SIGNING_KEY APP_TIMEZONE CACHE_STORE=file SESSION_DRIVER=file
unset APP_CONFIG_CACHE APP_ROUTES_CACHE
php artisan migrate --force --quiet
php artisan house:grants elmstone_till
compiled artisan books:prove || die "the books in $into do not prove; look there before anybody sells on them"
trap 'rm -rf "$work"' EXIT
database_stop "$into/db"
say "restored to $into. To serve it: ELMSTONE_HOME=$into ./elmstone up"
