# Goes on with a newer version: ./elmstone upgrade [tag or commit]. With a name, the checkout goes to it first; without,
# the newer version lies here already. People see that the shop is being worked on; what there is is kept aside; the
# tables are brought along; the books are proved. Whatever fails, the database and the checkout are put back as they
# were, and the shop is served again.
. bin/house.sh

need "${RUNNING[@]}" "${KEEPING[@]}"
[ -d "$HOUSE/db/data" ] || die "there is no shop in $HOUSE to be upgraded: ./elmstone up"
wanted=${1:-}
was=''
if [ -n "$wanted" ]; then
    git rev-parse --verify --quiet "$wanted^{commit}" > /dev/null || die "there is no version $wanted in this checkout"
    [ -z "$(git status --porcelain --untracked-files=no)" ] || die 'files of the checkout were changed by hand;
    look at them first: git status'
    was=$(git rev-parse HEAD)
fi

shop_database_start
use_database "$HOUSE/db"
aside=$HOUSE/upgrade
(umask 077 && mkdir -p "$aside")
serve_stop "$HOUSE"
say 'keeping aside what there is'
(umask 077 && database_dump "$HOUSE/db" elmstone | gzip -1 > "$aside/before.sql.gz")
before=$(php artisan books:counts)

put_back() {
    trap - ERR EXIT
    say 'it failed: putting back what was'
    database_root "$HOUSE/db" -e 'DROP DATABASE elmstone; CREATE DATABASE elmstone'
    zcat "$aside/before.sql.gz" | database_root "$HOUSE/db" elmstone
    if [ -n "$was" ]; then
        git checkout --quiet --detach "$was"
        vendor_for_running
    fi
    die "nothing was changed. What stands above says why; ./elmstone up serves the shop as it was"
}
trap put_back ERR EXIT

if [ -n "$wanted" ]; then
    git checkout --quiet --detach "$wanted"
    vendor_for_running
fi
say "version $(cat VERSION)"
CACHE_STORE=file php artisan optimize:clear --quiet
php artisan migrate --force
php artisan house:grants elmstone_till
after=$(php artisan books:counts)
[ "$before" = "$after" ] || { say "documents before: $before; after: $after"; false; }
compiled artisan books:prove
trap - ERR EXIT
say "upgraded to $(cat VERSION); ./elmstone up serves it. What was is in $aside/before.sql.gz"
