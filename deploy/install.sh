#!/usr/bin/env bash
# Sets Elmstone up on a fresh Debian 12, as root, from a checkout of it:
#   deploy/install.sh --name=shop.example
# What is where afterwards: the application in /srv/elmstone, all data in /var/lib/elmstone, what is set in
# /etc/elmstone. Run again, it brings in the newer version that lies in the checkout and keeps what is set.
#   --zone=Europe/Lisbon  the shop's time zone (else the machine's)   --workers=8  pages at once
#   --into=folder         everything below that folder, nothing of the machine's touched, nothing started: for tests
#   --user=  --http=  --https=  --nginx=  its user (elmstone), its ports (80, 443), where nginx has its own settings
set -euo pipefail
here=$(realpath "$(dirname "$0")/..")
name='' zone='' into='' user=elmstone http=80 https=443 workers=8 nginx=/etc/nginx
for word in "$@"; do
    case $word in
        --name=*) name=${word#*=} ;;
        --zone=*) zone=${word#*=} ;;
        --into=*) into=$(realpath -m "${word#*=}") ;;
        --user=*) user=${word#*=} ;;
        --http=*) http=${word#*=} ;;
        --https=*) https=${word#*=} ;;
        --nginx=*) nginx=${word#*=} ;;
        --workers=*) workers=${word#*=} ;;
        *) echo "install.sh does not know $word" >&2; exit 64 ;;
    esac
done
die() { echo "install.sh: $*" >&2; exit 1; }
[[ $name =~ ^[a-z0-9.-]+$ ]] || die 'say under which name it is reached: --name=shop.example'
[ -n "$into" ] || [ "$(id -u)" = 0 ] || die 'run it as root'
root=$into/srv/elmstone lib=$into/var/lib/elmstone etc=$into/etc/elmstone run=$into/run/elmstone
units=$into/etc/systemd/system site=$into/etc/nginx/sites-enabled/elmstone.conf

if [ -z "$into" ]; then
    apt-get update -q > /dev/null
    DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends nginx php8.2-fpm php8.2-cli \
        php8.2-{mysql,bcmath,gd,intl,mbstring,xml,curl,zip} composer mariadb-server-core mariadb-client openssl \
        unzip curl
    id "$user" > /dev/null 2>&1 || useradd --system --home-dir "$lib" --shell /usr/sbin/nologin "$user"
fi
as() {
    if [ "$(id -u)" != 0 ]; then "$@"; return; fi
    setpriv --reuid="$user" --regid="$(id -g "$user")" --clear-groups "$@"
}
owned() { [ "$(id -u)" != 0 ] || chown -R "$user:$(id -g "$user")" "$@"; }

# The application: readable by its user, writable in storage alone.
mkdir -p "$root" "$lib" "$etc/tls" "$run" "$units" "$(dirname "$site")"
chmod 755 "$root"
tar -C "$here" --exclude=./.git --exclude=./.elmstone --exclude=./node_modules --exclude=./.env --exclude=./tests \
    --exclude='./bootstrap/cache/*.php' --exclude='./storage/framework/views/*.php' --exclude='./storage/logs/*.log' \
    --exclude='./storage/framework/cache/data/[0-9a-f]*' --exclude='./storage/framework/sessions/[0-9A-Za-z]*' \
    --exclude='./storage/app/private/[a-z]*' -cf - . | tar -C "$root" -xf -
[ -d "$root/vendor" ] || (cd "$root" && composer install --no-dev -q)
# All may read the program; what is set beside it, and what it keeps, nobody but its user.
find "$root" -path "$root/storage" -prune -o ! -path "$root/.env" -exec chmod a+rX {} +
chmod 750 "$root/storage"
owned "$root/storage" "$root/bootstrap/cache" "$lib" "$run"
chmod 700 "$lib"

