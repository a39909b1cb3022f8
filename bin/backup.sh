# Keeps what there is, while people sell: ./elmstone backup. First of all a key: ./elmstone backup new-key prints the
# half that opens backups, for the owner to hold; this machine has the half that seals them and cannot open any.
#
# ./elmstone backup        everything as it is at one moment, sealed, into $ELMSTONE_BACKUPS
# ./elmstone backup log    what was written since, from the database's own log, sealed beside it
# ./elmstone backup tidy   throws away what is older than $ELMSTONE_BACKUPS_KEPT days, but the last three and the
#                          first of each month of the last twelve
. bin/house.sh

place=${ELMSTONE_BACKUPS:-$HOUSE/backups}
public=$HOUSE/backup.pub

new_key() {
    [ ! -f "$public" ] || die "there is a key already: $public. Backups sealed with it are opened by its other half; \
take the file away if you want another"
    mkdir -p "$HOUSE"
    local private
    private=$(php bin/vault.php new-key "$public")
    say 'The key that opens backups of this shop. Write it down, keep it away from this machine, and in two places:'
    say 'without it no backup can be read, and it is not kept here.'
    printf '%s\n' "$private"
}

sealable() {
    [ -f "$public" ] || die 'there is no key for backups yet: ./elmstone backup new-key'
    need "${RUNNING[@]}" "${KEEPING[@]}"
    shop_database_start
    use_database "$HOUSE/db"
    mkdir -p "$place/log"
    chmod 700 "$place" "$place/log"
    umask 077
}

# Where the log is at the moment of the dump; empty where nothing is logged.
log_place() {
    local found="s/.*MASTER_LOG_FILE='\([^']*\)', MASTER_LOG_POS=\([0-9]*\);.*/\1 \2/p"
    zcat "$1" 2> /dev/null | sed -n "1,60$found" | head -1 || true
}

digest() { sha256sum < "$1" | cut -d' ' -f1; }
part() { printf '{"name":"%s","bytes":%d,"sha256":"%s"}' "$1" "$(stat -c %s "$2/$1")" "$(digest "$2/$1")"; }

manifest() {
    printf '{"format":"elmstone-backup/1","version":"%s","made_at":"%s",' "$(cat VERSION)" \
        "$(date -u +%Y-%m-%dT%H:%M:%SZ)"
    printf '"log":{"file":"%s","position":%d},' "${2:-}" "${3:-0}"
    printf '"parts":[%s,%s,%s]}\n' "$(part database.sql.gz "$1")" "$(part files.tar.gz "$1")" "$(part house.env "$1")"
}

whole() {
    local began name work log=() file position
    began=$(date +%s)
    name=elmstone-$(date -u +%Y%m%d-%H%M%S)
    work=$(mktemp -d "$place/.making-XXXXXX")
    trap "rm -rf '$work'" EXIT
    [ "$(database_root "$HOUSE/db" -N -e 'SELECT @@log_bin')" = 0 ] || log=(--master-data=2)
    # Who is signed in, and what can be reckoned again, is not kept.
    database_dump "$HOUSE/db" elmstone "${log[@]}" --ignore-table-data=elmstone.sessions \
        --ignore-table-data=elmstone.cache --ignore-table-data=elmstone.cache_locks | gzip -1 > "$work/database.sql.gz"
    tar -C storage -czf "$work/files.tar.gz" --exclude=app/private/sealed app
    printf 'APP_KEY=%s\nELMSTONE_SIGNING_KEY=%s\nAPP_TIMEZONE=%s\nKIND=%s\n' "${APP_KEY:-$(cat "$HOUSE/key")}" \
        "${ELMSTONE_SIGNING_KEY:-}" "$(timezone)" "$(cat "$HOUSE/kind" 2> /dev/null || echo own)" > "$work/house.env"
    read -r file position <<< "$(log_place "$work/database.sql.gz")" || true
    manifest "$work" "${file:-}" "${position:-0}" > "$work/manifest.json"
    tar -C "$work" -cf - manifest.json database.sql.gz files.tar.gz house.env \
        | php bin/vault.php seal "$public" > "$work/sealed"
    sync "$work/sealed"
    printf '%s  %s\n' "$(digest "$work/sealed")" "$name.backup" > "$place/$name.sha256"
    mv "$work/sealed" "$place/$name.backup"
    cp "$work/manifest.json" "$place/$name.json"
    php artisan backup:note "$name.backup" --bytes="$(stat -c %s "$place/$name.backup")" \
        --sha256="$(cut -d' ' -f1 < "$place/$name.sha256")" --seconds=$(($(date +%s) - began))
    say "kept as $place/$name.backup"
}

# Every file of the log that is closed, once.
ship_log() {
    local folder=${ELMSTONE_BINLOG:-$HOUSE/binlog} file name
    database_root "$HOUSE/db" -e 'FLUSH BINARY LOGS'
    for file in $(head -n -1 "$folder/elmstone.index"); do
        name=$(basename "$file")
        [ -f "$place/log/$name.sealed" ] && continue
        php bin/vault.php seal "$public" < "$file" > "$place/log/$name.part"
        sync "$place/log/$name.part"
        mv "$place/log/$name.part" "$place/log/$name.sealed"
    done
}

tidy() {
    local kept=${ELMSTONE_BACKUPS_KEPT:-14} month='' file day
    for file in $(ls "$place" | sed -n 's/^\(elmstone-[0-9-]*\)\.backup$/\1/p' | head -n -3); do
        day=${file:9:8}
        [ "$day" -lt "$(date -u -d "$kept days ago" +%Y%m%d)" ] || continue
        if [ "${day:0:6}" != "$month" ] && [ "$day" -ge "$(date -u -d '12 months ago' +%Y%m%d)" ]; then
            month=${day:0:6}
            continue
        fi
        rm -f "$place/$file.backup" "$place/$file.sha256" "$place/$file.json"
    done
    find "$place/log" -name '*.sealed' -mtime "+$kept" -delete
}

case ${1:-whole} in
    new-key) new_key ;;
    whole) sealable && whole ;;
    log) sealable && ship_log ;;
    tidy) tidy ;;
    *) die "backup takes new-key, log or tidy, or nothing; not $1" ;;
esac