# What is set: made once, kept after that.
umask 027
secret() { [ -f "$lib/$1" ] || { (umask 077 && php -r "$2" > "$lib/$1"); owned "$lib/$1"; }; }
secret key 'echo "base64:".base64_encode(random_bytes(32));'
secret signing-key 'echo base64_encode(random_bytes(32));'
secret setup-key 'echo bin2hex(random_bytes(12));'
printf own > "$lib/kind"
mkdir -p "$lib/db"
[ -f "$lib/db/socket" ] || printf '%s' "$run/db.sock" > "$lib/db/socket"
owned "$lib"
if [ ! -f "$etc/tls/fullchain.pem" ]; then
    # Until there is a certificate from somebody others trust.
    openssl req -x509 -newkey rsa:2048 -nodes -days 825 -subj "/CN=$name" -addext "subjectAltName=DNS:$name" \
        -keyout "$etc/tls/key.pem" -out "$etc/tls/fullchain.pem" 2> /dev/null
fi
fill() {
    local suffix=''
    [ "$https" = 443 ] || suffix=":$https"
    sed -e "s#@NAME@#$name#g; s#@ROOT@#$root#g; s#@LIB@#$lib#g; s#@ETC@#$etc#g; s#@RUN@#$run#g; s#@USER@#$user#g" \
        -e "s#@HTTP@#$http#g; s#@HTTPS@#$https#g; s#@HTTPS_SUFFIX@#$suffix#g; s#@WORKERS@#$workers#g" \
        -e "s#@NGINX@#$nginx#g" "$1" > "$2"
}
umask 022
fill "$here/deploy/nginx.conf" "$site"
fill "$here/deploy/php-fpm.conf" "$etc/php-fpm.conf"
for unit in "$here"/deploy/units/*; do fill "$unit" "$units/$(basename "$unit")"; done

# The database, its two users, the tables.
cd "$root"
export ELMSTONE_HOME=$lib
if [ -z "$into" ]; then
    systemctl daemon-reload
    systemctl enable --now elmstone-database.service
fi
as bash -c '. bin/house.sh; shop_database_start; database_user "$HOUSE/db"'
port=$(cat "$lib/db/port")
umask 027
cat > "$root/.env" <<ENV
APP_ENV=production
APP_URL=https://$name$([ "$https" = 443 ] || printf ':%s' "$https")
APP_KEY=$(cat "$lib/key")
ELMSTONE_SIGNING_KEY=$(cat "$lib/signing-key")
ELMSTONE_SETUP_KEY=$(cat "$lib/setup-key")
APP_TIMEZONE=${zone:-$(cat /etc/timezone 2> /dev/null || echo UTC)}
DB_HOST=127.0.0.1
DB_PORT=$port
DB_DATABASE=elmstone
DB_USERNAME=elmstone_till
DB_PASSWORD=$(cat "$lib/db/till-password")
SESSION_DRIVER=database
CACHE_STORE=database
SESSION_SECURE_COOKIE=true
ENV
[ ! -f "$etc/more.env" ] || cat "$etc/more.env" >> "$root/.env"
[ "$(id -u)" != 0 ] || chgrp "$(id -g "$user")" "$root/.env"
as bash -c '. bin/house.sh; use_database "$HOUSE/db"; export CACHE_STORE=file
    php artisan optimize:clear -q; php artisan migrate --force -q; php artisan house:grants elmstone_till'
as php artisan optimize -q

if [ -z "$into" ]; then
    usermod -a -G "$(id -gn "$user")" www-data
    systemctl enable --now elmstone-php.service elmstone-outbox.service elmstone-folders.service \
        elmstone-short.service elmstone-long.service \
        elmstone-morning.timer elmstone-night.timer elmstone-log.timer
    systemctl reload-or-restart elmstone-php.service
    systemctl restart elmstone-outbox.service elmstone-folders.service elmstone-short.service elmstone-long.service
    nginx -t -q && systemctl reload-or-restart nginx
fi
as php artisan shop:sign-ins --address="https://$name$([ "$https" = 443 ] || printf ':%s' "$https")"
[ -f "$lib/backup.pub" ] \
    || echo "  And a key for backups, once:  sudo -u $user ELMSTONE_HOME=$lib $root/elmstone backup new-key"
